"""How things go in and out: the JSON of the API and of the command line."""
