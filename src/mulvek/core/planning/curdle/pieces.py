"""From weighed chhena to pieces: texture, kneading, weight, size, swelling, how many fit a pan.

Curd dossier §3, §5 and §6. The texture index and the chances of cracking and breaking are ours (sd 10
points; low, medium, high only).
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from ...composition.composition import Composition
from ...composition.materials import read_table
from ...equipment.pans import Pan
from ...errors import BadInput
from ...properties.density import density_kg_m3

TEXTURE_SD = 10.0
LOSS = 0.02
VOID = 0.98
"""Share of a kneaded piece that is not air."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Use:
    """What the curd is for, with its windows; ``piece_kg`` None for what is not shaped. ``acid_c`` to ``hold_s``: the way
    that gives it, of the milks of the tables."""

    key: str
    name: str
    moisture: tuple[float, float]
    texture: tuple[float, float]
    piece_kg: tuple[float, float] | None = None
    swells: tuple[float, float, float] | None = None
    rests: float = 1.0
    gains: float = 1.0
    cover: float = 0.5
    binder: tuple[float, float] | None = None
    brix: float = 40.0
    ratio: float = 4.0
    usual_piece_kg: float | None = None
    acid_c: float = 88.0
    drain: str = "light-squeeze"
    rinses: int = 2
    hold_s: float = 30.0


def _use(key: str, row: Mapping[str, Any]) -> Use:
    def pair(name: str, scale: float) -> tuple[float, float]:
        low, high = row[name]
        return low * scale, high * scale

    return Use(
        key=key,
        name=str(row["name"]),
        moisture=pair("moisture", 0.01),
        texture=pair("texture", 1.0),
        piece_kg=pair("piece", 1e-3) if "piece" in row else None,
        swells=tuple(row["swells"]) if "swells" in row else None,
        rests=float(row.get("rests", 1.0)),
        gains=float(row.get("gains", 1.0)),
        cover=float(row.get("cover", 0.5)),
        binder=pair("binder", 0.01) if "binder" in row else None,
        brix=float(row.get("brix", 40.0)),
        ratio=float(row.get("ratio", 4.0)),
        usual_piece_kg=float(row["usual_piece"]) * 1e-3 if "usual_piece" in row else None,
        **row.get("way", {}),
    )


USES: Mapping[str, Use] = {key: _use(key, row) for key, row in read_table("curd_uses.toml").items()}


def use(key: str) -> Use:
    """:raises BadInput: field "use"."""
    if key not in USES:
        raise BadInput("use", "no-such-curd-use", key=key, uses=tuple(USES))
    return USES[key]


def texture_index(
    celsius: float, ph: float, heat_min: float, moisture: float, rinses: int, milk_points: float = 0.0
) -> float:
    """0 soft and moist to 100 firm and dry.

    :param heat_min: minutes kept on the heat after curdling. :param moisture: kg per kg.

    >>> round(texture_index(83.5, 5.47, 0.5, 0.574, 1), 4)
    46.0246
    """
    heat = min(30.0, 4 * heat_min * 2 ** ((celsius - 90) / 10))
    acid = 75 * (5.4 - min(5.7, max(4.8, ph)))
    rinsed = (5 if rinses >= 1 else 0) + (3 if rinses >= 2 else 0)
    index = 50 + (celsius - 80) + acid + heat - 2.5 * (100 * moisture - 58) - rinsed + milk_points
    return max(0.0, min(100.0, index))


def knead_s(fat_in_dry: float, moisture: float, curd_kg: float, homogenised: bool, celsius: float = 25.0) -> float:
    """Seconds of kneading with the heel of the hand, 3 to 15 minutes, sd 35 %.

    >>> round(knead_s(0.44, 0.589, 0.287, True) / 60, 4)
    11.777
    """
    cold = 1 + 0.03 * (20 - celsius) if celsius < 20 else 1.0
    minutes = 5 * math.exp(9 * (0.50 - fat_in_dry)) * math.exp(6 * (0.58 - moisture)) * math.pow(curd_kg / 0.2, 0.3)
    return 60 * min(15.0, max(3.0, minutes * (1.3 if homogenised else 1.0))) * cold


def piece_density_kg_m3(curd: Composition) -> float:
    """Of kneaded chhena, kg/m³ (±20)."""
    return VOID * float(density_kg_m3(curd, 20.0))


def ball_m(mass_kg: float, density_kg_m3: float) -> float:
    """Width of a ball, m."""
    return math.pow(6 * mass_kg / (math.pi * density_kg_m3), 1 / 3)


def count_pieces(curd_kg: float, piece_kg: float, binder: float = 0.0, loss: float = LOSS) -> int:
    """How many pieces; ``binder`` kg per kg of chhena.

    >>> count_pieces(0.243, 0.0113, 0.03)
    21
    """
    return math.floor(curd_kg * (1 - loss) * (1 + binder) / piece_kg + 1e-9)


def syrup_surface_m(pan: Pan) -> float:
    """Width of the syrup's surface in a pan filled to a third of its height, m."""
    return 2 * float(pan.shape.radius_m(pan.shape.height_m / 3))


def most_in_pan(surface_m: float, ball_peak_m: float, cover: float) -> int:
    """How many fit a pan of syrup at their widest."""
    return math.floor(cover * (surface_m / ball_peak_m) ** 2 + 1e-9)


def at_once(use: Use, count: int, raw_m: float, pan: Pan) -> int:
    """How many of ``count`` balls of this width boil at once, at the most that they may swell to."""
    assert use.swells is not None
    widest = raw_m * math.pow(use.swells[2], 1 / 3)
    return max(1, min(count, most_in_pan(syrup_surface_m(pan), widest, use.cover)))


def crack_chance(moisture: float, texture: float, knead_missed: float = 0.0, binder: float = 0.0) -> float:
    """Chance 0-1 that balls crack; ``knead_missed`` share of the kneading left out."""
    pull = 55 * (0.55 - moisture) + 0.05 * (texture - 55) + 1.5 * knead_missed - 0.10 * min(100 * binder, 10) - 1.5
    return 1 / (1 + math.exp(-pull))


def break_chance(moisture: float, overkneaded: float = 0.0, binder: float = 0.0) -> float:
    """Chance 0-1 that balls fall apart in the syrup."""
    pull = 55 * (moisture - 0.62) - 0.25 * min(100 * binder, 10) + 0.6 * overkneaded - 0.5
    return 1 / (1 + math.exp(-pull))
