"""A day as a constraint model: the same table of rules as the packer and the checker, written for a solver.

Integer minutes. A task has a start; on the fire it takes as long as the burner of its stay makes it. Standing is counted in
sittings: each free stretch of the day has a few with free ends, and what hands do lies in exactly one of them.
"""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field

from ortools.sat.python import cp_model

from . import rules
from .given import soonest
from .sittings import Chains, chains_of, stretches
from .tasks import Day, Placed, Plan, Task

Int = cp_model.IntVar | int


@dataclass(slots=True)
class _Stay:
    """A stay on the fire: its span, and one literal for each burner and each pan it may have."""

    tasks: list[Task]
    start: cp_model.IntVar
    end: cp_model.IntVar
    size: cp_model.IntVar
    hobs: dict[int, cp_model.IntVar]
    pots: dict[int, cp_model.IntVar]


@dataclass(slots=True)
class _Sitting:
    start: cp_model.IntVar
    end: cp_model.IntVar
    used: cp_model.IntVar
    stretch: int
    first: bool
    holds: dict[int, cp_model.IntVar] = field(default_factory=dict)


class DayModel:
    """Variables and rules of one day. ``before``: a plan that keeps the rules; it says how many sittings to think of, and the
    search starts at it. ``pins``: tasks that stay where it has them."""

    def __init__(self, day: Day, before: Plan, pins: Collection[str] = ()) -> None:
        self.day = day
        self.before = before
        self.pins = pins
        self.model = cp_model.CpModel()
        self.tasks = day.tasks
        self._first, self._last = day.kitchen.start, day.kitchen.end
        self._far = max([self._last, *(job.due for job in day.jobs)]) + 3 * 1440
        self.starts: dict[str, cp_model.IntVar] = {}
        self.minutes: dict[str, Int] = {}
        self.ends: dict[str, cp_model.LinearExpr] = {}
        self.spans: dict[str, cp_model.IntervalVar] = {}
        self.late: dict[str, cp_model.IntVar] = {}
        self.stays: dict[str, _Stay] = {}
        self.sittings: list[_Sitting] = []
        self.chains: Chains = {}
        self._place()
        self._burn()
        self._wait()
        self._hands()
        self._cold()
        cost = self._serve()
        self.model.minimize(cost + self._sit())
        self._hint()

    # -- rules ---------------------------------------------------------------------------------------

    def _place(self) -> None:
        earliest = soonest(self.day, {}, self._first)
        for key, task in self.tasks.items():
            ways = {rules.minutes_on(task, self.day.kitchen, hob) for hob in self._hobs(task)}
            self.starts[key] = self.model.new_int_var(earliest[key], self._last, f"start {key}")
            self.minutes[key] = (
                ways.pop()
                if len(ways) == 1
                else self.model.new_int_var_from_domain(cp_model.Domain.from_values(sorted(ways)), f"takes {key}")
            )
            if isinstance(self.minutes[key], int):
                self.ends[key] = self.starts[key] + self.minutes[key]
            else:
                self.ends[key] = self.model.new_int_var(self._first, self._last, f"end {key}")
            self.spans[key] = self.model.new_interval_var(self.starts[key], self.minutes[key], self.ends[key], key)
            self.model.add(self.ends[key] <= self._last)
            if key in self.pins:
                self.model.add(self.starts[key] == self.before.placed[key].start)

    def _hobs(self, task: Task) -> list[int | None]:
        return list(range(len(self.day.kitchen.hobs))) if task.run else [None]

    def _burn(self) -> None:
        """Every stay on the fire has one burner and one pan that holds it, alone; no more pans than can be watched."""
        kitchen, model, needed = self.day.kitchen, self.model, rules.needed_l(self.day)
        on_hob: dict[int, list[cp_model.IntervalVar]] = {}
        in_pot: dict[int, list[cp_model.IntervalVar]] = {}
        fires = []
        for run, tasks in rules.runs(self.day).items():
            size = model.new_int_var(0, self._far, f"stays {run}")
            start, end = (model.new_int_var(self._first, self._far, f"{w} {run}") for w in ("from", "until"))
            model.add_min_equality(start, [self.starts[t.key] for t in tasks])
            model.add_max_equality(end, [self.ends[t.key] for t in tasks])
            hobs = {hob: model.new_bool_var(f"{run} on {hob}") for hob in range(len(kitchen.hobs))}
            pots = {
                pot: model.new_bool_var(f"{run} in {pot}") for pot in rules.pots_for(kitchen, needed.get(run, 0.0))
            }
            for task in tasks:
                if task.key in self.pins and (hob := self.before.placed[task.key].hob) is not None:
                    model.add(hobs[hob] == 1)
            model.add_exactly_one(hobs.values())
            model.add_exactly_one(pots.values())
            self.stays[run] = _Stay(tasks, start, end, size, hobs, pots)
            fires.append(model.new_interval_var(start, size, end, f"fire {run}"))
            for hob, lit in hobs.items():
                on_hob.setdefault(hob, []).append(
                    model.new_optional_interval_var(start, size, end, lit, f"{run} {hob}")
                )
                for task in tasks:
                    if not isinstance(self.minutes[task.key], int):
                        model.add(self.minutes[task.key] == rules.minutes_on(task, kitchen, hob)).only_enforce_if(lit)
            for pot, lit in pots.items():
                in_pot.setdefault(pot, []).append(
                    model.new_optional_interval_var(start, size + rules.WASH, end + rules.WASH, lit, f"{run} {pot}")
                )
        for alone in (*on_hob.values(), *in_pot.values()):
            model.add_no_overlap(alone)
        if kitchen.pans_watched < len(kitchen.hobs):
            model.add_cumulative(fires, [1] * len(fires), kitchen.pans_watched)

    def _wait(self) -> None:
        for key, task in self.tasks.items():
            for wait in task.after:
                gone = self.starts[key] - self.ends[wait.task]
                self.model.add(gone >= wait.least)
                if wait.most is not None:
                    self.model.add(gone <= wait.most)

    def _hands(self) -> None:
        kitchen, model = self.day.kitchen, self.model
        there = stretches(kitchen, self._far)
        most = max(hands for _, _, hands, _ in there)
        asked = [(self.spans[key], task.load) for key, task in self.tasks.items() if task.load]
        asked += [(self._blocked(a, b), most - hands) for a, b, hands, _ in there if hands < most]
        model.add_cumulative([span for span, _ in asked], [load for _, load in asked], most)
        busy = [key for key, task in self.tasks.items() if task.load >= rules.BUSY]
        if not kitchen.helper:
            model.add_no_overlap([self.spans[key] for key in busy])
            return
        people = [
            (a, b, (hands - helper >= rules.ONE_PAIR) + (helper >= rules.ONE_PAIR)) for a, b, hands, helper in there
        ]
        gone = [(self._blocked(a, b), 2 - many) for a, b, many in people if many < 2]
        model.add_cumulative(
            [*(self.spans[key] for key in busy), *(span for span, _ in gone)],
            [*(1 for _ in busy), *(many for _, many in gone)],
            2,
        )
        model.add_no_overlap(
            [
                *(self.spans[key] for key in busy if not self.tasks[key].helper),
                *(self._blocked(a, b) for a, b, hands, helper in there if hands - helper < rules.ONE_PAIR),
            ]
        )

    def _blocked(self, start: int, end: int) -> cp_model.IntervalVar:
        return self.model.new_fixed_size_interval_var(start, end - start, f"no {start}")

    def _cold(self) -> None:
        for name, litres in (("fridge", self.day.kitchen.fridge_l), ("freezer", self.day.kitchen.freezer_l)):
            asked = [
                (self.spans[key], round(takes * 100))
                for key, task in self.tasks.items()
                if (takes := getattr(task, f"{name}_l"))
            ]
            for job in self.day.jobs:
                if (takes := rules.cold_l(job)[name == "freezer"]) > 0:
                    asked.append((self._stands(job.key, job.last, job.due), round(takes * 100)))
            room = int(litres * 100 + 1e-6)
            if sum(takes for _, takes in asked) > room:
                self.model.add_cumulative([span for span, _ in asked], [takes for _, takes in asked], room)

    def _lateness(self, key: str) -> cp_model.IntVar:
        if key not in self.late:
            self.late[key] = self.model.new_int_var(0, self._far, f"late {key}")
        return self.late[key]

    def _stands(self, job: str, last: str, due: int) -> cp_model.IntervalVar:
        """Finished, until it is eaten."""
        size, until = (self.model.new_int_var(0, 2 * self._far, f"{w} {job}") for w in ("stands", "eaten"))
        self.model.add(until == due + self._lateness(job))
        return self.model.new_interval_var(self.ends[last], size, until, f"finished {job}")

    def _serve(self) -> cp_model.LinearExpr:
        costs: list[cp_model.LinearExpr] = []
        for job in self.day.jobs:
            late, ready = self._lateness(job.key), self.ends[job.last]
            self.model.add(ready + rules.buffer(job) <= job.due + late)
            self.model.add(ready >= rules.earliest_ready(job))
            costs.append(rules.LATE_COST * late + int(rules.early_cost(job)) * (job.due + late - ready))
        return cp_model.LinearExpr.sum(costs)

    # -- standing ------------------------------------------------------------------------------------

    def _sit(self) -> cp_model.LinearExpr:
        """Sittings of each free stretch, in their order, further apart than what would make them one."""
        model = self.model
        self.chains = chains_of(self.day)
        for i, (start, end, many) in enumerate(self._free()):
            for j in range(many):
                sitting = _Sitting(
                    model.new_int_var(start, end, ""),
                    model.new_int_var(start, end, ""),
                    model.new_bool_var(""),
                    i,
                    not j,
                )
                model.add(sitting.end >= sitting.start)
                model.add(sitting.end == sitting.start).only_enforce_if(~sitting.used)
                if j:
                    before = self.sittings[-1]
                    model.add(sitting.start >= before.end)
                    model.add(sitting.start > before.end + rules.SITTING_GAP).only_enforce_if(sitting.used)
                    model.add_implication(sitting.used, before.used)
                self.sittings.append(sitting)
        for chain, keys in self.chains.items():
            for sitting in self.sittings:
                here = sitting.holds[chain] = model.new_bool_var("")
                model.add_implication(here, sitting.used)
                for key in keys:
                    model.add(self.starts[key] >= sitting.start).only_enforce_if(here)
                    model.add(self.ends[key] <= sitting.end).only_enforce_if(here)
            model.add_exactly_one(sitting.holds[chain] for sitting in self.sittings)
        self._bounds()
        return cp_model.LinearExpr.sum(
            [
                rules.SPAN_COST * (sitting.end - sitting.start) + rules.SITTING_COST * sitting.used
                for sitting in self.sittings
            ]
        )

    def _free(self) -> list[tuple[int, int, int]]:
        """Stretches with hands in them, and how many sittings are thought of in each."""
        free: list[tuple[int, int]] = []
        for start, end, hands, _ in stretches(self.day.kitchen, self._far):
            if hands <= rules.GLANCE:
                continue
            if free and start - free[-1][1] <= rules.SITTING_GAP:
                free[-1] = (free[-1][0], end)
            else:
                free.append((start, end))
        now = rules.standing([(self.tasks[key], place) for key, place in self.before.placed.items()])
        return [
            (a, b, max(1 if b - a <= 360 else 2 if b - a <= 660 else 3, sum(a <= start < b for start, _ in now)))
            for a, b in free
        ]

    def _bounds(self) -> None:
        """What the relaxed model would not see: a sitting is as long as the longest way between what it holds, and as the
        hands that are wanted in it."""
        least = {key: min_minutes(task, self.day) for key, task in self.tasks.items()}
        ways = _longest(self.day, self.chains, least)
        pairs = 2 if self.day.kitchen.helper else 1
        for sitting in self.sittings:
            length, holds = sitting.end - sitting.start, sitting.holds
            for (one, other), minutes in ways.items():
                both = holds[one] if one == other else holds[one] + holds[other] - 1
                self.model.add(length >= minutes * both)
            for asked in (all_hands, own_hands):
                wanted = [
                    sum(asked(self.tasks[key]) * least[key] for key in keys) * holds[chain]
                    for chain, keys in self.chains.items()
                ]
                self.model.add(cp_model.LinearExpr.sum(wanted) <= rules.ONE_PAIR * pairs * length)

    # -- from a plan, and to one ---------------------------------------------------------------------

    def _hint(self) -> None:
        """The plan before, whole: half a hint is no hint."""
        hint, placed = self.model.add_hint, self.before.placed
        for key in self.tasks:
            hint(self.starts[key], placed[key].start)
            if not isinstance(minutes := self.minutes[key], int):
                hint(minutes, placed[key].end - placed[key].start)
            if isinstance(ends := self.ends[key], cp_model.IntVar):
                hint(ends, placed[key].end)
        for stay in self.stays.values():
            places = [placed[task.key] for task in stay.tasks]
            start, end = min(p.start for p in places), max(p.end for p in places)
            for var, value in ((stay.start, start), (stay.end, end), (stay.size, end - start)):
                hint(var, value)
            for lits, chosen in ((stay.hobs, places[0].hob), (stay.pots, places[0].pot)):
                for which, lit in lits.items():
                    hint(lit, which == chosen)
        for job in self.day.jobs:
            hint(self.late[job.key], self.before.late[job.key])
        self._hint_sittings()

    def _hint_sittings(self) -> None:
        now = rules.standing([(self.tasks[key], place) for key, place in self.before.placed.items()])
        free = self._free()
        left = {i: [s for s in now if a <= s[0] < b] for i, (a, b, _) in enumerate(free)}
        start = end = self._first
        for sitting in self.sittings:
            queue = left[sitting.stretch]
            used = bool(queue)
            if used:
                start, end = queue.pop(0)
            else:
                start = end = free[sitting.stretch][0] if sitting.first else end
            self.model.add_hint(sitting.start, start)
            self.model.add_hint(sitting.end, end)
            self.model.add_hint(sitting.used, used)
            for chain, keys in self.chains.items():
                self.model.add_hint(sitting.holds[chain], used and start <= self.before.placed[keys[0]].start < end)

    def plan(self, value: "cp_model.CpSolver | cp_model.CpSolverSolutionCallback") -> Plan:
        """What the solver found, as a plan."""
        where: dict[str, tuple[int, int]] = {}
        for run, stay in self.stays.items():
            hob = next(which for which, lit in stay.hobs.items() if value.value(lit))
            where[run] = hob, next(which for which, lit in stay.pots.items() if value.value(lit))
        placed = {}
        for key, task in self.tasks.items():
            start = value.value(self.starts[key])
            placed[key] = Placed(start, start + value.value(self.minutes[key]), *where.get(task.run, (None, None)))
        return Plan(placed, rules.lateness(self.day, placed))


def all_hands(task: Task) -> int:
    """Hundredths of a pair of hands."""
    return task.load


def own_hands(task: Task) -> int:
    """A whole pair, of what has a person of its own."""
    return rules.ONE_PAIR if task.load >= rules.BUSY else 0


def min_minutes(task: Task, day: Day) -> int:
    """On the burner that is quickest for it."""
    hobs = range(len(day.kitchen.hobs)) if task.run else (None,)
    return min(rules.minutes_on(task, day.kitchen, hob) for hob in hobs)


def _longest(day: Day, chains: Chains, least: Mapping[str, int]) -> dict[tuple[int, int], int]:
    """The longest way from the first task of one chain to the end of another's, waits at their least."""
    of = {key: chain for chain, keys in chains.items() for key in keys}
    found: dict[tuple[int, int], int] = {}
    for job in day.jobs:
        for task in job.tasks:
            if task.key not in of:
                continue
            way = {task.key: least[task.key]}
            for after in job.tasks:
                reached = [way[w.task] + w.least + least[after.key] for w in after.after if w.task in way]
                if reached:
                    way[after.key] = max([way.get(after.key, 0), *reached])
            for key, minutes in way.items():
                if key in of:
                    pair = of[task.key], of[key]
                    found[pair] = max(found.get(pair, 0), minutes)
    return found
