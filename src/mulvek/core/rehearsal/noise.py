"""Chance that depends on nothing but (seed, stream, tick): what is read, in what order or how fast, changes nothing.

Day dossier §5: integer hashes, so that a run can be replayed with one thing changed and all else the same.
"""

import math

_WORD = 0xFFFFFFFF


def _hash(x: int) -> int:
    x &= _WORD
    x ^= x >> 16
    x = (x * 0x7FEB352D) & _WORD
    x ^= x >> 15
    x = (x * 0x846CA68B) & _WORD
    return x ^ (x >> 16)


def uniform(seed: int, stream: str, tick: int) -> float:
    """A number above 0 and below 1.

    >>> uniform(7, "bell", 0) == uniform(7, "bell", 0), uniform(7, "bell", 0) == uniform(7, "bell", 1)
    (True, False)
    """
    name = 0
    for letter in stream:
        name = _hash(name * 31 + ord(letter))
    return (_hash(_hash(seed ^ name) + 0x9E3779B9 * (tick + 1)) + 0.5) / 4294967296


def normal(seed: int, stream: str, tick: int) -> float:
    """A draw from the standard normal distribution (Box and Muller 1958)."""
    radius = math.sqrt(-2 * math.log(uniform(seed, stream + "a", tick)))
    return radius * math.cos(2 * math.pi * uniform(seed, stream + "b", tick))
