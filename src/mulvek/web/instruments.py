"""Instruments over HTTP: pair one with a batch, see what it shows, its curves, readings as CSV out and in."""

from collections.abc import Callable
from typing import Any

from flask import Response
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.channels import CHANNELS, SILENT_AFTER_S, speaks
from ..core.batch.events import Event, Reading
from ..core.batch.thinning import thinned
from ..core.errors import BadInput, Conflict, KitchenError
from ..files.readings_csv import Row, read_readings, write_readings, wrong
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.samples import Samples
from ..store.tables import InstrumentRow
from ..wire.instruments import BatchSamplesOut, ChannelOut, InstrumentOut, InstrumentsOut, PairIn, SamplesOut
from ..wire.model import Body, Out
from .batches import BatchPath
from .pairing import Heard, Readers, checked_url, describe
from .stream import Changes

TAGS = [Tag(name="instruments")]
LAST_S = 60.0
CSV = {"description": "OK", "content": {"text/csv": {"schema": {"type": "string"}}}}
MOST_PAIRED = 8
LARGEST_IMPORT = 25_000_000
MOST_READINGS, PIECE = 500, 1500


class InstrumentPath(BatchPath):
    instrument_id: int = Field(ge=1, le=2**53)


class PointsQuery(Out):
    points: int = Field(600, ge=2, le=2000, description="Most points a channel is thinned to")


class CsvIn(Body):
    csv: str = Field(max_length=LARGEST_IMPORT)


class ImportedOut(Out):
    """What an import brought: readings, samples of streams, and lines that were there already."""

    readings: int
    samples: int
    known: int


def _instrument(row: InstrumentRow, heard: Heard | None, now: float) -> InstrumentOut:
    return InstrumentOut(
        id=row.id,
        name=row.name,
        url=row.url,
        simulated=row.simulated,
        tare_kg=row.tare_kg,
        connected=heard is not None and heard.connected,
        trouble=heard.trouble if heard else "",
        channels=[_channel(key, heard, now, row.paired_at) for key in row.channels if key in CHANNELS],
    )


def _channel(key: str, heard: Heard | None, now: float, since_s: float) -> ChannelOut:
    channel, recent = CHANNELS[key], list(heard.recent.get(key, ())) if heard else []
    last = recent[-1] if recent else None
    quiet = now - (last[0] if last else since_s)
    value, text = heard.asks.get(key, (None, None)) if heard else (None, None)
    return ChannelOut(
        channel=key,
        name=channel.name,
        unit=channel.unit,
        how=channel.reads,
        value=last[1] if last else None,
        at_s=last[0] if last else None,
        silent_s=quiet if quiet > SILENT_AFTER_S else None,
        recent=[v for t, v in recent if t > now - LAST_S],
        asks=text,
        asked_value=value,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes, readers: Readers) -> None:
    def shown(batch_id: int) -> InstrumentsOut:
        now = clock()
        with db.reading() as session:
            rows = Samples(session).paired(batch_id)
        present = [c for row in rows for c in row.channels]
        return InstrumentsOut(
            now_s=now,
            speaks=speaks(present),
            instruments=[_instrument(row, readers.heard.get(row.id), now) for row in rows],
        )

    @app.get("/api/batches/<int:batch_id>/instruments", tags=TAGS, responses={200: InstrumentsOut})
    def get_instruments(path: BatchPath) -> Any:
        """What is paired with a batch, and what it shows"""
        return shown(path.batch_id)

    @app.post("/api/batches/<int:batch_id>/instruments", tags=TAGS, responses={201: InstrumentsOut})
    def pair_instrument(path: BatchPath, body: PairIn) -> Any:
        """Pair an instrument of this kitchen's network with a batch"""
        url = checked_url(body.url.strip())
        with db.reading() as session:
            batch = Batches(session).batch(path.batch_id)
            if len(Samples(session).paired(path.batch_id)) >= MOST_PAIRED:
                raise Conflict("url", "too-many-instruments", most=MOST_PAIRED)
        found = describe(url)
        tare = _tare_kg(batch) if body.tare_kg is None else body.tare_kg
        with db.writing() as session:
            row = Samples(session).pair(
                path.batch_id, url, found.name, found.channels, found.simulated, tare, clock()
            )
        readers.stop(row.id)
        readers.start(row.id)
        changes.publish()
        return shown(path.batch_id), 201

    @app.delete(
        "/api/batches/<int:batch_id>/instruments/<int:instrument_id>",
        tags=TAGS,
        responses={200: InstrumentsOut},
    )
    def unpair_instrument(path: InstrumentPath) -> Any:
        """Let an instrument go; what it sent stays"""
        with db.writing() as session:
            Samples(session).unpair(path.batch_id, path.instrument_id, clock())
        readers.stop(path.instrument_id)
        changes.publish()
        return shown(path.batch_id)

    @app.get("/api/book/<int:batch_id>/samples", tags=TAGS, responses={200: BatchSamplesOut})
    def get_samples(path: BatchPath, query: PointsQuery) -> Any:
        """What instruments sent during a batch, thinned without losing its peaks"""
        found = []
        with db.reading() as session:
            Batches(session).batch(path.batch_id)
            samples = Samples(session)
            for key in samples.channels(path.batch_id):
                at, values = samples.read(path.batch_id, key)
                few_at, few = thinned(at, values, query.points)
                channel = CHANNELS[key]
                found.append(
                    SamplesOut(
                        channel=key,
                        name=channel.name,
                        unit=channel.unit,
                        count=len(at),
                        at_s=few_at.tolist(),
                        values=few.tolist(),
                    )
                )
        return BatchSamplesOut(channels=found)

    @app.get("/api/book/<int:batch_id>/readings.csv", tags=TAGS, responses={200: CSV})
    def export_readings(path: BatchPath) -> Any:
        """All readings of a batch as CSV"""
        with db.reading() as session:
            batch, samples = Batches(session).batch(path.batch_id), Samples(session)
            streams = {
                key: zip(*(a.tolist() for a in samples.read(path.batch_id, key)), strict=True)
                for key in samples.channels(path.batch_id)
            }
        name = f"batch-{path.batch_id}-readings.csv"
        return Response(
            write_readings(batch.events, streams),
            mimetype="text/csv",
            headers={"Content-Disposition": f"attachment; filename={name}"},
        )

    @app.post("/api/book/<int:batch_id>/readings", tags=TAGS, responses={201: ImportedOut})
    def import_readings(path: BatchPath, body: CsvIn) -> Any:
        """Readings from a CSV into a batch: all lines, or none and which one is wrong"""
        now = clock()
        rows = read_readings(body.csv, now)
        imported = _import(db, path.batch_id, rows, now)
        changes.publish()
        return imported, 201


def _import(db: Database, batch_id: int, rows: list[Row], now: float) -> ImportedOut:
    """Into the store, leaving out what is there already. The readings at once, or none; what streamed in pieces, so
    that whoever logs meanwhile need not wait: broken off, the same again brings the rest."""
    readings = [row for row in rows if row.reading is not None]
    with db.reading() as session:
        batch = Batches(session).batch(batch_id)
    known = {_mark(event) for event in batch.log.counted if isinstance(event.what, Reading)}
    new = [row for row in readings if _mark(Event(0, row.at_s, row.reading)) not in known]  # type: ignore[arg-type]
    if len(new) > MOST_READINGS:
        raise BadInput("csv", "too-many-cook-readings", count=len(new), most=MOST_READINGS)
    history = batch.log
    for row in new:
        event = Event(history.next_id, min(row.at_s, now), row.reading)  # type: ignore[arg-type]
        try:
            batch.kind.check(history, event)
        except KitchenError as error:
            raise wrong(row.line, error) from error
        history = history.plus(event)
    if new:
        with db.writing() as session:
            Batches(session).add(batch, history.events[len(batch.events) :], now)
    streams: dict[str, list[tuple[float, float]]] = {}
    for row in rows:
        if row.reading is None:
            streams.setdefault(row.channel, []).append((row.at_s, row.value))
    kept = 0
    for channel, pairs in streams.items():
        pairs.sort()
        for begin in range(0, len(pairs), PIECE):
            with db.writing() as session:
                kept += Samples(session).append(batch_id, {channel: pairs[begin : begin + PIECE]})
    return ImportedOut(readings=len(new), samples=kept, known=len(rows) - len(new) - kept)


def _tare_kg(batch: Batch) -> float:
    """What stands on a scale beside the batch itself, when nobody says: its pan; of a hung cloth nothing."""
    return batch.plan.pan.mass_kg if batch.kind.name == "reduce" else 0.0


def _mark(event: Event) -> tuple[float, str, float]:
    assert isinstance(event.what, Reading)
    return (round(event.at_s, 2), event.what.how, round(event.what.value, 5))
