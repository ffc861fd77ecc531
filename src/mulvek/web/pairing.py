"""Listening to paired instruments: one thread each, that keeps every line and goes on where it left off.

A line is on disk before the next is taken. Once in a while the settled value of the surest channel becomes a
reading of the batch, under the same rules as the cook's own.
"""

import ipaddress
import json
import logging
import socket
import threading
import time
from collections import deque
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from typing import TYPE_CHECKING, cast
from urllib.parse import urlsplit

from ..core.batch.channels import CHANNELS, READ_EVERY_S, as_reading, settled, speaks
from ..core.batch.events import Carried, Joined, PanSwapped, PartTaken, Reading
from ..core.batch.running import BatchState
from ..core.errors import BadInput, KitchenError, Unlikely
from ..core.rehearsal.acts import acts_of
from ..instruments.lines import FORMAT, Line, read_line
from ..instruments.server import Standing
from ..store.adapters import adapter
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.samples import Samples
from .stream import Changes

if TYPE_CHECKING:
    import httpx

CONNECT_S, SILENCE_S, LONGEST_WAIT_S, TOLD_EVERY_S = 3.0, 20.0, 5.0, 2.0
AHEAD_S = 2.0
LARGEST_GREETING, LONGEST_GREETING_S = 65_536, 6.0
LONGEST_LINE = 65_536
_log = logging.getLogger(__name__)
KITCHEN_NETWORKS = tuple(
    ipaddress.ip_network(net)
    for net in (
        "127.0.0.0/8",
        "10.0.0.0/8",
        "172.16.0.0/12",
        "192.168.0.0/16",
        "169.254.0.0/16",
        "::1/128",
        "fc00::/7",
        "fe80::/10",
    )
)
"""This machine and home networks (RFC 1918, RFC 3927, RFC 4193): never anything beyond."""
KEPT = 60
LONGEST_LIT_S = 24 * 3600.0


def checked_url(text: str) -> str:
    """An address on this machine or in the home network.

    :raises BadInput: field "url".
    """
    parts = urlsplit(text if "//" in text else f"http://{text}")
    try:
        port, host = parts.port or 80, parts.hostname
    except ValueError:
        port, host = 80, None
    if parts.scheme != "http" or not host or parts.path not in ("", "/") or parts.query:
        raise BadInput("url", "instrument-address-unreadable")
    try:
        found = {ipaddress.ip_address(info[4][0]) for info in socket.getaddrinfo(host, port, type=socket.SOCK_STREAM)}
    except (OSError, UnicodeError) as error:  # no such name, or none at all
        raise BadInput("url", "instrument-host-unknown", host=host) from error
    if not found or not all(any(address in net for net in KITCHEN_NETWORKS) for address in found):
        raise BadInput("url", "instrument-outside-network")
    return f"http://{parts.netloc}"


@dataclass(frozen=True, slots=True)
class Described:
    """What an instrument says of itself. ``session``: its switching-on; ``n``: number of its newest line."""

    name: str
    channels: list[str]
    simulated: bool
    session: str
    n: int


def speaking(timeout: "float | httpx.Timeout") -> "httpx.Client":
    """A client for instruments: they speak plain HTTP, and a store of certificates takes long to read."""
    import httpx

    return httpx.Client(timeout=timeout, verify=False, trust_env=False)


def describe(url: str) -> Described:
    """Ask an instrument what it is.

    :raises BadInput: field "url", when nothing of ours answers there.
    """
    import httpx

    try:
        body = json.loads(_greeting(url))
        channels = [c["channel"] for c in body["channels"] if c["channel"] in CHANNELS]
        if body["format"] != FORMAT or not channels:
            raise ValueError(body["format"])
        return Described(
            str(body["name"])[:60],
            channels,
            bool(body.get("simulated")),
            str(body.get("session", ""))[:64],
            int(body.get("n", 0)),
        )
    except (httpx.HTTPError, httpx.InvalidURL) as error:
        raise BadInput("url", "instrument-silent") from error
    except (ValueError, KeyError, TypeError, AttributeError, OverflowError, RecursionError) as error:
        raise BadInput("url", "instrument-speaks-otherwise", format=FORMAT) from error


def _greeting(url: str) -> bytes:
    """What stands at its root: no more than a greeting may be long, and no longer waited for than one may take."""
    patience = time.monotonic() + LONGEST_GREETING_S
    found = b""
    with speaking(CONNECT_S) as client, client.stream("GET", url + "/") as answer:
        answer.raise_for_status()
        for piece in answer.iter_raw():
            found += piece
            if len(found) > LARGEST_GREETING or time.monotonic() > patience:
                raise ValueError("that is no greeting")
    return found


def short_lines(stream: Iterable[bytes]) -> "httpx.SyncByteStream":
    """The same stream, that ends in an error when a line does not: it would be kept until the memory is full."""
    import httpx

    class Lines(httpx.SyncByteStream):
        def __iter__(self) -> Iterator[bytes]:
            length = 0
            for piece in stream:
                last = piece.rfind(b"\n")
                length = length + len(piece) if last < 0 else len(piece) - last
                if length > LONGEST_LINE:
                    raise ValueError("a line that does not end")
                yield piece

        def close(self) -> None:
            getattr(stream, "close", lambda: None)()

    return Lines()


@dataclass(slots=True, kw_only=True)
class Heard:
    """What one instrument said last. ``acted``: what was done to its milk since it was told. ``asks``: a value that can hardly be true, by channel; times s."""

    batch_id: int
    channels: list[str]
    stop: threading.Event = field(default_factory=threading.Event)
    connected: bool = False
    trouble: str = ""
    recent: dict[str, deque[tuple[float, float]]] = field(default_factory=dict)
    asks: dict[str, tuple[float, str]] = field(default_factory=dict)
    read_at_s: float = 0.0
    acted: int = 0


class Readers:
    """All that listen now."""

    def __init__(self, db: Database, clock: Callable[[], float], changes: Changes) -> None:
        self.db, self.clock, self.changes = db, clock, changes
        self.heard: dict[int, Heard] = {}
        self._lock = threading.Lock()

    def resume(self) -> None:
        """After a start: listen again to what was paired."""
        with self.db.reading() as session:
            rows = [row.id for row in Samples(session).all_paired()]
        for row_id in rows:
            self.start(row_id)

    def start(self, row_id: int) -> None:
        with self._lock:
            old = self.heard.get(row_id)
            if old is not None and not old.stop.is_set():
                return
            with self.db.reading() as session:
                row = Samples(session).row(row_id)
                if row is None:
                    return
                batch = Batches(session).batch(row.batch_id)
                said = [e.at_s for e in batch.events if isinstance(e.what, Reading) and e.what.by]
                heard = Heard(batch_id=row.batch_id, channels=list(row.channels), read_at_s=max(said, default=0.0))
            self.heard[row_id] = heard
        threading.Thread(target=self._listen, args=(row_id, heard), daemon=True).start()

    def stop(self, row_id: int) -> None:
        heard = self.heard.pop(row_id, None)
        if heard is not None:
            heard.stop.set()

    def close(self) -> None:
        """Listen no more: the server stops."""
        for row_id in list(self.heard):
            self.stop(row_id)

    def acted(self, batch_id: int) -> None:
        """Something was done to the milk: simulated instruments have to know, as no real milk tells them."""
        for row_id, heard in list(self.heard.items()):
            if heard.batch_id != batch_id:
                continue
            with self._lock:
                heard.acted += 1
                if heard.acted > 1:  # it is being told; what came meanwhile is told next
                    continue
            threading.Thread(target=self._tell, args=(row_id, heard), daemon=True).start()

    def _tell(self, row_id: int, heard: Heard) -> None:
        while True:
            told = heard.acted
            try:
                self._stand_in(row_id)
            except Exception as error:  # or it would never be told again
                _log.warning("instrument %d was not told: %r", row_id, error)
            heard.stop.wait(TOLD_EVERY_S)
            with self._lock:
                if told == heard.acted:
                    heard.acted = 0
                    return

    # -- the thread -----------------------------------------------------------------------------------

    def _listen(self, row_id: int, heard: Heard) -> None:
        import httpx
        import httpx_sse

        wait = 0.5
        while not heard.stop.wait(wait):
            wait = min(LONGEST_WAIT_S, wait * 2)
            try:
                self._stand_in(row_id)
                url, after = self._begin(row_id)
                timeout = httpx.Timeout(CONNECT_S, read=SILENCE_S)
                headers = {"Last-Event-ID": str(after)}
                with (
                    speaking(timeout) as client,
                    httpx_sse.connect_sse(client, "GET", url + "/events", headers=headers) as source,
                ):
                    source.response.stream = short_lines(cast(Iterable[bytes], source.response.stream))
                    heard.connected, heard.trouble = True, ""
                    for event in source.iter_sse():
                        if heard.stop.is_set():
                            return
                        wait = 0.5
                        if event.event == "reading" and not self._take(row_id, heard, read_line(event.data)):
                            return
            except KitchenError as error:
                heard.trouble = f"{error.message} I keep trying."
            except httpx.HTTPError:
                heard.trouble = "It does not answer; I keep trying."
            except Exception as error:  # whatever it sends or the disk says: it must not fall silent unseen
                _log.warning("instrument %d: %r", row_id, error)
                heard.trouble = "What it sends cannot be used; I keep trying."
            finally:
                heard.connected = False

    def _begin(self, row_id: int) -> tuple[str, int]:
        """Its address and the line to go on from: of a new switching-on, what it says from now on."""
        with self.db.reading() as session:
            row = Samples(session).row(row_id)
            assert row is not None
            url = row.url
        now_on = describe(url)
        with self.db.writing() as session:
            row = Samples(session).row(row_id)
            assert row is not None
            if row.session != now_on.session:
                row.session, row.last_n, row.offset_s = now_on.session, now_on.n, None
            return url, row.last_n

    def _take(self, row_id: int, heard: Heard, line: Line) -> bool:
        """Keep a line; false when there is no more to listen for."""
        now = self.clock()
        with self.db.writing() as session:
            samples = Samples(session)
            row = samples.listening(row_id, now)
            if row is None:
                return False
            if line.n <= row.last_n:
                return True
            if row.offset_s is None or row.offset_s + line.at_s > now + AHEAD_S:
                row.offset_s = now - line.at_s
            at = row.offset_s + line.at_s
            samples.append(heard.batch_id, {channel: [(at, value)] for channel, value in line.values.items()})
            row.last_n, tare, on = line.n, row.tare_kg, row.session
        for channel, value in line.values.items():
            heard.recent.setdefault(channel, deque(maxlen=KEPT)).append((at, value))
        if at - heard.read_at_s >= READ_EVERY_S:
            self._read(heard, f"line-{row_id}-{on}-{line.n}"[:64], tare, at, now)
        return True

    def _read(self, heard: Heard, key: str, tare_kg: float, at: float, now: float) -> None:
        """Let the surest channel speak for the water that is left, if it is steady."""
        channel = speaks([c for c in heard.channels if heard.recent.get(c)])
        if channel is None:
            return
        times, values = zip(*heard.recent[channel], strict=True)
        value = settled(CHANNELS[channel], times, values, at)
        reading = as_reading(CHANNELS[channel], value, tare_kg) if value is not None else None
        if reading is None:
            return
        try:
            with self.db.writing() as session:
                batches = Batches(session)
                batch = batches.batch(heard.batch_id)
                what = batch.kind.hears(batch.plan, batch.state(now), reading)
                if what is not None:
                    batches.append(heard.batch_id, what, min(at, now), now, key)
            heard.asks.pop(channel, None)
        except Unlikely as error:
            heard.asks[channel] = (reading.value, error.message)
        except KitchenError as error:
            heard.trouble = f"{CHANNELS[channel].name}: {error.message}"
        heard.read_at_s = at
        self.changes.publish()

    # -- simulated ones -------------------------------------------------------------------------------

    def _stand_in(self, row_id: int) -> None:
        import httpx

        now = self.clock()
        with self.db.reading() as session:
            row = Samples(session).row(row_id)
            if row is None or not row.simulated:
                return
            url, batch = row.url, Batches(session).batch(row.batch_id)
        if (standing := _standing(batch, now)) is None:
            return
        try:
            body = adapter(Standing).dump_json(standing)
            with speaking(10.0) as client:
                client.put(url + "/pan", content=body, headers={"Content-Type": "application/json"})
        except httpx.HTTPError:
            return  # the listener tells that it does not answer


def _standing(batch: Batch, now_s: float) -> Standing | None:
    """What a simulated instrument stands in; a batch that was parted or poured together cannot be followed."""
    state = batch.state(now_s)
    lit = state.lit_at_s if isinstance(state, BatchState) else None
    if lit is None or any(batch.log.last(what) for what in (Carried, Joined, PartTaken, PanSwapped)):
        return None
    at = int(min(max(0.0, now_s - lit), LONGEST_LIT_S))
    water = state.water_kg if state.phase == "boiling" else None
    return Standing(batch.plan, tuple(acts_of(batch.plan, batch.events)), at, water)
