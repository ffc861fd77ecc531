"""JSON of the Sweets station: the whole answer. The command line speaks it too."""

import math
from collections.abc import Mapping

from pydantic import Field

from ..core.equipment.quantities import in_cups, say_measured
from ..core.messages.figures import say
from ..core.planning.sweets.balance import band
from ..core.planning.sweets.build import ReadyBase, milk_of
from ..core.planning.sweets.costs import Cost, Heat, Prices, cost, heat_for
from ..core.planning.sweets.formula import MILK
from ..core.planning.sweets.knobs import knobs
from ..core.planning.sweets.leaves import Leaves, leaves
from ..core.planning.sweets.minutes import Boiling
from ..core.planning.sweets.nutrition import Nutrients
from ..core.planning.sweets.plan import SweetForecast, plan_sweet, racks
from ..core.planning.sweets.portions import Limit, lead_of
from ..core.planning.sweets.reasons import label, sweet_reasons
from ..core.planning.sweets.shaping import FryAnswer, SlabAnswer, SyrupAnswer
from ..core.planning.sweets.steps import earliest_s
from ..core.properties import freezing as fz
from ..core.properties.density import density_kg_m3
from ..core.ranges import Range
from ..language.step_facts import step_facts
from .model import Out
from .said import CautionOut, WhyOut
from .sweet_bench import LitOut, base_of, lit_of
from .sweet_parts import (
    BaseOut,
    CoolingOut,
    FrozenOut,
    KeepingOut,
    KnobOut,
    LeadOut,
    LevelOut,
    LimitOut,
    RowOut,
    StepOut,
)
from .sweet_words import SweetIn, Things, read_prices, read_sweet_plan


class SweetOut(Out):
    """The whole answer. Masses kg, shares kg per kg, times s."""

    key: str
    name: str
    school: str
    school_name: str
    school_about: str
    flavour: str
    one: str
    many: str
    then: str
    milk: str
    piece_way: str
    each_kg: float
    each_words: str
    pieces: Range
    finished: Range
    lead: LeadOut
    rows: list[RowOut]
    bases: list[BaseOut]
    limits: list[LimitOut]
    levels: list[LevelOut]
    band: str
    sweetness: float
    felt_sweetness: float
    grains: str
    stop_kg: float | None
    into_pan_kg: float
    steam_kg: float
    sugar_over_kg: float
    boilings: list[Boiling]
    steps: list[StepOut]
    ready_s: Range
    before_cold_s: Range
    frozen: FrozenOut | None
    slab: SlabAnswer | None
    syrup: SyrupAnswer | None
    fry: FryAnswer | None
    leaves: dict[str, Leaves] = Field(description="What can be left over beside the pieces: sauce, dough")
    keeping: KeepingOut
    fridge: CoolingOut
    iced: CoolingOut
    nutrients: Nutrients
    allergens: list[str]
    cautions: list[CautionOut]
    cost: Cost
    unpriced: list[str]
    knobs: list[KnobOut]
    label: str
    whys: dict[str, WhyOut]
    warnings: list[str]
    lit: dict[str, LitOut] = Field(
        description="What of it is lit besides its bases, by its slot: a caramel, its milk"
    )

    @classmethod
    def of(cls, f: SweetForecast, words: SweetIn, prices: Prices) -> "SweetOut":
        plan, built = f.plan, f.built
        names = _names(f)
        told = cost(
            _used(f),
            prices,
            _heat(f),
            sum(s.seconds.likely for s in f.steps if s.hands) / 3600,
            int(f.pieces.likely),
            f.finished.likely,
        )
        piece = plan.school.piece
        each = say(plan.mould.volume_m3, "volume") if plan.mould else f"{f.each_kg * 1e3:.0f} g"
        if piece.before:
            each = f"{piece.grams:g} g"
        made = [KnobOut(name=_knob_name(k.place, names), low=k.vary[0] if k.vary else None,
                        high=k.vary[1] if k.vary else None, place=k.place, value=k.value, unit=k.unit, beyond=k.beyond)
                for k in knobs(plan.school)]  # fmt: skip
        lead_key = lead_of(built, plan.packs, plan.pantry.things).key
        leads = [i for i, r in enumerate(f.rows) if r.key == lead_key and not r.within]
        lead_row = leads[0] if len(leads) == 1 and not plan.have else None
        return cls(
            key=plan.sweet.key,
            name=plan.sweet.name,
            school=plan.school.key,
            school_name=plan.school.name,
            school_about=plan.school.about,
            flavour=words.flavour,
            one=plan.sweet.one,
            many=plan.sweet.many,
            then=plan.sweet.then,
            milk=milk_of(plan.school, plan.pantry).name,
            piece_way=piece.way,
            each_kg=f.each_kg,
            each_words=each,
            pieces=f.pieces,
            finished=f.finished,
            lead=_lead(f, names),
            rows=[
                RowOut(
                    key=r.key,
                    name=r.name,
                    grams=r.kg * 1e3,
                    said=say_measured(r.kg, "mass"),
                    cups=in_cups(r.kg, r.bulk_kg_m3, plan.kitchen.measures, _liquid(r.key, f)),
                    buy_grams=r.buy_kg * 1e3,
                    when=r.when,
                    within=r.within,
                    swappable=not r.within and _swappable(f, r.key),
                    lead=i == lead_row,
                    number=i,
                )
                for i, r in enumerate(f.rows)
            ],
            bases=[base_of(f, b, words) for b in f.bases],
            limits=[_limit(limit, names) for limit in f.limits],
            levels=[LevelOut.of_level(level) for level in f.levels],
            band=band(plan.sweet, built.stuff.added_sugar),
            sweetness=fz.sweetness(built.parts),
            felt_sweetness=fz.sweetness(built.parts) * fz.felt_share(plan.kitchen.fridge_c),
            grains=fz.grains(built.parts, plan.kitchen.fridge_c).word,
            stop_kg=f.stop_kg,
            into_pan_kg=f.into_pan_kg,
            steam_kg=built.stuff.steam_kg * f.batch.finished_kg,
            sugar_over_kg=f.sugar_over_kg,
            boilings=list(f.boilings),
            steps=[
                StepOut(step=s, starts_s=at, facts=step_facts(s, f))
                for s, at in zip(f.steps, earliest_s(f.steps).values(), strict=True)
            ],
            ready_s=f.ready,
            before_cold_s=f.before_cold,
            frozen=None
            if f.frozen is None or plan.mould is None
            else FrozenOut(
                answer=f.frozen,
                mould=plan.mould.name,
                kind=plan.mould.kind,
                shape=dict(plan.mould.shape),
                volume_m3=plan.mould.volume_m3,
                depth_m=plan.mould.depth_m,
                racks=racks(int(f.pieces.likely), words.moulds),
            ),
            slab=f.slab,
            syrup=f.syrup,
            fry=f.fry,
            leaves=leaves(built, plan.kitchen.room_c, plan.kitchen.fridge_c),
            keeping=KeepingOut(
                klass=f.keeping.klass.key,
                why=f.keeping.klass.why,
                activity=f.keeping.activity,
                room_h=f.keeping.room_h,
                fridge_days=f.keeping.fridge_days,
                freezer_days=f.keeping.freezer_days,
                words=f.keeping.words,
            ),
            fridge=CoolingOut(cooling=f.cooling, passes=f.cooling.passes),
            iced=CoolingOut(cooling=f.iced, passes=f.iced.passes),
            nutrients=f.nutrients,
            allergens=list(f.allergens),
            cautions=CautionOut.each(f.cautions),
            cost=told,
            unpriced=[names.get(k, k) for k in told.unpriced],
            knobs=made,
            label=label(f),
            lit=lit_of(f, words),
            whys=WhyOut.each("sweets", sweet_reasons(f)),
            warnings=[
                f"{k.name.capitalize()} of {k.value:g} {k.unit} lies beyond the usual {k.low:g} to {k.high:g}."
                for k in made
                if k.beyond
            ],
        )


def _names(f: SweetForecast) -> dict[str, str]:
    pantry = f.plan.pantry
    found = {key: thing.name for key, thing in pantry.things.items()}
    found |= {key: sweet.name for key, sweet in pantry.sweets.items()}
    if pantry.milk:
        found[pantry.milk.key] = pantry.milk.name
    for b in f.bases:
        word = {"reduce": "reduced milk", "curdle": "chhena", "hang": "hung curd"}[b.made.base.do]
        found[b.made.letter] = word
        found[f"base:{b.made.letter}"] = b.made.ready.said if b.made.ready else word
    found[MILK] = milk_of(f.plan.school, pantry).name
    return found


def _limit(limit: Limit, names: Mapping[str, str]) -> LimitOut:
    return LimitOut(
        key=limit.key,
        name=names.get(limit.key, limit.key),
        have_kg=limit.have_kg,
        used_kg=limit.used_kg,
        left_kg=limit.left_kg,
        limits=limit.limits,
    )


_SAID = {
    "cook": "water in the end",
    "soak.brix": "syrup’s strength",
    "soak.ratio": "syrup to pieces",
    "soak.gain": "what they drink",
    "top.share": "sauce on top",
    "fry.takes": "fat taken up",
}


def _knob_name(place: str, names: Mapping[str, str]) -> str:
    head, _, rest = place.partition(".")
    if place in _SAID:
        return _SAID[place]
    return f"{names.get(rest, rest)}, taken to" if head == "bases" else names.get(rest, rest)


def _used(f: SweetForecast) -> dict[str, float]:
    return {k: kg * f.batch.finished_kg for k, kg in f.built.stuff.bought.items()}


def _heat(f: SweetForecast) -> Heat:
    milk = sum(r.kg for r in f.rows if f.plan.pantry.things.get(r.key, None) and f.plan.pantry.things[r.key].milk)
    minutes = sum(b.seconds.likely for b in f.boilings) / 60
    syrup = f.syrup.kg if f.syrup else 0.0
    steam = sum(b.steam_kg for b in f.boilings)
    return heat_for(milk if f.boilings or f.syrup else 0.0, steam, minutes, syrup, f.fry is not None)


def _lead(f: SweetForecast, names: Mapping[str, str]) -> LeadOut:
    key = lead_of(f.built, f.plan.packs, f.plan.pantry.things).key
    thing = f.plan.pantry.things.get(key)
    buy = f.batch.exact_kg if f.plan.weighed_kg is not None else f.batch.buy_kg
    liquid = thing is not None and thing.group in ("milk", "plant")
    words = say_measured(buy, "mass")
    if liquid and thing:
        words = say_measured(buy / float(density_kg_m3(thing.parts, f.plan.kitchen.milk_c)), "volume")
    pack = f.plan.packs.get(key)
    packs = ""
    if pack and thing:
        count = math.ceil(buy / pack - 1e-6)
        packs = f"{count} × {say(pack / thing.bulk_kg_m3, 'volume') if liquid else say(pack, 'mass')}"
    return LeadOut(
        name=names.get(key, key),
        exact_kg=f.batch.exact_kg,
        buy_kg=buy,
        words=words,
        packs=packs,
        rest_kg=f.batch.rest_kg,
    )


def _liquid(key: str, f: SweetForecast) -> bool:
    thing = f.plan.pantry.things.get(key)
    return thing is not None and thing.group in ("milk", "plant", "water", "cream")


def _swappable(f: SweetForecast, key: str) -> bool:
    school = f.plan.school
    mixed = key in school.mix and len(school.mix) > 1 and school.mix[key] > 0
    return (mixed or school.finish.get(key, 0) > 0) and key not in ("water", "cardamom", "salt", "oil")


def answer_sweet(words: SweetIn, shelf: Things, ready: Mapping[str, ReadyBase] | None = None) -> SweetOut:
    f = plan_sweet(read_sweet_plan(words, shelf, ready))
    return SweetOut.of(f, words, read_prices(words, shelf))
