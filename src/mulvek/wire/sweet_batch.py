"""JSON of a sweet on the Stove: where it stands."""

from collections.abc import Mapping
from typing import Any, Literal

from pydantic import Field

from ..core.batch.course import BASE_OF, Leaves, leaves, sweet_flow
from ..core.batch.leftovers import left_of
from ..core.batch.log import Log
from ..core.batch.sweet_run import StepPhase, SweetRun, SweetState, may_leave
from ..core.equipment.quantities import in_cups
from ..core.planning.sweets.flow import gives
from ..core.planning.sweets.formula import slot_of
from ..core.planning.sweets.plan import SweetForecast
from ..core.ranges import Range
from ..core.safety.hazards import HAZARDS
from .model import Out
from .said import CautionOut
from .standing import Standing, standing
from .sweet_words import SweetIn, Things, burner_of, pan_of


def run_of(f: SweetForecast) -> SweetRun:
    """What is kept of a plan when it goes on the Stove."""
    return SweetRun(
        sweet=f.plan.sweet.key,
        one=f.plan.sweet.one,
        many=f.plan.sweet.many,
        steps=f.steps,
        rows=f.rows,
        told_kg=f.finished,
        told_pieces=f.pieces,
        each_kg=f.each_kg,
        stop_kg=f.stop_kg,
        habit=f.plan.habit,
        gives_kg=gives(f.built, f.batch.finished_kg),
    )


class SweetStepOut(Out):
    """A step as it stands; ``due_s`` from ``now_s`` on (below zero: over)."""

    key: str
    say: str
    phase: StepPhase
    seconds: Range
    hands: bool
    fire: bool
    loads: int
    heats_s: float = Field(description="Of its seconds those before the first load goes in")
    check: str
    facts: list[str]
    stop_kg: float | None = Field(description="In its pan when it ends, of a step that cooks it down to a weight")
    late_kg: float = Field(description="Of what is in it then, so much goes in on the way")
    left_s: Range | None = Field(description="s to go from ``now_s``, by what it weighed midway; none until it was")
    caution: CautionOut | None
    base: str
    base_batch: int | None = Field(description="The weighed batch that this base is")
    base_kg: float | None
    lit_slot: str = Field(description="Of which slot the batch is that is lit for this step; empty when none is")
    bench: str
    bench_words: dict[str, str | list[str]]
    in_kg: float = Field(description="In its vessel, told or weighed")
    out_kg: float
    into: str = Field(description="The step that it goes on into")
    leaves: Leaves = Field(description="What of it does not go on, where less comes out than goes in")
    began_at_s: float | None
    done_at_s: float | None
    due_s: float | None
    waits_for: list[str]


class SweetRowOut(Out):
    number: int
    name: str
    grams: float
    cups: str
    when: str
    within: str
    step: str
    weighed_kg: float | None
    in_base: bool = Field(description="It went into a base that is there: nobody weighs it any more")


class LeftOut(Out):
    """What can be left over beside the pieces; kg as it was weighed, none before that."""

    of: Literal["sauce", "dough"]
    name: str
    mass_kg: float | None


class PaperOut(Out):
    """A batch that was written in when it was over, as its cook told it."""

    lines: list[str]
    answers: dict[str, str]


class SweetBatchOut(Standing):
    """A batch as it stands at ``now_s``."""

    kind: Literal["sweet"]
    sweet: str
    one: str
    many: str
    steps: list[SweetStepOut]
    rows: list[SweetRowOut]
    told_kg: Range
    told_pieces: Range
    each_kg: float
    stop_kg: float | None
    counted: int | None
    leaves: list[LeftOut]
    done: bool
    finished: bool
    given_up: bool
    burners: dict[str, int] = Field(description="On which its steps on the fire stand, by step")
    pans: dict[str, int] = Field(description="In which they cook, by step")
    usual_pan: int | None = Field(description="The pan of the Larder that it was planned in")
    usual_burner: int | None = Field(description="And the burner")
    said: str
    keeping: str
    plan: SweetIn
    on_paper: PaperOut | None = Field(description="Told when it was over: the cook's lines of it")

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        log: Log,
        plan: SweetIn,
        told: Mapping[str, Any],
        state: SweetState,
        now_s: float,
        shelf: Things,
    ) -> "SweetBatchOut":
        run: SweetRun = log.plan
        bases = {b["letter"]: b for b in told.get("bases", [])}
        benches = bases | (told.get("lit") or {})
        done = {s.planned.base: s.phase == "done" for s in state.steps if s.planned.base}
        made = {
            when
            for when, do in BASE_OF.items()
            if (of := [done.get(letter, True) for letter, b in bases.items() if b.get("do") == do]) and all(of)
        }
        flow = sweet_flow(run, told, state)
        facts = {s["step"]["key"]: s.get("facts", []) for s in told.get("steps", [])}
        return cls(
            **standing(id, name, created_at_s, now_s, log, state, state.nudges),
            kind="sweet",
            sweet=run.sweet,
            one=run.one,
            many=run.many,
            steps=[
                SweetStepOut(
                    key=s.planned.key,
                    say=s.planned.say,
                    phase=s.phase,
                    seconds=s.planned.seconds,
                    hands=s.planned.hands,
                    fire=s.planned.fire,
                    loads=s.planned.loads,
                    heats_s=s.planned.heats_s,
                    check=s.planned.check,
                    facts=list(state.facts.get(s.planned.key, facts.get(s.planned.key, []))),
                    stop_kg=s.cooking.stop_kg if s.cooking else None,
                    late_kg=s.cooking.late_kg if s.cooking else 0.0,
                    left_s=s.left_s,
                    caution=CautionOut.of(HAZARDS[s.planned.caution]) if s.planned.caution in HAZARDS else None,
                    base=s.planned.base,
                    base_batch=max(parts) if (parts := state.bases.get(s.planned.base)) else None,
                    base_kg=sum(base.mass_kg for base in parts.values()) if parts else None,
                    lit_slot=(slot := lit if (lit := slot_of(s.planned.follows)) in benches else s.planned.base),
                    bench=(bench := benches.get(slot, {})).get("route", ""),
                    bench_words=bench.get("words", {}),
                    in_kg=flow[s.planned.key].in_kg,
                    out_kg=flow[s.planned.key].out_kg,
                    into=flow[s.planned.key].into,
                    leaves=leaves(run, s.planned, told),
                    began_at_s=s.began_at_s,
                    done_at_s=s.done_at_s,
                    due_s=s.due_s,
                    waits_for=list(s.waits_for),
                )
                for s in state.steps
            ],
            rows=[
                SweetRowOut(
                    number=i,
                    name=r.name,
                    grams=state.row_kg[i] * 1e3,
                    cups=in_cups(state.row_kg[i], r.bulk_kg_m3, shelf.kitchen().measures),
                    when=r.when,
                    within=r.within,
                    step=r.step,
                    weighed_kg=state.rows[i],
                    in_base=not r.within and r.when in made,
                )
                for i, r in enumerate(run.rows)
            ],
            told_kg=state.told_kg,
            told_pieces=state.told_pieces,
            each_kg=run.each_kg,
            stop_kg=state.stop_kg,
            counted=state.counted,
            leaves=_leaves(run, log, told),
            burners=dict(state.burners),
            pans=dict(state.pans),
            usual_pan=_number(pan_of(plan, shelf)),
            usual_burner=_number(burner_of(plan, shelf)),
            done=state.done,
            finished=state.finished,
            given_up=state.given_up,
            said=state.said,
            keeping=keeping_words(told),
            plan=plan,
            on_paper=PaperOut.model_validate(told["told"]) if "told" in told else None,
        )


def _number(thing: object) -> int | None:
    """Of a thing of the Larder."""
    return thing if isinstance(thing, int) else None


def _leaves(run: SweetRun, log: Log, told: Mapping[str, Any]) -> list[LeftOut]:
    names = {of: said["name"] for of, said in (told.get("leaves") or {}).items()}
    weighed = {of: left.kg for of, left in left_of(log.counted, told).items()}
    return [LeftOut(of=of, name=names.get(of, of), mass_kg=weighed.get(of)) for of in may_leave(run)]


def keeping_words(told: Mapping[str, Any]) -> str:
    """How it keeps, from the answer given when it was begun."""
    keep, frozen = told.get("keeping"), told.get("frozen")
    if not isinstance(keep, dict):
        return ""
    if "words" in keep:
        return str(keep["words"])
    if frozen:  # told by a former release
        return f"Frozen at −18 °C: best within {keep['freezer_weeks']} weeks; never freeze it again."
    return f"In the fridge at or below 5 °C: {keep['fridge_days']} days. In the room: {keep['room_h']} hours at most."
