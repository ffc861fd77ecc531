"""The course of a batch from what went in to what it gave, reach by reach: the Book draws it as a river whose thickness is
grams. Each reach has what was told beside what was weighed."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from ..planning.curdle.plan import CurdlePlan
from ..planning.sweets.flow import Flow, flows
from ..planning.sweets.formula import slot_of
from ..planning.sweets.plan import ListRow
from ..planning.sweets.steps import PlannedStep
from .caramel_run import CaramelState
from .curd_run import CurdState
from .running import BatchState
from .sweet_run import SweetRun, SweetState, base_step, is_of

BASE_OF = {"to reduce": "reduce", "to curdle": "curdle", "to hang": "hang"}
"""Lines of the weighing list that go into a base, by how that is made."""
What = Literal["milk", "yoghurt", "sugar", "boiled", "curdled", "hung", "caramel", "step"]


Leaves = Literal["", "steam", "whey", "syrup", "behind"]
"""What of a reach does not go on: boils off, drains, is not drunk, or stays in its vessel."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Reach:
    """kg in the vessel, out of it, and out of it as told; ``into``: the reach that it goes on into, empty at the end.

    ``name``: of what went in; ``batch``: of which other batch it is a reach.
    """

    key: str
    what: What
    name: str
    in_kg: float
    out_kg: float
    told_kg: float
    weighed: bool
    into: str
    leaves: Leaves = ""
    batch: int | None = None


def course(
    plan: Any, state: BatchState | CurdState | CaramelState | SweetState, told: Mapping[str, Any]
) -> tuple[Reach, ...]:
    """Of a batch of any kind, by itself. ``told`` is the answer given when it began."""
    match state:
        case BatchState():
            went_in = (state.plan.amount.quantity.understood, state.plan.milk.name, state.plan.milk_kg)
            mixed = state.plan.milk_kg + state.sugar_in_kg + sum(a.mass_kg for a in state.plan.additions)
            promised = told.get("served_kg") or {}
            likely = float(promised.get("likely") or state.mass_kg.likely)
            return _line("milk", went_in, [("boiled", mixed)], likely, state.weighed_kg)
        case CurdState() if isinstance(plan, CurdlePlan):
            went_in = (plan.amount.quantity.understood, plan.milk.name, plan.milk_kg)
            mixed = plan.milk_kg + plan.rinse_kg
            return _line(
                "milk", went_in, [("curdled", mixed), ("hung", mixed)], state.told_kg.likely, state.weighed_kg
            )
        case CurdState():
            went_in = (plan.amount.quantity.understood, plan.yoghurt.name, plan.mass_kg)
            return _line("yoghurt", went_in, [("hung", plan.mass_kg)], state.told_kg.likely, state.weighed_kg)
        case CaramelState():
            went_in = (plan.sugar.quantity.understood, "sugar", plan.sugar_kg)
            return _line("sugar", went_in, [("caramel", state.mixed_kg)], state.told_kg.likely, state.weighed_kg)
        case SweetState():
            return _of_sweet(plan, state, told)


def _line(
    first: What,
    went_in: tuple[str, str, float],
    then: Sequence[tuple[What, float]],
    told_kg: float,
    weighed_kg: float | None,
) -> tuple[Reach, ...]:
    """One vessel after another: the last gives what was weighed, or what was told."""
    amount, name, kg = went_in
    keys: list[What] = [first, *(what for what, _ in then)]
    found = [Reach(key=first, what=first, name=f"{amount} of {name}", in_kg=kg, out_kg=kg, told_kg=kg, weighed=True, into=keys[1])]  # fmt: skip
    for i, (what, mass) in enumerate(then):
        last = i == len(then) - 1
        out = (weighed_kg if weighed_kg is not None else told_kg) if last else mass
        found.append(
            Reach(
                key=what,
                what=what,
                name="",
                in_kg=mass,
                out_kg=out,
                told_kg=told_kg if last else mass,
                weighed=last and weighed_kg is not None,
                into="" if last else keys[i + 2],
                leaves="whey" if what == "hung" else "steam",
            )
        )
    return tuple(found)


def _of_sweet(run: SweetRun, state: SweetState, told: Mapping[str, Any]) -> tuple[Reach, ...]:
    now, planned = sweet_flow(run, told, state), sweet_flow(run, told)
    weighed = {step.key for slot in state.bases for step in _last(run, slot)}
    if state.weighed_kg is not None and run.steps:
        weighed.add(run.steps[-1].key)
    return tuple(
        Reach(
            key=step.key,
            what="step",
            name=step.say,
            in_kg=now[step.key].in_kg,
            out_kg=now[step.key].out_kg,
            told_kg=planned[step.key].out_kg,
            weighed=step.key in weighed,
            into=now[step.key].into,
            leaves=leaves(run, step, told),
        )
        for step in run.steps
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """What came into a making of another batch: ``given_kg`` of the ``gave_kg`` that this gave in all; both 0 of one that
    is made for it and not weighed yet."""

    batch: int
    slot: str
    given_kg: float
    gave_kg: float
    reaches: tuple[Reach, ...]

    @property
    def share(self) -> float:
        """How much of it came into this making, 0 to 1."""
        return min(1.0, self.given_kg / self.gave_kg) if self.gave_kg else 1.0


def with_parts(run: SweetRun, reaches: tuple[Reach, ...], parts: Sequence[Part]) -> tuple[Reach, ...]:
    """The same with what its bases were made of flowing into their steps: as much of each as came into this making."""
    before = tuple(reach for part in parts for reach in _before(run, part))
    bases = {base_step(part.slot) for part in parts}
    fed = {key: sum(reach.out_kg for reach in before if reach.into == key) for key in bases}
    # what came is what the base was made of: its milk with the water that rinsed it, not the line of the list
    return before + tuple(replace(r, in_kg=fed[r.key]) if fed.get(r.key) else r for r in reaches)


def _before(run: SweetRun, part: Part) -> Iterator[Reach]:
    """All of a base but its last reach, which is a step of the making itself."""
    step = next((s.key for s in run.steps if is_of(s, part.slot)), None)
    if step is None:
        return
    own, share = part.reaches[:-1], part.share
    for i, reach in enumerate(own):
        yield replace(
            reach,
            key=f"{part.batch}.{reach.key}",
            in_kg=reach.in_kg * share,
            out_kg=reach.out_kg * share,
            told_kg=reach.told_kg * share,
            into=f"{part.batch}.{own[i + 1].key}" if i + 1 < len(own) else step,
            batch=part.batch,
        )


def leaves(run: SweetRun, step: PlannedStep, told: Mapping[str, Any]) -> Leaves:
    """What does not go on from a step of a sweet."""
    if step.base:
        do = next((b.get("do") for b in told.get("bases", []) if b["letter"] == step.base), "")
        return "steam" if do == "reduce" else "whey"
    if step.key == "soak" and told.get("syrup"):
        return "syrup"
    boils = step.key in run.gives_kg if run.gives_kg else step.fire
    return "steam" if boils else "behind"


def sweet_flow(run: SweetRun, told: Mapping[str, Any], state: SweetState | None = None) -> dict[str, Flow]:
    """Grams along the steps: as weighed where they were, else as told; all as told without a ``state``."""
    # what is made of what was weighed is told by as much less or more
    share = state.told_kg.likely / run.told_kg.likely if state and run.told_kg.likely else 1.0
    gives = {key: kg * share for key, kg in run.gives_kg.items()}
    gives |= {base_step(b["letter"]): float(b["made_kg"]) for b in told.get("bases", [])}
    for slot, lit in (told.get("lit") or {}).items():
        kg, last = lit.get("gives_kg") or 0.0, [s.key for s in run.steps if slot_of(s.follows) == slot]
        if kg and last:
            gives[last[-1]] = float(kg)
    stop_kg = state.stop_kg if state else run.stop_kg
    if stop_kg is not None and "cook" in {s.key for s in run.steps}:
        gives["cook"] = stop_kg
    for slot, parts in state.bases.items() if state else ():
        for step in _last(run, slot):
            gives[step.key] = sum(base.mass_kg for base in parts.values())
    rows = []
    for i, row in enumerate(run.rows):
        kg, weighed = (state.row_kg[i], state.rows[i]) if state else (row.kg, None)
        rows.append((row.step or _usual_step(row, run, told), kg if weighed is None else weighed))
    finished = run.told_kg.likely
    if state:
        finished = state.weighed_kg if state.weighed_kg is not None else state.told_kg.likely
    return flows(run.steps, rows, gives, finished)


def _last(run: SweetRun, slot: str) -> list[Any]:
    """The step that gives the base of a slot; none when no step does."""
    return [s for s in run.steps if is_of(s, slot)][-1:]


def _usual_step(row: ListRow, run: SweetRun, told: Mapping[str, Any]) -> str:
    """Where a line goes in of a sweet that a former release began, which kept no step with it."""
    do = None if row.within else BASE_OF.get(row.when)
    letters = [b["letter"] for b in told.get("bases", []) if do and b.get("do") == do]
    own = [s.key for s in run.steps if not s.base and not s.key.startswith("part.")]
    return base_step(letters[0]) if letters else (own or [run.steps[0].key])[0]
