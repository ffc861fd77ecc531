"""What a pan of milk on the fire asks for, and when: a pure function of its state.

Day dossier §3 "Reminders"; the stir interval is the scorch rule's (reduction dossier §9), not a table's.
"""

from ..messages.message import Message
from ..ranges import Z80
from .attention import Nudge, attended
from .model import warming
from .running import BatchState

BOILOVER_AHEAD_S = 120.0
SCRAPE_EVERY_S = 480.0
CHECK_BEFORE_STOP_S = 1500.0
CHECK_SPREAD = 0.04
CHECK_AGAIN_S = 300.0
CHILL_AFTER_S = 100 * 60.0
OPENS_EARLY = 0.04
HEATING_STIR_S = 150.0


def nudges(state: BatchState, now_s: float) -> tuple[Nudge, ...]:
    """All that is or will be due, soonest first."""
    found: list[Nudge] = []
    if state.phase in ("heating", "boiling") and state.paused_at_s is not None:
        found.append(_after(state, "paused", "Paused", 900.0, Message("put-it-back"), "resumed"))
    elif state.phase == "heating":
        found += _heating(state)
    elif state.phase == "boiling":
        found += _boiling(state, now_s)
    elif state.phase in ("off", "weighed") and state.off_at_s is not None and "Judged" not in state.marks:
        due = state.off_at_s + CHILL_AFTER_S
        found.append(
            Nudge(
                key="chill",
                episode=_episode(state, "Off"),
                kind="care",
                due_at_s=due,
                says=Message("chill-now"),
                answer="noted",
            )
        )
    return attended(found, state.said)


def _episode(state: BatchState, *marks: str) -> str:
    """The newest happening of these kinds."""
    return str(max((state.marks.get(mark, 0) for mark in marks), default=0))


def _after(state: BatchState, key: str, mark: str, seconds: float, says: Message, answer: str) -> Nudge:
    began = state.paused_at_s if state.paused_at_s is not None else 0.0
    return Nudge(
        key=key,
        episode=_episode(state, mark),
        kind="care",
        due_at_s=began + seconds,
        says=says,
        answer=answer,
    )


def _heating(state: BatchState) -> list[Nudge]:
    assert state.lit_at_s is not None and state.stirred_at_s is not None
    boil_at = state.lit_at_s + warming(state.plan).seconds
    lit, stirred = _episode(state, "Lit"), _episode(state, "Lit", "Stirred", "Scraped")
    found = [
        Nudge(
            key="boilover",
            episode=lit,
            kind="hazard",
            due_at_s=boil_at - BOILOVER_AHEAD_S,
            says=Message("watch-first-boil", flame=state.plan.flame),
            answer="first_boil",
        )
    ]
    stir_at = state.stirred_at_s + HEATING_STIR_S
    if stir_at < boil_at:
        found.append(
            Nudge(
                key="stir",
                episode=stirred,
                kind="care",
                due_at_s=stir_at,
                says=Message("stir-heating"),
                answer="stirred",
            )
        )
    return found


def _boiling(state: BatchState, now_s: float) -> list[Nudge]:
    assert state.to_stop_s is not None and state.boiled_at_s is not None
    plan, stop, found = state.plan, state.to_stop_s, []
    sugar_kg = plan.sugar_kg - state.sugar_in_kg
    sugar_left = sugar_kg > 1e-6
    if state.stir_every_s is not None and state.stirred_at_s is not None:
        episode = _episode(state, "FirstBoil", "Stirred", "Scraped", "Resumed", "Carried")
        due = max(state.stirred_at_s, state.boiled_at_s) + state.stir_every_s
        found.append(
            Nudge(
                key="stir",
                episode=episode,
                kind="care",
                due_at_s=due,
                says=Message("stir-now"),
                answer="stirred",
            )
        )
    scraped = max(state.scraped_at_s or 0.0, state.boiled_at_s)
    found.append(
        Nudge(
            key="scrape",
            episode=_episode(state, "FirstBoil", "Scraped", "Carried"),
            kind="care",
            due_at_s=scraped + SCRAPE_EVERY_S,
            says=Message("scrape-sides"),
            answer="scraped",
        )
    )
    if state.too_hot_s is not None:
        flame = _episode(state, "FirstBoil", "FlameChanged", "Carried")
        found.append(
            Nudge(
                key="flame",
                episode=flame,
                kind="care",
                due_at_s=now_s - state.too_hot_s,
                says=Message("flame-too-strong"),
                answer="flame_changed",
            )
        )
    if sugar_left and state.sugar_due_s is not None and plan.sugar_time == "midway":
        due = now_s + state.sugar_due_s.likely
        found.append(
            Nudge(
                key="sugar",
                episode=_episode(state, "SugarPlanned"),
                kind="hazard",
                due_at_s=due,
                says=Message("sugar-now", sugar_kg=sugar_kg),
                answer="sugar_in",
            )
        )
    spread = (stop.high - stop.low) / (2 * Z80)
    if stop.likely < CHECK_BEFORE_STOP_S and spread > CHECK_SPREAD * max(stop.likely, 600.0) and stop.likely > 120:
        episode = _episode(state, "FirstBoil", "Reading", "Carried")
        due = _last_reading_at(state) + CHECK_AGAIN_S
        found.append(
            Nudge(
                key="check",
                episode=episode,
                kind="care",
                due_at_s=due,
                says=Message("read-it-now"),
                answer="reading",
            )
        )
    found.append(_stop(state, now_s, sugar_kg))
    return found


def _stop(state: BatchState, now_s: float, sugar_kg: float) -> Nudge:
    """The window opens a little early, at the low end of the range or four parts in a hundred before."""
    stop = state.to_stop_s
    assert stop is not None
    episode = _episode(state, "FirstBoil", "Carried", "StopMoved", "MilkAdded", "PartTaken", "Joined", "Reading")
    if sugar_kg > 1e-6 and state.plan.sugar_time != "start":
        due = now_s + stop.likely - state.past_stop_s
        return Nudge(
            key="sugar",
            episode=episode,
            kind="hazard",
            due_at_s=due,
            says=Message("sugar-now", sugar_kg=sugar_kg),
            answer="sugar_in",
        )
    opens = max(stop.low, stop.likely - max(60.0, OPENS_EARLY * stop.likely)) - state.past_stop_s
    says = Message("past-the-stop" if state.past_stop_s > 60 else "stop-now")
    return Nudge(key="stop", episode=episode, kind="hazard", due_at_s=now_s + opens, says=says, answer="off")


def _last_reading_at(state: BatchState) -> float:
    read = [p.at_s for p in state.points if p.read]
    return (state.boiled_at_s or 0.0) + (read[-1] if read else 0.0)
