"""Pints, quarts, fluid ounces and cups, which hold one thing in one land and another in the next."""

import re

from ..errors import BadInput
from ..messages.message import Choice

_LANDS = {"us": "us", "american": "us", "uk": "uk", "imperial": "uk", "british": "uk", "metric": "metric"}
_BY_LAND = {  # ml, by what they are called in two lands
    "pint": {"us": 473.176473, "uk": 568.26125},
    "quart": {"us": 946.352946, "uk": 1136.5225},
    "fl oz": {"us": 29.5735296, "uk": 28.4130625},
    "cup": {"us": 236.588236, "metric": 250.0},
}
LAND_UNITS = {
    f"{land}{name.replace(' ', '')}": ml * 1e-6 for name, lands in _BY_LAND.items() for land, ml in lands.items()
}
"""m³ of each, as one word."""
_LAND_UNIT = re.compile(
    r"\b(?:(" + "|".join(_LANDS) + r")\.?\s+)?(pints?|quarts?|qts?|fl\.?\s*oz|fluid\s+ounces?|cups?)\b", re.IGNORECASE
)


def with_lands(text: str, field: str) -> str:
    """Units of two lands as one word each ("2 us pints" → "2 uspint"); one's own cup stays as it is.

    :raises BadInput: for a pint, quart or fluid ounce of no land.
    """

    def one(found: re.Match[str]) -> str:
        word = found[2].lower()
        name = "fl oz" if word.startswith("fl") else "quart" if word.startswith("q") else word.removesuffix("s")
        land = _LANDS.get((found[1] or "").lower())
        if land in _BY_LAND[name]:
            return f"{land}{name.replace(' ', '')}"
        if name == "cup" and land is None:
            return found[0]
        lands = _BY_LAND[name]
        sizes = Choice(tuple(f"{ml:.0f} ml ({land.upper()})" for land, ml in lands.items()))
        ways = Choice(tuple(f"“{land} {name}”" for land in lands))
        raise BadInput(field, "measure-differs-by-land", name=name, sizes=sizes, ways=ways)

    return _LAND_UNIT.sub(one, text)
