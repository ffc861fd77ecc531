"""Packing a few minutes of one channel: whole steps, differences, bytes sorted by weight, zlib.

Neighbouring readings differ by little, so that most bytes are zero: about 2 bytes a reading.
"""

import zlib

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
TICK_S = 0.01


def pack(at_s: Array, values: Array, step: float) -> bytes:
    """Times (rising, within a day of the first) to 10 ms and values to ``step``."""
    ticks = np.round((at_s - at_s[0]) / TICK_S).astype(np.int32)
    levels = np.round(values / step).astype(np.int32)
    rows = np.stack([_differences(ticks), _differences(levels)])
    head = np.float64(at_s[0]).tobytes()
    return head + zlib.compress(np.ascontiguousarray(rows.view(np.uint8).reshape(-1, 4).T).tobytes(), 6)


def unpack(data: bytes, step: float) -> tuple[Array, Array]:
    """Times and values as packed.

    >>> at, got = unpack(pack(np.array([10.0, 11.0, 12.25]), np.array([1.5, 1.498, 1.497]), 1e-3), 1e-3)
    >>> at.tolist(), got.round(3).tolist()
    ([10.0, 11.0, 12.25], [1.5, 1.498, 1.497])
    """
    began = float(np.frombuffer(data[:8])[0])
    flat = np.frombuffer(zlib.decompress(data[8:]), dtype=np.uint8).reshape(4, -1).T
    rows = np.ascontiguousarray(flat).view(np.int32).reshape(2, -1)
    ticks, levels = np.cumsum(rows, axis=1, dtype=np.int64)
    return began + ticks * TICK_S, levels * step


def _differences(whole: NDArray[np.int32]) -> NDArray[np.int32]:
    return np.diff(whole, prepend=np.int32(0)).astype(np.int32)
