"""The real interface in Debian's Chromium: from the sentence to the book, by mouse and keyboard, wide and narrow."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, clean, clean_in_both, minutes_said


@WALK
def test_plan_drag_light_read_off_weigh_book(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/bench?pan=1")
    expect(page.get_by_role("button", name="Light it")).to_be_visible()
    clean_in_both(page)
    # a word opens in place and everything follows
    page.get_by_role("button", name="how much milk:").click()
    field = page.get_by_role("textbox", name="how much milk")
    field.fill("9 glasses")
    expect(page.locator(".sentence").first).to_contain_text("9 glasses")
    field.press("Enter")
    page.get_by_role("button", name="which burner:").click()
    page.get_by_role("button", name=re.compile("^jetty burner")).click()
    expect(page).to_have_url(re.compile(r"amount=9(\+|%20)glasses.*burner=3"))
    # dragging the stop moves the figures while the finger moves, and settles in the address
    page.wait_for_load_state("networkidle")
    before = minutes_said(page)
    knob = page.get_by_role("slider", name="Level to stop at")
    knob.evaluate("(e) => e.scrollIntoView({ block: 'center' })")
    box = knob.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y + 12, steps=4)
    during = minutes_said(page)
    assert during > before
    page.mouse.up()
    expect(page).to_have_url(re.compile("deep"))
    expect(page.locator(".sentence").first).to_contain_text("cm deep")
    page.wait_for_load_state("networkidle")
    assert abs(minutes_said(page) - during) <= 2
    # the why opens with this batch's figures
    page.get_by_role("button", name=re.compile(r"why \d+ min")).click()
    expect(page.get_by_role("dialog")).to_contain_text("g a minute")
    clean_in_both(page)
    page.keyboard.press("Escape")
    # light it
    page.get_by_role("button", name="Light it").click()
    page.get_by_label("Call it").fill("Test basundi")
    clean_in_both(page)
    page.get_by_role("button", name="The flame is on").click()
    expect(page.get_by_role("heading", name="Test basundi")).to_be_visible()
    page.get_by_role("button", name=re.compile("First boil")).last.click()
    expect(page.get_by_text("minutes to the stop").filter(visible=True).first).to_be_visible()
    clean_in_both(page)
    page.locator("button.depth.expected").click()
    expect(page.get_by_label("What happened")).to_contain_text("thought")
    # everything is on the server: a reload goes on where it was
    page.reload()
    expect(page.get_by_label("What happened")).to_contain_text("first boil")
    page.get_by_role("button", name=re.compile("Take it off")).last.click()
    page.get_by_role("button", name="Weigh it").first.click()
    page.get_by_label("weight, g").fill("900")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_be_hidden()
    page.goto(kitchen_url + "/book")
    clean_in_both(page)
    page.get_by_role("link", name=re.compile("Test basundi")).click()
    expect(page.get_by_label("Told and got")).to_contain_text("900 g")
    page.get_by_role("button", name="too thick").click()
    expect(page.get_by_text("leans on it")).to_be_visible()
    page.get_by_label("A note").fill("soft and even")
    page.get_by_role("button", name=re.compile("Write it down ?: Notes")).click()
    expect(page.get_by_text("soft and even")).to_be_visible()
    clean_in_both(page)


def test_words_by_keyboard_and_errors_keep_what_was_typed(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/bench?pan=1")
    amount = page.get_by_role("button", name="how much milk:")
    amount.focus()
    page.keyboard.press("Enter")
    field = page.get_by_role("textbox", name="how much milk")
    expect(field).to_be_focused()
    field.fill("two buckets")
    expect(page.get_by_role("alert").first).to_contain_text("buckets")
    expect(field).to_have_value("two buckets")
    page.keyboard.press("Escape")
    expect(amount).to_contain_text("2.4 L")
    amount.press("Enter")
    field.fill("1.5 L")
    page.keyboard.press("Tab")
    expect(page.get_by_role("button", name="which milk:")).to_be_focused()
    expect(page).to_have_url(re.compile("amount=1.5"))
    page.go_back()
    expect(amount).to_contain_text("2.4 L")
    # the stop by arrow keys
    knob = page.get_by_role("slider", name="Level to stop at")
    expect(knob).to_have_attribute("aria-valuenow", "4.3")
    knob.focus()
    page.keyboard.press("Shift+ArrowDown")
    expect(knob).to_have_attribute("aria-valuenow", "3.8")


def test_two_tabs_keep_in_step_and_the_night_kitchen(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/stove/5")
    other = page.context.new_page()
    other.goto(kitchen_url + "/stove/5")
    expect(other.get_by_text("minutes to the stop").first).to_be_visible()
    page.get_by_role("button", name="Sugar in").first.click()
    expect(other.get_by_label("What happened")).to_contain_text("sugar in")
    page.keyboard.press("u")
    expect(other.get_by_label("What happened")).to_contain_text("undone")
    page.keyboard.press("n")
    clean(page)
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_contain_text("stirred, or scraped")


def test_larder_takes_a_milk_and_a_pan_and_plans_with_them(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/larder")
    clean(page)
    page.get_by_role("button", name="Add a milk").click()
    page.get_by_role("textbox", name="Call it").fill("morning milk")
    page.get_by_role("textbox", name="Fat, g per 100 g").fill("40")
    page.get_by_role("textbox", name="SNF (solids not fat), g per 100 g").fill("8.8")
    page.get_by_role("button", name="Put it in the larder").click()
    expect(page.get_by_role("alert")).to_contain_text("not a milk")
    page.get_by_role("textbox", name="Fat, g per 100 g").fill("4.4")
    page.get_by_role("button", name="Put it in the larder").click()
    expect(page.get_by_role("rowheader", name="morning milk")).to_be_visible()
    page.get_by_role("button", name="Add a pan").click()
    clean(page)
    page.get_by_role("textbox", name="Call it").fill("the small pot")
    page.get_by_role("textbox", name="Width inside, cm").fill("20")
    page.get_by_role("textbox", name="Height inside, cm").fill("12")
    expect(page.get_by_text("holds 3.77 L to the brim")).to_be_visible()
    page.get_by_role("button", name="Hang it up").click()
    expect(page.get_by_role("button", name="the small pot")).to_be_visible()
    page.get_by_label("a cup, ml").fill("180")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text("Kept", exact=True).last).to_be_visible()
    page.goto(kitchen_url + "/bench?amount=5+cups&milk=4&pan=4&burner=2")
    expect(page.locator(".sentence").first).to_contain_text("morning milk in the small pot")
    expect(page.locator("p.answer")).to_contain_text("cm deep")
