"""A curdling and a long drain on the Stove in Chromium: steps, pours, whey, weighing, the Book."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, box, clean, clean_in_both


@pytest.fixture
def stove(page: Page, kitchen_url: str) -> Page:
    page.goto(kitchen_url + "/bench/curdle")
    expect(page.locator("p.answer")).to_contain_text("of chhena")
    return page


@WALK
def test_chhena_from_the_sentence_to_the_book(stove: Page, kitchen_url: str):
    page = stove
    page.get_by_role("button", name="Light it").click()
    expect(page.get_by_role("dialog")).to_contain_text("Hot curd scalds")
    box(page, "Call it").fill("Test chhena")
    clean_in_both(page)
    page.get_by_role("dialog").get_by_role("button", name="Light it").click()
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text("Bring it to the boil")
    expect(page.get_by_role("region", name="Burners")).to_contain_text("watch for the boil in")
    clean_in_both(page)
    page.get_by_role("button", name=re.compile("It boils")).click()
    expect(now).to_contain_text("Take it off the flame and wait")
    page.keyboard.press("d")
    expect(now).to_contain_text("a little at a time")
    box(page, "Poured now, ml").fill("splash")
    page.get_by_role("button", name="Poured", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("splash")
    expect(box(page, "Poured now, ml")).to_have_value("splash")
    box(page, "Poured now, ml").fill("120")
    page.get_by_role("button", name="Poured", exact=True).click()
    expect(page.get_by_label("Log it", exact=True)).to_contain_text("120 ml in so far")
    box(page, "Poured now, ml").fill("300")
    page.get_by_role("button", name="Poured", exact=True).click()
    expect(page.get_by_label("Log it", exact=True)).to_contain_text("more than it should need")
    page.keyboard.press("u")
    expect(page.get_by_label("Log it", exact=True)).to_contain_text("120 ml in so far")
    # the server has it: a reload goes on where it was, and undo takes it back
    page.reload()
    expect(page.get_by_label("What happened")).to_contain_text("120 ml of acid in")
    page.keyboard.press("u")
    expect(page.get_by_label("What happened")).to_contain_text("undone")
    box(page, "The curd weighs, g").fill("640")
    page.get_by_role("button", name="Weigh it").click()
    expect(now).to_contain_text("Knead it")
    expect(page.get_by_text("from the weighed chhena")).to_be_visible()
    clean_in_both(page)
    page.get_by_role("button", name=re.compile("Kneaded")).click()
    expect(now).to_contain_text("It gave 640 g")
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("640 g")
    clean_in_both(page)


def test_the_yoghurt_that_hangs_now(stove: Page, kitchen_url: str):
    page = stove
    page.goto(kitchen_url + "/stove")
    page.get_by_role("link", name=re.compile("Hung curd for shrikhand")).first.click()
    expect(page.get_by_label("What to do now")).to_contain_text("Let it hang")
    expect(page.get_by_text("then 26 % solids")).to_be_visible()  # as heavy as is told beside it
    before = page.locator(".huge").inner_text()
    box(page, "All the whey so far, g").fill("300")
    page.get_by_role("button", name="Log it").click()
    expect(page.get_by_role("alert")).to_contain_text("Whey only grows")
    expect(box(page, "All the whey so far, g")).to_have_value("300")
    box(page, "All the whey so far, g").fill("700")
    page.get_by_role("button", name="Log it").click()
    expect(page.get_by_label("What happened")).to_contain_text("700 g of whey")
    expect(page.locator(".huge")).not_to_have_text(before)
    # a second device follows
    other = page.context.new_page()
    other.goto(page.url)
    box(page, "A note").fill("smells fresh")
    page.get_by_role("button", name="Write it").click()
    expect(other.get_by_label("What happened")).to_contain_text("smells fresh")
    clean(page)


def test_straining_begins_from_its_sentence(stove: Page, kitchen_url: str):
    page = stove
    page.goto(kitchen_url + "/bench/strain")
    page.get_by_role("button", name="Hang it", exact=True).click()
    page.get_by_role("dialog").get_by_role("button", name="Hang it").click()
    expect(page.get_by_label("What to do now")).to_contain_text("Let it hang")
    expect(page.locator(".under")).to_contain_text("hours left to hang")


def test_what_was_forgotten_of_a_curd_is_said_with_its_time_and_taken_back(stove: Page, kitchen_url: str):
    page = stove
    page.goto(kitchen_url + "/stove/curd/8")
    page.get_by_role("button", name="All that happened").click()
    dialog = page.get_by_role("dialog", name="All that happened")
    expect(dialog.get_by_label("Happenings, newest first")).to_contain_text("410 g of whey")
    dialog.get_by_label("What happened").get_by_text("whey", exact=True).click()
    box(dialog, "All the whey by then, g").fill("200")
    box(dialog, "Minutes ago").fill("240")
    dialog.get_by_role("button", name="Add it").click()
    late = dialog.get_by_role("listitem").filter(has_text="200 g of whey")
    expect(late).to_be_visible()
    clean(page)
    late.get_by_role("button", name="Undo 200 g of whey").click()
    expect(late.get_by_role("button", name="Bring back 200 g of whey")).to_be_visible()
    dialog.get_by_role("button", name="Close").click()
    # it has its table of readings, and hangs from a scale if there is one
    expect(page.get_by_role("link", name="save as CSV")).to_have_attribute("href", "/api/book/8/readings.csv")
    page.get_by_role("button", name="Hang it from a scale").click()
    expect(page.get_by_role("dialog")).to_contain_text("What hangs from the scale besides, g")
    # the simulated ones stand in a pan of milk: they are not promised here
    expect(page.get_by_role("dialog")).to_contain_text("Tare it with the wet cloth")
    expect(page.get_by_role("dialog")).not_to_contain_text("simulated")
    clean(page)


def test_what_was_forgotten_of_a_sweet(stove: Page, kitchen_url: str):
    page = stove
    page.goto(kitchen_url + "/stove/sweet/10")
    page.get_by_role("button", name="All that happened").click()
    dialog = page.get_by_role("dialog", name="All that happened")
    dialog.get_by_label("What happened").get_by_text("the sweet weighed").click()
    box(dialog, "The sweet weighed, g").fill("1850")
    box(dialog, "Minutes ago").fill("1")
    dialog.get_by_role("button", name="Add it").click()
    expect(dialog.get_by_label("Happenings, newest first")).to_contain_text("gave 1.85 kg")
    clean(page)
