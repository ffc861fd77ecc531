"""``mulvek serve`` and ``demo``: start the kitchen, say plainly what is in the way, stop it leaving one file."""

import argparse
import errno
import gc
import signal
import time
from pathlib import Path
from typing import Any

from ..core.errors import BadInput, Unavailable

MOST_CONNECTIONS, THREADS = 400, 96
LARGEST_ARRIVING = 26_000_000
SILENT_S = 10


def add_commands(commands: Any) -> None:
    serve = commands.add_parser("serve", help="start the kitchen on its own data")
    serve.set_defaults(run=_serve, demo=False, fresh=False)
    demo = commands.add_parser("demo", help="start it with the boathouse kitchen's sample data")
    demo.set_defaults(run=_serve, demo=True)
    demo.add_argument("--fresh", action="store_true", help="make the sample data anew")
    for command in (serve, demo):
        command.add_argument("--data", type=Path, help="folder for the data (default: the platform's)")
        command.add_argument("--host", default="127.0.0.1")
        command.add_argument("--port", type=int, default=8000)
        command.add_argument("--copies", type=Path, help="folder for the daily copies (default: beside the data)")
        command.add_argument(
            "--keep", default="7,4,12", help="daily, weekly and monthly copies that stay (default: 7,4,12)"
        )


def data_file(folder: Path | None, demo: bool = False) -> Path:
    from platformdirs import user_data_path

    return (folder or user_data_path("mulvek", ensure_exists=True)) / ("demo.sqlite3" if demo else "kitchen.sqlite3")


def _serve(args: argparse.Namespace) -> None:
    gc.disable()  # a start makes thousands of things that stay: no use in looking through them again and again
    from waitress import create_server

    from ..store.copies import Copies
    from ..store.lock import Lock
    from ..web.app import LOCAL_HOSTS, create_app, stop

    path = data_file(args.data, args.demo)
    keep = _retention(args.keep)
    _writable(path.parent)
    lock = Lock(path)
    try:
        if args.demo:
            _fill_demo(path, args.fresh)
        hosts = (*LOCAL_HOSTS, args.host) if args.host != "0.0.0.0" else ()
        app = create_app(path, hosts=hosts, copies=Copies(path, args.copies, keep))
        try:
            server = create_server(
                app,
                host=args.host,
                port=args.port,
                threads=THREADS,
                connection_limit=MOST_CONNECTIONS,
                max_request_body_size=LARGEST_ARRIVING,
                channel_timeout=SILENT_S,
                cleanup_interval=2,
                channel_request_lookahead=1,
            )
        except (OSError, OverflowError) as error:
            stop(app)
            raise _no_port(args, error) from error
        gc.freeze()
        gc.enable()
        url = f"http://{args.host}:{server.effective_port}"
        lock.tell(url)

        def leave(*_: object) -> None:
            app.extensions["mulvek_changes"].stopped = True  # open streams end, or each would hold the stop up
            raise SystemExit

        for number in (signal.SIGTERM, signal.SIGINT):
            signal.signal(number, leave)
        app.extensions["mulvek_daily"].start()
        print(f"Mulvek is ready: {url}", flush=True)
        try:
            server.run()
        finally:
            stop(app)
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
        raise BadInput("keep", f"“{text}” says not how many.", "Give days, weeks, months: 7,4,12.") from error
    return Retention(days, weeks, months)


def _writable(folder: Path) -> None:
    """:raises Unavailable: field "data"."""
    try:
        folder.mkdir(parents=True, exist_ok=True)
        probe = folder / ".mulvek-may-write"
        probe.touch()
        probe.unlink()
    except OSError as error:
        text = f"Nothing can be written to {folder}: {error.strerror}."
        raise Unavailable("data", text, "Let Mulvek write there, make room, or name another folder.", 60.0) from error


def _no_port(args: argparse.Namespace, error: Exception) -> BadInput:
    taken = isinstance(error, OSError) and error.errno == errno.EADDRINUSE
    if taken:
        return BadInput("port", f"Port {args.port} is taken.", f"Stop what is there, or try --port {args.port + 1}.")
    return BadInput("host", f"Nothing can be served at {args.host}:{args.port}.", "Give another --host or --port.")
