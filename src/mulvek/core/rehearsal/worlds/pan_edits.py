"""What could have been done differently at a pan of milk: stirring, flame, sugar and sides, one at a time."""

from dataclasses import replace
from itertools import pairwise
from typing import TYPE_CHECKING

from ..acting import WEAKER, Act

if TYPE_CHECKING:
    from .pan import SimPan

STIR_WARMING_S = 120


def edits_of(pan: "SimPan") -> list[tuple[str, list[Act]]]:
    """Single changes worth trying on a finished run."""
    acts, boiled = list(pan.acts), pan.boiled_at_s or 0
    found: list[tuple[str, list[Act]]] = []
    stirs = [boiled, *(a.at_s for a in acts if a.kind in ("stir", "scrape") and a.at_s > boiled), pan.at_s]
    gaps = sorted(((b - a, a) for a, b in pairwise(stirs)), reverse=True)
    gap, since = gaps[0]
    if gap > 60:
        found.append(
            (
                f"One stir in the longest gap ({gap / 60:.0f} min from minute {since / 60:.0f})",
                [*acts, Act(since + gap // 2, "stir")],
            )
        )
    if len(gaps) > 1:
        more = [Act(a + g // 2, "stir") for g, a in gaps[:5] if g > 45]
        found.append((f"A stir in each of the {len(more)} longest gaps", [*acts, *more]))
    warm = [Act(t, "stir") for t in range(pan.began_s + STIR_WARMING_S, boiled, STIR_WARMING_S)]
    if sum(a.kind == "stir" and a.at_s < boiled for a in acts) < len(warm) / 2:
        found.append(("Stirring every two minutes while it warms", [*acts, *warm]))
    if pan.spilt_kg > 0:
        sooner = [
            replace(a, at_s=min(a.at_s, boiled)) if a.kind == "flame" and a.at_s > pan.began_s else a for a in acts
        ]
        if sooner == acts:
            sooner = [*acts, Act(boiled, "flame", flame=pan.plan.flame)]
        found.append(("The flame down the moment it rises", sooner))
    weaker = [
        replace(a, flame=WEAKER[a.flame]) if a.kind == "flame" and a.flame and a.at_s >= boiled else a for a in acts
    ]
    flame_then = next((a.flame for a in reversed(acts) if a.kind == "flame" and a.at_s <= boiled), None)
    if weaker == acts and flame_then is not None and flame_then != "gentle":
        weaker = [*acts, Act(boiled + 1, "flame", flame=WEAKER[flame_then])]
    if weaker != acts:
        found.append(("A weaker flame after the first boil", weaker))
    late = boiled + int((pan.at_s - boiled) * 0.66)
    found.append(("A gentle flame for the last third", [*acts, Act(late, "flame", flame="gentle")]))
    if any(a.kind == "sugar" for a in acts):
        later = [replace(a, at_s=a.at_s + 300) if a.kind == "sugar" else a for a in acts]
        found.append(("The sugar five minutes later", later))
    if not any(a.kind == "scrape" for a in acts):
        sides = [Act(t, "scrape") for t in range(boiled + 480, pan.at_s, 480)]
        if sides:
            found.append(("The sides scraped every eight minutes", [*acts, *sides]))
    if pan.folded < 1 and "layers" in pan.asks:
        folds = [Act(t, "fold") for t in range(boiled + 240, pan.at_s, 240)]
        kept = [a for a in acts if a.kind != "stir" or a.at_s < boiled]
        found.append(("The skin folded in every four minutes, not stirred", [*kept, *folds]))
    return found
