"""The Stove in Chromium: two pans at once by key and touch, instruments beside them, no network for a while."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, clean, later
from tests.web.test_instruments import ask, instruments


def at_the_first_pan(page: Page, kitchen_url: str) -> Page:
    page.goto(kitchen_url + "/stove/5")
    expect(page.get_by_text("minutes to the stop").first).to_be_visible()
    return page


@pytest.fixture
def stove(page: Page, kitchen_url: str) -> Page:
    return at_the_first_pan(page, kitchen_url)


def log(page: Page):
    return page.get_by_role("list", name="What happened")


@BOTH
def test_two_pans_at_once(stove: Page, kitchen_url: str):
    page, desk = stove, stove.viewport_size["width"] > 900
    clean(page)
    expect(page.get_by_role("region", name="Burners").get_by_role("link")).to_have_count(
        4
    )  # two pans, the curd that hangs, and the kulfi that freezes
    pans = page.locator(".pan-now:visible")
    expect(pans).to_have_count(2 if desk else 1)
    # nobody stirred lately: it says so, is put off by key, and the title counts down to what comes
    hands = [x for x in ask(kitchen_url + "/api/batches/5")["log"] if x["text"] in ("stirred", "scraped the sides")]
    for line in hands[:3]:
        undo = {"event": {"kind": "undo", "event_id": line["event_id"]}}
        ask(kitchen_url + "/api/batches/5/events", undo)
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text("now")
    while "Let it simmer" not in now.inner_text():
        page.keyboard.press("l")
        page.wait_for_timeout(500)
    expect(log(page)).to_contain_text("put off")
    expect(page).to_have_title(re.compile(r"^\d+:\d\d "))
    page.keyboard.press("s")
    expect(log(page).locator("li").first).to_contain_text("stirred")
    # the other pan by key; what is said goes to the one that is chosen
    page.keyboard.press("ArrowRight")
    expect(page).to_have_url(re.compile("/stove/6"))
    expect(page.locator(".heading").first).to_contain_text("straight pot" if desk else "How deep")
    page.get_by_role("button", name="strong", exact=True).click()
    expect(log(page)).to_contain_text("strong flame")
    page.keyboard.press("u")
    expect(log(page)).to_contain_text("strong flame, undone")
    page.get_by_role("button", name="By the spoon").click()
    page.locator("button.spoon.expected").click()
    expect(log(page)).to_contain_text("on the spoon it")
    page.keyboard.press("ArrowLeft")
    expect(page).to_have_url(re.compile("/stove/5"))
    expect(log(page)).not_to_contain_text("on the spoon it")
    # a change of mind, and taking it back from the whole log
    page.get_by_role("button", name="Change…").click()
    dialog = page.get_by_role("dialog")
    clean(page)
    dialog.get_by_role("button", name="add milk").click()
    dialog.get_by_role("textbox").fill("300 ml")
    dialog.get_by_role("button", name=re.compile("Add|Keep|Change|Do")).last.click()
    expect(log(page)).to_contain_text("of milk added")
    page.get_by_role("button", name="All, or one forgotten").click()
    clean(page)
    line = page.get_by_role("dialog").get_by_role("listitem").filter(has_text="of milk added")
    line.get_by_role("button").click()
    expect(line).to_contain_text("bring back")
    expect(log(page)).to_contain_text("of milk added, undone")


def test_ten_minutes_without_network(browser, browser_context_args, kitchen_url: str, clock):
    """What is said waits here, goes in order once the network is back, each thing once, at the time it happened."""
    context = browser.new_context(**browser_context_args)
    page = context.new_page()
    page.clock.install()
    at_the_first_pan(page, kitchen_url)
    before = ask(kitchen_url + "/api/batches/5")
    context.set_offline(True)
    strip = page.get_by_role("region", name="Burners")
    for number, key in enumerate(("s", "c", "s"), 1):
        page.keyboard.press(key)
        # it is kept, with its time; what was missed meanwhile may wait beside it
        expect(strip).to_contain_text(re.compile(rf"[{number}-9] happening"))
        clock.now += 200
        page.clock.fast_forward(200_000)
    expect(page.get_by_role("region", name="Burners")).to_contain_text("happenings wait")
    assert ask(kitchen_url + "/api/batches/5")["log"] == before["log"]
    context.set_offline(False)
    page.clock.fast_forward(4_000)
    expect(page.get_by_role("region", name="Burners")).not_to_contain_text("wait")
    fresh = [x for x in ask(kitchen_url + "/api/batches/5")["log"] if x not in before["log"]]
    # beside what was said stand the nudges that nobody answered meanwhile
    first, second, third = (x for x in reversed(fresh) if x["kind"] in ("stirred", "scraped"))
    assert [x["kind"] for x in (first, second, third)] == ["stirred", "scraped", "stirred"]
    for earlier, after in ((first, second), (second, third)):
        assert after["at_s"] - earlier["at_s"] == pytest.approx(200, abs=20)
    context.close()


def test_a_wrong_clock_and_another_time_zone_do_no_harm(browser, kitchen_url: str):
    """A tablet three hours fast, in another zone, and the server's own time in between."""
    here = browser.new_context(timezone_id="America/Lima")
    here.add_init_script("const now = Date.now; Date.now = () => now() + 10_800_000")
    page, other = here.new_page(), browser.new_context(timezone_id="Asia/Kolkata").new_page()
    for each in (page, other):
        each.goto(kitchen_url + "/stove/6")
        expect(each.get_by_text("minutes to the stop").first).to_be_visible()
    figures = [int(each.locator(".huge:visible").first.inner_text()) for each in (page, other)]
    assert abs(figures[0] - figures[1]) <= 1
    here.set_offline(True)
    page.keyboard.press("s")
    page.wait_for_timeout(3000)
    here.set_offline(False)
    expect(other.get_by_label("What happened").locator("li").first).to_contain_text("stirred")
    now = ask(kitchen_url + "/api/batches/6")
    assert 2 < now["now_s"] - now["log"][0]["at_s"] < 60
    here.close()
    other.context.close()


def test_instruments_stand_beside_the_pan(stove: Page, kitchen_url: str, clock):
    page = stove
    with instruments() as (device, process):
        page.get_by_role("button", name="Instruments", exact=True).click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("textbox", name="Address").fill("nowhere.example.invalid")
        dialog.get_by_role("button", name="Pair them").click()
        expect(dialog.get_by_role("alert")).to_contain_text("There is no")
        dialog.get_by_role("textbox", name="Address").fill(device)
        clean(page)
        dialog.get_by_role("button", name="Pair them").click()
        shown = page.get_by_role("region", name="Instruments")
        expect(shown).to_contain_text("every second")
        expect(shown.get_by_role("listitem").first).to_contain_text("kg")
        expect(log(page)).to_contain_text("kitchen scale")
        clean(page)
        process.kill()
        later(page, clock, 15)
        expect(shown).to_contain_text("silent for", timeout=40_000)
    shown.get_by_role("button", name="let it go").click()
    expect(page.get_by_role("region", name="Instruments")).to_have_count(0)
    page.goto(kitchen_url + "/book/5")
    expect(page.get_by_role("img", name=re.compile("kitchen scale: .* samples"))).to_be_visible()
    with page.expect_download() as saved:
        page.get_by_role("link", name="save as CSV").click()
    page.get_by_label("bring in a CSV").set_input_files(saved.value.path())
    expect(page.get_by_role("status")).to_contain_text("here already")
    clean(page)


@BOTH
def test_across_the_room_one_sentence_and_one_figure(page: Page, kitchen_url: str, clock):
    """A second screen: what is due first over everything, large; and it follows when it is done elsewhere."""
    page.goto(kitchen_url + "/stove")
    page.get_by_role("link", name="across the room").click()
    act = page.locator("p.act")
    expect(act).to_contain_text(re.compile(r"\w+\."))
    expect(page.locator("p.figure")).to_contain_text(re.compile(r"\d"))
    large = page.locator("p.figure").evaluate("(e) => parseFloat(getComputedStyle(e).fontSize)")
    assert large >= 88
    clean(page)
    later(page, clock, 400)
    expect(page.locator(".due")).to_have_count(1)
    who = page.locator("p.who").inner_text()
    said = act.inner_text()
    stove = ask(f"{kitchen_url}/api/stove")["batches"]
    batch = next(b for b in stove if b["name"] == who)
    nudge = next(n for n in batch["nudges"] if n["act"] == said)
    answer = {"stirred": {"kind": "stirred"}, "scraped": {"kind": "scraped"}}.get(
        nudge["answer"],
        {"kind": "snoozed", "nudge": nudge["key"], "episode": nudge["episode"], "seconds": 600},
    )
    ask(f"{kitchen_url}/api/batches/{batch['id']}/events", {"event": answer})
    shown = "() => document.querySelector('p.who').innerText + document.querySelector('p.act').innerText"
    page.wait_for_function(f"was => ({shown})() !== was", arg=who + said, timeout=20_000)
