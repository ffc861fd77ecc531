"""Fruit and milk: will it curdle, how much fruit it bears, what soda would do, what raw fruit does to milk.

Curd dossier §10. The fruit's acid against the milk's buffer; cooking fruit down takes no acid away.
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

from ...composition.materials import read_table
from ...errors import BadInput
from .acid import MOLAR_G, buffered_mol_m3, citric_protons, malic_protons

MARGIN = 0.2
ONSET_SD = 0.15
NO_LIMIT = 3.0
"""Beyond so much fruit per milk the milk sets no limit any more, kg per kg."""
SOAPY = 0.5e-3


@dataclass(frozen=True, slots=True, kw_only=True)
class Fruit:
    """A ripe fruit: pH, acid kg per kg, whether raw it breaks milk's protein."""

    key: str
    name: str
    ph: float
    acid: float
    kind: Literal["citric", "malic"]
    brix: float
    protease: bool

    def gives_mol_kg(self, ph: float) -> float:
        """mol of protons that a kilogram gives when taken from its own pH to ``ph``."""
        protons = citric_protons if self.kind == "citric" else malic_protons
        return self.acid * 1e6 / MOLAR_G[self.kind] * (protons(ph) - protons(self.ph)) / 1e3


FRUITS: Mapping[str, Fruit] = {
    key: Fruit(
        key=key,
        name=row["name"],
        ph=row["ph"],
        acid=row["acid"] / 100,
        kind=row["kind"],
        brix=row["brix"],
        protease=row["protease"],
    )
    for key, row in read_table("fruits.toml").items()
}


def fruit(key: str) -> Fruit:
    """:raises BadInput: field "fruit"."""
    if key not in FRUITS:
        raise BadInput("fruit", "no-such-curd-fruit", key=key, fruits=tuple(FRUITS))
    return FRUITS[key]


def cooked(what: Fruit, left: float, sugar: float = 0.0) -> Fruit:
    """The same fruit cooked down: its acid stays, in less of it (curd dossier F10.6).

    :param left: share of its weight that is left, 0.3-1. :param sugar: added, kg per kg of raw fruit, 0-1.
    :raises BadInput: field "cooked_to".

    >>> round(cooked(FRUITS["strawberry"], 0.5, 0.1).acid * 100, 2)
    1.5
    """
    if not (0.3 <= left <= 1.0 and 0.0 <= sugar <= 1.0):
        raise BadInput("cooked_to", "fruit-not-cooked-down-so")
    return replace(what, acid=what.acid / (left + sugar), protease=what.protease and left > 0.85)


def onset_ph(celsius: float) -> float:
    """pH below which the mixture visibly curdles, sd 0.15: about 5.0 cold, 5.8 hot."""
    return 5.05 + 0.0095 * (celsius - 10)


def milk_ph(concentration: float = 1.0) -> float:
    """pH of milk that was boiled down so many times."""
    return max(6.1, 6.7 - 0.15 * (concentration - 1))


def _milk_takes(from_ph: float, to_ph: float, concentration: float) -> float:
    """mol per kg of milk base."""
    return buffered_mol_m3(from_ph, to_ph) * concentration / 1030.0


def mixture_ph(what: Fruit, fruit_kg: float, milk_kg: float, concentration: float = 1.0) -> float:
    """pH of the two mixed, by bisection between theirs.

    >>> round(mixture_ph(FRUITS["strawberry"], 0.145, 0.610, 1.7), 4)
    5.9636
    """
    start = milk_ph(concentration)
    low, high = min(what.ph, start) + 1e-6, max(what.ph, start) - 1e-6
    for _ in range(60):
        middle = (low + high) / 2
        spare = fruit_kg * what.gives_mol_kg(middle) - milk_kg * _milk_takes(start, middle, concentration)
        low, high = (low, middle) if spare > 0 else (middle, high)
    return (low + high) / 2


def most_fruit(what: Fruit, celsius: float, concentration: float = 1.0, margin: float = MARGIN) -> float | None:
    """Most fruit per milk base before it curdles at ``celsius``, kg per kg; None when there is no limit.

    >>> round(most_fruit(FRUITS["mango-tart"], 12.0, 2.1), 4)
    1.4101
    """
    start, stop = milk_ph(concentration), onset_ph(celsius) + margin
    if what.ph >= stop:
        return None
    if stop >= start:
        return 0.0
    return _milk_takes(start, stop, concentration) / what.gives_mol_kg(stop)


@dataclass(frozen=True, slots=True, kw_only=True)
class Mixing:
    """What mixing fruit and milk does, cold and hot, with what to do about it."""

    ph: float
    curdles_below: float
    curdles: bool
    near: bool
    most_kg: float | None
    soda_kg: float
    bitter_raw: bool
    words: str


def check_mixing(what: Fruit, fruit_kg: float, milk_kg: float, celsius: float, concentration: float = 1.0) -> Mixing:
    """Whether it curdles.

    :param concentration: how many times the milk was boiled down, 1-4. :param celsius: 2-98.
    :raises BadInput: naming the figure out of range.
    """
    for field, value, low, high in (
        ("fruit_amount", fruit_kg, 1e-3, 50.0),
        ("milk_amount", milk_kg, 1e-3, 200.0),
        ("celsius", celsius, 2.0, 98.0),
        ("concentration", concentration, 1.0, 4.0),
    ):
        if not low <= value <= high:
            raise BadInput(field, "fruit-number-out-of-reach", value=value, low=low, high=high)
    ph, onset = mixture_ph(what, fruit_kg, milk_kg, concentration), onset_ph(celsius)
    most = most_fruit(what, celsius, concentration)
    safe = onset + MARGIN
    start = milk_ph(concentration)
    soda = 0.0
    if ph < safe < start:
        soda = max(0.0, fruit_kg * what.gives_mol_kg(safe) - milk_kg * _milk_takes(start, safe, concentration)) / 11.9
    curdles, near = ph < onset, ph < safe
    if curdles:
        words = "It curdles: mix both cold, use less fruit, or fold it in at serving."
    elif near:
        words = "It may curdle: have both cold, stir the fruit slowly into the milk."
    else:
        words = "It stays smooth."
    if what.protease:
        words += " Raw it turns milk bitter: heat the fruit to 85 °C for 5 minutes right through first."
    limit = None if most is None or most > NO_LIMIT else most * milk_kg
    return Mixing(
        ph=ph,
        curdles_below=onset,
        curdles=curdles,
        near=near,
        most_kg=limit,
        soda_kg=soda,
        bitter_raw=what.protease,
        words=words,
    )
