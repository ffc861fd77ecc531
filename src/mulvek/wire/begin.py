"""JSON of a batch of any kind that begins: of which kind, what it is called, and the plan in the sentence's words."""

from typing import Annotated, Literal

from pydantic import Field

from .caramel import CaramelIn
from .curd import CurdleIn
from .happenings import Key, Letter
from .model import Body, Id, Name
from .reduce import ReduceIn
from .strain import StrainIn
from .sweet_words import SweetIn


class Begin(Body):
    name: Name
    key: Key | None = None


class BaseBegin(Begin):
    """What may be a base of a making: ``parent`` the sweet that is made, ``slot`` the letter of the base."""

    parent: Id | None = None
    slot: Letter | None = None


class ReduceBegin(BaseBegin):
    """Light it. ``plan`` names a pan and a burner of the Larder."""

    kind: Literal["reduce"]
    plan: ReduceIn


class CurdleBegin(BaseBegin):
    kind: Literal["curdle"]
    plan: CurdleIn


class StrainBegin(BaseBegin):
    kind: Literal["strain"]
    plan: StrainIn


class CaramelBegin(BaseBegin):
    """Light the sugar. ``plan`` names a pan and a burner of the Larder."""

    kind: Literal["caramel"]
    plan: CaramelIn


class SweetBegin(Begin):
    """A plan of the Sweets station."""

    kind: Literal["sweet"]
    plan: SweetIn


class BatchIn(Body):
    """Begin a plan."""

    batch: Annotated[ReduceBegin | CurdleBegin | StrainBegin | CaramelBegin | SweetBegin, Field(discriminator="kind")]
