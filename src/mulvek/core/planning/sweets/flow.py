"""How grams flow through the steps of a sweet: what goes into each, what comes out, and where that goes on.

The picture of a making is drawn from this: a river whose thickness is grams.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from .build import TO_CARAMELISE, Built
from .formula import SUGARS
from .steps import PlannedStep

_INTO_BASE = {"to reduce": "reduce", "to curdle": "curdle", "to hang": "hang"}


@dataclass(frozen=True, slots=True)
class Flow:
    """kg in a step's vessel, and out of it; the step that it goes on into, empty at the end."""

    in_kg: float
    out_kg: float
    into: str


def step_of_row(key: str, when: str, within: str, built: Built, steps: Sequence[PlannedStep]) -> str:
    """The step that a line of the weighing list goes into; empty when none fits."""
    if within:
        part = next((p for p in built.sides if p.sweet.name == within), None)
        of_it = [s.key for s in steps if part and s.key.startswith(f"part.{part.sweet.key}.")]
        if when not in _INTO_BASE:  # what is not boiled down with its base goes in after it
            of_it = [key for key in of_it if ".base-" not in key] or of_it
        return (of_it[-1] if when == "at the end" else of_it[0]) if of_it else ""
    if when in _INTO_BASE:
        fitting = [b.letter for b in built.bases if b.base.do == _INTO_BASE[when]]
        mine = [b.letter for b in built.bases if b.letter in fitting and b.of.key == key]
        letter = next(iter(mine or fitting), "")
        return next((s.key for s in steps if s.base == letter and letter), "")
    own = built.school.steps
    if when == TO_CARAMELISE:
        found = [s.key for s in own if s.follows == "melting"]
    elif when == "taken up in frying":
        found = [s.key for s in own if s.takes == "fry"]
    elif when == "for the syrup":
        found = [s.key for s in own if s.key == "syrup"] or [s.key for s in own if s.takes == "soak"]
    elif when == "at the end":
        found = [s.key for s in own if key in s.adds or "rest" in s.adds or ("sugars" in s.adds and key in SUGARS)]
        found = found or [s.key for s in own if s.takes == "cook"]
    else:
        found = [s.key for s in own if s.key != "syrup"]
    return next(iter(found), own[-1].key if own else "")


def gives(built: Built, kg: float, of: str = "") -> dict[str, float]:
    """What comes out of those steps in which something is lost, kg by step: what boils off, drains, is not drunk.

    :param kg: so much of it is made. :param of: before its steps' keys where it is a part of another sweet.
    """
    found: dict[str, float] = {}
    for part in built.sides:
        found |= gives(part, kg * of_part(built, part), f"part.{part.sweet.key}.")
    found |= {f"{of}base-{b.letter}": b.made_kg * kg for b in built.bases}
    soak = built.school.soak
    for step in built.school.steps:
        match step.takes:
            case "cook" if built.school.cook is not None:
                found[of + step.key] = built.stop_kg * kg
            case "fry" if built.school.fry:
                found[of + step.key] = built.before_soak_kg * kg
            case "soak" if soak and not soak.within:
                found[of + step.key] = built.before_soak_kg * (1 + soak.gain) * kg
    return found


def of_part(built: Built, part: Built) -> float:
    """How much of a part goes into a kilogram of the whole, kg."""
    key, school = part.sweet.key, built.school
    if school.soak and school.soak.within == key:
        return school.soak.gain * built.before_soak_kg
    if school.top and school.top.of == key:
        return built.topped_kg
    return school.mix.get(key, 0.0) * built.mix_unit_kg


def flows(
    steps: Sequence[PlannedStep],
    rows: Sequence[tuple[str, float]],
    gives_kg: Mapping[str, float],
    finished_kg: float,
) -> dict[str, Flow]:
    """Grams along the steps.

    :param rows: step and kg of each line of the weighing list. :param gives_kg: what a step is known to give; the others
        give what is in them. :param finished_kg: what the last one gives.

    >>> from ...ranges import Range
    >>> def step(key, *after): return PlannedStep(
    ...     key=key, say=key, seconds=Range.exact(60.0), hands=True, fire=False, after=after, check="", caution="")
    >>> got = flows([step("milk"), step("sugar", "milk")], [("milk", 1.0), ("sugar", 0.1)], {"milk": 0.5}, 0.58)
    >>> got["milk"].out_kg, got["milk"].into, round(got["sugar"].in_kg, 3), got["sugar"].out_kg
    (0.5, 'sugar', 0.6, 0.58)
    """
    found: dict[str, Flow] = {}
    for i, step in enumerate(steps):
        into = next((later.key for later in steps[i + 1 :] if step.key in later.after), "")
        came = sum(flow.out_kg for flow in found.values() if flow.into == step.key)
        mass = came + sum(kg for key, kg in rows if key == step.key)
        gives = gives_kg.get(step.key, mass)
        found[step.key] = Flow(mass, finished_kg if i == len(steps) - 1 else gives, into)
    return found
