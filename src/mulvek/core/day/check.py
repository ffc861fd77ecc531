"""Whether a plan keeps every rule: minute by minute, apart from whatever made it. Nothing is shown that does not pass."""

from collections import Counter, defaultdict
from collections.abc import Iterator

from . import rules
from .tasks import Day, Plan, Task


def faults(day: Day, plan: Plan) -> list[str]:
    """What is wrong with the plan, as ``rule: place``; empty when it can be cooked so."""
    tasks = day.tasks
    missing = tasks.keys() ^ plan.placed.keys()
    if missing:
        return [f"missing: {key}" for key in sorted(missing)]
    return [*_waits(day, plan), *_stays(day, plan), *_hands(day, plan), *_cold(day, plan), *_serving(day, plan)]


def _waits(day: Day, plan: Plan) -> Iterator[str]:
    for key, task in day.tasks.items():
        placed = plan.placed[key]
        if placed.end - placed.start != rules.minutes_on(task, day.kitchen, placed.hob):
            yield f"minutes: {key}"
        if placed.start < day.kitchen.start or placed.end > day.kitchen.end:
            yield f"outside the day: {key}"
        for wait in task.after:
            waits = placed.start - plan.placed[wait.task].end
            if waits < wait.least or (wait.most is not None and waits > wait.most):
                yield f"wait: {key}"


def _stays(day: Day, plan: Plan) -> Iterator[str]:
    """Every stay on the fire has one burner and one pan that holds it, alone."""
    hobs: dict[tuple[int, int], str] = {}
    pots: dict[tuple[int, int], str] = {}
    fires: Counter[int] = Counter()
    needed = rules.needed_l(day)
    for run, tasks in rules.runs(day).items():
        places = [plan.placed[task.key] for task in tasks]
        if len({(p.hob, p.pot) for p in places}) != 1 or places[0].hob is None or places[0].pot is None:
            yield f"burner or pan: {run}"
            continue
        hob, pot = places[0].hob, places[0].pot
        if not (0 <= hob < len(day.kitchen.hobs) and pot in rules.pots_for(day.kitchen, needed.get(run, 0.0))):
            yield f"no such burner, or too small a pan: {run}"
        start, end = min(p.start for p in places), max(p.end for p in places)
        for minute in range(start, end):
            if hobs.setdefault((hob, minute), run) != run:
                yield f"burner taken: {run}"
                break
        for minute in range(start, end + rules.WASH):
            if pots.setdefault((pot, minute), run) != run:
                yield f"pan taken: {run}"
                break
        fires.update(range(start, end))
    if any(count > day.kitchen.pans_watched for count in fires.values()):
        yield "too many pans to watch"


def _hands(day: Day, plan: Plan) -> Iterator[str]:
    at: dict[int, list[Task]] = defaultdict(list)
    for key, task in day.tasks.items():
        if task.load:
            for minute in range(plan.placed[key].start, plan.placed[key].end):
                at[minute].append(task)
    for minute, there in sorted(at.items()):
        hands, helper = rules.hands_at(day.kitchen, minute)
        cook = hands - helper
        busy = [task for task in there if task.load >= rules.BUSY]
        own = [task for task in busy if not task.helper]
        people = (cook >= rules.ONE_PAIR) + (helper >= rules.ONE_PAIR)
        seated = 0 < cook < rules.ONE_PAIR and not helper
        if (
            sum(task.load for task in there) > hands
            or len(busy) > people
            or len(own) > (cook >= rules.ONE_PAIR)
            or (seated and any(task.load > rules.GLANCE for task in there))
        ):
            yield f"hands at {minute}: {', '.join(task.key for task in there)}"
            return


def _cold(day: Day, plan: Plan) -> Iterator[str]:
    fridge: Counter[int] = Counter()
    freezer: Counter[int] = Counter()
    for job in day.jobs:
        cold = rules.cold_l(job)
        until = job.due + plan.late[job.key]
        for minute in range(plan.placed[job.last].end, until):
            fridge[minute] += round(cold[0] * 100)
            freezer[minute] += round(cold[1] * 100)
    for key, task in day.tasks.items():
        for minute in range(plan.placed[key].start, plan.placed[key].end):
            fridge[minute] += round(task.fridge_l * 100)
            freezer[minute] += round(task.freezer_l * 100)
    for name, used, litres in (("fridge", fridge, day.kitchen.fridge_l), ("freezer", freezer, day.kitchen.freezer_l)):
        if used and max(used.values()) > litres * 100 + 1e-6:
            yield f"{name} full"


def _serving(day: Day, plan: Plan) -> Iterator[str]:
    for job in day.jobs:
        ready, late = plan.placed[job.last].end, plan.late[job.key]
        if late < 0 or ready + rules.buffer(job) > job.due + late:
            yield f"late: {job.key}"
        if ready < rules.earliest_ready(job):
            yield f"stale: {job.key}"
