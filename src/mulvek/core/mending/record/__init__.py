"""What the record of a batch says of each reading, by the batch's kind."""

from collections.abc import Mapping
from typing import Any

from ...batch.caramel_run import CaramelState
from ...batch.curd_run import CurdState
from ...batch.history import History
from ...batch.log import Log
from ...batch.running import BatchState
from ...batch.summary import summary
from ...batch.sweet_run import SweetState
from .caramel import of_caramel
from .curd import of_curd
from .noted import Noted
from .reduction import of_reduction
from .sweet import of_sweet

__all__ = ["Noted", "recorded"]


def recorded(log: Log, state: Any, told: Mapping[str, Any], families: tuple[str, ...]) -> dict[str, Noted]:
    """What a batch of any kind tells by itself, by reading.

    :param state: as its kind gives it; ``told`` the answer given when it began; ``families`` of what is made.
    """
    match state:
        case BatchState():
            assert isinstance(log, History), "a reduction's log can be asked for the pan"
            return of_reduction(log, state, summary(log.plan, state, told))
        case CurdState():
            return of_curd(log, state)
        case CaramelState():
            return of_caramel(log, state)
        case SweetState():
            return of_sweet(log, state, told, families)
        case _:
            return {}
