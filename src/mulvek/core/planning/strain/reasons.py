"""The "why?" behind the figures of straining, with this batch's numbers."""

from ...equipment.quantities import say
from ...why import Term, Why
from ..curdle.reasons import DOSSIER, pct
from .draining import WHEY_SOLIDS
from .forecast import StrainForecast


def strain_reasons(f: StrainForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that a straining says."""
    p = f.plan
    hours = f"{f.seconds.likely / 3600:.1f} h"
    return {
        "time": Why(
            "How long it hangs",
            "whey = the most that can leave × (1 − exp(−(time ÷ τ)^0.7))",
            (
                Term("the most", say(f.most_whey_kg, "mass"), "set by fat and protein"),
                Term(
                    "τ",
                    f"{f.tau_s.likely / 3600:.1f} h",
                    f"{p.cloth.replace('-', ' ')}, {p.hung}, {p.place_c:.0f} °C",
                ),
                Term("time", hours),
            ),
            f"{DOSSIER} §9; readings update τ as a normal belief about its logarithm",
            f"{f.seconds.low / 3600:.1f} to {f.seconds.high / 3600:.1f} h"
            if f.seconds.high > f.seconds.low
            else f"whey {say(f.whey_kg.low, 'mass')} to {say(f.whey_kg.high, 'mass')}",
            "Weigh the whey once after an hour or two and log it.",
        ),
        "thick": Why(
            "How thick it gets",
            "total solids = (yoghurt’s solids − whey’s solids) ÷ what is left",
            (
                Term("yoghurt", say(p.mass_kg, "mass"), pct(p.gel.total_solids)),
                Term("whey", say(f.whey_kg.likely, "mass"), f"{WHEY_SOLIDS * 100:.1f} % solids"),
                Term("left", say(f.curd_kg.likely, "mass"), pct(f.total_solids)),
            ),
            "Mass balance; whey solids 5.4 to 6.3 %",
            "as the whey",
            "Use the fat and solids of your own yoghurt’s label.",
        ),
        "sour": Why(
            "How sour it is by then",
            "acid forms on towards 2.2 %, 2.7 times as fast for every 10 °C",
            (
                Term("at the start", f"{p.acidity:.2f} %", "lactic acid"),
                Term("by then", f"{f.acidity:.2f} %", f.taste),
                Term("place", f"{p.place_c:.0f} °C"),
            ),
            f"{DOSSIER} §9",
            "± 0.05 %",
            "Taste it before you hang it: start from what it is.",
        ),
    }
