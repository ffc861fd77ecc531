"""How to use the screen one is at: its page, its keys, and any word found, without leaving the kitchen's own server."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import clean


def test_the_page_of_where_one_is_with_its_keys(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/stove/5")
    expect(page.get_by_text("minutes to the stop").first).to_be_visible()
    page.keyboard.press("?")
    help_ = page.get_by_role("dialog", name="How to use this")
    expect(help_.get_by_role("heading", name="Stove")).to_be_visible()
    expect(help_).to_contain_text("stirred, or scraped")
    expect(help_).to_contain_text("←")
    expect(help_.get_by_role("img").first).to_be_visible()
    clean(page)
    # a word of it leads to its section, on a page of its own
    help_.get_by_role("searchbox", name="Find in how to use it").fill("squeeze paneer")
    help_.get_by_role("list", name="Found").get_by_role("link").first.click()
    expect(page).to_have_url(re.compile("/using/curd#"))
    expect(page.locator(".named")).to_be_visible()
    clean(page)
    page.go_back()
    expect(page).to_have_url(re.compile("/stove/5$"))


def test_a_job_leads_to_its_sentence(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/using/about")
    page.get_by_role("link", name="The jobs").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("The twenty-one jobs")
    expect(page.get_by_role("heading", level=2)).to_have_count(21)
    page.get_by_role("link", name="vermicelli").click()
    expect(page.locator(".sentence").first).to_contain_text("kheer")
    expect(page.locator(".sentence").first).to_contain_text("with vermicelli")
    expect(page.get_by_label("The work").get_by_role("button", name="Begin it")).to_be_enabled()


@pytest.mark.parametrize("size", ["phone"])
def test_a_phone_has_it_at_the_foot_of_each_page(page: Page, kitchen_url: str, size: str):
    page.goto(kitchen_url + "/bench/strain")
    page.get_by_role("link", name="How to use this").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Bench: curdling and straining")
    clean(page)
    assert page.evaluate("() => document.documentElement.scrollWidth <= document.documentElement.clientWidth + 1")
    page.get_by_role("searchbox").fill("zzzz")
    expect(page.get_by_role("list", name="Found")).to_contain_text("Nothing has these words.")
