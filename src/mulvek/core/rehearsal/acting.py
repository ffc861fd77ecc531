"""What hands do in a rehearsal, and how the same acts are made again with one thing done differently."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ..equipment.burners import Flame

Unit = Literal["", "kg", "l", "s", "pieces"]


@dataclass(frozen=True, slots=True)
class Act:
    """What the cook did: when (s since it began), what, how much in its hand's unit, and to which vessel."""

    at_s: int
    kind: str
    amount: float = 0.0
    flame: Flame | None = None
    of: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Hand:
    """Something that can be done now. ``busy_s`` it keeps the cook. With a ``unit`` it takes an amount, ``usual`` when
    nothing is said, up to ``most``; ``flames``: it takes a flame."""

    key: str
    says: str
    busy_s: int
    unit: Unit = ""
    usual: float = 0.0
    most: float = 0.0
    flames: bool = False
    ends: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Edit:
    """One thing that could have been done differently: all from the first ``act`` on sooner or later by ``by`` seconds; its
    amounts times ``by``; without the last of them, or without any; with one more, ``by`` seconds after; each in two halves,
    ``by`` seconds apart; ``to`` in its place, or added every ``by`` seconds from then on; a weaker flame."""

    act: str
    how: Literal["sooner", "later", "amount", "less", "none", "more", "halved", "instead", "every", "flame"]
    says: str
    by: float = 0.0
    to: str = ""


WEAKER: Mapping[Flame, Flame] = {"strong": "medium", "medium": "gentle", "gentle": "gentle"}


def changed(acts: Sequence[Act], edit: Edit) -> list[Act] | None:
    """Acts with this edit made; None where it changes nothing."""
    at = [i for i, act in enumerate(acts) if act.kind == edit.act]
    if not at:
        return None
    first, last = at[0], at[-1]
    match edit.how:
        case "sooner" | "later":
            by = int(edit.by) * (1 if edit.how == "later" else -1)
            before = acts[first - 1].at_s if first else 0
            by = max(by, before - acts[first].at_s)
            made = [*acts[:first], *(replace(act, at_s=act.at_s + by) for act in acts[first:])]
        case "amount":
            made = [replace(act, amount=act.amount * edit.by) if act.kind == edit.act else act for act in acts]
        case "less":
            made = [*acts[:last], *acts[last + 1 :]]
        case "more":
            again = replace(acts[last], at_s=acts[last].at_s + int(edit.by))
            made = sorted((*acts, again), key=lambda act: act.at_s)
        case "none":
            made = [act for act in acts if act.kind != edit.act]
        case "halved":
            half = [replace(act, amount=act.amount / 2) if act.kind == edit.act else act for act in acts]
            rest = [replace(act, at_s=act.at_s + int(edit.by)) for act in half if act.kind == edit.act]
            made = sorted((*half, *rest), key=lambda act: act.at_s)
        case "instead":
            made = [replace(act, kind=edit.to) if act.kind == edit.act else act for act in acts]
        case "every":
            times = range(acts[first].at_s + int(edit.by), acts[-1].at_s, int(edit.by))
            made = sorted((*acts, *(Act(at, edit.to) for at in times)), key=lambda act: act.at_s)
        case "flame":
            made = [replace(act, flame=WEAKER[act.flame]) if act.flame else act for act in acts]
    return None if made == list(acts) else made
