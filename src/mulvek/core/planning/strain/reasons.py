"""The "why?" behind the figures of straining, with this batch's numbers."""

import math

from ...messages.figures import say
from ...why import Term, Why
from ..curdle.reasons import DOSSIER, pct
from .draining import WHEY_SOLIDS, Drain
from .forecast import StrainForecast, StrainPlan


def _learned(drain: Drain) -> list[Term]:
    """What this kitchen's hangings say of its cloth, where there are any."""
    n = drain.batches
    if not n:
        return []
    return [Term("τ learned here", f"{math.exp(drain.ln_mean):.2f} ×", "1 hanging" if n == 1 else f"{n} hangings")]


def hours_rest_on(plan: StrainPlan) -> str:
    """What the hours rest on, in one line."""
    n, cloth = plan.drain.batches, plan.cloth.replace("-", " ")
    if plan.readings:
        return "the whey you weighed"
    if n == 0:
        return "the table of cloths: weigh the curd you take down and this gets sharper"
    return f"your last {n} hangings in {cloth}" if n > 1 else f"your one hanging in {cloth}"


def strain_reasons(f: StrainForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that a straining says."""
    p = f.plan
    hours = f"{f.seconds.likely / 3600:.1f} h"
    return {
        "time": Why(
            title="How long it hangs",
            formula="whey = the most that can leave × (1 − exp(−(time ÷ τ)^0.7))",
            terms=(
                Term("the most", say(f.most_whey_kg, "mass"), "set by fat and protein"),
                Term(
                    "τ",
                    f"{f.tau_s.likely / 3600:.1f} h",
                    f"{p.cloth.replace('-', ' ')}, {p.hung}, {p.place_c:.0f} °C",
                ),
                *_learned(p.drain),
                Term("time", hours),
            ),
            source=f"{DOSSIER} §9; readings update τ as a normal belief about its logarithm",
            uncertainty=f"{f.seconds.low / 3600:.1f} to {f.seconds.high / 3600:.1f} h"
            if f.seconds.high > f.seconds.low
            else f"whey {say(f.whey_kg.low, 'mass')} to {say(f.whey_kg.high, 'mass')}",
            sharpen="Weigh the whey once after an hour or two and log it.",
        ),
        "thick": Why(
            title="How thick it gets",
            formula="total solids = (yoghurt’s solids − whey’s solids) ÷ what is left",
            terms=(
                Term("yoghurt", say(p.mass_kg, "mass"), pct(p.gel.total_solids)),
                Term("whey", say(f.whey_kg.likely, "mass"), f"{WHEY_SOLIDS * 100:.1f} % solids"),
                Term("left", say(f.curd_kg.likely, "mass"), pct(f.total_solids)),
            ),
            source="Mass balance; whey solids 5.4 to 6.3 %",
            uncertainty="as the whey",
            sharpen="Use the fat and solids of your own yoghurt’s label.",
        ),
        "sour": Why(
            title="How sour it is by then",
            formula="acid forms on towards 2.2 %, 2.7 times as fast for every 10 °C",
            terms=(
                Term("at the start", f"{p.acidity:.2f} %", "lactic acid"),
                Term("by then", f"{f.acidity:.2f} %", f.taste),
                Term("place", f"{p.place_c:.0f} °C"),
            ),
            source=f"{DOSSIER} §9",
            uncertainty="± 0.05 %",
            sharpen="Taste it before you hang it: start from what it is.",
        ),
    }
