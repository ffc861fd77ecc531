"""The computer's clock is set while milk is on the fire: it is told on every screen, and the cook says who is right."""

from playwright.sync_api import Page, expect

from tests.kitchens import Stand
from tests.ui.conftest import RunningClock
from tests.ui.hands import clean
from tests.web.test_instruments import ask


def test_the_cook_says_which_clock_is_right(page: Page, kitchen_url: str, stand: Stand, clock: RunningClock):
    before = ask(kitchen_url + "/api/stove")["batches"][-2]
    stand.app.extensions["mulvek_clock"]._wall = lambda: clock() - 7200
    page.goto(kitchen_url + "/stove/5")
    note = page.get_by_role("status").filter(has_text="The computer’s clock was set")
    expect(note).to_be_visible()
    clean(page)
    page.get_by_role("button", name="The kitchen is right").click()
    expect(note).to_be_hidden()
    page.goto(kitchen_url + "/larder")
    page.get_by_role("button", name="The computer is right").click()
    expect(note).to_be_hidden()
    after = ask(kitchen_url + "/api/stove")["batches"][-2]
    assert -7205 < after["log"][-1]["at_s"] - before["log"][-1]["at_s"] <= -7195
    assert abs(after["to_stop_s"]["likely"] - before["to_stop_s"]["likely"]) < 60
