"""How deep fruit that cooks down stands in its pan, at first and when it is done. Milk has its levels on the Bench."""

from collections.abc import Iterator

from ...equipment.vessels import capacity_m3
from ...properties.density import density_kg_m3, water_density_kg_m3
from .build import Built
from .flow import of_part
from .formula import COOKED_DOWN
from .plan import SweetForecast

HOT_C = 95.0


def cooked_level_m(f: SweetForecast, step: str) -> tuple[float, float] | None:
    """Depth at the start and at the end of a step that cooks fruit down, m in the pan it was planned in; None of others.

    Its volume at the end follows from its parts, hot; at the start it has the water too that boils off.
    """
    for key, built, kg in _cooked(f.built, f.batch.finished_kg, ""):
        if key != step or not _of_fruit(built, f):
            continue
        shape = f.plan.hearth.pan.shape
        stop_m3 = built.stop_kg * kg / float(density_kg_m3(built.parts, HOT_C))
        steam_m3 = (built.into_pan_kg - built.stop_kg) * kg / float(water_density_kg_m3(HOT_C))
        if stop_m3 + steam_m3 > capacity_m3(shape):
            return None  # it is cooked in goes, each with its own
        return float(shape.depth_m(stop_m3 + steam_m3)), float(shape.depth_m(stop_m3))
    return None


def _cooked(built: Built, kg: float, of: str) -> Iterator[tuple[str, Built, float]]:
    """Each step that cooks down, its own account per kg, and how many kg."""
    for step in built.school.steps:
        if step.key == COOKED_DOWN and built.school.cook is not None:
            yield of + step.key, built, kg
    for part in built.sides:
        yield from _cooked(part, kg * of_part(built, part), f"{of}part.{part.sweet.key}.")


def _of_fruit(built: Built, f: SweetForecast) -> bool:
    most = f.plan.pantry.things.get(max(built.school.mix, key=lambda key: built.school.mix[key]))
    return most is not None and most.group == "fruit"
