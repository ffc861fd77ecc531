"""Bodies of requests, within the bounds that the API's models set; many of them impossible in the kitchen."""

from typing import Any

from hypothesis import strategies as st

from mulvek.core.composition.materials import materials
from mulvek.core.equipment.burners import BURNER_KINDS, FLAMES
from mulvek.core.equipment.pans import PAN_MATERIALS
from mulvek.core.planning.curdle.acid import COAGULANTS
from mulvek.core.planning.curdle.balance import DRAINS
from mulvek.core.planning.curdle.pieces import USES
from mulvek.core.planning.strain.draining import CLOTHS
from mulvek.core.planning.sweets.fruits import pulps, takes_fruit
from mulvek.core.planning.sweets.library import library, things

Request = dict[str, Any]


def _cm(low: float, high: float) -> st.SearchStrategy[float]:
    return st.floats(low / 100, high / 100).map(lambda m: round(m, 4))


kitchens: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {},
    optional={
        "altitude_m": st.floats(-300, 4400),
        "room_c": st.floats(1, 49),
        "milk_c": st.floats(1, 59),
        "fridge_c": st.floats(-1, 14),
        "freezer_c": st.floats(-39, -1),
        "cup_ml": st.sampled_from([150.0, 200.0, 236.6, 250.0]),
    },
)

_KEYS = sorted(m.key for m in materials().values() if m.group in ("milk", "plant"))
milks: st.SearchStrategy[Any] = st.sampled_from(_KEYS) | st.fixed_dictionaries(
    {"fat_pct": st.floats(0.05, 9), "snf_pct": st.floats(7, 11)},
    optional={"species": st.sampled_from(["cow", "buffalo"]), "homogenised": st.booleans(), "uht": st.booleans()},
)

_straight = st.fixed_dictionaries({"kind": st.just("straight"), "diameter_m": _cm(10, 60), "height_m": _cm(6, 40)})
_flared = st.fixed_dictionaries(
    {
        "kind": st.just("flared"),
        "base_diameter_m": _cm(8, 50),
        "top_diameter_m": _cm(8, 60),
        "height_m": _cm(4, 40),
    }
)


@st.composite
def _kadhai(draw: st.DrawFn) -> Request:
    rim = draw(_cm(12, 60))
    wall = draw(st.sampled_from([0.0, 0.03]))
    return {
        "kind": "kadhai",
        "rim_diameter_m": rim,
        "bowl_depth_m": round(rim * draw(st.floats(0.15, 0.49)), 4),
        "wall_height_m": wall,
        "top_diameter_m": round(rim * 1.08, 4) if wall else 0.0,
        "flat_diameter_m": draw(st.sampled_from([0.0, round(rim * 0.4, 4)])),
    }


@st.composite
def _poured(draw: st.DrawFn) -> Request:
    """Water poured into a real pan, read with a ruler."""
    width = draw(st.floats(0.12, 0.4))
    steps = draw(st.lists(st.floats(0.01, 0.05), min_size=2, max_size=6))
    depth = volume = 0.0
    pairs = []
    for step in steps:
        depth += step
        volume += step * width**2 * 0.785
        pairs.append({"depth_m": round(depth, 3), "volume_m3": round(volume, 6)})
        width *= draw(st.floats(1.0, 1.05))
    return {"kind": "measured", "pairs": pairs, "height_m": round(depth + 0.02, 3)}


pans: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"name": st.just("the pan"), "shape": _straight | _flared | _kadhai() | _poured()},
    optional={"material": st.sampled_from(sorted(PAN_MATERIALS)), "mass_kg": st.floats(0.3, 6)},
)
burners: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"kind": st.sampled_from(sorted(BURNER_KINDS))}, optional={"strength": st.floats(0.3, 3)}
)


def _said(low: float, high: float, unit: str) -> st.SearchStrategy[str]:
    return st.floats(low, high).map(lambda x: f"{float(f'{x:.3g}'):g} {unit}" if x < 1e5 else f"{x:.0f} {unit}")


_amounts = _said(0.1, 3, "L") | _said(100, 6000, "ml") | _said(0.1, 12, "kg")
_stops = (
    st.sampled_from(["half its volume", "a third", "by a third", "3x", "half its weight", "half its depth"])
    | st.sampled_from(["rabri", "basundi", "khoya", "condensed milk", "thickly coats cold"])
    | _said(0.5, 25, "cm")
    | _said(50, 6000, "g")
    | _said(50, 6000, "ml")
    | _said(5, 85, "% solids")
    | _said(5, 85, "% solids with the sugar")
)
_SUGARS = sorted(m.key for m in materials().values() if m.group == "sugar")
_RICH = sorted(
    m.key for m in materials().values() if m.group in ("powder", "cream", "concentrate", "cheese", "khoya")
)

reductions: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"milk": milks, "amount": _amounts, "pan": pans, "burner": burners, "stop": _stops},
    optional={
        "flame": st.sampled_from(FLAMES),
        "sugar": st.just("") | _said(1, 900, "g"),
        "sugar_time": st.sampled_from(["start", "midway", "end"]),
        "sugar_kind": st.sampled_from(_SUGARS),
        "additions": st.lists(
            st.fixed_dictionaries(
                {"what": st.sampled_from(_RICH), "amount": _said(5, 400, "g")}, optional={"late": st.booleans()}
            ),
            max_size=2,
        ),
        "stirring": st.sampled_from(["scraped", "now-and-then", "folded", "lifted"]),
        "to_boil": st.sampled_from(FLAMES),
        "lid": st.booleans(),
        "wetted": st.booleans(),
        "kitchen": kitchens,
    },
)

curdlings: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"milk": milks, "amount": _amounts, "pan": pans, "burner": burners},
    optional={
        "wait": _said(0, 19, "minutes") | _said(60, 99, "°C"),
        "coagulant": st.sampled_from(sorted(COAGULANTS)),
        "dilute_to": st.floats(0.6, 7.9),
        "rinse": st.just("") | _said(0.1, 8, "L"),
        "rinses": st.integers(0, 4),
        "rinse_c": st.floats(1, 39),
        "drain": st.sampled_from(DRAINS),
        "drain_time": _said(1, 700, "minutes"),
        "fridge_time": st.just("") | _said(1, 20, "h"),
        "hold": st.just("") | _said(1, 10, "minutes"),
        "use": st.sampled_from(sorted(USES)),
        "piece": st.just("") | _said(4, 150, "g"),
        "binder": st.just("") | _said(1, 29, "%"),
        "kitchen": kitchens,
    },
)

strainings: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"amount": _said(50, 9000, "g")},
    optional={
        "yoghurt": st.sampled_from(sorted(m.key for m in materials().values() if m.group == "yoghurt")),
        "cloth": st.sampled_from(sorted(CLOTHS)),
        "hung": st.sampled_from(["hung", "sieve", "weighted"]),
        "place": st.sampled_from(["fridge", "counter"]),
        "end": st.sampled_from(["soft", "spoonable", "shrikhand", "firm"]),
        "time": st.just("") | _said(0.5, 30, "h"),
        "start_c": st.floats(3, 40),
        "acidity": st.floats(0.5, 1.5),
        "kitchen": kitchens,
    },
)

caramels: st.SearchStrategy[Request] = st.fixed_dictionaries(
    {"sugar": _said(15, 1500, "g"), "pan": pans, "burner": burners},
    optional={
        "shade": st.sampled_from(["straw", "pale-gold", "amber", "deep-amber"]),
        "butter": st.just("") | _said(1, 300, "g"),
        "milk": st.sampled_from(_KEYS),
        "milk_amount": st.just("") | _said(10, 3000, "ml"),
        "condensed": st.just("") | _said(10, 2000, "g"),
        "solids": st.just("") | _said(35, 85, "%"),
        "melt_on": st.sampled_from(FLAMES),
        "flame": st.sampled_from(FLAMES),
    },
)

_SCHOOLS = [(sweet.key, school.key) for sweet in library().values() for school in sweet.schools.values()]


@st.composite
def sweets(draw: st.DrawFn, *only: str) -> Request:
    """A sweet of the library, or one of those named."""
    sweet, school = draw(st.sampled_from([s for s in _SCHOOLS if not only or s[0] in only]))
    asked: Request = {"sweet": sweet, "school": school}
    asked["want"] = draw(
        st.integers(1, 300).map(str) | _said(0.03, 9, "kg") | _said(20, 900, "g") | _said(50, 3000, "ml")
    )
    asked |= {"pan": draw(pans), "burner": draw(burners)}
    asked |= draw(
        st.fixed_dictionaries(
            {},
            optional={
                "milk": milks,
                "flame": st.sampled_from(FLAMES),
                "freezer_c": st.floats(-39, -5),
                "moulds": st.integers(1, 60),
                "whole_packs": st.booleans(),
                "kitchen": kitchens,
            },
        )
    )
    if takes_fruit(library()[sweet].schools[school], library()):
        asked["fruit"] = draw(st.sampled_from(["", *pulps(things())]))
    return asked
