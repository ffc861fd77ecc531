"""The boathouse kitchen: sample data for a rowing club's regatta supper, made through the same code as a
cook's own. All of it is invented."""
