"""Mulvek: plans, times, runs and records the making of milk sweets at home."""

__version__ = "0.1.0"
