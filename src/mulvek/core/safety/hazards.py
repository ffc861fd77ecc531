"""Cautions of a sweet's work by name: the table in ``hazards.toml``."""

from collections.abc import Mapping

from ..composition.materials import read_table
from .cautions import Caution

HAZARDS: Mapping[str, Caution] = {key: Caution(**row) for key, row in read_table("hazards.toml").items()}
