"""The account of a run: the same run again with one thing changed, and as practised hands would have taken it.

Day dossier §5 "one-edit replay": recorded acts, same seed, same milk, same callers; a pan of milk is stopped at the same
weight, everything else where the record has it. A replay goes on from a moment kept before the change.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

from .acting import Act
from .cooks import Cook, run
from .score import Part, Score, score
from .world import Notice, World
from .worlds.pan import SimPan
from .worlds.several import Several, hand_over

LONGEST_AFTER_S = 3600
TOLD_FROM = 0.5
"""Points below which a change is not worth a line."""
MOST_LINES = 5
OFF_FROM = 0.02
KEPT_EVERY_S = 180
DEAREST_VESSELS = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Slip:
    """One thing done differently: what it would have been worth, points; how much longer one stands, s; how much more it
    gives, kg; and the part it changes most, as it was and as it would be."""

    what: str
    points: float
    standing_s: float
    yield_kg: float
    part: str
    was: str
    then: str


@dataclass(frozen=True, slots=True)
class Account:
    """A run judged, what each slip cost, dearest first, the practised run, and what the senses said in the cook's own."""

    score: Score
    slips: tuple[Slip, ...]
    expert: World
    expert_score: Score
    notices: tuple[Notice, ...]


Begin = Callable[[], World]
"""The same rehearsal from its beginning, with the same chance."""
Kept = list[World]
"""Moments of a run to go on from."""


def replay(begin: Begin, acts: Sequence[Act], stop_kg: float | None = None, kept: Kept | None = None) -> World:
    """Do recorded acts again.

    :param stop_kg: of a pan of milk: stop at this weight once the other acts are done, keeping the cook's own rhythm of
        stirring; None to stop where the record does.
    :param kept: moments of a run that began with some of the same acts: the latest that fits is gone on from; where it is
        empty, moments of this run are put in.
    """
    todo = sorted(acts, key=lambda a: a.at_s)
    if stop_kg is not None:
        todo = [a for a in todo if a.kind != "stop"]
    world = _resumed(todo, kept) or begin()
    keeps = kept if kept is not None and not kept else None
    if stop_kg is None or not isinstance(world, SimPan):
        _do_all(world, todo, keeps)
    else:
        _stop_at(world, todo, stop_kg, keeps)
    return world


def _resumed(todo: Sequence[Act], kept: Kept | None) -> World | None:
    """The latest kept moment before anything in ``todo`` differs."""
    for moment in reversed(kept or ()):
        done = len(moment.acts)
        if list(todo[:done]) == moment.acts and all(a.at_s >= moment.at_s for a in todo[done:]):
            return moment.copy()
    return None


def _keep(world: World, keeps: Kept | None) -> None:
    if keeps is not None and (not keeps or world.at_s - keeps[-1].at_s >= KEPT_EVERY_S):
        keeps.append(world.copy())


def _do_all(world: World, todo: Sequence[Act], keeps: Kept | None = None) -> None:
    """Each at its time, or the tick after; what cannot be done is left out."""
    left = list(todo[len(world.acts) :])
    while not world.done:
        _keep(world, keeps)
        while left and left[0].at_s < world.at_s + world.TICK_S and not world.done:
            world.act(left.pop(0))
        if world.done or not left:
            return
        world.step()


def _stop_at(pan: SimPan, todo: Sequence[Act], stop_kg: float, keeps: Kept | None) -> None:
    stirs = [a.at_s for a in todo if a.kind in ("stir", "scrape")][-6:]
    rhythm = max(45, (stirs[-1] - stirs[0]) // (len(stirs) - 1)) if len(stirs) > 1 else 180
    last_sugar = max((a.at_s for a in todo if a.kind == "sugar"), default=0)
    end = max((a.at_s for a in todo), default=0) + LONGEST_AFTER_S
    left = list(todo[len(pan.acts) :])
    while not pan.done and pan.at_s < end:
        _keep(pan, keeps)
        while left and left[0].at_s <= pan.at_s and not pan.done:
            pan.act(replace(left.pop(0), at_s=pan.at_s))
        if pan.boiled_at_s is not None and pan.at_s >= last_sugar and pan.mass_kg <= stop_kg:
            pan.act(Act(pan.at_s, "stop"))
        elif not left and pan.at_s - pan.stirred_at_s > rhythm:
            pan.act(Act(pan.at_s, "stir"))
        if not pan.done:
            pan.step()


def account(world: World, begin: Begin, practised: Cook, weights: Mapping[str, float] | None = None) -> Account:
    """The account of a finished run; about two seconds of reckoning for an hour on the fire."""
    judged = score(world, weights)
    slips = (
        _of_vessels(world, begin, weights, judged)
        if isinstance(world, Several)
        else _of_one(world, begin, weights, judged)
    )
    slips.sort(key=lambda slip: -slip.points)
    expert = run(begin(), practised)
    told = tuple(slip for slip in slips if abs(slip.points) >= TOLD_FROM)[:MOST_LINES]
    return Account(judged, told, expert, score(expert, weights), tuple(world.notices()))


def _of_one(world: World, begin: Begin, weights: Mapping[str, float] | None, judged: Score) -> list[Slip]:
    stop_kg = _stop_kg(world)
    kept: Kept = []
    # what one keeps from a replay is the change alone: the record itself, stopped on its own weight, is the measure
    again = score(replay(begin, world.acts, stop_kg, kept), weights)
    measure = judged if stop_kg is None else again
    slips = [
        _slip(what, measure, score(replay(begin, acts, stop_kg, kept), weights), measure)
        for what, acts in world.edited()
    ]
    if stop_kg is not None and isinstance(world, SimPan) and abs(world.off_target) > OFF_FROM:
        on_goal = score(replay(begin, world.acts, world.goal_kg), weights)
        slips.append(_slip("Stopping on the right weight", measure, on_goal, judged))
    return slips


def _stop_kg(world: World) -> float | None:
    """At which weight a replay of a pan of milk stops."""
    stops = isinstance(world, SimPan) and world.kind == "pan" and not world.ends_with
    return world.mass_kg if stops and isinstance(world, SimPan) else None


def _of_vessels(world: Several, begin: Begin, weights: Mapping[str, float] | None, judged: Score) -> list[Slip]:
    """A vessel's slips by that vessel's replays, and those of what was made from it; the others stay as they were."""
    slips = []
    dear = sorted(range(len(world.vessels)), key=lambda i: -_cost(judged, str(i)))[:DEAREST_VESSELS]
    for i in dear:
        kept: Kept = []
        stop_kg = _stop_kg(world.vessels[i])
        replay(lambda i=i: _vessel(begin, world, i), world.vessels[i].acts, stop_kg, kept)  # type: ignore[misc]
        for what, acts in world.vessels[i].edited():
            other = world.copy()
            vessels = list(other.vessels)
            vessels[i] = replay(lambda i=i: _vessel(begin, world, i), acts, stop_kg, kept)  # type: ignore[misc]
            for link in world.links:
                if link.of == i:
                    taker = _vessel(begin, world, link.to)
                    hand_over(vessels[i], taker)
                    _do_all(taker, world.vessels[link.to].acts)
                    vessels[link.to] = taker
            other.vessels = tuple(vessels)
            stood = sum(v.standing_s for v in vessels) - sum(v.standing_s for v in world.vessels)
            then = replace(score(other, weights), standing_s=judged.standing_s + stood)
            slips.append(_slip(f"{world.vessels[i].name}: {what[0].lower()}{what[1:]}", judged, then, judged))
    return slips


def _cost(judged: Score, key: str) -> float:
    return next((part.cost for part in judged.parts if part.key == key), 0.0)


def _vessel(begin: Begin, world: Several, i: int) -> World:
    """One vessel at its beginning, with what was handed over to it."""
    fresh = begin()
    assert isinstance(fresh, Several)
    for link in world.links:
        if link.to == i and world.vessels[link.of].done:
            hand_over(world.vessels[link.of], fresh.vessels[i])
    return fresh.vessels[i]


def _slip(what: str, was: Score, then: Score, stood: Score) -> Slip:
    """What a change was worth, and in which part of the work it shows most."""

    def moved(part: Part) -> float:
        return abs(then.part(part.key).points - part.points) * part.share

    most = max(was.parts, key=moved)
    return Slip(
        what=what,
        points=then.points - was.points,
        standing_s=then.standing_s - stood.standing_s,
        yield_kg=(then.yield_kg or 0.0) - (was.yield_kg or 0.0),
        part=most.name,
        was=most.says,
        then=then.part(most.key).says,
    )
