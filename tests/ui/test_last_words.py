"""A station goes on where it was left, on whatever screen: words, moulds, what is in the bowl and in the basket."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import write
from tests.web.test_instruments import ask, until


def words(url: str) -> dict[str, str]:
    return ask(url + "/api/last-words")["words"]


def test_sweets_goes_on_where_it_was_left_on_another_screen(browser, browser_context_args, page: Page, kitchen_url):
    url = kitchen_url
    page.goto(url + "/sweets?want=9&mould=clay&moulds=6&freezer=-20")
    milk = page.get_by_role("button", name=re.compile("milk: in the bowl"))
    milk.click()
    expect(milk).to_have_attribute("aria-pressed", "true")
    write(page, "how many, or how much", "10 sticks")
    until(lambda: "10+sticks" in words(url).get("sweets", ""))
    other = browser.new_context(**browser_context_args).new_page()
    other.goto(url + "/larder")
    expect(other.get_by_role("region", name="Milks")).to_be_visible()  # before it, a link takes its place
    other.get_by_role("navigation").get_by_role("link", name="Sweets").click()
    expect(other).to_have_url(re.compile("want=10.*mould=clay&moulds=6.*freezer=-20"))
    expect(other.locator(".told")).to_contain_text("10 ")
    there = other.get_by_role("button", name=re.compile("milk: in the bowl"))
    expect(there).to_have_attribute("aria-pressed", "true")
    # the way back is not through each tick; once begun, the bowl is empty
    there.click()
    there.click()
    other.go_back()
    expect(other).to_have_url(re.compile("/larder$"))
    other.go_forward()
    other.get_by_role("button", name="Begin it").click()
    other.get_by_role("dialog").get_by_role("button", name="Begin it").click()
    expect(other).to_have_url(re.compile("/stove/sweet/"))
    until(lambda: "ticked" not in words(url)["sweets"])
    assert "want=10" in words(url)["sweets"]
    other.context.close()


def test_the_bench_begins_afresh_when_it_is_said_once_more(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/bench")
    write(page, "how much milk", "3 L")
    until(lambda: "amount=3+L" in words(kitchen_url).get("reduce", ""))
    page.goto(kitchen_url + "/")
    expect(page.get_by_role("button", name="how much milk: 3 L")).to_be_visible()
    bench = page.get_by_role("navigation", name="Stations").get_by_role("link", name="Bench")
    bench.click()
    expect(page.get_by_role("button", name="how much milk: 2.4 L")).to_be_visible()


def test_the_basket_is_one_for_all_of_the_house(browser, browser_context_args, page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/sweets?sweet=kalakand&want=24")
    page.get_by_role("button", name="Begin it").click()
    page.get_by_role("dialog").get_by_role("button", name="Begin it").click()
    expect(page).to_have_url(re.compile("/stove/sweet/"))
    page.goto(kitchen_url + "/larder")
    first = page.get_by_role("region", name="To buy").get_by_role("checkbox").first
    first.click()
    expect(first).to_have_attribute("aria-checked", "true")
    until(lambda: "got=" in words(kitchen_url).get("shopping", ""))
    other = browser.new_context(**browser_context_args).new_page()
    other.goto(kitchen_url + "/larder")
    there = other.get_by_role("region", name="To buy").get_by_role("checkbox").first
    expect(there).to_have_attribute("aria-checked", "true")
    there.click()
    until(lambda: words(kitchen_url)["shopping"] == "")
    page.reload()
    expect(first).to_have_attribute("aria-checked", "false")
    other.context.close()
