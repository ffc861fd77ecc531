"""The sweets dossier's own table of materials and its simple curd yields (F34), to check the arithmetic with.

The product builds from its one table and the curd dossier's yields; these only fix the reference values.
"""

import re
from pathlib import Path

from mulvek.core.composition.composition import Composition
from mulvek.core.planning.sweets.build import Built, Pantry, build
from mulvek.core.planning.sweets.curds import Curd
from mulvek.core.planning.sweets.knobs import chosen
from mulvek.core.planning.sweets.library import library
from mulvek.core.planning.sweets.stuff import Thing

_PARTS = {
    "W": "water", "Ft": "fat", "Cn": "casein", "Wp": "whey", "Op": "plant_protein", "La": "lactose", "Su": "sucrose",
    "Gl": "glucose", "Fr": "fructose", "St": "starch", "Fi": "fibre", "Ma": "milk_ash", "Oa": "plant_ash", "Na": "salt",
    "Ac": "acid",
}  # fmt: skip
OURS = {
    "milk_cow": "cow", "milk_buffalo": "buffalo", "milk_full": "full-cream", "milk_std": "standardised",
    "milk_toned": "toned", "powder_whole": "whole-powder", "powder_skim": "skim-powder", "cream35": "cream-35",
    "curd": "yoghurt", "chhena_std": "chhena", "khoya_std": "khoya-pindi", "sugar": "white-sugar", "flour": "wheat-flour",
    "cornstarch": "corn-starch", "mango_pulp": "mango", "bottle_gourd": "bottle-gourd", "fox_nut": "fox-nut",
    "coconut_milk": "coconut",
}  # fmt: skip
_ADDED = {"sugar": 1.0, "jaggery": 0.92, "honey": 0.708, "dextrose": 0.91, "condensed": 0.431}
_MILKS = frozenset(("cow", "buffalo", "full-cream", "standardised", "toned"))


def _thing(line: str) -> Thing:
    name, _, rest = line.partition(":")
    shares = {code: float(value) for code, value in re.findall(r"\b([A-Z][a-z]?)([\d.]+)", rest)}
    density = float(re.search(r"\bd([\d.]+)", rest)[1])  # type: ignore[index]
    total = sum(shares.values())
    key = OURS.get(name, name)
    return Thing(
        key=key,
        name=name,
        parts=Composition(**{_PARTS[code]: share / total for code, share in shares.items()}),
        bulk_kg_m3=density * 1e3,
        added_sugar=_ADDED.get(name, 0.0),
        allergens=tuple(re.findall(r"\[(.+)\]", rest)),
        group="milk" if key in _MILKS else "dairy",
    )


_LINES = (Path(__file__).parent / "dossier_materials.txt").read_text(encoding="utf-8").splitlines()
THINGS = {thing.key: thing for thing in map(_thing, filter(str.strip, _LINES))}
_CARAMEL = Composition(sucrose=0.62, glucose=0.12, fructose=0.10, starch=0.16)
THINGS["caramel"] = Thing(
    key="caramel", name="caramel", parts=_CARAMEL, bulk_kg_m3=1400.0, added_sugar=0.90, group="sugar"
)
for _key in ("black-pepper", "dried-fig", "saffron", "custard-apple", "salt"):
    THINGS.setdefault(_key, Thing(key=_key, name=_key, parts=Composition(water=1.0)))


def simple_curd(fat: float, casein: float, whey: float, ash: float, dilution: float, rinse: float, hung: bool):
    """F34: what the curd keeps of each part, and the serum in its water."""

    def made(of: Thing, moisture: float) -> Curd:
        m = of.parts
        water = m.water + dilution
        kept = {"fat": fat * m.fat, "casein": casein * m.casein, "whey": whey * m.whey, "milk_ash": ash * m.milk_ash}
        serum = {n: rinse * getattr(m, n) / water for n in ("lactose", "sucrose", "glucose", "fructose", "acid")}
        loose_ash = rinse * (1 - ash) * m.milk_ash / water if hung else 0.0
        mass = sum(kept.values()) / (1 - moisture - moisture * (sum(serum.values()) + loose_ash))
        parts = {n: v / mass for n, v in kept.items()} | {n: v * moisture for n, v in serum.items()}
        parts["milk_ash"] += loose_ash * moisture
        return Curd(mass, Composition(water=moisture, **parts))

    return made


CURDLE = simple_curd(0.94, 0.975, 0.45, 0.50, 0.10, 0.75, hung=False)
HANG = simple_curd(0.985, 0.99, 0.80, 0.30, 0.0, 1.0, hung=True)
PANTRY = Pantry(things=THINGS, sweets=library(), curdle=CURDLE, hang=HANG)


def sweet(key: str, school: str = "", milk: str = "", **changes: float) -> Built:
    """A sweet of the library, built from the dossier's materials."""
    found = library()[key]
    places = {place.replace("__", ".").replace("_", "-"): value for place, value in changes.items()}
    pantry = Pantry(things=THINGS, sweets=library(), milk=THINGS[milk] if milk else None, curdle=CURDLE, hang=HANG)
    return build(found, chosen(found, school, "", places), pantry)
