"""Two batches of one thing laid side by side: what differed, first what explains most of it."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from .faults import Fault

LEAST_STEP = 0.02
"""Of the larger figure: what differs by less is alike."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """A reading of both; ``explains``: log-odds that it moves for the cause ``why`` of the fault, 0 where it tells of none."""

    reading: str
    first: float
    second: float
    explains: float
    fault: str
    cause: str


def alike(first: float, second: float) -> bool:
    """
    >>> alike(4.0, 4.05), alike(0.0, 1.0), alike(0.0, 0.0)
    (True, False, True)
    """
    return abs(first - second) <= LEAST_STEP * max(abs(first), abs(second))


def differences(
    first: Mapping[str, float], second: Mapping[str, float], faults: Iterable[Fault]
) -> tuple[list[Difference], list[str]]:
    """What differed, the most telling first, and the readings that were alike. ``faults``: of which the readings may tell."""
    of = list(faults)
    found, same = [], []
    for reading in sorted(first.keys() & second.keys()):
        if alike(first[reading], second[reading]):
            same.append(reading)
        else:
            found.append(_difference(reading, first[reading], second[reading], of))
    return sorted(found, key=lambda d: (-d.explains, d.reading)), same


def _difference(reading: str, first: float, second: float, faults: Iterable[Fault]) -> Difference:
    best = Difference(reading=reading, first=first, second=second, explains=0.0, fault="", cause="")
    for fault in faults:
        for cause in fault.causes:
            for evidence in cause.shows:
                moved = abs(evidence.strength(first) - evidence.strength(second))
                if evidence.reading == reading and moved > best.explains:
                    best = Difference(
                        reading=reading,
                        first=first,
                        second=second,
                        explains=moved,
                        fault=fault.key,
                        cause=cause.key,
                    )
    return best
