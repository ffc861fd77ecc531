"""``mulvek reckon``: the same answers as the screens, in words or in the API's JSON, for scripts."""

import argparse
import sys
from typing import Any

from ..core.errors import BadInput
from ..core.ranges import Range
from .caramel import add_caramel
from .curd import add_curd
from .day import add_day
from .mend import add_mend
from .no_larder import NoLarder
from .sweets import add_sweets
from .words import PAN_HELP, read_pan_measures


def add_commands(commands: Any) -> None:
    """All of ``mulvek reckon``."""
    _add_reduce(commands)
    materials = commands.add_parser("materials", help="the tables: composition, density, source, confidence")
    materials.set_defaults(run=_materials)
    materials.add_argument("name", nargs="*", help="keys of the table; all when left out")
    pan = commands.add_parser("pan", help="what a pan holds, and how deep so much stands in it")
    pan.set_defaults(run=_pan)
    pan.add_argument("pan", help=PAN_HELP)
    pan.add_argument("--at", action="append", default=[], help='a level or an amount: "4.4 cm", "1.2 L"; repeatable')
    lactometer = commands.add_parser("lactometer", help="SNF, total solids and probable added water from a reading")
    lactometer.set_defaults(run=_lactometer)
    lactometer.add_argument("reading", type=float, help="lactometer degrees, 10 to 45")
    lactometer.add_argument("--temp", type=float, default=27.0, help="of the sample, °C")
    lactometer.add_argument("--fat", type=float, help="g per 100 g; the species' typical fat when left out")
    lactometer.add_argument("--instrument", choices=["15.6", "27", "29"], default="27", help="°C it was made for")
    lactometer.add_argument("--species", choices=["cow", "buffalo"], default="cow")
    add_curd(commands)
    add_caramel(commands)
    add_sweets(commands)
    add_mend(commands)
    add_day(commands)
    for command in (materials, pan, lactometer):
        command.add_argument("--json", nargs="?", const="out", choices=["out"], help="answer in JSON")


def _add_reduce(commands: Any) -> None:
    reduce = commands.add_parser("reduce", help="a reduction: level, minutes, yield, thickness")
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
        "--stop",
        default="half its volume",
        help='"half its volume", "4.4 cm", "600 g", "31 %% solids", "rabri", "khoya pindi", "spoonable cold"',
    )
    reduce.add_argument("--sugar", default="", help='"110 g", "½ cup"')
    reduce.add_argument("--sugar-time", default="end", help="start, midway, end")
    reduce.add_argument("--sugar-kind", default="white-sugar", help="a sugar of `mulvek reckon materials`")
    reduce.add_argument(
        "--add",
        action="append",
        default=[],
        help='enrich: "whole-powder 30 g", "condensed 100 g at the end"; repeatable',
    )
    reduce.add_argument("--stirring", default="scraped", help="scraped, now-and-then, folded, lifted")
    reduce.add_argument("--to-boil", default="strong", help="flame up to the first boil")
    reduce.add_argument("--lid", action="store_true", help="lid on until the first boil")
    reduce.add_argument("--wetted", action="store_true", help="water stood in the pan first")
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


def _addition(text: str) -> dict[str, Any]:
    what, _, amount = text.strip().partition(" ")
    late = amount.endswith(" at the end")
    return {"what": what, "amount": amount.removesuffix(" at the end").strip(), "late": late}


def _words(args: argparse.Namespace) -> dict[str, Any]:
    if (args.fat is None) != (args.snf is None):
        raise BadInput("milk", "label-needs-both")
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
        "sugar_kind": args.sugar_kind,
        "additions": [_addition(text) for text in args.add],
        "stirring": args.stirring,
        "to_boil": args.to_boil,
        "lid": args.lid,
        "wetted": args.wetted,
        "kitchen": {
            "altitude_m": args.altitude,
            "room_c": args.room,
            "milk_c": args.milk_temp,
            "cup_ml": args.cup,
        },
    }


def _reckon_reduce(args: argparse.Namespace) -> int:
    from pydantic import ValidationError

    from ..core.planning.reduce.forecast import forecast
    from ..wire.reduce import ForecastOut, ReduceIn, read_plan

    try:
        words = (
            ReduceIn.model_validate_json(sys.stdin.read())
            if args.json == "-"
            else ReduceIn.model_validate(_words(args))
        )
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        field = ".".join(str(part) for part in first["loc"]) or "plan"
        raise BadInput(field, "reduce-option-invalid", why=first["msg"]) from None
    answer = ForecastOut.of(forecast(read_plan(words, NoLarder())))
    print(answer.model_dump_json(indent=2) if args.json else _sentence(answer))
    return 0


def _sentence(f: Any) -> str:
    def span(r: Range, scale: float, form: str) -> str:
        return f"{r.likely * scale:{form}}{r.spread(scale, form)}"

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


def _materials(args: argparse.Namespace) -> int:
    from ..core.composition.materials import material, materials
    from ..wire.larder import MaterialOut

    rows = [MaterialOut.of(m) for m in ([material(k, "name") for k in args.name] or materials().values())]
    if args.json:
        print("[" + ",\n ".join(row.model_dump_json() for row in rows) + "]")
        return 0
    print(f"{'key':<16} {'solids %':>8} {'fat %':>6} {'sugar %':>7} {'g/ml':>5}  name; source; confidence")
    for row in rows:
        p = row.parts_pct
        sugar = row.free_sugars_pct
        print(
            f"{row.key:<16} {row.total_solids_pct:>8.2f} {p['fat']:>6.2f} {sugar:>7.2f} {row.bulk_g_ml:>5.2f}"
            f"  {row.name}; {row.source}; {row.confidence}"
        )
    return 0


def _pan(args: argparse.Namespace) -> int:
    import json

    from ..core.equipment.quantities import parse
    from ..core.equipment.vessels import capacity_m3, surface_m2
    from ..core.messages.figures import say
    from ..wire.pans import PanIn

    body = {"name": "the pan", "shape": read_pan_measures(args.pan)}
    pan = PanIn.model_validate(body).pan()
    brim, rows = capacity_m3(pan.shape), []
    for words in args.at or [say(brim * part / 4, "volume") for part in (1, 2, 3, 4)]:
        q = parse(words, default_unit="ml", allow=("volume", "length"), field="at")
        depth = q.value if q.dimension == "length" else float(pan.shape.depth_m(q.value))
        if not 0 <= depth <= pan.shape.height_m + 1e-9 or (q.dimension == "volume" and q.value > brim * 1.001):
            raise BadInput("at", "more-than-brim", q=q.understood, brim=brim)
        rows.append(
            {
                "depth_m": round(depth, 6),
                "volume_m3": round(float(pan.shape.volume_m3(depth)), 9),
                "surface_m2": round(float(surface_m2(pan.shape, depth)), 6),
            }
        )
    if args.json:
        print(json.dumps({"capacity_m3": brim, "height_m": pan.shape.height_m, "levels": rows}, indent=2))
        return 0
    print(f"It holds {say(brim, 'volume')} to the brim and is {say(pan.shape.height_m, 'length')} deep.")
    for row in rows:
        depth, volume, surface = row["depth_m"], row["volume_m3"], row["surface_m2"]
        print(f"{say(volume, 'volume')} stands {say(depth, 'length')} deep, {surface * 1e4:.0f} cm² of it open.")
    return 0


def _lactometer(args: argparse.Namespace) -> int:
    from ..wire.trials import LactometerIn, LactometerOut

    body = LactometerIn(
        reading=args.reading,
        celsius=args.temp,
        fat_pct=args.fat,
        instrument=args.instrument,
        species=args.species,
    )
    answer = LactometerOut.of(body.check(None))
    if args.json:
        print(answer.model_dump_json(indent=2))
        return 0
    c = answer.check
    print(f"SNF {c.snf.likely * 100:.2f} %{c.snf.spread(100, '.2f')}, by {c.source}.")
    print(f"Total solids {c.total_solids.likely * 100:.2f} %.")
    if c.by_density_snf is not None:
        print(f"By its density alone, SNF {c.by_density_snf * 100:.2f} %.")
    print(answer.words)
    return 0
