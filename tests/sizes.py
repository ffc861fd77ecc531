"""How much is tried: as much as still decides, or with --full as much as ever."""

full = False
"""Set by conftest.py before any test is read."""


def sized(usual: int, in_full: int) -> int:
    return in_full if full else usual
