"""The door: a phone of the house knocks over plain HTTP, is let in at the computer, works as far as it may, is sent
away. The phone and the computer are two windows, as they are in the kitchen."""

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import SIZES, clean, pick, write
from tests.ui.test_home import let_in
from tests.web.test_instruments import ask, until


@pytest.fixture
def home_url(kitchen_url: str) -> str:
    return kitchen_url.replace("127.0.0.1", "kitchen.lan")


@pytest.fixture
def phone(page: Page) -> Iterator[Page]:
    other = page.context.new_page()
    other.set_viewport_size(SIZES["phone"])
    yield other
    other.close()


def test_two_people_let_a_phone_in_and_send_it_away(page: Page, phone: Page, kitchen_url: str, home_url: str):
    page.goto(kitchen_url + "/larder")
    page.get_by_role("link", name="To the door").click()
    expect(page.get_by_text("The door is shut.")).to_be_visible()
    page.get_by_role("button", name="Open the door").click()
    plates = page.get_by_role("img", name=re.compile(r"The numbers: \d{6}"))
    expect(plates).to_be_visible()
    expect(page.get_by_role("img", name="Code for a phone’s camera")).to_be_visible()
    clean(page)
    code = re.search(r"\d{6}", plates.get_attribute("aria-label"))[0]

    phone.bring_to_front()  # a window behind another draws once a second
    phone.goto(home_url + "/stove/5")  # whatever it asks for, it stands before the door
    expect(phone.get_by_role("heading", name="Type the six numbers")).to_be_visible()
    clean(phone)
    wrong = "000000" if code != "000000" else "111111"
    phone.get_by_label("The six numbers").fill(wrong)
    phone.get_by_role("button", name="Knock").click()
    expect(phone.get_by_role("alert")).to_contain_text("not the numbers")
    phone.wait_for_timeout(1100)  # a wrong try makes all wait
    phone.get_by_label("The six numbers").fill(code)
    phone.get_by_label("What is it called?").fill("the cox’s phone")
    phone.get_by_role("button", name="Knock").click()
    expect(phone.get_by_role("heading", name="You are in the doorway.")).to_be_visible()
    thing = phone.locator(".thing-name").inner_text()
    clean(phone)

    expect(page.get_by_text(f"It shows a {thing}", exact=True)).to_be_visible()
    page.bring_to_front()
    write(page, "its name", "the cox")
    pick(page, "what it may do", "stand at the stove")
    pick(page, "until when", "three hours")
    clean(page)
    page.get_by_role("button", name="Let it in").click()
    expect(page.get_by_role("heading", name="the cox")).to_be_visible()

    expect(phone.get_by_role("link", name="You may stand at the stove")).to_be_visible()
    expect(phone).to_have_url(re.compile("/stove/5$"))  # where it wanted to
    phone.bring_to_front()
    phone.get_by_role("button", name=re.compile("Stirred")).last.click()
    expect(phone.get_by_label("What happened").locator("li").first).to_contain_text("stirred")
    expect(page.get_by_text("logged stirred")).to_be_visible()
    page.bring_to_front()
    clean(page)
    page.get_by_role("button", name="Send away").click()
    expect(phone.get_by_role("heading", name="This device was sent away")).to_be_visible()
    page.get_by_role("button", name="Forget it").click()
    expect(page.get_by_role("heading", name="the cox")).to_be_hidden()
    expect(page.get_by_label("What was done")).to_contain_text("sent the cox away")


def test_who_looks_on_sees_all_and_changes_nothing(page: Page, kitchen_url: str, home_url: str):
    let_in(page, home_url, kitchen_url, "look")
    page.goto(home_url + "/stove/5")
    expect(page.get_by_text("This device looks on")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("Stirred")).last).to_be_disabled()
    clean(page)
    page.goto(home_url + "/bench")
    expect(page.locator("p.answer")).to_contain_text("minutes")
    expect(page.get_by_role("button", name="Light it")).to_be_disabled()
    expect(page.get_by_text("lighting is for those who cook here")).to_be_visible()
    page.goto(home_url + "/larder")
    page.get_by_role("button", name="Add a pan").click()
    expect(page.get_by_role("dialog")).to_contain_text("may not keep the Larder")
    expect(page.get_by_label("Safe keeping")).to_be_hidden()


def test_what_was_logged_while_sent_away_waits_and_is_sent_when_let_in_again(
    page: Page, kitchen_url: str, home_url: str
):
    let_in(page, home_url, kitchen_url, "log")
    page.goto(home_url + "/stove/5")
    expect(page.get_by_role("button", name=re.compile("Stirred")).last).to_be_visible()
    page.context.set_offline(True)
    page.get_by_role("button", name=re.compile("Stirred")).last.click()
    expect(page.get_by_text("1 happening waits here, safe.")).to_be_visible()
    [device] = ask(kitchen_url + "/api/door")["devices"]
    ask(kitchen_url + f"/api/door/devices/{device['id']}/send-away", {})
    before = len(ask(kitchen_url + "/api/batches/5")["log"])
    page.context.set_offline(False)
    expect(page.get_by_role("heading", name="This device was sent away")).to_be_visible()
    expect(page.get_by_text("1 happening waits here, safe")).to_be_visible()
    let_in(page, home_url, kitchen_url, "log")
    page.goto(home_url + "/stove/5")
    expect(page.get_by_label("What happened")).to_contain_text("stirred")
    expect(page.get_by_text("happening waits")).to_be_hidden()
    # The page shows what waits before the server has it.
    until(lambda: len(ask(kitchen_url + "/api/batches/5")["log"]) == before + 1)


def test_a_device_leaves_by_itself_and_one_is_turned_away(page: Page, kitchen_url: str, home_url: str):
    let_in(page, home_url, kitchen_url, "look")
    page.goto(home_url + "/knock")
    expect(page.get_by_role("heading", name="You are in as the cox’s phone")).to_be_visible()
    page.get_by_role("button", name="Leave this kitchen").click()
    expect(page.get_by_role("heading", name="Type the six numbers")).to_be_visible()
    code = ask(kitchen_url + "/api/door/open", {})["code"]
    page.goto(home_url + "/book")
    page.get_by_label("The six numbers").fill(code)
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="You are in the doorway.")).to_be_visible()
    ask(kitchen_url + "/api/door/turn-away", {"thing": page.locator(".thing-name").inner_text()})
    expect(page.get_by_role("heading", name="You were not let in")).to_be_visible()
