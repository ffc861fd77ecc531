"""What the commands read alike: a pan by its measures, a request from flags or from standard input."""

import argparse
import re
import sys
from collections.abc import Callable
from typing import Any

from ..core.errors import BadInput

PAN_HELP = (
    'inside measures in cm: "straight 24 x 12", "flared 17.5 - 25.5 x 9.2", '
    '"kadhai 29 x 8.6" with "+ 31 x 2.4" for its wall and "flat 12" for its flat patch, '
    'or poured: "measured 500 ml 2.1, 1000 ml 3.6, rim 15"'
)


def read_pan_measures(text: str) -> dict[str, Any]:
    """A pan's shape from measures in cm, as the API's JSON.

    :raises BadInput: field "pan".

    >>> read_pan_measures("kadhai 29 x 8.6 + 31 x 2.4 flat 12")["wall_height_m"]
    0.024
    """
    words = text.lower().replace("×", "x").replace("–", "-")
    kind = words.split()[0] if words.split() else ""
    flat = re.search(r"flat\s+([\d.]+)", words)
    numbers = [round(float(n) / 100, 6) for n in re.findall(r"\d+(?:\.\d+)?", words.split("flat")[0])]
    match kind, numbers:
        case "straight", [diameter, height]:
            return {"kind": "straight", "diameter_m": diameter, "height_m": height}
        case "flared", [base, top, height]:
            return {"kind": "flared", "base_diameter_m": base, "top_diameter_m": top, "height_m": height}
        case "kadhai", [rim, depth, *wall] if len(wall) in (0, 2):
            found = {"kind": "kadhai", "rim_diameter_m": rim, "bowl_depth_m": depth}
            if wall:
                found |= {"top_diameter_m": wall[0], "wall_height_m": wall[1]}
            if flat:
                found["flat_diameter_m"] = round(float(flat[1]) / 100, 6)
            return found
    if kind == "measured" and (poured := _poured(words)):
        return poured
    raise BadInput("pan", "pan-unreadable", text=text, pan_help=PAN_HELP)


def _poured(words: str) -> dict[str, Any] | None:
    """Pairs of "500 ml 2.1" and the rim's height in cm."""
    rim = re.search(r"rim\s+([\d.]+)", words)
    pairs = re.findall(r"([\d.]+)\s*(ml|l)\s+([\d.]+)", words)
    if not rim or not pairs:
        return None
    scale = {"ml": 1e-6, "l": 1e-3}
    return {
        "kind": "measured",
        "pairs": [
            {"depth_m": round(float(cm) / 100, 6), "volume_m3": round(float(n) * scale[unit], 9)}
            for n, unit, cm in pairs
        ],
        "height_m": round(float(rim[1]) / 100, 6),
    }


def read_body(model: Any, args: argparse.Namespace, words: Callable[[argparse.Namespace], dict[str, Any]]) -> Any:
    """The request of a command: from its flags, or as JSON from standard input.

    :raises BadInput: naming the field.
    """
    from pydantic import ValidationError

    try:
        return model.model_validate_json(sys.stdin.read()) if args.json == "-" else model.model_validate(words(args))
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        field = ".".join(str(part) for part in first["loc"]) or "plan"
        raise BadInput(field, "option-invalid", why=first["msg"]) from None
