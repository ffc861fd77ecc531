"""What a hand does in any test of the interface."""

import re

import pytest
from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import Locator, Page, Response, expect

from tests import sizes
from tests.kitchens import Clock

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--host-resolver-rules=MAP kitchen.lan 127.0.0.1",  # a name of the home network, as a phone would use it
]
SIZES = {"desk": {"width": 1280, "height": 800}, "phone": {"width": 390, "height": 844}}
BOTH = pytest.mark.parametrize("size", SIZES)
"""Marks a test whose layout differs on a phone."""
WALK = pytest.mark.parametrize("size", SIZES if sizes.full else ["phone"])
"""Marks a long way through the stations: the same hands and words in either width. It is walked on a phone, and each
view that is looked over on the way is looked over in both widths; with --full it is walked at a desk too."""

AXE = Axe().axe_script
VIOLATIONS = """(contrast) => axe.run(document, { resultTypes: ['violations'],
    rules: { 'color-contrast': { enabled: contrast } } }).then(({ violations }) =>
  violations.map((v) => [v.id, v.nodes.slice(0, 3).map((n) => n.html)]))"""
"""Colours are four fifths of its time."""
SETTLED = """new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))
  .then(() => Promise.all(document.getAnimations()
    .filter((a) => a.effect.getTiming().iterations === 1).map((a) => a.finished.catch(() => null)))).then(() => true)"""
"""What was just asked for begins to move a frame later."""


def clean(page: Page) -> None:
    """No accessibility violation, once the station has loaded and nothing fades in or out."""
    expect(page.locator("h1")).to_have_count(1)
    _look_over(page)


def clean_in_both(page: Page) -> None:
    """The same, in the width of the other window too: its colours are those just looked over, but with --full."""
    clean(page)
    here = page.viewport_size
    assert here is not None
    page.set_viewport_size(SIZES["desk" if here["width"] < 900 else "phone"])
    _look_over(page, contrast=sizes.full)
    page.set_viewport_size(here)


def _look_over(page: Page, contrast: bool = True) -> None:
    page.evaluate(SETTLED)
    if not page.evaluate("() => 'axe' in window"):
        page.evaluate(AXE)
    found = page.evaluate(VIOLATIONS, contrast)
    assert found == [], found


LOOKED_AT = """() => {
  let times = 0
  const again = setInterval(() => {
    window.dispatchEvent(new Event('visibilitychange'))
    if (++times === 20) clearInterval(again)
  }, 250)
}"""
"""Again and again: what is on its way may have been answered before, and is not asked twice at once."""


def later(page: Page, clock: Clock, seconds: float) -> None:
    """So much time goes by, and the screen is looked at: it asks anew now, and has heard what time it is."""
    clock.now += seconds
    with page.expect_response(lambda answer: _tells_the_time(answer, clock.now)):
        page.evaluate(LOOKED_AT)


def _tells_the_time(answer: Response, now: float) -> bool:
    """What is said before is said at the old time: as late by all that the clock was moved."""
    if "/api/" not in answer.url or "json" not in answer.headers.get("content-type", ""):
        return False
    return any(float(told) >= now for told in re.findall(r'"now_s":\s*([\d.]+)', answer.text()))


def minutes_said(page: Page) -> int:
    return int(re.search(r"about\s+(\d+)\s+minutes", page.locator("p.answer").inner_text())[1])


def pick(page: Page, word: str, choice: str) -> None:
    """Open a word of the sentence and take one of its choices."""
    page.get_by_role("button", name=f"{word}:").first.click()
    page.get_by_role("dialog", name=word).get_by_role("button", name=re.compile(f"^{choice}")).first.click()


def write(page: Page, word: str, text: str) -> None:
    """Open a word of the sentence and type."""
    page.get_by_role("button", name=f"{word}:").first.click()
    field = page.get_by_role("textbox", name=word)
    field.fill(text)
    field.press("Enter")
    expect(page.get_by_role("dialog", name=word)).to_have_count(0)


def box(page: Page, name: str) -> Locator:
    return page.get_by_role("textbox", name=name, exact=True)
