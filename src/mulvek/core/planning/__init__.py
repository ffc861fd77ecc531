"""A request in, a forecast out, with ranges and explanations."""
