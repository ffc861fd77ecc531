"""How quick and how good days are planned here, beside the best plans known.

``python -m tests.load.days`` prints it. ``python -m tests.load.days best SECONDS`` looks so long for better plans of each
day, from the best known, and writes what it is worth into ``best_days.json``.
"""

import json
import statistics
import sys
import time
from collections.abc import Callable
from pathlib import Path

from mulvek.core.day.chance import chances, worth
from mulvek.core.day.check import faults
from mulvek.core.day.cures import cures
from mulvek.core.day.packer import improve
from mulvek.core.day.search import Errand, load_solver, search
from mulvek.core.day.shift import shifted
from mulvek.core.day.tasks import Day, Plan
from mulvek.core.day.ways import ways
from tests.days import feast, supper, table

BEST = Path(__file__).with_name("best_days.json")
DAYS: dict[str, tuple[Callable[[], Day], float, float]] = {
    "supper": (supper, 0.1, 2.0),
    "table": (table, 0.2, 4.0),
    "feast": (feast, 1.0, 15.0),
}
"""Each with the goals: s to the first checked plan, and s after which it is within a tenth of the best known."""


def first(day: Day, seed: int) -> tuple[float, Plan]:
    began = time.perf_counter()
    plan = next(plan for plan in improve(day, seed, 4) if not faults(day, plan))
    return time.perf_counter() - began, plan


def found(day: Day, seconds: float, seed: int = 1) -> Plan:
    return [plan for plan in search(Errand(day=day, seconds=seconds), seed) if isinstance(plan, Plan)][-1]


def p95(took: list[float]) -> float:
    return statistics.quantiles(took, n=20)[-1] * 1e3


def tell() -> None:
    best = json.loads(BEST.read_text()) if BEST.exists() else {}
    load_solver()
    for name, (make, goal, soon) in DAYS.items():
        day = make()
        firsts = [first(day, seed) for seed in range(1, 13)]
        late = max(plan.lateness for _, plan in firsts)
        told = f"first plan p95 {p95([took for took, _ in firsts]):.0f} ms (goal {goal * 1e3:.0f}), at most {late} min late"
        plans = [found(day, soon, seed) for seed in (1, 2, 3)]
        over = [worth(day, plan) / best[name] - 1 for plan in plans] if name in best else []
        sure = statistics.median(chances(day, plan).all for plan in plans)
        told += (
            f"; after {soon:g} s {statistics.median(over):+.0%} of the best known, on time {sure:.0%}" if over else ""
        )
        print(f"{name}, {len(day.jobs)} sweets: {told}")
        plan, slips, on = plans[0], [], []
        for key in sorted(plan.placed)[:: max(1, len(plan.placed) // 12)]:
            now, ends = plan.placed[key].start + 1, {key: plan.placed[key].end + 25}
            began = time.perf_counter()
            shifted(day, plan, now, ends)
            slips.append(time.perf_counter() - began)
            began = time.perf_counter()
            ways(day, plan, now, ends)
            on.append(time.perf_counter() - began)
        print(f"  pushed p95 {p95(slips):.0f} ms (goal 50), all ways on p95 {p95(on):.0f} ms (goal 3000)")
    day = table()
    began, took = time.perf_counter(), []
    for _ in cures(day, next(improve(day, 1))):
        took.append(time.perf_counter() - began)
        began = time.perf_counter()
    print(f"a what-if of ten sweets p95 {p95(took):.0f} ms (goal 1500)")


def look(seconds: float) -> None:
    best = json.loads(BEST.read_text()) if BEST.exists() else {}
    for name, (make, _, _) in DAYS.items():
        now = min(worth(make(), found(make(), seconds / 3, seed)) for seed in (1, 2, 3))
        best[name] = round(min(now, best.get(name, now)), 1)
        print(name, round(now), best[name])
    BEST.write_text(json.dumps(best, indent=1) + "\n")


if __name__ == "__main__":
    if sys.argv[1:2] == ["best"]:
        look(float(sys.argv[2]))
    else:
        tell()
