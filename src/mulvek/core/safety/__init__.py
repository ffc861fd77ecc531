"""Hazards, cautions, chilling and keeping: one verdict each."""
