"""How things go in and out: the JSON of the API and of the command line, and the words of a batch's log."""
