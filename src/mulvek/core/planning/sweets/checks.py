"""Whether fruit splits this mix: its pH by the acid it brings. Sweets dossier F59 (±0.3); the curd dossier's §10 is finer
and the Bench reckons with it where the fruit is known."""

COLD_PH, WARM_PH, HOT_PH = 5.0, 5.6, 6.0
"""Below these a cold, a warm (40-70 °C) and a hot mix curdles."""


def fruit_mix_ph(acid: float, msnf: float) -> float:
    """pH of a mix; ``acid`` and ``msnf`` kg per kg.

    >>> round(fruit_mix_ph(0.0030, 0.12), 3)
    5.453
    """
    return 6.6 - 15.6 * acid / (0.34 * msnf)


def splits(acid: float, msnf: float) -> str | None:
    """At what heat it splits, in words; None when it does not."""
    if acid < 0.0003 or msnf < 0.01:
        return None
    ph = fruit_mix_ph(acid, msnf)
    return "even cold" if ph < COLD_PH else "warm" if ph < WARM_PH else "hot" if ph < HOT_PH else None
