"""Instruments that send nonsense, far too much, or hardly anything: told plainly, and heard again once they mend."""

import http.server
import json
import threading
import time
from contextlib import contextmanager, suppress

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.errors import BadInput
from mulvek.instruments.lines import FORMAT, read_line
from mulvek.web.pairing import LONGEST_LINE, describe, short_lines
from tests.web.test_instruments import until
from tests.web.test_stove_changes import boiling

GREETING = {"format": FORMAT, "name": "odd scale", "session": "1", "n": 0, "channels": [{"channel": "scale"}]}


@contextmanager
def odd(answer):
    """A device whose every answer is written by ``answer(handler)``."""

    class Handler(http.server.BaseHTTPRequestHandler):
        def do_GET(self):
            with suppress(OSError):
                answer(self)

        def log_message(self, *_):
            pass

    server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Handler)
    server.daemon_threads = True
    threading.Thread(target=server.serve_forever, daemon=True).start()
    try:
        yield f"http://127.0.0.1:{server.server_port}"
    finally:
        server.shutdown()
        server.server_close()


def begin(handler, kind="application/json"):
    handler.send_response(200)
    handler.send_header("Content-Type", kind)
    handler.end_headers()


def greets(text):
    def answer(handler):
        begin(handler)
        handler.wfile.write(text if isinstance(text, bytes) else text.encode())

    return answer


def endless(handler):
    begin(handler)
    for _ in range(100_000):
        handler.wfile.write(b"x" * 4096)


def a_byte_a_second(handler):
    begin(handler)
    for byte in json.dumps(GREETING).encode():
        handler.wfile.write(bytes([byte]))
        time.sleep(1)


@pytest.mark.parametrize(
    "answer",
    [
        greets("nothing of ours"),
        greets("[1, 2]"),
        greets(json.dumps({**GREETING, "n": 1}).replace('"n": 1', '"n": 1e999')),
        greets(json.dumps({**GREETING, "channels": "scale"})),
        greets(json.dumps({**GREETING, "channels": [{"channel": "moon"}]})),
        greets("[" * 100_000),
        greets(b"\xff\xfe\x00"),
        endless,
        a_byte_a_second,
    ],
    ids=[
        "words",
        "a list",
        "n infinite",
        "channels no list",
        "no channel of ours",
        "deep",
        "bytes",
        "endless",
        "slow",
    ],
)
def test_what_is_no_greeting_is_refused_soon_and_plainly(answer):
    with odd(answer) as url, pytest.raises(BadInput, match=r"speaks otherwise|Nothing answers"):
        describe(url)


@pytest.mark.parametrize(
    "line",
    [
        '{"n": Infinity, "at_s": 1, "scale": 1}',
        '{"n": 1e30, "at_s": 1, "scale": 1}',
        '{"n": -1, "at_s": 1, "scale": 1}',
        '{"n": 1, "at_s": NaN, "scale": 1}',
        '{"n": 1, "at_s": -5, "scale": 1}',
        '{"n": 1, "at_s": 1e30, "scale": 1}',
        '{"n": 1, "at_s": 1, "scale": "heavy"}',
        "[1]",
        "7",
        "",
        "[" * 100_000,
    ],
)
def test_a_line_of_nonsense_is_one_of_nonsense(line):
    with pytest.raises(BadInput, match="another kind"):
        read_line(line)


@pytest.mark.parametrize("value", ["Infinity", "NaN", "1e30", "-1e30"])
def test_a_value_that_cannot_be_is_passed_over(value):
    assert read_line(f'{{"n": 1, "at_s": 1, "scale": {value}, "probe": 99.5}}').values == {"probe": 99.5}


def test_it_lives_through_nonsense_and_is_heard_again(client, clock):
    batch = boiling(client, clock)["id"]
    sane = threading.Event()

    def answer(handler):
        if handler.path == "/":
            return greets(json.dumps(GREETING))(handler)
        begin(handler, "text/event-stream")
        if not sane.is_set():
            handler.wfile.write(b'event: reading\ndata: {"n": Infinity, "at_s": 1}\n\n')
            return None
        for n in range(1, 4):
            handler.wfile.write(f'event: reading\ndata: {{"n": {n}, "at_s": {n}, "scale": 2.0}}\n\n'.encode())
        time.sleep(0.5)
        return None

    with odd(answer) as url:
        path = f"/api/batches/{batch}/instruments"
        assert client.post(path, json={"url": url}).status_code == 201
        shown = lambda: client.get(path).json["instruments"][0]  # noqa: E731
        assert "another kind" in until(lambda: shown()["trouble"])
        sane.set()
        assert until(lambda: shown()["channels"][0]["value"]) == 2.0
        until(lambda: client.get(f"/api/book/{batch}/samples").json["channels"][0]["count"] == 3)


class Counted:
    """A stream that tells how much of it was taken."""

    def __init__(self, pieces):
        self.pieces, self.taken, self.closed = pieces, 0, False

    def __iter__(self):
        for piece in self.pieces:
            self.taken += len(piece)
            yield piece

    def close(self):
        self.closed = True


@given(st.lists(st.binary(max_size=300)))
def test_short_lines_pass_as_they_came(pieces):
    assert b"".join(short_lines(Counted(pieces))) == b"".join(pieces)


def test_a_line_that_does_not_end_is_let_go_before_the_memory_is_full():
    endless_line = Counted(b"x" * 4096 for _ in range(100_000))
    lines = short_lines(endless_line)
    with pytest.raises(ValueError, match="does not end"):
        for _ in lines:
            pass
    assert endless_line.taken <= LONGEST_LINE + 8192
    lines.close()
    assert endless_line.closed
