"""Caramelised milk in a pan: dry sugar to a shade, opened with butter and milk, simmered down."""
