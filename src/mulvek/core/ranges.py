"""Every prediction is a range: low, likely and high of an 80 % interval."""

import math
from dataclasses import dataclass
from typing import Self

Z80 = 1.2816
"""Half width of an 80 % interval of a normal variable, in standard deviations."""


@dataclass(frozen=True, slots=True)
class Range:
    """Low, likely and high of a predicted figure: true in four cases of five.

    >>> round(Range.normal(10.0, 1.0).low, 4), Range.lognormal(40.0, 0.1).scaled(2.0).likely
    (8.7184, 80.0)
    """

    low: float
    likely: float
    high: float

    @classmethod
    def exact(cls, value: float) -> Self:
        return cls(value, value, value)

    @classmethod
    def normal(cls, mean: float, sd: float, floor: float = -math.inf) -> Self:
        """80 % interval of a normal variable, cut off at ``floor``."""
        return cls(max(floor, mean - Z80 * sd), max(floor, mean), max(floor, mean + Z80 * sd))

    @classmethod
    def lognormal(cls, median: float, ln_sd: float) -> Self:
        """80 % interval of a variable whose logarithm is normal with ``ln_sd``."""
        return cls(median * math.exp(-Z80 * ln_sd), median, median * math.exp(Z80 * ln_sd))

    @classmethod
    def between(cls, likely: float, sd: float, low: float, high: float) -> Self:
        """80 % interval of a figure that cannot leave ``low`` to ``high``: normal with ``sd`` on a scale on which both
        lie infinitely far away (the logit of its place between them).

        >>> r = Range.between(0.78, 0.12, 0.0, 1.0)
        >>> round(r.low, 3), r.likely, round(r.high, 3)
        (0.591, 0.78, 0.897)
        """
        if not low < likely < high:
            return cls.exact(min(max(likely, low), high))
        place = (likely - low) / (high - low)
        odds, reach = math.log(place / (1 - place)), Z80 * sd / ((high - low) * place * (1 - place))
        ends = (low + (high - low) / (1 + math.exp(-(odds + side * min(reach, 30.0)))) for side in (-1, 1))
        return cls(next(ends), likely, next(ends))

    def spread(self, scale: float = 1.0, form: str = ".0f") -> str:
        """Its ends in brackets, after the likely figure; nothing when both round to that one figure.

        >>> Range(11.2, 12.0, 12.9).spread(1.0, ".0f"), Range(11.96, 12.0, 12.04).spread(1.0, ".1f")
        (' (11 to 13)', '')
        """
        low, likely, high = (f"{end * scale:{form}}" for end in (self.low, self.likely, self.high))
        return "" if low == likely == high else f" ({low} to {high})"

    def scaled(self, factor: float) -> Self:
        """The same range in another unit; ``factor`` > 0."""
        return type(self)(self.low * factor, self.likely * factor, self.high * factor)
