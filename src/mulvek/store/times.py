"""Times of all that runs: the newest of them, and moving them together when the clock was wrong."""

import numpy as np
from sqlalchemy import select, update
from sqlalchemy.orm import Session
from sqlalchemy.orm.attributes import flag_modified

from .tables import BatchRow, EventRow, InstrumentRow, RehearsalEventRow, RehearsalRow, SampleChunkRow


def newest_running(session: Session) -> float | None:
    """When something last happened to what still runs, seconds since the epoch; None when nothing runs."""
    running = select(BatchRow.id).where(~BatchRow.finished)
    newest = select(EventRow.recorded_at_s).where(EventRow.batch_id.in_(running))
    found = list(session.scalars(newest.order_by(EventRow.recorded_at_s.desc()).limit(1)))
    latest = select(RehearsalRow.pace).where(~RehearsalRow.finished)
    found += [pace[-1][0] for pace in session.scalars(latest) if pace]
    return max(found, default=None)


def move_running(session: Session, by_s: float) -> None:
    """Put everything of what runs so much later (or earlier, below zero): no minute between two of them changes."""
    running = list(session.scalars(select(BatchRow.id).where(~BatchRow.finished)))
    session.execute(
        update(EventRow)
        .where(EventRow.batch_id.in_(running))
        .values(at_s=EventRow.at_s + by_s, recorded_at_s=EventRow.recorded_at_s + by_s)
    )
    session.execute(update(BatchRow).where(BatchRow.id.in_(running)).values(created_at=BatchRow.created_at + by_s))
    for row in session.scalars(select(EventRow).where(EventRow.batch_id.in_(running), EventRow.kind == "carried")):
        row.data = {**row.data, "boiled_at_s": row.data["boiled_at_s"] + by_s}
    session.execute(
        update(InstrumentRow)
        .where(InstrumentRow.batch_id.in_(running))
        .values(paired_at=InstrumentRow.paired_at + by_s, offset_s=InstrumentRow.offset_s + by_s)
    )
    for chunk in session.scalars(select(SampleChunkRow).where(SampleChunkRow.batch_id.in_(running))):
        began = float(np.frombuffer(chunk.data[:8])[0]) + by_s
        chunk.data = np.float64(began).tobytes() + chunk.data[8:]
        chunk.began_s, chunk.ended_s = chunk.began_s + by_s, chunk.ended_s + by_s
    for rehearsal in session.scalars(select(RehearsalRow).where(~RehearsalRow.finished)):
        rehearsal.pace = [[real + by_s, kitchen + by_s, speed] for real, kitchen, speed in rehearsal.pace]
        rehearsal.created_at += by_s
        flag_modified(rehearsal, "pace")
        session.execute(
            update(RehearsalEventRow)
            .where(RehearsalEventRow.rehearsal_id == rehearsal.id)
            .values(at_s=RehearsalEventRow.at_s + by_s, recorded_at_s=RehearsalEventRow.recorded_at_s + by_s)
        )
