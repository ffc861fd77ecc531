"""One line of a batch as its cook tells it: what went in, how far it was boiled, what was done, what came of it."""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ...equipment.packs import Pack
from ...equipment.quantities import Measures, is_unit, parse, parse_seconds
from ...errors import BadInput, KitchenError
from ...messages.message import Message
from ..reduce.stops import Stop, read_stop
from ..sweets.stuff import Thing
from .amounts import EXAMPLE, TRACES, Told, leading_amount, read_amount
from .names import find, plain

LineKind = Literal["in", "down", "gave", "step", "note"]
MadeBy = Literal["reduce", "curdle", "hang"]
LONGEST_LINE, LONGEST_BREATH, MOST_LINES = 160, 500, 30
"""Letters of a line, and of several told in one breath; lines of a batch."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Gave:
    """What came of it: pieces and what they are called, kg of all or of one; None where it is not told."""

    count: int | None = None
    unit: str = ""
    kg: float | None = None
    each_kg: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """A line as it is understood. ``in``: ``thing`` and ``told``, perhaps made a base (``made_by``, ``stop``, what that
    ``weighed`` in kg); ``down``: all in the pan is boiled to ``stop``, or to a sign; ``gave``; ``step``: something done
    for ``seconds``, at ``celsius``; ``note``: none of them. ``problem``: what is wrong with it, and its fix."""

    text: str
    kind: LineKind
    thing: Thing | None = None
    told: Told | None = None
    made_by: MadeBy | None = None
    stop: Stop | None = None
    weighed: float | None = None
    late: bool = False
    gave: Gave | None = None
    seconds: float | None = None
    celsius: float | None = None
    fire: bool = False
    problem: Message | None = None


_GAVE = re.compile(r"^(?:and |it |that |this |all |which )*(?:gave|gives|made|makes|yielded|came to|came out(?: as| at)?|weighed|got|filled)\b\s*(?P<what>.*)$")  # fmt: skip
_BREATHS = re.compile(r"\s*;\s*|,\s+(?:and\s+)?(?:then\s+)?|\.\s+(?=\S)")
_PARTS = re.compile(r",\s+|\s+and\s+|\s+in\s+|\s+into\s+|;|\s+weighing\s+|\s+together\s+")
_COUNT = re.compile(r"^(?:about |just |only )?(?P<n>\d+|[a-z]+)\s+(?P<unit>[a-z][a-z ]*?)(?:\s+(?:of|at)\s+(?P<each>\S.*?))?(?:\s+each)?$")  # fmt: skip
_DOWN = re.compile(r"\b(?:boil|cook|reduc|simmer|thicken)\w*\b")
_TO = re.compile(r"\b(?:down\s+to|to|till|until|by)\s+(?P<stop>[^,;]+)|\b(?P<times>[\d.,½¼¾]+\s*(?:x|×|times))\b")
_NO_STOP = re.compile(r"^(?:the |a |first )*boil\b")
_CURDLED = re.compile(r"\b(?:curdl\w*|split|parted|broken|made into (?:chhena|paneer))\b")
_HUNG = re.compile(r"\b(?:hung|hang\w*|strained|drained)\b")
_WEIGHED = re.compile(r"\b(?:gave|giving|made|weighed|to|=)\s+(?P<amount>[\d½¼¾][^,;]*)")
_LATE = re.compile(r"\bat the end\b|\blast(?:ly)?\b|\boff the (?:flame|heat|fire)\b|\bafter(?:wards)?\b")
_FIRE = re.compile(r"\b(?:boil|cook|simmer|fry|fri|roast|toast|heat|reduc|melt|caramelis|stir over)\w*\b")
_DO = re.compile(
    r"\b(?:freez|froz|chill|cool|rest|soak|set|stand|stood|leave|left|mix|whisk|shap|roll|knead|cut|fill|pour|spread|"
    r"greas|grind|ground|strain|fold|beat|stir|sprinkl|top|serv|press|blend|grat|chop|peel|wash|cover|turn|dip)\w*\b"
)
_TIME = re.compile(r"(?P<time>(?:\d[\d.,]*|half an|an?|½|¼|¾|\d+½)\s*(?:hours?|hrs?|h|min(?:ute)?s?|days?)\b)")
_HEAT = re.compile(r"(?P<heat>\d+(?:[.,]\d+)?)\s*(?:°\s*c?\b|°|degrees?(?: c\b)?|c\b)")
_OVERNIGHT_S = 8 * 3600.0


def read_line(
    text: str,
    names: Mapping[tuple[str, ...], Thing],
    measures: Measures = Measures(),  # noqa: B008 - frozen
    packs: Mapping[str, Pack] | None = None,
) -> Line:
    """What a line says. Nothing is refused: what cannot be read is a note, or has its ``problem`` beside it.

    :param names: of :func:`names.names_of`. :param packs: what a pack of a thing holds, by its key.

    >>> from ..sweets.library import things
    >>> from .names import names_of
    >>> names = names_of(things())
    >>> milk = read_line("2 L buffalo milk to half", names)
    >>> milk.kind, milk.thing.key, round(milk.told.kg, 2), milk.made_by, milk.stop.value
    ('in', 'buffalo', 2.07, 'reduce', 0.5)
    >>> read_line("gave 14 sticks, 1 020 g", names).gave
    Gave(count=14, unit='stick', kg=1.02, each_kg=None)
    >>> read_line("froze overnight", names).seconds
    28800.0
    """
    clean = " ".join(text.split()).rstrip(".! ")
    low = clean.lower()
    if len(clean) > LONGEST_LINE:
        return Line(text=text, kind="note", problem=Message("told-line-too-long"))
    try:
        if gave := _GAVE.match(low):
            return _gave(clean, gave["what"], measures)
        return _thing_line(clean, names, measures, packs or {}) or _done(clean, measures)
    except KitchenError as error:
        return Line(text=clean, kind="note", problem=error.says)


def parted(
    text: str,
    names: Mapping[tuple[str, ...], Thing],
    measures: Measures = Measures(),  # noqa: B008 - frozen
    packs: Mapping[str, Pack] | None = None,
) -> list[str]:
    """A line that tells several things, as a line for each: told in one breath, nothing of it is lost.

    >>> from ..sweets.library import things
    >>> from .names import names_of
    >>> parted("1 L buffalo milk to half, 5 spoons of sugar, at the end, gave 12 sticks", names_of(things()))
    ['1 L buffalo milk to half', '5 spoons of sugar, at the end', 'gave 12 sticks']
    >>> parted("2 L cow milk curdled with lemon, gave 360 g", names_of(things()))
    ['2 L cow milk curdled with lemon, gave 360 g']
    """
    if _GAVE.match(text.strip().lower()):
        return [text]
    first, *rest = _BREATHS.split(text)
    lines = [first]
    for part in rest:
        line = read_line(part, names, measures, packs)
        curd = _CURDLED.search(lines[-1].lower()) or _HUNG.search(lines[-1].lower())
        of_its_own = line.kind == "in" or (line.gave is not None and not (curd and line.gave.count is None))
        if of_its_own and line.problem is None:
            lines.append(part)
        elif part.strip():
            lines[-1] += f", {part}"
    return lines


def _gave(text: str, what: str, measures: Measures) -> Line:
    count, unit, kg, each = None, "", None, None
    for part in (p.strip() for p in _PARTS.split(what.removesuffix(" in all"))):
        found = _COUNT.match(part)
        piece = plain(found["unit"].split()[-1]) if found else ""
        counted = found and (not is_unit(piece) or piece in ("bowl", "glass", "cup", "katori"))
        if found and counted and count is None:
            count = int(parse(found["n"], default_unit="", allow=("none",), field="line").value)
            unit = piece
            if found["each"]:
                each = parse(found["each"], default_unit="g", allow=("mass",), field="line").value
        elif part:
            kg = parse(part, default_unit="g", allow=("mass",), field="line", measures=measures, example=Message("example-of-result")).value  # fmt: skip
    if count is None and kg is None:
        raise BadInput("line", "told-result-missing")
    if kg is None and each is not None and count:
        kg = each * count
    return Line(text=text, kind="gave", gave=Gave(count=count, unit=unit, kg=kg, each_kg=each))


def _thing_line(
    text: str, names: Mapping[tuple[str, ...], Thing], measures: Measures, packs: Mapping[str, Pack]
) -> Line | None:
    low = text.lower()
    found = find(low, names)
    if found is None:
        return None
    thing, pack = found.thing, packs.get(found.thing.key, Pack.of_thing(found.thing.name, None))
    doing = bool(_DOWN.search(low) or _DO.search(low) or _FIRE.search(low))
    behind = "" if found.before else leading_amount(found.after)
    try:
        told = read_amount(behind or found.before, thing, measures, pack)
    except BadInput:
        if doing and not any(letter.isdigit() for letter in found.before):
            return None  # "stir until the ghee shows"
        raise
    after = found.after.replace(behind, "", 1) if behind else found.after
    if told is None:
        if doing:
            return None
        if thing.key not in TRACES:
            raise BadInput("line", "told-how-much", thing=thing.name)
        told = Told(0.0, "guess", 0.5, "as much as is usual: it changes the smell, not the sum")
    made_by: MadeBy | None = None
    stop, weighed = None, None
    if thing.milk and _CURDLED.search(after):
        made_by, weighed = "curdle", _weight(after, measures)
    elif thing.group == "yoghurt" and _HUNG.search(after):
        made_by, weighed = "hang", _weight(after, measures)
    elif thing.milk and (stop := _stop(after, measures)):
        made_by = "reduce"
    return Line(
        text=text,
        kind="in",
        thing=thing,
        told=told,
        made_by=made_by,
        stop=stop,
        weighed=weighed,
        late=bool(_LATE.search(after)),
    )


def _weight(after: str, measures: Measures) -> float | None:
    found = _WEIGHED.search(after)
    if found is None:
        return None
    words = re.sub(r"\b(?:of )?(?:chhena|paneer|hung curd|curd)\b", "", found["amount"]).strip()
    return parse(words, default_unit="g", allow=("mass",), field="line", measures=measures).value


def _stop(text: str, measures: Measures) -> Stop | None:
    """How far something is boiled, by the words for it; None where they name no end that can be reckoned."""
    for found in _TO.finditer(text.lower()):
        words = (found["stop"] or found["times"]).strip()
        if _NO_STOP.match(words):
            continue
        by = "by " if found.group().startswith("by") else ""
        try:
            return read_stop(by + words, measures)
        except KitchenError:
            continue
    return None


def end_words(text: str, measures: Measures = Measures()) -> str:  # noqa: B008 - frozen
    """The words of a line that say how far it is boiled, as they are written; empty when none do.

    >>> end_words("2 L buffalo milk To half"), end_words("bring to the boil")
    ('To half', '')
    """
    for found in _TO.finditer(text.lower()):
        if _stop(found.group(), measures) is not None:
            return text[found.start() : found.end()].strip()
    return ""


def _done(text: str, measures: Measures) -> Line:
    """A line that names nothing that goes in: something that was done, with its time and its end where they are told."""
    low = text.lower()
    seconds: float | None = None
    if "overnight" in low:
        seconds = _OVERNIGHT_S
    elif found := _TIME.search(low):
        words = found["time"].replace("half an", "½").replace("an ", "1 ").replace("a ", "1 ")
        days = re.match(r"([\d.,]+)\s*days?", words)
        seconds = float(days[1].replace(",", ".")) * 86400 if days else parse_seconds(words, "line")
    heat = _HEAT.search(low)
    celsius = float(heat["heat"].replace(",", ".")) if heat else None
    if _DOWN.search(low):
        return Line(text=text, kind="down", stop=_stop(low, measures), seconds=seconds, celsius=celsius, fire=True)
    fire = bool(_FIRE.search(low))
    if fire or _DO.search(low) or seconds is not None:
        return Line(text=text, kind="step", seconds=seconds, celsius=celsius, fire=fire)
    if re.match(r"[\d½¼¾]", low):
        raise BadInput("line", "told-thing-unknown", example=EXAMPLE)
    return Line(text=text, kind="note")
