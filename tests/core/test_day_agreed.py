"""A day is pushed on the phone too, without network: both sides are held to the same cases.

``python -m tests.core.test_day_agreed`` writes them anew.
"""

import json
import random
from dataclasses import replace
from pathlib import Path
from typing import Any

from mulvek.core.day.packer import improve
from mulvek.core.day.shift import shifted
from mulvek.core.day.tasks import Away, Day, Shift
from mulvek.wire.day import AskedDay, read_written, written_day
from mulvek.wire.day_plan import DayOut, answer_day, plan_of
from tests.days import at, supper, table

FILE = Path(__file__).parents[1] / "agreed" / "shift.json"
ORIGIN_S = 1_700_000_100.0


def _days() -> list[Day]:
    lunch = Away(at(2, 12, 30), at(2, 13, 15), "seated", "lunch")
    plain = supper()
    helped = replace(plain.kitchen, away=(*plain.kitchen.away, lunch), helper=(Shift(at(2, 9), at(2, 15)),))
    return [plain, Day(helped, plain.jobs), Day(table().kitchen, table().jobs[:5])]


def _cases(day: Day, many: int = 8) -> dict[str, Any]:
    rng = random.Random(5)
    asked = AskedDay(origin_s=ORIGIN_S, day=day, at_s=ORIGIN_S)
    plan = next(improve(day, 1))
    cases = []
    for _ in range(many):
        key = rng.choice([key for key, task in day.tasks.items() if task.load])
        place = plan.placed[key]
        now = rng.randint(place.start, place.end)
        end = max(now, place.end) + rng.choice((-4, 5, 20, 45, 90))
        after = shifted(day, plan, now, {key: end})
        starts = {k: asked.seconds(p.start) for k, p in after.placed.items() if p != plan.placed[k]}
        cases.append(
            {"task": key, "now_s": asked.seconds(now), "end_s": asked.seconds(end), "starts": starts}
        )  # fmt: skip
    told = answer_day(asked, plan).model_dump(mode="json")
    return {"day": written_day(asked), "plan": told, "cases": cases}


def test_the_server_pushes_as_both_sides_agreed():
    for agreed in json.loads(FILE.read_text()):
        asked = read_written(agreed["day"])
        plan = plan_of(asked, DayOut.model_validate(agreed["plan"]).tasks)
        for case in agreed["cases"]:
            after = shifted(asked.day, plan, asked.minute(case["now_s"]), {case["task"]: asked.minute(case["end_s"])})
            moved = {k: asked.seconds(p.start) for k, p in after.placed.items() if p != plan.placed[k]}
            assert moved == case["starts"]


if __name__ == "__main__":
    FILE.write_text(json.dumps([_cases(day) for day in _days()], separators=(",", ":")) + "\n")
