"""The Larder in Chromium: change, pour, time, float a lactometer, two tabs at one pan."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, box, clean, clean_in_both


@pytest.fixture
def larder(page: Page, kitchen_url: str) -> Page:
    page.goto(kitchen_url + "/larder")
    expect(page.get_by_role("button", name="farm buffalo milk")).to_be_visible()
    return page


@WALK
def test_a_pan_fitted_by_pouring_is_kept_changed_and_taken_out(larder: Page):
    page = larder
    page.get_by_role("button", name="Add a pan").click()
    page.get_by_role("button", name="fit it by pouring").click()
    box(page, "Call it").fill("the odd pot")
    box(page, "Height inside, up to the rim, cm").fill("12")
    for i, (ml, cm) in enumerate([("500", "2.1"), ("1000", "3.6"), ("2000", "6.1")], 1):
        page.get_by_label(f"pour {i}, ml in all").fill(ml)
        page.get_by_label(f"pour {i}, cm deep").fill(cm)
    expect(page.get_by_text("to the brim")).to_be_visible()
    clean_in_both(page)
    page.get_by_role("button", name="Hang it up").click()
    page.get_by_role("button", name="the odd pot").click()
    expect(page.get_by_label("pour 3, ml in all")).to_have_value("2000")
    page.get_by_label("pour 3, cm deep").fill("3.0")
    expect(page.get_by_role("alert")).to_contain_text("Pair 3")
    page.get_by_label("pour 3, cm deep").fill("6.4")
    box(page, "Empty weight, kg").fill("0.9")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text(re.compile("0.9 kg, fitted by pouring"))).to_be_visible()
    page.reload()
    page.get_by_role("button", name="the odd pot").click()
    page.get_by_role("button", name="Take it out").click()
    expect(page.get_by_role("button", name="the odd pot")).to_be_hidden()


def test_two_tabs_at_one_pan_lose_nothing_silently(larder: Page, kitchen_url: str):
    page, other = larder, larder.context.new_page()
    other.goto(kitchen_url + "/larder")
    for tab in (page, other):
        tab.get_by_role("button", name="the straight pot").click()
    box(other, "Width inside, cm").fill("23")
    other.get_by_role("button", name="Keep it").click()
    expect(other.get_by_role("dialog")).to_be_hidden()
    box(page, "Width inside, cm").fill("25")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("alert")).to_contain_text("changed elsewhere")
    expect(box(page, "Width inside, cm")).to_have_value("25")
    page.get_by_role("button", name="Take that").click()
    expect(box(page, "Width inside, cm")).to_have_value("23")
    box(page, "Width inside, cm").fill("25")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_be_hidden()
    page.reload()
    page.get_by_role("button", name="the straight pot").click()
    expect(box(page, "Width inside, cm")).to_have_value("25")


def test_lactometer_burner_and_cup_are_measured_and_taken_over(larder: Page):
    page = larder
    page.get_by_role("row", name=re.compile("full-cream cow")).get_by_role("button", name="lactometer").click()
    box(page, "It reads, degrees").fill("23")
    page.get_by_role("button", name="Reckon it").click()
    expect(page.get_by_role("dialog")).to_contain_text("may be added water")
    clean(page)
    page.get_by_role("button", name=re.compile("Take this for")).click()
    expect(page.get_by_role("row", name=re.compile("full-cream cow"))).to_contain_text("7.22 %")
    # the fat, left as it was, keeps its own spread
    assert "fat ±0.3" in page.get_by_role("row", name=re.compile("full-cream cow")).text_content()
    page.get_by_role("button", name="left burner").click()
    page.get_by_role("button", name="Time it with a litre of water").click()
    box(page, "Minutes to the full boil").fill("4.2")
    box(page, "Lost in ten minutes of boiling, g").fill("330")
    page.get_by_role("button", name="Reckon it").click()
    expect(page.get_by_role("dialog")).to_contain_text("W.")
    clean(page)
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text("timed with water")).to_be_visible()
    page.get_by_role("button", name="Measure a cup").click()
    page.get_by_label("full of water weighs").fill("146.3")
    page.get_by_label("Which").select_option("katori_ml")
    page.get_by_role("button", name="Reckon it").click()
    expect(page.get_by_label("a katori, ml")).to_have_value("146.7")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text("Kept", exact=True).last).to_be_visible()
    page.reload()
    expect(page.get_by_label("a katori, ml")).to_have_value("146.7")


def test_an_ingredient_is_copied_from_the_tables_and_used(larder: Page, kitchen_url: str):
    page = larder
    page.get_by_text("materials of the tables").click()
    page.get_by_label("Find").fill("brown")
    clean(page)
    page.get_by_role("button", name="soft brown sugar").click()
    box(page, "Call it").fill("club brown sugar")
    box(page, "A pack holds, g").fill("500")
    box(page, "A pack costs").fill("dear")
    page.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_role("alert")).to_contain_text("The price")
    expect(box(page, "A pack costs")).to_have_value("dear")
    box(page, "A pack costs").fill("62")
    page.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_role("button", name="club brown sugar")).to_be_visible()
    page.goto(kitchen_url + "/bench")
    page.get_by_role("button", name="which sugar").click()
    page.get_by_role("button", name="club brown sugar").click()
    expect(page.locator(".sentence").first).to_contain_text("club brown sugar")
    expect(page).to_have_url(re.compile(r"kind=21"))
    expect(page.locator("p.answer")).to_contain_text("cm deep")


def test_prices_are_in_the_kitchens_own_money(larder: Page, kitchen_url: str):
    page = larder
    milk = page.get_by_role("row", name=re.compile("farm buffalo"))
    expect(milk).to_contain_text("₹78")
    page.get_by_label("the money of all prices").select_option("EUR")
    page.get_by_role("button", name="Keep it").click()
    expect(milk).to_contain_text("€78")
    page.goto(kitchen_url + "/sweets")
    counted = page.get_by_role("region", name="Counted")
    expect(counted).to_contain_text(re.compile(r"€[\d.]+ for one"))
    assert "₹" not in page.locator("body").inner_text()
    # what a cook weighs is rounded; a touch shows the figure behind
    sugar = page.get_by_role("button", name=re.compile("white sugar: .* exactly"))
    rounded = sugar.inner_text()
    sugar.click()
    expect(sugar).to_have_attribute("aria-pressed", "true")
    expect(sugar).to_have_text(re.compile(r"^\d+\.\d+ g$"))
    sugar.click()
    expect(sugar).to_have_text(rounded)
    clean(page)
