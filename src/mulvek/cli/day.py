"""``mulvek reckon day``: a day from a JSON file, the first plan at once, better ones as lines while they are found."""

import argparse
import json
import sys
import time
from datetime import datetime
from pathlib import Path
from typing import Any

from pydantic import Field, ValidationError

from ..core.equipment.burners import Burner
from ..core.equipment.pans import Pan
from ..core.errors import BadInput
from ..wire.day import DayIn, read_day
from ..wire.day_plan import DayOut, looked
from ..wire.larder import BurnerIn
from ..wire.model import Body
from ..wire.pans import PanIn
from .no_larder import NoLarder


class DayKitchenIn(Body):
    """What there is to cook with, as no Larder says it."""

    pans: list[PanIn] = Field(min_length=1, max_length=40)
    burners: list[BurnerIn] = Field(min_length=1, max_length=8)


class DayFileIn(DayIn):
    """A day whole: its words, its kitchen, and when it is asked; now when nothing is said."""

    kitchen: DayKitchenIn
    now_s: float | None = Field(None, ge=0, le=1e11)


class _GivenLarder(NoLarder):
    """Pans and burners by their place in the file."""

    def __init__(self, kitchen: DayKitchenIn) -> None:
        super().__init__()
        self.pans = {place: pan.pan() for place, pan in enumerate(kitchen.pans, 1)}
        self.burners = {place: burner.burner() for place, burner in enumerate(kitchen.burners, 1)}

    def pan(self, pan_id: int) -> Pan:
        return self.pans[pan_id] if pan_id in self.pans else super().pan(pan_id)

    def burner(self, burner_id: int) -> Burner:
        return self.burners[burner_id] if burner_id in self.burners else super().burner(burner_id)


def add_day(commands: Any) -> None:
    day = commands.add_parser("day", help="several sweets worked back from one hour, from a JSON file")
    day.set_defaults(run=_day)
    day.add_argument("file", help="the words of the day with its kitchen; - reads them from standard input")
    day.add_argument(
        "--seconds", type=float, default=0.0, help="how long to look for a calmer one, and for what helps"
    )
    day.add_argument("--json", nargs="?", const="out", choices=["out"], help="a line of JSON for each that is found")


def _read(file: str) -> DayFileIn:
    """:raises BadInput: field "file", or the place in it."""
    try:
        text = sys.stdin.read() if file == "-" else Path(file).read_text(encoding="utf-8")
        return DayFileIn.model_validate(json.loads(text))
    except OSError as error:
        raise BadInput("file", "json-file-unreadable", file=file) from error
    except ValidationError as error:
        first = error.errors()[0]
        raise BadInput(".".join(map(str, first["loc"])), "day-json-invalid", why=first["msg"]) from error
    except ValueError as error:
        raise BadInput("file", "not-json") from error


def _day(args: argparse.Namespace) -> int:
    from ..core.day.search import Errand, search

    body = _read(args.file)
    asked = read_day(body, _GivenLarder(body.kitchen), time.time() if body.now_s is None else body.now_s)
    best: DayOut | None = None
    for found in search(Errand(day=asked.day, seconds=args.seconds)):
        told = looked(asked, found)
        if args.json:
            print(told.model_dump_json(), flush=True)
        best = told.plan or best
        if told.cure and not args.json:
            print(f"{told.cure.said}: {told.cure.late_min} minutes late then.")
        if told.said and args.seconds and not args.json:
            print(SAID[told.said])
    if best is None:
        raise BadInput("sweets", "day-without-order-cli")
    if not args.json:
        _say(best)
    return 0


SAID = {
    "alone": "The solver is not installed: calmer plans are looked for without it.",
    "proved": "There is no calmer plan that is as sure.",
}


def _say(plan: DayOut) -> None:
    for text in plan.said or [f"On time, with {plan.spare_min} minutes to spare; {plan.standing_min} on the feet."]:
        print(text)
    for task in plan.tasks:
        if task.said:
            at = datetime.fromtimestamp(task.start_s).astimezone()
            print(f"{at:%a %H:%M}  {plan.sweets[task.sweet].name}: {task.act}")
