"""The stand-ins over HTTP: what they are, their lines as JSON lines, as server-sent events, and as CSV."""

import secrets
from collections.abc import Iterator

from flask import Flask, Response, request
from pydantic import TypeAdapter, ValidationError
from pydantic.dataclasses import dataclass

from ..core.batch.channels import CHANNELS
from ..core.errors import KitchenError
from ..core.planning.reduce.plan import ReducePlan
from ..core.rehearsal.acting import Act
from .bench import Bench, PanBench
from .lines import FORMAT, as_csv

MOST_ACTS_S = 24 * 3600


@dataclass(frozen=True, slots=True)
class Standing:
    """What to stand in: the plan, what was done to the milk, for how long it has been lit (s), and the water that is
    thought to be left (kg)."""

    plan: ReducePlan
    acts: tuple[Act, ...]
    at_s: int
    water_kg: float | None = None


_STANDING = TypeAdapter(Standing)


def create_instruments(bench: Bench) -> Flask:
    app = Flask("mulvek-instruments", static_folder=None)
    session = secrets.token_hex(8)

    def describe() -> dict[str, object]:
        return {
            "format": FORMAT,
            "session": session,
            "n": bench.last(),
            "name": "simulated kitchen instruments",
            "simulated": isinstance(bench, PanBench),
            "every_s": 1.0,
            "channels": [{"channel": c, "name": CHANNELS[c].name, "unit": CHANNELS[c].unit} for c in bench.channels],
        }

    def after() -> int:
        told = request.headers.get("Last-Event-ID") or request.args.get("after") or "0"
        return int(told) if told.isascii() and told.isdigit() and len(told) < 16 else 0

    def as_lines(start: int) -> Iterator[str]:
        for line in bench.follow(start):
            yield "\n" if line is None else line.json() + "\n"

    def as_events(start: int) -> Iterator[str]:
        yield "retry: 1000\n\n"
        for line in bench.follow(start):
            yield ": still here\n\n" if line is None else f"id: {line.n}\nevent: reading\ndata: {line.json()}\n\n"

    def stream(kind: str) -> Response:
        if kind == "lines":
            return Response(as_lines(after()), mimetype="application/x-ndjson")
        return Response(as_events(after()), mimetype="text/event-stream", headers={"Cache-Control": "no-store"})

    def stand() -> tuple[dict[str, str], int]:
        if not isinstance(bench, PanBench):
            return {"error": "Saved lines stand in no pan."}, 409
        try:
            told = _STANDING.validate_json(request.get_data())
            bench.stand_in(told.plan, told.acts, max(0, min(MOST_ACTS_S, told.at_s)), told.water_kg)
        except (ValidationError, KitchenError) as error:
            return {"error": str(error)[:500]}, 422
        return {"standing": "in it"}, 200

    app.add_url_rule("/", "describe", describe)
    app.add_url_rule("/lines", "lines", lambda: stream("lines"))
    app.add_url_rule("/events", "events", lambda: stream("events"))
    app.add_url_rule(
        "/readings.csv", "csv", lambda: Response(as_csv(bench.lines(), bench.channels), mimetype="text/csv")
    )
    app.add_url_rule("/pan", "pan", stand, methods=["PUT"])
    return app
