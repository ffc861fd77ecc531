"""Every page by the Tab key alone: each thing that can be touched is reached once, in the order in which it stands, in
sight and marked; and nothing holds the key."""

import pytest
from playwright.sync_api import Page, expect

PAGES = {
    "/larder": "farm buffalo milk",
    "/bench": "Stop when",
    "/bench/curdle": "of chhena",
    "/bench/caramel": "solids",
    "/sweets?sweet=kalakand": "cuts",
    "/sweets/own?lines=2+L+buffalo+milk+to+half%0A5+spoons+of+sugar%0Agave+14+sticks": "Keep it as mine",
    "/day": "to spare",
    "/stove": "min to its stop",
    "/stove/5": "minutes to the stop",
    "/stove/curd/8": "Let it hang",
    "/stove/sweet/10": "Fig kulfi",
    "/stove/rehearse": "Simulated milk",
    "/book": "Rabri, first try",
    "/book/3": "thick as butter",
    "/book/mend?of=3&fault=too-thick-cold": "under the weight told",
    "/using/stove": "Stove",
}
CAN_BE_TOUCHED = """() => {
  const kinds = 'a[href], button, input, textarea, select, summary, [tabindex]'
  const LOOKS = ['outline', 'box-shadow', 'border', 'background', 'stroke', 'stroke-width', 'fill', 'text-decoration']
  window.looks = (e) => {
    const box = e.closest('.n-input, label') ?? e
    return [box, ...box.querySelectorAll('*'), e.parentElement, ...(e.parentElement?.children ?? [])]
      .flatMap((x) => [null, '::before', '::after'].map((part) => {
        const style = getComputedStyle(x, part)
        return LOOKS.map((name) => style.getPropertyValue(name)).join()
      })).join('|')
  }
  window.stops = [...document.querySelectorAll(kinds)].filter((e) => e.tabIndex >= 0 && !e.disabled &&
    e.checkVisibility({ visibilityProperty: true }) && !e.closest('[inert], fieldset:disabled, details:not([open]) > :not(summary)'))
  window.plain = window.stops.map(window.looks)
  return window.stops.map((e) => e.outerHTML.slice(0, 140))
}"""
WHERE = """() => {
  const here = document.activeElement
  if (!here || here === document.body) return null
  const at = window.stops.indexOf(here), box = here.getBoundingClientRect()
  const seen = box.width > 0 && box.bottom > 0 && box.top < innerHeight && box.right > 0 && box.left < innerWidth
  const before = window.before
  const onward = !before?.isConnected || before.compareDocumentPosition(here) & Node.DOCUMENT_POSITION_FOLLOWING
  window.before = here
  window.reached.add(here)
  return { what: here.outerHTML.slice(0, 140), marked: at < 0 || window.looks(here) !== window.plain[at], seen, onward }
}"""
"""Where the key stands: whether that is in sight, looks other than it did before it was focused, and stands behind the last."""
NOT_REACHED = """() => {
  (CAN_BE_TOUCHED)()
  return window.stops.filter((e) => !window.reached.has(e)).map((e) => e.outerHTML.slice(0, 140))
}""".replace("CAN_BE_TOUCHED", CAN_BE_TOUCHED)
ROUNDS = 3
"""What comes in behind the key while it goes round is reached the next time."""


def all_stops(page: Page) -> list[str]:
    """All that can be touched, once no more of it comes in."""
    stops: list[str] = []
    while stops != (stops := page.evaluate(CAN_BE_TOUCHED)) or not stops:
        page.wait_for_timeout(300)
    return stops


def once_round(page: Page) -> list[str]:
    """By the key from the top to the end: what is wrong with any of it."""
    page.evaluate("() => { document.activeElement?.blur(); window.before = null; window.reached ??= new Set() }")
    faults: list[str] = []
    for number in range(400):
        page.keyboard.press("Tab")
        here = page.evaluate(WHERE)
        if here is None or (number and not here["onward"]):  # it goes on to the browser's own, or begins anew
            return faults
        faults += [f"not {what}: {here['what']}" for what in ("marked", "seen") if not here[what]]
    raise AssertionError("the key never comes to an end")


@pytest.mark.parametrize("address", PAGES)
def test_the_tab_key_reaches_all_there_is(page: Page, kitchen_url: str, address: str):
    page.goto(kitchen_url + address)
    expect(page.locator("main")).to_contain_text(PAGES[address])
    expect(page.get_by_role("region", name="Burners", exact=True)).to_contain_text("Basundi")
    all_stops(page)
    # a better plan of a day comes in while one looks, with other bars and hours
    expect(page.get_by_text("Looking for a calmer way…")).to_have_count(0, timeout=30_000)
    all_stops(page)
    for _ in range(ROUNDS):
        assert once_round(page) == []
        missed = page.evaluate(NOT_REACHED)
        if not missed:
            break
    assert missed == []
