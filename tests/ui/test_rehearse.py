"""Rehearsals in Chromium: a pan from the Bench, a lesson of curdling and one of two pans, each to its account."""

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
    dialog.get_by_role("button", name="Begin it").click()
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
    expect(page.get_by_role("img", name=re.compile("your run of"))).to_be_visible()
    clean_in_both(page)
    page.goto(kitchen_url + "/stove/rehearse")
    expect(page.get_by_role("region", name="Rehearsals so far")).to_contain_text("seed 12")
    clean_in_both(page)


@WALK
def test_a_lesson_of_curdling_to_its_account(page: Page, kitchen_url: str, size: str):
    page.goto(kitchen_url + "/stove/rehearse")
    page.get_by_role("button", name=re.compile("Lemon: when to stop pouring")).click()
    tray = page.get_by_role("region", name="The lesson")
    expect(tray).to_contain_text("when to stop pouring")
    clean_in_both(page)
    tray.get_by_role("button", name="Begin it").click()
    clock = page.get_by_role("group", name="How fast time runs")
    clock.get_by_role("button", name="hold", exact=True).click()
    sees = page.get_by_label("What you see")
    pour = page.get_by_role("button", name=re.compile("^Pour lemon juice"))
    more = page.get_by_role("button", name="more: Pour lemon juice, thinned")
    for _ in range(4):
        more.click()
    expect(pour).to_contain_text("45 ml")
    expect(page.get_by_role("button", name="Pour it into the cloth")).to_have_count(0)
    for grains in ("white and smooth", "still milky", "cloudy whey", "clear and greenish"):
        for _ in range(4):
            if grains in sees.inner_text():
                break
            pour.click()
            expect(pour).to_be_enabled()
            clock.get_by_role("button", name=re.compile("to the next thing")).click()
            expect(pour).to_be_enabled()
    expect(sees).to_contain_text("clear and greenish")
    clean_in_both(page)
    page.get_by_role("button", name="Pour it into the cloth").click()
    expect(page.get_by_role("heading", name="What cost what")).to_be_visible(timeout=60_000)
    expect(page.get_by_label("What it came to")).to_contain_text("chhena")
    expect(page.get_by_role("heading", name="What a good hand does")).to_be_visible()
    slider = page.get_by_role("slider", name="minute")
    practised = page.get_by_role("img", name=re.compile("^practised hands: "))
    there = practised.get_attribute("aria-label")
    slider.fill("0")
    expect(practised).not_to_have_attribute("aria-label", there or "")
    clean_in_both(page)
    page.get_by_role("button", name="Once more").click()
    expect(pour).to_be_visible()
    page.goto(kitchen_url + "/stove/rehearse")
    cell = page.get_by_role("button", name=re.compile("Lemon: when to stop pouring"))
    expect(cell).to_contain_text("best")


@WALK
def test_a_lesson_of_two_pans_to_its_account(page: Page, kitchen_url: str, size: str):
    page.goto(kitchen_url + "/stove/rehearse")
    page.get_by_role("button", name=re.compile("Two pans, one pair of hands")).click()
    page.get_by_role("region", name="The lesson").get_by_role("button", name="Begin it").click()
    wide, thin = page.get_by_role("region", name="wide pan"), page.get_by_role("region", name="thin pot")
    wide.get_by_role("button", name="strong").click()
    thin.get_by_role("button", name="medium").click()  # once the hands are free of the other
    clock = page.get_by_role("group", name="How fast time runs")
    expect(wide.get_by_role("button", name="Stir")).to_be_enabled()
    clock.get_by_role("button", name="hold", exact=True).click()
    wide.get_by_role("button", name="Stir").click()
    expect(thin).to_contain_text("Your hands are elsewhere for 10 s.")
    expect(thin.get_by_role("button", name="Stir")).to_be_disabled()
    clean_in_both(page)
    page.reload()
    expect(wide.get_by_role("button", name="strong")).to_have_attribute("aria-pressed", "true")
    warm = re.compile("Steam|boil|rolls|edge")
    for _ in range(25):
        with page.expect_response(lambda answer: answer.url.endswith("/jump")):
            page.keyboard.press("j")
        if warm.search(thin.inner_text()):
            break
    expect(thin.get_by_label("What you see")).to_contain_text(warm)
    wide.get_by_role("button", name="Take it off").click()
    expect(wide).to_contain_text("Done.")
    thin.get_by_role("button", name="Take it off").click()
    expect(page.get_by_role("heading", name="What cost what")).to_be_visible(timeout=60_000)
    expect(page.get_by_role("table")).to_contain_text("left alone")
    page.get_by_role("group", name="Which vessel").get_by_role("button", name="thin pot").click()
    expect(page.get_by_role("img", name=re.compile("^in the pan: your run of"))).to_be_visible()
    clean_in_both(page)


@WALK
def test_an_evening_of_the_book_and_a_plan_of_another_bench(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/bench/strain")
    page.get_by_role("button", name="or rehearse it").click()
    page.get_by_role("dialog").get_by_role("button", name="Begin it").click()
    page.get_by_role("button", name="Hang it up").click()
    expect(page.get_by_label("What you see")).to_contain_text("slides off a spoon")
    clock, hours = page.get_by_role("group", name="How fast time runs"), re.compile(r"\d h \d+ min")
    for _ in range(8):
        with page.expect_response(lambda answer: answer.url.endswith("/jump")):
            page.keyboard.press("j")
        if hours.search(clock.inner_text()):
            break
    expect(clock).to_contain_text(hours)
    clean_in_both(page)


def test_the_book_proposes_a_lesson_and_gives_its_evening_back(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/stove/rehearse")
    tray = page.get_by_role("region", name="The lesson")
    expect(tray).to_contain_text("you wrote")
    clean_in_both(page)
    page.goto(kitchen_url + "/book?kind=curdle")
    page.get_by_role("link", name=re.compile("Chhena")).first.click()
    page.get_by_role("button", name="that evening again, without milk").click()
    expect(page.get_by_role("region", name="The rehearsal")).to_contain_text("again")
    expect(page.get_by_role("group", name="Flame")).to_be_visible()
