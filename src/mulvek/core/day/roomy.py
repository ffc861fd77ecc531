"""A day with room in it: what hands and fires do has more minutes than it likely takes. It is longer, and sways less."""

from dataclasses import replace

from ..ranges import Z80
from .tasks import Job, Task

Z60 = 0.2533
IDLE = 1.1
"""And a tenth on top of what six days in ten stay within (day dossier §2)."""


def roomy(job: Job) -> Job:
    """The sweet with minutes to spare at every step that could take longer.

    >>> from ..ranges import Range
    >>> boil = Task(key="b", step="b", say="", minutes=Range(30, 40, 52), hands="busy", flame="medium", run="b")
    >>> roomy(Job(key="j", name="j", due=600, tasks=(boil,))).tasks[0].planned
    46
    """
    return replace(job, tasks=tuple(_with_room(task) for task in job.tasks))


def _with_room(task: Task) -> Task:
    if task.window or task.slow or not (task.load or task.flame):
        return task
    likely = (task.minutes.high / task.minutes.likely) ** (Z60 / Z80)
    return replace(task, slack=IDLE * likely)
