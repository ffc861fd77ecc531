"""Shared fixtures: a plan's parts, an app on a fresh file, a real server, Debian's Chromium."""

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest
from playwright.sync_api import expect

from mulvek.web.app import create_app

expect.set_options(timeout=15_000)  # a loaded machine is slow to paint; speed is the benchmark's matter

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
KADHAI = {
    "name": "wide kadhai",
    "shape": {
        "kind": "kadhai",
        "rim_diameter_m": 0.29,
        "bowl_depth_m": 0.086,
        "top_diameter_m": 0.32,
        "wall_height_m": 0.032,
    },
}
MILK = {"name": "farm milk", "fat_pct": 6.9, "snf_pct": 9.73, "species": "buffalo"}


class Clock:
    """A clock the tests can set."""

    def __init__(self, now: float) -> None:
        self.now = now

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock(1_800_000_000.0)


@pytest.fixture
def client(tmp_path: Path, clock: Clock):
    """A test client on a new kitchen with one pan (number 2) and one milk (number 5) of its own."""
    app = create_app(tmp_path / "kitchen.sqlite3", clock=clock)
    client = app.test_client()
    assert client.post("/api/larder/pans", json=KADHAI).status_code == 201
    assert client.post("/api/larder/milks", json=MILK).status_code == 201
    return client


def words(**changed: object) -> dict[str, object]:
    return {"milk": 5, "amount": "2 L", "pan": 2, "burner": 1, "stop": "half its volume", "sugar": "90 g", **changed}


def free_port() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


@contextmanager
def serving(data: Path, command: str = "serve") -> Iterator[tuple[str, subprocess.Popen[bytes]]]:
    """A real server in a process of its own, ready to answer."""
    port = free_port()
    url = f"http://127.0.0.1:{port}"
    args = [sys.executable, "-m", "mulvek", command, "--port", str(port), "--data", str(data)]
    server = subprocess.Popen(args, stdout=subprocess.DEVNULL)
    try:
        patience = time.monotonic() + 60
        while True:
            try:
                urllib.request.urlopen(url + "/api/larder", timeout=5)
                break
            except OSError:
                assert server.poll() is None, "the server died"
                assert time.monotonic() < patience, "the server does not answer"
                time.sleep(0.05)
        yield url, server
    finally:
        if server.poll() is None:
            os.kill(server.pid, signal.SIGKILL)
        server.wait()


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args):
    return {**browser_type_launch_args, "executable_path": "/usr/bin/chromium", "args": FLAGS}


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args):
    return {
        **browser_context_args,
        "viewport": {"width": 1280, "height": 800},
        "locale": "en-GB",
        "timezone_id": "Asia/Kolkata",
        "reduced_motion": "reduce",
    }


@pytest.fixture
def kitchen_url(tmp_path: Path) -> Iterator[str]:
    with serving(tmp_path, "demo") as (url, _):
        yield url
