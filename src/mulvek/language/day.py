"""A day in words: what is done when, why it does not fit, and what would help."""

from collections.abc import Sequence

from ..core.day.ahead import Ahead
from ..core.day.cures import Cure, Short
from ..core.day.tasks import Day, Job, Placed, Task
from ..core.messages.catalogue import said, stands
from ..core.messages.message import Message
from .names import the

UNSAID = ("stand", "hang-curd")
"""No hand is lifted for it: the act before it says it."""


def ahead_words(one: Ahead) -> str:
    """What is got ready the evening before, as a line of its list."""
    match one.do:
        case "weigh" | "take-out":
            return said(Message("ahead-weigh", kg=one.kg, name=one.name))
        case "cloths":
            return said(Message("ahead-cloths", count=one.count))
        case "moulds":
            return said(Message("ahead-moulds", count=one.count, name=one.name, m3=one.m3))
        case "tray":
            long, wide = one.sides_m
            return said(Message("ahead-trays", count=one.count, long=long * 100, wide=wide * 100))
        case "freezer":
            return said(Message("ahead-freezer", litres=one.litres))


def act_of(task: Task, place: Placed, day: Day) -> str:
    """What is done when a task begins. Parts of a base have messages; a sweet's own step says itself what is done."""
    name = task.key.rsplit("/", 1)[-1]
    hob = the(day.kitchen.hobs[place.hob].name) if place.hob is not None else ""
    pot = the(day.kitchen.pots[place.pot].name) if place.pot is not None else ""
    if task.say:
        opens = hob and _opens(task, day)
        return said(Message("act-at-its-place", act=task.say, hob=hob, pot=pot)) if opens else task.say
    if name == "boil-up":
        return said(Message("act-boil-up", hob=hob, pot=pot))
    if name == "simmer":
        return said(Message("act-simmer", every=task.every))
    if name in ("stand", "hang-chhena"):
        return said(Message(f"act-{name}", minutes=place.end - place.start))
    return said(Message(f"act-{name}")) if stands(f"act-{name}") else name


def _opens(task: Task, day: Day) -> bool:
    """It is the first of its stay on the fire."""
    stay = [t for job in day.jobs for t in job.tasks if t.run == task.run]
    return stay[0].key == task.key


def fault_words(fault: str) -> Message:
    """What is in the way of a step that was moved, from what the checker says: ``rule: place``.

    >>> said(fault_words("hands at 612: 0/stir, 1/knead"))
    'Nobody has hands for it then.'
    """
    rule = fault.split(maxsplit=1)[0].rstrip(":") if fault else ""
    key = f"moved-{'wait' if rule == 'minutes' else rule}"
    return Message(key if stands(key) else "moved-nowhere")


def span(minutes: int) -> Message:
    """
    >>> [said(span(minutes)) for minutes in (1, 45, 60, 135)]
    ['1 minute', '45 minutes', '1 hour', '2 h 15']
    """
    hours, rest = divmod(minutes, 60)
    if not hours:
        return Message("span-minutes", minutes=rest)
    if not rest:
        return Message("span-hours", hours=hours)
    return Message("span-hours-and-minutes", hours=hours, minutes=f"{rest:02d}")


def late_words(jobs: Sequence[Job], late: dict[str, int]) -> list[str]:
    """Which sweet is late, and by how much; nothing when all are on time."""
    return [said(Message("late-sweet", sweet=job.name, span=span(late[job.key]))) for job in jobs if late[job.key]]


def short_words(short: Short, day: Day) -> str:
    """What there is too little of."""
    need, have = span(short.need), span(max(0, short.have))
    if short.what == "time":
        name = next(job.name for job in day.jobs if job.key == short.of)
        return said(Message("short-time", sweet=name, need=need, have=have))
    return said(Message(f"short-{short.what}", need=need, have=have))


def wait_words(act: str, minutes: int) -> str:
    """What waits for longer than it should.

    >>> wait_words("Rinse the curd with cold water.", 7)
    'It waits 7 minutes longer than is good for: rinse the curd with cold water.'
    """
    return said(Message("waits-too-long", span=span(minutes), act=act))


def taken_words(sweet: str, minutes: int, way: str, of: str) -> str:
    """What was done when a step ended otherwise.

    >>> taken_words("basundi", 20, "push", ""), taken_words("kulfi", -5, "through", "lunch")
    ('Basundi took 20 minutes longer: all of it was pushed.', 'Kulfi took 5 minutes less: lunch was given up.')
    """
    took = Message("took-longer" if minutes >= 0 else "took-less", span=span(abs(minutes)))
    if way == "through":
        return said(Message("slip-through", sweet=sweet, took=took, hours=of or Message("hour-at-table")))
    return said(Message(f"slip-{way}", sweet=sweet, took=took))


def cure_words(cure: Cure, day: Day) -> str:
    """The change, as one would do it."""
    name = next((job.name for job in day.jobs if job.key == cure.of), cure.of)
    match cure.what:
        case "pan" | "burner":
            return said(Message(f"cure-{cure.what}"))
        case "helper" | "earlier":
            return said(Message(f"cure-{cure.what}", span=span(cure.minutes)))
        case "later" if cure.of:
            return said(Message("cure-one-later", sweet=name, span=span(cure.minutes)))
        case "later":
            return said(Message("cure-later", span=span(cure.minutes)))
        case "through":
            return said(Message("cure-through", hours=name))
        case "without":
            return said(Message("cure-without", sweet=name))
