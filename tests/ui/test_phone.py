"""Every page at 390 px: nothing hangs over the edge, nothing is too small for a wet finger, and nothing stands in a
screen reader's way."""

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import clean

PAGES = {
    "/bench": "Stop when",
    "/bench/curdle": "of chhena",
    "/bench/strain": "hours",
    "/bench/caramel": "solids",
    "/sweets": "Start with",
    "/sweets?sweet=kalakand": "cuts",
    "/sweets?sweet=sponge-balls": "at once",
    "/sweets/own/letters?like=kulfi": "Keep it",
    "/sweets/own?lines=2+L+buffalo+milk+to+half%0A5+spoons+of+sugar%0Agave+14+sticks": "Keep it as mine",
    "/day": "to spare",
    "/larder": "farm buffalo milk",
    "/stove": "min to its stop",
    "/stove/6": "minutes to the stop",
    "/stove/curd/8": "Let it hang",
    "/stove/sweet/10": "Fig kulfi",
    "/stove/rehearse": "Simulated milk",
    "/book": "Rabri, first try",
    "/book/3": "thick as butter",
    "/book/mend": "Or without a batch",
    "/book/mend?of=3&fault=too-thick-cold": "under the weight told",
    "/book/mend?product=sponge-balls&fault=rubbery": "Rescue now",
}
OVERHANGING = """() => {
  const wide = document.documentElement.clientWidth
  const scrolls = (e) => e && (/auto|scroll|hidden|clip/.test(getComputedStyle(e).overflowX) || scrolls(e.parentElement))
  return [...document.querySelectorAll('main *')].filter((e) => e.getBoundingClientRect().right > wide + 1 &&
    !e.closest('svg') && !scrolls(e.parentElement)).map((e) => e.outerHTML.slice(0, 120)).slice(0, 5)
}"""

TOO_SMALL = """() => [...document.querySelectorAll('button, a[href], input, textarea, summary, [role=checkbox]')]
  .filter((e) => e.checkVisibility({ visibilityProperty: true }) && !e.closest('.visually-hidden'))
  .filter((e) => !e.matches('.word') && getComputedStyle(e).display !== 'inline')
  .flatMap((e) => {
    const beyond = getComputedStyle(e, '::after')
    const reach = beyond.position === 'absolute' ? parseFloat(beyond.height) || 0 : 0
    const high = Math.max(e.getBoundingClientRect().height, reach)
    const least = e.closest('.page.stove') ? 56 : 40
    return high < least - 0.5 ? [`${high.toFixed(0)} px: ${e.outerHTML.slice(0, 120)}`] : []
  })"""
"""Of what is touched, but for the words of a sentence and links in running text: they are as high as their line."""


@pytest.mark.parametrize("size", ["phone"])
@pytest.mark.parametrize("address", PAGES)
def test_a_page_fits_a_phone(page: Page, kitchen_url: str, address: str):
    page.goto(kitchen_url + address)
    expect(page.locator("main")).to_contain_text(PAGES[address])
    clean(page)
    assert page.evaluate("() => document.documentElement.scrollWidth <= document.documentElement.clientWidth + 1")
    assert page.evaluate(OVERHANGING) == []
    assert page.evaluate(TOO_SMALL) == []


PLANS = {
    "/bench": "Light it",
    "/bench/curdle": "Light it",
    "/bench/strain": "Hang it",
    "/bench/caramel": "Light it",
    "/sweets": "Begin it",
    "/sweets?sweet=kalakand&want=24": "Begin it",
}


@pytest.mark.parametrize("size", ["phone"])
@pytest.mark.parametrize("address", PLANS)
def test_what_begins_it_is_under_the_thumb(page: Page, kitchen_url: str, address: str):
    """At once, and wherever one has read to; never over the stations."""
    page.goto(kitchen_url + address)
    plate = page.locator(".plate.begin")
    for _ in range(3):
        expect(plate).to_have_text(PLANS[address])
        box, window = plate.bounding_box(), page.viewport_size
        assert box["height"] >= 56 and window["height"] / 2 < box["y"] < window["height"] - 76 - 55
        page.mouse.wheel(0, 900)
    plate.click()
    expect(page.get_by_role("dialog")).to_be_visible()
    clean(page)


@pytest.mark.parametrize("address", PLANS)
def test_what_begins_it_is_three_tabs_from_the_sentence(page: Page, kitchen_url: str, address: str):
    page.goto(kitchen_url + address)
    expect(page.locator(".plate.begin")).to_be_visible()
    page.get_by_label("The plan").locator(".word").last.focus()
    on = page.get_by_role("link", name=f"on to “{PLANS[address]}”")
    for _ in range(3):
        page.keyboard.press("Tab")
        if on.evaluate("(e) => e === document.activeElement"):
            break
    expect(on).to_be_focused()
    expect(on).to_be_in_viewport()
    clean(page)
    page.keyboard.press("Enter")
    expect(page.locator(".plate.begin")).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog")).to_be_visible()
