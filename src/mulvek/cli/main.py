"""The command line: ``mulvek serve``, ``demo``, ``backup``, ``restore``, ``verify``, ``book …``, ``instruments``, ``reckon …``, ``openapi`` and ``shared``."""

import argparse
import json
import sys
from pathlib import Path

from ..core.errors import KitchenError
from . import book, instruments, keeping, reckon, serve


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

    serve.add_commands(commands)
    keeping.add_commands(commands)
    book.add_command(commands)
    instruments.add_command(commands)
    reckon.add_commands(commands.add_parser("reckon", help="reckon without a server").add_subparsers(required=True))

    openapi = commands.add_parser("openapi", help="print the API document")
    openapi.set_defaults(run=_openapi)
    shared = commands.add_parser("shared", help="print the constants that the browser needs, as TypeScript")
    shared.set_defaults(run=_shared)
    return parser


def _openapi(_args: argparse.Namespace) -> None:
    import tempfile

    from ..web.app import create_app

    with tempfile.TemporaryDirectory() as folder:
        print(json.dumps(create_app(Path(folder) / "x.sqlite3").document, indent=2, sort_keys=True))


def _shared(_args: argparse.Namespace) -> None:
    from ..web.shared import shared_ts

    print(shared_ts(), end="")
