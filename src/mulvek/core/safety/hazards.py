"""Cautions of a sweet's work by the name of the work (sweets dossier §7)."""

from collections.abc import Mapping

from ..messages.message import Message
from .cautions import Caution, Severity

_WEIGHS: Mapping[str, Severity] = {
    "milk": "care",
    "boil": "danger",
    "caramel": "danger",
    "syrup": "danger",
    "frying": "danger",
    "curd": "care",
    "tins": "danger",
    "cooling": "care",
    "frozen": "care",
    "fruit": "care",
    "honey": "danger",
    "nuts": "care",
    "allergens": "care",
    "selling": "care",
}
HAZARDS: Mapping[str, Caution] = {key: Caution(weighs, Message(f"hazard-{key}")) for key, weighs in _WEIGHS.items()}
