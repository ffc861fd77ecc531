"""The base of every JSON model: nothing unknown passes, nothing is guessed."""

import json
import unicodedata
from functools import cache
from typing import Annotated, Any, Self

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field

LONGEST_NAME, LONGEST_WORDS, LONGEST_NOTE = 60, 80, 2000
"""Letters that a name, a word of a sentence and a note may have."""


def _one_line(text: str) -> str:
    """What a list, a title or a PDF cannot show has no place in a name."""
    if any(unicodedata.category(letter) in ("Cc", "Cs") for letter in text):
        raise ValueError("line breaks and control characters have no place here")
    return text


def _lines(text: str) -> str:
    _one_line(text.replace("\n", " ").replace("\t", " ").replace("\r", " "))
    return text


Name = Annotated[str, Field(min_length=1, max_length=LONGEST_NAME, pattern=r"\S"), AfterValidator(_one_line)]
Words = Annotated[str, Field(max_length=LONGEST_WORDS), AfterValidator(_one_line)]
NoteText = Annotated[str, Field(max_length=LONGEST_NOTE), AfterValidator(_lines)]


class Model(BaseModel):
    """A body whose JSON schema is worked out once: many routes declare the same, and the start waits for all."""

    @classmethod
    def model_json_schema(cls, *args: Any, **kwargs: Any) -> dict[str, Any]:
        return _schema(cls, *args, **kwargs)


@cache
def _schema(cls: type[Model], *args: Any, **kwargs: Any) -> dict[str, Any]:
    return super(Model, cls).model_json_schema(*args, **kwargs)


class Out(Model):
    """A body that Mulvek sends."""

    model_config = ConfigDict(extra="forbid", from_attributes=True)


class Body(Model):
    """A body that Mulvek receives: strict ("3" is no number), finite, no unknown fields."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)

    @classmethod
    def model_validate(cls, obj: Any, **kwargs: Any) -> Self:
        # strict needs pydantic's JSON mode, where a list may become a tuple and a string an enum
        return cls.model_validate_json(json.dumps(obj), **kwargs)


class Nothing(Body):
    """An empty body: it must be JSON all the same, which a foreign page cannot send."""


def _whole(value: object) -> object:
    return int(value) if isinstance(value, float) and value.is_integer() else value


Id = Annotated[int, BeforeValidator(_whole), Field(ge=1, le=2**53)]
"""A thing's number. 7.0 counts as 7, as in JSON Schema and JavaScript."""


class Choice(Out):
    key: str
    name: str


Version = Annotated[int, Field(ge=1, le=2**31)]


Slugged = BeforeValidator(lambda sent: sent.replace(" ", "-") if isinstance(sent, str) else sent)
"""A choice that former releases sent and kept in plain words ("light squeeze"), and a cook may type so."""
