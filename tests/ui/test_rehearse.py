"""A rehearsal in Chromium, from the Bench to its account."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, clean_in_both


@WALK
def test_from_the_bench_to_the_account(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/bench?amount=600+ml&pan=2&stop=0.7+of+its+volume&sugar=40+g&flame=strong")
    page.get_by_role("button", name="or rehearse it").click()
    dialog = page.get_by_role("dialog")
    clean_in_both(page)
    dialog.get_by_role("button", name=re.compile("just as planned")).click()
    dialog.get_by_role("button", name="×60").click()
    dialog.get_by_role("textbox", name=re.compile("Seed")).fill("12")
    dialog.get_by_role("button", name="Light it").click()
    expect(page.get_by_text("level 1, just as planned")).to_be_visible()
    sees = page.get_by_label("What you see")
    expect(sees).to_contain_text(re.compile("rolls|rim|boil"), timeout=30_000)
    page.keyboard.press("b")
    expect(page.get_by_text("minutes to the stop")).to_be_visible()
    page.get_by_role("group", name="How fast time runs").get_by_role("button", name="×1", exact=True).click()
    clean_in_both(page)
    page.keyboard.press("s")
    page.get_by_role("button", name="log the kitchen scale").click()
    page.get_by_role("button", name="Lid on").click()
    page.get_by_role("button", name="Lid off").click()
    page.get_by_role("textbox", name="Lemon juice").fill("a bucket")
    page.get_by_role("button", name="pour").click()
    expect(page.get_by_role("alert")).to_contain_text("bucket")
    expect(page.get_by_role("textbox", name="Lemon juice")).to_have_value("a bucket")
    page.reload()
    expect(page.get_by_text("minutes to the stop")).to_be_visible()
    page.keyboard.press("i")
    page.keyboard.press("o")
    expect(page.get_by_role("heading", name="What cost what")).to_be_visible(timeout=60_000)
    expect(page.get_by_label("What it came to")).to_contain_text("of 100")
    expect(page.get_by_role("img", name=re.compile("Your run of"))).to_be_visible()
    clean_in_both(page)
    page.goto(kitchen_url + "/stove/rehearse")
    expect(page.get_by_role("region", name="Rehearsals so far")).to_contain_text("seed 12")
    clean_in_both(page)
