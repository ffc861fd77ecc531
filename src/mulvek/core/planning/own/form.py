"""A told batch in the library's form: bases, proportions, losses, windows, piece and steps, from what it really was."""

import math
from collections.abc import Mapping
from typing import Any

from ...composition.materials import materials
from ...equipment.moulds import FILL_LOSS, grams_in
from ...equipment.slabs import TRIM
from ...errors import Impossible
from ...properties.density import density_kg_m3
from ..sweets.formula import MILK, SUGARS
from ..sweets.portions import FIRM_C
from ..sweets.stuff import Thing
from .account import Account, OwnBase
from .lines import Line

FROZEN_PIECES = frozenset({"stick", "kulfi", "lolly", "pop", "mould", "cone"})
CUT_PIECES = frozenset({"square", "diamond", "slice", "bar", "slab", "cut", "burfi"})
SHAPED_PIECES = frozenset({"ball", "peda", "laddu", "laddoo", "ladoo", "roll", "disc", "round", "cake", "truffle", "piece"})  # fmt: skip
SERVED_KG = 0.100
AIR = 0.08
"""Of a pressed slab (sweets dossier F40)."""
_LATE_GROUPS = frozenset({"sugar", "nut", "spice"})
LEAST_FROZEN_WATER = 0.05
USUAL_MIN = 10.0
"""What something done takes, where no time is told."""
_WAITS = ("rest", "cool", "chill", "soak", "set", "stand", "stood", "left", "froz", "freez", "overnight")
MOST_TIMES = 8.0
MOST_LATE = 0.6
"""More of it than this is what the sweet is made of, not what finishes it."""
_WINDOW = 0.15
"""How far a batch may be from this one and still be the same sweet, of each share."""


def is_frozen(account: Account) -> bool:
    """Whether it is eaten frozen: by what a piece is called, or by a line that freezes it."""
    said = any("freez" in line.text.lower() or "froz" in line.text.lower() for line in account.lines)
    return said or account.unit in FROZEN_PIECES


def many_of(one: str) -> str:
    """More than one of it.

    >>> many_of("stick"), many_of("glass"), many_of("cherry")
    ('sticks', 'glasses', 'cherries')
    """
    if one.endswith("y") and one[-2:-1] not in "aeiou":
        return one[:-1] + "ies"
    return one + ("es" if one.endswith(("s", "x", "ch", "sh")) else "s")


def form_of(account: Account, name: str, told: Mapping[str, Any]) -> dict[str, Any]:
    """The library's form of one batch, ready for :func:`core.planning.sweets.forms.read_sweet`.

    :param told: the lines and the answers to their doubts, kept to be changed as they were written.
    :raises Impossible: field "lines", when too little is told, or a piece is none.
    """
    if account.asks:
        raise Impossible("lines", "told-without-result")
    one = account.unit or "helping"
    main = main_milk(account)
    late, early = _late_and_early(account)
    frozen = is_frozen(account)
    milk = any(thing.milk for thing in _things(account))
    boiled = bool(account.cooks or any(b.made_by != "hang" for b in account.bases))
    nuts = any("nut" in thing.allergens for thing in _things(account))
    school: dict[str, Any] = {
        "name": "as told",
        "milk": usual_milk(main) if main else "full-cream",
        "bases": {b.letter: _base(b, main) for b in account.bases},
        "mix": _mix(account, early),
        "finish": _finish(account, late),
        "lose": round(100 * account.stuck_kg / account.cooked_kg, 3),
        "windows": _windows(account),
        "steps": _steps(account, late, frozen),
        "piece": _piece(account, frozen),
    }
    if account.cooks:
        school["cook"] = round(100 * float(account.parts.water), 4)
    cautions = {"milk": milk, "boil": milk and boiled, "frozen": frozen, "nuts": nuts}
    return {
        "name": name.strip() or "my sweet",
        "about": "As you told it.",
        "one": one,
        "many": many_of(one),
        "usual_want": str(account.count) if account.count else "",
        "frozen": frozen,
        "ph": 6.5 if not any(t.group in ("fruit", "yoghurt") for t in _things(account)) else 5.6,
        "fruit": any(t.group == "fruit" for t in _things(account)),
        "cautions": [word for word, there in cautions.items() if there],
        "schools": {"mine": school},
        "flavours": {},
        "told": dict(told),
    }


def _things(account: Account) -> list[Thing]:
    return [line.thing for line in account.lines if line.kind == "in" and line.thing]


def main_milk(account: Account) -> Thing | None:
    """The milk there is most of: another can stand for it in the sentence of a plan."""
    kg: dict[str, float] = {}
    milks = {thing.key: thing for thing in _things(account) if thing.milk}
    for line in account.lines:
        if line.kind == "in" and line.thing and line.thing.key in milks and line.told:
            kg[line.thing.key] = kg.get(line.thing.key, 0.0) + line.told.kg
    return milks[max(kg, key=lambda key: kg[key])] if kg else None


def usual_milk(thing: Thing) -> str:
    """The table's milk that is most like it, by fat and solids."""
    alike = [m for m in materials().values() if m.group == thing.group]

    def apart(key: str) -> float:
        parts = materials()[key].parts
        return abs(float(parts.fat - thing.parts.fat)) + abs(float(parts.msnf - thing.parts.msnf))

    return min((m.key for m in alike), key=apart)


def _key(thing: Thing, main: Thing | None) -> str:
    if main is not None and thing.key == main.key:
        return MILK
    return usual_milk(thing) if thing.key.startswith("milk:") else thing.key


def _base(b: OwnBase, main: Thing | None) -> dict[str, Any]:
    if b.made_by == "reduce" and b.times > MOST_TIMES:  # a thin milk, taken very far
        return {"do": "reduce", "of": _key(b.of, main), "ts": round(100 * float(b.parts.total_solids), 6)}
    if b.made_by == "reduce":
        return {"do": "reduce", "of": _key(b.of, main), "x": round(max(1.0, b.times), 6)}
    return {"do": b.made_by, "of": _key(b.of, main), "water": round(100 * float(b.parts.water), 4)}


def _late_and_early(account: Account) -> tuple[dict[str, float], dict[str, float]]:
    """What finishes it and what it is begun with, kg: sugar, nuts and spices can be more or less of another time."""
    based, main = {b.line for b in account.bases}, main_milk(account)
    went_in: dict[str, tuple[Thing, float]] = {}
    for i, line in enumerate(account.lines):
        if line.kind == "in" and i not in based and line.thing and line.told and line.told.kg:
            key = _key(line.thing, main)
            went_in[key] = (line.thing, went_in.get(key, (line.thing, 0.0))[1] + line.told.kg)
    late: dict[str, float] = {}
    early: dict[str, float] = {}
    for key, (thing, kg) in went_in.items():
        finishes = thing.group in _LATE_GROUPS or key == "dried-fig"
        into = late if finishes and kg / account.cooked_kg <= MOST_LATE and key != "caramel" else early
        into[key] = kg
    if not early and not account.bases:  # sugar and nuts alone: nothing else to begin with
        key = max(late, key=lambda k: late[k])
        early[key] = late.pop(key)
    return late, early


def _mix(account: Account, early: Mapping[str, float]) -> dict[str, float]:
    kg = {b.letter: b.made_kg for b in account.bases} | dict(early)
    most = max(kg.values())
    return {key: round(mass / most, 8) for key, mass in kg.items()}


def _finish(account: Account, late: Mapping[str, float]) -> dict[str, float]:
    """% of what leaves the pan. Sugar that sweetened things carry counts with the sugar that is asked for."""
    carried = sum(
        line.thing.added_sugar * line.told.kg
        for line in account.lines
        if line.kind == "in" and line.thing and line.told and _key(line.thing, None) not in late
    )
    sugars = sum(kg for key, kg in late.items() if key in SUGARS)
    more = (sugars + carried) / sugars if sugars else 1.0
    return {
        key: round(100 * kg * (more if key in SUGARS else 1.0) / account.cooked_kg, 6) for key, kg in late.items()
    }


def _windows(account: Account) -> dict[str, list[float]]:
    parts = account.parts
    shares = {
        "total_solids": float(parts.total_solids),
        "sugar": added_sugar(account),
        "fat": float(parts.fat),
        "msnf": float(parts.msnf),
    }
    return {
        key: [round(100 * share * (1 - _WINDOW), 1), round(min(100.0, 100 * share * (1 + _WINDOW)), 1)]
        for key, share in shares.items()
        if share > 0.005
    }


def added_sugar(account: Account) -> float:
    """Added sugar, kg per kg of what leaves the pan."""
    lines = [line for line in account.lines if line.kind == "in" and line.thing and line.told]
    kg = sum(line.thing.added_sugar * line.told.kg for line in lines if line.thing and line.told)
    return kg / account.cooked_kg


def _piece(account: Account, frozen: bool) -> dict[str, Any]:
    each = account.each_kg or SERVED_KG
    if not 0.002 <= each <= 2.0:
        raise Impossible("lines", "told-piece-weight-unlikely", each=each * 1000.0)
    if frozen:
        if account.parts.water < LEAST_FROZEN_WATER:
            raise Impossible("lines", "told-nothing-freezes")
        ml = each * (1 - FILL_LOSS) * 1e3 / grams_in(account.parts, 1e-6)  # as many of the same weight, not one less
        return {"way": "mould", "ml": min(2000.0, max(10.0, math.floor(ml * 100) / 100))}
    if account.unit in CUT_PIECES:
        m3 = each * (1 - TRIM) / (float(density_kg_m3(account.parts, FIRM_C)) * (1 - AIR))
        side = min(0.2, max(0.01, (m3 / 0.6) ** (1 / 3)))  # as high as three fifths of its side
        thick = min(60.0, max(5.0, m3 / side**2 * 1e3))
        return {"way": "slab", "thick_mm": round(thick, 2), "cut_mm": [round(side * 1e3, 2)] * 2}
    way = "ball" if account.unit in SHAPED_PIECES else "serve"
    return {"way": way, "grams": round(each * 1e3, 3)}


def _steps(account: Account, late: Mapping[str, float], frozen: bool) -> list[dict[str, Any]]:
    """The lines again, as steps: what was stirred in by its names, what was done by the cook's own words."""
    steps: list[dict[str, Any]] = []
    stirred: list[Thing] = []
    based = {b.line for b in account.bases}
    own_ends = _ends_of_bases(account)

    def stir() -> None:
        names = list(dict.fromkeys(thing.name.split(",")[0] for thing in stirred))
        if names:
            adds = [key for key in dict.fromkeys(t.key for t in stirred) if key in late]
            listed = f"{', '.join(names[:-1])} and {names[-1]}" if names[1:] else names[0]
            say = f"Stir in the {listed}." if steps or based else f"Put the {listed} together."
            steps.append(_step(len(steps), say, 5.0, hands=True, adds=adds))
        stirred.clear()

    for i, line in enumerate(account.lines):
        if line.kind == "in" and i not in based and line.thing:
            stirred.append(line.thing)
        elif line.kind == "down" and i not in own_ends and account.cooks:
            stir()
            if not any(step["takes"] == "cook" for step in steps):
                steps.append(
                    _step(
                        len(steps), _sentence(line), "cook", hands=True, fire=True, caution="boil", check=_heat(line)
                    )
                )
        elif line.kind in ("down", "step") and i not in own_ends:
            stir()
            steps.append(_own_step(len(steps), line, frozen))
    stir()
    if account.cooks and not any(step["takes"] == "cook" for step in steps):
        # boiled down, though no line says when: with all that is in it
        cooked = "Cook it to the weight named, stirring."
        steps.append(_step(len(steps), cooked, "cook", hands=True, fire=True, caution="boil"))
    if frozen and not any(step["takes"] == "freeze" for step in steps):
        steps.append(_step(len(steps), "Fill the moulds and freeze them.", "freeze", hands=False, caution="frozen"))
    return steps


def _ends_of_bases(account: Account) -> set[int]:
    """Lines that only say how far a base was boiled: it is a step of its own already."""
    ends = set()
    for b in account.bases:
        if b.made_by == "reduce" and account.lines[b.line].stop is None:
            after = range(b.line + 1, len(account.lines))
            ends |= {next(i for i in after if account.lines[i].kind == "down")}
    return ends


def _own_step(number: int, line: Line, frozen: bool) -> dict[str, Any]:
    low = line.text.lower()
    if frozen and ("freez" in low or "froz" in low):
        return _step(number, _sentence(line), "freeze", hands=False, caution="frozen")
    minutes = USUAL_MIN if line.seconds is None else min(10080.0, line.seconds / 60)
    return _step(number, _sentence(line), minutes, hands=not by_itself(line), fire=line.fire, check=_heat(line))


def by_itself(line: Line) -> bool:
    """Whether hands are free meanwhile: it rests, cools or freezes, or takes over an hour."""
    low = line.text.lower()
    return (line.seconds or 0) > 3600 or any(word in low for word in _WAITS)


def _heat(line: Line) -> str:
    return "" if line.celsius is None else f"The thermometer shows {line.celsius:g} °C."


def _sentence(line: Line) -> str:
    return line.text[:1].upper() + line.text[1:] + "."


def _step(
    number: int,
    say: str,
    takes: float | str,
    *,
    hands: bool,
    fire: bool = False,
    caution: str = "",
    check: str = "",
    adds: list[str] | None = None,
) -> dict[str, Any]:
    return {
        "key": f"step-{number + 1}",
        "say": say,
        "takes": takes,
        "hands": hands,
        "fire": fire,
        "caution": caution,
        "check": check,
        "adds": adds or [],
    }
