"""The account of a run: the same run again with one thing changed, and as a careful cook would have taken it.

Day dossier §5 "one-edit replay": recorded acts, same seed, same milk, same callers, stopped at the same weight.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from .cooks import WEAKER, Careful, run
from .hidden import Hidden
from .pan import Act, SimPan
from .score import Score, score

LONGEST_AFTER_S = 3600
STIR_WARMING_S = 120
TOLD_FROM = 0.5
"""Points below which a change is not worth a line."""
MOST_LINES = 5


@dataclass(frozen=True, slots=True)
class Lesson:
    """One thing done differently: what it would have been worth, points, and how much longer it stands, s."""

    what: str
    points: float
    standing_s: float


@dataclass(frozen=True, slots=True)
class Account:
    """A run judged, the lessons of it, best first, and the careful cook's run."""

    score: Score
    lessons: tuple[Lesson, ...]
    expert: SimPan
    expert_score: Score


def replay(hidden: Hidden, acts: Sequence[Act], stop_kg: float | None = None) -> SimPan:
    """Do recorded acts again.

    :param stop_kg: stop at this weight once the other acts are done, keeping the cook's own rhythm of stirring;
        None to stop where the record does.
    """
    todo = sorted(acts, key=lambda a: a.at_s)
    if stop_kg is not None:
        todo = [a for a in todo if a.kind != "stop"]
    stirs = [a.at_s for a in todo if a.kind in ("stir", "scrape")][-6:]
    rhythm = max(45, (stirs[-1] - stirs[0]) // (len(stirs) - 1)) if len(stirs) > 1 else 180
    last_sugar = max((a.at_s for a in todo if a.kind == "sugar"), default=0)
    end = max((a.at_s for a in acts), default=0) + LONGEST_AFTER_S
    pan, i = SimPan(hidden), 0
    while not pan.done and pan.at_s < end:
        while i < len(todo) and todo[i].at_s <= pan.at_s and not pan.done:
            pan.act(replace(todo[i], at_s=pan.at_s))
            i += 1
        if stop_kg is not None and not pan.done:
            sugared = pan.at_s >= last_sugar
            if pan.boiled_at_s is not None and sugared and pan.mass_kg <= stop_kg:
                pan.act(Act(pan.at_s, "stop"))
            elif i >= len(todo) and pan.at_s - pan.stirred_at_s > rhythm:
                pan.act(Act(pan.at_s, "stir"))
        if not pan.done:
            pan.step()
    return pan


def edits(pan: SimPan) -> list[tuple[str, list[Act]]]:
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
    warm = [Act(t, "stir") for t in range(STIR_WARMING_S, boiled, STIR_WARMING_S)]
    if warm and not any(a.kind == "stir" and a.at_s < boiled for a in acts):
        found.append(("Stirring every two minutes while it warms", [*acts, *warm]))
    if pan.spilt_kg > 0:
        sooner = [replace(a, at_s=min(a.at_s, boiled)) if a.kind == "flame" and a.at_s > 0 else a for a in acts]
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
    found.append(("A gentle flame for the last third", [*acts, _late_gentle(pan, boiled)]))
    if any(a.kind == "sugar" for a in acts):
        later = [replace(a, at_s=a.at_s + 300) if a.kind == "sugar" else a for a in acts]
        found.append(("The sugar five minutes later", later))
    if not any(a.kind == "scrape" for a in acts):
        sides = [Act(t, "scrape") for t in range(boiled + 480, pan.at_s, 480)]
        if sides:
            found.append(("The sides scraped every eight minutes", [*acts, *sides]))
    return found


def _late_gentle(pan: SimPan, boiled: int) -> Act:
    return Act(boiled + int((pan.at_s - boiled) * 0.66), "flame", flame="gentle")


def account(pan: SimPan) -> Account:
    """The account of a finished run; some two seconds of reckoning for an hour on the fire."""
    hidden, judged = pan.hidden, score(pan)
    # what one keeps from a replay is the change alone: the record itself, stopped on its own weight, is the measure
    measure = score(replay(hidden, pan.acts, pan.mass_kg))
    lessons = [
        Lesson(what, after.points - measure.points, after.standing_s - measure.standing_s)
        for what, acts in edits(pan)
        if (after := score(replay(hidden, acts, pan.mass_kg)))
    ]
    if abs(judged.off_target) > 0.02:
        on_goal = score(replay(hidden, pan.acts, pan.goal_kg))
        lessons.append(
            Lesson(
                "Stopping on the right weight",
                on_goal.points - measure.points,
                on_goal.standing_s - judged.standing_s,
            )
        )
    lessons.sort(key=lambda lesson: -lesson.points)
    expert = run(hidden, Careful())
    told = tuple(lesson for lesson in lessons if abs(lesson.points) >= TOLD_FROM)[:MOST_LINES]
    return Account(judged, told, expert, score(expert))
