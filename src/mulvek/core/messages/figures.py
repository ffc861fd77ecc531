"""Figures in kitchen words."""

from typing import Literal

Dimension = Literal["volume", "mass", "length", "percent", "none"]


def say(value: float, dimension: Dimension) -> str:
    """An SI value in kitchen words.

    >>> say(1.248, "mass"), say(0.0024, "volume"), say(0.041, "length"), say(0.31, "percent")
    ('1.25 kg', '2.4 L', '4.1 cm', '31 %')
    """
    if dimension in ("mass", "volume"):
        big, small = ("kg", "g") if dimension == "mass" else ("L", "ml")
        thousands = value if dimension == "mass" else value * 1e3
        if thousands >= 0.9995:
            return f"{thousands:.2f}".rstrip("0").rstrip(".") + f" {big}"
        units = thousands * 1e3
        return (f"{units:.0f}" if units >= 100 else f"{units:.3g}") + f" {small}"
    if dimension == "length":
        return f"{value * 1e2:.1f} cm"
    if dimension == "percent":
        return f"{value * 1e2:.3g} %"
    return f"{value:g}"
