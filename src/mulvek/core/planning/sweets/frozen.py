"""A mix in these moulds and this freezer: ice along the cold, when to eat it, how long it freezes and stands."""

from dataclasses import dataclass

import numpy as np

from ...composition.composition import Composition
from ...equipment import moulds as md
from ...equipment.kitchen import Kitchen
from ...properties import freezing as fz
from ...ranges import Range

CURVE_C = tuple(float(c) for c in np.linspace(0.0, -26.0, 53))
WATER_SD = 0.03
"""How well the share of water that is ice is known."""


@dataclass(frozen=True, slots=True)
class Freezer:
    """How cold, how its air moves (W/m² K), and what it brings to −18 °C in a day, kg."""

    celsius: float = -18.0
    film: float = md.STILL_AIR
    capacity_kg_day: float = md.USUAL_CAPACITY_KG


@dataclass(frozen=True, slots=True, kw_only=True)
class FrozenAnswer:
    """What the freezer makes of it. Shares of ice are of the water on the curve and of the whole in ``ice``."""

    begins_c: float
    curve_c: tuple[float, ...]
    curve_of_water: tuple[float, ...]
    ice: float
    ice_of_water: Range
    hardness: str
    bite_c: float
    bite_of_water: float
    spoon_c: float
    swells: float
    fill: float
    fill_m: float
    grams_each: float
    freeze_s: Range
    crowded_s: float
    stand_s: Range
    dip_s: Range | None
    warm_sweetness: float
    felt_sweetness: float
    iciness: fz.Verdict
    sand: fz.Verdict
    mould: md.Mould


def frozen_answer(mix: Composition, mould: md.Mould, count: int, freezer: Freezer, kitchen: Kitchen) -> FrozenAnswer:
    """All that freezing asks, for ``count`` moulds at once."""
    curve = fz.ice(mix, np.array(CURVE_C)) / mix.water
    now = float(fz.ice(mix, freezer.celsius))
    bite = fz.celsius_at_ice(mix, fz.BITE)
    grams = md.grams_in(mix, mould.volume_m3, freezer.celsius)
    freeze = md.freezing_s(mix, mould, freezer.film, freezer.celsius, points=120)
    crowd = md.crowded_s(count * grams / 1e3, freezer.capacity_kg_day)
    hours = max(freeze, crowd)
    stand = md.standing_s(mix, mould, bite, freezer.celsius, kitchen.room_c, points=80)
    dip = md.dip_s(mix, mould.wall_m, mould.wall_w_m_k) if mould.dips else None
    fill = md.fill_share(mix, freezer.celsius)
    of_water = now / mix.water
    return FrozenAnswer(
        begins_c=fz.freezing_point_c(mix),
        curve_c=CURVE_C,
        curve_of_water=tuple(float(x) for x in curve),
        ice=now,
        ice_of_water=Range.between(of_water, WATER_SD, 0.0, 1.0),
        hardness=fz.hardness(now),
        bite_c=bite,
        bite_of_water=fz.BITE / mix.water,
        spoon_c=fz.celsius_at_ice(mix, fz.SPOON),
        swells=fz.expansion(mix, freezer.celsius),
        fill=fill,
        fill_m=fill * mould.depth_m,
        grams_each=grams,
        freeze_s=Range.lognormal(hours, md.FREEZE_LN_SD),
        crowded_s=crowd,
        stand_s=Range.lognormal(stand, md.STAND_LN_SD),
        dip_s=None if dip is None else Range.lognormal(dip, md.DIP_LN_SD),
        warm_sweetness=fz.sweetness(mix),
        felt_sweetness=fz.sweetness(mix) * fz.felt_share(bite),
        iciness=fz.iciness(mix, hours / 3600, freezer.celsius),
        sand=fz.sandiness(mix),
        mould=mould,
    )
