"""The "why?" behind the figures of curdling, with this batch's numbers."""

from ...messages.figures import say
from ...why import Term, Why
from .forecast import CurdForecast
from .plan import CurdlePlan

DOSSIER = "Mulvek’s own curd notes"


def pct(share: float, digits: int = 1) -> str:
    return f"{share * 100:.{digits}f} %"


def curd_rests_on(plan: CurdlePlan) -> str:
    """What the weight of the curd rests on, in one line."""
    n = plan.batches
    if n == 0:
        return "the milk’s label: weigh the chhena once and this gets sharper"
    return f"the last {n} chhenas you weighed of this milk" if n > 1 else "the one chhena you weighed of this milk"


def curd_reasons(f: CurdForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that a curdling says."""
    p, milk, c = f.plan, f.plan.milk.parts, f.balance.curd
    percent = "%" if f.acid.unit == "ml" else "pure"
    strength = p.strength if p.strength is not None else None
    return {
        "temperature": Why(
            title="How warm it is when the acid goes in",
            formula="cooling = steam from the surface + heat to the air, from surface and wall, step by step",
            terms=(
                Term("boils here at", f"{f.boils_c:.1f} °C", f"{p.kitchen.altitude_m:.0f} m up"),
                Term("wait", f"{p.wait_s / 60:.1f} min", "off the flame, stirred now and then"),
                Term("once the acid is in", f"{f.mixed_c:.0f} °C"),
            ),
            source=f"Vapour transfer and convection, {DOSSIER} §3",
            uncertainty=f"{f.acid_c.low:.0f} to {f.acid_c.high:.0f} °C",
            sharpen="Read a thermometer once after three minutes.",
        ),
        "acid": Why(
            title="How much acid",
            formula="dose = what the milk’s salts and casein buffer down to the end pH ÷ what the acid gives off there",
            terms=(
                Term("end pH", f"{f.ph:.2f}", f"where whey runs clear at {f.acid_c.likely:.0f} °C"),
                Term("likely", _dose(f.acid.likely.likely, f.acid.unit), f.acid.name),
                Term("strength", f"{strength:g} {percent}" if strength else "the usual"),
                Term(
                    "if all of it went in", f"pH {f.acid.ph_if_all:.2f}", "below 5.2 sour and firm, below 5.0 grainy"
                ),
                Term("thinned with", say(f.acid.water_kg, "mass"), f"water, to {p.dilute_to:g} %"),
            ),
            source="Buffering after Salaün et al. 2005; juices after Penniston et al. 2008",
            uncertainty=f"{_dose(f.acid.likely.low, f.acid.unit)} to {_dose(f.acid.likely.high, f.acid.unit)}: juice and milk vary",
            sharpen="Stop when the whey runs clear and greenish; do not use up the rest.",
        ),
        "curd": Why(
            title="How much curd",
            formula="curd = casein, fat, part of the whey protein and ash + the water that the draining leaves",
            terms=(
                Term("milk", say(p.milk_kg, "mass"), p.milk.name),
                Term("protein in the milk", pct(milk.protein, 2), "casein and whey protein"),
                Term("fat kept", say(c.fat, "mass")),
                Term("protein kept", say(c.protein, "mass")),
                Term("water kept", say(c.water, "mass"), p.draining.way.replace("-", " ")),
            ),
            source="Retentions after De 1980, Walstra et al. 2006, Sachdeva & Singh 1988",
            uncertainty=f"{say(f.curd_kg.low, 'mass')} to {say(f.curd_kg.high, 'mass')}: milk and hands vary",
            sharpen="Weigh it: three weighed batches of one milk halve the range.",
        ),
        "moisture": Why(
            title="How moist and how firm",
            formula="moisture by draining, temperature, acidity and milk; texture index from all of them and the rinses",
            terms=(
                Term("drained", p.draining.way.replace("-", " "), f"{p.draining.seconds / 60:.0f} min"),
                Term("moisture", pct(f.moisture.likely)),
                Term("texture", f"{f.texture.likely:.0f}", "0 soft and moist, 100 firm and dry"),
            ),
            source=f"{DOSSIER} §1 and §3; the index is our own judgement",
            uncertainty=f"moisture ± 2.8 points, texture {f.texture.low:.0f} to {f.texture.high:.0f}",
            sharpen="Press a test ball: cracks say drier, stickiness says wetter.",
        ),
        "whey": Why(
            title="How much whey, and what is in it",
            formula="whey = milk + acid − curd − steam",
            terms=(
                Term("whey", say(f.whey_kg, "mass")),
                Term("lactose in it", say(f.balance.whey.lactose, "mass")),
                Term("protein in it", say(f.balance.whey.protein, "mass")),
                Term("fat in it", say(f.balance.whey.fat, "mass")),
            ),
            source="Mass balance, exact",
            uncertainty="as the curd",
            sharpen="Keep it: soured, it curdles the next milk.",
        ),
        "rinse": Why(
            title="What the rinse does",
            formula="serum left = 1 − 0.6 × water ÷ (water + serum), each time",
            terms=(
                Term("rinse water", say(p.rinse_kg, "mass") if p.rinse_kg else "none", f"{p.rinses} times"),
                Term("curd after it", f"{f.rinsed_c:.0f} °C" if f.rinsed_c is not None else "not rinsed"),
                Term("acid left", pct(f.acid_left, 3), "0.05 % or less does not taste"),
            ),
            source=f"{DOSSIER} §4",
            uncertainty="poured through 0.4, opened and stirred 0.6, dunked 0.8",
            sharpen="Two small rinses beat one large one.",
        ),
        "knead": Why(
            title="How long to knead",
            formula="minutes fall with fat and moisture, rise with the amount; a third more for homogenised milk",
            terms=(
                Term("minutes", f"{f.knead_s / 60:.0f}"),
                Term("fat in the dry part", pct(c.fat / c.solids, 0)),
                Term("moisture", pct(f.moisture.likely, 0)),
            ),
            source=f"{DOSSIER} §5",
            uncertainty="a third either way: the end sign decides",
            sharpen="Stop when the palm just shines and a test ball shows no cracks.",
        ),
    }


def _dose(value: float, unit: str) -> str:
    return f"{value * 1e3:.0f} ml" if unit == "ml" else f"{value * 1e3:.1f} g"
