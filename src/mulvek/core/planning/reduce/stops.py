"""Where to stop: "half its volume", "600 g", "4.4 cm", "31 % solids", and what water that leaves.

Reduction dossier §6. A volume or depth is judged hot, off the boil (95 °C), as the cook sees it.
"""

import math
import re
from dataclasses import dataclass
from typing import Literal

import numpy as np

from ...composition.composition import Composition
from ...equipment.quantities import Measures, parse, say_number
from ...equipment.vessels import Shape
from ...errors import BadInput
from ...messages.figures import say
from ...properties.density import water_at_volume_kg
from ...properties.texture import COLD_C, STAGE_MIDDLES_MPA_S, STAGE_VERBS, STAGES, viscosity_mpa_s
from .windows import find_window

HOT_C = 95.0
"""Off the boil: the temperature at which the hot volume, depth and spoon are judged."""

StopKind = Literal[
    "volume_ratio", "mass_ratio", "depth_ratio", "volume", "depth", "mass", "total_solids", "milk_part", "cold_stage"
]  # fmt: skip


_RATIOS = {"volume_ratio": "its volume", "mass_ratio": "its weight", "depth_ratio": "its depth"}


@dataclass(frozen=True, slots=True)
class Stop:
    """The goal of a reduction.

    ``value`` is a share of the start (ratios), m³, m, kg, total solids or solids of the milk part in kg per
    kg, or the stage it shows on a spoon after a night in the fridge (0-7). ``name``: the named stop it is.
    ``with_sugar``: weight or solids counted with the sugar that goes in at the end.
    """

    kind: StopKind
    value: float
    with_sugar: bool = False
    name: str = ""

    @property
    def text(self) -> str:
        """The words that mean this stop, readable by ``read_stop`` again.

        >>> Stop("volume_ratio", 0.5).text, Stop("depth", 0.044).text, Stop("depth_ratio", 0.5).text
        ('half its volume', '4.4 cm deep', 'half its depth')
        """
        if self.name:
            return self.name
        if self.kind == "cold_stage":
            return f"{STAGES[int(self.value)]} cold"
        suffix = " with the sugar" if self.with_sugar else ""
        if self.kind in _RATIOS:
            what = _RATIOS[self.kind]
            return f"{_say_share(self.value)} {what}{suffix}"
        if self.kind == "depth":
            return say(self.value, "length") + " deep"
        if self.kind in ("total_solids", "milk_part"):
            of = " solids" if self.kind == "total_solids" else " solids of the milk part"
            return say(self.value, "percent") + of + suffix
        return say(self.value, "mass" if self.kind == "mass" else "volume") + suffix


def _say_share(share: float) -> str:
    names = {
        1 / 2: "half",
        1 / 3: "a third of",
        2 / 3: "two thirds of",
        1 / 4: "a quarter of",
        1 / 5: "a fifth of",
    }
    for value, name in names.items():
        if abs(share - value) < 5e-4:
            return name
    return f"{say_number(share)} of" if say_number(share) in "¾" else f"{share:.3g} of"


_TIMES = re.compile(r"^([\d.,½¼¾⅓⅔]+)\s*(?:x|×|times|fold)")
_LEADS = re.compile(
    r"^(?:until|till|(?:boil|cook|reduce|simmer|go)?\s*down\s+to|(?:boil|cook|reduce)(?:\s+it)?\s+to)\s+(?:it\s+(?:is|has)?\s*)?"
)
_TAILS = re.compile(r"\s+(?:remains?|is\s+left|stays?)$")
_GONE = re.compile(r"\s+(?:is\s+|are\s+|has\s+)?gone$|\s+(?:boiled|cooked)\s+(?:off|away)$")
_TO_ONE = re.compile(r"^(\d+(?:[.,]\d+)?)\s*(?::|to)\s*(\d+(?:[.,]\d+)?)$")
_FILLER = re.compile(
    r"\b(its|it's|it|the|to|by|of|in|down|reduce|volume|weight|mass|deep|depth|"
    r"milk part|solids?|total|ts|with|left|start|original)\b"
)


def read_stop(text: str, measures: Measures = Measures()) -> Stop:  # noqa: B008 - frozen
    """Read a stop in the cook's words.

    :raises BadInput: field "stop", when it is nonsense or could mean two things.

    >>> read_stop("half its volume")
    Stop(kind='volume_ratio', value=0.5, with_sugar=False, name='')
    >>> read_stop("by a third").value, read_stop("3x").value
    (0.6666666666666667, 0.3333333333333333)
    >>> read_stop("31 % solids with the sugar")
    Stop(kind='total_solids', value=0.31, with_sugar=True, name='')
    """
    if len(text) > 80:
        raise BadInput("stop", "stop-too-long")
    words = _plainly(text)
    if window := find_window(words):
        kind: StopKind = "total_solids" if window.product else "milk_part"
        return Stop(kind, window.middle, bool(window.product), window.name)
    if words.endswith(" cold") and words.removesuffix(" cold") in STAGES:
        return Stop("cold_stage", STAGES.index(words.removesuffix(" cold")))
    if words in STAGES or words in STAGE_VERBS:
        stage = STAGES[(STAGES if words in STAGES else STAGE_VERBS).index(words)]
        raise BadInput("stop", "stop-hot-or-cold", stage=stage)
    with_sugar = "sugar" in words
    if with_sugar and not re.search(r"\b(with|and)\s+(the\s+|its\s+)?sugar\b", words):
        raise BadInput("stop", "stop-in-sugar", text=text)
    words = re.sub(r"\b(counted\s+)?(with|and)?\s*(the\s+)?sugar\b", " ", words).strip()
    by_weight = bool(re.search(r"\b(weight|mass)\b", words))
    by_depth = bool(re.search(r"\b(deep|depth)\b", words))
    by_solids = bool(re.search(r"\b(solids?|ts)\b", words))
    removed = bool(re.match(r"by\b", words)) and not re.match(r"by (weight|volume|mass)\b", words)
    times = _TIMES.match(words)
    if times:
        number = parse(times[1], default_unit="", allow=("none",), field="stop").value
        return Stop(_ratio(by_weight, by_depth), _share(1 / number, text), with_sugar)
    bare = _FILLER.sub(" ", words).strip()
    quantity = parse(
        bare or text,
        default_unit="",
        allow=("volume", "mass", "length", "percent", "none"),
        field="stop",
        measures=measures,
    )
    value = quantity.value
    if quantity.dimension == "length":
        return Stop("depth", value)
    if quantity.dimension == "mass":
        return Stop("mass", value, with_sugar)
    if quantity.dimension == "volume":
        return Stop("volume", value)
    if by_solids and "milk part" in words:
        return Stop("milk_part", value if value <= 1 else value / 100)
    if by_solids:
        return Stop("total_solids", value if value <= 1 else value / 100, with_sugar)
    if quantity.dimension == "percent" and not by_weight and not by_depth and "volume" not in words:
        number_text = say(value, "percent")
        raise BadInput("stop", "stop-of-what", number_text=number_text)
    share = _share(1 - value if removed else value, text)
    return Stop(_ratio(by_weight, by_depth), share)


def _plainly(text: str) -> str:
    """The same stop without the ways to lead up to it.

    >>> _plainly("Until half remains"), _plainly("two thirds gone"), _plainly("5:1")
    ('half', 'by two thirds', '5x')
    """
    words = " ".join(text.lower().split())
    words = _TAILS.sub("", _LEADS.sub("", words))
    if _GONE.search(words):
        words = "by " + _GONE.sub("", words)
    if ratio := _TO_ONE.match(words):
        one, two = (float(n.replace(",", ".")) for n in ratio.groups())
        if min(one, two) > 0:
            words = f"{max(one, two) / min(one, two):g}x"
    return words


def _ratio(by_weight: bool, by_depth: bool) -> StopKind:
    return "mass_ratio" if by_weight else "depth_ratio" if by_depth else "volume_ratio"


def _share(value: float, text: str) -> float:
    if not 0 < value < 1:
        raise BadInput("stop", "stop-not-a-part", text=text)
    return value


def water_at_stop_kg(
    stop: Stop,
    goal: Composition,
    milk_kg: float,
    milk_m3: float,
    shape: Shape,
    late: Composition,
    *,
    flakes: bool = False,
    ln_own: float = 0.0,
) -> float:
    """Water left in the pan when the stop is reached, kg (may come out below zero: impossible).

    :param goal: solids and water in the pan as the stop is judged.
    :param late: what still goes in, counted when the stop says so.
    :param flakes: skin folded in, which thickens. :param ln_own: how much thicker this cook's turn out, ln.
    """
    if stop.kind == "cold_stage":
        return _water_at_stage_kg(int(stop.value), goal.plus(late), flakes, ln_own) - float(late.water)
    counted = goal.plus(late) if stop.with_sugar else goal
    coming = float(late.water) if stop.with_sugar else 0.0
    solids = float(counted.solids)
    if stop.kind == "milk_part":
        milk_solids = float(goal.solids - goal.free_sugars)
        return milk_solids * (1 / stop.value - 1)
    if stop.kind == "total_solids":
        return solids * (1 / stop.value - 1) - coming
    if stop.kind in ("mass", "mass_ratio"):
        target = stop.value if stop.kind == "mass" else stop.value * milk_kg
        return target - solids - coming
    target_m3 = {
        "volume": lambda: stop.value,
        "depth": lambda: float(shape.volume_m3(stop.value)),
        "depth_ratio": lambda: float(shape.volume_m3(stop.value * float(shape.depth_m(milk_m3)))),
        "volume_ratio": lambda: stop.value * milk_m3,
    }[stop.kind]()
    return float(water_at_volume_kg(goal, target_m3, HOT_C))


def _water_at_stage_kg(stage: int, product: Composition, flakes: bool, ln_own: float) -> float:
    """Water that makes the product the middle of a stage when cold, kg (dossier §7, geometric middles)."""
    solids = float(product.solids)
    share = np.linspace(0.03, 0.85, 120)
    water = solids * (1 / share - 1)
    thick = viscosity_mpa_s(product.with_water(water), COLD_C, aged=True, flakes=flakes)
    return float(np.interp(math.log(STAGE_MIDDLES_MPA_S[stage]) - ln_own, np.log(thick), water))
