"""What speaks for a cause, in words: a reading as it is said, what it may be answered, a rescue with its amounts."""

from collections.abc import Sequence

from ..core.mending.faults import Fault, Question
from ..core.mending.rescue import Amounts
from ..core.messages.figures import say

UNSPOKEN = ("W/cm²",)
"""Units that no cook reads: their ends are told in words."""


def figure(value: float) -> str:
    """A value as short as it still tells something.

    >>> figure(67.49), figure(2.25), figure(0.7), figure(-18.0), figure(4.1)
    ('67', '2.2', '0.7', '−18', '4.1')
    """
    size = abs(value)
    digits = 0 if size >= 10 else 1 if size >= 1 else 2
    text = f"{size:.{digits}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return f"−{text}" if value < 0 and text != "0" else text


def reading_said(question: Question, value: float) -> str:
    """
    >>> from ..core.mending.faults import questions
    >>> reading_said(questions()["over-target"], -7.2), reading_said(questions()["seams"], 0)
    ('7.2 % under the weight told', 'no seams in the balls')
    """
    if question.either:
        return question.yes if value else question.no
    if value < 0 and question.under:
        return question.under.replace("{}", figure(-value))
    return question.says.replace("{}", figure(value))


def answer_said(question: Question, value: float, answers: Sequence[float]) -> str:
    """One of what may be answered: yes, no; so much or less, about so much, so much or more.

    >>> from ..core.mending.faults import questions
    >>> [answer_said(questions()["acid-heat"], v, (88, 91.5, 95)) for v in (88, 91.5, 95)]
    ['88 °C or less', 'about 92 °C', '95 °C or more']
    >>> answer_said(questions()["late-heat"], 2.8, (1.6, 2.2, 2.8))
    'as strong as before'
    """
    if question.either:
        return "yes" if value else "no"
    lowest, highest = min(answers), max(answers)
    end = question.low if value == lowest else question.high if value == highest else ""
    if question.unit in UNSPOKEN:
        return end or "in between"
    unit = question.unit
    much = f"pH {figure(value)}" if unit == "pH" else f"{figure(value)} {unit}"
    if value == lowest:
        much += " or less"
    elif value == highest:
        much += " or more"
    else:
        return f"about {much}"
    return f"{end}: {much}" if end else much


def rescue_said(fault: Fault, amounts: Amounts) -> str:
    """What to do now; with its amounts, where all of them are known."""
    spoken = {
        "milk_back": _spoons(amounts.milk_back_m3),
        "told": _kg(amounts.target_kg),
        "steam_off": _kg(amounts.steam_off_kg),
        "steam_minutes": _minutes(amounts),
        "drained": _kg(amounts.drained_kg),
        "water_off": _kg(amounts.water_off_kg),
        "acid_more": _acid(amounts),
    }
    text = fault.reckoned
    for name, words in spoken.items():
        if f"{{{name}}}" in text and not words:
            return fault.rescue
        text = text.replace(f"{{{name}}}", words)
    return text or fault.rescue


SPOON_ML = 5
"""It goes in by the spoon."""


def _kg(kg: float | None) -> str:
    return "" if kg is None else say(kg, "mass")


def _spoons(m3: float | None) -> str:
    if m3 is None:
        return ""
    return say(max(SPOON_ML, round(m3 * 1e6 / SPOON_ML) * SPOON_ML) * 1e-6, "volume")


def _minutes(amounts: Amounts) -> str:
    if amounts.steam_s is None:
        return ""
    low, high = (max(1, round(end / 60)) for end in (amounts.steam_s.low, amounts.steam_s.high))
    return f"{low} min" if low == high else f"{low} to {high} min"


def _acid(amounts: Amounts) -> str:
    if amounts.acid_more is None:
        return ""
    return f"{max(1, round(amounts.acid_more * 1e3))} {amounts.acid_unit} of acid"
