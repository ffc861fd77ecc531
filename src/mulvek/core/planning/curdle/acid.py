"""Acid: how much a milk takes to curdle, and how much of each coagulant gives it.

Curd dossier §2. Protons released by each acid at the end pH against what the milk's salts and casein
buffer (after Salaün et al. 2005). Mixed constants at ionic strength 0.08.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

from ...composition.composition import Composition
from ...composition.materials import read_table
from ...errors import BadInput
from .milk import CurdMilk

MILK_PH = 6.7
_PK_CITRIC, _PK_LACTIC, _PK_ACETIC, _PK_MALIC = (3.03, 4.47, 5.91), 3.76, 4.66, (3.30, 4.82)
_BUF0, _BUFA, _BUFC, _BUFS, _BUF_WHEY = 18.0, 20.0, 5.05, 0.60, 11.0
MOLAR_G = {"citric": 192.12, "acetic": 60.05, "lactic": 90.08, "malic": 134.09}


def citric_protons(ph: float) -> float:
    """Protons that a molecule of citric acid has given off at a pH, 0-3.

    >>> round(citric_protons(5.47), 6)
    2.179271
    """
    k1, k2, k3 = _PK_CITRIC
    one, two, three = 10 ** (-k1 - 2 * ph), 10 ** (-k1 - k2 - ph), 10 ** (-k1 - k2 - k3)
    return (one + 2 * two + 3 * three) / (10 ** (-3 * ph) + one + two + three)


def malic_protons(ph: float) -> float:
    """The same of malic acid, 0-2."""
    k1, k2 = _PK_MALIC
    one, two = 10 ** (-k1 - ph), 10 ** (-k1 - k2)
    return (one + 2 * two) / (10 ** (-2 * ph) + one + two)


def lactic_protons(ph: float) -> float:
    return 1 / (1 + 10 ** (_PK_LACTIC - ph))


def acetic_protons(ph: float) -> float:
    return 1 / (1 + 10 ** (_PK_ACETIC - ph))


def end_ph(celsius: float) -> float:
    """pH, read cold, at which the whey runs clear when acid meets milk at ``celsius`` (60-97)."""
    return 5.35 + 0.0125 * (min(97.0, max(60.0, celsius)) - 70.0)


def curdled_share(ph: float, celsius: float) -> float:
    """Share of the casein that has gathered at a pH, 0-1."""
    return 1 / (1 + math.exp((ph - end_ph(celsius) - 0.18) / 0.05))


def buffer_scale(casein: float, ash: float) -> float:
    """How much more acid this milk takes than ordinary cow's; casein and ash in kg per kg."""
    return 0.5 * casein / 0.02574 + 0.5 * ash / 0.0072


def buffered_mol_m3(from_ph: float, to_ph: float, scale: float = 1.0) -> float:
    """Acid that milk takes up between two pH values, mol per m³ (±8 %)."""
    peak = _BUFA * math.sqrt(math.pi) / 2 * _BUFS
    rise = math.erf((from_ph - _BUFC) / _BUFS) - math.erf((to_ph - _BUFC) / _BUFS)
    return scale * (_BUF0 * (from_ph - to_ph) + peak * rise)


@dataclass(frozen=True, slots=True, kw_only=True)
class Coagulant:
    """One coagulant. ``strength``: low, usual, high; see the table for what it counts. ``doses``: least and most that
    it takes in real kitchens, times the central dose."""

    key: str
    name: str
    unit: Literal["ml", "g"]
    acid: str
    strength: tuple[float, float, float]
    juice_ph: float | None = None
    molar_g: float | None = None
    doses: tuple[float, float] = (0.75, 1.35)
    holds: Composition = field(default_factory=Composition)
    """What a soured one brings beside water and acid, kg per litre."""

    def gives_mol(self, strength: float, ph: float) -> float:
        """mol of protons from a litre (or a kilogram) of it at ``ph``."""
        if self.key == "sour-whey":
            return ((strength - 0.12) * 1e4 / 90.08 * lactic_protons(ph) - _BUF_WHEY * (6.6 - ph)) / 1e3
        if self.key == "sour-curd":
            return ((strength - 0.15) * 1e4 / 90.08 * lactic_protons(ph) - buffered_mol_m3(MILK_PH, ph)) / 1e3
        if self.juice_ph is not None:
            protons = citric_protons(ph) - citric_protons(self.juice_ph)
            return (strength * 1e4 / 192.12 * protons + 10 ** (3 - self.juice_ph)) / 1e3
        if self.acid == "acetic":
            return strength * 1e4 / 60.05 * acetic_protons(ph) / 1e3
        protons = citric_protons(ph) if self.acid == "citric" else lactic_protons(ph)
        return 1e3 * strength * protons / (self.molar_g or MOLAR_G[self.acid])

    def acid_share(self, strength: float) -> float:
        """kg of acid in a litre or a kilogram of it."""
        return strength / 100 * (1.0 if self.unit == "ml" else 100.0)


COAGULANTS: Mapping[str, Coagulant] = {
    key: Coagulant(
        key=key,
        name=row["name"],
        unit=row["unit"],
        acid=row["acid"],
        strength=tuple(row["strength"]),
        juice_ph=row.get("juice_ph"),
        molar_g=row.get("molar_g"),
        doses=tuple(row.get("doses", (0.75, 1.35))),
        holds=Composition(**row.get("holds", {})).scaled(0.01),
    )
    for key, row in read_table("coagulants.toml").items()
}


def coagulant(key: str) -> Coagulant:
    """:raises BadInput: field "coagulant", when there is none of that name."""
    if key not in COAGULANTS:
        raise BadInput("coagulant", "no-such-coagulant", key=key, coagulants=tuple(COAGULANTS))
    return COAGULANTS[key]


def dose_l(
    what: Coagulant,
    milk_m3: float,
    celsius: float,
    milk: CurdMilk,
    strength: float | None = None,
    ph: float | None = None,
) -> float:
    """Litres (or kilograms) of a coagulant for so much milk at ``celsius``: the central figure.

    Real doses run from ``what.doses[0]`` to ``what.doses[1]`` of it; one stops when the whey runs clear.

    >>> cow = CurdMilk(Composition(casein=0.02574, milk_ash=0.0072))
    >>> round(dose_l(COAGULANTS["lemon"], 1.37e-3, 83.0, cow, 4.6) * 1e3, 3)
    67.208
    """
    to = end_ph(celsius) if ph is None else ph
    needed = buffered_mol_m3(MILK_PH, to, buffer_scale(milk.parts.casein, milk.parts.milk_ash)) * milk_m3
    gives = what.gives_mol(what.strength[1] if strength is None else strength, to)
    if gives <= 0:
        raise BadInput("strength", "acid-too-weak", what=what.name)
    return needed / gives


def ph_after(what: Coagulant, dose: float, milk_m3: float, milk: CurdMilk, strength: float | None = None) -> float:
    """pH that a dose (litres or kg) brings the milk to, by bisection over 4.0-6.69."""
    scale = buffer_scale(milk.parts.casein, milk.parts.milk_ash)
    s = what.strength[1] if strength is None else strength
    low, high = 4.0, 6.69
    for _ in range(60):
        middle = (low + high) / 2
        left_over = dose * what.gives_mol(s, middle) - milk_m3 * buffered_mol_m3(MILK_PH, middle, scale)
        low, high = (low, middle) if left_over > 0 else (middle, high)
    return (low + high) / 2
