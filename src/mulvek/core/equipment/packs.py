"""Packets, tins and pouches: a cook says how many, the Larder knows what one holds."""

import re
from dataclasses import dataclass
from typing import Literal

from ..errors import BadInput
from .quantities import parse

_PACK = re.compile(r"\b(packets?|packs?|pouch(?:es)?|cartons?|tins?|cans?|bottles?)\b", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Pack:
    """What one pack holds: ``size`` in ``unit``, above zero; none where the Larder does not say."""

    of: str
    size: float | None
    unit: Literal["ml", "g"]

    @classmethod
    def of_milk(cls, name: str, m3: float | None) -> "Pack":
        return cls(name, m3 and m3 * 1e6, "ml")

    @classmethod
    def of_thing(cls, name: str, kg: float | None) -> "Pack":
        return cls(name, kg and kg * 1e3, "g")


def unpacked(text: str, field: str, pack: Pack) -> str:
    """An amount with its packs said in millilitres or grams; other words stay as they are.

    :param text: what was typed, like ``"2 packets"`` or ``"a tin and 50 g"``.
    :param field: the word of the sentence, named in errors.
    :raises BadInput: when the Larder does not say what one holds, or how many is no number.

    >>> unpacked("2 packets", "amount", Pack("toned milk", 500.0, "ml"))
    '1000 ml'
    >>> unpacked("half a tin and 50 g", "additions", Pack("condensed milk", 400.0, "g"))
    '200 g and 50 g'
    >>> unpacked("1.2 L", "amount", Pack("toned milk", None, "ml"))
    '1.2 L'
    """
    found = _PACK.search(text)
    if found is None:
        return text
    if not pack.size:
        raise BadInput(
            field,
            "pack-size-unknown",
            what=found.group().lower().removesuffix("es").removesuffix("s"),
            pack=pack.of,
            unit=pack.unit,
        )
    count = parse(text[: found.start()].strip() or "1", default_unit="", allow=("none",), field=field).value
    return f"{count * pack.size:.6g} {pack.unit}{text[found.end() :]}"
