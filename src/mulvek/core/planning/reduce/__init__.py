"""Milk boiled down: the forecast, its stops, what it turns out like, and caramel."""
