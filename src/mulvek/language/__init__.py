"""From what is known to what a cook reads: the words of a log, slugs spoken."""
