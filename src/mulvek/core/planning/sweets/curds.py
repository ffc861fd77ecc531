"""Chhena and hung curd as a base of a sweet: what a kilogram of milk gives at a moisture, and what is in it.

The yields are the curd dossier's (``core.curd``), which govern; sweets F34 is only their cross-check. A weighed
curd replaces both.
"""

from dataclasses import dataclass

from ...composition.composition import Composition
from ...errors import Impossible
from ..curdle.balance import Draining, split
from ..curdle.milk import curd_milk
from ..strain.draining import WHEY_SOLIDS
from ..strain.forecast import GEL_SHARE
from .stuff import Thing

CURDLED_C, CURDLED_PH = 82.0, 5.4
"""Usual conditions of chhena for sweets; the Bench reckons others."""
ACID_WATER, ACID, RINSE = 0.08, 0.0015, 0.75
"""Thinned lemon, its acid, and one rinse, kg per kg of milk."""


@dataclass(frozen=True, slots=True)
class Curd:
    """kg from a kg of milk or yoghurt, and its make-up per kg."""

    mass_kg: float
    parts: Composition


def chhena(milk: Thing, moisture: float) -> Curd:
    """Curdled with lemon, rinsed once, drained to ``moisture`` (kg per kg, 0.45-0.70).

    :raises BadInput: field "milk", when it does not curdle.
    """
    assert milk.material is not None
    told = split(
        curd_milk(milk.material),
        1.0,
        celsius=CURDLED_C,
        ph=CURDLED_PH,
        drain=Draining("hang"),
        acid_water_kg=ACID_WATER,
        acid_kg=ACID,
        rinse_kg=RINSE,
        moisture=moisture,
    )
    return Curd(told.curd.total, told.curd.per_kg())


def hung_curd(yoghurt: Thing, moisture: float) -> Curd:
    """Yoghurt hung until it holds so much water (curd dossier F9.2, F9.3): fat stays, whey takes the rest.

    :raises Impossible: field "cook", when so little water never drains.
    """
    start = yoghurt.parts
    solids, wanted = start.total_solids, 1 - moisture
    whey = (wanted - solids) / (wanted - WHEY_SOLIDS)
    if not 0 <= whey < 0.95 or moisture < 0.55:
        raise Impossible("moisture", "hung-curd-out-of-reach")
    lost_protein = (1 - GEL_SHARE) * start.protein * min(1.0, whey / 0.7)
    loose = start.lactose + start.milk_ash + start.acid + start.milk_other + start.glucose + start.fructose
    kept = 1 - (whey * WHEY_SOLIDS - lost_protein) / loose
    if kept < 0:
        raise Impossible("moisture", "hung-curd-out-of-reach")
    protein = 1 - lost_protein / start.protein
    curd = Composition(
        water=start.water - whey * (1 - WHEY_SOLIDS),
        fat=start.fat,
        casein=start.casein * protein,
        whey=start.whey * protein,
        npn=start.npn * kept,
        citrates=start.citrates * kept,
        lactose=start.lactose * kept,
        glucose=start.glucose * kept,
        fructose=start.fructose * kept,
        milk_ash=start.milk_ash * kept,
        acid=start.acid * kept,
    )
    return Curd(1 - whey, curd.scaled(1 / (1 - whey)))
