"""The "why?" behind the figures of straining, with this batch's numbers."""

import math

from ...messages.message import Message
from ...why import Term, Why
from .draining import WHEY_SOLIDS, Drain
from .forecast import StrainForecast, StrainPlan


def _learned(drain: Drain) -> list[Term]:
    """What this kitchen's hangings say of its cloth, where there are any."""
    if not drain.batches:
        return []
    return [Term(Message("why-strain-time-learned", times=math.exp(drain.ln_mean), hangings=drain.batches))]


def hours_rest_on(plan: StrainPlan) -> Message:
    """What the hours rest on, in one line."""
    if plan.readings:
        return Message("rests-on-whey")
    if not plan.drain.batches:
        return Message("rests-on-cloth-table")
    return Message("rests-on-hangings", batches=plan.drain.batches, cloth=plan.cloth.replace("-", " "))


def strain_reasons(f: StrainForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that a straining says."""
    p = f.plan
    return {
        "time": Why(
            says=Message(
                "why-strain-time",
                low_h=f.seconds.low / 3600,
                high_h=f.seconds.high / 3600,
                whey_kg_low=f.whey_kg.low,
                whey_kg_high=f.whey_kg.high,
                of="hours" if f.seconds.high > f.seconds.low else "whey",
            ),
            terms=(
                Term(Message("why-strain-time-most", most_whey_kg=f.most_whey_kg)),
                Term(
                    Message(
                        "why-strain-time-tau",
                        tau_s=f.tau_s.likely / 3600,
                        cloth=p.cloth.replace("-", " "),
                        hung=p.hung,
                        place_c=p.place_c,
                    )
                ),
                *_learned(p.drain),
                Term(Message("why-strain-time-time", hours=f.seconds.likely / 3600)),
            ),
        ),
        "thick": Why(
            says=Message("why-strain-thick"),
            terms=(
                Term(Message("why-strain-thick-yoghurt", mass_kg=p.mass_kg, total_solids=p.gel.total_solids * 100)),
                Term(Message("why-strain-thick-whey", whey_kg=f.whey_kg.likely, whey_solids=WHEY_SOLIDS * 100)),
                Term(Message("why-strain-thick-left", curd_kg=f.curd_kg.likely, total_solids=f.total_solids * 100)),
            ),
        ),
        "sour": Why(
            says=Message("why-strain-sour"),
            terms=(
                Term(Message("why-strain-sour-at-start", acidity=p.acidity)),
                Term(Message("why-strain-sour-by-then", acidity=f.acidity, taste=f.taste)),
                Term(Message("why-strain-sour-place", place_c=p.place_c)),
            ),
        ),
    }
