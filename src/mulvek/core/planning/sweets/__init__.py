"""Sweets: the formula language and its library, sizes, times, costs, swaps."""
