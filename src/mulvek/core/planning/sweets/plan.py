"""A sweet as it is wanted, in this kitchen; and what comes of it: pieces, weighing list, levels, times, keeping."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from ...equipment.kitchen import Kitchen
from ...equipment.moulds import Mould
from ...equipment.pans import Pan
from ...errors import BadInput, Impossible
from ...properties.density import density_kg_m3
from ...ranges import Range
from ...safety import keeping as kp
from ...safety.cautions import Caution
from ...safety.hazards import HAZARDS
from ..reduce.hearth import Hearth
from ..strain.draining import Drain
from .balance import Level, levels, solids_rel_sd
from .boiling import heat_up_s
from .build import Built, MadeBase, Pantry, ReadyBase, build, milk_of
from .drinking import Drinks, drinks
from .flow import step_of_row
from .formula import MILK, Range2, School, Sweet
from .frozen import Freezer, FrozenAnswer, frozen_answer
from .fruits import fruit_cautions
from .habits import Habit
from .hanging import hangs, hung_in
from .minutes import Boiling, boilings
from .nutrition import Nutrients, allergens, nutrients
from .portions import (
    RESERVE,
    UNPEELED,
    Batch,
    Limit,
    count_pieces,
    finished_density_kg_m3,
    for_wish,
    from_what_there_is,
    kept_of,
    lead_of,
    piece_kg,
)
from .shaping import FryAnswer, SlabAnswer, SyrupAnswer, fry_answer, slab_answer, syrup_answer
from .steps import BOILED, FAT_HEATS_S, FAT_HOT_AGAIN_S, FRIED, Pace, PlannedStep, planned_steps, total_s

MOST_PIECES, MOST_KG = 2000, 100.0
CURD_LN_SD, HUNG_LN_SD, READY_LN_SD = 0.14, 0.08, 0.02


@dataclass(frozen=True, kw_only=True)
class SweetPlan:
    """What is asked. Give ``pieces``, ``mass_kg`` or ``volume_m3`` (a wish), or ``have`` (kg by ingredient, "milk" or
    base letter).

    ``weighed_kg``: the lead ingredient as weighed, which everything else then follows.
    """

    sweet: Sweet
    school: School
    pantry: Pantry
    kitchen: Kitchen
    hearth: Hearth
    pieces: int | None = None
    mass_kg: float | None = None
    have: Mapping[str, float] = field(default_factory=dict)
    mould: Mould | None = None
    tray: tuple[float, float] | None = None
    freezer: Freezer = field(default_factory=Freezer)
    packs: Mapping[str, float] = field(default_factory=dict)
    whole_packs: bool = True
    weighed_kg: float | None = None
    finished_weighed_kg: float | None = None
    windows: Mapping[str, Range2] = field(default_factory=dict)
    volume_m3: float | None = None
    paces: Mapping[str, Pace] = field(default_factory=dict)
    drain: Drain = field(default_factory=Drain)
    """Of the muslin that its yoghurt hangs in."""
    habit: Habit | None = None
    """That of this kitchen which the school was read with."""

    def __post_init__(self) -> None:
        if self.pieces is not None and not 1 <= self.pieces <= MOST_PIECES:
            raise Impossible("want", "sweet-count-out-of-reach", pieces=self.pieces, most=MOST_PIECES)
        if self.mass_kg is not None and not 0.02 <= self.mass_kg <= MOST_KG:
            raise Impossible("want", "sweet-mass-out-of-reach")
        if self.volume_m3 is not None and not 20e-6 <= self.volume_m3 <= MOST_KG / 1e3:
            raise Impossible("want", "sweet-volume-out-of-reach")
        if self.pieces is None and self.mass_kg is None and self.volume_m3 is None and not self.have:
            raise BadInput("want", "sweet-size-missing")
        if any(not 0 < kg <= MOST_KG for kg in self.have.values()):
            raise BadInput("have", "have-out-of-reach")


@dataclass(frozen=True, slots=True, kw_only=True)
class ListRow:
    """One line of the weighing list: kg that go in, kg to buy, when, and into which step."""

    key: str
    name: str
    kg: float
    buy_kg: float
    bulk_kg_m3: float
    when: str
    within: str
    step: str = ""


@dataclass(frozen=True, slots=True)
class BasePlan:
    """A base to make or at hand, kg: from ``start_kg`` of ``of`` to ``made_kg``; ``total_solids`` of it."""

    made: MadeBase
    start_kg: float
    start_m3: float
    made_kg: float
    total_solids: float


@dataclass(frozen=True, kw_only=True)
class SweetForecast:
    """The answer. Masses kg, times s, shares kg per kg."""

    plan: SweetPlan
    built: Built
    batch: Batch
    finished: Range
    each_kg: float
    pieces: Range
    rows: tuple[ListRow, ...]
    bases: tuple[BasePlan, ...]
    limits: tuple[Limit, ...]
    levels: tuple[Level, ...]
    stop_kg: float | None
    into_pan_kg: float
    sugar_over_kg: float
    boilings: tuple[Boiling, ...]
    steps: tuple[PlannedStep, ...]
    ready: Range
    before_cold: Range
    frozen: FrozenAnswer | None
    slab: SlabAnswer | None
    syrup: SyrupAnswer | None
    fry: FryAnswer | None
    drinks: Drinks | None
    keeping: kp.Keeping
    cooling: kp.Cooling
    iced: kp.Cooling
    nutrients: Nutrients
    allergens: tuple[str, ...]
    cautions: tuple[Caution, ...]

    @property
    def finished_kg(self) -> float:
        return self.finished.likely


def plan_sweet(plan: SweetPlan) -> SweetForecast:
    """Reckon a sweet.

    :raises BadInput, Impossible: naming the word to change.
    """
    pantry = plan.pantry
    have = _by_key(plan)
    letters = {key: kg for key, kg in have.items() if key in plan.school.bases}
    if letters:
        usual = build(plan.sweet, plan.school, pantry)
        own = {
            b.letter: pantry.ready.get(b.letter) or ReadyBase(b.parts, 0.0, letters[b.letter], f"your {_called(b)}")
            for b in usual.bases
            if b.letter in letters
        }
        pantry = replace(pantry, ready={**pantry.ready, **own})
    built = build(plan.sweet, plan.school, pantry)
    mould_m3 = plan.mould.volume_m3 if plan.mould else None
    each = piece_kg(built, mould_m3)
    lead = lead_of(built, plan.packs, pantry.things)
    limits: list[Limit] = []
    if have:
        need = dict(built.stuff.bought)
        stock = {f"base:{k}" if k in plan.school.bases else k: kg for k, kg in have.items()}
        finished, limits = from_what_there_is(need, stock)
        batch = Batch(finished, finished, finished * lead.per_kg, finished * lead.per_kg, 0.0)
    else:
        wanted = plan.mass_kg if plan.mass_kg is not None else (plan.pieces or 0) * each / kept_of(built)
        if plan.volume_m3 is not None:
            wanted = plan.volume_m3 * finished_density_kg_m3(built)
        reserve = 0.0 if plan.sweet.tried else RESERVE
        batch = for_wish(lead, wanted, plan.whole_packs and lead.pack_kg is not None, reserve)
        if plan.weighed_kg is not None:
            finished = plan.weighed_kg / lead.per_kg
            batch = replace(batch, finished_kg=finished, exact_kg=plan.weighed_kg, rest_kg=0.0)
        _enough(built, batch.finished_kg)
    mass = batch.finished_kg
    told = Range.lognormal(mass, _mass_ln_sd(built))
    if plan.finished_weighed_kg is not None:
        told = Range.exact(plan.finished_weighed_kg)
        mass = plan.finished_weighed_kg
    kept = kept_of(built)
    pieces = Range(*(float(count_pieces(kg * kept, each)) for kg in (told.low, told.likely, told.high)))
    slab = slab_answer(built, mass, plan.tray, plan.pieces) if built.school.piece.way == "slab" else None
    if slab is not None:  # cut by its grid, however thick it turns out
        pieces, each = Range.exact(float(slab.grid.pieces)), slab.each_kg
    count = max(1, int(pieces.likely))
    boils = boilings(
        built.stuff.boils, batch.finished_kg, plan.hearth, plan.kitchen, poured_hot="caramel" in built.school.mix
    )
    frozen = None
    if plan.mould is not None:
        frozen = frozen_answer(built.parts, plan.mould, count, plan.freezer, plan.kitchen)
    pan = plan.hearth.pan
    syrup = syrup_answer(built, count, mass, plan.hearth, plan.kitchen)
    fry = fry_answer(built, count, mass, pan, plan.kitchen)
    width = 2 * float(pan.shape.radius_m(pan.shape.height_m / 2))
    iced = kp.cooling(built.parts, mass, width, 0.5, kp.ICE_STIRRED, open_top=False)
    cooling = kp.cooling(built.parts, mass, width, plan.kitchen.fridge_c, kp.FRIDGE)
    bags = {
        b.letter: hung_in(b, b.start_kg * batch.finished_kg, plan.kitchen, plan.drain)[0]
        for b in built.bases
        if hangs(b)
    }
    loads = {BOILED: syrup.goes if syrup else 1, FRIED: fry.goes if fry else 1}
    steps = planned_steps(
        built, _reckoned(plan, built, batch.finished_kg, boils, frozen, fry, iced), bags, loads, plan.paces
    )
    return SweetForecast(
        plan=replace(plan, pantry=pantry),
        built=built,
        batch=batch,
        finished=told,
        each_kg=each,
        pieces=pieces,
        rows=tuple(
            replace(row, step=step_of_row(row.key, row.when, row.within, built, steps))
            for row in _list(built, batch.finished_kg, pantry)
        ),
        bases=tuple(_base(b, batch.finished_kg, plan.kitchen) for b in built.bases),
        limits=tuple(limits),
        levels=tuple(levels(built, {**built.school.windows, **plan.windows})),
        stop_kg=built.stop_kg * batch.finished_kg if built.school.cook is not None else None,
        into_pan_kg=built.into_pan_kg * batch.finished_kg,
        sugar_over_kg=built.sugar_over_kg * batch.finished_kg,
        boilings=tuple(boils),
        steps=tuple(steps),
        ready=total_s(steps),
        before_cold=total_s(steps, "freeze") if frozen else total_s(steps),
        frozen=frozen,
        slab=slab,
        syrup=syrup,
        fry=fry,
        drinks=drinks(built, batch.finished_kg),
        keeping=kp.keeping(
            built.parts,
            built.school.ph,
            frozen=plan.sweet.frozen,
            fruit=built.school.fruit,
            weighed=plan.finished_weighed_kg is not None,
            room_c=plan.kitchen.room_c,
            fridge_c=plan.kitchen.fridge_c,
            best_frozen_days=frozen.sand.days if frozen and plan.sweet.frozen else None,
        ),
        cooling=cooling,
        iced=iced,
        nutrients=nutrients(built.parts, built.stuff.added_sugar, each * 1e3),
        allergens=allergens(pantry.things[k].allergens for k in _bought(built, pantry)),
        cautions=tuple(_cautions(plan, built, pantry)),
    )


def _by_key(plan: SweetPlan) -> dict[str, float]:
    """What is at hand, "milk" by the name of the milk itself."""
    made: dict[str, float] = {}
    for key, kg in plan.have.items():
        if key == MILK:
            key = milk_of(plan.school, plan.pantry).key
        elif key not in plan.school.bases and key not in plan.pantry.things:
            raise BadInput("have", "not-in-this-sweet", key=key)
        made[key] = made.get(key, 0.0) + kg
    return made


def _called(b: MadeBase) -> str:
    return {"reduce": "reduced milk", "curdle": "chhena", "hang": "hung curd"}[b.base.do]


def _enough(built: Built, finished_kg: float) -> None:
    """:raises Impossible: field "want", when a weighed base does not reach."""
    for b in built.bases:
        if b.ready is not None and b.made_kg * finished_kg > b.ready.mass_kg * 1.0005:
            most = b.ready.mass_kg / b.made_kg
            raise Impossible(
                "want",
                "base-not-enough",
                there=b.ready.mass_kg * 1000.0,
                base=b.ready.said or _called(b),
                most=most * 1000.0,
            )


def _mass_ln_sd(built: Built) -> float:
    spread = solids_rel_sd(built)
    for b in built.bases:
        if b.ready is not None:
            spread = max(READY_LN_SD, 0.5 * spread)
        elif b.base.do == "curdle":
            spread = max(spread, CURD_LN_SD * min(1.0, b.made_kg))
        elif b.base.do == "hang":
            spread = max(spread, HUNG_LN_SD)
    return spread


def _list(built: Built, kg: float, pantry: Pantry) -> list[ListRow]:
    """The weighing list, the same thing at the same moment put together."""
    made: dict[tuple[str, str, str], ListRow] = {}
    for row in built.rows:
        if row.kg * kg < 5e-6:
            continue
        thing = pantry.things.get(row.key) or (pantry.milk if pantry.milk and pantry.milk.key == row.key else None)
        bulk = thing.bulk_kg_m3 if thing else 1030.0
        place = (row.key, row.when, row.within)
        so_far = made[place].kg if place in made else 0.0
        mass = so_far + row.kg * kg
        buy = mass * UNPEELED.get(row.key, 1.0)
        made[place] = ListRow(
            key=row.key, name=row.name, kg=mass, buy_kg=buy, bulk_kg_m3=bulk, when=row.when, within=row.within
        )
    return list(made.values())


def _base(b: MadeBase, kg: float, kitchen: Kitchen) -> BasePlan:
    start = b.start_kg * kg
    density = float(density_kg_m3(b.of.parts, kitchen.milk_c))
    return BasePlan(b, start, start / density, b.made_kg * kg, b.parts.total_solids)


def _reckoned(
    plan: SweetPlan,
    built: Built,
    finished_kg: float,
    boils: list[Boiling],
    frozen: FrozenAnswer | None,
    fry: FryAnswer | None,
    iced: kp.Cooling,
) -> dict[str, Range]:
    times: dict[str, Range] = {}
    letters = {b.letter for b in built.bases}
    for boil in boils:
        name = f"base.{boil.of}" if boil.of in letters else boil.of
        before = times.get(name)
        seconds = boil.seconds
        times[name] = (
            seconds
            if before is None
            else Range(*(getattr(before, p) + getattr(seconds, p) for p in ("low", "likely", "high")))
        )
    for b in built.bases:
        if b.base.do == "curdle" and b.ready is None:
            power = plan.hearth.burner.net_power_w("strong", plan.hearth.pan.shape.base_diameter_m) / 1e3
            to_boil = heat_up_s(b.start_kg * finished_kg, plan.kitchen.milk_c, into_pan_kw=power)
            times[f"base.{b.letter}"] = Range.lognormal(to_boil, plan.hearth.rate.ln_sd)
        elif hangs(b):
            times[f"base.{b.letter}"] = hung_in(b, b.start_kg * finished_kg, plan.kitchen, plan.drain)[1]
    if frozen:
        times["freeze"] = frozen.freeze_s
    if fry:
        heats, again, sets = FAT_HEATS_S, FAT_HOT_AGAIN_S, fry.sets_s.scaled(fry.goes)
        more = fry.goes - 1
        times["fry"] = Range(
            heats.low + sets.low + more * again.low,
            heats.likely + sets.likely + more * again.likely,
            heats.high + sets.high + more * again.high,
        )
    if built.school.soak:
        low, high = (h * 3600 for h in built.school.soak.hours)
        times["soak"] = Range(low, (low + high) / 2, high)
    first, second = iced.first_s or 0.0, iced.second_s or 0.0
    times["cool"] = Range.lognormal(max(300.0, first + second), 0.25)
    return times


def _bought(built: Built, pantry: Pantry) -> list[str]:
    keys = [k for k in built.stuff.bought if k in pantry.things]
    if any(b.ready is not None for b in built.bases):
        keys += [b.of.key for b in built.bases if b.of.key in pantry.things]
    return keys


def _cautions(plan: SweetPlan, built: Built, pantry: Pantry) -> list[Caution]:
    words = list(plan.sweet.cautions)
    bought = set(_bought(built, pantry))
    if any(pantry.things[k].group == "fruit" and k != "lemon-juice" for k in bought):
        words.append("fruit")
    if "honey" in bought:
        words.append("honey")
    if not _milk_boils(built, pantry) and "boil" in words:
        words.remove("boil")
    if not any("nut" in pantry.things[k].allergens for k in bought) and "nuts" in words:
        words.remove("nuts")
    made = [HAZARDS[w] for w in dict.fromkeys(words)]
    made = [*fruit_cautions(built, pantry.things, plan.sweet.frozen), *made]
    return sorted(made, key=lambda c: c.severity != "danger")


def _milk_boils(built: Built, pantry: Pantry) -> bool:
    """Whether milk comes to the boil: nothing climbs that was only whisked, nor where only vegetables' water boils."""
    milk = any(pantry.things[k].milk for k in _bought(built, pantry))
    return milk and bool(built.stuff.boils)


def racks(count: int, moulds: int) -> int:
    """Goes in the moulds there are."""
    return max(1, -(-count // max(1, moulds)))


def usual_pan(pans: Mapping[int, Pan]) -> int | None:
    """The widest pan: what sweets are made in when nothing is said."""
    return max(pans, key=lambda i: float(pans[i].shape.radius_m(pans[i].shape.height_m / 2)), default=None)
