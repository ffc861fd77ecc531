"""The open line format: one JSON object a line, a second apart.

``{"n": 12, "at_s": 11.0, "scale": 3.075, "probe": 99.8}``: the line's number, seconds since the instrument was switched
on, and what each channel shows in its unit (scale kg, probe °C, dip m, refractometer °Bx, lactometer CLR, ph pH). A
channel that shows nothing is left out. The same columns make the CSV.
"""

import csv
import io
import json
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..core.batch.channels import CHANNELS
from ..core.errors import BadInput

FORMAT = "mulvek-lines/1"
MOST_LINES, LONGEST_ON_S = 2**53, 1e9


@dataclass(frozen=True, slots=True)
class Line:
    n: int
    at_s: float
    values: Mapping[str, float]

    def json(self) -> str:
        return json.dumps({"n": self.n, "at_s": self.at_s, **self.values}, separators=(",", ":"))


def read_line(text: str) -> Line:
    """:raises BadInput: field "line", when it is not of the format; unknown channels are passed over."""
    try:
        body = json.loads(text)
        n, at_s = int(body["n"]), float(body["at_s"])
        values = {key: float(body[key]) for key in CHANNELS if body.get(key) is not None}
        if not (0 <= n <= MOST_LINES and 0 <= at_s <= LONGEST_ON_S):
            raise ValueError("no line is numbered or timed so")
    except (ValueError, TypeError, KeyError, AttributeError, OverflowError, RecursionError) as error:
        raise BadInput("line", "lines-of-another-kind", format=FORMAT) from error
    kept = {key: v for key, v in values.items() if CHANNELS[key].low <= v <= CHANNELS[key].high}
    return Line(n, at_s, kept)


def as_csv(lines: Iterable[Line], channels: Iterable[str]) -> str:
    """All lines as CSV, a column a channel."""
    keys = list(channels)
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["n", "at_s", *keys])
    for line in lines:
        writer.writerow([line.n, line.at_s, *(line.values.get(key, "") for key in keys)])
    return out.getvalue()


def from_csv(text: str) -> list[Line]:
    """:raises BadInput: field "csv", naming the line that is wrong."""
    rows = csv.DictReader(io.StringIO(text))
    names = set(rows.fieldnames or ())
    if "at_s" not in names or not names & CHANNELS.keys():
        raise BadInput("csv", "lines-without-columns", channels=tuple(CHANNELS))
    found: list[Line] = []
    for i, row in enumerate(rows):
        try:
            values = {key: float(row[key]) for key in CHANNELS if row.get(key)}
            found.append(Line(i + 1, float(row["at_s"]), values))
        except (ValueError, TypeError) as error:
            raise BadInput("csv", "lines-no-number", line_num=rows.line_num) from error
        if i and found[-1].at_s <= found[-2].at_s:
            raise BadInput("csv", "lines-back-in-time", line_num=rows.line_num)
    return found
