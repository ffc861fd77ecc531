"""What is typed at a prompt."""

from .main import main

__all__ = ["main"]
