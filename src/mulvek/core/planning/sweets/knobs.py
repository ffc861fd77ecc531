"""What a cook can change in a school: every number of its form by its place, and the flavour.

"bases.R", "mix.carrot", "finish.white-sugar", "cook", "soak.brix", "top.share", "fry.takes", "lose". A change
beyond the school's own ``vary`` is built all the same, and said.
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from ...errors import BadInput
from .formula import School, Sweet

_LIMITS = {"mix": (0.0, 20.0), "finish": (0.0, 70.0), "cook": (2.0, 90.0), "lose": (0.0, 30.0)}
_INNER = {
    "soak.brix": (10.0, 80.0),
    "soak.ratio": (0.5, 20.0),
    "soak.gain": (0.01, 5.0),
    "top.share": (0.01, 10.0),
    "fry.loses": (0.0, 60.0),
    "fry.takes": (0.0, 60.0),
}
_BASES = {"x": (1.0, 8.0), "ts": (10.0, 85.0), "water": (40.0, 85.0)}


def chosen(sweet: Sweet, school: str, flavour: str = "", changes: Mapping[str, float] | None = None) -> School:
    """A school with its flavour and the cook's changes.

    :raises BadInput: naming the place, when there is none such or the number is out of reach.
    """
    if school and school not in sweet.schools:
        raise BadInput("school", "no-such-school", sweet=sweet.name, schools=tuple(sweet.schools))
    made = sweet.schools[school] if school else sweet.usual
    if flavour:
        if flavour not in sweet.flavours:
            raise BadInput("flavour", "no-such-flavour", flavour=flavour, flavours=tuple(sweet.flavours))
        made = replace(made, finish=dict(made.finish) | dict(sweet.flavours[flavour].finish))
    return changed(made, changes or {})


def changed(school: School, changes: Mapping[str, float]) -> School:
    """A school with numbers of its form changed, by their place.

    :raises BadInput: naming the place, when there is none such or the number is out of reach.
    """
    made = school
    for place, value in changes.items():
        made = _changed(made, place, value)
    if sum(made.finish.values()) > 80:
        raise BadInput("finish", "form-finish-too-much")
    return made


def _changed(school: School, place: str, value: float) -> School:
    head, _, rest = place.partition(".")
    if head == "bases" and rest in school.bases:
        base = school.bases[rest]
        _within(place, value, *_BASES[base.unit])
        return replace(school, bases=dict(school.bases) | {rest: replace(base, to=value)})
    if head in ("mix", "finish") and rest:
        _within(place, value, *_LIMITS[head])
        changed = dict(getattr(school, head)) | {rest: value}
        if head == "mix" and not sum(changed.values()) > 0:
            raise BadInput(place, "knobs-nothing-mixed")
        return replace(school, mix=changed) if head == "mix" else replace(school, finish=changed)
    if place in ("cook", "lose"):
        _within(place, value, *_LIMITS[place])
        return replace(school, cook=value) if place == "cook" else replace(school, lose=value)
    part: Any = getattr(school, head, None) if place in _INNER else None
    if part is None:
        raise BadInput(place, "school-has-no-knob")
    _within(place, value, *_INNER[place])
    whole: dict[str, Any] = {head: replace(part, **{rest: value})}
    return replace(school, **whole)


def _within(place: str, value: float, low: float, high: float) -> None:
    if not low <= value <= high:
        raise BadInput(place, "knob-out-of-reach", value=value, low=low, high=high)


@dataclass(frozen=True, slots=True)
class Knob:
    """A number that may be changed: its place and value, and the range the school gives it, if any."""

    place: str
    value: float
    unit: str
    vary: tuple[float, float] | None

    @property
    def beyond(self) -> bool:
        return self.vary is not None and not self.vary[0] - 1e-9 <= self.value <= self.vary[1] + 1e-9


def knobs(school: School) -> list[Knob]:
    """Everything that may be changed, in the order of the work."""
    units = {"x": "× down", "ts": "% solids", "water": "% water"}
    first = next(iter(school.mix))
    made = [(f"bases.{k}", b.to, units[b.unit]) for k, b in school.bases.items() if k in school.mix]
    made += [(f"mix.{k}", v, "kg/kg") for k, v in school.mix.items() if k != first]
    if school.cook is not None:
        made.append(("cook", school.cook, "% water"))
    made += [(f"finish.{k}", v, "%") for k, v in school.finish.items()]
    if school.fry:
        made.append(("fry.takes", school.fry.takes, "% fat"))
    if school.soak and not school.soak.within:
        made += [("soak.brix", school.soak.brix, "°Brix"), ("soak.ratio", school.soak.ratio, "kg/kg")]
    if school.soak:
        made.append(("soak.gain", school.soak.gain, "kg/kg"))
    if school.top:
        made.append(("top.share", school.top.share, "kg/kg"))
    return [Knob(place, value, unit, school.vary.get(place)) for place, value, unit in made]
