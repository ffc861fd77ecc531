"""What logged happenings do to a simulated pan: the same log that the Stove keeps, seen from the milk's side."""

from collections.abc import Sequence

from ..batch.events import (
    AcidPoured,
    Event,
    FirstBoil,
    FlameChanged,
    LidMoved,
    Lit,
    MilkAdded,
    Off,
    Paused,
    Resumed,
    Scraped,
    SkinFolded,
    Stirred,
    SugarIn,
    standing,
)
from ..planning.reduce.plan import ReducePlan
from .acting import Act


def act_of(plan: ReducePlan, event: Event, lit_at_s: float) -> Act | None:
    """What an event does to the milk; None when it is only said."""
    at = max(0, int(event.at_s - lit_at_s))
    match event.what:
        case Lit():
            return Act(at, "flame", flame=plan.to_boil)
        case FirstBoil():
            return Act(at, "flame", flame=plan.flame)
        case FlameChanged(flame):
            return Act(at, "flame", flame=flame)
        case Stirred():
            return Act(at, "stir")
        case Scraped():
            return Act(at, "scrape")
        case SugarIn(mass_kg):
            return Act(at, "sugar", mass_kg)
        case MilkAdded(mass_kg):
            return Act(at, "milk", mass_kg)
        case Paused():
            return Act(at, "pause")
        case Resumed():
            return Act(at, "resume")
        case Off():
            return Act(at, "stop")
        case SkinFolded():
            return Act(at, "fold")
        case LidMoved(on):
            return Act(at, "lid", 1.0 if on else 0.0)
        case AcidPoured(mass_kg):
            return Act(at, "acid", mass_kg)
    return None


def acts_of(plan: ReducePlan, events: Sequence[Event]) -> list[Act]:
    """All that was done to the milk, in order of time; what was done twice in a second was done once."""
    stands = standing(events)
    lit = next((e.at_s for e in stands if isinstance(e.what, Lit)), stands[0].at_s if stands else 0.0)
    found: list[Act] = []
    for event in stands:
        act = act_of(plan, event, lit)
        if act is not None and not (found and act == found[-1] and act.kind in ("stir", "scrape")):
            found.append(act)
    return found
