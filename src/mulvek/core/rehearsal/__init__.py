"""Rehearsal: a simulated pan of milk with its instruments, scripted cooks, and the account of a run."""
