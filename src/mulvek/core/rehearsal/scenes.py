"""What a lesson's few words stand for: a pan, a burner, milk of the tables, a whole plan of its route.

A lesson stands on its own: it takes nothing from the Larder, so it is the same in every kitchen.
"""

from collections.abc import Callable, Mapping
from dataclasses import fields
from typing import Any, TypeVar

from ..composition.materials import material
from ..equipment.burners import Burner, Flame
from ..equipment.kitchen import Kitchen
from ..equipment.pans import Pan
from ..equipment.quantities import Measures
from ..equipment.vessels import Kadhai, Straight
from ..planning.caramel.plan import CaramelPlan
from ..planning.curdle.balance import Draining
from ..planning.curdle.pieces import use
from ..planning.curdle.plan import CurdlePlan
from ..planning.reduce.hearth import Hearth
from ..planning.reduce.plan import Amount, Rate, ReducePlan
from ..planning.reduce.stops import read_stop
from ..planning.reduce.track import stop_water_kg
from ..planning.strain.forecast import StrainPlan
from ..planning.sweets.frozen import Freezer
from .hidden import hide
from .luck import Luck
from .world import World
from .worlds.bath import Bath, BathPlan
from .worlds.caramel import Caramel
from .worlds.cloth import Cloth
from .worlds.curd import Curd
from .worlds.freezer import Freeze, FreezePlan
from .worlds.frying import Fry, FryPlan
from .worlds.halwa import Halwa, HalwaPlan
from .worlds.pan import SimPan
from .worlds.several import Link, Several

Words = Mapping[str, Any]
P = TypeVar("P", BathPlan, FryPlan, HalwaPlan)
NOBODY_S = 10**9
"""Callers come to the cook, not to each vessel."""
PANS: Mapping[str, Pan] = {
    pan.name: pan
    for pan in (
        Pan("pot", Straight(0.24, 0.15), "stainless-sandwich", 1.6),
        Pan("tall pot", Straight(0.18, 0.13), "stainless-sandwich", 1.1),
        Pan("wide pan", Straight(0.30, 0.09), "stainless-sandwich", 1.9),
        Pan("thin pot", Straight(0.22, 0.13), "stainless-thin", 0.7),
        Pan("kadhai", Kadhai(0.29, 0.086, top_diameter_m=0.31, wall_height_m=0.024), "iron", 2.2),
        Pan("small pan", Straight(0.20, 0.09), "stainless-sandwich", 1.0),
    )
}
MEASURES = Measures()


def _amount(words: Words, name: str, usual: str, unit: str) -> Amount:
    return Amount.read(str(words.get(name, usual)), name, unit, MEASURES)


def _pan(words: Words) -> Pan:
    return PANS[words.get("pan", "pot")]


def _burner(words: Words) -> Burner:
    return Burner(words.get("burner", "left burner"), words.get("burner_kind", "lpg-large"))


def _kitchen(words: Words) -> Kitchen:
    return Kitchen(room_c=float(words.get("room_c", 27.0)))


def reduction(words: Words) -> ReducePlan:
    sugar = words.get("sugar")
    return ReducePlan(
        milk=material(words.get("milk", "cow")),
        amount=_amount(words, "amount", "1 L", "L"),
        pan=_pan(words),
        burner=_burner(words),
        flame=words.get("flame", "medium"),
        stop=read_stop(words.get("stop", "half its volume")),
        sugar=Amount.read(sugar, "sugar", "g", MEASURES) if sugar else None,
        sugar_time=words.get("sugar_time", "end"),
        kitchen=_kitchen(words),
    )


def curdling(words: Words) -> CurdlePlan:
    meant = use(words.get("use", "sponge"))
    amount = _amount(words, "amount", "2 L", "L")
    return CurdlePlan(
        milk=material(words.get("milk", "cow")),
        amount=amount,
        pan=_pan(words),
        burner=_burner(words),
        wait_s=float(words.get("wait_s", 240)),
        coagulant=words.get("coagulant", "lemon"),
        draining=Draining(meant.drain),  # type: ignore[arg-type]
        use=meant.key,
        kitchen=_kitchen(words),
        rinses=meant.rinses,
        rinse_kg=0.5 * meant.rinses,
        hold_s=meant.hold_s,
    )


def straining(words: Words) -> StrainPlan:
    return StrainPlan(
        yoghurt=material(words.get("yoghurt", "yoghurt")),
        amount=_amount(words, "amount", "1 kg", "kg"),
        cloth=words.get("cloth", "muslin"),
        hung=words.get("hung", "hung"),
        place_c=float(words.get("place_c", 4.0)),
        kitchen=_kitchen(words),
        end=words.get("end", "shrikhand"),
        acidity=float(words.get("acidity", 0.8)),
        start_c=float(words.get("start_c", 8.0)),
    )


def caramelising(words: Words) -> CaramelPlan:
    butter, milk, condensed = words.get("butter", "20 g"), words.get("milk_amount", "250 ml"), words.get("condensed")
    return CaramelPlan(
        shade=words.get("shade", "amber"),
        sugar=_amount(words, "sugar", "150 g", "g"),
        butter=Amount.read(butter, "butter", "g", MEASURES) if butter else None,
        milk=material(words.get("milk", "cow")),
        milk_amount=Amount.read(milk, "milk_amount", "ml", MEASURES) if milk else None,
        condensed=Amount.read(condensed, "condensed", "g", MEASURES) if condensed else None,
        hearth=Hearth(_pan(words), _burner(words), _flame(words, "medium"), Rate()),
        kitchen=_kitchen(words),
        melt_on=words.get("melt_on", "gentle"),
    )


def _flame(words: Words, usual: Flame) -> Flame:
    return words.get("flame", usual)  # type: ignore[no-any-return]


def _plan(of: type[P], words: Words) -> P:
    """A plan from those of its fields that the lesson names; where and on what as everywhere."""
    given = {f.name: words[f.name] for f in fields(of) if f.name in words}
    return of(**{**given, "pan": _pan(words), "burner": _burner(words), "kitchen": _kitchen(words)})


def _bath(words: Words, luck: Luck) -> Bath:
    return Bath(_plan(BathPlan, words), luck)


def _fry(words: Words, luck: Luck) -> Fry:
    return Fry(_plan(FryPlan, words), luck)


def _freeze(words: Words, luck: Luck) -> Freeze:
    mix = reduction({"stop": "half its volume", "sugar": "110 g", **words.get("mix", {})})
    plan = FreezePlan(
        mix=mix.goal_parts.with_water(stop_water_kg(mix)).per_kg(),
        mould=words.get("mould", "stick"),
        count=int(words.get("count", 8)),
        freezer=Freezer(
            celsius=float(words.get("celsius", -18.0)), capacity_kg_day=float(words.get("capacity", 4.0))
        ),
        kitchen=_kitchen(words),
        sticks=bool(words.get("sticks", True)),
    )
    return Freeze(plan, luck)


def _halwa(words: Words, luck: Luck) -> Halwa:
    return Halwa(_plan(HalwaPlan, words), luck)


def _several(words: Words, luck: Luck) -> Several:
    vessels, name = words["vessels"], words.get("name", "two pans")
    links = [Link(*pair) for pair in words.get("links", ())]
    waiting = {link.to for link in links}
    made = []
    for i, its in enumerate(vessels):
        kind, luck_i = its["world"], Luck(luck.level, (luck.seed * 31 + i) % 2**31, NOBODY_S)
        world = BUILD[kind](its, luck_i)
        world.luck = luck_i
        if i in waiting:
            world.waits = True  # type: ignore[attr-defined]
        world.name = its.get("name", world.name)
        if "asks" in its:
            world.weights = {**world.weights, its["asks"]: 0.2}
            world.asks = frozenset(world.weights)
        made.append(world)
    return Several(luck, name, made, links, words.get("serve_s"))


BUILD: Mapping[str, Callable[[Words, Luck], World]] = {
    "pan": lambda words, luck: SimPan(hide(reduction(words), luck.level, luck.seed)),
    "curd": lambda words, luck: Curd(curdling(words), luck),
    "cloth": lambda words, luck: Cloth(straining(words), luck),
    "caramel": lambda words, luck: Caramel(caramelising(words), luck),
    "bath": _bath,
    "fry": _fry,
    "freeze": _freeze,
    "halwa": _halwa,
    "several": _several,
}
"""A world of each route from its words."""
