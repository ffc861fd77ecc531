"""Volume and density of milk and its concentrates.

Volumes of the parts add, as they are *in milk* (dissolved, not dry), with one excess term for strong
sugar: V = Σ mᵢ·vᵢ(t) + 0.0225·s²/(s+w). Reduction dossier §2; fat after Choi & Okos 1986, water after
Kell 1975, dissolved volumes fitted to milk, evaporated milk and sucrose tables.
Valid 0-105 °C, any total solids, no air in it. ±0.001 g/ml for milk, ±0.005 condensed.
"""

from ..composition.composition import Composition, Number

_FAT = (925.59, -0.41757)
_PER_KG_AT_20 = {  # m³/kg ×1e3 at 20 °C, and its rise per K
    "casein": (0.698, 0.0003),
    "whey": (0.735, 0.0003),
    "lactose": (0.613, 0.0003),
    "minerals": (0.170, 0.0),
    "sucrose": (0.615, 0.0003),
    "reducing": (0.613, 0.0003),
    "starch": (0.645, 0.0002),
    "other": (0.70, 0.0003),
    "acids": (0.66, 0.0003),
}


def water_density_kg_m3(celsius: Number) -> Number:
    """Density of air-free water at 1 atm, kg/m³, 0-150 °C (Kell 1975).

    >>> round(water_density_kg_m3(20.0), 2)
    998.2
    """
    t = celsius
    top = 999.83952 + t * (
        16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12)))
    )
    return top / (1 + 16.879850e-3 * t)


def fat_specific_volume(celsius: Number) -> Number:
    """m³/kg of milk fat, 0-100 °C (Choi & Okos 1986)."""
    return 1.0 / (_FAT[0] + _FAT[1] * celsius)


def _none(mass: Number) -> bool:
    return isinstance(mass, float) and mass == 0.0


def excess_volume_m3(parts: Composition) -> Number:
    """Room that sugars take beyond their own as the sugar in the water grows strong, m³."""
    sugars = parts.free_sugars
    if _none(sugars):
        return 0.0
    return 0.0225e-3 * sugars**2 / (sugars + parts.water)


def solids_volume_m3(parts: Composition, celsius: Number) -> Number:
    """Room of everything but the water, without the excess term, m³."""
    warm = celsius - 20.0
    room = parts.fat * fat_specific_volume(celsius)
    for name, (at_20, rise) in _PER_KG_AT_20.items():
        mass = getattr(parts, name)
        if not _none(mass):
            room = room + mass * ((at_20 + rise * warm) * 1e-3)
    return room


def volume_m3(parts: Composition, celsius: Number) -> Number:
    """Volume of a batch (parts in kg), m³, at ``celsius``."""
    water = parts.water / water_density_kg_m3(celsius)
    return water + solids_volume_m3(parts, celsius) + excess_volume_m3(parts)


def density_kg_m3(parts: Composition, celsius: Number) -> Number:
    """Density, kg/m³.

    >>> from mulvek.core.composition.materials import dairy
    >>> round(density_kg_m3(dairy(4.1, 8.72), 20.0) / 1000, 4)
    1.0294
    """
    return parts.total / volume_m3(parts, celsius)


def water_at_volume_kg(solids: Composition, target_m3: Number, celsius: Number) -> Number:
    """Water that brings these solids to a volume, kg; the excess term by fixed point (settles in a few turns)."""
    rho, base = water_density_kg_m3(celsius), solids_volume_m3(solids, celsius)
    water = (target_m3 - base) * rho
    for _ in range(0 if _none(solids.free_sugars) else 12):
        water = (target_m3 - base - excess_volume_m3(solids.with_water(abs(water) + 1e-9))) * rho
    return water
