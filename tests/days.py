"""Days to plan: a supper of four, a table of ten, a feast of twenty-five, as a household would have them."""

from functools import cache
from itertools import cycle, islice

from hypothesis import strategies as st

from mulvek.cli.no_larder import NoLarder
from mulvek.cli.sweets import read_pan_measures
from mulvek.core.day.detail import job_of
from mulvek.core.day.tasks import Away, Day, DayKitchen, Hob, Job, Pot, Shift, Task, Wait
from mulvek.core.planning.sweets.library import library
from mulvek.core.planning.sweets.plan import SweetForecast, plan_sweet
from mulvek.core.ranges import Range
from mulvek.wire.sweet_words import SweetIn, read_sweet_plan

HOBS = (Hob("left"), Hob("right", 1.3), Hob("small", 1.6), Hob("plate", 1.2))
POTS = (Pot("kadhai", 3.0), Pot("pan", 2.0), Pot("small pan", 1.0), Pot("pot", 3.0), Pot("brass pot", 2.0))


def at(day: int, hour: int, minute: int = 0) -> int:
    return day * 1440 + hour * 60 + minute


@cache
def forecast(sweet: str, school: str, want: str = "") -> SweetForecast:
    words = {
        "sweet": sweet,
        "school": school,
        "want": want or library()[sweet].usual_want or "500 g",
        "pan": {"name": "kadhai", "shape": read_pan_measures("kadhai 31 x 11")},
        "burner": {"kind": "lpg-large"},
    }
    return plan_sweet(read_sweet_plan(SweetIn.model_validate(words), NoLarder(), {}))


def job(sweet: str, school: str, due: int, want: str = "", key: str = "") -> Job:
    return job_of(key or sweet, forecast(sweet, school, want), due)


SUPPER = at(2, 18)
NIGHT = Away(1440 + 1350, 2880 + 390, "asleep")


@cache
def supper() -> Day:
    """Four sweets for an evening, two burners, one night."""
    kitchen = DayKitchen(
        hobs=HOBS[:2], pots=POTS[:3], start=at(1, 15), end=at(2, 20), fridge_l=15, freezer_l=6, away=(NIGHT,)
    )
    jobs = (
        job("sponge-balls", "cow", SUPPER, "24"),
        job("basundi", "reduced", SUPPER, "1.2 kg"),
        job("shrikhand", "plain", SUPPER, "500 g"),
        job("carrot-halwa", "milk", SUPPER, "1 kg"),
    )
    return Day(kitchen, jobs)


def _some(many: int, dues: tuple[int, ...]) -> tuple[Job, ...]:
    """So many sweets of the library in turn, each by its first school, spread over these hours."""
    sweets = islice(cycle(sorted(library().items())), many)
    return tuple(
        job(key, next(iter(sweet.schools)), dues[i % len(dues)], "", f"{key}.{i}")
        for i, (key, sweet) in enumerate(sweets)
    )


@cache
def table() -> Day:
    """Ten sweets, three burners, a night and a lunch at which one sits."""
    lunch = Away(at(2, 13), at(2, 14), "seated", "lunch")
    kitchen = DayKitchen(
        hobs=HOBS[:3], pots=POTS[:4], start=at(1, 9), end=at(2, 22), fridge_l=40, freezer_l=12, away=(NIGHT, lunch)
    )
    return Day(kitchen, _some(10, (at(2, 18), at(2, 19))))


@cache
def feast() -> Day:
    """Twenty-five sweets, four burners, two nights, two lunches, a helper at three times."""
    nights = tuple(Away(at(d, 22, 30), at(d + 1, 6, 30), "asleep") for d in (1, 2))
    lunches = tuple(Away(at(d, 13), at(d, 14), "seated", f"lunch {d}") for d in (2, 3))
    helps = tuple(Shift(at(d, h), at(d, h + 4)) for d, h in ((1, 16), (2, 15), (3, 14)))
    kitchen = DayKitchen(
        hobs=HOBS, pots=POTS, start=at(1, 8), end=at(3, 22), fridge_l=80, freezer_l=25, away=nights + lunches, helper=helps
    )  # fmt: skip
    return Day(kitchen, _some(25, (at(2, 19), at(3, 13), at(3, 18), at(3, 19))))


MINUTES = st.integers(3, 60)


@st.composite
def small_days(draw: st.DrawFn) -> Day:
    """Days of up to four sweets with up to five steps, in kitchens that may be too small for them."""
    jobs = []
    for j in range(draw(st.integers(1, 4))):
        tasks: list[Task] = []
        for i in range(draw(st.integers(1, 5))):
            likely = draw(MINUTES)
            flame = draw(st.sampled_from([None, "gentle", "medium", "strong"]))
            hands = draw(st.sampled_from(["look", "busy", "lock"] if flame else ["none", "look", "busy", "lock"]))
            after = (
                (Wait(draw(st.sampled_from(tasks)).key, draw(st.integers(0, 5)), draw(st.sampled_from([None, 5, 30, 240]))),)
                if tasks
                else ()
            )  # fmt: skip
            tasks.append(
                Task(
                    key=f"{j}/{i}",
                    step=str(i),
                    say="",
                    minutes=Range(0.8 * likely, likely, 1.4 * likely),
                    after=after,
                    hands=hands,
                    every=draw(st.integers(2, 9)),
                    flame=flame,
                    run=f"{j}/{i}" if flame else "",
                    window=draw(st.booleans()) and not flame,
                    helper=draw(st.booleans()),
                    fridge_l=draw(st.sampled_from([0.0, 0.0, 1.5])),
                )
            )
        waited = {w.task for task in tasks for w in task.after}
        ends = tuple(Wait(task.key, 0, None) for task in tasks if task.key not in waited)
        tasks.append(Task(key=f"{j}/end", step="end", say="", minutes=Range.exact(1), after=ends))
        jobs.append(
            Job(
                key=str(j),
                name=str(j),
                due=draw(st.integers(600, 1200)),
                tasks=tuple(tasks),
                at=draw(st.sampled_from(["room", "fridge", "freezer"])),
                litres=draw(st.sampled_from([0.5, 2.0])),
                fresh=draw(st.sampled_from([120, 1440])),
                needs_l={task.run: draw(st.sampled_from([0.5, 1.5])) for task in tasks if task.run},
            )
        )
    kitchen = DayKitchen(
        hobs=HOBS[: draw(st.integers(1, 2))],
        pots=POTS[: draw(st.integers(1, 3))],
        start=0,
        end=1600,
        fridge_l=draw(st.sampled_from([4.0, 20.0])),
        freezer_l=6.0,
        away=draw(st.sampled_from([(), (Away(700, 745, "seated"),), (Away(300, 420, "asleep"),)])),
        helper=draw(st.sampled_from([(), (Shift(500, 900),)])),
        pans_watched=draw(st.integers(1, 3)),
    )
    return Day(kitchen, tuple(jobs))
