"""What hands need at a step, in words: how strong, how hot, how many loads, how large; from the plan's own answers."""

from ..core.messages.catalogue import said
from ..core.messages.message import Message
from ..core.planning.sweets.cooked_level import cooked_level_m
from ..core.planning.sweets.drinking import Drinks
from ..core.planning.sweets.plan import SweetForecast
from ..core.planning.sweets.shaping import BOIL_S, FryAnswer, SlabAnswer, SyrupAnswer
from ..core.planning.sweets.steps import PlannedStep
from .names import the


def step_facts(step: PlannedStep, f: SweetForecast) -> list[str]:
    """The figures of this step; none where its own words say enough."""
    return [said(fact) for fact in (*_figures(step, f), *_pace(step))]


def _pace(step: PlannedStep) -> list[Message]:
    """That its minutes are this cook's own."""
    if not step.tried:
        return []
    return [Message("step-own-pace", times=step.tried, pace=step.pace)]


def _figures(step: PlannedStep, f: SweetForecast) -> list[Message]:
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
            count, many = int(f.pieces.likely), f.plan.sweet.many
            return [Message("step-shape", count=count, many=many, mm=f.syrup.raw_m * 1e3)]
        case "press" | "pour" if f.slab:
            return _tray(f.slab)
        case "cut" if f.slab:
            grid = f.slab.grid
            long, wide = grid.long_m * 1e3, grid.wide_m * 1e3
            return [Message("step-cut", along=grid.along, across=grid.across, long=long, wide=wide)]
        case "fill" if f.frozen and f.plan.mould:
            each, mm = f.plan.mould.volume_m3 * f.frozen.fill, f.frozen.fill_m * 1e3
            return [Message("step-fill", each_m3=each, mm=mm, percent=f.frozen.swells * 100)]
        case "freeze" if f.frozen:
            stand = f.frozen.stand_s
            return [Message("step-stand", low=stand.low / 60, high=stand.high / 60)]
        case _:
            return _level(step, f)


def _level(step: PlannedStep, f: SweetForecast) -> list[Message]:
    level = cooked_level_m(f, step.key)
    if level is None:
        return []
    start, stop = (m * 100 for m in level)
    return [Message("step-level", pan=the(f.plan.hearth.pan.name), start=start, stop=stop)]


def _syrup(syrup: SyrupAnswer) -> list[Message]:
    sugar, water = syrup.sugar_kg, syrup.water_kg
    return [
        Message("step-syrup", sugar_kg=sugar, water_kg=water, brix=syrup.brix, stage=syrup.stage),
        Message("step-syrup-boils", celsius=syrup.boils_c, brix=syrup.brix),
    ]


def _loads(syrup: SyrupAnswer) -> list[Message]:
    minutes = BOIL_S[syrup.kind] / 60
    raw, swollen = syrup.raw_m * 1e3, syrup.swollen_m * 1e3
    told = [Message("step-swell", raw=raw, swollen=swollen, count=syrup.at_once)]
    if syrup.goes > 1:
        told.append(Message("step-loads", loads=syrup.goes, minutes=minutes))
    if syrup.top_up_kg > 0.005:
        told.append(Message("step-top-up", top_up_kg=syrup.top_up_kg, brix=syrup.brix))
    return told


def _soak(syrup: SyrupAnswer, one: str) -> list[Message]:
    low, high = (kg * 1e3 for kg in (syrup.piece_kg.low, syrup.piece_kg.high))
    return [Message("step-drunk", one=one, low=low, high=high, left_kg=syrup.left_kg)]


def _within(f: SweetForecast) -> list[Message]:
    soak = f.plan.school.soak
    assert soak is not None
    low, high = f.plan.school.vary.get("soak.gain", (soak.gain, soak.gain))
    dry = f.built.before_soak_kg * f.each_kg * 1e3
    return [Message("step-drinks", one=f.plan.sweet.one, grams=dry, low=low * dry, high=high * dry)]


def _drinks(d: Drinks) -> list[Message]:
    around = d.around.likely
    told = [Message("step-bread-drinks", low_kg=d.drunk.low, high_kg=d.drunk.high, of=d.of, around_kg=around)]
    if d.rabri_kg < 0.9 * around:
        told.append(Message("step-on-to-rabri", rabri_kg=d.rabri_kg))
    return told


def _fry(fry: FryAnswer) -> list[Message]:
    loads = [Message("step-fry-loads", loads=fry.goes, count=fry.at_once)] if fry.goes > 1 else []
    fat, low, high = fry.fat_c, _time(fry.seconds.low), _time(fry.seconds.high)
    return [
        Message("step-fat", celsius=fat.likely, low=fat.low, high=fat.high),
        Message("step-fry", low=low, high=high, taken_kg=fry.taken_kg),
        *loads,
    ]


def _tray(slab: SlabAnswer) -> list[Message]:
    long, wide = slab.length_m * 100, slab.width_m * 100
    return [Message("step-tray", long=long, wide=wide, thick=slab.thick_m * 1e3)]


def _time(seconds: float) -> Message:
    if seconds < 90:
        return Message("step-seconds", seconds=seconds)
    return Message("in-minutes", minutes=seconds / 60)
