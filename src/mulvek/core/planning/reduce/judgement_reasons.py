"""The "why?" behind the judgement: keeping, colour, crystals, thickness cold, the pan's halves, losses, stirring."""

from ...messages.message import Message
from ...properties.texture import STAGES
from ...why import Term, Why
from .forecast import Forecast
from .scorch import SAFE_WALL_K


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
        says=Message(
            "why-judgement-keeping",
            water_activity_low=k.water_activity.low,
            water_activity_high=k.water_activity.high,
        ),
        terms=(
            Term(Message("why-judgement-keeping-water", water=float(a.water))),
            Term(Message("why-judgement-keeping-sugar-water", sugar_number=k.sugar_number)),
            Term(Message("why-judgement-keeping-water-activity", water_activity=k.water_activity.likely)),
        ),
    )


def _colour(f: Forecast) -> Why:
    c = f.judgement.colour
    return Why(
        says=Message("why-judgement-colour", low_name=c.low_name, high_name=c.high_name),
        terms=(
            Term(Message("why-judgement-colour-dose-at-stop", dose=c.dose.likely)),
            Term(Message("why-judgement-colour-colour", name=c.name)),
            Term(
                Message(
                    "why-judgement-colour-pan",
                    made_of=f.plan.pan.made_of.name,
                    material=f.plan.pan.material,
                )
            ),
        ),
    )


def _crystals(f: Forecast) -> Why:
    j = f.judgement
    still = j.crystals[-1]
    return Why(
        says=Message("why-judgement-crystals"),
        terms=(
            Term(
                Message(
                    "why-judgement-crystals-lactose-against-what-celsius",
                    lactose_supersaturation=j.lactose_supersaturation,
                )
            ),
            Term(Message("why-judgement-crystals-left-cool-still", size_m=still.size_m * 1000000.0)),
            Term(Message("why-judgement-crystals-sugar-water", sugar_number=j.keeping.sugar_number)),
        ),
    )


def _early(f: Forecast) -> Why:
    return Why(
        says=Message("why-judgement-early"),
        terms=(
            Term(Message("why-judgement-early-at-your-stop-hot", hot=f.hot.name)),
            Term(
                Message(
                    "why-judgement-early-same-cold",
                    cold=f.cold.name,
                    low=STAGES[f.cold.low_stage],
                    high=STAGES[f.cold.high_stage],
                )
            ),
            Term(Message("why-judgement-early-left-open-cool", cooling_open_kg=f.judgement.losses.cooling_open_kg)),
        ),
    )


def _halves(f: Forecast) -> Why:
    h, p = f.judgement.halves, f.plan
    return Why(
        says=Message("why-judgement-halves"),
        terms=(
            Term(
                Message("why-judgement-halves-half-milk-stands-at", half_volume_at_depth=h.half_volume_at_depth * 100)
            ),
            Term(Message("why-judgement-halves-half-depth-holds", half_depth_holds=h.half_depth_holds * 100)),
            Term(Message("why-judgement-halves-pan", pan=p.pan.name)),
        ),
    )


def _losses(f: Forecast) -> Why:
    x = f.judgement.losses
    return Why(
        says=Message("why-judgement-losses"),
        terms=(
            Term(Message("why-judgement-losses-scraped-down", scraped_kg=x.scraped_kg)),
            Term(Message("why-judgement-losses-not-scraped", unscraped_kg=x.unscraped_kg)),
            Term(Message("why-judgement-losses-spatter-and-tasting", lost_kg=0.0075 * f.product_kg.likely)),
            Term(Message("why-judgement-losses-steam-while-cools-uncovered", cooling_open_kg=x.cooling_open_kg)),
        ),
    )


def _stir(f: Forecast) -> Why:
    j, p = f.judgement, f.plan
    return Why(
        says=Message("why-judgement-stir"),
        terms=(
            Term(Message("why-judgement-stir-shortest-rest-on-way", shortest_stir_s=j.shortest_stir_s)),
            Term(Message("why-judgement-stir-pan", made_of=p.pan.made_of.name, hot_spot=p.pan.made_of.hot_spot)),
            Term(Message("why-judgement-stir-wall", safe_wall_k=SAFE_WALL_K)),
        ),
    )
