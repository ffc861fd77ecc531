"""The six numbers on the door: how long they are good, and how little a guesser gets out of them.

Each wrong guess makes all wait longer for the next; after ``MOST_WRONG`` the numbers are void until somebody at the
computer asks for new ones. So whoever guesses has five tries in a million for each time that a hand opens the door,
and is then still only in the doorway.
"""

import hmac
import secrets
from collections.abc import Callable
from dataclasses import dataclass

GOOD_FOR_S = 300.0
MOST_WRONG = 5
FIRST_WAIT_S = 1.0
DIGITS = 6


@dataclass(frozen=True, slots=True)
class Wait:
    """Not looked at: too soon after a wrong one."""

    seconds: float


@dataclass(slots=True)
class Numbers:
    """``ticks``: seconds of a clock that nobody sets."""

    ticks: Callable[[], float]
    code: str = ""
    until: float = 0.0
    wrong: int = 0
    not_before: float = 0.0

    def renew(self) -> None:
        self.code = f"{secrets.randbelow(10**DIGITS):0{DIGITS}}"
        self.until, self.wrong, self.not_before = self.ticks() + GOOD_FOR_S, 0, 0.0

    def void(self) -> None:
        self.code = ""

    @property
    def open(self) -> bool:
        return bool(self.code) and self.ticks() < self.until

    @property
    def guessed_out(self) -> bool:
        """Void because of too many wrong guesses."""
        return self.wrong >= MOST_WRONG

    @property
    def left_s(self) -> float:
        return max(0.0, self.until - self.ticks()) if self.code else 0.0

    def guess(self, typed: str) -> bool | Wait:
        """Whether these are the numbers; right ones are used up. Nothing is right while the door is shut."""
        now = self.ticks()
        if now < self.not_before:
            return Wait(self.not_before - now)
        if self.open and hmac.compare_digest(typed.encode(), self.code.encode()):
            self.void()
            return True
        self.wrong += 1
        self.not_before = now + FIRST_WAIT_S * 2 ** min(self.wrong - 1, 5)
        if self.guessed_out:
            self.void()
        return False
