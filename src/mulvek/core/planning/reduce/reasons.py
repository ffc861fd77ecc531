"""The "why?" behind every figure of a reduction: formula, this batch's numbers, source, uncertainty."""

import math

from ...messages.message import Message
from ...properties.texture import COLD_C, STAGES
from ...ranges import Range
from ...why import Term, Why
from .forecast import CLIMB, Forecast
from .judgement_reasons import judgement_reasons
from .stops import HOT_C

FIGURES = (
    "depth",
    "minutes",
    "first_boil",
    "served",
    "solids",
    "hot",
    "cold",
    "headroom",
    "rate",
    "keeping",
    "colour",
    "crystals",
    "early",
    "halves",
    "losses",
    "stir",
)
"""The figures that explain themselves, by the name the screen asks with."""


def reasons(f: Forecast) -> dict[str, Why]:
    """One ``Why`` for each of ``FIGURES``, with this batch's numbers in it."""
    return {
        "depth": _depth(f),
        "minutes": _minutes(f),
        "first_boil": _first_boil(f),
        "served": _served(f),
        "solids": _solids(f),
        "hot": _spoon(f, cold=False),
        "cold": _spoon(f, cold=True),
        "headroom": _headroom(f),
        "rate": _rate(f),
        **judgement_reasons(f),
    }


def _span(r: Range, scale: float, unit: str) -> Message:
    """Both ends, in the unit of a message "span-…"."""
    return Message(f"span-{unit}", low=r.low * scale, high=r.high * scale)


def rests_on(f: Forecast) -> Message:
    """What the time rests on, in one line."""
    n = f.plan.rate.batches
    return Message("rests-on-batches", batches=n) if n else Message("rests-on-burner-table")


def _depth(f: Forecast) -> Why:
    p = f.plan
    return Why(
        says=Message("why-pan-depth", span=_span(f.stop_depth_m, 100, "cm")),
        terms=(
            Term(Message("why-pan-depth-stop", stop=p.stop.text)),
            Term(Message("why-pan-depth-start", milk_m3=p.milk_m3, start_depth_m=f.start_depth_m)),
            Term(Message("why-pan-depth-left-hot", stop_m3=f.stop_m3.likely, stop_water_kg=f.stop_water_kg)),
            Term(Message("why-pan-depth-pan", pan=p.pan.name, height_m=p.pan.shape.height_m)),
        ),
    )


def _rate(f: Forecast) -> Why:
    p = f.plan
    net = p.burner.net_power_w(p.flame, p.pan.shape.base_diameter_m)
    return Why(
        says=Message("why-pan-rate", span=_span(f.rate_kg_s, 6e4, "grams-a-minute")),
        terms=(
            Term(Message("why-pan-rate-heat-into-milk", net=net, burner=p.burner.name, flame=p.flame)),
            Term(Message("why-pan-rate-heat-evaporation")),
            Term(
                Message(
                    "why-pan-rate-multiplier-learned-here", times=math.exp(p.rate.ln_mean), batches=p.rate.batches
                )
            ),
            Term(Message("why-pan-rate-steam", rate_kg_s=f.rate_kg_s.likely * 60000.0)),
        ),
    )


def _minutes(f: Forecast) -> Why:
    p = f.plan
    after_boil = f.steam_kg - f.boil_steam_kg
    mean = after_boil / f.after_boil_s.likely * 6e4 if f.after_boil_s.likely else 0.0
    return Why(
        says=Message("why-pan-minutes", span=_span(f.after_boil_s, 1 / 60, "min"), rests_on=rests_on(f)),
        terms=(
            Term(Message("why-pan-minutes-steam-drive-off", after_boil=after_boil)),
            Term(Message("why-pan-minutes-on-way", mean=mean, flame=p.flame)),
            Term(Message("why-pan-minutes-minutes", minutes=f.after_boil_s.likely / 60)),
        ),
    )


def _first_boil(f: Forecast) -> Why:
    p = f.plan
    net = p.burner.net_power_w("strong", p.pan.shape.base_diameter_m)
    return Why(
        says=Message("why-pan-first-boil", span=_span(f.first_boil_s, 1 / 60, "min")),
        terms=(
            Term(Message("why-pan-first-boil-milk", start_kg=f.start_kg, milk_c=p.kitchen.milk_c)),
            Term(Message("why-pan-first-boil-pan", mass_kg=p.pan.mass_kg, made_of=p.pan.made_of.name)),
            Term(Message("why-pan-first-boil-heat-into-milk", net=net)),
            Term(
                Message(
                    "why-pan-first-boil-height-above-sea",
                    altitude_m=p.kitchen.altitude_m,
                    pressure_pa=p.kitchen.pressure_pa / 1000,
                )
            ),
        ),
    )


def _served(f: Forecast) -> Why:
    lost = f.product_kg.likely - f.served_kg.likely
    terms = [
        Term(Message("why-pan-served-milk", milk_kg=f.plan.milk_kg)),
        Term(Message("why-pan-served-steam", steam_kg=f.steam_kg)),
        Term(Message("why-pan-served-left-on-pan-and", lost=lost)),
    ]
    if f.plan.sugar_kg:
        terms.insert(1, Term(Message("why-pan-served-sugar", sugar_kg=f.plan.sugar_kg)))
    return Why(says=Message("why-pan-served", span=_span(f.served_kg, 1000, "grams")), terms=tuple(terms))


def _solids(f: Forecast) -> Why:
    a = f.after
    return Why(
        says=Message(
            "why-pan-solids",
            source=f.plan.milk.source,
            span=_span(f.total_solids, 100, "percent"),
            confidence=f.plan.milk.confidence.removeprefix("C: "),
        ),
        terms=(
            Term(Message("why-pan-solids-milk-solids", solids=float(f.before.solids), milk=f.plan.milk.name)),
            Term(Message("why-pan-solids-sugar", sugar_kg=f.plan.sugar_kg, there="yes" if f.plan.sugar_kg else "no")),
            Term(Message("why-pan-solids-water-left", water=float(a.water))),
            Term(Message("why-pan-solids-pan-at-stop", pan_solids=f.pan_solids * 100)),
        ),
    )


def _spoon(f: Forecast, *, cold: bool) -> Why:
    spoon = f.cold if cold else f.hot
    low, high = STAGES[spoon.low_stage], STAGES[spoon.high_stage]
    one = Message("throughout-its-range", stage=low)
    width = Message("could-be-stages", low=low, high=high) if low != high else one
    return Why(
        says=Message(
            "why-pan-spoon",
            how="cold" if cold else "hot",
            viscosity_low=spoon.viscosity.low,
            viscosity_high=spoon.viscosity.high,
            width=width,
        ),
        terms=(
            Term(Message("why-pan-spoon-total-solids", total_solids=f.total_solids.likely * 100)),
            Term(Message("why-pan-spoon-at", celsius=COLD_C if cold else HOT_C)),
            Term(Message("why-pan-spoon-viscosity", viscosity=spoon.viscosity.likely, how="cold" if cold else "hot")),
            Term(Message("why-pan-spoon-on-spoon", spoon=spoon.name, sign=spoon.sign)),
        ),
    )


def _headroom(f: Forecast) -> Why:
    p = f.plan
    return Why(
        says=Message("why-pan-headroom"),
        terms=(
            Term(Message("why-pan-headroom-milk", start_m3=f.start_m3)),
            Term(Message("why-pan-headroom-swelling", climb=CLIMB[p.flame] * 100, flame=p.flame)),
            Term(Message("why-pan-headroom-climbs", climb_depth_m=f.headroom.climb_depth_m)),
            Term(Message("why-pan-headroom-most-for-this-pan", most_milk_m3=f.headroom.most_milk_m3)),
        ),
    )
