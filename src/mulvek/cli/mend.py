"""``mulvek reckon mend``: what went wrong with something, from what the cook can tell of it."""

import argparse
from typing import Any

from ..core.equipment.kitchen import Kitchen
from ..core.errors import BadInput


def add_mend(commands: Any) -> None:
    mend = commands.add_parser("mend", help="what went wrong: causes in their order, what to do now and next time")
    mend.set_defaults(run=_mend)
    mend.add_argument("product", nargs="?", default="", help="what was made; lists them when left out")
    mend.add_argument("fault", nargs="?", default="", help="what is wrong with it; lists what there is when left out")
    mend.add_argument(
        "--said", action="append", default=[], help='what you know: "chhena-water=67", "seams=yes"; repeatable'
    )
    mend.add_argument("--json", nargs="?", const="out", choices=["out"], help="answer in JSON")


def answer(text: str) -> tuple[str, float]:
    """:raises BadInput: field "said"."""
    reading, _, value = text.partition("=")
    either = {"yes": 1.0, "no": 0.0}
    try:
        return reading.strip(), either[value.strip()] if value.strip() in either else float(value)
    except ValueError:
        raise BadInput("said", "answer-unreadable", text=text) from None


def _mend(args: argparse.Namespace) -> int:
    from ..wire.mending import MendIn, mend_choices, mending

    if not args.product:
        choices = mend_choices()
        print(
            choices.model_dump_json(indent=2)
            if args.json
            else "\n".join(f"{p.key:20} {p.name}" for p in choices.products)
        )
        return 0
    body = MendIn(product=args.product, fault=args.fault, answers=dict(map(answer, args.said)))
    told = mending(body, None, [], Kitchen(), {})
    if args.json:
        print(told.model_dump_json(indent=2))
    elif told.fault is None:
        print("\n".join(f"{f.key:20} {f.title}" for f in told.faults))
    else:
        say_causes(told)
    return 0


def say_causes(told: Any) -> None:
    if told.throw_away:
        print(told.rescue)
    print(f"{told.fault.title}:")
    for cause in told.causes:
        against = f"; against: {', '.join(line.text for line in cause.against)}" if cause.against else ""
        speaks = f" ({', '.join(line.text for line in cause.speaks)}{against})" if cause.speaks or against else ""
        print(f"  {cause.word.replace('-', ' '):13} {cause.why}{speaks}. Next time: {cause.next}.")
    if told.question:
        print(f"Tell most: {told.question.text} --said {told.question.reading}=…")
    if not told.throw_away:
        print(told.rescue)
    if told.caution:
        print(told.caution)
