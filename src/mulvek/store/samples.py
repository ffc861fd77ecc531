"""The instruments' repository: what is paired with a batch, and the samples they sent, in packed chunks."""

from collections.abc import Iterator, Mapping, Sequence

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.batch.channels import CHANNELS
from ..core.errors import NotFound
from .chunks import TICK_S, Array, pack, unpack
from .tables import BatchRow, InstrumentRow, SampleChunkRow

CHUNK_SAMPLES, CHUNK_S = 300, 900.0
LONGEST_S = 24 * 3600.0
Series = tuple[Array, Array]
"""Times, s since the epoch, and values."""
EMPTY = (np.empty(0), np.empty(0))


def _union(series: Sequence[Series]) -> Series:
    """All of them in order of time; of two within a tick the one of the earlier series."""
    at, values = (np.concatenate(columns) for columns in zip(*series, strict=True))
    _, first = np.unique(np.round(at / TICK_S).astype(np.int64), return_index=True)
    return at[first], values[first]


def _chunks(at_s: Array, values: Array) -> Iterator[tuple[int, Array, Array]]:
    """Cut where a chunk is full or long."""
    begin = part = 0
    while begin < len(at_s):
        long = int(np.searchsorted(at_s, at_s[begin] + CHUNK_S))
        end = max(begin + 1, min(begin + CHUNK_SAMPLES, long))
        yield part, at_s[begin:end], values[begin:end]
        begin, part = end, part + 1


def _columns(pairs: Sequence[tuple[float, float]]) -> Series:
    at, values = zip(*pairs, strict=True)
    return np.array(at, dtype=float), np.array(values, dtype=float)


def _touched(near: list[SampleChunkRow], first_s: float, last_s: float) -> list[SampleChunkRow]:
    """Of these chunks those that the times fall into, and the one before, which may have room."""
    found = [chunk for chunk in near if chunk.began_s <= last_s and chunk.ended_s >= first_s]
    earlier = found[0].began_s if found else first_s
    last = next((chunk for chunk in reversed(near) if chunk.began_s < earlier), None)
    roomy = last is not None and last.count < CHUNK_SAMPLES and first_s - last.began_s < CHUNK_S
    return [last, *found] if last is not None and roomy else found


class Samples:
    """Samples of batches, and the instruments that send them."""

    def __init__(self, session: Session) -> None:
        self.session = session

    # -- samples --------------------------------------------------------------------------------------

    def append(self, batch_id: int, new: Mapping[str, Sequence[tuple[float, float]]]) -> int:
        """Keep (time s, value) pairs by channel, in the channel's unit, wherever in time they belong; gives how many
        were not there yet. Two of one channel within 10 ms are the same, and the one that was there stays."""
        series = {channel: _columns(pairs) for channel, pairs in new.items() if pairs}
        if not series:
            return 0
        near = self._near(batch_id, series)
        added = sum(
            self._merge(batch_id, channel, at_values, near.get(channel, [])) for channel, at_values in series.items()
        )
        self.session.flush()
        return added

    def _near(self, batch_id: int, series: Mapping[str, Series]) -> dict[str, list[SampleChunkRow]]:
        """Chunks by channel, oldest first, that end no longer before these times than a chunk lasts."""
        first = min(float(at.min()) for at, _ in series.values())
        last = max(float(at.max()) for at, _ in series.values())
        rows = self.session.scalars(
            select(SampleChunkRow)
            .where(
                SampleChunkRow.batch_id == batch_id,
                SampleChunkRow.channel.in_(series),
                SampleChunkRow.began_s <= last,
                SampleChunkRow.ended_s > first - CHUNK_S,
            )
            .order_by(SampleChunkRow.began_s)
        )
        found: dict[str, list[SampleChunkRow]] = {}
        for row in rows:
            found.setdefault(row.channel, []).append(row)
        return found

    def _merge(self, batch_id: int, channel: str, new: Series, near: list[SampleChunkRow]) -> int:
        step = CHANNELS[channel].step
        touched = _touched(near, float(new[0].min()), float(new[0].max()))
        before = [unpack(chunk.data, step) for chunk in touched]
        old = sum(len(times) for times, _ in before)
        at, values = _union([*before, new])
        if len(at) == old:
            return 0
        for part, kept_at, kept in _chunks(at, values):
            row = touched[part] if part < len(touched) else SampleChunkRow(batch_id=batch_id, channel=channel)
            row.began_s, row.ended_s, row.count = float(kept_at[0]), float(kept_at[-1]), len(kept_at)
            row.data = pack(kept_at, kept, step)
            self.session.add(row)
            parts = part + 1
        for row in touched[parts:]:
            self.session.delete(row)
        return len(at) - old

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
            raise NotFound("instrument", "instrument-not-paired")
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
        asked = (
            select(InstrumentRow, BatchRow.finished)
            .join(BatchRow, BatchRow.id == InstrumentRow.batch_id)
            .where(InstrumentRow.id == instrument_id, InstrumentRow.ended_at.is_(None))
        )
        found = self.session.execute(asked).first()
        if found is None:
            return None
        row, finished = found
        if finished or now_s - row.paired_at > LONGEST_S:
            row.ended_at = now_s
            return None
        return row

    def row(self, instrument_id: int) -> InstrumentRow | None:
        return self.session.get(InstrumentRow, instrument_id)
