"""The colours of dry caramel by the syrup's own temperature, ±4 °C (reduction dossier §9)."""

from collections.abc import Mapping
from typing import Literal, get_args

Shade = Literal["straw", "pale-gold", "amber", "deep-amber"]
"""What one stops at."""
SeenShade = Literal["clear", "straw", "pale-gold", "amber", "deep-amber", "dark"]
"""What one may see: clear syrup before, bitter after."""
SEEN: tuple[SeenShade, ...] = get_args(SeenShade)
FROM_C: Mapping[SeenShade, float] = {
    "clear": 140.0,
    "straw": 150.0,
    "pale-gold": 162.0,
    "amber": 168.0,
    "deep-amber": 175.0,
    "dark": 182.0,
}
"""Each shade begins there, °C, and ends where the next begins."""
BURNT_C = 190.0
CARRY_OVER_K = (3.0, 4.0, 5.0)
"""What the pan still gives once it is off the flame: least, likely, most."""
READING_SD_K = 4.0


def ends_c(shade: SeenShade) -> float:
    """Where a shade ends, °C."""
    after = SEEN.index(shade) + 1
    return FROM_C[SEEN[after]] if after < len(SEEN) else BURNT_C


def middle_c(shade: SeenShade) -> float:
    """The middle of a shade, °C.

    >>> middle_c("amber")
    171.5
    """
    return (FROM_C[shade] + ends_c(shade)) / 2


def shade_at(celsius: float) -> SeenShade:
    """Colour of dry caramel at a temperature, °C; dark to burnt is "dark".

    >>> shade_at(140), shade_at(170), shade_at(195)
    ('clear', 'amber', 'dark')
    """
    return next((shade for shade in reversed(SEEN) if celsius >= FROM_C[shade]), "clear")


def off_c(shade: Shade) -> float:
    """Take it off the flame there, °C: it goes on to the middle of its shade by itself."""
    return middle_c(shade) - CARRY_OVER_K[1]
