"""The library of sweets: one TOML file each in ``library_data``, read, checked and put in order.

Adding a sweet is adding one file. A cook's own sweets have the same form and pass the same check.
"""

import tomllib
from collections.abc import Iterable, Mapping
from functools import cache
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any

from ...composition.materials import materials
from ...errors import BadInput, NotFound
from ...safety.hazards import HAZARDS
from .build import Pantry, build
from .forms import read_sweet
from .formula import MILK, Sweet
from .stuff import Thing


@cache
def things() -> Mapping[str, Thing]:
    """Everything of the materials' table, as things a sweet can be built from."""
    return {key: Thing.of(m) for key, m in materials().items()}


def _names(sweet: Sweet) -> Iterable[tuple[str, str]]:
    """Every name a sweet uses, with its place in the form."""
    for school in sweet.schools.values():
        at = f"schools.{school.key}"
        yield f"{at}.milk", school.milk
        for letter, base in school.bases.items():
            yield f"{at}.bases.{letter}", base.of
        yield from ((f"{at}.mix", key) for key in school.mix if key not in school.bases)
        yield from ((f"{at}.finish", key) for key in school.finish)
        if school.soak and school.soak.within:
            yield f"{at}.soak", school.soak.within
        if school.top:
            yield f"{at}.top", school.top.of
    for flavour in sweet.flavours.values():
        yield from ((f"flavours.{flavour.key}", key) for key in flavour.finish)


def check(sweet: Sweet, pantry: Pantry) -> None:
    """Whether everything it names is there and every school can be built.

    :raises BadInput, Impossible: naming the place in the form.
    """
    known = {MILK, *pantry.things, *pantry.sweets}
    for where, name in _names(sweet):
        if name not in known:
            raise BadInput(where, "form-unknown-part", name=name)
    for word in sweet.cautions:
        if word not in HAZARDS:
            raise BadInput("cautions", "form-unknown-caution", word=word, hazards=tuple(HAZARDS))
    for school in sweet.schools.values():
        for step in school.steps:
            if step.caution and step.caution not in HAZARDS:
                raise BadInput(f"schools.{school.key}.steps", "form-unknown-hazard", caution=step.caution)
            if isinstance(step.takes, str) and step.takes.startswith("base.") and step.takes[5:] not in school.bases:
                raise BadInput(f"schools.{school.key}.steps", "form-base-missing", takes=step.takes)
        build(sweet, school, pantry)


def read_folder(folder: Traversable, known: Mapping[str, Thing]) -> dict[str, Sweet]:
    """Every ``*.toml`` of a folder, checked together.

    :raises BadInput: naming the file and the place in it.
    """
    found: dict[str, Sweet] = {}
    for file in sorted(folder.iterdir(), key=lambda f: f.name):
        if file.name.endswith(".toml"):
            key = file.name.removesuffix(".toml")
            try:
                found[key] = read_sweet(key, tomllib.loads(file.read_text(encoding="utf-8")))
            except tomllib.TOMLDecodeError as error:
                raise BadInput(file.name, "form-not-toml", error=str(error)) from error
    pantry = Pantry(things=known, sweets=found)
    for key, sweet in found.items():
        try:
            check(sweet, pantry)
        except BadInput as error:
            raise BadInput(f"{key}.toml: {error.field}", error.says) from error
    return dict(sorted(found.items(), key=lambda item: (item[1].order, item[0])))


@cache
def library() -> Mapping[str, Sweet]:
    """All sweets that ship, in the order they are shown."""
    return read_folder(files("mulvek.core.planning.sweets") / "library_data", things())


@cache
def library_form(key: str) -> Mapping[str, Any]:
    """The form of a sweet that ships, to copy and make one's own.

    :raises NotFound: when there is none.
    """
    if key not in library():
        raise NotFound("sweet", "no-sweet-to-copy", key=key)
    file = files("mulvek.core.planning.sweets") / "library_data" / f"{key}.toml"
    return tomllib.loads(file.read_text(encoding="utf-8"))
