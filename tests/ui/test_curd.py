"""Curdling and straining on the Bench in Chromium, wide and narrow."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, WALK, clean, clean_in_both, pick


@pytest.fixture
def curd(page: Page, kitchen_url: str) -> Page:
    page.goto(kitchen_url + "/bench")
    page.get_by_role("link", name="curdle").click()
    expect(page.locator("p.answer")).to_contain_text("of chhena")
    return page


def expected_g(page: Page) -> int:
    said = re.search(r"Expect\s+([\d\u2009]+) g", page.locator("p.answer").inner_text())
    return int(said[1].replace("\u2009", ""))


@WALK
def test_curdle_from_the_sentence_to_the_pieces(curd: Page):
    page = curd
    clean_in_both(page)
    light = expected_g(page)
    pick(page, "how to drain it", "squeeze it hard")
    expect(page).to_have_url(re.compile("drain=hard"))
    page.wait_for_load_state("networkidle")
    expect(page.locator("p.answer")).not_to_contain_text(f"{light} g")
    assert expected_g(page) < light
    # the wait slides along the cooling curve, by key too, and settles in the address
    knob = page.get_by_role("slider", name="Wait after the boil")
    before = knob.get_attribute("aria-valuetext")
    knob.focus()
    page.keyboard.press("ArrowRight")
    expect(page).to_have_url(re.compile("wait=3.50"))
    expect(knob).not_to_have_attribute("aria-valuetext", before)
    knob.scroll_into_view_if_needed()
    box = knob.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 60, y, steps=4)
    page.mouse.up()
    expect(page.locator(".sentence").first).to_contain_text(re.compile(r"wait \d+(\.\d+)? minutes"))
    page.get_by_role("button", name="why so much?").click()
    expect(page.get_by_role("dialog")).to_contain_text("if all of it went in")
    clean_in_both(page)
    page.keyboard.press("Escape")
    # the second sentence: what the thermometer showed, and a binder
    page.get_by_role("button", name="flour or semolina to bind it:").click()
    page.get_by_role("dialog").get_by_role("button", name="2 %").click()
    expect(page.get_by_label("What it gives")).to_contain_text("Bind it with")
    expect(page.get_by_label("What it gives")).to_contain_text("syrup of 42 °Brix")
    page.get_by_label("I want").fill("30 balls of 12 g")
    page.get_by_role("button", name="How much milk?").click()
    page.get_by_label("What it gives").get_by_role("button", name="Plan with it").click()
    expect(page.locator("p.answer")).to_contain_text(re.compile(r"(29|30|31) pieces"))
    page.reload()
    expect(page.locator("p.answer")).to_contain_text(re.compile(r"(29|30|31) pieces"))


def test_what_does_not_suit_is_said_and_mended_with_one_touch(curd: Page):
    page = curd
    pick(page, "which milk", "full-cream cow’s milk")
    pick(page, "what it is for", "paneer")
    answer = page.locator("p.answer")
    expect(answer).to_contain_text("too soft for paneer")
    instead = page.get_by_text("To suit paneer:")
    expect(instead).to_contain_text("low flame")
    clean(page)
    instead.get_by_role("button", name="Plan with it").click()
    expect(answer).to_contain_text(re.compile("of chhena\\s+for paneer"))
    expect(page).to_have_url(re.compile("hold="))
    expect(instead).to_be_hidden()
    # the drawn scale agrees with the sentence
    expect(page.get_by_label("Texture of the curd").locator(".here")).to_contain_text("paneer")


@BOTH
def test_a_why_leads_to_its_rule(curd: Page):
    page = curd
    page.get_by_role("button", name="why so much?").click()
    rule = page.get_by_role("dialog").get_by_role("link", name="The rule, with its range and source")
    rule.scroll_into_view_if_needed()  # the pop-over follows its word a frame later: first scroll, then touch
    rule.click()
    expect(page).to_have_url(re.compile("/science/curdle#acid$"))
    rule = page.get_by_role("heading", name="How much acid")
    expect(rule).to_be_in_viewport()
    expect(rule).to_have_class("named")
    clean(page)
    page.get_by_role("navigation", name="Pages of the science").get_by_role("link", name="Keeping").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Keeping, cooling, cautions")
    page.goto(page.url.replace("keeping", "sweets"))
    page.get_by_role("link", name="K2").click()
    expect(page).to_have_url(re.compile("/science/keeping#cooling$"))
    page.go_back()
    expect(page.get_by_role("heading", level=1)).to_have_text("Sweets")
    page.goto(page.url.replace("sweets", "alchemy"))
    expect(page.get_by_role("alert")).to_contain_text("All pages")


def test_wrong_words_keep_what_was_typed(curd: Page):
    page = curd
    page.get_by_role("button", name="how long to wait before the acid:").click()
    field = page.get_by_role("textbox", name="how long to wait before the acid")
    field.fill("a fortnight")
    expect(page.get_by_role("alert").first).to_contain_text("fortnight")
    expect(field).to_have_value("a fortnight")
    page.keyboard.press("Escape")
    expect(page.locator(".sentence").first).to_contain_text("3 minutes")


def test_strain_and_fruit(curd: Page):
    page = curd
    page.get_by_role("link", name="strain").click()
    expect(page.locator("p.answer")).to_contain_text("15.9 hours")
    clean(page)
    pick(page, "where it hangs", "on the counter")
    expect(page.get_by_role("region", name="Begin")).to_contain_text("Two hours at most")
    expect(page.locator("p.answer")).to_contain_text("too sour for a sweet")
    pick(page, "where it hangs", "in the fridge")
    expect(page.locator("p.answer")).to_contain_text("15.9 hours")
    knob = page.get_by_role("slider", name="How long it hangs")
    knob.focus()
    page.keyboard.press("ArrowLeft")
    expect(page).to_have_url(re.compile("time="))
    fruit = page.get_by_role("region", name="Fruit and milk")
    pick(page, "which fruit", "strawberry")
    pick(page, "which milk base", "plain milk")
    pick(page, "how warm", "hot")
    expect(fruit).to_contain_text("It curdles")
    clean(page)
