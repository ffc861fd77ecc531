"""The kitchens of rehearsals, as far as they have run. Only a convenience: each can be run again from its log."""

import re
import threading
from collections.abc import Mapping
from dataclasses import replace

from ..core.batch.events import HandDid, standing
from ..core.errors import Conflict
from ..core.planning.caramel.plan import CaramelPlan
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.reduce.plan import ReducePlan
from ..core.planning.strain.forecast import StrainPlan
from ..core.rehearsal.acting import Act
from ..core.rehearsal.acts import acts_of
from ..core.rehearsal.cooks import Cook
from ..core.rehearsal.cooks.caramel import CaramelHands
from ..core.rehearsal.cooks.cloth import ClothHands
from ..core.rehearsal.cooks.curd import CurdHands
from ..core.rehearsal.cooks.pan import Careful
from ..core.rehearsal.hidden import hide
from ..core.rehearsal.lessons import Lesson, lessons
from ..core.rehearsal.luck import Level, Luck, level_of
from ..core.rehearsal.world import World
from ..core.rehearsal.worlds.caramel import Caramel
from ..core.rehearsal.worlds.cloth import Cloth
from ..core.rehearsal.worlds.curd import Curd
from ..core.rehearsal.worlds.pan import SimPan
from ..store.rehearsal import Rehearsal

KEPT_KITCHENS, LOOKS_EVERY_S = 8, 5


def lesson_of(rehearsal: Rehearsal) -> Lesson | None:
    """:raises Conflict: field "lesson", when this release has it no more."""
    if rehearsal.lesson is None:
        return None
    if rehearsal.lesson not in lessons():
        raise Conflict("lesson", "lesson-gone")
    return lessons()[rehearsal.lesson]


def level_of_rehearsal(rehearsal: Rehearsal) -> Level:
    lesson = lesson_of(rehearsal)
    return lesson.level if lesson else level_of(rehearsal.level)


def weights_of(rehearsal: Rehearsal) -> Mapping[str, float] | None:
    lesson = lesson_of(rehearsal)
    return (lesson.counts or None) if lesson else None


def begun(rehearsal: Rehearsal) -> World:
    """The kitchen of a rehearsal at the moment it began."""
    if (lesson := lesson_of(rehearsal)) is not None:
        return lesson.begin(rehearsal.seed)
    return world_of(rehearsal.plan, rehearsal.level, rehearsal.seed)


def world_of(plan: object, level: int, seed: int) -> World:
    """The world that a plan of any kind is cooked in.

    :raises BadInput: fields "level", "seed".
    """
    luck = Luck(level_of(level), seed)
    match plan:
        case ReducePlan():
            return SimPan(hide(plan, level, seed))
        case CurdlePlan():
            return Curd(plan, luck)
        case StrainPlan():
            return Cloth(replace(plan, readings=()), luck)
        case CaramelPlan():
            return Caramel(plan, luck)
    raise Conflict("batch", "sweet-not-rehearsed-as-whole")


def practised(rehearsal: Rehearsal) -> Cook:
    """The hands that are shown beside the learner's."""
    if (lesson := lesson_of(rehearsal)) is not None:
        return lesson.cook()
    match rehearsal.plan:
        case CurdlePlan():
            return CurdHands()
        case StrainPlan():
            return ClothHands()
        case CaramelPlan():
            return CaramelHands()
    return Careful()


def done_in(rehearsal: Rehearsal, began_s: int) -> list[Act]:
    """All that was done in it so far."""
    if rehearsal.on_stove:
        return acts_of(rehearsal.plan, rehearsal.events)
    return [
        Act(began_s + max(0, int(e.at_s - rehearsal.created_at_s)), e.what.do, e.what.amount, e.what.flame, e.what.of)
        for e in standing(rehearsal.events)
        if isinstance(e.what, HandDid)
    ]


class Simulations:
    """Simulated kitchens by the number of their rehearsal."""

    def __init__(self) -> None:
        self._worlds: dict[int, World] = {}
        self._lock = threading.Lock()

    def at(self, rehearsal: Rehearsal, kitchen_s: float) -> World:
        """The kitchen at this time of its own clock."""
        with self._lock:
            world = self._worlds.pop(rehearsal.id, None)
            at = max(0, int(kitchen_s - rehearsal.created_at_s))
            if world is not None and not world.done and not self._goes_on(world, rehearsal, at):
                world = None
            if world is None:
                world = begun(rehearsal)
            acts = done_in(rehearsal, world.began_s)
            world.run_to(world.began_s + min(at, world.LONGEST_S), acts)
            self._keep(rehearsal.id, world)
            return world

    def longest_s(self, rehearsal: Rehearsal) -> int:
        """For how long it can go on, s."""
        with self._lock:
            if (world := self._worlds.get(rehearsal.id)) is None:
                self._keep(rehearsal.id, world := begun(rehearsal))
            return world.LONGEST_S

    def next_thing_s(self, rehearsal: Rehearsal, kitchen_s: float, longest_s: int) -> float:
        """The kitchen's time at which something new is to be seen, or somebody calls; at most so much later."""
        world = self.at(rehearsal, kitchen_s).copy()
        until = world.at_s + longest_s
        known, stage, away = _seen(world), world.stage, world.away_s() > 0
        while not world.done and world.at_s < until:
            world.step()
            if world.at_s % max(LOOKS_EVERY_S, world.TICK_S) == 0 and not _seen(world) <= known:
                break
            if world.stage != stage or (world.away_s() > 0) != away:
                break
        return rehearsal.created_at_s + world.at_s - world.began_s

    @staticmethod
    def _goes_on(world: World, rehearsal: Rehearsal, at: int) -> bool:
        return world.goes_on_with(done_in(rehearsal, world.began_s), world.began_s + at)

    def _keep(self, number: int, world: World) -> None:
        self._worlds[number] = world
        while len(self._worlds) > KEPT_KITCHENS:
            self._worlds.pop(next(iter(self._worlds)))


def _seen(world: World) -> frozenset[str]:
    """What is to be seen, without its figures: those change all the time."""
    return frozenset(re.sub(r"\d[\d.,  ]*", "", sign.says) for sign in world.signs())
