"""What the curd holds and what the whey carries away: every part of milk, acid and rinse, accounted for.

Curd dossier §1 and §4. Casein, fat, denatured whey protein and some ash gather; water follows by how the
curd is drained; the serum in it, thinned by rinsing, brings its lactose, ash and acid.
"""

import math
from dataclasses import dataclass
from typing import Literal

from ...composition.composition import Composition
from ...errors import BadInput
from .acid import curdled_share
from .milk import CurdMilk

Drain = Literal["hang", "light-squeeze", "hard-squeeze", "press"]
DRAINS: tuple[Drain, ...] = ("hang", "light-squeeze", "hard-squeeze", "press")

_BOUND = 0.35
"""Water held so firmly by protein that nothing dissolves in it, kg per kg."""
_HOLD_REF, _FAT_HOLDS = 0.605, 0.35
_WET, _LIMIT, _TAU_MIN = 1.46, 1.44, 13.0
_LIGHT, _HARD = 1.45, 1.27
_PER_K, _PER_PH = 0.012, 0.25
_PROCESS = {"none": 1.00, "hom": 1.06, "uht": 1.14}
EVAPORATES = 0.025
"""Steam that leaves while it comes to the boil and stands, share of the milk."""
RINSE_MIXES = 0.6
"""How fully rinse water mixes with the serum: poured 0.4, opened and stirred 0.6, dunked 0.8."""
PRESS_KPA = 2.5


@dataclass(frozen=True, slots=True)
class Draining:
    """How the curd loses its whey: the way, seconds of it, and seconds in the fridge after."""

    way: Drain
    seconds: float = 1800.0
    fridge_s: float = 0.0
    press_kpa: float = PRESS_KPA

    def water_per_dry(self) -> float:
        """kg of water per kg of dry matter, in the reference curd (±8 %).

        >>> round(Draining("hang", 37 * 60).water_per_dry(), 6), round(Draining("press", 2880, 0, 3.7).water_per_dry(), 6)
        (1.710193, 1.136759)
        """
        minutes = self.seconds / 60
        if self.way not in DRAINS:
            raise BadInput("drain", "no-such-drain", way=self.way, drains=tuple(DRAINS))
        if not 0 <= minutes <= 1440:
            raise BadInput("drain_time", "drain-time-out-of-reach")
        w = {
            "hang": _LIMIT + _WET * math.exp(-math.sqrt(minutes / _TAU_MIN)),
            "light-squeeze": _LIGHT,
            "hard-squeeze": _HARD,
            "press": 1.05 + 0.40 * math.exp(-math.sqrt(minutes / 25) * (self.press_kpa / 2.5) ** 0.25),
        }[self.way]
        return w * (0.90 + 0.10 * math.exp(-self.fridge_s / 3600 / 3)) if self.fridge_s else w


@dataclass(frozen=True, slots=True, kw_only=True)
class Balance:
    """What went in and where it went, kg. ``whey`` is the first whey, ``washings`` what the rinses took.

    ``wet_curd_kg`` and ``serum_kg``: curd just strained, and the serum in it that a rinse meets.
    """

    milk: Composition
    acid: Composition
    rinse_kg: float
    steam_kg: float
    curd: Composition
    whey: Composition
    washings: Composition
    wet_curd_kg: float
    serum_kg: float
    casein_kept: float


NOTHING = Composition()


def split(
    milk: CurdMilk,
    milk_kg: float,
    *,
    celsius: float,
    ph: float,
    drain: Draining,
    boil_s: float = 120.0,
    acid_water_kg: float = 0.0,
    acid_kg: float = 0.0,
    brought: Composition = NOTHING,
    rinse_kg: float = 0.0,
    rinses: int = 1,
    steam_share: float = EVAPORATES,
    moisture: float | None = None,
) -> Balance:
    """One curdling.

    :param celsius: of the milk when the acid meets it, 60-97. :param ph: reached, read cold, 4.8-5.9.
    :param acid_water_kg: water that came with ``acid_kg`` of acid. :param brought: what else a soured coagulant
        brought, kg; its casein is curdled already. :param rinse_kg: all rinse water,
        poured in ``rinses`` equal parts. :param moisture: drained until it holds so much water, kg per kg;
        then ``drain`` does not matter.
    """
    gathered = curdled_share(ph, celsius)
    homogenised, uht = milk.process != "none", milk.process == "uht"
    kept_casein = (0.96 if uht else 0.985) * gathered
    kept_whey = (0.92 if uht else 0.90 - 0.25 * math.exp(-boil_s / 60 / 4)) * gathered
    kept_ash = min(0.55, max(0.20, 0.40 + 0.30 * (ph - 5.4)))
    more, m = brought.scaled(1 / milk_kg), milk.parts
    kept_fat = 0.96 if homogenised else 0.93
    fat = kept_fat * (gathered * m.fat + more.fat)
    casein = kept_casein * m.casein + (0.96 if uht else 0.985) * more.casein
    whey_protein = kept_whey * (m.whey + more.whey)
    protein: float = casein + whey_protein
    ash = kept_ash * (m.milk_ash + more.milk_ash)
    dry: float = fat + protein + ash

    acid, acid_water = acid_kg / milk_kg, acid_water_kg / milk_kg
    water = m.water - steam_share + acid_water
    lactose = m.lactose + more.lactose
    citrates = m.citrates + m.acid
    natural = m.npn + citrates
    loose_whey = (1 - kept_whey) * (m.whey + more.whey)
    loose_ash = (1 - kept_ash) * (m.milk_ash + more.milk_ash)
    solutes = lactose + natural + loose_whey + loose_ash + acid
    serum_solids: float = solutes / (water - _BOUND * protein)
    hold: float = (protein + _FAT_HOLDS * fat) / dry
    conditions = hold / _HOLD_REF * math.exp(-_PER_K * (celsius - 80)) * math.exp(_PER_PH * (ph - 5.4))
    conditions *= _PROCESS[milk.process]

    def drained(water_per_dry: float) -> float:
        """Moisture of a curd drained so."""
        return water_per_dry * conditions / (1 + water_per_dry * conditions)

    def curd_of(m: float, strength: float) -> float:
        """Mass per kg of milk at a moisture and a serum strength."""
        return (dry - strength * _BOUND * protein) / (1 - m - strength * m)

    wet_m = drained(_LIMIT + _WET)
    wet = curd_of(wet_m, serum_solids)
    serum = (wet_m * wet - _BOUND * protein) * (1 + serum_solids)
    rinsed = 1.0
    if rinse_kg > 0 and rinses > 0:
        each = rinse_kg / milk_kg / rinses
        rinsed = (1 - RINSE_MIXES * each / (each + serum)) ** rinses

    def parts_of(strength: float) -> Composition:
        wet_share = drained(drain.water_per_dry()) if moisture is None else moisture
        mass = curd_of(wet_share, strength)
        carried = strength * (wet_share * mass - _BOUND * protein) / solutes
        return Composition(
            water=wet_share * mass,
            fat=fat,
            casein=casein,
            whey=whey_protein + carried * loose_whey,
            lactose=carried * lactose,
            milk_ash=ash + carried * loose_ash,
            npn=carried * m.npn,
            citrates=carried * citrates,
            acid=carried * acid,
        )

    unrinsed, curd = parts_of(serum_solids), parts_of(serum_solids * rinsed)
    whole = Composition(
        water=m.water,
        fat=m.fat,
        casein=m.casein,
        whey=m.whey,
        npn=m.npn,
        citrates=citrates,
        lactose=m.lactose,
        milk_ash=m.milk_ash,
    )
    acid_in = Composition(
        water=acid_water,
        fat=more.fat,
        casein=more.casein,
        whey=more.whey,
        lactose=more.lactose,
        milk_ash=more.milk_ash,
        acid=acid,
    )
    steam = Composition(water=steam_share)
    whey = whole.plus(acid_in).plus(steam.plus(unrinsed).scaled(-1.0))
    washings = Composition(water=rinse_kg / milk_kg).plus(unrinsed).plus(curd.scaled(-1.0))

    return Balance(
        milk=whole.scaled(milk_kg),
        acid=acid_in.scaled(milk_kg),
        rinse_kg=rinse_kg,
        steam_kg=steam_share * milk_kg,
        curd=curd.scaled(milk_kg),
        whey=whey.scaled(milk_kg),
        washings=washings.scaled(milk_kg),
        wet_curd_kg=wet * milk_kg,
        serum_kg=serum * milk_kg,
        casein_kept=gathered,
    )


def rinsed_c(curd_kg: float, curd_c: float, water_kg: float, water_c: float) -> float:
    """Curd's temperature after a rinse, °C.

    >>> round(rinsed_c(0.463, 77.0, 0.640, 17.0), 4)
    46.7082
    """
    curd, water = curd_kg * 3.4, RINSE_MIXES * water_kg * 4.18
    return (curd * curd_c + water * water_c) / (curd + water)
