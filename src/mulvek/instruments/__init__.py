"""Stand-ins for kitchen instruments: a process of its own that speaks an open line format over HTTP."""
