"""The "why?" behind the figures of caramelised milk, with this batch's numbers."""

from ...messages.message import Message
from ...why import Term, Why
from .forecast import LEFT_SHARE, CaramelForecast
from .plan import KEEPS, WARM_MILK_C
from .shades import CARRY_OVER_K, FROM_C, ends_c


def caramel_reasons(f: CaramelForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that the plan says."""
    p = f.plan
    shade = p.shade.replace("-", " ")
    least, likely, most = CARRY_OVER_K
    return {
        "off": Why(
            says=Message("why-caramel-off"),
            terms=(
                Term(Message("why-caramel-off-shade", shade=shade, from_c=FROM_C[p.shade], to_c=ends_c(p.shade))),
                Term(Message("why-caramel-off-pan-gives", likely=likely, least=least, most=most)),
                Term(Message("why-caramel-off-off-at", off_c=f.off_c.likely)),
            ),
        ),
        "melt": Why(
            says=Message("why-caramel-melt", melt_s_low=f.melt_s.low / 60, melt_s_high=f.melt_s.high / 60),
            terms=(
                Term(Message("why-caramel-melt-sugar", sugar_kg=p.sugar_kg)),
                Term(Message("why-caramel-melt-pan", mass_kg=p.hearth.pan.mass_kg, pan=p.hearth.pan.name)),
                Term(Message("why-caramel-melt-at-end", rise_k_s=f.rise_k_s * 60, melt_on=p.melt_on)),
            ),
        ),
        "pours": Why(
            says=Message("why-caramel-pours"),
            terms=(
                Term(Message("why-caramel-pours-milk", milk_kg=p.milk_kg, warm_milk_c=WARM_MILK_C)),
                Term(Message("why-caramel-pours-pour", pour_kg=f.pour_kg)),
                Term(Message("why-caramel-pours-climbs", climbs_m=f.climbs_m, height_m=p.hearth.pan.shape.height_m)),
            ),
        ),
        "stop": Why(
            says=Message("why-caramel-stop", stop_kg_low=f.stop_kg.low, stop_kg_high=f.stop_kg.high),
            terms=(
                Term(Message("why-caramel-stop-sugar-as-caramel", caramel_kg=p.caramel_kg, steam=(1 - KEEPS) * 100)),
                Term(Message("why-caramel-stop-butter-milk-condensed", mixed_kg=f.mixed_kg - p.caramel_kg)),
                Term(Message("why-caramel-stop-at-end", stop_kg=f.stop_kg.likely, total_solids=f.total_solids * 100)),
                Term(Message("why-caramel-stop-jar", served_kg=f.served_kg.likely, left_share=LEFT_SHARE * 100)),
            ),
        ),
        "thick": Why(
            says=Message("why-caramel-thick"),
            terms=(
                Term(Message("why-caramel-thick-solids", total_solids=f.total_solids * 100)),
                Term(Message("why-caramel-thick-sugar", sugar=f.sugar * 100)),
                Term(Message("why-caramel-thick-fat", fat=f.fat * 100)),
            ),
        ),
    }
