"""The instruments' repository: what is paired with a batch, and the samples they sent, in packed chunks."""

from collections.abc import Mapping, Sequence

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.errors import NotFound
from ..core.stove.channels import CHANNELS
from .chunks import Array, pack, unpack
from .tables import BatchRow, InstrumentRow, SampleChunkRow

CHUNK_SAMPLES, CHUNK_S = 300, 900.0
LONGEST_S = 24 * 3600.0
EMPTY = (np.empty(0), np.empty(0))


class Samples:
    """Samples of batches, and the instruments that send them."""

    def __init__(self, session: Session) -> None:
        self.session = session

    # -- samples --------------------------------------------------------------------------------------

    def append(self, batch_id: int, new: Mapping[str, Sequence[tuple[float, float]]]) -> None:
        """Keep (time s, value) pairs by channel, in the channel's unit. Times before the last kept are left out."""
        for channel, pairs in new.items():
            step = CHANNELS[channel].step
            last = self.session.scalars(
                select(SampleChunkRow)
                .where(SampleChunkRow.batch_id == batch_id, SampleChunkRow.channel == channel)
                .order_by(SampleChunkRow.began_s.desc())
                .limit(1)
            ).first()
            after = last.ended_s if last is not None else -np.inf
            rows = [(t, v) for t, v in sorted(pairs) if t > after]
            while rows:
                room = CHUNK_SAMPLES - last.count if last is not None else 0
                fits = [row for row in rows[: max(0, room)] if last is not None and row[0] - last.began_s < CHUNK_S]
                if fits and last is not None:
                    at, values = unpack(last.data, step)
                    rows = rows[len(fits) :]
                    at, values = np.append(at, [t for t, _ in fits]), np.append(values, [v for _, v in fits])
                    last.data, last.count, last.ended_s = pack(at, values, step), len(at), float(at[-1])
                    continue
                begun = [row for row in rows[:CHUNK_SAMPLES] if row[0] - rows[0][0] < CHUNK_S]
                rows = rows[len(begun) :]
                last = SampleChunkRow(
                    batch_id=batch_id,
                    channel=channel,
                    began_s=begun[0][0],
                    ended_s=begun[-1][0],
                    count=len(begun),
                    data=pack(np.array([t for t, _ in begun]), np.array([v for _, v in begun]), step),
                )
                self.session.add(last)
        self.session.flush()

    def channels(self, batch_id: int) -> list[str]:
        """Channels that a batch has samples of, in the order of the table."""
        kept = set(
            self.session.scalars(select(SampleChunkRow.channel).where(SampleChunkRow.batch_id == batch_id).distinct())
        )
        return [key for key in CHANNELS if key in kept]

    def read(self, batch_id: int, channel: str, since_s: float = -np.inf) -> tuple[Array, Array]:
        """Times (s since the epoch) and values of a channel, oldest first."""
        chunks = self.session.scalars(
            select(SampleChunkRow.data)
            .where(
                SampleChunkRow.batch_id == batch_id,
                SampleChunkRow.channel == channel,
                SampleChunkRow.ended_s >= (since_s if np.isfinite(since_s) else -1e18),
            )
            .order_by(SampleChunkRow.began_s)
        ).all()
        if not chunks:
            return EMPTY
        pieces = [unpack(data, CHANNELS[channel].step) for data in chunks]
        at, values = np.concatenate([p[0] for p in pieces]), np.concatenate([p[1] for p in pieces])
        keep = at >= since_s
        return at[keep], values[keep]

    # -- instruments ----------------------------------------------------------------------------------

    def pair(
        self, batch_id: int, url: str, name: str, channels: list[str], simulated: bool, tare_kg: float, now_s: float
    ) -> InstrumentRow:
        """Pair an instrument; one at the same address that was paired with this batch before goes on."""
        again = select(InstrumentRow).where(InstrumentRow.batch_id == batch_id, InstrumentRow.url == url)
        row = self.session.scalars(again).first()
        if row is None:
            row = InstrumentRow(batch_id=batch_id, url=url, paired_at=now_s, offset_s=None, session="", last_n=0)
            self.session.add(row)
        row.name, row.channels, row.simulated, row.tare_kg, row.ended_at = name, channels, simulated, tare_kg, None
        self.session.flush()
        return row

    def unpair(self, batch_id: int, instrument_id: int, now_s: float) -> None:
        row = self.session.get(InstrumentRow, instrument_id)
        if row is None or row.batch_id != batch_id:
            raise NotFound("instrument", "That instrument is not paired here.", "Look at the list of those that are.")
        row.ended_at = now_s

    def paired(self, batch_id: int) -> list[InstrumentRow]:
        found = select(InstrumentRow).where(InstrumentRow.batch_id == batch_id, InstrumentRow.ended_at.is_(None))
        return list(self.session.scalars(found.order_by(InstrumentRow.id)))

    def all_paired(self) -> list[InstrumentRow]:
        """Those of batches that still run."""
        found = (
            select(InstrumentRow)
            .join(BatchRow, BatchRow.id == InstrumentRow.batch_id)
            .where(InstrumentRow.ended_at.is_(None), ~BatchRow.finished)
        )
        return list(self.session.scalars(found))

    def listening(self, instrument_id: int, now_s: float) -> InstrumentRow | None:
        """An instrument that is still to be heard; it is let go once its batch is over, or after a day."""
        row = self.session.get(InstrumentRow, instrument_id)
        if row is None or row.ended_at is not None:
            return None
        if now_s - row.paired_at > LONGEST_S or self.session.get_one(BatchRow, row.batch_id).finished:
            row.ended_at = now_s
            return None
        return row

    def row(self, instrument_id: int) -> InstrumentRow | None:
        return self.session.get(InstrumentRow, instrument_id)
