"""The interface in Debian's Chromium. One browser, one page and one server stay for the whole run; each test gets the
boathouse kitchen anew, an emptied browser and its own window size."""

import logging
import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import BrowserContext, Page, expect

from mulvek.web.access.routes import Served
from mulvek.web.app import create_app
from tests.kitchens import Clock, Stand
from tests.ui.hands import FLAGS, SIZES

SHELL, WHOLE = Path("/usr/bin/chromium-headless-shell"), Path("/usr/bin/chromium")
BROWSER = str(SHELL if SHELL.exists() else WHOLE)
"""Debian's Chromium: without its window it is a seventh quicker, where that is installed."""

expect.set_options(timeout=15_000)  # a loaded machine is slow to paint; speed is the benchmark's matter


class RunningClock(Clock):
    """The kitchen's clock: it goes on from when the kitchen was made, and can be put ahead."""

    def __init__(self) -> None:
        super().__init__()
        self._began = time.monotonic()

    def __call__(self) -> float:
        return self.now + time.monotonic() - self._began


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args):
    return {**browser_type_launch_args, "executable_path": BROWSER, "args": FLAGS}


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args):
    return {
        **browser_context_args,
        "viewport": SIZES["desk"],
        "locale": "en-GB",
        "timezone_id": "Asia/Kolkata",
        "reduced_motion": "reduce",
    }


HAPPENED = """window.happened = []
const note = (...line) => { happened.push(line.join(' ')); happened.splice(0, happened.length - 30) }
for (const kind of ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click', 'keydown', 'scroll'])
  window.addEventListener(kind, (e) => note(kind, performance.now() | 0, 'ms at', scrollY, e.clientX ?? '', e.clientY ?? '',
    e.key ?? '', (e.target.outerHTML ?? '').slice(0, 90)), true)
for (const how of ['pushState', 'replaceState']) {
  const go = history[how].bind(history)
  history[how] = (state, title, to) => { note(how, performance.now() | 0, 'ms', to); go(state, title, to) }
}"""
"""What hands did and where the page went: told when a test fails, for one that fails once in twenty runs."""


@pytest.hookimpl(hookwrapper=True)
def pytest_runtest_makereport(item: pytest.Item):
    report = (yield).get_result()
    page = getattr(item, "funcargs", {}).get("page")
    if report.when == "call" and report.failed and page is not None:
        report.sections.append(("the last that happened", "\n".join(page.evaluate("window.happened ?? []"))))


@pytest.fixture(scope="session")
def kept_context(browser, browser_context_args) -> Iterator[BrowserContext]:
    context = browser.new_context(**browser_context_args)
    context.add_init_script(HAPPENED)
    context.new_page()
    yield context
    context.close()


@pytest.fixture(scope="session")
def stand() -> Iterator[Stand]:
    logging.getLogger("werkzeug").setLevel(logging.ERROR)
    stand = Stand()
    yield stand
    stand.stop()


@pytest.fixture
def clock() -> RunningClock:
    return RunningClock()


@pytest.fixture
def kitchen_url(stand: Stand, templates, tmp_path: Path, clock: RunningClock) -> Iterator[str]:
    """The boathouse kitchen, served to the house."""
    file = templates.demo(tmp_path / "demo.sqlite3")
    home = Served(lambda: [stand.url.replace("127.0.0.1", "kitchen.lan")])
    with stand.serving(create_app(file, clock=clock, names=["kitchen.lan"], home=home)) as url:
        yield url


@pytest.fixture
def size() -> str:
    """Of the window; a test whose layout differs is marked BOTH."""
    return "desk"


@pytest.fixture
def page(kept_context: BrowserContext, kitchen_url: str, size: str) -> Iterator[Page]:
    """The kept page, emptied; any script error fails the test."""
    page = kept_context.pages[0]
    page.set_viewport_size(SIZES[size])
    errors: list[str] = []
    hear = lambda error: errors.append(str(error))  # noqa: E731
    kept_context.on("weberror", hear)
    yield page
    kept_context.remove_listener("weberror", hear)
    kept_context.set_offline(False)
    for other in kept_context.pages[1:]:
        other.close()
    page.goto("about:blank")
    # storage of the tab and of the origin: the next kitchen has the same address
    devtools = kept_context.new_cdp_session(page)
    for origin in (kitchen_url, kitchen_url.replace("127.0.0.1", "kitchen.lan")):
        devtools.send("Storage.clearDataForOrigin", {"origin": origin, "storageTypes": "all"})
    devtools.send("Page.resetNavigationHistory")
    devtools.detach()
    kept_context.clear_cookies()
    assert errors == []
