"""The Bench's judgement in Chromium: schools, named stops, which pan, the wish, mending, caramel, the dip-stick."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, clean, clean_in_both, minutes_said, pick


@pytest.fixture
def bench(page: Page, kitchen_url: str) -> Page:
    page.goto(kitchen_url + "/bench")
    expect(page.get_by_role("button", name="Light it")).to_be_visible()
    return page


@WALK
def test_schools_and_named_stops_change_the_answer_and_stay_in_the_address(bench: Page):
    page = bench
    half = minutes_said(page)
    pick(page, "where to stop", "rabri")
    expect(page.locator("p.answer")).to_contain_text("mounds on the spoon")
    assert minutes_said(page) > half + 5
    expect(page.get_by_label("What to expect of it")).to_contain_text(
        "rabri by its milk solids; usually mounds on the spoon"
    )
    pick(page, "how to stir", "fold the skin in")
    pick(page, "lid up to the first boil", "the lid on")
    expect(page.get_by_label("What to expect of it")).to_contain_text("Lid off before it climbs")
    pick(page, "what else to enrich it with", "whole milk powder")
    page.get_by_role("button", name="how much of it:").click()
    field = page.get_by_role("textbox", name="how much of it")
    field.fill("a bucket")
    expect(page.get_by_role("dialog").get_by_role("alert")).to_contain_text("bucket")
    field.fill("60 g")
    field.press("Enter")
    expect(page.get_by_label("What to expect of it")).to_contain_text("Wet the whole milk powder first")
    expect(page).to_have_url(re.compile("stir=folded.*add=whole-powder"))
    clean_in_both(page)
    page.reload()
    expect(page.locator(".sentence").nth(1)).to_contain_text("60 g of whole milk powder from the start")
    expect(page.locator(".sentence").nth(1)).to_contain_text("the lid on")
    pick(page, "what to enrich it with", "nothing")
    expect(page).not_to_have_url(re.compile("add="))


def test_tomorrow_which_pan_and_the_questions(bench: Page):
    page = bench
    page.get_by_label("What to expect of it").get_by_role("button", name="slow ribbon").click()
    expect(page.locator(".sentence").first).to_contain_text("slow ribbon cold")
    expect(page.locator("p.answer")).to_contain_text("falls in a slow ribbon cold")
    table = page.get_by_role("region", name="Which pan, which flame")
    expect(table).to_contain_text("least of your time")
    table.get_by_role("row", name=re.compile("the straight pot")).get_by_role("button").nth(0).click()
    expect(page.locator(".sentence").first).to_contain_text("the straight pot over a gentle flame")
    page.get_by_label("I want").fill("20 moons")
    page.get_by_role("button", name="How much milk?").click()
    expect(page.get_by_role("alert")).to_contain_text("moons")
    page.get_by_label("I want").fill("500 g")
    page.get_by_role("button", name="How much milk?").click()
    expect(page.get_by_label("From the wish back, and mending")).to_contain_text("packs")
    page.get_by_role("button", name="Plan with it").click()
    page.wait_for_load_state("networkidle")
    expect(page.locator("p.answer b", has_text=re.compile(r"^(49\d|50\d) g$"))).to_be_visible()
    page.get_by_label("It stands at").fill("400 g")
    page.get_by_role("button", name="How to mend it?").click()
    expect(page.get_by_label("From the wish back, and mending")).to_contain_text("of warm milk")
    clean(page)


def test_the_dip_stick_prints_at_full_size(bench: Page, kitchen_url: str):
    page = bench
    page.goto(kitchen_url + "/bench?pan=1")
    expect(page.get_by_role("button", name="which pan:")).to_contain_text("kadhai")
    svg = kitchen_url + page.get_by_role("link", name="(SVG)").get_attribute("href")
    answer = page.request.get(svg)
    assert answer.headers["content-type"].startswith("image/svg+xml") and "STOP: 4.3 cm" in answer.text()
    pdf = page.request.get(kitchen_url + page.get_by_role("link", name="print a dip-stick").get_attribute("href"))
    assert pdf.body().startswith(b"%PDF")


def test_caramelised_milk(bench: Page):
    page = bench
    page.get_by_role("link", name="caramel").click()
    expect(page.locator("p.answer")).to_contain_text("solids")
    expect(page.get_by_label("The steps")).to_contain_text("168 °C")
    pick(page, "which shade", "straw")
    expect(page.get_by_label("The steps")).to_contain_text("152 °C")
    expect(page).to_have_url(re.compile("shade=straw"))
    clean(page)
    page.get_by_role("button", name="how much sugar:").click()
    page.get_by_role("textbox", name="how much sugar").fill("0")
    expect(page.get_by_role("alert").first).to_contain_text("without sugar")


@pytest.mark.parametrize(
    ("address", "word", "verb"),
    [
        ("/bench", "how much milk", "Light it"),
        ("/bench/curdle", "how much milk", "Light it"),
        ("/bench/strain", "how much yoghurt", "Hang it"),
        ("/bench/caramel", "how much sugar", "Light it"),
        ("/sweets", "how many, or how much", "Begin it"),
    ],
)
def test_a_refused_plan_has_no_figures_and_one_touch_leads_back(
    page: Page, kitchen_url: str, address: str, word: str, verb: str
):
    page.goto(kitchen_url + address)
    begins = page.get_by_role("button", name=verb, exact=True)
    expect(begins).to_be_visible()  # the first plan has been answered: there is one to go back to
    usual = page.get_by_role("button", name=f"{word}:").first
    before = usual.inner_text()
    usual.click()
    field = page.get_by_role("textbox", name=word)
    field.fill("a good deal")
    field.press("Enter")
    back = page.get_by_role("button", name="As it was before")
    expect(back).to_be_visible()
    expect(usual).to_contain_text("a good deal")  # what was typed is kept
    expect(begins).to_have_count(0)
    clean(page)
    page.reload()
    expect(usual).to_contain_text("a good deal")
    expect(begins).to_have_count(0)
    page.get_by_role("button", name="The usual plan").click()
    expect(usual).to_have_text(before)
    expect(begins).to_be_visible()
