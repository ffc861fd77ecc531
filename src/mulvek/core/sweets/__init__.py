"""Sweets built from bases: the formula language, the library, and what a built sweet is and took."""
