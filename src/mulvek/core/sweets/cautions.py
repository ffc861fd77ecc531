"""Cautions of a sweet's work by name: the table in ``hazards.toml``."""

from collections.abc import Mapping

from ..cautions import Caution
from ..materials.library import read_table

HAZARDS: Mapping[str, Caution] = {key: Caution(**row) for key, row in read_table("hazards.toml").items()}
