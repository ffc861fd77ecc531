"""JSON of a batch of any kind that begins: of which kind, what it is called, and the plan in the sentence's words."""

from typing import Annotated, Literal

from pydantic import Field

from .curd import CurdleIn
from .happenings import Key
from .model import Body, Name
from .reduce import ReduceIn
from .strain import StrainIn
from .sweet_words import SweetIn


class Begin(Body):
    name: Name
    key: Key | None = None


class ReduceBegin(Begin):
    """Light it. ``plan`` names a pan and a burner of the Larder."""

    kind: Literal["reduce"]
    plan: ReduceIn


class CurdleBegin(Begin):
    kind: Literal["curdle"]
    plan: CurdleIn


class StrainBegin(Begin):
    kind: Literal["strain"]
    plan: StrainIn


class SweetBegin(Begin):
    """A plan of the Sweets station."""

    kind: Literal["sweet"]
    plan: SweetIn


class BatchIn(Body):
    """Begin a plan."""

    batch: Annotated[ReduceBegin | CurdleBegin | StrainBegin | SweetBegin, Field(discriminator="kind")]
