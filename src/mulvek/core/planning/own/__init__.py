"""A sweet of one's own, told as one makes it: the lines of one batch, what they come to, and its form in the library."""
