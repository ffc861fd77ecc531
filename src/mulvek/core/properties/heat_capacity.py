"""Heat that warms a batch. Reduction dossier §3; Choi & Okos 1986."""

from ..composition.composition import Composition, Number

_CP = {  # kJ/kg K: a + b·t + c·t²
    "water": (4.1762, -9.0864e-5, 5.4731e-6),
    "fat": (1.9842, 1.4733e-3, -4.8008e-6),
    "protein": (2.0082, 1.2089e-3, -1.3129e-6),
    "carbohydrate": (1.5488, 1.9625e-3, -5.9399e-6),
    "fibre": (1.8459, 1.8306e-3, -4.6509e-6),
    "ash": (1.0926, 1.8896e-3, -3.6817e-6),
}


def heat_capacity_j_k(parts: Composition, celsius: Number) -> Number:
    """Heat that warms the batch (parts in kg) by 1 K, J/K, 0-100 °C, ±2 % (Choi & Okos 1986)."""
    groups = {
        "water": parts.water,
        "fat": parts.fat,
        "protein": parts.protein + parts.npn,
        "carbohydrate": parts.sugars + parts.digestible + parts.acids,
        "fibre": parts.fibre,
        "ash": parts.minerals,
    }
    return 1e3 * sum(
        mass * (_CP[group][0] + celsius * (_CP[group][1] + celsius * _CP[group][2]))
        for group, mass in groups.items()
        if not (isinstance(mass, float) and mass == 0.0)
    )
