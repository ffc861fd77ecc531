"""What the log of a sweet says: how long its steps took, what it was told to be, what it weighs. Sweets dossier.

What was made for it (its milk, its curd, its caramel) says for itself; the sweet's own record comes over it.
"""

from collections.abc import Mapping
from typing import Any

from ...batch.events import StepBegun, StepDone, Weighed
from ...batch.log import Log
from ...batch.sweet_run import SweetRun, SweetState
from .noted import Noted, Record, last

HOUR_MIN = 60.0
_MINUTES: Mapping[str, str] = {"boil": "boiling", "fry": "frying", "soften": "softening"}
"""Steps whose minutes tell something, and which reading they are. A sweet's kneading is told together with its rolling."""
_PER_CENT: Mapping[str, Mapping[str, str]] = {
    "kulfi": {"sugar": "kulfi-sugar", "total_solids": "kulfi-solids"},
    "burfi": {"water": "burfi-water", "fat": "fat-share", "sugar": "sugar-share"},
    "peda": {"water": "burfi-water", "fat": "fat-share", "sugar": "sugar-share"},
    "kalakand": {"sugar": "sugar-share", "fat": "fat-share"},
    "halwa": {"fat": "fat-share"},
}
"""Levels of the plan that tell something, by the sweet's family."""
RESTED_SOAKS = ("bread", "poli")
"""Families whose soak is over in minutes."""


def of_sweet(log: Log, state: SweetState, told: Mapping[str, Any], families: tuple[str, ...]) -> dict[str, Noted]:
    """Readings by their key, in their units.

    :param told: the answer given when it began; what an older release did not tell is not known.
    """
    record = Record()
    run: SweetRun = log.plan
    _of_steps(record, log, state, families)
    record.note("ball-weight", run.each_kg * 1e3)
    _of_syrup(record, told.get("syrup"), told)
    _of_levels(record, told, families)
    slab = told.get("slab")
    if isinstance(slab, Mapping):
        record.note("slab-depth", _number(slab, "thick_m", 1e3))
    weighed = last(log.counted, Weighed)
    if weighed is not None and state.told_kg.likely > 0:
        mass_kg = float(weighed.what.mass_kg)  # type: ignore[union-attr]
        record.note("over-target", (mass_kg / state.told_kg.likely - 1) * 100, weighed)
    return record.found


def _number(row: Mapping[str, Any], name: str, scale: float = 1.0) -> float | None:
    value = row.get(name)
    return float(value) * scale if isinstance(value, int | float) and not isinstance(value, bool) else None


def _of_steps(record: Record, log: Log, state: SweetState, families: tuple[str, ...]) -> None:
    steps = {s.planned.key: s for s in state.steps}

    def took(key: str) -> float | None:
        step = steps.get(key)
        if step is None or step.began_at_s is None or step.done_at_s is None or not _begun(log, key):
            return None
        return max(0.0, step.done_at_s - step.began_at_s - step.planned.heats_s) / 60 / step.planned.loads

    def ended(key: str) -> Any:
        return last((e for e in log.counted if isinstance(e.what, StepDone) and e.what.step == key), StepDone)

    for key, reading in _MINUTES.items():
        record.note(reading, took(key), ended(key))
    soaked, frozen = took("soak"), took("freeze")
    if soaked is not None and set(RESTED_SOAKS) & set(families):
        record.note("soaking-minutes", soaked, ended("soak"))
    elif soaked is not None:
        record.note("soaking-hours", soaked / HOUR_MIN, ended("soak"))
    if frozen is not None:
        record.note("freezing-hours", frozen / HOUR_MIN, ended("freeze"))
    if "cut" in steps:
        record.note("rest-before-cut", took("set"), ended("set"))
    kneaded, boiled = steps.get("knead"), steps.get("boil")
    if kneaded and boiled and kneaded.done_at_s is not None and boiled.began_at_s is not None:
        record.note("waited-shaped", max(0.0, boiled.began_at_s - kneaded.done_at_s) / 60)
    fried = steps.get("fry")
    soak = steps.get("soak")
    if fried and soak and fried.done_at_s is not None and soak.began_at_s is not None:
        record.note("fat-to-syrup", max(0.0, soak.began_at_s - fried.done_at_s) / 60)


def _begun(log: Log, key: str) -> bool:
    """Whether its beginning was logged: what was only ticked off took no time that anybody knows."""
    return any(isinstance(e.what, StepBegun) and e.what.step == key for e in log.counted)


def _of_syrup(record: Record, syrup: Any, told: Mapping[str, Any]) -> None:
    if not isinstance(syrup, Mapping):
        return
    record.note("syrup-brix", _number(syrup, "brix"))
    kg, pan_m, raw_m, at_once = (_number(syrup, name) for name in ("kg", "pan_m", "raw_m", "at_once"))
    pieces, each = told.get("pieces"), _number(told, "each_kg")
    count = _number(pieces, "likely") if isinstance(pieces, Mapping) else None
    if kg and each and count:
        record.note("syrup-for-each", kg / (each * count))
    if pan_m and raw_m and at_once and count:
        record.note("pan-covered", min(count, at_once) * (raw_m / pan_m) ** 2 * 100)


def _of_levels(record: Record, told: Mapping[str, Any], families: tuple[str, ...]) -> None:
    levels = {row["key"]: row.get("share") for row in told.get("levels", []) if isinstance(row, Mapping)}
    for family in families:
        for level, reading in _PER_CENT.get(family, {}).items():
            share = levels.get(level)
            if isinstance(share, Mapping):
                record.note(reading, _number(share, "likely", 100.0))
