"""A sweet's bases, and what else of it is lit, in the words of the Bench: where each is planned, and what stands there."""

import math

from pydantic import Field

from ..core.messages.figures import say
from ..core.planning.curdle.forecast import most_milk_m3
from ..core.planning.curdle.pieces import use
from ..core.planning.sweets.formula import MILK, slot_of
from ..core.planning.sweets.hanging import hung_in
from ..core.planning.sweets.lit import Caramelised, Cooked, caramelised, cooked
from ..core.planning.sweets.plan import BasePlan, SweetForecast
from .larder import MilkIn
from .model import Out
from .sweet_parts import BaseOut
from .sweet_words import SweetIn

BenchWords = dict[str, str | list[str]]


class LitOut(Out):
    """Where on the Bench it is planned, and its words there."""

    route: str
    words: BenchWords
    gives_kg: float = Field(0.0, description="What comes off the fire, as told")


def base_of(f: SweetForecast, b: BasePlan, words: SweetIn) -> BaseOut:
    """A base, and its plan on the Bench."""
    base, ready = b.made.base, b.made.ready
    goes = max((x.goes for x in f.boilings if x.of == b.made.letter), default=1)
    if base.do == "curdle":
        goes = math.ceil(b.start_m3 / most_milk_m3(f.plan.hearth.pan) - 1e-6)
    amount = say(b.start_m3, "volume") if base.do != "hang" else f"{b.start_kg * 1e3:.0f} g"
    # what the pan cannot hold at once is planned one go at a time
    bench: dict[str, str] = {"amount": say(b.start_m3 / goes, "volume") if goes > 1 else amount}
    if isinstance(words.milk, int) and base.of == MILK:
        bench["milk"] = str(words.milk)
    elif base.of == MILK and not isinstance(words.milk, MilkIn):
        bench["milk"] = b.made.of.key
    if base.do != "hang":
        bench |= _stands(words)
    if base.do == "reduce":
        bench |= {"stop": _solids(b.total_solids), "flame": words.flame, "sugar": ""}
    elif base.do == "curdle":
        soak = f.plan.school.soak
        bench |= _curdled(soak.kind if soak and soak.kind else "kalakand")
    else:
        bags = hung_in(b.made, b.start_kg, f.plan.kitchen, f.plan.drain)[0]
        bench |= {"yoghurt": b.made.of.key, "end": f"{b.total_solids * 100:g} % solids", "bags": str(bags)}
    return BaseOut(
        letter=b.made.letter,
        do=base.do,
        name=b.made.of.name,
        start_kg=b.start_kg,
        start_words=amount,
        goes=goes,
        made_kg=b.made_kg,
        total_solids=b.total_solids,
        to=base.to,
        unit=base.unit,
        ready=ready is not None,
        said=ready.said if ready else "",
        route={"reduce": "", "curdle": "/curdle", "hang": "/strain"}[base.do],
        words=bench,
    )


def lit_of(f: SweetForecast, words: SweetIn) -> dict[str, LitOut]:
    """What its steps follow besides its bases, by slot."""
    slots = {slot_of(step.follows) for step in f.steps}
    found: dict[str, LitOut] = {}
    if "CARAMEL" in slots and (caramel := caramelised(f)):
        found["CARAMEL"] = LitOut(route="/caramel", words=_caramel(caramel, words), gives_kg=caramel.gives_kg)
    if "COOK" in slots and (boiled := cooked(f)):
        found["COOK"] = LitOut(route="", words=_reduction(boiled, words), gives_kg=boiled.gives_kg)
    return found


def _stands(words: SweetIn) -> dict[str, str]:
    """The pan and the burner of the sentence, when they are the Larder's."""
    return {name: str(ref) for name, ref in (("pan", words.pan), ("burner", words.burner)) if isinstance(ref, int)}


def _fire(words: SweetIn, milk: str) -> BenchWords:
    """The milk, pan, burner and flame of the sentence, as the Bench's address has them."""
    return {
        "milk": str(words.milk) if isinstance(words.milk, int) else milk,
        **_stands(words),
        "flame": words.flame,
    }


def _curdled(key: str) -> dict[str, str]:
    """The words that give a curd of this use."""
    way = use(key)
    return {
        "use": key,
        "wait": f"{way.acid_c:g} °C",
        "drain": way.drain,
        "rinses": f"{way.rinses}",
        "hold": f"{way.hold_s / 60:g} minutes",
    }


def _reduction(made: Cooked, words: SweetIn) -> BenchWords:
    said: BenchWords = {
        "sugar": _grams(made.sugar_kg),
        "stop": _grams(made.gives_kg) if made.total_solids is None else _solids(made.total_solids),
        "amount": _grams(made.milk_kg),
        "when": "start",
    }
    if made.rest_kg:
        said["add"] = [f"{key}~{_grams(kg)}~start" for key, kg in made.rest_kg.items()]
    return said | _fire(words, made.milk)


def _caramel(made: Caramelised, words: SweetIn) -> BenchWords:
    said: BenchWords = {
        "sugar": _grams(made.sugar_kg),
        "butter": _grams(made.butter_kg),
        "amount": _grams(made.milk_kg),
        "condensed": _grams(made.condensed_kg),
    }
    if made.total_solids is not None:
        said["solids"] = f"{made.total_solids * 100:g} %"
    return said | _fire(words, made.milk)


def _grams(kg: float) -> str:
    """As the sentence has it; empty for none."""
    return f"{kg * 1e3:.0f} g" if kg else ""


def _solids(share: float) -> str:
    return f"{share * 100:.1f} % solids"
