"""The command line: ``mulvek serve``, ``demo``, ``reckon reduce`` and ``openapi``."""

import argparse
import json
import re
import sys
import time
from pathlib import Path
from typing import Any

from .core.bases.plan import Rate
from .core.errors import BadInput, KitchenError
from .core.heat import Burner
from .core.kitchen import Kitchen
from .core.materials.library import Material
from .core.ranges import Range
from .core.vessels import Pan

PAN_HELP = (
    'inside measures in cm: "straight 24 x 12", "flared 17.5 - 25.5 x 9.2" or '
    '"kadhai 29 x 8.6" with "+ 31 x 2.4" for its wall and "flat 12" for its flat patch'
)


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

    reckon = commands.add_parser("reckon", help="reckon without a server").add_subparsers(required=True)
    reduce = reckon.add_parser("reduce", help="a reduction: level, minutes, yield, thickness")
    reduce.set_defaults(run=_reckon_reduce)
    reduce.add_argument(
        "--milk", default="cow", help="cow, buffalo, full-cream, standardised, toned, double-toned, skim"
    )
    reduce.add_argument("--fat", type=float, help="fat of your own milk's label, g per 100 g (with --snf)")
    reduce.add_argument("--snf", type=float, help="SNF of your own milk's label, g per 100 g")
    reduce.add_argument("--amount", default="1 L", help='"2.4 L", "1.2 kg", "3 glasses"')
    reduce.add_argument("--pan", default="straight 24 x 14", help=PAN_HELP)
    reduce.add_argument("--pan-material", default="stainless-sandwich")
    reduce.add_argument("--pan-weight", type=float, default=1.2, help="kg, empty")
    reduce.add_argument("--burner", default="lpg-large", help="lpg-large, lpg-small, induction, electric")
    reduce.add_argument("--flame", default="medium", help="gentle, medium, strong")
    reduce.add_argument(
        "--stop", default="half its volume", help='"half its volume", "4.4 cm", "600 g", "31 %% solids"'
    )
    reduce.add_argument("--sugar", default="", help='"110 g", "½ cup"')
    reduce.add_argument("--sugar-time", default="end", help="start, midway, end")
    reduce.add_argument("--altitude", type=float, default=0.0, help="m above the sea")
    reduce.add_argument("--room", type=float, default=27.0, help="room, °C")
    reduce.add_argument("--milk-temp", type=float, default=10.0, help="milk when measured, °C")
    reduce.add_argument("--cup", type=float, default=250.0, help="what your cup holds, ml")
    reduce.add_argument(
        "--json",
        nargs="?",
        const="out",
        choices=["out", "-"],
        help="answer in the API's JSON; with “-” the plan is read as the API's JSON from standard input too",
    )

    openapi = commands.add_parser("openapi", help="print the API document")
    openapi.set_defaults(run=_openapi)
    return parser


def _data_file(folder: Path | None, demo: bool) -> Path:
    from platformdirs import user_data_path

    return (folder or user_data_path("mulvek", ensure_exists=True)) / ("demo.sqlite3" if demo else "kitchen.sqlite3")


def _serve(args: argparse.Namespace) -> None:
    from waitress import create_server

    from .web.app import LOCAL_HOSTS, create_app

    path = _data_file(args.data, args.demo)
    if args.demo:
        from .demo.boathouse import fill
        from .store.database import Database

        if args.fresh:
            for suffix in ("", "-wal", "-shm"):
                path.with_name(path.name + suffix).unlink(missing_ok=True)
        db = Database(path)
        fill(db, time.time())
        db.close()
    hosts = (*LOCAL_HOSTS, args.host) if args.host != "0.0.0.0" else ()
    server = create_server(create_app(path, hosts=hosts), host=args.host, port=args.port, threads=32)
    print(f"Mulvek is ready: http://{args.host}:{server.effective_port}", flush=True)
    server.run()


class _NoLarder:
    """The command line has no numbered things: all of them are given whole."""

    def __init__(self) -> None:
        self._kitchen = Kitchen()

    def milk(self, milk_id: int) -> Material:
        raise BadInput("milk", f"There is no Larder here to find milk {milk_id} in.", "Give its name or label.")

    def pan(self, pan_id: int) -> Pan:
        raise BadInput("pan", f"There is no Larder here to find pan {pan_id} in.", "Give its measures.")

    def burner(self, burner_id: int) -> Burner:
        raise BadInput("burner", f"There is no Larder here to find burner {burner_id} in.", "Give its kind.")

    def kitchen(self) -> Kitchen:
        return self._kitchen

    def rate(self, pan_id: int, burner_id: int, flame: str) -> Rate:
        return Rate()


def read_pan_measures(text: str) -> dict[str, Any]:
    """A pan's shape from measures in cm, as the API's JSON.

    :raises BadInput: field "pan".

    >>> read_pan_measures("kadhai 29 x 8.6 + 31 x 2.4 flat 12")["wall_height_m"]
    0.024
    """
    words = text.lower().replace("×", "x").replace("–", "-")
    kind = words.split()[0] if words.split() else ""
    flat = re.search(r"flat\s+([\d.]+)", words)
    numbers = [round(float(n) / 100, 6) for n in re.findall(r"\d+(?:\.\d+)?", words.split("flat")[0])]
    match kind, numbers:
        case "straight", [diameter, height]:
            return {"kind": "straight", "diameter_m": diameter, "height_m": height}
        case "flared", [base, top, height]:
            return {"kind": "flared", "base_diameter_m": base, "top_diameter_m": top, "height_m": height}
        case "kadhai", [rim, depth, *wall] if len(wall) in (0, 2):
            found = {"kind": "kadhai", "rim_diameter_m": rim, "bowl_depth_m": depth}
            if wall:
                found |= {"top_diameter_m": wall[0], "wall_height_m": wall[1]}
            if flat:
                found["flat_diameter_m"] = round(float(flat[1]) / 100, 6)
            return found
    raise BadInput("pan", f"I cannot read the pan “{text}”.", f"Give its {PAN_HELP}.")


def _words(args: argparse.Namespace) -> dict[str, Any]:
    if (args.fat is None) != (args.snf is None):
        raise BadInput("milk", "A label needs both --fat and --snf.", "Give both, in g per 100 g.")
    milk: Any = args.milk
    if args.fat is not None:
        species = "buffalo" if args.milk == "buffalo" else "cow"
        milk = {"name": "own milk", "fat_pct": args.fat, "snf_pct": args.snf, "species": species}
    return {
        "milk": milk,
        "amount": args.amount,
        "pan": {
            "name": "the pan",
            "shape": read_pan_measures(args.pan),
            "material": args.pan_material,
            "mass_kg": args.pan_weight,
        },
        "burner": {"kind": args.burner},
        "flame": args.flame,
        "stop": args.stop,
        "sugar": args.sugar,
        "sugar_time": args.sugar_time,
        "kitchen": {
            "altitude_m": args.altitude,
            "room_c": args.room,
            "milk_c": args.milk_temp,
            "cup_ml": args.cup,
        },
    }


def _reckon_reduce(args: argparse.Namespace) -> int:
    from pydantic import ValidationError

    from .core.bases.reduce import forecast
    from .formats.reduce import ForecastOut, ReduceIn, read_plan

    try:
        words = (
            ReduceIn.model_validate_json(sys.stdin.read())
            if args.json == "-"
            else ReduceIn.model_validate(_words(args))
        )
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        field = ".".join(str(part) for part in first["loc"]) or "plan"
        raise BadInput(field, f"{first['msg']}.", "See mulvek reckon reduce --help.") from None
    answer = ForecastOut.of(forecast(read_plan(words, _NoLarder())))
    print(answer.model_dump_json(indent=2) if args.json else _sentence(answer))
    return 0


def _sentence(f: Any) -> str:
    def span(r: Range, scale: float, form: str) -> str:
        return f"{r.likely * scale:{form}} ({r.low * scale:{form}} to {r.high * scale:{form}})"

    lines = [
        f"Take {f.understood.amount} of {f.milk_name} ({f.milk_kg * 1000:.0f} g) in {f.pan.name} over a {f.flame} flame"
        f" and reduce it to {f.understood.stop}, with {f.understood.sugar}"
        + (
            f" at the {f.sugar_time}."
            if f.sugar_kg and f.sugar_time != "midway"
            else " midway."
            if f.sugar_kg
            else "."
        ),
        f"First boil after {span(f.first_boil_s, 1 / 60, '.0f')} minutes.",
        f"Stop when the milk stands {span(f.stop_depth_m, 100, '.1f')} cm deep, {f.stop_m3.likely * 1e6:.0f} ml, "
        f"about {span(f.after_boil_s, 1 / 60, '.0f')} minutes after the first boil.",
        f"You will have {span(f.served_kg, 1000, '.0f')} g at {span(f.total_solids, 100, '.1f')} % solids"
        f" ({f.product_kg.likely * 1000:.0f} g in the pan).",
        f"On the spoon: hot, {f.hot.name}; after a night in the fridge, {f.cold.name}.",
        *(f"{c.title} {c.text}" for c in f.cautions),
        f"The time rests on {f.rests_on}.",
    ]
    return "\n".join(lines)


def _openapi(_args: argparse.Namespace) -> None:
    import tempfile

    from .web.app import create_app

    with tempfile.TemporaryDirectory() as folder:
        print(json.dumps(create_app(Path(folder) / "x.sqlite3").api_doc, indent=2, sort_keys=True))
