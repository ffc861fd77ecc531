"""A phone of the house over plain HTTP, where the browser keeps back what it gives to secure pages only."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import clean
from tests.web.test_instruments import ask


@pytest.fixture
def size() -> str:
    return "phone"


@pytest.fixture
def home_url(kitchen_url: str) -> str:
    return kitchen_url.replace("127.0.0.1", "kitchen.lan")


def knock(page: Page, home_url: str, kitchen_url: str) -> str:
    """Stand in the doorway as one who points the camera at the code; gives the thing that is shown."""
    code = ask(kitchen_url + "/api/door/open", {})["code"]
    page.goto(f"{home_url}/knock#{code}")
    expect(page.get_by_role("heading", name="You are in the doorway.")).to_be_visible()
    return page.locator(".thing-name").inner_text()


def let_in(page: Page, home_url: str, kitchen_url: str, allowed: str) -> None:
    thing = knock(page, home_url, kitchen_url)
    body = {"thing": thing, "name": "the cox’s phone", "allowed": allowed, "ends_s": None}
    ask(kitchen_url + "/api/door/let-in", body)
    page.wait_for_url(re.compile("/bench" if allowed in ("cook", "keep") else "/stove"))


def test_from_the_plan_to_the_weighed_milk(page: Page, home_url: str, kitchen_url: str):
    let_in(page, home_url, kitchen_url, "cook")
    page.goto(home_url + "/bench?amount=1+L&pan=2&burner=3&stop=half+its+volume")
    assert page.evaluate("() => [isSecureContext, typeof crypto.randomUUID, typeof navigator.wakeLock]") == [
        False,
        "undefined",
        "undefined",
    ]
    page.get_by_role("button", name="Light it").click()
    page.get_by_label("Call it").fill("Home milk")
    page.get_by_role("button", name="The flame is on").click()
    expect(page.get_by_role("heading", name="Home milk")).to_be_visible()
    expect(page.get_by_text("cannot keep the screen awake")).to_be_visible()
    page.get_by_role("button", name=re.compile("First boil")).last.click()
    page.locator("button.depth.expected").click()
    expect(page.get_by_label("What happened")).to_contain_text("read 2.7 cm")
    page.get_by_role("button", name=re.compile("Stirred")).last.click()
    expect(page.get_by_label("What happened")).to_contain_text("stirred")
    clean(page)
    page.get_by_role("button", name=re.compile("Take it off")).last.click()
    page.get_by_role("button", name="Weigh it").first.click()
    page.get_by_label("weight, g").fill("510")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_be_hidden()
    page.goto(home_url + "/book")
    page.get_by_role("link", name=re.compile("Home milk")).click()
    expect(page.get_by_label("Told and got")).to_contain_text("510 g")
    assert ask(kitchen_url + "/api/book")["lines"][0]["weighed_kg"] == pytest.approx(0.51)


def test_the_words_for_the_box_are_copied_without_a_clipboard(page: Page, home_url: str, kitchen_url: str):
    let_in(page, home_url, kitchen_url, "look")
    page.goto(home_url + "/sweets?sweet=kalakand")
    page.get_by_text("Words for the box").click()
    page.get_by_role("button", name="Copy", exact=True).click()
    expect(page.get_by_role("button", name="Copied")).to_be_visible()
