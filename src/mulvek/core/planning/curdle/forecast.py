"""Curdling: a plan in, everything the cook needs out: when the acid goes in, how much, what curd, which pieces.

Curd dossier §1-§6.
"""

import math
from dataclasses import dataclass, replace

import numpy as np

from ...equipment.pans import Pan
from ...equipment.vessels import capacity_m3
from ...errors import BadInput, Impossible
from ...messages.message import Message
from ...ranges import Range
from ...safety.cautions import CHILL, MILK_CLIMBS, Caution
from ..reduce.evaporation import Fire, heat_up
from .acid import coagulant, dose_l, end_ph, ph_after
from .balance import Balance, rinsed_c, split
from .cooling import SD_K_PER_ROOT_MIN, Array, cooling_curve, mixed_c, standing
from .milk import curd_milk, yield_ln_sd
from .pieces import (
    TEXTURE_SD,
    USES,
    Use,
    ball_m,
    break_chance,
    count_pieces,
    crack_chance,
    knead_s,
    piece_density_kg_m3,
    texture_index,
    use,
)
from .plan import LONGEST_WAIT_S, CurdlePlan
from .syrup import Syrup, syrup_for
from .verdict import Fit, Way, better_way, judge

MOISTURE_SD = 0.022
CLIMBS = 1.6
HOT_CURD_C = 45.0

SCALDS = Caution("danger", Message("hot-curd-scalds"))
NOT_FOR_BALLS = Caution("care", Message("milk-makes-weak-curd"))
STOP_WHEN_CLEAR = Caution("care", Message("stop-when-whey-is-clear"))
WARM_IT = Caution("care", Message("warm-the-sour-whey"))
SOUR_UNRINSED = Caution("care", Message("sour-unrinsed"))
VESSEL = Caution("care", Message("no-acid-in-iron"))


@dataclass(frozen=True, slots=True, kw_only=True)
class Acid:
    """Coagulant to have ready and where to stop; litres or kg by ``unit``; water to thin it with, kg.

    ``ph_if_all``: where the whey ends when all that is ready goes in; below 5.2 sour and firm, below 5.0 grainy.
    """

    name: str
    unit: str
    ready: float
    likely: Range
    water_kg: float
    mixture_kg: float
    ph_if_all: float


FORMER_SYRUP = {"sponge": (32.0, 4.0), "poached": (45.0, 4.0), "fried": (60.0, 4.0)}
"""What was told with plans that hold no syrup: they go on with it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Pieces:
    """From this much curd: how many, what each weighs raw and its width, and the width cooked."""

    count: Range
    each_kg: float
    width_m: float
    cooked_m: float
    crack: str
    breaks: str
    binder_kg: float
    syrup: Syrup


@dataclass(frozen=True, slots=True)
class Stage:
    """One stretch of the work, with its seconds."""

    name: str
    seconds: float
    sign: str


@dataclass(frozen=True, slots=True, kw_only=True)
class CurdForecast:
    """The answer. kg, kg per kg, °C, s."""

    plan: CurdlePlan
    boil_s: Range
    boils_c: float
    acid_c: Range
    mixed_c: float
    curve_s: Array
    curve_c: Array
    curve_texture: Array
    ph: float
    acid: Acid
    curd_kg: Range
    moisture: Range
    texture: Range
    balance: Balance
    whey_kg: float
    rinsed_c: float | None
    acid_left: float
    knead_s: float
    pieces: Pieces | None
    fits: dict[str, Fit]
    instead: Way | None
    """A way by which it suits what it is for, when as planned it does not."""
    stages: tuple[Stage, ...]
    cautions: tuple[Caution, ...]


def most_milk_m3(pan: Pan) -> float:
    """What may come to the boil in it, m³."""
    return capacity_m3(pan.shape) / CLIMBS


def curdle(plan: CurdlePlan) -> CurdForecast:
    """Reckon a curdling.

    :raises KitchenError: naming the word to change.
    """
    milk, what, meant = curd_milk(plan.milk), coagulant(plan.coagulant), use(plan.use)
    most = most_milk_m3(plan.pan)
    if plan.milk_m3 > most:
        raise Impossible("pan", "curd-pan-boils-over", pan=plan.pan.name, most=most, milk_m3=plan.milk_m3)
    base = plan.pan.shape.base_diameter_m
    fire = Fire(
        heat_up_w=plan.burner.net_power_w("strong", base),
        simmer_w=0.0,
        wall_loss=plan.burner.wall_loss_w_m2_k,
        room_c=plan.kitchen.room_c,
        pressure_pa=plan.kitchen.pressure_pa,
    )
    warm = heat_up(plan.milk.parts.scaled(plan.milk_kg), plan.kitchen.milk_c, plan.pan, fire)
    pan, boils = standing(plan.milk_m3, plan.pan, plan.kitchen.altitude_m, plan.kitchen.room_c, cools=plan.cools)
    seconds, celsius = cooling_curve(pan, boils, LONGEST_WAIT_S)
    at_acid = float(np.interp(plan.wait_s, seconds, celsius))
    made = _made(plan, at_acid)
    ph, balance = made.ph, made.balance
    ln_sd = yield_ln_sd(plan.batches)
    own = math.exp(plan.ln_yield)
    curd = Range.lognormal(balance.curd.total * own, ln_sd)
    moisture, texture = made.moisture, made.texture
    curve_texture = np.array(
        [texture_index(t, end_ph(t), plan.hold_s / 60, moisture, plan.rinses, milk.texture) for t in celsius]
    )
    rinsed = _rinsed(plan, balance, at_acid)
    kneading = knead_s(balance.curd.fat / balance.curd.solids, moisture, balance.curd.total, milk.process != "none")
    acid_sd = SD_K_PER_ROOT_MIN * math.sqrt(plan.wait_s / 60)
    moist, firm = Range.between(moisture, MOISTURE_SD, 0.0, 1.0), Range.between(texture, TEXTURE_SD, 0.0, 100.0)
    fits = {key: judge(u, moist, firm) for key, u in USES.items()}
    instead = None
    if fits[plan.use].suits != "yes":

        def outcome(way: Way) -> tuple[float, float]:
            other = replace(plan, wait_s=way.wait_s, draining=way.draining, rinses=way.rinses, hold_s=way.hold_s)
            then = _made(other, float(np.interp(way.wait_s, seconds, celsius)))
            return then.moisture, then.texture

        instead = better_way(
            meant, Way(plan.wait_s, plan.draining, plan.rinses, plan.hold_s), outcome, longest_s=LONGEST_WAIT_S
        )
    return CurdForecast(
        plan=plan,
        boil_s=Range.lognormal(warm.seconds, 0.2),
        boils_c=boils,
        acid_c=Range.normal(at_acid, acid_sd),
        mixed_c=mixed_c(plan.milk_kg, at_acid, made.mixture_kg, 70.0 if what.holds.total else 40.0),
        curve_s=seconds,
        curve_c=celsius,
        curve_texture=curve_texture,
        ph=ph,
        acid=_acid(plan, made),
        curd_kg=curd,
        moisture=moist,
        texture=firm,
        balance=balance,
        whey_kg=balance.whey.total,
        rinsed_c=rinsed,
        acid_left=balance.curd.acid / balance.curd.total,
        knead_s=kneading,
        pieces=pieces_of(plan, curd, balance, texture) if meant.piece_kg else None,
        fits=fits,
        instead=instead,
        stages=_stages(plan, warm.seconds, kneading, meant),
        cautions=_cautions(plan, milk.process, meant, balance),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class _Made:
    """Acid and curd when the acid goes in at one temperature; doses and masses in litres or kg."""

    ph: float
    strength: float
    central: float
    water_kg: float
    mixture_kg: float
    balance: Balance
    moisture: float
    texture: float


def _made(plan: CurdlePlan, at_acid: float) -> _Made:
    milk, what = curd_milk(plan.milk), coagulant(plan.coagulant)
    ph = end_ph(at_acid)
    strength = what.strength[1] if plan.strength is None else plan.strength
    central = dose_l(what, plan.milk_m3, at_acid, milk, plan.strength)
    pure = what.acid_share(strength) * central
    percent = strength if what.unit == "ml" else 100.0 * strength
    water = max(0.0, central * (percent / plan.dilute_to - 1)) if percent > plan.dilute_to else 0.0
    brought = what.holds.scaled(central)
    balance = split(
        milk,
        plan.milk_kg,
        celsius=min(97.0, max(60.0, at_acid)),
        ph=ph,
        drain=plan.draining,
        boil_s=plan.boil_s,
        acid_water_kg=central + water - pure - brought.total,
        acid_kg=pure,
        brought=brought,
        rinse_kg=plan.rinse_kg if plan.rinses else 0.0,
        rinses=max(1, plan.rinses),
    )
    moisture = balance.curd.water / balance.curd.total
    texture = texture_index(at_acid, ph, plan.hold_s / 60, moisture, plan.rinses, milk.texture)
    return _Made(
        ph=ph,
        strength=strength,
        central=central,
        water_kg=water,
        mixture_kg=central + water,
        balance=balance,
        moisture=moisture,
        texture=texture,
    )


def _acid(plan: CurdlePlan, made: _Made) -> Acid:
    what, milk = coagulant(plan.coagulant), curd_milk(plan.milk)
    least, most = what.doses
    return Acid(
        name=what.name,
        unit=what.unit,
        ready=most * made.central,
        likely=Range(least * made.central, made.central, most * made.central),
        water_kg=most * made.water_kg,
        mixture_kg=most * made.mixture_kg,
        ph_if_all=ph_after(what, most * made.central, plan.milk_m3, milk, made.strength),
    )


def pieces_of(plan: CurdlePlan, curd: Range, balance: Balance, texture: float) -> Pieces:
    """How many pieces so much curd gives; the weighed curd decides, by the same reckoning."""
    meant = use(plan.use)
    assert meant.piece_kg is not None and meant.swells is not None
    wanted = plan.piece_kg or sum(meant.piece_kg) / 2
    counts = [count_pieces(kg, wanted, plan.binder) for kg in (curd.low, curd.likely, curd.high)]
    if counts[1] < 1:
        raise Impossible("piece", "piece-too-large")
    each = curd.likely * 0.98 * (1 + plan.binder) / counts[1]
    width = ball_m(each, piece_density_kg_m3(balance.curd))
    moisture = balance.curd.water / balance.curd.total
    return Pieces(
        count=Range(*(float(n) for n in counts)),
        each_kg=each,
        width_m=width,
        cooked_m=width * math.pow(meant.rests, 1 / 3),
        crack=_chance(crack_chance(moisture, texture, 0.0, plan.binder)),
        breaks=_chance(break_chance(moisture, 0.0, plan.binder)),
        binder_kg=plan.binder * curd.likely,
        syrup=syrup_for(
            meant,
            plan.syrup or FORMER_SYRUP[plan.use],
            counts[1],
            width,
            plan.pan,
            plan.kitchen.altitude_m,
            curd.likely,
        ),
    )


def _chance(p: float) -> str:
    return "low" if p < 0.15 else "high" if p > 0.40 else "medium"


def _rinsed(plan: CurdlePlan, balance: Balance, at_acid: float) -> float | None:
    if not plan.rinses or not plan.rinse_kg:
        return None
    celsius = at_acid - 4.0
    for _ in range(plan.rinses):
        celsius = rinsed_c(balance.wet_curd_kg, celsius, plan.rinse_kg / plan.rinses, plan.rinse_c)
    return celsius


def _stages(plan: CurdlePlan, boil_s: float, knead: float, meant: Use) -> tuple[Stage, ...]:
    drain = plan.draining
    stages = [
        Stage("to-the-boil", boil_s, "it rolls and lifts"),
        Stage("wait", plan.wait_s, "off the flame, stirred now and then"),
        Stage("acid", 180.0 + plan.hold_s - 30.0, _acid_sign(plan.hold_s)),
        Stage("strain", 300.0, "through wet muslin"),
    ]
    if plan.rinses and plan.rinse_kg:
        stages.append(Stage("rinse", 120.0 * plan.rinses, "cool enough for the hand, no sourness left"))
    stages.append(Stage(drain.way, drain.seconds, "moist, not wet: no drops when it is squeezed"))
    if drain.fridge_s:
        stages.append(Stage("fridge", drain.fridge_s, "firm and cold"))
    stages.append(Stage("weigh", 60.0, "the chhena decides, not the recipe"))
    if meant.piece_kg:
        stages.append(Stage("knead", knead, "one smooth mass, the palm just shiny; a test ball shows no cracks"))
    return tuple(s for s in stages if s.seconds > 0)


def _acid_sign(hold_s: float) -> str:
    clear = "the whey runs clear and greenish"
    return clear if hold_s < 60 else f"{clear}; then {hold_s / 60:g} minutes more on a low flame"


def _cautions(plan: CurdlePlan, process: str, meant: Use, balance: Balance) -> tuple[Caution, ...]:
    found = [MILK_CLIMBS, SCALDS, STOP_WHEN_CLEAR]
    shaped = meant.piece_kg is not None
    if process != "none" and (shaped or process == "uht"):
        found.append(NOT_FOR_BALLS)
    if coagulant(plan.coagulant).holds.total:
        found.append(WARM_IT)
    if not plan.rinses and balance.curd.acid / balance.curd.total > 0.5e-3 and shaped:
        found.append(SOUR_UNRINSED)
    if plan.pan.material in ("iron", "aluminium"):
        found.append(VESSEL)
    found.append(CHILL)
    return tuple(found)


def wait_for(plan: CurdlePlan, celsius: float) -> float:
    """Seconds of waiting until the pan has cooled to ``celsius``, s."""
    pan, boils = standing(plan.milk_m3, plan.pan, plan.kitchen.altitude_m, plan.kitchen.room_c, cools=plan.cools)
    seconds, curve = cooling_curve(pan, boils, LONGEST_WAIT_S)
    if celsius >= boils:
        return 0.0
    if celsius < curve[-1]:
        raise Impossible("wait", "cools-too-slowly", celsius=celsius)
    return float(np.interp(-celsius, -curve, seconds))


def milk_for_curd(plan: CurdlePlan, curd_kg: float) -> CurdlePlan:
    """The same plan with the milk that gives so much curd; rinse water in proportion."""
    for _ in range(6):
        got = curdle(plan).curd_kg.likely
        if abs(got / curd_kg - 1) < 1e-3:
            break
        factor = curd_kg / got
        q = plan.amount.quantity
        if not 0.1 <= factor * plan.milk_kg <= 100:
            raise Impossible("want", "curd-wish-out-of-reach")
        plan = replace(
            plan,
            amount=replace(plan.amount, quantity=replace(q, value=q.value * factor)),
            rinse_kg=plan.rinse_kg * factor,
        )
    return plan


def cools_by(plan: CurdlePlan, seconds: float, celsius: float) -> float:
    """How much faster than the model the pan cools, by one reading after the boil.

    The speed whose curve passes through the reading; Newton's law alone (F3.8) misses it by a degree or two.

    :raises BadInput: field "read_c", when it is not between room and boil.
    """
    pan, boils = standing(plan.milk_m3, plan.pan, plan.kitchen.altitude_m, plan.kitchen.room_c)
    room = plan.kitchen.room_c
    if not (15 <= seconds <= LONGEST_WAIT_S and room < celsius < boils):
        raise BadInput("read_c", "cooling-reading-unlikely", celsius=celsius, seconds=seconds / 60)
    low, high = math.log(0.1), math.log(10.0)
    for _ in range(40):
        middle = (low + high) / 2
        curve_s, curve_c = cooling_curve(replace(pan, cools=math.exp(middle)), boils, seconds)
        warmer = float(np.interp(seconds, curve_s, curve_c)) > celsius
        low, high = (middle, high) if warmer else (low, middle)
    return math.exp((low + high) / 2)
