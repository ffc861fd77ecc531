"""``mulvek reckon sweet``, ``swap``, ``freeze``, ``told`` and ``syrup``."""

import argparse
from typing import Any

from ..core.errors import BadInput
from .no_larder import NoLarder
from .words import PAN_HELP, read_body, read_pan_measures


def add_sweets(commands: Any) -> None:
    """The five commands and their flags."""
    sweet = commands.add_parser(
        "sweet", help="a sweet from a wish or from what there is: weigh list, pieces, keeping"
    )
    sweet.set_defaults(run=_sweet)
    freeze = commands.add_parser("freeze", help="a frozen mix: freezing point, ice, bite, freezing and standing")
    freeze.set_defaults(run=_freeze)
    swap = commands.add_parser("swap", help="what can stand in for an ingredient")
    swap.set_defaults(run=_swap)
    swap.add_argument("ingredient", nargs="?", default="khoya-pindi", help="a key of “mulvek reckon materials”")
    swap.add_argument("--most", action="append", default=[], help='what there is of others: "whole-powder 80 g"')
    for command, usual in ((sweet, "basundi"), (freeze, "kulfi"), (swap, "kulfi")):
        command.add_argument("--sweet", default=usual, help="basundi, kheer, kulfi, kalakand, burfi, sponge-balls…")
        command.add_argument("--school", default="khoya" if command is swap else "", help="its way of making")
        command.add_argument("--flavour", default="")
        command.add_argument("--fruit", default="", help="mango, strawberry, custard-apple…; where it takes a fruit")
        command.add_argument("--want", default="", help='"24 sticks", "1.2 kg"')
        command.add_argument("--have", action="append", default=[], help='"milk 1.1 L", "C 380 g"; repeatable')
        command.add_argument("--each", default="", help='one piece: "70 ml", "12 g"')
        command.add_argument("--milk", help="cow, buffalo, full-cream, toned…; the school's own when left out")
        command.add_argument("--taken", default="", help='how far the milk is reduced: half, "30 %% solids", 1.9')
        command.add_argument("--change", action="append", default=[], help="finish.white-sugar=14; repeatable")
        command.add_argument("--mould", default="stick", help="stick, cone, metal-cone, clay, tray")
        command.add_argument("--tray", default="", help='"30 x 20 cm"')
        command.add_argument("--freezer", type=float, help="°C")
        command.add_argument("--fan", action="store_true", help="a freezer with a fan")
        command.add_argument("--pan", default="kadhai 31 x 11", help=PAN_HELP)
        command.add_argument("--burner", default="lpg-large")
        command.add_argument("--flame", default="medium", choices=["gentle", "medium", "strong"])
        command.add_argument("--altitude", type=float, default=0.0, help="m above the sea")
        _json(command)

    told = commands.add_parser("told", help="one batch in your own lines: what it comes to, beside the library")
    told.set_defaults(run=_told)
    told.add_argument(
        "lines", nargs="*", help='"2 L buffalo milk to half" "5 spoons of sugar" "gave 14 sticks, 1 020 g"'
    )
    told.add_argument("--name", default="", help="what you call it")
    told.add_argument("--answer", action="append", default=[], help="which spoon the second line meant: 2=heaped")
    _json(told)

    syrup = commands.add_parser("syrup", help="a syrup's strength, stage and boiling point, and how to change it")
    syrup.set_defaults(run=_syrup)
    syrup.add_argument("--sugar", default="", help='"450 g"')
    syrup.add_argument("--water", default="", help='"1 L"')
    syrup.add_argument("--brix", type=float)
    syrup.add_argument("--mass", default="", help="of the syrup, with --brix or --boils")
    syrup.add_argument("--boils", type=float, help="°C it boils at")
    syrup.add_argument("--water-boils", type=float, help="°C your thermometer shows in boiling water")
    syrup.add_argument("--to", type=float, help="°Brix wanted")
    syrup.add_argument("--altitude", type=float, default=0.0)
    _json(syrup)


def _json(command: argparse.ArgumentParser) -> None:
    command.add_argument(
        "--json", nargs="?", const="out", choices=["out", "-"], help="answer in JSON; “-” reads the request"
    )


def _words(args: argparse.Namespace) -> dict[str, Any]:
    changes: dict[str, float] = {}
    for text in args.change:
        place, _, value = text.partition("=")
        try:
            changes[place.strip()] = float(value)
        except ValueError:
            raise BadInput("change", "change-unreadable", text=text) from None
    have = []
    for text in args.have:
        what, _, amount = text.strip().partition(" ")
        have.append({"what": what, "amount": amount})
    return {
        "sweet": args.sweet,
        "school": args.school,
        "flavour": args.flavour,
        "fruit": args.fruit,
        "want": args.want or ("" if have else "12"),
        "have": have,
        "each": args.each,
        "milk": args.milk,
        "taken": args.taken,
        "changes": changes,
        "mould": args.mould,
        "tray": args.tray,
        "freezer_c": args.freezer,
        "fan": args.fan,
        "pan": {"name": "the pan", "shape": read_pan_measures(args.pan)},
        "burner": {"kind": args.burner},
        "flame": args.flame,
        "kitchen": {"altitude_m": args.altitude},
    }


def _answer(args: argparse.Namespace) -> Any:
    from ..wire.sweet_words import SweetIn
    from ..wire.sweets import answer_sweet

    return answer_sweet(read_body(SweetIn, args, _words), NoLarder())


def _sweet(args: argparse.Namespace) -> int:
    a = _answer(args)
    if args.json:
        print(a.model_dump_json(indent=2))
        return 0
    p = a.pieces
    name = a.one if p.likely == 1 else a.many
    lines = [
        f"Start with {a.lead.words} of {a.lead.name}: {p.likely:.0f} {name}{p.spread()} of "
        f"{a.each_kg * 1e3:.0f} g, {a.finished.likely * 1e3:.0f} g of {a.name} {a.school_name}.",
        *(
            f"  {r.grams:8.1f} g  {r.cups:<12} {r.name}, {r.when}{f' ({r.within})' if r.within else ''}"
            for r in a.rows
        ),
        "; ".join(f"{level.of} {level.share.likely * 100:.1f} %" for level in a.levels) + f"; {a.band} sweet.",
    ]
    if a.stop_kg:
        lines.append(f"Keep cooking to {a.stop_kg * 1e3:.0f} g.")
    if a.slab:
        s = a.slab
        lines.append(
            f"{s.length_m * 100:.0f} × {s.width_m * 100:.0f} cm, {s.thick_m * 1e3:.0f} mm thick, cut {s.grid.along} × "
            f"{s.grid.across}. {s.word}"
        )
    if a.syrup:
        lines.append(
            f"Syrup: {a.syrup.kg * 1e3:.0f} g at {a.syrup.brix:.0f} °Brix ({a.syrup.stage}), boils at "
            f"{a.syrup.boils_c:.1f} °C; {a.syrup.at_once} at once. Left: {a.syrup.left_kg * 1e3:.0f} g at "
            f"{a.syrup.left_brix:.0f} °Brix."
        )
    if a.fry:
        lines.append(f"Fat at {a.fry.fat_c.likely:.0f} °C, about {a.fry.seconds.likely / 60:.0f} minutes.")
    lines.append(f"Ready in {a.ready_s.likely / 3600:.1f} h{a.ready_s.spread(1 / 3600, '.1f')}.")
    lines.append(a.keeping.words)
    print("\n".join([*lines, *a.warnings, *(f"{c.title} {c.text}" for c in a.cautions)]))
    return 0


def _freeze(args: argparse.Namespace) -> int:
    a = _answer(args)
    if a.frozen is None:
        raise BadInput("sweet", "sweet-not-frozen", a=a.name)
    if args.json:
        print(a.frozen.model_dump_json(indent=2))
        return 0
    z = a.frozen.answer
    print(
        f"It begins to freeze at {z.begins_c:.1f} °C; in this freezer {z.ice_of_water.likely * 100:.0f} % of its water is ice "
        f"({z.hardness}).\nIt bites cleanly at {z.bite_c:.0f} °C, {z.stand_s.likely / 60:.0f} minutes out of the freezer"
        f"{z.stand_s.spread(1 / 60)}.\nFill {a.frozen.mould} {z.fill * 100:.0f} % full, "
        f"{z.grams_each:.0f} g each; hard in {z.freeze_s.likely / 3600:.1f} h"
        f"{z.freeze_s.spread(1 / 3600, '.1f')}.\nIciness {z.iciness.word}, sand {z.sand.word}: "
        f"{a.keeping.words}"
    )
    if z.dip_s:
        print(f"Dip {z.dip_s.likely:.0f} s in water at 40 °C.")
    for celsius, share in zip(z.curve_c, z.curve_of_water, strict=True):
        if celsius % 3 == 0:
            print(f"{celsius:6.0f} °C  {share * 100:4.0f} % of the water")
    return 0


def _swap(args: argparse.Namespace) -> int:
    from ..wire.sweet_asks import SwapIn, SwapOut

    def words(given: argparse.Namespace) -> dict[str, Any]:
        most = dict(text.strip().partition(" ")[::2] for text in given.most)
        return {"plan": _words(given), "ingredient": given.ingredient, "most": most, "all_things": True}

    a = SwapOut.answer(read_body(SwapIn, args, words), NoLarder())
    if args.json:
        print(a.model_dump_json(indent=2))
        return 0
    print(f"Instead of {a.grams:.0f} g {a.name}:")
    for way in a.ways:
        spoons = ", ".join(f"{p.cups} {p.name}" for p in way.parts if p.cups)
        print(f"- {way.words}{f' ({spoons})' if spoons else ''}: {way.note}")
        if way.kind == "swap":
            missed = ", ".join(f"{row} {g:+.1f} g" for row, g in way.missed_g.items())
            print(f"    off by {missed}; {way.boil_off_g:.0f} g to boil off, {way.minutes:+.0f} min")
    return 0


def _syrup(args: argparse.Namespace) -> int:
    from ..wire.sweet_asks import SyrupIn, SyrupOut

    def words(given: argparse.Namespace) -> dict[str, Any]:
        return {
            "sugar": given.sugar,
            "water": given.water,
            "brix": given.brix,
            "mass": given.mass,
            "celsius": given.boils,
            "water_c": given.water_boils,
            "wanted": given.to,
            "altitude_m": given.altitude,
        }

    a = SyrupOut.answer(read_body(SyrupIn, args, words), args.altitude, 25.0)
    print(a.model_dump_json(indent=2) if args.json else a.words)
    return 0


def _told_words(args: argparse.Namespace) -> dict[str, Any]:
    answers = dict(pair.partition("=")[::2] for pair in args.answer)
    if not all(place.isdecimal() and int(place) for place in answers):
        raise BadInput("answer", "answer-names-no-line")
    return {
        "name": args.name,
        "lines": args.lines,
        "answers": {str(int(place) - 1): key for place, key in answers.items()},
    }


def _told(args: argparse.Namespace) -> int:
    from ..wire.sweet_told import answer_told
    from ..wire.told_lines import ToldIn

    a = answer_told(read_body(ToldIn, args, _told_words), NoLarder())
    if args.json:
        print(a.model_dump_json(indent=2))
        return 0
    for number, line in enumerate(a.lines, 1):
        grams = "" if line.grams is None else f"{line.grams:8.1f} g"
        print(f"{number:2} {grams:>10}  {line.text}. {line.problem or line.said} {line.fix}".rstrip())
        for option in line.options:
            mark = "•" if option.key == line.answer else " "
            print(f"{'':14}{mark} --answer {number}={option.key}: {option.text}, {option.grams:.0f} g")
    if a.asks:
        print("Write what went in." if "in" in a.asks else "Write what came of it: gave 14 sticks, 1 020 g.")
        return 0
    pieces = f"{a.count} {a.one if a.count == 1 else a.many} of {(a.each_kg or 0) * 1e3:.0f} g, " if a.count else ""
    print(
        f"{a.in_kg * 1e3:.0f} g went in: {a.steam_kg * 1e3:.0f} g boiled off, {a.whey_kg * 1e3:.0f} g whey, "
        f"{a.stuck_kg * 1e3:.0f} g stuck, {pieces}{a.finished_kg * 1e3:.0f} g."
    )
    if a.beside:
        levels = "; ".join(f"{v.of} {v.share.likely * 100:.1f} %" for v in a.beside.levels)
        print(f"Beside the library's {a.beside.name}: {levels}.")
        for u in a.beside.unusual:
            print(f"{u.title} {u.text}")
    if a.next_time:
        print(f"Next time stop at {a.next_time.kg.likely * 1e3:.0f} g{a.next_time.kg.spread(1e3)}.")
    return 0
