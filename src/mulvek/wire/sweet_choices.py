"""What the Sweets sentence chooses from, and the cook's own sweets in and out."""

from collections.abc import Mapping
from typing import Any

from pydantic import Field

from ..core.equipment.moulds import MOULDS
from ..core.planning.sweets.formula import School, Sweet
from ..core.planning.sweets.fruits import pulps, takes_fruit
from ..core.planning.sweets.library import library, things
from .model import Body, Out


class SchoolChoice(Out):
    key: str
    name: str
    about: str
    bases: dict[str, str]
    milk_fat_pct: float | None = Field(description="Of its usual milk; none when it is no dairy milk")
    usual_flavour: str = Field(description="What it tastes of when no flavour is chosen")
    fruit: bool = Field(description="Made with a fruit, which can be another")


class SweetChoice(Out):
    """A sweet to choose; ``own`` its number and version when it is the cook's."""

    key: str
    name: str
    about: str
    one: str
    many: str
    frozen: bool
    way: str
    schools: list[SchoolChoice]
    flavours: dict[str, str]
    usual_want: str = Field(description="What a home makes of it at once")
    own: bool
    id: int | None
    version: int | None


class MouldChoice(Out):
    key: str
    name: str
    ml: float


class SweetChoices(Out):
    sweets: list[SweetChoice]
    moulds: list[MouldChoice]
    ingredients: dict[str, str]
    fruits: dict[str, str] = Field(description="What a way of making it that takes a fruit can be made with")


def sweet_choices(own: Mapping[str, tuple[int, int, Sweet]]) -> SweetChoices:
    """All that the sentence chooses from; the cook's own sweets first."""

    inner = library()

    def choice(sweet: Sweet, kept: tuple[int, int] | None) -> SweetChoice:
        return SweetChoice(
            key=sweet.key,
            name=sweet.name,
            about=sweet.about,
            one=sweet.one,
            many=sweet.many,
            frozen=sweet.frozen,
            way=sweet.usual.piece.way,
            schools=[
                SchoolChoice(
                    key=s.key,
                    name=s.name,
                    about=s.about,
                    bases={k: b.do for k, b in s.bases.items()},
                    milk_fat_pct=_milk_fat(s.milk),
                    usual_flavour=_usual_flavour(sweet, s),
                    fruit=takes_fruit(s, inner),
                )
                for s in sweet.schools.values()
            ],
            flavours={k: v.name for k, v in sweet.flavours.items()},
            usual_want=sweet.usual_want or ("6" if sweet.usual.piece.way == "serve" else "24"),
            own=kept is not None,
            id=kept[0] if kept else None,
            version=kept[1] if kept else None,
        )

    mine = [choice(sweet, (number, version)) for number, version, sweet in own.values()]
    ours = [choice(sweet, None) for sweet in library().values() if not sweet.hidden]
    return SweetChoices(
        sweets=[*mine, *ours],
        moulds=[MouldChoice(key=m.key, name=m.name, ml=round(m.volume_m3 * 1e6, 1)) for m in MOULDS.values()],
        ingredients={key: thing.name for key, thing in things().items()},
        fruits=pulps(things()),
    )


def _usual_flavour(sweet: Sweet, school: School) -> str:
    """The sweet's own, where it goes into this way of making it: a flavour that is named is on the list."""
    goes_in = any(sweet.usual_flavour in key for key in (*school.mix, *school.finish))
    return sweet.usual_flavour if goes_in else "plain"


def _milk_fat(key: str) -> float | None:
    thing = things().get(key)
    return round(thing.parts.fat * 100, 2) if thing and thing.group == "milk" else None


class OwnSweetIn(Body):
    """A cook's own sweet, in the library's form; ``version``: the one it was changed from."""

    form: dict[str, Any] = Field(description="As core/planning/sweets/forms.py reads it")
    version: int | None = Field(None, ge=1)


class OwnSweetOut(Out):
    id: int
    version: int
    key: str
    form: dict[str, Any]
