"""Requests as they come over the wire, anything a kitchen may ask: used by every property test."""

from .requests import caramels, curdlings, kitchens, milks, pans, reductions, strainings, sweets

__all__ = ["caramels", "curdlings", "kitchens", "milks", "pans", "reductions", "strainings", "sweets"]
