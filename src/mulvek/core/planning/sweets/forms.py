"""A sweet's form is read and checked: every mistake is named with its place and the fix."""

import math
from collections.abc import Mapping
from typing import Any, get_args

from ...errors import BadInput
from .formula import (
    PHASES,
    PROPERTIES,
    RECKONED,
    Base,
    BaseDo,
    Flavour,
    Fry,
    Piece,
    PieceWay,
    Range2,
    School,
    Soak,
    Step,
    Sweet,
    Top,
)

_MISSING = object()


def _number(row: Mapping[str, Any], name: str, where: str, low: float, high: float, usual: Any = _MISSING) -> float:
    value = row.get(name, usual)
    if value is _MISSING:
        raise BadInput(where, "form-number-missing", name=name, low=low, high=high)
    if isinstance(value, bool) or not isinstance(value, int | float) or not math.isfinite(value):
        raise BadInput(where, "form-no-number", name=name, low=low, high=high)
    if not low <= value <= high:
        raise BadInput(where, "form-number-out-of-reach", name=name, value=value, low=low, high=high)
    return float(value)


def _word(row: Mapping[str, Any], name: str, where: str, usual: str | None = None) -> str:
    value = row.get(name, usual)
    if not isinstance(value, str) or (usual is None and not value.strip()) or len(value) > 500:
        raise BadInput(where, "form-text-missing", name=name)
    return value


def _table(row: Mapping[str, Any], name: str, where: str) -> Mapping[str, Any]:
    value = row.get(name, {})
    if not isinstance(value, Mapping) or len(value) > 40:
        raise BadInput(where, "form-no-table", name=name)
    return value


def _pair(value: Any, where: str, low: float = 0.0, high: float = 10000.0) -> Range2:
    ok = isinstance(value, list | tuple) and len(value) == 2
    if not ok or not all(isinstance(v, int | float) and not isinstance(v, bool) and low <= v <= high for v in value):
        raise BadInput(where, "form-range-two-numbers", low=low, high=high)
    if value[0] > value[1]:
        raise BadInput(where, "form-range-upside-down")
    return float(value[0]), float(value[1])


def _known(row: Mapping[str, Any], where: str, names: frozenset[str]) -> None:
    odd = set(row) - names
    if odd:
        raise BadInput(where, "form-unknown-name", odd=min(odd), names=tuple(sorted(names)))


_BASE = frozenset({"do", "of", "x", "ts", "water"})
_SCHOOL = frozenset(
    {"name", "about", "milk", "bases", "mix", "finish", "cook", "fry", "soak", "top", "lose", "vary", "windows"}
    | {"steps", "piece", "ph", "fruit"}
)
_SWEET = frozenset(
    {"name", "about", "one", "many", "order", "windows", "bands", "piece", "ph", "fruit", "frozen", "hidden", "lose"}
    | {"cautions", "then", "usual_flavour", "usual_want", "steps", "schools", "flavours", "told"}
)


def _base(row: Any, where: str) -> Base:
    if not isinstance(row, Mapping):
        raise BadInput(where, "form-base-no-table")
    _known(row, where, _BASE)
    do = _word(row, "do", where)
    if do not in get_args(BaseDo):
        raise BadInput(where, "form-base-unknown-way", do=do)
    of = _word(row, "of", where)
    if do == "reduce" and "x" in row:
        return Base("reduce", of, _number(row, "x", where, 1.0, 8.0), "x")
    if do == "reduce":
        return Base("reduce", of, _number(row, "ts", where, 10.0, 85.0), "ts")
    return Base(do, of, _number(row, "water", where, 40.0, 85.0), "water")  # type: ignore[arg-type]


def _amounts(row: Mapping[str, Any], name: str, where: str, most: float) -> dict[str, float]:
    table = _table(row, name, where)
    return {key: _number(table, key, f"{where}.{name}", 0.0, most) for key in table}


def _piece(row: Any, where: str) -> Piece:
    if not isinstance(row, Mapping):
        raise BadInput(where, "form-piece-no-table")
    _known(row, where, frozenset({"way", "grams", "before", "thick_mm", "air", "cut_mm", "ml"}))
    way = _word(row, "way", where)
    if way not in get_args(PieceWay):
        raise BadInput(where, "form-piece-unknown-way", way=way, pieceway=get_args(PieceWay))
    if way == "slab":
        return Piece(
            way="slab",
            thick_mm=_number(row, "thick_mm", where, 5.0, 60.0),
            air=_number(row, "air", where, 0.0, 40.0, 8.0) / 100,
            cut_mm=_pair(row.get("cut_mm", [30, 30]), where, 10, 200),
        )
    if way == "mould":
        return Piece(way="mould", ml=_number(row, "ml", where, 10.0, 2000.0))
    grams = _number(row, "grams", where, 2.0, 2000.0)
    return Piece(way=way, grams=grams, before=bool(row.get("before", way == "count")))  # type: ignore[arg-type]


def _adds(value: Any, where: str) -> tuple[str, ...]:
    if not isinstance(value, list) or not all(isinstance(name, str) for name in value) or len(value) > 40:
        raise BadInput(where, "form-adds-no-list")
    return tuple(value)


def _phase(row: Mapping[str, Any], where: str) -> str:
    phase = _word(row, "follows", where, "")
    if phase and phase not in PHASES:
        raise BadInput(where, "form-unknown-phase", phase=phase, phases=tuple(PHASES))
    return phase


def _steps(rows: Any, where: str) -> tuple[Step, ...]:
    if not isinstance(rows, list) or len(rows) > 30:
        raise BadInput(where, "form-steps-no-list")
    made: list[Step] = []
    for i, row in enumerate(rows):
        at = f"{where}.{i + 1}"
        if not isinstance(row, Mapping):
            raise BadInput(at, "form-step-no-table")
        _known(
            row,
            at,
            frozenset({"key", "say", "takes", "hands", "fire", "after", "check", "caution", "adds", "follows"}),
        )
        takes = row.get("takes")
        after = row.get("after")
        if not isinstance(takes, str):
            takes = _number(row, "takes", at, 0.0, 10080.0)
        elif takes not in RECKONED and not takes.startswith("base."):
            raise BadInput(at, "form-time-unknown", takes=takes, reckoned=tuple(RECKONED))
        known = {s.key for s in made}
        if after is not None and (not isinstance(after, list) or not set(after) <= known):
            raise BadInput(at, "form-after-unknown-step")
        key = _word(row, "key", at)
        if key in known:
            raise BadInput(at, "form-step-twice", key=key)
        made.append(
            Step(
                key=key,
                say=_word(row, "say", at),
                takes=takes,
                hands=bool(row.get("hands", True)),
                fire=bool(row.get("fire", False)),
                after=None if after is None else tuple(after),
                check=_word(row, "check", at, ""),
                caution=_word(row, "caution", at, ""),
                adds=_adds(row.get("adds", []), at),
                follows=_phase(row, at),
            )
        )
    return tuple(made)


def _windows(row: Mapping[str, Any], where: str) -> dict[str, Range2]:
    table = _table(row, "windows", where)
    _known(table, f"{where}.windows", frozenset(PROPERTIES))
    return {key: _pair(value, f"{where}.windows.{key}", 0, 100) for key, value in table.items()}


def _school(key: str, row: Any, sweet: Mapping[str, Any], where: str) -> School:
    if not isinstance(row, Mapping):
        raise BadInput(where, "form-school-no-table")
    _known(row, where, _SCHOOL)
    bases = {name: _base(b, f"{where}.bases.{name}") for name, b in _table(row, "bases", where).items()}
    mix = _amounts(row, "mix", where, 20.0)
    if not mix or not sum(mix.values()) > 0:
        raise BadInput(f"{where}.mix", "form-nothing-mixed")
    finish = _amounts(row, "finish", where, 70.0)
    if sum(finish.values()) > 80:
        raise BadInput(f"{where}.finish", "form-finish-too-much")
    fry, soak, top = row.get("fry"), row.get("soak"), row.get("top")
    for name, table in (("fry", fry), ("soak", soak), ("top", top)):
        if table is not None and not isinstance(table, Mapping):
            raise BadInput(f"{where}.{name}", "form-part-no-table")
    cook = row.get("cook")
    vary = _table(row, "vary", where)
    at = f"{where}.soak"
    return School(
        key=key,
        name=_word(row, "name", where),
        about=_word(row, "about", where, ""),
        milk=_word(row, "milk", where, "full-cream"),
        bases=bases,
        mix=mix,
        finish=finish,
        cook=None if cook is None else _number(row, "cook", where, 2.0, 90.0),
        fry=None
        if fry is None
        else Fry(
            _number(fry, "loses", f"{where}.fry", 0.0, 60.0),
            _number(fry, "takes", f"{where}.fry", 0.0, 60.0),
            _pair(fry.get("celsius", [150, 165]), f"{where}.fry", 100, 200),
            _pair(fry.get("seconds", [60, 120]), f"{where}.fry", 5, 3600),
            _number({"thick_mm": 6.0, **fry}, "thick_mm", f"{where}.fry", 1.0, 60.0),
            _number({"kg_m3": 1060.0, **fry}, "kg_m3", f"{where}.fry", 100.0, 1400.0),
        ),
        soak=None
        if soak is None
        else Soak(
            gain=_number(soak, "gain", at, 0.01, 5.0),
            brix=_number(soak, "brix", at, 0.0, 80.0, 0.0),
            ratio=_number(soak, "ratio", at, 0.0, 20.0, 0.0),
            reach=_number(soak, "reach", at, 0.1, 1.0, 0.95),
            within=_word(soak, "within", at, ""),
            hours=_pair(soak.get("hours", [4, 8]), at, 0, 48),
            kind=_word(soak, "kind", at, ""),
        ),
        top=None
        if top is None
        else Top(_word(top, "of", f"{where}.top"), _number(top, "share", f"{where}.top", 0.01, 10)),
        lose=_number(row, "lose", where, 0.0, 30.0, sweet.get("lose", 3.0)),
        vary={k: _pair(v, f"{where}.vary.{k}", 0, 100) for k, v in vary.items()},
        windows=_windows(sweet, "sweet") | _windows(row, where),
        steps=_steps(row.get("steps", sweet.get("steps", [])), f"{where}.steps"),
        piece=_piece(row.get("piece", sweet.get("piece")), f"{where}.piece"),
        ph=_number(row, "ph", where, 2.5, 8.0, sweet.get("ph", 6.5)),
        fruit=bool(row.get("fruit", sweet.get("fruit", False))),
    )


def read_told(form: Mapping[str, Any]) -> tuple[tuple[str, ...], dict[int, str]]:
    """The lines of the batch that an own sweet was written from, and what its doubtful words meant; none for others.

    :raises BadInput: field "told".
    """
    told = _table(form, "told", "told")
    lines, answers = told.get("lines", []), told.get("answers", {})
    ok = isinstance(lines, list) and len(lines) <= 30 and all(isinstance(x, str) and len(x) <= 200 for x in lines)
    answers_ok = isinstance(answers, Mapping) and all(
        k.isdecimal() and isinstance(v, str) and len(v) <= 40 for k, v in answers.items()
    )
    if not ok or not answers_ok:
        raise BadInput("told", "form-told-no-list")
    return tuple(lines), {int(k): v for k, v in answers.items()}


def read_sweet(key: str, row: Mapping[str, Any]) -> Sweet:
    """A sweet from its form. Names in it are looked up later, by :func:`core.planning.sweets.library.check`.

    :raises BadInput: naming the place in the form, what is wrong and the fix.
    """
    if not isinstance(row, Mapping):
        raise BadInput("sweet", "form-sweet-no-table")
    _known(row, "sweet", _SWEET)
    lines, _ = read_told(row)
    schools = {k: _school(k, s, row, f"schools.{k}") for k, s in _table(row, "schools", "sweet").items()}
    if not schools:
        raise BadInput("schools", "form-without-school")
    flavours = {}
    for k, f in _table(row, "flavours", "sweet").items():
        if not isinstance(f, Mapping):
            raise BadInput(f"flavours.{k}", "form-flavour-no-table")
        _known(f, f"flavours.{k}", frozenset({"name", "finish"}))
        flavours[k] = Flavour(k, _word(f, "name", f"flavours.{k}"), _amounts(f, "finish", f"flavours.{k}", 40.0))
    bands = {k: _pair(v, f"bands.{k}", 0, 80) for k, v in _table(row, "bands", "sweet").items()}
    _known(bands, "bands", frozenset({"just", "usual", "very"}))
    cautions = row.get("cautions", [])
    if not isinstance(cautions, list) or not all(isinstance(word, str) for word in cautions):
        raise BadInput("cautions", "form-cautions-no-list")
    return Sweet(
        key=key,
        name=_word(row, "name", "name"),
        about=_word(row, "about", "about", ""),
        one=_word(row, "one", "one"),
        many=_word(row, "many", "many"),
        order=int(_number(row, "order", "order", 0, 10000, 5000)),
        schools=schools,
        flavours=flavours,
        bands=bands,
        frozen=bool(row.get("frozen", False)),
        hidden=bool(row.get("hidden", False)),
        cautions=tuple(cautions),
        then=_word(row, "then", "then", ""),
        tried=bool(lines),
        usual_flavour=_word(row, "usual_flavour", "usual_flavour", "plain"),
        usual_want=_word(row, "usual_want", "usual_want", ""),
    )
