"""JSON of paired instruments: what each shows now, its curve, and when it has gone silent."""

from pydantic import Field

from .model import Body, Out


class PairIn(Body):
    """Pair an instrument with a batch. ``tare_kg``: what the scale carries besides the milk, the pan's weight when
    left out."""

    url: str = Field(min_length=1, max_length=200)
    tare_kg: float | None = Field(None, ge=0, le=300)


class ChannelOut(Out):
    """One channel: its last value in ``unit`` and when (s since the epoch), the last minute for a small curve.

    ``silent_s``: for how long it has been silent, null while it speaks; ``asks``: a value that can hardly be true.
    """

    channel: str
    name: str
    unit: str
    how: str | None
    value: float | None
    at_s: float | None
    silent_s: float | None
    recent: list[float]
    asks: str | None
    asked_value: float | None


class InstrumentOut(Out):
    id: int
    name: str
    url: str
    simulated: bool
    tare_kg: float
    connected: bool
    trouble: str
    channels: list[ChannelOut]


class InstrumentsOut(Out):
    now_s: float
    speaks: str | None
    instruments: list[InstrumentOut]


class SamplesOut(Out):
    """A channel's curve, thinned to its highest and lowest; ``count``: how many samples are kept."""

    channel: str
    name: str
    unit: str
    count: int
    at_s: list[float]
    values: list[float]


class BatchSamplesOut(Out):
    channels: list[SamplesOut]
