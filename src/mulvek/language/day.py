"""A day in words: what is done when, why it does not fit, and what would help."""

from collections.abc import Sequence

from ..core.day.ahead import Ahead
from ..core.day.cures import Cure, Short
from ..core.day.tasks import Day, Job, Placed, Task
from ..core.equipment.quantities import say
from .names import the

_ACTS = {
    "ready": "Measure the milk; wet the pan first.",
    "boil-up": "Milk {hob}, {pot}: to the first boil, stirring.",
    "simmer": "Flame down: stir and scrape every {every} minutes.",
    "stop": "Off the flame at its weight; weigh it.",
    "stand": "Off the flame: leave it alone for {minutes} minutes.",
    "acid": "Acid in, a little at a time, until the whey is clear.",
    "drain": "Drain it through the cloth.",
    "rinse": "Rinse the curd with cold water.",
    "hang-chhena": "Hang it for {minutes} minutes.",
    "weigh": "Weigh the chhena.",
    "tie": "Tie up the yoghurt; hang it in the fridge.",
    "hang-curd": "It hangs in the fridge.",
    "weigh-curd": "Take it down; weigh the hung curd.",
    "last": "Stay with it: stir without a pause, to its weight.",
}
"""Of what a base is parted into; a sweet's own step says itself what is done."""
UNSAID = ("stand", "hang-curd")
"""No hand is lifted for it: the act before it says it."""


def ahead_words(one: Ahead) -> str:
    """What is got ready the evening before, as a line of its list."""
    match one.do:
        case "weigh" | "take-out":
            return f"{say(one.kg, 'mass')} of {one.name}"
        case "cloths":
            return "a cloth" if one.count == 1 else f"{one.count} cloths"
        case "moulds":
            return f"{one.count} × {one.name}, {say(one.m3, 'volume')} each"
        case "tray":
            long, wide = one.sides_m
            trays = "a tray" if one.count == 1 else f"{one.count} trays"
            return f"{trays} of {long * 100:.0f} × {wide * 100:.0f} cm"
        case "freezer":
            return f"{one.litres:.1f} L in the freezer"


def act_of(task: Task, place: Placed, day: Day) -> str:
    """What is done when a task begins."""
    name = task.key.rsplit("/", 1)[-1]
    hob = f"on {the(day.kitchen.hobs[place.hob].name)}" if place.hob is not None else ""
    pot = f"in {the(day.kitchen.pots[place.pot].name)}" if place.pot is not None else ""
    if task.say:
        return f"{task.say} {_first(f'{hob}, {pot}')}." if hob and _opens(task, day) else task.say
    words = _ACTS.get(name, name)
    return words.format(hob=hob, pot=pot, every=task.every, minutes=place.end - place.start)


def _opens(task: Task, day: Day) -> bool:
    """It is the first of its stay on the fire."""
    stay = [t for job in day.jobs for t in job.tasks if t.run == task.run]
    return stay[0].key == task.key


def _first(text: str) -> str:
    return text[:1].upper() + text[1:]


_FAULTS = {
    "hands": "Nobody has hands for it then.",
    "burner": "Its burner is taken then, and what is on it cannot go elsewhere.",
    "pan": "Its pan is taken then, and what is in it cannot go elsewhere.",
    "too": "That is one pan more than is watched.",
    "wait": "What comes before it, or after it, cannot wait like that.",
    "minutes": "What comes before it, or after it, cannot wait like that.",
    "outside": "That is before the day begins, or after it ends.",
    "late": "It would not be ready in time.",
    "stale": "It would not be fresh any more when it is eaten.",
    "fridge": "The fridge is full then.",
    "freezer": "The freezer is full then.",
}


def fault_words(fault: str) -> str:
    """What is in the way of a step that was moved, from what the checker says: ``rule: place``.

    >>> fault_words("hands at 612: 0/stir, 1/knead")
    'Nobody has hands for it then.'
    """
    return _FAULTS.get(fault.split(maxsplit=1)[0].rstrip(":") if fault else "", "Nothing else finds its place then.")


def span(minutes: int) -> str:
    """
    >>> span(1), span(45), span(60), span(135)
    ('1 minute', '45 minutes', '1 hour', '2 h 15')
    """
    hours, rest = divmod(minutes, 60)
    if not hours:
        return f"{rest} minute{'s' if rest != 1 else ''}"
    if not rest:
        return f"{hours} hour{'s' if hours != 1 else ''}"
    return f"{hours} h {rest:02d}"


def late_words(jobs: Sequence[Job], late: dict[str, int]) -> list[str]:
    """Which sweet is late, and by how much; nothing when all are on time."""
    return [f"{_first(job.name)} would be {span(late[job.key])} late." for job in jobs if late[job.key]]


def short_words(short: Short, day: Day) -> str:
    """What there is too little of."""
    match short.what:
        case "time":
            name = next(job.name for job in day.jobs if job.key == short.of)
            return (
                f"{_first(name)} needs {span(short.need)} from its first step to serving, "
                f"and there are {span(max(0, short.have))}."
            )
        case "hands":
            return f"The work wants both hands for {span(short.need)}, and {span(short.have)} are free."
        case "fire":
            return f"The fires are wanted for {span(short.need)}, and the burners give {span(short.have)}."


def wait_words(act: str, minutes: int) -> str:
    """What waits for longer than it should.

    >>> wait_words("Rinse the curd with cold water.", 7)
    'It waits 7 minutes longer than is good for: rinse the curd with cold water.'
    """
    return f"It waits {span(minutes)} longer than is good for: {act[:1].lower()}{act[1:]}"


def taken_words(sweet: str, minutes: int, way: str, of: str) -> str:
    """What was done when a step ended otherwise.

    >>> taken_words("basundi", 20, "push", ""), taken_words("kulfi", -5, "through", "lunch")
    ('Basundi took 20 minutes longer: all of it was pushed.', 'Kulfi took 5 minutes less: lunch was given up.')
    """
    took = f"{span(abs(minutes))} {'longer' if minutes >= 0 else 'less'}"
    did = {
        "push": "all of it was pushed",
        "anew": "the rest was worked out anew",
        "through": f"{of or 'the hour at table'} was given up",
    }[way]
    return f"{_first(sweet)} took {took}: {did}."


def cure_words(cure: Cure, day: Day) -> str:
    """The change, as one would do it."""
    name = next((job.name for job in day.jobs if job.key == cure.of), cure.of)
    match cure.what:
        case "pan":
            return "One large pan more"
        case "burner":
            return "One burner more"
        case "helper":
            return f"A helper for the last {span(cure.minutes)}"
        case "earlier":
            return f"Begin {span(cure.minutes)} earlier"
        case "through":
            return f"Cook on through “{name}”"
        case "later" if not cure.of:
            return f"Serve all of it {span(cure.minutes)} later"
        case "later":
            return f"{_first(name)} {span(cure.minutes)} later"
        case "without":
            return f"Without the {name}"
