"""What happens to a batch: events, undo and replay, estimates, reminders, what it teaches."""
