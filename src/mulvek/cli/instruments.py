"""``mulvek instruments``: simulated kitchen instruments as a small process of their own."""

import argparse
import threading
from pathlib import Path
from typing import Any

from ..core.batch.channels import CHANNELS
from ..core.errors import BadInput
from ..core.rehearsal.luck import LEVELS


def add_command(commands: Any) -> None:
    parser = commands.add_parser("instruments", help="switch on simulated kitchen instruments")
    parser.set_defaults(run=_run)
    parser.add_argument("--only", metavar="LIST", help=f"which, with commas: {', '.join(CHANNELS)} (default: all)")
    parser.add_argument("--level", type=int, default=2, help="1 to 4: how wilful milk, fire and instruments are")
    parser.add_argument("--seed", type=int, default=7, help="the same seed gives the same readings")
    parser.add_argument("--speed", type=float, default=1.0, help="1 to 60 times as fast as the clock")
    parser.add_argument("--drop-outs", type=float, default=0.02, help="share of minutes with a gap, 0 to 1")
    parser.add_argument("--replay", type=Path, metavar="CSV", help="play saved lines again instead")
    parser.add_argument("--host", default="127.0.0.1")
    parser.add_argument("--port", type=int, default=8977)


def _checked(args: argparse.Namespace) -> list[str]:
    """The channels asked for.

    :raises BadInput: naming the option that is wrong.
    """
    channels = [c.strip() for c in args.only.split(",")] if args.only else list(CHANNELS)
    for channel in channels:
        if channel not in CHANNELS:
            raise BadInput("only", "no-channel", channel=channel, channels=tuple(CHANNELS))
    if args.level not in LEVELS:
        raise BadInput("level", "no-rehearsal-level")
    if not 1 <= args.speed <= 60:
        raise BadInput("speed", "speed-out-of-reach")
    if not 0 <= args.drop_outs <= 1:
        raise BadInput("drop-outs", "drop-outs-no-share")
    return channels


def _run(args: argparse.Namespace) -> None:
    from waitress import create_server

    from ..instruments.bench import PanBench, Replay
    from ..instruments.lines import from_csv
    from ..instruments.server import create_instruments

    channels = _checked(args)
    bench: PanBench | Replay
    if args.replay:
        try:
            text = args.replay.read_text(encoding="utf-8")
        except (OSError, UnicodeDecodeError) as error:
            raise BadInput("replay", "replay-file-unreadable", replay=args.replay) from error
        bench = Replay(from_csv(text), args.speed)
    else:
        bench = PanBench(channels, level=args.level, seed=args.seed, speed=args.speed, drop_outs=args.drop_outs)
    stop = threading.Event()
    threading.Thread(target=bench.run, args=(stop,), daemon=True).start()
    server = create_server(create_instruments(bench), host=args.host, port=args.port, threads=16)
    print(f"Instruments are on: http://{args.host}:{server.effective_port}", flush=True)
    try:
        server.run()
    finally:
        stop.set()
