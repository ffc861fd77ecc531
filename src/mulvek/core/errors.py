"""The one tree of errors that a cook can cause, each naming the word to change and the fix."""

from functools import partial

from .messages.catalogue import said
from .messages.message import Message, Value


class KitchenError(Exception):
    """Something the cook asked cannot be done as asked.

    ``field`` is the word of the sentence (or the field of the form) to change; ``says`` the message: what is wrong, and
    as its part "fix" what to do about it. All three reach the screen.

    >>> try:
    ...     raise BadInput("flame", "rehearse-which-flame")
    ... except KitchenError as error:
    ...     print(error.field, error.says.key, "|", error)
    flame rehearse-which-flame | Which flame? Give gentle, medium or strong.
    """

    def __init__(self, field: str, says: str | Message, /, **values: Value) -> None:
        self.field = field
        self.says = says if isinstance(says, Message) else Message(says, **values)
        super().__init__(field, self.says)

    @property
    def message(self) -> str:
        """What is wrong, in the language that is spoken now."""
        return said(self.says)

    @property
    def fix(self) -> str:
        """What to do about it."""
        return said(self.says, "fix")

    def __str__(self) -> str:
        return f"{self.message} {self.fix}".strip()


class BadInput(KitchenError):
    """A word, number or unit that cannot be understood or lies outside what it may be."""


class Impossible(KitchenError):
    """A wish that is understood but that milk, pan or flame cannot fulfil."""


class Unlikely(KitchenError):
    """A reading that hardly can be true: asked back before it is believed."""


class NotFound(KitchenError):
    """Something that is not in this kitchen."""


class Conflict(KitchenError):
    """An action that does not fit the state of the batch."""


class Unreadable(KitchenError):
    """Something stored that is damaged: it is named, and the rest is served."""


class Unavailable(KitchenError):
    """Nothing that the cook did: the disk, the file or another program is in the way. ``retry_s``: when to try again."""

    def __init__(self, field: str, says: str | Message, /, *, retry_s: float, **values: Value) -> None:
        super().__init__(field, says, **values)
        self.retry_s = retry_s

    def __reduce__(self) -> tuple[object, tuple[str, Message]]:
        return partial(Unavailable, retry_s=self.retry_s), (self.field, self.says)
