"""When a caramel asks for hands. Hot sugar and milk into it are hazards: a minute too long and all of it is lost."""

from ..messages.message import Message
from .attention import Nudge, attended
from .caramel_run import CaramelState, PourNow
from .pauses import pause_nudge

STAY_S, POUR_AFTER_S, SIDES_S, WEIGH_WITHIN_S = 60.0, 50.0, 180.0, 1800.0


def caramel_nudges(state: CaramelState, now_s: float) -> tuple[Nudge, ...]:
    """All that is or will be due, soonest first."""
    found: list[Nudge] = []
    if state.paused_at_s is not None:
        found = [pause_nudge(state.paused_at_s)]
    elif state.phase == "melting" and state.off_in_s is not None:
        found = _melting(state, now_s + state.off_in_s.likely)
    elif state.phase == "opening" and state.next_pour is not None and state.since_s is not None:
        found = [_pouring(state.next_pour, state.since_s, first=not any(state.added_kg.values()))]
    elif state.phase == "simmering" and state.left_s is not None and state.since_s is not None:
        found = _simmering(state, state.since_s, now_s + state.left_s.likely)
    elif state.phase == "to-weigh" and state.since_s is not None:
        found = [
            Nudge(
                key="weigh",
                episode="0",
                kind="care",
                due_at_s=state.since_s + WEIGH_WITHIN_S,
                says=Message("caramel-weigh"),
                answer="weighed",
            )
        ]
    return attended(found, state.attended)


def _melting(state: CaramelState, off_at_s: float) -> list[Nudge]:
    return [
        Nudge(
            key="colour",
            episode=str(state.read_at_s or 0),
            kind="care",
            due_at_s=off_at_s - STAY_S,
            says=Message("caramel-stay"),
            answer="shade_seen",
        ),
        Nudge(
            key="stop",
            episode="0",
            kind="hazard",
            due_at_s=off_at_s,
            says=Message("caramel-take-off", celsius=state.forecast.off_c.likely),
            answer="off",
        ),
    ]


def _pouring(pour: PourNow, since_s: float, first: bool) -> Nudge:
    return Nudge(
        key="pour",
        episode=f"{pour.what}-{pour.number}",
        kind="hazard" if first else "care",
        due_at_s=since_s if first else since_s + POUR_AFTER_S,
        says=Message(f"pour-{pour.what}", mass_kg=pour.mass_kg),
        answer="added",
    )


def _simmering(state: CaramelState, since_s: float, done_at_s: float) -> list[Nudge]:
    wiped = max(since_s, state.wiped_at_s or since_s)
    return [
        Nudge(
            key="scrape",
            episode=str(round(wiped)),
            kind="care",
            due_at_s=wiped + SIDES_S,
            says=Message("caramel-wipe-sides"),
            answer="scraped",
        ),
        Nudge(
            key="stop",
            episode="1",
            kind="hazard",
            due_at_s=done_at_s,
            says=Message("caramel-done", stop_kg=state.stop_kg),
            answer="off",
        ),
    ]
