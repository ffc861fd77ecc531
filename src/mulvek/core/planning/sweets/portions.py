"""From kilograms to pieces and back: what one piece weighs, how much to make, how much to buy.

Sweets dossier F42 and F43.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from ...equipment.moulds import FILL_LOSS, grams_in
from ...equipment.slabs import slab_piece_kg
from ...errors import Impossible
from ...properties.density import density_kg_m3
from ..curdle.pieces import LOSS as SHAPING_LOSS
from .build import Built
from .stuff import Thing

RESERVE = 0.02
GROWS = 1.20
"""Rounded up to whole packs a batch may grow so far; beyond it the rest is left over."""
UNPEELED: Mapping[str, float] = {"carrot": 1.14, "bottle-gourd": 1.25, "bread": 1.30}
"""kg to buy for a kg that goes in: peel and ends, crusts."""
PACK_M3, PACK_KG = 0.5e-3, 0.4
FIRM_C = 25.0


def slab_density_kg_m3(built: Built) -> float:
    """Of a pressed slab, with the air in it."""
    return float(density_kg_m3(built.parts, FIRM_C)) * (1 - built.school.piece.air)


def finished_density_kg_m3(built: Built) -> float:
    """What a litre of it weighs as it is served: a slab with its air, all else close."""
    if built.school.piece.way == "slab":
        return slab_density_kg_m3(built)
    return float(density_kg_m3(built.parts, FIRM_C))


def piece_kg(built: Built, mould_m3: float | None = None) -> float:
    """Finished sweet in one piece, kg (F42)."""
    piece = built.school.piece
    if piece.way == "mould":
        return grams_in(built.parts, mould_m3 if mould_m3 is not None else piece.ml * 1e-6) / 1e3
    if piece.way == "slab":
        long, wide = (mm / 1e3 for mm in piece.cut_mm)
        return slab_piece_kg(slab_density_kg_m3(built), piece.thick_mm / 1e3, long, wide)
    if piece.before:
        return piece.grams / 1e3 * built.end_per_mix
    return piece.grams / 1e3


def kept_of(built: Built) -> float:
    """What of it is in pieces in the end: bowl and funnel keep some of a mix, hands and board some of kneaded chhena (the
    curd dossier's share, so that the Bench counts as many)."""
    piece = built.school.piece
    shaped = piece.before and any(b.base.do == "curdle" for b in built.bases)
    return 1 - FILL_LOSS if piece.way == "mould" else 1 - SHAPING_LOSS if shaped else 1.0


@dataclass(frozen=True, slots=True)
class Lead:
    """What the batch hangs on: a thing to buy in packs, or a base as weighed. kg per kg finished; kg a pack holds."""

    key: str
    per_kg: float
    pack_kg: float | None


def lead_of(built: Built, packs: Mapping[str, float], things: Mapping[str, Thing]) -> Lead:
    """The milk (all of it together), else yoghurt, powder or the largest ingredient."""
    bought = {k: kg for k, kg in built.stuff.bought.items() if k not in ("water", "white-sugar")}
    mine = {k: kg for k, kg in bought.items() if not k.startswith("base:")} or bought or dict(built.stuff.bought)
    milks = {k: kg for k, kg in mine.items() if k in things and things[k].milk}
    key = max(milks or mine, key=lambda k: mine[k])
    if key.startswith("base:"):
        return Lead(key, mine[key], None)
    usual = PACK_M3 * things[key].bulk_kg_m3 if key in milks else PACK_KG
    return Lead(key, mine[key], packs.get(key, usual))


@dataclass(frozen=True, slots=True)
class Batch:
    """How much is made: wanted, needed (with its reserve) and finished, kg; packs of the lead to buy, kg; its rest."""

    wanted_kg: float
    finished_kg: float
    exact_kg: float
    buy_kg: float
    rest_kg: float


def for_wish(lead: Lead, wanted_kg: float, whole_packs: bool = True, reserve: float = RESERVE) -> Batch:
    """From a wish back to what is bought (F43): rounded up to packs, and the batch grows to use them.

    :param reserve: so much more is made than is wanted, a share, where it is not known what stays behind.

    >>> for_wish(Lead("milk", 6.57523082, 0.515), 0.48935).buy_kg / 0.515
    7.0
    """
    exact = wanted_kg * lead.per_kg * (1 + reserve)
    buy = exact
    if whole_packs and lead.pack_kg:
        buy = math.ceil(exact / lead.pack_kg - 1e-9) * lead.pack_kg
    finished = buy / lead.per_kg
    if finished > GROWS * wanted_kg:
        finished = wanted_kg * (1 + reserve)
    return Batch(wanted_kg, finished, exact, buy, buy - finished * lead.per_kg)


@dataclass(frozen=True, slots=True)
class Limit:
    """What there is of a thing, what is used and left, kg; ``limits``: the one that runs out first."""

    key: str
    have_kg: float
    used_kg: float
    limits: bool

    @property
    def left_kg(self) -> float:
        return self.have_kg - self.used_kg


def from_what_there_is(need: Mapping[str, float], have: Mapping[str, float]) -> tuple[float, list[Limit]]:
    """Finished kg that what is at hand gives, and what is left of each.

    :param need: kg per kg finished. :raises Impossible: field "have", when nothing of it is needed.
    """
    useful = {key: kg for key, kg in have.items() if need.get(key, 0.0) > 0}
    if not useful:
        raise Impossible("have", "none-goes-into-sweet")
    finished = min(kg / need[key] for key, kg in useful.items())
    limits = [Limit(k, kg, finished * need[k], kg <= finished * need[k] * (1 + 1e-9)) for k, kg in useful.items()]
    return finished, limits


def count_pieces(finished_kg: float, each_kg: float) -> int:
    return math.floor(finished_kg / each_kg + 1e-9)
