"""A sweet's plan in a day's detail: its own steps with their own minutes, what each asks of hands, fire and cold, how long
it may wait. Bases are parted into what is done with them, for between two of those another pan can have the hands.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache
from typing import Any

from ..composition.materials import read_table
from ..equipment.burners import Flame
from ..errors import Impossible
from ..planning.sweets.plan import SweetForecast
from ..planning.sweets.steps import BASE_HANDLING_S, PlannedStep
from ..ranges import Range
from .ahead import ahead_of
from .tasks import Cold, Hands, Job, Task, Wait

HEAT_KJ_KG, STEAM_KJ_KG = 374.0, 2257.0
"""To bring milk from the fridge to the boil, and to boil a kg of water off (reduction dossier §4)."""
LAST_SHARE = 0.25
"""Of a boiling down, from where it wants the spoon all the time."""
KEEPS_FIRE, STAYS_ON = 60, 5
"""A step on the fire that may wait at most so many minutes for another is in the same pan, and goes on so soon."""
OWN_PAN = ("fry", "syrup")
"""Steps that take a pan of their own."""
COLD_WAIT = 720
"""How long what is finished apart may stand, cold and covered, minutes."""
CHHENA = {"ready": 5.0, "stand": 4.0, "acid": 3.0, "drain": 3.0, "rinse": 4.0, "weigh": 3.0}
"""Minutes of what is done with curd; hanging takes what is left of its handling."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """What a step asks, by its name (``data/day_steps.toml``)."""

    hands: Hands
    every: int = 0
    flame: Flame | None = None
    wait: tuple[int, int | None] = (0, None)
    window: bool = False
    slow: bool = False
    helper: bool = False
    fridge: bool = False
    freezer: bool = False
    stands: int | None = None
    strict: bool = False


@cache
def _table() -> tuple[Mapping[str, Asked], Mapping[str, Any]]:
    table = read_table("day_steps.toml")
    steps = {
        name: Asked(**{**row, "wait": tuple(row["wait"]) if "wait" in row else (0, None)})
        for name, row in table["steps"].items()
    }
    return steps, table["waits"]


def asked(name: str, hands: bool = True, fire: bool = False) -> Asked:
    """What a step of that name asks; of one that nobody named, by whether it needs hands and fire.

    >>> asked("knead").hands, asked("stir the moon", hands=True, fire=True).every, asked("", hands=False).hands
    ('busy', 3, 'none')
    """
    known = _table()[0].get(name)
    if known is not None:
        return known
    if fire:
        return Asked(hands="look", every=3 if hands else 4, flame="medium", wait=(0, 30))
    return Asked(hands="busy" if hands else "none", window=not hands, wait=(0, 30))


def named_steps() -> frozenset[str]:
    """Names of steps that the table knows."""
    return frozenset(_table()[0])


def job_of(key: str, forecast: SweetForecast, due: int) -> Job:
    """The sweet as a job of the day, to be served at ``due``, minutes.

    :raises Impossible: field "sweet", when nothing is done for it.
    """
    writer = _Writer(key, forecast)
    for step in forecast.steps:
        writer.write(step)
    sweet = forecast.plan.sweet
    if not writer.tasks:
        raise Impossible("sweet", "sweet-without-steps", sweet=sweet.name)
    waits = _table()[1]
    row = waits.get(sweet.key) or waits["frozen" if sweet.frozen else "usual"]
    at: Cold = row["at"]
    litres = round(row.get("litres", 0.0) * forecast.finished_kg, 2)
    return Job(
        key=key,
        name=sweet.name,
        due=due,
        tasks=_on_one_fire(_ending(writer.tasks)),
        at=at,
        litres=litres,
        fresh=round(row["fresh_h"] * 60),
        needs_l=writer.needs,
        ahead=ahead_of(forecast, litres if at == "freezer" else 0.0),
    )


class _Writer:
    """Tasks of one sweet, one step of its plan after the other."""

    def __init__(self, job: str, forecast: SweetForecast) -> None:
        self.job = job
        self.forecast = forecast
        self.tasks: list[Task] = []
        self.needs: dict[str, float] = {}
        self._ends: dict[str, str] = {}  # the last task of each step
        self._bases = {f"base-{b.made.letter}": b for b in forecast.bases}

    def write(self, step: PlannedStep) -> None:
        name = step.key.rsplit(".", 1)[-1]
        if name.startswith("base-"):
            do = "reduce" if step.hands else "curdle" if step.fire else "hang"
            {"reduce": self._reduce, "curdle": self._curdle, "hang": self._hang}[do](step)
        else:
            self._own(step, name)

    # -- one task ------------------------------------------------------------------------------------

    def _add(
        self, step: PlannedStep, name: str, minutes: Range, after: Sequence[Wait], run: str = "", say: str = ""
    ) -> str:
        asks = asked(name, step.hands, step.fire)
        finished = self.forecast.finished_kg
        key = f"{self.job}/{step.key}" + (f"/{name}" if not step.key.endswith(name) else "")
        self.tasks.append(
            Task(
                key=key,
                step=step.key,
                say=say,
                minutes=minutes,
                after=tuple(after),
                hands=asks.hands,
                every=asks.every,
                flame=asks.flame,
                run=run if asks.flame else "",
                window=asks.window,
                slow=asks.slow,
                helper=asks.helper,
                fridge_l=round(1.3 * finished, 2) if asks.fridge else 0.0,
                freezer_l=round(1.6 * finished, 2) if asks.freezer else 0.0,
            )
        )
        return key

    def _then(self, step: PlannedStep, names: Mapping[str, Range], run: str) -> None:
        """One after the other; the first after what the step waits for."""
        after = self._before(step, next(iter(names)))
        for name, minutes in names.items():
            last = self._add(step, name, minutes, after, run)
            after = []
            following = list(names)[list(names).index(name) + 1 :]
            if following:
                least, most = asked(following[0]).wait
                after = [Wait(last, least, most)]
        self._ends[step.key] = last

    def _before(self, step: PlannedStep, name: str) -> list[Wait]:
        asks = asked(name, step.hands, step.fire)
        least, most = asks.wait
        waits = []
        for key in step.after:
            end = self._ends[key]
            if any(self._comes_before(key, other) for other in step.after if other != key):
                continue  # what waits for it is waited for
            stands = asked(end.rsplit("/", 1)[-1].rsplit(".", 1)[-1]).stands
            waits.append(Wait(end, least, most if stands is None or asks.strict else stands))
        return waits

    def _comes_before(self, key: str, other: str) -> bool:
        """Whether one step of the plan is waited for by another, at once or further on."""
        after = {step.key: step.after for step in self.forecast.steps}
        left = list(after.get(other, ()))
        while left:
            step = left.pop()
            if step == key:
                return True
            left += after.get(step, ())
        return False

    # -- bases ---------------------------------------------------------------------------------------

    def _boiling(self, step: PlannedStep, do: str) -> Range:
        extra = BASE_HANDLING_S[do]
        s = step.seconds
        return _minutes(Range(s.low - 0.8 * extra, s.likely - extra, s.high - 1.3 * extra))

    def _reduce(self, step: PlannedStep) -> None:
        boil = self._boiling(step, "reduce")
        base = self._bases.get(step.key)
        off = 1 - base.made_kg / base.start_kg if base and base.start_kg > 0 else 0.5
        up = HEAT_KJ_KG / (HEAT_KJ_KG + STEAM_KJ_KG * max(0.05, off))
        run = self._run(step, base.start_m3 * 1e3 if base else 0.0)
        stays = any(s.fire and step.key in s.after for s in self.forecast.steps)
        names = {"ready": _about(3), "boil-up": boil.scaled(up), "simmer": boil.scaled(1 - up)}
        self._then(step, names if stays else {**names, "stop": _about(2)}, run)

    def _curdle(self, step: PlannedStep) -> None:
        base = self._bases.get(step.key)
        run = self._run(step, base.start_m3 * 1e3 if base else 0.0)
        c = {name: _about(minutes) for name, minutes in CHHENA.items()}
        hangs = BASE_HANDLING_S["curdle"] / 60 - sum(CHHENA.values())
        names = {
            "ready": c["ready"],
            "boil-up": self._boiling(step, "curdle"),
            "stand": c["stand"],
            "acid": c["acid"],
            "drain": c["drain"],
            "rinse": c["rinse"],
            "hang-chhena": Range(0.75 * hangs, hangs, 1.5 * hangs),
            "weigh": c["weigh"],
        }
        self._then(step, names, run)

    def _hang(self, step: PlannedStep) -> None:
        hang = _minutes(step.seconds)
        hang = Range(min(0.8 * hang.likely, hang.low), hang.likely, max(1.35 * hang.likely, hang.high))
        self._then(step, {"tie": _about(8), "hang-curd": hang, "weigh-curd": _about(4)}, "")

    # -- the sweet's own steps -----------------------------------------------------------------------

    def _own(self, step: PlannedStep, name: str) -> None:
        minutes = _minutes(step.seconds)
        run = self._run(step, self._fills(name)) if step.fire else ""
        if name == "cook":
            after = self._before(step, "cook")
            first = self._add(step, "cook", minutes.scaled(1 - LAST_SHARE), after, run, step.say)
            last = self._add(step, "last", minutes.scaled(LAST_SHARE), [Wait(first, 0, 0)], run)
            self._ends[step.key] = last
        else:
            self._ends[step.key] = self._add(step, name, minutes, self._before(step, name), run, step.say)

    def _fills(self, name: str) -> float:
        """Litres that the pan of a step holds."""
        kg = max(self.forecast.finished_kg, self.forecast.into_pan_kg if name == "cook" else 0.0)
        return 3 * kg if name in ("syrup", "boil") else kg

    def _run(self, step: PlannedStep, litres: float) -> str:
        run = f"{self.job}/{step.key}"
        self.needs[run] = litres
        return run


def _minutes(seconds: Range) -> Range:
    return Range(max(1.0, seconds.low / 60), max(1.0, seconds.likely / 60), max(1.0, seconds.high / 60))


def _about(minutes: float) -> Range:
    return Range(0.8 * minutes, minutes, 1.4 * minutes)


def _ending(tasks: Sequence[Task]) -> list[Task]:
    """The one task that ends it stands last: what nobody waits for is waited for by the last."""
    waited = {w.task for task in tasks for w in task.after}
    open_ends = [task.key for task in tasks if task.key not in waited]
    last = tasks[-1]
    missing = [Wait(key, 0, COLD_WAIT) for key in open_ends if key != last.key]
    return [*tasks[:-1], replace(last, after=(*last.after, *missing))]


def _on_one_fire(tasks: Sequence[Task]) -> tuple[Task, ...]:
    """What goes on in the same pan keeps its burner, and does not wait for long."""
    found: dict[str, Task] = {}
    for task in tasks:
        if task.run and task.key.rsplit("/", 1)[-1].rsplit(".", 1)[-1] not in OWN_PAN:
            for wait in task.after:
                before = found[wait.task]
                if before.flame and wait.most is not None and wait.most <= KEEPS_FIRE:
                    after = tuple(
                        Wait(w.task, w.least, min(w.most or 0, STAYS_ON)) if w is wait else w for w in task.after
                    )
                    task = replace(task, run=before.run, after=after)
                    break
        found[task.key] = task
    return tuple(found.values())
