"""“No khoya today”: what each substitute does to this sweet, with the formula rewritten for it.

The match is :mod:`core.swaps`'; here it is put into the sweet and the sweet is built again, so that fat, solids,
sugar and minutes are told of what one will eat.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ...errors import BadInput, KitchenError
from .balance import Level, levels
from .boiling import boil_off_s
from .build import Built, Pantry, build, milk_of
from .formula import School, Sweet
from .knobs import changed
from .stuff import Thing
from .swaps import Swap, swaps

CURDS = frozenset({"cheese"})
_ALL_MILK = "milk"


@dataclass(frozen=True, slots=True, kw_only=True)
class Alternative:
    """One way round: a name, changes to the formula, the swap behind it (None: more milk, or nothing at all), what it
    adds in minutes, its levels, and a word on texture. ``off`` says how far the worst level lies out of its window."""

    kind: str
    changes: Mapping[str, float]
    swap: Swap | None
    minutes: float
    levels: tuple[Level, ...]
    note: str
    total_solids: float


def place_of(school: School, key: str) -> str:
    """Where an ingredient goes in. :raises BadInput: when it does not, or is the heart of it."""
    if key in school.mix and len(school.mix) > 1 and key not in school.bases:
        return f"mix.{key}"
    if key in school.finish:
        return f"finish.{key}"
    raise BadInput("ingredient", "swap-nothing-to-replace", what=key.replace("-", " "))


def alternatives(
    sweet: Sweet,
    school: School,
    pantry: Pantry,
    key: str,
    house: Sequence[Thing],
    finished_kg: float = 1.0,
    most_kg: Mapping[str, float] | None = None,
    want: int = 3,
) -> list[Alternative]:
    """Substitutes for one ingredient, best first; then more milk boiled longer, where it serves; then leaving it out.

    :param house: what may be used, without the ingredient itself. :param finished_kg: how much is made, so that it is
        rounded to whole spoons of this batch. :param most_kg: kg at hand, by key.
    """
    place = place_of(school, key)
    thing = pantry.thing(key)
    here = build(sweet, school, pantry)
    head = place.partition(".")[0]
    amount = school.mix[key] if head == "mix" else school.finish[key] / 100
    if amount <= 0:  # done without already
        return []
    whole = here.mixed_kg / sum(school.mix.values()) if head == "mix" else here.cooked_kg
    batch = whole * finished_kg  # kg in this batch of what the formula counts as one
    more = None
    if head == "mix" and thing.group in ("khoya", "powder", "concentrate") and thing.added_sugar == 0:
        more = _more_milk(school, pantry, thing, amount)
    alike = thing.group == "khoya"  # no khoya today means none of its kinds
    others = [t for t in house if t.key != key and not (alike and t.group == "khoya")]
    fire = school.cook is not None or (head == "mix" and _reduced(school) is not None)
    found: list[Alternative] = []
    for swap in swaps(
        thing.parts, amount * batch, others, most_kg, split=thing.group in CURDS, want=want, evaporates=fire
    ):
        if more and len(swap.parts) == 1 and swap.parts[0].thing.milk:
            continue  # told below, boiled in the same pan
        changes = {place: 0.0} | {
            f"{head}.{p.thing.key}": _now(school, head, p.thing.key)
            + p.mass_kg / batch * (100 if head == "finish" else 1)
            for p in swap.parts
            if p.mass_kg > 0
        }
        changes |= _boiled_off(school, swap.steam_kg / batch) if head == "mix" else {}
        found.append(_made(sweet, school, pantry, "swap", changes, swap, here, _note(thing, swap)))
    if more:
        found.append(_made(sweet, school, pantry, "milk", more, None, here, "The finest grain, if there is time."))
    found.append(_made(sweet, school, pantry, "nothing", {place: 0.0}, None, here, ""))
    return found


def _now(school: School, head: str, key: str) -> float:
    return float((school.mix if head == "mix" else school.finish).get(key, 0.0))


def _reduced(school: School) -> str | None:
    """The first base that is reduced milk, if it is mixed."""
    return next((k for k, b in school.bases.items() if b.do == "reduce" and school.mix.get(k, 0) > 0), None)


def _boiled_off(school: School, steam_kg: float) -> dict[str, float]:
    """A sweet that is not cooked on takes a swap's water out of its reduced milk instead."""
    letter = _reduced(school)
    if school.cook is not None or letter is None or steam_kg < 1e-4:
        return {}
    amount = school.mix[letter]
    kept = max(0.3, 1 - steam_kg / amount)
    return {f"bases.{letter}": school.bases[letter].to / kept, f"mix.{letter}": amount * kept}


def _more_milk(school: School, pantry: Pantry, thing: Thing, amount: float) -> dict[str, float] | None:
    """The same solids from more milk in the same pan: reduced further, or put in to be cooked down."""
    milk = milk_of(school, pantry)
    solids = amount * thing.parts.total_solids
    letter = _reduced(school)
    changes: dict[str, float] = {f"mix.{thing.key}": 0.0}
    if letter is not None and school.cook is None:
        base, now = school.bases[letter], school.mix[letter]
        from_solids = milk.parts.total_solids
        share = from_solids * base.to if base.unit == "x" else base.to / 100
        together = (now * share + solids) / (now + amount)
        to = together / from_solids if base.unit == "x" else together * 100
        return changes | {f"bases.{letter}": to, f"mix.{letter}": now + amount}
    if school.cook is not None and _ALL_MILK in school.mix:
        return changes | {"mix.milk": school.mix["milk"] + solids / milk.parts.total_solids}
    return None


def _made(
    sweet: Sweet,
    school: School,
    pantry: Pantry,
    kind: str,
    changes: Mapping[str, float],
    swap: Swap | None,
    here: Built,
    note: str,
) -> Alternative:
    try:
        built = build(sweet, changed(school, changes), pantry)
    except KitchenError:
        built = here
    minutes = (_boil_s(built) - _boil_s(here)) / 60
    told = tuple(levels(built, school.windows))
    return Alternative(
        kind=kind,
        changes=changes,
        swap=swap,
        minutes=minutes,
        levels=told,
        note=note or _left_out(told),
        total_solids=built.parts.total_solids,
    )


def _boil_s(built: Built) -> float:
    """Quick minutes of all boiling for a kilogram, scaled as a kilogram's pan."""
    return sum(boil_off_s(b.start_kg, b.from_solids, b.to_solids) for b in built.stuff.boils)


def _note(thing: Thing, swap: Swap) -> str:
    groups = {p.thing.group for p in swap.parts}
    if thing.group in CURDS and not groups & CURDS:
        return "It matches in figures, but will neither knead nor hold like curd."
    if thing.group in CURDS and any(p.thing.key == "soft-cheese" for p in swap.parts):
        return "Whey cheese does not squeak or hold like chhena."
    if "powder" in groups:
        return "Wet the powder first, cold and smooth."
    if any(p.thing.key in ("butter", "ghee") for p in swap.parts):
        return "Beat the fat in while warm, or it streaks."
    if "khoya" in groups:
        return "Crumble it in warm, off the flame."
    return "Stir it in slowly."


def _left_out(told: Sequence[Level]) -> str:
    out = [level for level in told if level.word != "in"]
    if not out:
        return "Nothing leaves its window."
    level = out[0]
    return f"{'Too little' if level.word == 'under' else 'Too much'} {level.of}: {level.share.likely * 100:.1f} %."
