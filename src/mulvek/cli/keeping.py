"""``mulvek backup``, ``restore`` and ``verify``: a copy of the kitchen's file, bringing one back, looking it through."""

import argparse
import time
from datetime import datetime
from pathlib import Path
from typing import Any

from ..core.errors import BadInput
from .serve import data_file


def add_commands(commands: Any) -> None:
    backup = commands.add_parser("backup", help="copy the kitchen's file while it is in use, and check the copy")
    backup.add_argument("--to", type=Path, required=True, metavar="FILE")
    backup.set_defaults(run=_backup)
    restore = commands.add_parser("restore", help="bring a copy back; what is there now is kept beside it")
    restore.add_argument("file", type=Path)
    restore.add_argument("--yes", action="store_true", help="do it; without this it only says what would change")
    restore.set_defaults(run=_restore)
    verify = commands.add_parser(
        "verify", help="look the kitchen's file through: soundness, rows, every batch replayed"
    )
    verify.add_argument("--json", action="store_true")
    verify.set_defaults(run=_verify)
    for command in (backup, restore, verify):
        command.add_argument("--data", type=Path, help="folder of the data (default: the platform's)")
        command.add_argument("--demo", action="store_true", help="the sample kitchen's file in that folder")


def there(args: argparse.Namespace) -> Path:
    """:raises BadInput: field "data"."""
    path = data_file(args.data, args.demo)
    if not path.is_file():
        raise BadInput("data", "no-kitchen-file-in", file=path.name, folder=str(path.parent))
    return path


def _backup(args: argparse.Namespace) -> None:
    from ..store.copies import check, copy_file
    from ..store.photos import Photos

    path = there(args)
    if args.to.resolve() == path.resolve():
        raise BadInput("to", "copy-onto-itself")
    copy_file(path, args.to)
    copied = Photos(path).copy_to(Photos(args.to))
    print(f"{args.to}: {_said(check(args.to))}{_with(copied)}.")


def _restore(args: argparse.Namespace) -> int:
    from ..store.copies import Copies, check
    from ..store.database import Database
    from ..store.lock import Lock
    from ..store.photos import Photos

    path = data_file(args.data, args.demo)
    print(f"The copy:  {_said(check(args.file))}.")
    if path.is_file():
        try:
            print(f"Here now:  {_said(check(path))}.")
        except BadInput as error:
            print(f"Here now:  {error.message}")
    if not args.yes:
        print("Nothing is changed yet: say --yes to bring the copy back. What is here now is kept beside it.")
        return 0
    path.parent.mkdir(parents=True, exist_ok=True)
    lock = Lock(path)
    try:
        before = Copies(path).bring_back(args.file, time.time())
        Database(path).close()
        copied = Photos(args.file).copy_to(Photos(path))
    finally:
        lock.release()
    print(f"Brought back{_with(copied)}. What was here is {before.path if before else 'put aside beside it'}.")
    return 0


def _verify(args: argparse.Namespace) -> int:
    from ..store.verify import verify_file

    path = there(args)
    found = verify_file(path)
    if args.json:
        print(found.json())
    elif found.sound:
        print(f"{path} is sound; replayed: " + ", ".join(f"{n} {kind}" for kind, n in found.replayed.items()) + ".")
    else:
        for kind in ("damage", "orphans", "unreadable"):
            for line in getattr(found, kind):
                print(f"{kind}: {line}")
    return 0 if found.sound else 1


def _with(pictures: int) -> str:
    return f", with {pictures} {'picture' if pictures == 1 else 'pictures'}" if pictures else ""


def _said(holds: Any) -> str:
    things = ", ".join(
        f"{count} {name.removesuffix('s') if count == 1 else name}" for name, count in holds.things.items()
    )
    last = datetime.fromtimestamp(holds.last_s).strftime("%d %B %Y %H:%M") if holds.last_s else "never"
    return f"{things}; {holds.happenings} happenings, the last {last}"
