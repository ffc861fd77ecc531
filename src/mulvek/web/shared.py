"""What the browser must know as the server knows it: addresses, spoon stages, shades of caramel, loudness, sizes.

They stand once, in Python; ``./run api`` writes them into ``ui/src/api/shared.ts`` and a test compares the two.
"""

import json
from typing import get_args

from ..core.batch import attention
from ..core.planning.caramel.shades import FROM_C, SEEN, ends_c
from ..core.planning.own.lines import LONGEST_BREATH, MOST_LINES
from ..core.planning.sweets.currency import CODES
from ..core.properties.texture import STAGE_VERBS, STAGES
from ..wire.last_words import Station
from ..wire.model import LONGEST_NAME, LONGEST_NOTE, LONGEST_WORDS
from ..wire.rehearsal import Speed
from .pages import ADDRESSES

HEAD = "// Written by ./run api from src/mulvek/web/shared.py. Do not change it here.\n"


def shared_ts() -> str:
    """The TypeScript module, whole."""
    seconds = ("SPEAK_AFTER_S", "ALARM_AFTER_S", "MISSED_AFTER_S", "OK_BUYS_S")
    constants = {
        "ADDRESSES": {
            name: address.replace("<int:id>", ":id(\\d+)").replace("<string:page>", ":page")
            for name, address in ADDRESSES.items()
        },
        "STATIONS_WITH_WORDS": get_args(Station),
        "STAGES": STAGES,
        "STAGE_VERBS": STAGE_VERBS,
        "SHADES_C": {shade: [FROM_C[shade], ends_c(shade)] for shade in SEEN},
        "LOUDNESS": get_args(attention.Loudness),
        **{name: getattr(attention, name) for name in seconds},
        "SPEEDS": get_args(Speed),
        "CURRENCIES": sorted(CODES),
        "LONGEST_NAME": LONGEST_NAME,
        "LONGEST_WORDS": LONGEST_WORDS,
        "LONGEST_NOTE": LONGEST_NOTE,
        "LONGEST_BREATH": LONGEST_BREATH,
        "MOST_LINES": MOST_LINES,
    }
    lines = [f"export const {name} = {_literal(value)}\n" for name, value in constants.items()]
    return HEAD + "".join(lines)


def _literal(value: object) -> str:
    if isinstance(value, list) and len(value) > 40:  # on one line: nobody reads it
        return f"{json.dumps(value)} as const"
    if isinstance(value, float) and value.is_integer():
        value = int(value)
    text = json.dumps(value, ensure_ascii=False, indent=2)
    return f"{text} as const" if isinstance(value, dict | tuple | list) else text
