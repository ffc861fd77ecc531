"""Points and words from figures: slopes, thresholds, what was more or less than told."""

from collections.abc import Sequence


def clamp(x: float, low: float = 0.0, high: float = 1.0) -> float:
    return max(low, min(high, x))


def ramp(x: float, low: float, high: float) -> float:
    """0 below ``low``, 1 above ``high``, even between; the other way round when ``high`` is the lower."""
    return clamp((x - low) / (high - low))


def points(lost: float) -> float:
    """Points left of 100."""
    return clamp(100 - lost, 0.0, 100.0)


def off_by(times: float, more: str, less: str) -> list[str]:
    """A sentence on what was more or less than told, by its factor; none when it was as told.

    >>> off_by(1.12, "It took {} % more acid than usual.", "It took {} % less acid than usual.")
    ['It took 12 % more acid than usual.']
    """
    percent = round(abs(times - 1) * 100)
    return [] if percent < 1 else [(more if times > 1 else less).format(percent)]


def level_word(x: float, words: Sequence[tuple[float, str]]) -> str:
    """The word of the first level that ``x`` is above or at; the levels fall.

    >>> level_word(0.3, ((0.6, "burnt"), (0.2, "toast"), (0.0, "clean")))
    'toast'
    """
    return next((word for level, word in words if x >= level), words[-1][1])


def standing_words(standing_s: float, total_s: float) -> str:
    return f"{standing_s / 60:.0f} of {total_s / 60:.0f} minutes at it"
