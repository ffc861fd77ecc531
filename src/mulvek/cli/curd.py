"""``mulvek reckon curdle`` and ``strain``."""

import argparse
from typing import Any

from .no_larder import NoLarder
from .words import PAN_HELP, read_body, read_pan_measures


def add_curd(commands: Any) -> None:
    """Both commands and their flags."""
    curdle = commands.add_parser("curdle", help="chhena or paneer: acid, curd, whey, pieces")
    curdle.set_defaults(run=_curdle)
    curdle.add_argument("--milk", default="cow", help="cow, buffalo, full-cream, standardised, toned, skim, uht")
    curdle.add_argument("--amount", default="1 L", help='"3 L", "9 glasses"')
    curdle.add_argument("--pan", default="straight 24 x 16", help=PAN_HELP)
    curdle.add_argument("--burner", default="lpg-large")
    curdle.add_argument("--wait", default="3 minutes", help='after the boil: "5 minutes", or "82 °C"')
    curdle.add_argument("--acid", default="lemon", help="lemon, lime, vinegar, citric-acid, sour-whey…")
    curdle.add_argument("--strength", type=float, help="g per 100 ml, share of pure, or %% lactic")
    curdle.add_argument("--rinse", default="1 L", help="all rinse water")
    curdle.add_argument("--rinses", type=int, default=2)
    curdle.add_argument("--drain", default="light-squeeze", help='hang, "light-squeeze", "hard-squeeze", press')
    curdle.add_argument("--time", default="30 minutes", help="of draining")
    curdle.add_argument("--for", dest="use", default="sponge", help="sponge, poached, fried, kalakand, paneer, paste")
    curdle.add_argument("--piece", default="", help='raw weight of one: "12 g"')
    curdle.add_argument("--want", help='from the wish back: "400 g", "30 balls of 12 g"')
    curdle.add_argument("--altitude", type=float, default=0.0, help="m above the sea")

    strain = commands.add_parser("strain", help="hung curd: whey, thickness and sourness with time")
    strain.set_defaults(run=_strain)
    strain.add_argument("--yoghurt", default="yoghurt", help="yoghurt, buffalo-yoghurt")
    strain.add_argument("--amount", default="1 kg")
    strain.add_argument(
        "--cloth", default="muslin", help='muslin, "double-muslin", "fine-mesh", "kitchen-towel", paper'
    )
    strain.add_argument("--hung", default="hung", help="hung, sieve, weighted")
    strain.add_argument("--bags", type=int, default=1, help="into how many cloths it is parted")
    strain.add_argument("--place", default="fridge", help="fridge, counter")
    strain.add_argument("--end", default="shrikhand", help='soft, spoonable, shrikhand, firm, "29 %% solids"')
    strain.add_argument("--time", default="", help='how long instead of how thick: "10 h"')
    strain.add_argument("--acidity", type=float, default=0.8, help="of the yoghurt now, %% lactic acid")
    strain.add_argument("--whey", action="append", default=[], help='weighed so far: "2.5 h 310 g"; repeatable')
    for command in (curdle, strain):
        command.add_argument(
            "--json", nargs="?", const="out", choices=["out", "-"], help="answer in JSON; “-” reads it"
        )


def _curdle_words(args: argparse.Namespace) -> dict[str, Any]:
    return {
        "milk": args.milk,
        "amount": args.amount,
        "pan": {"name": "the pan", "shape": read_pan_measures(args.pan)},
        "burner": {"kind": args.burner},
        "wait": args.wait,
        "coagulant": args.acid,
        "strength": args.strength,
        "rinse": args.rinse,
        "rinses": args.rinses,
        "drain": args.drain,
        "drain_time": args.time,
        "use": args.use,
        "piece": args.piece,
        "kitchen": {"altitude_m": args.altitude},
    }


FAULTS = {"soft": "soft", "firm": "firm", "wet": "moist", "dry": "dry"}


def _verdict(f: Any) -> str:
    """What it suits; when not what it is for, what to change."""
    suited = ", ".join(u.name for u in f.uses if u.suits == "yes")
    if f.use.suits == "yes":
        return f"It suits {suited}."
    degree = "a little" if f.use.suits == "nearly" else "too"
    mend = f": {f.instead.words}" if f.instead else ": another milk does better"
    also = f" As it is it suits {suited}." if suited else ""
    return f"For {f.use.name} it is {degree} {FAULTS[f.use.fault]}{mend}.{also}"


def _curdle(args: argparse.Namespace) -> int:
    from ..wire.curd import CurdleIn, CurdWishIn, CurdWishOut, answer_curdle

    words = read_body(CurdleIn, args, _curdle_words)
    if args.want:
        wish = CurdWishOut.answer(CurdWishIn(plan=words, want=args.want), NoLarder())
        print(wish.model_dump_json(indent=2) if args.json else f"{wish.want}: take {wish.amount} of milk.")
        return 0
    f = answer_curdle(words, NoLarder())
    if args.json:
        print(f.model_dump_json(indent=2))
        return 0
    unit = 1e3
    thinned = f" in {f.acid.water_kg * 1e3:.0f} g of water" if f.acid.water_kg else ""
    lines = [
        f"Bring {f.amount} of {f.milk_name} to the boil; after {f.wait_s / 60:.1f} minutes off the flame it is at "
        f"{f.acid_c.likely:.0f} °C.",
        f"Have {f.acid.ready * unit:.0f} {f.acid.unit} of {f.acid.name} ready{thinned}; "
        f"stop when the whey runs clear, usually after {f.acid.likely.likely * unit:.0f} {f.acid.unit}.",
        f"You will have {f.curd_kg.likely * 1e3:.0f} g{f.curd_kg.spread(1e3)} of chhena "
        f"at {f.moisture.likely * 100:.0f} % moisture, and {f.whey_kg * 1e3:.0f} g of whey.",
        _verdict(f),
    ]
    if f.pieces:
        lines.append(
            f"{f.pieces.count.likely:.0f} pieces of {f.pieces.each_kg * 1e3:.1f} g; knead {f.knead_s / 60:.0f} minutes."
        )
    print("\n".join([*lines, *(f"{c.title} {c.text}" for c in f.cautions)]))
    return 0


def _strain_words(args: argparse.Namespace) -> dict[str, Any]:
    from ..core.equipment.quantities import parse, parse_seconds

    readings = []
    for text in args.whey:
        time, _, whey = text.strip().removesuffix("g").strip().rpartition(" ")
        grams = parse(whey, default_unit="g", allow=("mass",), field="whey").value * 1e3
        readings.append({"minutes": parse_seconds(time, "whey") / 60, "whey_g": grams})
    return {
        "yoghurt": args.yoghurt,
        "amount": args.amount,
        "cloth": args.cloth,
        "hung": args.hung,
        "bags": args.bags,
        "place": args.place,
        "end": args.end,
        "time": args.time,
        "acidity": args.acidity,
        "readings": readings,
    }


def _strain(args: argparse.Namespace) -> int:
    from ..core.planning.strain.forecast import strain
    from ..wire.strain import StrainForecastOut, StrainIn, read_strain

    words = read_body(StrainIn, args, _strain_words)
    f = StrainForecastOut.of(strain(read_strain(words, NoLarder())))
    if args.json:
        print(f.model_dump_json(indent=2))
        return 0
    lines = [
        f"{f.amount} of {f.yoghurt_name} at {f.place_c:.0f} °C: about {f.seconds.likely / 3600:.1f} h"
        f"{f.seconds.spread(1 / 3600, '.1f')}.",
        f"{f.curd_kg.likely * 1e3:.0f} g at {f.total_solids * 100:.0f} % solids and {f.whey_kg.likely * 1e3:.0f} g of whey; "
        f"it tastes {f.taste} ({f.acidity:.2f} %).",
        *(
            f"{e.name}: {e.seconds.likely / 3600:.1f} h{', too sour by then' if e.sour else ''}"
            for e in f.ends
            if e.seconds
        ),
        *(f"{c.title} {c.text}" for c in f.cautions),
    ]
    print("\n".join(lines))
    return 0
