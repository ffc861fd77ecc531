"""Caramelised milk by the pan method: dry sugar caramel, then butter, milk and condensed milk.

Reduction dossier §9: colour by the syrup's own temperature (±4 °C), carried over by 3 to 5 °C after the
flame is off, so one stops a stage early.
"""

from dataclasses import dataclass

from ...composition.composition import Composition, together
from ...composition.materials import material
from ...errors import BadInput, Impossible
from ...properties.density import volume_m3
from ...properties.texture import COLD_C, STAGES, stage_index, viscosity_mpa_s
from ...ranges import Range

SHADES: tuple[tuple[str, float, float], ...] = (
    ("straw", 150.0, 162.0),
    ("pale gold", 162.0, 168.0),
    ("amber", 168.0, 175.0),
    ("deep amber", 175.0, 182.0),
)
"""Shades one stops at, from and up to, °C of the syrup."""
BEYOND: tuple[tuple[str, float], ...] = (("colourless syrup", 150.0), ("dark, bitter", 190.0), ("burnt", 999.0))
CARRY_OVER_K = 4.0
READING_SD_K = 4.0
STEAM_SHARE = 0.10
"""Water that leaves while milk and caramel boil together again, share of the milk's water (estimate)."""


@dataclass(frozen=True, slots=True)
class Step:
    """One step: what to do, the sign to wait for, and the syrup's temperature where it matters."""

    do: str
    sign: str
    celsius: Range | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Caramel:
    """Steps and what they give: mass kg, total solids and sugar kg per kg, thickness cold."""

    shade: str
    steps: tuple[Step, ...]
    mass_kg: Range
    volume_m3: float
    total_solids: float
    sugar: float
    fat: float
    cold_name: str
    parts: Composition


def shade_at(celsius: float) -> str:
    """Colour of dry caramel at a temperature, °C.

    >>> shade_at(140), shade_at(170), shade_at(195)
    ('colourless syrup', 'amber', 'burnt')
    """
    for name, _, upper in (("colourless syrup", 0.0, 150.0), *SHADES):
        if celsius < upper:
            return name
    return "dark, bitter" if celsius < 190.0 else "burnt"


def caramelised_milk(
    shade: str, sugar_kg: float, butter_kg: float, milk: Composition, milk_kg: float, condensed_kg: float
) -> Caramel:
    """Plan the pan method.

    :param shade: one of ``SHADES``. :param milk: parts per kg of the milk.
    :raises BadInput, Impossible: naming the word to change.

    >>> got = caramelised_milk("amber", 0.1, 0.02, material("cow").parts, 0.25, 0.2)
    >>> got.steps[1].celsius.likely, round(got.total_solids, 2)
    (167.5, 0.54)
    """
    try:
        low, high = next((a, b) for name, a, b in SHADES if name == shade)
    except StopIteration:
        known = ", ".join(name for name, _, _ in SHADES)
        raise BadInput("shade", f"There is no shade “{shade}” to stop at.", f"Use one of: {known}.") from None
    if not 0.02 <= sugar_kg <= 5:
        raise Impossible("sugar", "That is no amount of sugar to caramelise.", "Take 20 g to 5 kg.")
    if milk_kg + condensed_kg <= 0 or butter_kg < 0 or condensed_kg < 0:
        raise Impossible("milk", "Caramel without milk is toffee.", "Add milk or condensed milk.")
    whole = together(
        [
            material("white-sugar").parts.scaled(sugar_kg),
            material("butter").parts.scaled(butter_kg),
            milk.scaled(milk_kg),
            material("condensed").parts.scaled(condensed_kg),
        ]
    )
    steam = STEAM_SHARE * float(whole.water)
    done = whole.with_water(float(whole.water) - steam)
    mass, share = float(done.total), done.per_kg()
    off = (low + high) / 2 - CARRY_OVER_K
    steps = (
        Step(
            "Melt the sugar dry in a wide, heavy pan on a gentle flame; swirl, do not stir.", "clear syrup, no grains"
        ),
        Step(
            f"Take it off one stage before {shade}: it goes on by itself.",
            f"{shade_at(off - 6)} turning {shade_at(off)}",
            Range.normal(off, READING_SD_K),
        ),
        Step("Off the flame, stir in the butter.", "it foams, then lies quiet"),
        Step(
            "Warm the milk; pour it in little by little, at arm's length: it spits.", "lumps melt on a gentle flame"
        ),
        Step(
            "Stir in the condensed milk and simmer 3 to 4 minutes, scraping.",
            "one smooth colour, a veil on the spoon",
        ),
    )
    thick = float(viscosity_mpa_s(share, COLD_C, aged=True))
    return Caramel(
        shade=shade,
        steps=steps,
        mass_kg=Range.normal(mass, 0.5 * steam, 0.0),
        volume_m3=float(volume_m3(done, 20.0)),
        total_solids=float(share.total_solids),
        sugar=float(share.free_sugars),
        fat=float(share.fat),
        cold_name=STAGES[int(stage_index(thick))],
        parts=done,
    )
