"""A batch's readings as CSV, out and in again.

Columns: ``time`` (ISO 8601 with its zone), ``source`` (``cook``, an instrument's channel for a reading learned from,
or ``<channel> stream`` for what it sent second by second), ``what`` (depth, weight, volume, spoon, temperature,
brix, clr, ph; a scale's stream is ``gross weight``, pan and all), ``value`` and ``unit``.
"""

import csv
import io
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime

from ..core.batch.channels import CHANNELS
from ..core.batch.events import Event, Reading, ReadingKind, standing
from ..core.equipment.quantities import parse
from ..core.errors import BadInput, KitchenError
from ..core.messages.figures import Dimension

COLUMNS = ("time", "source", "what", "value", "unit")
COOK, STREAM = "cook", " stream"
AHEAD_S = 30.0
_OUT: Mapping[str, tuple[str, float, int]] = {  # unit written, how many of it in one of ours, decimals
    "depth": ("cm", 100.0, 2),
    "weight": ("g", 1000.0, 1),
    "volume": ("ml", 1e6, 1),
    "spoon": ("stage", 1.0, 0),
    "temperature": ("°C", 1.0, 2),
    "brix": ("°Bx", 1.0, 2),
    "gross weight": ("g", 1000.0, 1),
    "clr": ("CLR", 1.0, 2),
    "ph": ("pH", 1.0, 2),
}
_READ: Mapping[str, Dimension] = {"depth": "length", "weight": "mass", "volume": "volume", "gross weight": "mass"}
_STREAMED = {
    "scale": "gross weight",
    "probe": "temperature",
    "dip": "depth",
    "refractometer": "brix",
    "lactometer": "clr",
    "ph": "ph",
}
_KINDS: Mapping[str, ReadingKind] = {
    "depth": "depth",
    "weight": "weight",
    "volume": "volume",
    "spoon": "spoon",
    "temperature": "temperature",
    "brix": "brix",
}

Samples = Mapping[str, Iterable[tuple[float, float]]]


@dataclass(frozen=True, slots=True)
class Row:
    """One line read: a reading of the batch, or a sample of a channel (value in the channel's unit)."""

    line: int
    at_s: float
    reading: Reading | None
    channel: str = ""
    value: float = 0.0


def write_readings(events: Sequence[Event], samples: Samples) -> str:
    """All that was read, in order of time."""
    rows: list[tuple[float, str, str, float]] = []
    for event in standing(events):
        if isinstance(event.what, Reading):
            rows.append((event.at_s, event.what.by or COOK, event.what.how, event.what.value))
    for channel, pairs in samples.items():
        rows += [(at, channel + STREAM, _STREAMED[channel], value) for at, value in pairs]
    rows.sort(key=lambda row: row[0])
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for at, source, what, value in rows:
        unit, times, digits = _OUT[what]
        writer.writerow([_time(at), source, what, f"{value * times:.{digits}f}", unit])
    return out.getvalue()


def _time(at_s: float) -> str:
    return datetime.fromtimestamp(at_s, UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")


def read_readings(text: str, now_s: float) -> list[Row]:
    """Every line understood, or none. No line may lie ahead of ``now_s``, seconds since the epoch.

    :raises BadInput: field "csv", naming the line that is wrong and what to do.
    """
    lines = csv.reader(io.StringIO(text.lstrip("\ufeff")))
    try:
        head = [name.strip().lower() for name in next(lines, [])]
    except csv.Error as error:
        raise BadInput("csv", "not-csv") from error
    missing = [name for name in COLUMNS if name not in head]
    if missing:
        raise BadInput("csv", "csv-lacks-column", missing=missing[0], columns=tuple(COLUMNS))
    found: list[Row] = []
    try:
        for cells in lines:
            if any(cell.strip() for cell in cells):
                row = dict(zip(head, (cell.strip() for cell in cells), strict=False))
                found.append(_row(lines.line_num, {name: row.get(name, "") for name in COLUMNS}, now_s))
    except csv.Error as error:
        raise BadInput("csv", "csv-line-broken", line=lines.line_num, error=str(error)) from error
    return found


def wrong(line: int, error: KitchenError) -> BadInput:
    """The same error, told of its line."""
    return BadInput("csv", "csv-line-wrong", line=line, why=error.says)


def _row(line: int, row: Mapping[str, str], now_s: float) -> Row:
    try:
        at, source, what = _when(row["time"], now_s), row["source"] or COOK, row["what"].lower()
        if what not in _OUT:
            raise BadInput("what", "csv-no-such-reading", what=row["what"], readings=tuple(_OUT))
        value = _value(what, row["value"], row["unit"])
        if source.endswith(STREAM):
            channel = source.removesuffix(STREAM)
            if _STREAMED.get(channel) != what:
                raise BadInput("source", "csv-no-such-channel", source=source, what=what, channels=tuple(CHANNELS))
            limits = CHANNELS[channel]
            if not limits.low <= value <= limits.high:
                raise BadInput(
                    "value", "csv-beyond-instrument", channel=limits.name, value=row["value"], unit=row["unit"]
                )
            return Row(line, at, None, channel, value)
        if what not in _KINDS or (source != COOK and source not in CHANNELS):
            raise BadInput("source", "csv-not-read-by-cook", source=source, what=what, cook=COOK)
        return Row(line, at, Reading(_KINDS[what], value, by="" if source == COOK else source))
    except KitchenError as error:
        raise wrong(line, error) from error


def _when(text: str, now_s: float) -> float:
    try:
        found = datetime.fromisoformat(text)
        at = found.timestamp() if found.tzinfo is not None else None
    except (ValueError, OverflowError):
        at = None
    if at is None:
        raise BadInput("time", "csv-time-unreadable", text=text)
    if not 0 <= at <= now_s + AHEAD_S:
        raise BadInput("time", "csv-time-out-of-reach", text=text, when="ahead" if at > 0 else "long-ago")
    return at


def _value(what: str, text: str, unit: str) -> float:
    usual, times, _ = _OUT[what]
    if unit == usual and text.isascii() and text.replace(".", "", 1).isdigit():  # nearly every line of a stream
        return float(text) / times
    if what in _READ:
        return parse(f"{text} {unit}", default_unit=_OUT[what][0], allow=(_READ[what],), field="value").value
    if unit not in ("", _OUT[what][0]):
        raise BadInput("unit", "csv-unit-wrong", what=what, unit=unit, out=_OUT[what][0])
    try:
        return float(text)
    except ValueError as error:
        raise BadInput("value", "csv-no-number", text=text) from error
