"""The "why?" behind the figures of curdling, with this batch's numbers."""

from ...messages.message import Message
from ...why import Term, Why
from .forecast import CurdForecast
from .plan import CurdlePlan


def curd_rests_on(plan: CurdlePlan) -> Message:
    """What the weight of the curd rests on, in one line."""
    return Message("rests-on-chhenas", batches=plan.batches) if plan.batches else Message("rests-on-label")


def curd_reasons(f: CurdForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that a curdling says."""
    p, milk, c = f.plan, f.plan.milk.parts, f.balance.curd
    percent = "%" if f.acid.unit == "ml" else "pure"
    drained = p.draining.way.replace("-", " ")
    return {
        "temperature": Why(
            says=Message("why-curd-temperature", acid_c_low=f.acid_c.low, acid_c_high=f.acid_c.high),
            terms=(
                Term(
                    Message("why-curd-temperature-boils-here-at", boils_c=f.boils_c, altitude_m=p.kitchen.altitude_m)
                ),
                Term(Message("why-curd-temperature-wait", wait_s=p.wait_s / 60)),
                Term(Message("why-curd-temperature-once-acid", mixed_c=f.mixed_c)),
            ),
        ),
        "acid": Why(
            says=Message(
                "why-curd-acid",
                low=_dose(f.acid.likely.low, f.acid.unit),
                high=_dose(f.acid.likely.high, f.acid.unit),
            ),
            terms=(
                Term(Message("why-curd-acid-end-ph", ph=f.ph, acid_c=f.acid_c.likely)),
                Term(
                    Message("why-curd-acid-likely", dose=_dose(f.acid.likely.likely, f.acid.unit), name=f.acid.name)
                ),
                Term(
                    Message(
                        "why-curd-acid-strength",
                        strength=p.strength or 0.0,
                        percent=percent,
                        given="yes" if p.strength else "no",
                    )
                ),
                Term(Message("why-curd-acid-if-all-went", ph_if_all=f.acid.ph_if_all)),
                Term(Message("why-curd-acid-thinned-with", water_kg=f.acid.water_kg, dilute_to=p.dilute_to)),
            ),
        ),
        "curd": Why(
            says=Message("why-curd-curd", curd_kg_low=f.curd_kg.low, curd_kg_high=f.curd_kg.high),
            terms=(
                Term(Message("why-curd-curd-milk", milk_kg=p.milk_kg, milk=p.milk.name)),
                Term(Message("why-curd-curd-protein-milk", protein=milk.protein * 100)),
                Term(Message("why-curd-curd-fat-kept", fat=c.fat)),
                Term(Message("why-curd-curd-protein-kept", protein=c.protein)),
                Term(Message("why-curd-curd-water-kept", water=c.water, drained=drained)),
            ),
        ),
        "moisture": Why(
            says=Message("why-curd-moisture", texture_low=f.texture.low, texture_high=f.texture.high),
            terms=(
                Term(
                    Message(
                        "why-curd-moisture-drained",
                        drained=drained,
                        minutes=p.draining.seconds / 60,
                    )
                ),
                Term(Message("why-curd-moisture-moisture", moisture=f.moisture.likely * 100)),
                Term(Message("why-curd-moisture-texture", texture=f.texture.likely)),
            ),
        ),
        "whey": Why(
            says=Message("why-curd-whey"),
            terms=(
                Term(Message("why-curd-whey-whey", whey_kg=f.whey_kg)),
                Term(Message("why-curd-whey-lactose", lactose=f.balance.whey.lactose)),
                Term(Message("why-curd-whey-protein", protein=f.balance.whey.protein)),
                Term(Message("why-curd-whey-fat", fat=f.balance.whey.fat)),
            ),
        ),
        "rinse": Why(
            says=Message("why-curd-rinse"),
            terms=(
                Term(
                    Message(
                        "why-curd-rinse-rinse-water",
                        rinse_kg=p.rinse_kg,
                        rinsed="yes" if p.rinse_kg else "no",
                        rinses=p.rinses,
                    )
                ),
                Term(
                    Message(
                        "why-curd-rinse-curd-after",
                        rinsed_c=f.rinsed_c or 0.0,
                        rinsed="yes" if f.rinsed_c is not None else "no",
                    )
                ),
                Term(Message("why-curd-rinse-acid-left", acid_left=f.acid_left * 100)),
            ),
        ),
        "knead": Why(
            says=Message("why-curd-knead"),
            terms=(
                Term(Message("why-curd-knead-minutes", knead_s=f.knead_s / 60)),
                Term(Message("why-curd-knead-fat-dry-part", fat=(c.fat / c.solids) * 100)),
                Term(Message("why-curd-knead-moisture", moisture=f.moisture.likely * 100)),
            ),
        ),
    }


def _dose(value: float, unit: str) -> Message:
    return Message("dose-ml" if unit == "ml" else "dose-g", amount=value * 1e3)
