"""JSON of what each station's sentence said last."""

import re
from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from .model import Body, Out

Station = Literal["reduce", "curdle", "strain", "caramel", "sweets", "told", "day", "shopping"]
"""Whose words are kept; ``shopping``: what is ticked off the list."""
LONGEST_QUERY = 4000


def _query(text: str) -> str:
    if re.search(r"[^!-~]|[#?]", text):
        raise ValueError("write it as it stands behind the ? of an address")
    return text


class LastWordsIn(Body):
    """The words of a station as the query of its address."""

    query: Annotated[str, Field(max_length=LONGEST_QUERY), AfterValidator(_query)]


class LastWordsOut(Out):
    """The query of each station's address as it was last, by the station's name."""

    words: dict[str, str]


class LastWordsPath(Out):
    station: Station
