"""How what older releases stored is brought to today's layout, a step for each change. Steps are never changed."""

from typing import Any

Json = dict[str, Any]
_DAIRY = frozenset({"milk", "concentrate", "powder", "cream", "yoghurt", "cheese", "khoya"})


def with_one_composition(kept: Json) -> Json:
    """Eleven parts and a split beside them became one composition of eighteen components, in every material within."""
    return {key: _lifted(value) for key, value in kept.items()}


def _slug(kept: Json, *path: str) -> Json:
    """The same with the choice at this place as a slug; it was in plain words ("light squeeze")."""
    key, *inner = path
    if key not in kept:
        return kept
    value = kept[key]
    if inner:
        return {**kept, key: _slug(value, *inner)} if isinstance(value, dict) else kept
    return {**kept, key: value.replace(" ", "-")} if isinstance(value, str) else kept


def with_stirring_slug(kept: Json) -> Json:
    return _slug(kept, "stirring")


def with_drain_slug(kept: Json) -> Json:
    return _slug(kept, "draining", "way")


def with_cloth_slug(kept: Json) -> Json:
    return _slug(kept, "cloth")


def with_verdict_slug(kept: Json) -> Json:
    return _slug(kept, "how")


def without_cautions(kept: Json) -> Json:
    """What can hurt at a step follows from the step; its sentence was kept as it was said that day."""
    return {key: value for key, value in kept.items() if key != "cautions"}


def _lifted(value: Any) -> Any:
    if isinstance(value, list):
        return [_lifted(each) for each in value]
    if not isinstance(value, dict):
        return value
    found = {key: _lifted(each) for key, each in value.items() if key != "split"}
    if "parts" in value and "bulk_kg_m3" in value:
        found["parts"] = _composition(value["parts"], value.get("split") or {}, value.get("group", "milk"))
    return found


def _composition(parts: Json, split: Json, group: str) -> Json:
    dairy, p = group in _DAIRY, {name: parts.get(name, 0.0) for name in ("reducing", "other", "minerals", "acid")}
    same = {name: parts.get(name, 0.0) for name in ("water", "fat", "casein", "whey", "lactose", "sucrose", "starch")}
    fructose, protein, fibre, salt = (split.get(name, 0.0) for name in ("fructose", "protein", "fibre", "salt"))
    told_apart = {
        "plant_protein": protein,
        "glucose": p["reducing"] - fructose,
        "fructose": fructose,
        "fibre": fibre,
        "salt": salt,
    }
    if dairy:
        soured = group == "yoghurt"
        acids = {"citrates": 0.0 if soured else p["acid"], "acid": p["acid"] if soured else 0.0}
        return {**same, **told_apart, **acids, "npn": p["other"], "milk_ash": p["minerals"]}
    rest = {"carbohydrate": p["other"] - protein - fibre, "plant_ash": p["minerals"] - salt, "acid": p["acid"]}
    return {**same, **told_apart, **rest}
