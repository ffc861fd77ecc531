"""A told batch beside the library: the sweet it is most like, its levels there, what is unusual, and the next time."""

from collections.abc import Mapping
from dataclasses import dataclass

from ...messages.catalogue import said
from ...properties import freezing as fz
from ...ranges import Range
from ..sweets.balance import Level, levels
from ..sweets.build import Built
from ..sweets.formula import School, Sweet
from ..sweets.fruits import fruit_cautions
from ..sweets.library import things
from .account import Account, OwnBase
from .form import is_frozen
from .names import plain

FROZEN_OR_NOT, LIKE_IN_NAME, OTHER_MAKING, OTHER_THINGS, OTHER_PIECE = 40.0, -60.0, 15.0, 20.0, 12.0
"""How far apart two sweets are for it, beside the squares of their shares: set so that what is in it tells more than how
rich it is."""
_IN_MANY = frozenset({"milk", "sugar", "spice", "nut", "fat", "water"})
STOP_LN_SD = 0.03
"""How well one batch tells where to stop: its weight, and what its words leave open, come on top."""


@dataclass(frozen=True, slots=True)
class Unusual:
    """Something about it that others have not: ``grave`` when it can spoil."""

    title: str
    text: str
    grave: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Beside:
    """The library's sweet it is most like, how many ways of making that there are, its levels and what stands out."""

    like: Sweet
    school: School
    ways: int
    levels: tuple[Level, ...]
    unusual: tuple[Unusual, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class NextTime:
    """Where to stop the next time, kg in the pan, with its range; of a base, or of all."""

    base: OwnBase | None
    kg: Range


def beside(account: Account, own: Built, sweets: Mapping[str, Sweet], freezer_c: float, name: str = "") -> Beside:
    """Set it beside the library.

    :param own: the batch, built from its own form. :param name: what it is called: "regatta kulfi" is like kulfi.
    """
    like, school = nearest(account, own, sweets, name)
    shown = levels(own, school.windows)
    ways = sum(1 for s in like.schools.values() if s.windows)
    return Beside(
        like=like,
        school=school,
        ways=ways,
        levels=tuple(shown),
        unusual=tuple(_unusual(account, own, like, shown, freezer_c)),
    )


def nearest(account: Account, own: Built, sweets: Mapping[str, Sweet], name: str = "") -> tuple[Sweet, School]:
    """The sweet and the way of making it whose windows it lies nearest to, of those frozen as it is or not."""
    frozen = is_frozen(account)
    figures = {
        "total_solids": float(own.parts.total_solids),
        "water": float(own.parts.water),
        "fat": float(own.parts.fat),
        "msnf": float(own.parts.msnf),
        "sugar": own.stuff.added_sugar,
    }
    does = {b.made_by for b in account.bases}
    lines = [line.thing for line in account.lines if line.kind == "in" and line.thing]
    made_of = {_telling(thing.key, thing.group) for thing in lines if thing.group not in _IN_MANY} - _of_bases(
        account
    )
    way = own.school.piece.way

    def apart(pair: tuple[Sweet, School]) -> float:
        sweet, school = pair
        shares = [(figures[key] * 100, low, high) for key, (low, high) in school.windows.items()]
        off = 4 * sum(_outside(*share) for share in shares) / len(shares)
        off += FROZEN_OR_NOT * (sweet.frozen != frozen)
        off += OTHER_PIECE * (school.piece.way != way)
        off += OTHER_MAKING * (school.soak is not None)
        off += OTHER_THINGS * len(made_of ^ _made_of(school))
        off += OTHER_MAKING * len(does ^ {b.do for b in school.bases.values()})
        off += LIKE_IN_NAME * (called_like(name, sweet.name) or called_like(account.unit, sweet.name))
        return off

    pairs = [(s, w) for s in sweets.values() if not s.hidden for w in s.schools.values() if w.windows]
    return min(pairs, key=apart)


def called_like(name: str, many: str) -> bool:
    """Whether a sweet's name or its pieces speak of another: "regatta kulfi" of kulfi.

    >>> called_like("the regatta kulfi", "kulfi"), called_like("rabri", "kulfi")
    (True, False)
    """
    words = {plain(word) for word in name.split()}
    return {plain(word) for word in many.split()} <= words


def _outside(value: float, low: float, high: float) -> float:
    """The square of how far it lies from the middle, in half widths of its window; nine at most."""
    return min(9.0, ((value - (low + high) / 2) / max(3.0, (high - low) / 2)) ** 2)


def _telling(key: str, group: str) -> str:
    """What a thing is for telling sweets apart: any fruit is fruit, any khoya khoya; a carrot is a carrot."""
    return key if group in ("vegetable", "starch") else group


def _of_bases(account: Account) -> set[str]:
    """What became a base is told by how it was made."""
    return {_telling(b.of.key, b.of.group) for b in account.bases}


def _made_of(school: School) -> set[str]:
    known = things()
    return {_telling(key, known[key].group) for key in school.mix if key in known} - _IN_MANY


_WORDS = {
    ("sugar", "over"): ("Sweeter than most.", "With less it is firmer, and keeps less long."),
    ("sugar", "under"): ("Less sweet than most.", "It keeps less long: sugar is what keeps it."),
    ("total_solids", "over"): ("Denser than most.", "Stop a little earlier for a softer one."),
    ("total_solids", "under"): ("Thinner than most.", "Take its water further down for more body."),
    ("fat", "over"): ("Richer than most.", "A leaner milk, or less ghee, brings it down."),
    ("fat", "under"): ("Leaner than most.", "A richer milk, or a spoon of cream, brings it up."),
    ("msnf", "over"): ("More milk body than most.", "Boil the milk less far, or take less powder."),
    ("msnf", "under"): ("Less milk body than most.", "Boil the milk further, or stir in some powder."),
    ("water", "over"): ("Moister than most.", "Cook it a little further."),
    ("water", "under"): ("Drier than most.", "Stop a little earlier."),
}


def _unusual(account: Account, own: Built, like: Sweet, shown: list[Level], freezer_c: float) -> list[Unusual]:
    found: list[Unusual] = []
    parts = own.parts
    if is_frozen(account):
        sand = fz.sandiness(parts)
        if sand.word in ("high", "very high"):
            text = (
                f"Milk solids are {sand.figure * 100:.0f} % of it without sugar and fat; from {fz.SANDY * 100:.0f} % on "
                f"lactose grows into grains. Eat it within {sand.days} days, or stop earlier."
            )
            found.append(Unusual("Sand in a while.", text, grave=True))
        bite = fz.celsius_at_ice(parts, fz.BITE)
        if bite < freezer_c - 1:
            why = "Soft because it is sweet." if own.stuff.added_sugar > 0.14 else "Soft from the freezer."
            text = (
                f"At {_cold(freezer_c)} °C it bites as others do when they have stood: serve it straight from there."
            )
            found.append(Unusual(why, text))
        elif bite > freezer_c + 9:
            text = f"It bites cleanly at {_cold(bite)} °C: let it stand a good while before it is eaten."
            found.append(Unusual("Hard from the freezer.", text))
    found += [
        Unusual(said(c.says), said(c.says, "text"), True) for c in fruit_cautions(own, things(), is_frozen(account))
    ]
    for level in shown:
        if (words := _WORDS.get((level.key, level.word))) and level.window:
            low, high = level.window
            text = (
                f"{level.share.likely * 100:.0f} % {level.of}, where the library's {like.name} has {low:g} to {high:g}. "
                f"{words[1]}"
            )
            found.append(Unusual(words[0], text))
    return sorted(found, key=lambda u: not u.grave)


def _cold(celsius: float) -> str:
    return f"{celsius:.0f}".replace("-", "−")


def next_time(account: Account) -> NextTime | None:
    """Where the next batch is stopped: the milk before the rest goes in, or all of it; none where nothing is boiled."""
    open_words = [line.told.spread * line.told.kg for line in account.lines if line.kind == "in" and line.told]
    base = next((b for b in account.bases if b.made_by == "reduce"), None)
    if account.cooks:
        return NextTime(base=None, kg=_around(account.cooked_kg, sum(x * x for x in open_words) ** 0.5))
    if base is None:
        return None
    others = [x for line, x in zip([n for n in account.lines if n.kind == "in" and n.told], open_words, strict=True)
              if line.thing is not base.of]  # fmt: skip
    return NextTime(base=base, kg=_around(base.made_kg, sum(x * x for x in others) ** 0.5))


def _around(kg: float, open_kg: float) -> Range:
    return Range.lognormal(kg, (STOP_LN_SD**2 + (open_kg / kg) ** 2) ** 0.5)
