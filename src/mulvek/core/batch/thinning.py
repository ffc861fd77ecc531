"""Drawing a long curve with few points, without losing a spike: a lifted pan is one that matters."""

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]


def thinned(at_s: Array, values: Array, points: int) -> tuple[Array, Array]:
    """The least and the greatest of each of ``points / 2`` equal stretches of time, in their own order.

    Both arrays of equal length, rising times; returned whole when they are short enough.

    >>> t = np.arange(1000.0); v = np.zeros(1000); v[500] = 9.0
    >>> at, kept = thinned(t, v, 20)
    >>> len(at) <= 20, float(kept.max())
    (True, 9.0)
    """
    if len(at_s) <= points:
        return at_s, values
    edges = np.linspace(at_s[0], at_s[-1], points // 2 + 1)
    first = np.unique(np.clip(np.searchsorted(at_s, edges[:-1]), 0, len(at_s) - 1))
    ends = np.append(first[1:], len(at_s))
    kept: set[int] = set()
    for a, b in zip(first.tolist(), ends.tolist(), strict=True):
        piece = values[a:b]
        kept.update((a + int(piece.argmin()), a + int(piece.argmax())))
    index = np.array(sorted(kept))
    return at_s[index], values[index]
