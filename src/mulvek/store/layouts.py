"""What is stored says in which layout it was written, and older layouts are lifted when they are read.

When a class that is stored changes so that its older JSON no longer fits, a step is added to ``LIFTS`` under its name:
a function of ``lifts`` from the JSON of layout n to that of n + 1. Steps are never changed or taken out.
"""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

from ..core.errors import Unreadable
from . import lifts
from .adapters import adapter
from .lifts import Json

LIFTS: Mapping[str, Sequence[Callable[[Json], Json]]] = {
    "ReducePlan": (lifts.with_one_composition, lifts.with_stirring_slug),
    "CurdlePlan": (lifts.with_one_composition, lifts.with_drain_slug),
    "StrainPlan": (lifts.with_one_composition, lifts.with_cloth_slug),
    "Joined": (lifts.with_one_composition,),
    "Judged": (lifts.with_verdict_slug,),
    "SweetRun": (lifts.without_cautions,),
}
"""By the class's name: from layout 1 to 2, from 2 to 3, …"""


def layout_of(cls: type[Any]) -> int:
    """The layout this release writes."""
    return 1 + len(LIFTS.get(cls.__name__, ()))


def written(value: Any, cls: type[Any] | None = None) -> Json:
    """A value as JSON in the newest layout."""
    made: Json = adapter(cls or type(value)).dump_python(value, mode="json")
    return made


def read(cls: type[Any], data: Json, layout: int) -> Any:
    """A value from the JSON of any layout so far.

    :raises Unreadable: when a newer release wrote it.
    """
    if layout > layout_of(cls):
        raise Unreadable("layout", "row-by-newer-mulvek", cls=cls.__name__)
    for lift in LIFTS.get(cls.__name__, ())[layout - 1 :]:
        data = lift(dict(data))
    return adapter(cls).validate_python(data)
