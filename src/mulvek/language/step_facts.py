"""What hands need at a step, in words: how strong, how hot, how many loads, how large; from the plan's own answers."""

from ..core.equipment.quantities import say
from ..core.planning.sweets.cooked_level import cooked_level_m
from ..core.planning.sweets.drinking import Drinks
from ..core.planning.sweets.plan import SweetForecast
from ..core.planning.sweets.shaping import BOIL_S, FryAnswer, SlabAnswer, SyrupAnswer
from ..core.planning.sweets.steps import PlannedStep
from .names import the


def step_facts(step: PlannedStep, f: SweetForecast) -> list[str]:
    """The figures of this step; none where its own words say enough."""
    return _figures(step, f) + _pace(step)


def _pace(step: PlannedStep) -> list[str]:
    """That its minutes are this cook's own."""
    if not step.tried:
        return []
    times = "once" if step.tried == 1 else f"{step.tried} times"
    return [f"As long as it took you, timed {times}: {step.pace:.1f} of the usual."]


def _figures(step: PlannedStep, f: SweetForecast) -> list[str]:
    match step.key:
        case "syrup" if f.syrup:
            return _syrup(f.syrup)
        case "boil" if f.syrup:
            return _loads(f.syrup)
        case "soak" if f.syrup:
            return _soak(f.syrup, f.plan.sweet.one)
        case "soak" if f.plan.school.soak and f.plan.school.soak.within:
            return _within(f)
        case "pour" if f.drinks:
            return _drinks(f.drinks)
        case "fry" if f.fry:
            return _fry(f.fry)
        case "knead" | "shape" if f.syrup:
            return [f"{int(f.pieces.likely)} {f.plan.sweet.many} of {f.syrup.raw_m * 1e3:.0f} mm."]
        case "press" | "pour" if f.slab:
            return _tray(f.slab)
        case "cut" if f.slab:
            grid = f.slab.grid
            return [f"{grid.along} by {grid.across}: {grid.long_m * 1e3:.0f} × {grid.wide_m * 1e3:.0f} mm."]
        case "fill" if f.frozen and f.plan.mould:
            each = say(f.plan.mould.volume_m3 * f.frozen.fill, "volume")
            return [f"{each} in each, to {f.frozen.fill_m * 1e3:.0f} mm: it swells {f.frozen.swells * 100:.0f} %."]
        case "freeze" if f.frozen:
            stand = f.frozen.stand_s
            return [f"Before it is eaten it stands {stand.low / 60:.0f} to {stand.high / 60:.0f} minutes."]
        case _:
            return _level(step, f)


def _level(step: PlannedStep, f: SweetForecast) -> list[str]:
    level = cooked_level_m(f, step.key)
    if level is None:
        return []
    start, stop = (m * 100 for m in level)
    return [
        f"In {the(f.plan.hearth.pan.name)} it stands {start:.1f} cm deep at first, and {stop:.1f} cm when it is done."
    ]


def _syrup(syrup: SyrupAnswer) -> list[str]:
    return [
        f"{say(syrup.sugar_kg, 'mass')} of sugar, {say(syrup.water_kg, 'mass')} of water: {syrup.brix:.0f} °Brix, "
        f"{syrup.stage}.",
        f"It boils at {syrup.boils_c:.1f} °C here; a refractometer reads {syrup.brix:.0f}, a drop cooled.",
    ]


def _loads(syrup: SyrupAnswer) -> list[str]:
    minutes = BOIL_S[syrup.kind] / 60
    said = [
        f"They swell from {syrup.raw_m * 1e3:.0f} to {syrup.swollen_m * 1e3:.0f} mm: {syrup.at_once} at once have room."
    ]
    if syrup.goes > 1:
        said.append(f"{syrup.goes} loads, {minutes:.0f} min each.")
    if syrup.top_up_kg > 0.005:
        said.append(f"Hot water at the edge, {say(syrup.top_up_kg, 'mass')} in all, keeps it {syrup.brix:.0f} °Brix.")
    return said


def _soak(syrup: SyrupAnswer, one: str) -> list[str]:
    low, high = (kg * 1e3 for kg in (syrup.piece_kg.low, syrup.piece_kg.high))
    return [
        f"A {one} weighs {low:.0f} to {high:.0f} g when it has drunk; {say(syrup.left_kg, 'mass')} of syrup is left."
    ]


def _within(f: SweetForecast) -> list[str]:
    soak = f.plan.school.soak
    assert soak is not None
    low, high = f.plan.school.vary.get("soak.gain", (soak.gain, soak.gain))
    dry = f.built.before_soak_kg * f.each_kg * 1e3
    return [f"A {f.plan.sweet.one} of {dry:.0f} g drinks {low * dry:.0f} to {high * dry:.0f} g of the milk."]


def _drinks(d: Drinks) -> list[str]:
    said = [
        f"The bread drinks {say(d.drunk.low, 'mass')} to {say(d.drunk.high, 'mass')} of the {d.of}; about "
        f"{say(d.around.likely, 'mass')} stands around it."
    ]
    if d.rabri_kg < 0.9 * d.around.likely:
        said.append(f"What stays in the pan can be boiled on to rabri: {say(d.rabri_kg, 'mass')} of all that.")
    return said


def _fry(fry: FryAnswer) -> list[str]:
    loads = [f"{fry.goes} loads of {fry.at_once} at the most, the fat hot again before each."] if fry.goes > 1 else []
    return [
        f"Fat at {fry.fat_c.likely:.0f} °C ({fry.fat_c.low:.0f} to {fry.fat_c.high:.0f}): a crumb of it rises slowly.",
        f"{_time(fry.seconds.low)} to {_time(fry.seconds.high)}; they take up {say(fry.taken_kg, 'mass')} of fat.",
        *loads,
    ]


def _tray(slab: SlabAnswer) -> list[str]:
    return [f"A tray of {slab.length_m * 100:.0f} × {slab.width_m * 100:.0f} cm, {slab.thick_m * 1e3:.0f} mm thick."]


def _time(seconds: float) -> str:
    return f"{seconds:.0f} s" if seconds < 90 else f"{seconds / 60:.0f} min"
