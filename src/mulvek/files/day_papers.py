"""A day on paper and in a calendar: the sheet for the wall, its acts as iCalendar with alarms (RFC 5545), and as CSV."""

import csv
import io
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from textwrap import wrap

from .sheet import INK, Line, Sheet, Text

ALARM = timedelta(minutes=-5)
A4_MM = (210.0, 297.0)
ROW_MM, BOX_MM, LEFT_MM, TIME_MM, WORDS_MM, RIGHT_MM = 8.6, 5.0, 12.0, 20.0, 46.0, 168.0
FOOT_MM, LINE_MM, HEADING_MM = 283.0, 5.4, 9.6
LETTERS, SWEET_MM = 48, 149.0
PARTS = ((5, "Night"), (11, "Morning"), (14, "Noon"), (17, "Afternoon"), (24, "Evening"))
REST_MIN = 45


@dataclass(frozen=True, slots=True, kw_only=True)
class Act:
    """Something that is done at its time; ``hob``: on which burner it begins to burn, if any."""

    key: str
    at_s: float
    end_s: float
    sweet: str
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Burns:
    """A burner that is lit."""

    hob: int
    start_s: float
    end_s: float


@dataclass(frozen=True, slots=True, kw_only=True)
class DayPaper:
    """A day to be written down; times are seconds since the epoch, written in the zone of this computer."""

    id: int
    name: str
    serve_s: float
    sweets: Sequence[str]
    hobs: Sequence[str]
    acts: Sequence[Act]
    burns: Sequence[Burns]
    spare_min: int
    ahead: Sequence[str] = ()
    """What can be got ready the evening before."""


def _local(seconds: float) -> datetime:
    return datetime.fromtimestamp(seconds).astimezone()


def to_ical(day: DayPaper) -> bytes:
    """An event an act, each with an alarm five minutes before it, and one for the serving."""
    from icalendar import Alarm, Calendar, Event

    calendar = Calendar()
    calendar.add("prodid", "-//Mulvek//The Day//EN")
    calendar.add("version", "2.0")
    serving = Act(key="serve", at_s=day.serve_s, end_s=day.serve_s + 900, sweet=day.name, text="Serve it.")
    for act in [*day.acts, serving]:
        event = Event()
        event.add("uid", f"day-{day.id}-{act.key.replace('/', '-')}@mulvek")
        event.add("dtstamp", datetime.fromtimestamp(day.acts[0].at_s if day.acts else day.serve_s, UTC))
        event.add("dtstart", datetime.fromtimestamp(act.at_s, UTC))
        event.add("dtend", datetime.fromtimestamp(max(act.end_s, act.at_s + 60), UTC))
        event.add("summary", f"{act.sweet}: {act.text}")
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", act.text)
        alarm.add("trigger", ALARM)
        event.add_component(alarm)
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def to_csv(day: DayPaper) -> str:
    """A line an act: when, until when, of which sweet, what."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["start", "end", "sweet", "act"])
    for act in day.acts:
        times = (_local(at).isoformat(timespec="minutes") for at in (act.at_s, act.end_s))
        writer.writerow([*times, act.sweet, act.text])
    return out.getvalue()


def day_sheets(day: DayPaper) -> list[Sheet]:
    """The sheet for the wall, A4: a box to tick, the time large, what is done; at its right when each burner is lit."""
    pages: list[list[Line | Text]] = [_head(day)]
    y, part = 52.0, ""
    if day.ahead:
        pages[0].append(Text(x=LEFT_MM, y=y + 5.0, text="Before it", size=4.6, bold=True))
        y += HEADING_MM
        for line in wrap("; ".join(day.ahead) + ".", LETTERS + 14):
            pages[0].append(Text(x=LEFT_MM, y=y + 3.6, text=line, size=3.8))
            y += LINE_MM
        y += 3.0
    shown: list[tuple[int, float, float, Act, float]] = []
    for i, act in enumerate(day.acts):
        lines = wrap(act.text, LETTERS) or [""]
        now = _part(act.at_s)
        tall = ROW_MM + LINE_MM * (len(lines) - 1) + (HEADING_MM if now != part else 0.0)
        if y + tall > FOOT_MM - 6:
            pages.append([])
            y, part = 18.0, ""
        shapes = pages[-1]
        if now != part:
            part = now
            shapes.append(Text(x=LEFT_MM, y=y + 5.0, text=now, size=4.6, bold=True))
            y += HEADING_MM
        shapes += _row(y, act, lines)
        end = day.acts[i + 1].at_s if i + 1 < len(day.acts) else act.end_s
        height = ROW_MM + LINE_MM * (len(lines) - 1)
        shown.append((len(pages) - 1, y, height, act, end))
        y += height
        rest = (end - act.end_s) / 60 if i + 1 < len(day.acts) else 0
        if rest >= REST_MIN and y < FOOT_MM - 14:
            shapes.append(Text(x=WORDS_MM, y=y + 3.6, text=f"Feet up until {_local(end):%H:%M}.", size=3.8))
            y += 7.0
    for page, top, height, act, end in shown:
        pages[page] += _lit(day, top, height, act.at_s, end)
    for shapes in pages:
        for hob, name in enumerate(day.hobs):
            shapes.append(
                Text(
                    x=_hob_x(hob) - 2.6, y=(47.0 if shapes is pages[0] else 13.0), text=name.split()[0][:6], size=2.8
                )
            )
    said = "Late? Tick it when it is done, and tell the Day: it pushes the rest."
    pages[-1].append(Text(x=LEFT_MM, y=FOOT_MM + 4, text=said, size=3.4))
    return [Sheet(*A4_MM, tuple(shapes)) for shapes in pages]


def _head(day: DayPaper) -> list[Line | Text]:
    serve = _local(day.serve_s)
    sweets = wrap(f"{day.name}: {', '.join(day.sweets)}.", 72)[:2]
    left, top, right, foot = LEFT_MM, 10.0, 198.0, 40.0
    frame = ((left, top, right, top), (left, foot, right, foot), (left, top, left, foot), (right, top, right, foot))
    return [
        *(Line(x1=a, y1=b, x2=c, y2=d, width=0.4) for a, b, c, d in frame),
        Text(x=left + 6, y=21, text=f"{serve:%A} {serve.day} {serve:%B}", size=8.0, bold=True),
        *(Text(x=left + 6, y=28.5 + 5 * i, text=line, size=4.0) for i, line in enumerate(sweets)),
        Text(x=166, y=18, text="serve", size=4.0),
        Text(x=160, y=30, text=f"{serve:%H:%M}", size=11.0, bold=True),
        Text(x=150, y=36.5, text=f"{day.spare_min} minutes to spare", size=3.4),
    ]


def _row(y: float, act: Act, lines: Sequence[str]) -> list[Line | Text]:
    """A box to tick, the hour, the words, and whose they are where there is room."""
    far, down = LEFT_MM + BOX_MM, y + BOX_MM
    box = ((LEFT_MM, y, far, y), (LEFT_MM, down, far, down), (LEFT_MM, y, LEFT_MM, down), (far, y, far, down))
    foot = y + ROW_MM + LINE_MM * (len(lines) - 1) - 1.0
    row: list[Line | Text] = [
        *(Line(x1=a, y1=b, x2=c, y2=d, width=0.3) for a, b, c, d in box),
        Text(x=TIME_MM, y=y + 5, text=f"{_local(act.at_s):%H:%M}", size=6.6, bold=True),
        *(Text(x=WORDS_MM, y=y + 4.6 + LINE_MM * i, text=line, size=4.2) for i, line in enumerate(lines)),
        Line(x1=TIME_MM, y1=foot, x2=RIGHT_MM, y2=foot, width=0.15),
    ]
    return [*row, Text(x=SWEET_MM, y=y + 4.6, text=act.sweet[:13], size=2.9)]


def _hob_x(hob: int) -> float:
    return RIGHT_MM + 6 + 9.5 * hob


def _lit(day: DayPaper, y: float, height: float, start_s: float, end_s: float) -> list[Line | Text]:
    """A stroke beside each act during which a burner is lit."""
    return [
        Line(x1=_hob_x(b.hob), y1=y - 0.4, x2=_hob_x(b.hob), y2=y + height - 0.6, width=1.6, colour=INK)
        for b in day.burns
        if b.start_s < max(end_s, start_s + 60) and b.end_s > start_s + 30
    ]


def _part(seconds: float) -> str:
    at = _local(seconds)
    part = next(name for until, name in PARTS if at.hour < until)
    return f"{at:%A}, {part.lower()}"
