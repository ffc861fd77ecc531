"""The command line: ``mulvek serve``, ``demo``, ``instruments``, ``reckon …``, ``openapi`` and ``shared``."""

import argparse
import gc
import json
import sys
import time
from pathlib import Path

from ..core.errors import KitchenError
from . import instruments, reckon


def main(argv: list[str] | None = None) -> int:
    """Run one command; 0 when it worked, 2 when the cook has to change something."""
    args = _parser().parse_args(argv)
    try:
        return int(args.run(args) or 0)
    except KitchenError as error:
        if getattr(args, "json", None) is not None:
            print(json.dumps({"field": error.field, "message": error.message, "fix": error.fix}, ensure_ascii=False))
        else:
            print(f"{error.field}: {error}", file=sys.stderr)
        return 2


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="mulvek", description="Plans, times and records the making of milk sweets.")
    commands = parser.add_subparsers(required=True, metavar="command")

    serve = commands.add_parser("serve", help="start the kitchen on its own data")
    serve.set_defaults(run=_serve, demo=False)
    demo = commands.add_parser("demo", help="start it with the boathouse kitchen's sample data")
    demo.set_defaults(run=_serve, demo=True)
    demo.add_argument("--fresh", action="store_true", help="make the sample data anew")
    for command in (serve, demo):
        command.add_argument("--data", type=Path, help="folder for the data (default: the platform's)")
        command.add_argument("--host", default="127.0.0.1")
        command.add_argument("--port", type=int, default=8000)

    instruments.add_command(commands)
    reckon.add_commands(commands.add_parser("reckon", help="reckon without a server").add_subparsers(required=True))

    openapi = commands.add_parser("openapi", help="print the API document")
    openapi.set_defaults(run=_openapi)
    shared = commands.add_parser("shared", help="print the constants that the browser needs, as TypeScript")
    shared.set_defaults(run=_shared)
    return parser


def _data_file(folder: Path | None, demo: bool) -> Path:
    from platformdirs import user_data_path

    return (folder or user_data_path("mulvek", ensure_exists=True)) / ("demo.sqlite3" if demo else "kitchen.sqlite3")


def _serve(args: argparse.Namespace) -> None:
    gc.disable()  # a start makes thousands of things that stay: no use in looking through them again and again
    from waitress import create_server

    from ..web.app import LOCAL_HOSTS, create_app

    path = _data_file(args.data, args.demo)
    if args.demo:
        from ..demo.boathouse import fill
        from ..store.database import Database

        if args.fresh:
            for suffix in ("", "-wal", "-shm"):
                path.with_name(path.name + suffix).unlink(missing_ok=True)
        db = Database(path)
        fill(db, time.time())
        db.close()
    hosts = (*LOCAL_HOSTS, args.host) if args.host != "0.0.0.0" else ()
    server = create_server(create_app(path, hosts=hosts), host=args.host, port=args.port, threads=32)
    gc.freeze()
    gc.enable()
    print(f"Mulvek is ready: http://{args.host}:{server.effective_port}", flush=True)
    server.run()


def _openapi(_args: argparse.Namespace) -> None:
    import tempfile

    from ..web.app import create_app

    with tempfile.TemporaryDirectory() as folder:
        print(json.dumps(create_app(Path(folder) / "x.sqlite3").api_doc, indent=2, sort_keys=True))


def _shared(_args: argparse.Namespace) -> None:
    from ..web.shared import shared_ts

    print(shared_ts(), end="")
