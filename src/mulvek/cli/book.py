"""``mulvek book``: the Book from the command line, read from a copy of the kitchen's file, in use or not."""

import argparse
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from ..core.errors import BadInput
from ..core.messages.figures import say
from ..core.ranges import Range
from .keeping import there
from .mend import answer, say_causes


def add_command(commands: Any) -> None:
    book = commands.add_parser("book", help="what was made, how it went, what went wrong, what was learned")
    kinds = book.add_subparsers(required=True, metavar="what")
    listed = kinds.add_parser("list", help="batches, newest first")
    listed.add_argument("--find", default="", help="words of the name, a note, or what went wrong")
    listed.add_argument("--kind", default="", choices=["", "reduce", "curdle", "strain", "caramel", "sweet"])
    listed.add_argument("--wrong", action="store_true", help="those with which something went wrong")
    listed.add_argument("--year", type=int)
    listed.add_argument("--limit", type=int, default=30)
    shown = kinds.add_parser("show", help="one batch: what was told, what it gave, where it came from and went")
    shown.add_argument("batch", type=int)
    mended = kinds.add_parser("mend", help="what went wrong with a batch, by its record")
    mended.add_argument("batch", type=int)
    mended.add_argument(
        "fault", nargs="?", default="", help="what is wrong with it; lists what there is when left out"
    )
    mended.add_argument("--said", action="append", default=[], help='what you know: "seams=yes"; repeatable')
    learned = kinds.add_parser("learned", help="this kitchen's own numbers, and what to measure next")
    for command, run in ((listed, _list), (shown, _show), (mended, _mend), (learned, _learned)):
        command.set_defaults(run=_reading(run))
        command.add_argument(
            "--json", nargs="?", const="out", choices=["out"], help="answer in JSON, as the API does"
        )
        command.add_argument("--data", type=Path, help="folder of the data (default: the platform's)")
        command.add_argument("--demo", action="store_true", help="the sample kitchen's file in that folder")


@contextmanager
def _opened(file: Path) -> Iterator[Any]:
    """A copy, lifted to the newest form: the kitchen's own file is not touched."""
    from ..store.copies import copy_file
    from ..store.database import Database

    with TemporaryDirectory() as folder:
        copy_file(file, Path(folder) / file.name)
        db = Database(Path(folder) / file.name)
        try:
            yield db
        finally:
            db.close()


def _reading(run: Callable[[Any, argparse.Namespace], tuple[Any, Callable[[Any], None]]]) -> Any:
    """Ask, then print: as JSON, or in words."""

    def command(args: argparse.Namespace) -> int:
        with _opened(there(args)) as db:
            told, in_words = run(db, args)
        if args.json:
            print(told.model_dump_json(indent=2))
        else:
            in_words(told)
        return 0

    return command


def _list(db: Any, args: argparse.Namespace) -> tuple[Any, Callable[[Any], None]]:
    from ..web.book import PageQuery, listed

    if not 1 <= args.limit <= 100:
        raise BadInput("limit", "limit-of-lines", limit=args.limit)
    if args.year is not None and not 1990 <= args.year <= 2200:
        raise BadInput("year", "no-such-year", year=args.year)
    asked = {name: getattr(args, name) for name in ("limit", "find", "kind", "wrong", "year")}
    query = PageQuery.model_validate(asked)
    return listed(db, query, time.time()), _say_list


def _say_list(told: Any) -> None:
    for line in told.lines:
        gave = "" if line.weighed_kg is None else say(line.weighed_kg, "mass")
        wrong = f"  ! {'; '.join(line.wrong)}" if line.wrong else ""
        print(f"{line.id:5}  {_day(line.created_at_s)}  {gave:>9}  {line.name}{wrong}")
    print(f"{len(told.lines)} of {told.total}")


def _show(db: Any, args: argparse.Namespace) -> tuple[Any, Callable[[Any], None]]:
    from ..store.batches import Batches
    from ..store.shelf import read_shelf
    from ..web.story import story

    with db.reading() as session:
        batches = Batches(session)
        return story(batches, batches.batch(args.batch), db.kept(read_shelf), time.time()), _say_story


def _say_story(told: Any) -> None:
    line = told.line
    print(f"{line.name}, {_day(line.created_at_s)}: {line.of}")
    for part in told.parts:
        print(f"  from {say(part.kg, 'mass')} of {part.name} ({part.id})")
    for part in told.went_into:
        print(f"  {say(part.kg, 'mass')} of it into {part.name} ({part.id})")
    gave = "not weighed" if line.weighed_kg is None else say(line.weighed_kg, "mass")
    print(f"  gave {gave}, told {_range(line.told_kg, lambda kg: say(kg, 'mass'))}")
    if line.told_pieces:
        counted = "not counted" if line.counted is None else line.counted
        print(f"  {line.many}: {counted}, told {_range(line.told_pieces, lambda n: f'{n:.0f}')}")
    if line.took_s is not None:
        print(f"  {line.took_s / 60:.0f} minutes, told {_range(line.told_s, lambda s: f'{s / 60:.0f}')}")
    if told.money:
        print(f"  cost {told.money.spent:.2f}, told {told.money.planned:.2f}")
    for words in (*line.wrong, *told.next_time):
        print(f"  ! {words}")
    for note in told.notes:
        print(f"  {_day(note.at_s)}  {note.text}")


def _mend(db: Any, args: argparse.Namespace) -> tuple[Any, Callable[[Any], None]]:
    from ..web.mending import mended
    from ..wire.mending import MendIn

    body = MendIn(batch=args.batch, fault=args.fault, answers=dict(map(answer, args.said)))
    return mended(db, body, time.time()), _say_mended


def _say_mended(told: Any) -> None:
    if told.fault is None:
        print("\n".join(f"{f.key:20} {f.title}" for f in told.faults))
    else:
        say_causes(told)


def _learned(db: Any, _args: argparse.Namespace) -> tuple[Any, Callable[[Any], None]]:
    from ..store.shelf import read_shelf
    from ..web.learned_numbers import KitchenLearned

    with db.reading() as session:
        return KitchenLearned(session, db.kept(read_shelf)).whole(), _say_learned


def _say_learned(told: Any) -> None:
    for n in told.numbers:
        kept = ", frozen" if n.frozen else ""
        print(
            f"{n.times.likely:6.2f} of the table ({n.times.low:.2f} to {n.times.high:.2f}), {n.batches} batches{kept}: {n.name}"
        )
    for m in told.next:
        print(f"next: {m.how.replace('-', ' ')}, {m.name}: ±{100 * m.now:.0f} % becomes ±{100 * m.after:.0f} %")


def _day(at_s: float) -> str:
    return f"{datetime.fromtimestamp(at_s):%Y-%m-%d}"


def _range(told: Range, in_words: Callable[[float], str]) -> str:
    return f"{in_words(told.likely)} ({in_words(told.low)} to {in_words(told.high)})"
