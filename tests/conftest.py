"""Shared fixtures: a kitchen's test client, a real server in a process of its own, sizes of what is tried often."""

import contextlib
import multiprocessing
import random
import socket
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest

from mulvek.cli.main import main
from tests import sizes


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption("--full", action="store_true", help="kills, contract examples and simulations at full size")
    parser.addoption("--report", action="store_true", help="time by folder, the slowest, lines of tests and code")


def pytest_configure(config: pytest.Config) -> None:
    sizes.full = config.getoption("--full", False)
    if config.getoption("--report", False):
        from tests.report import Report

        config.pluginmanager.register(Report())


@pytest.hookimpl(optionalhook=True)
def pytest_xdist_make_scheduler(config: pytest.Config, log: object):
    """The interface in one worker, all else in the other: two Chromiums on two cores only slow each other, and both
    halves take as long."""
    from xdist.scheduler import LoadScopeScheduling

    class OneBrowser(LoadScopeScheduling):
        def _split_scope(self, nodeid: str) -> str:
            return "chromium" if nodeid.startswith("tests/ui/") else nodeid

    return OneBrowser(config, log)


@pytest.fixture(scope="session")
def templates(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory):
    from tests.kitchens import Templates

    cache = getattr(request.config, "cache", None)  # none with -p no:cacheprovider
    return Templates(cache.mkdir("kitchens") if cache else tmp_path_factory.mktemp("kitchens"))


@pytest.fixture
def clock():
    from tests.kitchens import Clock

    return Clock()


@pytest.fixture
def client(tmp_path: Path, clock, templates):
    """A test client on a new kitchen with one pan (number 2) and one milk (number 5) of its own."""
    from mulvek.web.app import create_app, stop

    app = create_app(templates.own(tmp_path / "kitchen.sqlite3"), clock=clock)
    yield app.test_client()
    stop(app)


def free_port() -> int:
    """Outside the range from which the system takes ports for whatever connects: one of those may be gone before the
    server is up."""
    while True:
        port = random.SystemRandom().randrange(20_000, 32_000)
        with socket.socket() as s, contextlib.suppress(OSError):
            s.bind(("127.0.0.1", port))
            return port


_FORKS = multiprocessing.get_context("forkserver")
_FORKS.set_forkserver_preload(["mulvek.cli.serve", "mulvek.web.app", "mulvek.demo.boathouse"])
"""A process that has read all the code, from which servers are split off: each would read it for seconds."""


@contextmanager
def serving(
    data: Path, command: str = "serve", *options: str
) -> Iterator[tuple[str, multiprocessing.process.BaseProcess]]:
    """A real server in a process of its own, ready to answer."""
    port = free_port()
    url = f"http://127.0.0.1:{port}"
    server = _FORKS.Process(target=main, args=([command, "--port", str(port), "--data", str(data), *options],))
    server.start()
    try:
        patience = time.monotonic() + 240
        while True:
            try:
                urllib.request.urlopen(url + "/api/larder", timeout=60)
                break
            except OSError:
                assert server.is_alive(), "the server died"
                assert time.monotonic() < patience, "the server does not answer"
                time.sleep(0.05)
        yield url, server
    finally:
        server.kill()
        server.join()


@pytest.fixture
def pseudo(monkeypatch: pytest.MonkeyPatch):
    """All that is said is said in a language of the catalogue that nobody speaks."""
    from mulvek.core.messages import catalogue as module
    from tests.pseudo import PSEUDO
    from tests.pseudo import pseudo as made

    made()  # of the catalogue as it is
    english = module.catalogue
    monkeypatch.setattr(module, "catalogue", lambda language: made() if language == PSEUDO else english(language))
    token = module.LANGUAGE.set(PSEUDO)
    yield
    module.LANGUAGE.reset(token)
