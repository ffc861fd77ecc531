"""The one tree of errors that a cook can cause, each naming the word to change and the fix."""


class KitchenError(Exception):
    """Something the cook asked cannot be done as asked.

    ``field`` is the word of the sentence (or the field of the form) to change, ``message`` says what
    is wrong and ``fix`` what to do about it. All three reach the screen.
    """

    def __init__(self, field: str, message: str, fix: str) -> None:
        super().__init__(f"{message} {fix}".strip())
        self.field = field
        self.message = message
        self.fix = fix


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

    def __init__(self, field: str, message: str, fix: str, retry_s: float) -> None:
        super().__init__(field, message, fix)
        self.retry_s = retry_s
