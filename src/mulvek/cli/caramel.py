"""``mulvek reckon caramel``: dry sugar to a shade, opened with butter and milk, simmered down."""

import argparse
from typing import Any

from .no_larder import NoLarder
from .words import PAN_HELP, read_body, read_pan_measures


def add_caramel(commands: Any) -> None:
    caramel = commands.add_parser("caramel", help="caramelised milk in a pan: shade, °C, pours, weight")
    caramel.set_defaults(run=_caramel)
    caramel.add_argument("--shade", default="amber", help="straw, pale-gold, amber, deep-amber")
    caramel.add_argument("--sugar", default="100 g")
    caramel.add_argument("--butter", default="20 g", help="0 for none")
    caramel.add_argument("--milk", default="cow", help="as for reduce")
    caramel.add_argument("--amount", default="250 ml", help="of the milk")
    caramel.add_argument("--condensed", default="200 g", help="condensed milk; 0 for none")
    caramel.add_argument("--solids", default="", help='"73 %%"; as soon as it is smooth when left out')
    caramel.add_argument("--pan", default="straight 22 x 10", help=PAN_HELP)
    caramel.add_argument("--burner", default="lpg-large", help="lpg-large, lpg-small, induction, electric")
    caramel.add_argument("--melt-on", default="gentle", help="gentle, medium, strong")
    caramel.add_argument("--flame", default="medium", help="of the simmering")
    caramel.add_argument("--json", nargs="?", const="out", choices=["out", "-"], help="answer in JSON; “-” reads it")


def _words(args: argparse.Namespace) -> dict[str, Any]:
    same = ("shade", "sugar", "butter", "milk", "condensed", "solids", "melt_on", "flame")
    return {name: getattr(args, name) for name in same} | {
        "milk_amount": args.amount,
        "pan": {"name": "the pan", "shape": read_pan_measures(args.pan)},
        "burner": {"kind": args.burner},
    }


def _caramel(args: argparse.Namespace) -> int:
    from ..core.properties.texture import STAGE_VERBS, STAGES
    from ..wire.caramel import CaramelIn, answer_caramel

    f = answer_caramel(read_body(CaramelIn, args, _words), NoLarder())
    if args.json:
        print(f.model_dump_json(indent=2))
        return 0
    for i, step in enumerate(f.steps, 1):
        heat = f" {step.celsius.likely:.0f} °C:" if step.celsius else ""
        minutes = f" ({step.seconds.likely / 60:.0f} min)" if step.seconds.likely >= 60 else ""
        print(f"{i}.{heat} {step.do}{minutes} Until {step.sign}.")
    print(
        f"You will have {f.mass_kg.likely * 1e3:.0f} g{f.mass_kg.spread(1e3)} at {f.total_solids * 100:.0f} % solids; "
        f"cold it {STAGE_VERBS[STAGES.index(f.cold_name)]}."
    )
    print("\n".join(f"{c.title} {c.text}" for c in f.cautions))
    return 0
