"""The "why?" behind every figure of a reduction: formula, this batch's numbers, source, uncertainty."""

from ...messages.figures import say
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

_DOSSIER = "Mulvek’s own reduction notes"


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


def _minutes_text(seconds: float) -> str:
    return f"{seconds / 60:.0f} min"


def _span(r: Range, scale: float, digits: int, unit: str) -> str:
    return f"{r.low * scale:.{digits}f} to {r.high * scale:.{digits}f} {unit}"


def rests_on(f: Forecast) -> str:
    """What the time rests on, in one line."""
    n = f.plan.rate.batches
    if n == 0:
        return "a guess from a typical burner: log one batch and this gets sharper"
    return f"your last {n} batches in this pan on this flame" if n > 1 else "your one batch in this pan on this flame"


def _depth(f: Forecast) -> Why:
    p = f.plan
    return Why(
        title="How deep the milk stands at the stop",
        formula="depth = the pan’s own depth for that volume; volume = water and solids at 95 °C, each with its own room",
        terms=(
            Term("the stop", p.stop.text),
            Term("start", say(p.milk_m3, "volume"), f"{say(f.start_depth_m, 'length')} deep, cold"),
            Term("left, hot", say(f.stop_m3.likely, "volume"), f"{say(f.stop_water_kg, 'mass')} of it water"),
            Term("pan", p.pan.name, f"{say(p.pan.shape.height_m, 'length')} deep inside"),
        ),
        source="Solid geometry of the measured pan; volumes after Choi & Okos 1986 (fat) and Kell 1975 (water)",
        uncertainty=f"{_span(f.stop_depth_m, 100, 1, 'cm')}, from measuring the pan to 1 % and the milk’s own spread",
        sharpen="Read the stick upright at the deepest point, 15 seconds off the flame.",
    )


def _rate(f: Forecast) -> Why:
    p = f.plan
    net = p.burner.net_power_w(p.flame, p.pan.shape.base_diameter_m)
    return Why(
        title="How fast steam leaves at the stop",
        formula="steam = (heat that reaches the milk − heat lost to the room) ÷ heat of evaporation",
        terms=(
            Term("heat into the milk", f"{net:.0f} W", f"{p.burner.name}, {p.flame}, this base"),
            Term("heat of evaporation", "2.26 MJ per kg"),
            Term("multiplier learned here", f"{2.718281828**p.rate.ln_mean:.2f}", f"{p.rate.batches} batches"),
            Term("steam", f"{f.rate_kg_s.likely * 6e4:.1f} g a minute"),
        ),
        source=f"Energy balance of an open pan, saturation line of Wagner & Pruss; {_DOSSIER} §4",
        uncertainty=f"{_span(f.rate_kg_s, 6e4, 0, 'g a minute')}: burners and settings differ by a third until logged",
        sharpen="Finish a batch in this pan on this flame with a reading or two.",
    )


def _minutes(f: Forecast) -> Why:
    p = f.plan
    after_boil = f.steam_kg - f.boil_steam_kg
    mean = after_boil / f.after_boil_s.likely * 6e4 if f.after_boil_s.likely else 0.0
    return Why(
        title="How long after the first boil",
        formula="minutes = steam to drive off ÷ steam a minute, summed along the way down",
        terms=(
            Term("steam to drive off", say(after_boil, "mass"), "after the first boil"),
            Term("on the way", f"{mean:.1f} g a minute", f"{p.flame} flame, less once the bottom needs sparing"),
            Term("minutes", _minutes_text(f.after_boil_s.likely)),
        ),
        source=f"Energy balance of an open pan; {_DOSSIER} §4",
        uncertainty=f"{_span(f.after_boil_s, 1 / 60, 0, 'min')} in four cases of five; it rests on {rests_on(f)}",
        sharpen="A depth reading half-way narrows it at once; a weight narrows it more.",
    )


def _first_boil(f: Forecast) -> Why:
    p = f.plan
    net = p.burner.net_power_w("strong", p.pan.shape.base_diameter_m)
    return Why(
        title="How long to the first boil",
        formula="minutes = heat to warm milk and pan ÷ (heat in − heat lost), summed up to the boil",
        terms=(
            Term("milk", say(f.start_kg, "mass"), f"from {p.kitchen.milk_c:.0f} °C"),
            Term("pan", say(p.pan.mass_kg, "mass"), p.pan.made_of.name),
            Term("heat into the milk", f"{net:.0f} W", "strong flame until it boils"),
            Term(
                "height above the sea",
                f"{p.kitchen.altitude_m:.0f} m",
                f"{p.kitchen.pressure_pa / 1000:.1f} kPa",
            ),
        ),
        source="Heat capacities of Choi & Okos 1986; saturation line of Wagner & Pruss",
        uncertainty=f"{_span(f.first_boil_s, 1 / 60, 0, 'min')}: gas pressure and the pan’s fit on the flame",
        sharpen="Press First boil when you see it roll: the clock starts there.",
    )


def _served(f: Forecast) -> Why:
    lost = f.product_kg.likely - f.served_kg.likely
    terms = [
        Term("milk", say(f.plan.milk_kg, "mass")),
        Term("steam", f"− {say(f.steam_kg, 'mass')}"),
        Term("left on pan and spoon", f"− {say(lost, 'mass')}", "scraped down; film, ring, spatter, tasting"),
    ]
    if f.plan.sugar_kg:
        terms.insert(1, Term("sugar", f"+ {say(f.plan.sugar_kg, 'mass')}"))
    return Why(
        title="What you will have",
        formula="to serve = milk + sugar − steam − what stays behind",
        terms=tuple(terms),
        source=f"Mass balance (exact); film on the wall by thickness, {_DOSSIER} §4",
        uncertainty=f"{_span(f.served_kg, 1000, 0, 'g')}: a dip-stick is read to 2 mm; what stays behind is known to a half",
        sharpen="Weigh the pan instead of dipping it.",
    )


def _solids(f: Forecast) -> Why:
    a = f.after
    return Why(
        title="Total solids of what you will have",
        formula="total solids = everything but water ÷ everything",
        terms=(
            Term("milk solids", say(float(f.before.solids), "mass"), f"{f.plan.milk.name}"),
            Term("sugar", say(f.plan.sugar_kg, "mass") if f.plan.sugar_kg else "none"),
            Term("water left", say(float(a.water), "mass")),
            Term("in the pan at the stop", f"{f.pan_solids * 100:.1f} %", "before any sugar at the end"),
        ),
        source=f"Milk composition: {f.plan.milk.source}",
        uncertainty=f"{_span(f.total_solids, 100, 0, '%')}; {f.plan.milk.confidence.removeprefix('C: ')}",
        sharpen="Use the fat and SNF of your own milk’s label.",
    )


def _spoon(f: Forecast, *, cold: bool) -> Why:
    spoon = f.cold if cold else f.hot
    low, high = STAGES[spoon.low_stage], STAGES[spoon.high_stage]
    width = f"could be {low} to {high}" if low != high else f"{low} throughout its range"
    return Why(
        title=f"How thick it is {'after a night in the fridge' if cold else 'hot, off the boil'}",
        formula="thickness = sugar water × crowding by protein and fat × protein gel",
        terms=(
            Term("total solids", f"{f.total_solids.likely * 100:.0f} %"),
            Term("at", f"{COLD_C if cold else HOT_C:.0f} °C"),
            Term("viscosity", f"{spoon.viscosity.likely:.3g} mPa s", f"water is {'1.5' if cold else '0.3'}"),
            Term("on the spoon", spoon.name, spoon.sign),
        ),
        source="Génotelle 1978 (sugar water); Snoeren, Damman & Klok 1982 (crowding); stage limits are our judgement",
        uncertainty=f"{spoon.viscosity.low:.2g} to {spoon.viscosity.high:.2g} mPa s: {width}",
        sharpen="Write in the Book how it turned out cold.",
    )


def _headroom(f: Forecast) -> Why:
    p = f.plan
    return Why(
        title="How far the boil climbs",
        formula="climb = milk × (1 + swelling); the most this pan takes = brim ÷ (1 + swelling)",
        terms=(
            Term("milk", say(f.start_m3, "volume")),
            Term("swelling", f"{CLIMB[p.flame] * 100:.0f} %", f"{p.flame} flame; 100 % on a strong one"),
            Term("climbs to", say(f.headroom.climb_depth_m, "length")),
            Term("most for this pan", say(f.headroom.most_milk_m3, "volume")),
        ),
        source="Common practice",
        uncertainty="Fresh milk and a strong flame climb further; never rely on the figure alone",
        sharpen="Turn down as the first bubbles lift, and stay by the pan.",
    )
