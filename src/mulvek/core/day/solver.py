"""Calmer plans by a constraint solver, from a plan that stands: better and better ones, never a worse.

It is loaded only here, and only in a process of its own: it takes a second and more than a hundred megabytes.
"""

import threading
from collections.abc import Callable, Collection, Iterator
from queue import SimpleQueue
from typing import Literal

from ortools.sat.python import cp_model

from .model import DayModel
from .tasks import Day, Plan

FEW = 6
"""Up to so many sweets a proof is in reach; beyond, no time is spent on a bound that nobody reads (day dossier §2)."""
LISTENS_S = 0.25


def solve(
    day: Day,
    before: Plan,
    seconds: float,
    goes_on: Callable[[], bool] = lambda: True,
    *,
    pins: Collection[str] = (),
    seed: int = 1,
    workers: int = 2,
    work: float | None = None,
) -> Iterator[Plan | Literal["proved"]]:
    """Plans, each cheaper than the one before, until the time is over, or until it is proved that there is none better.

    :param before: a plan that keeps the rules. :param pins: tasks that stay where it has them. :param goes_on: asked all
        along. :param work: deterministic time beside the seconds: with one worker, the same seed gives the same plans.
    """
    built = DayModel(day, before, pins)
    solver = cp_model.CpSolver()
    options = solver.parameters
    options.num_workers = workers
    options.random_seed = seed
    options.linearization_level = 2
    options.max_time_in_seconds = seconds
    if work is not None:
        options.max_deterministic_time = work
    if len(day.jobs) > FEW and workers > 1:
        options.use_lns_only = True
    found: SimpleQueue[Plan | BaseException | Literal["proved"] | None] = SimpleQueue()

    class Heard(cp_model.CpSolverSolutionCallback):
        def on_solution_callback(self) -> None:
            found.put(built.plan(self))

    def run() -> None:
        try:
            status = solver.solve(built.model, Heard())
            found.put("proved" if status == cp_model.OPTIMAL else None)
        except BaseException as error:
            found.put(error)

    thread = threading.Thread(target=run, daemon=True)
    thread.start()
    try:
        last: object = built
        while isinstance(last, DayModel | Plan):
            if not goes_on():
                solver.stop_search()
            thread.join(timeout=LISTENS_S)
            latest = None
            while not found.empty():
                last = found.get()
                latest = last if isinstance(last, Plan) else latest
            if latest is not None:
                yield latest
        if isinstance(last, BaseException):
            raise last
        if last == "proved":
            yield "proved"
    finally:
        solver.stop_search()
        thread.join()
