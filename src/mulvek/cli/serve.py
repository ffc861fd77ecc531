"""``mulvek serve`` and ``demo``: start the kitchen, say plainly what is in the way, stop it leaving one file."""

import argparse
import gc
import signal
import time
from pathlib import Path
from typing import Any

from ..core.errors import BadInput, Unavailable
from .listen import listen as _listen


def add_commands(commands: Any) -> None:
    serve = commands.add_parser("serve", help="start the kitchen on its own data")
    serve.set_defaults(run=_serve, demo=False, fresh=False)
    demo = commands.add_parser("demo", help="start it with the boathouse kitchen's sample data")
    demo.set_defaults(run=_serve, demo=True)
    demo.add_argument("--fresh", action="store_true", help="make the sample data anew")
    for command in (serve, demo):
        command.add_argument("--data", type=Path, help="folder for the data (default: the platform's)")
        command.add_argument("--port", type=int, default=8000)
        command.add_argument(
            "--home", action="store_true", help="serve the home network too: devices are let in one by one"
        )
        command.add_argument("--host", default="", help="with --home: the one address to listen at (default: all)")
        command.add_argument("--name", action="append", default=[], help="with --home: another name of this computer")
        command.add_argument("--tls", action="store_true", help="with --home: HTTPS for the house, at port + 443")
        command.add_argument("--copies", type=Path, help="folder for the daily copies (default: beside the data)")
        command.add_argument(
            "--keep", default="7,4,12", help="daily, weekly and monthly copies that stay (default: 7,4,12)"
        )


def data_file(folder: Path | None, demo: bool = False) -> Path:
    from platformdirs import user_data_path

    return (folder or user_data_path("mulvek", ensure_exists=True)) / ("demo.sqlite3" if demo else "kitchen.sqlite3")


def _serve(args: argparse.Namespace) -> None:
    gc.disable()  # a start makes thousands of things that stay: no use in looking through them again and again
    from ..store.copies import Copies
    from ..store.lock import Lock
    from ..web.app import create_app, stop

    path = data_file(args.data, args.demo)
    keep = _retention(args.keep)
    beyond = args.host not in ("", "127.0.0.1", "localhost")
    if (args.tls or beyond or args.name) and not args.home:
        raise BadInput("home", "only-with-home")
    _writable(path.parent)
    lock = Lock(path)
    try:
        if args.demo:
            _fill_demo(path, args.fresh)
        listening = _listen(args, path.parent / "tls")
        try:
            app = create_app(path, names=args.name, home=listening.served, copies=Copies(path, args.copies, keep))
        except BaseException:
            listening.close()
            raise
        server = listening.server(app)
        gc.freeze()
        gc.enable()
        lock.tell(listening.url)

        def leave(*_: object) -> None:
            app.extensions["mulvek_changes"].over.set()  # open streams end, or each would hold the stop up
            raise SystemExit

        for number in (signal.SIGTERM, signal.SIGINT):
            signal.signal(number, leave)
        app.extensions["mulvek_daily"].start()
        listening.start()
        print(f"Mulvek is ready: {listening.url}", flush=True)
        listening.explain()
        try:
            server.run()
        finally:
            stop(app)
            listening.close()
    finally:
        lock.release()


def _fill_demo(path: Path, fresh: bool) -> None:
    from ..demo.boathouse import fill
    from ..store.database import Database

    if fresh:
        for suffix in ("", "-wal", "-shm"):
            path.with_name(path.name + suffix).unlink(missing_ok=True)
    db = Database(path)
    fill(db, time.time())
    db.close()


def _retention(text: str) -> Any:
    """:raises BadInput: field "keep"."""
    from ..store.copies import Retention

    try:
        days, weeks, months = (int(part) for part in text.split(","))
        if min(days, weeks, months) < 0 or days < 1 or max(days, weeks, months) > 1000:
            raise ValueError(text)
    except ValueError as error:
        raise BadInput("keep", "copies-kept-unreadable", text=text) from error
    return Retention(days, weeks, months)


def _writable(folder: Path) -> None:
    """:raises Unavailable: field "data"."""
    try:
        folder.mkdir(parents=True, exist_ok=True)
        probe = folder / ".mulvek-may-write"
        probe.touch()
        probe.unlink()
    except OSError as error:
        why = error.strerror or str(error)
        raise Unavailable("data", "folder-not-writable", folder=str(folder), why=why, retry_s=60.0) from error
