"""Yoghurt hung."""
