"""The "why?" behind the judgement: keeping, colour, crystals, thickness cold, the pan's halves, losses, stirring."""

from ...messages.figures import say
from ...properties.texture import STAGES
from ...why import Term, Why
from .forecast import Forecast
from .scorch import SAFE_WALL_K

_DOSSIER = "Mulvek’s own reduction notes"


def judgement_reasons(f: Forecast) -> dict[str, Why]:
    """One ``Why`` for each figure of the judgement, with this batch's numbers in it."""
    return {
        "keeping": _keeping(f),
        "colour": _colour(f),
        "crystals": _crystals(f),
        "early": _early(f),
        "halves": _halves(f),
        "losses": _losses(f),
        "stir": _stir(f),
    }


def _keeping(f: Forecast) -> Why:
    k, a = f.judgement.keeping, f.after
    return Why(
        title="How well it keeps",
        formula="the first class that fits: water activity to 0.85, 0.92, 0.97, or wet; activity by what is dissolved",
        terms=(
            Term("water", say(float(a.water), "mass")),
            Term("sugar in the water", f"{k.sugar_number:.1f} %", "62.5 to 64.5 % keeps condensed milk"),
            Term("water activity", f"{k.water_activity.likely:.3f}", "milk is 0.995; judged on the wet side"),
        ),
        source="Norrish 1966, Ross 1975; growth limits of ICMSF 1996; the same rule as in Sweets",
        uncertainty=f"{k.water_activity.low:.2f} to {k.water_activity.high:.2f}; clean jars and cold decide more than the figure",
        sharpen="Nothing at home: keep it cold, whatever the figure. Local food law goes first.",
    )


def _colour(f: Forecast) -> Why:
    c = f.judgement.colour
    return Why(
        title="What colour it takes",
        formula="dose = minutes at 100 °C, ×2.6 per 10 °C, × √(sugars × protein in the water), with the hot wall’s share",
        terms=(
            Term("dose at the stop", f"{c.dose.likely:.0f}", "minutes of milk at 100 °C"),
            Term("colour", c.name, "ivory under 60, cream under 180, deep cream under 450"),
            Term(
                "pan", f.plan.pan.made_of.name, "iron browns a third faster" if f.plan.pan.material == "iron" else ""
            ),
        ),
        source=f"Arrhenius form, 115 kJ/mol; scale by our own judgement, {_DOSSIER} §9",
        uncertainty=f"a factor 2 either way: {c.low_name} to {c.high_name}",
        sharpen="Sugar early or late changes it by only a tenth; a lower flame changes it more.",
    )


def _crystals(f: Forecast) -> Why:
    j = f.judgement
    still = j.crystals[-1]
    return Why(
        title="Whether it turns sandy",
        formula="crystal width = ∛(lactose that cannot stay dissolved ÷ number of crystals)",
        terms=(
            Term(
                "lactose against what 5 °C water holds", f"{j.lactose_supersaturation:.2f} ×", "under 1: never sandy"
            ),
            Term("left to cool still", f"{still.size_m * 1e6:.0f} µm", "felt from 15, sandy above 25"),
            Term("sugar in the water", f"{j.keeping.sugar_number:.1f} %", "above 64.5 the sugar itself comes out"),
        ),
        source="Lactose solubility: Hudson 1908, Whittier 1944, sugar effect after Nickerson & Moore 1972",
        uncertainty="how many crystals start is known only to a factor 5",
        sharpen="Cool to 30 °C within half an hour, stir in a spoonful of a smooth batch, stir often until cold.",
    )


def _early(f: Forecast) -> Why:
    return Why(
        title="Where to stop for the thickness you want cold",
        formula="stop where the cold thickness, reckoned for 5 °C after a night, is the middle of the stage",
        terms=(
            Term("at your stop, hot", f.hot.name),
            Term(
                "the same, cold", f.cold.name, f"could be {STAGES[f.cold.low_stage]} to {STAGES[f.cold.high_stage]}"
            ),
            Term(
                "left open to cool",
                f"− {say(f.judgement.losses.cooling_open_kg, 'mass')}",
                "more steam: thicker still",
            ),
        ),
        source=f"Viscosity of concentrated milk, {_DOSSIER} §7",
        uncertainty="one stage either way once solids pass 45 %",
        sharpen="Cover it as it cools, and write in the Book how it turned out.",
    )


def _halves(f: Forecast) -> Why:
    h, p = f.judgement.halves, f.plan
    return Why(
        title="Why half the depth is not half the milk",
        formula="volume follows the pan’s shape: a round bottom holds little near its deepest point",
        terms=(
            Term("half the milk stands at", f"{h.half_volume_at_depth * 100:.0f} % of the depth"),
            Term("half the depth holds", f"{h.half_depth_holds * 100:.0f} % of the milk"),
            Term("pan", p.pan.name),
        ),
        source="Solid geometry of the measured pan",
        uncertainty="as good as the pan was measured, 1 %",
        sharpen="Print the dip-stick: its marks are this pan’s own.",
    )


def _losses(f: Forecast) -> Why:
    x = f.judgement.losses
    return Why(
        title="What stays behind",
        formula="film = wall × thickness of what clings to it; a ring dries above the falling level",
        terms=(
            Term("scraped down", say(x.scraped_kg, "mass")),
            Term("not scraped", say(x.unscraped_kg, "mass")),
            Term("spatter and tasting", say(0.0075 * f.product_kg.likely, "mass")),
            Term("steam while it cools uncovered", say(x.cooling_open_kg, "mass")),
        ),
        source=f"{_DOSSIER} §4",
        uncertainty="±50 %",
        sharpen="Weigh what you scraped out: the difference is yours.",
    )


def _stir(f: Forecast) -> Why:
    j, p = f.judgement, f.plan
    return Why(
        title="How often to stir",
        formula="stir before the hottest spot has baked for a minute’s worth at 115 °C; heat doubles it every 7 °C",
        terms=(
            Term("shortest rest on the way", f"{j.shortest_stir_s:.0f} s", "under 20 s: do not stop"),
            Term("pan", p.pan.made_of.name, f"hottest spot {p.pan.made_of.hot_spot:.2f} × the mean"),
            Term("wall", f"up to {SAFE_WALL_K:.0f} °C above the milk", "beyond, turn down"),
        ),
        source=f"Film heat transfer; constants are our own estimate, {_DOSSIER} §9",
        uncertainty="order of magnitude right, ±50 %",
        sharpen="Look at the spoon: brown specks mean shorter rests or less flame.",
    )
