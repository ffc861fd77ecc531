"""What went wrong, in Chromium: from the log to the changed next plan; without a batch; on a phone."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, SIZES, WALK, clean, clean_in_both
from tests.web.test_instruments import ask

RABRI = 3
"""The boathouse's rabri that stayed on too long."""


@WALK
def test_from_the_log_to_the_next_plan(page: Page, kitchen_url: str, size: str):
    page.goto(f"{kitchen_url}/book/{RABRI}")
    page.get_by_role("button", name="too thick", exact=True).click()
    expect(page.get_by_role("button", name="too thick", exact=True)).to_have_attribute("aria-pressed", "true")
    page.get_by_role("link", name="What went wrong?").click()  # what was judged is known to be wrong
    sentence = page.get_by_role("region", name="What went wrong")
    expect(sentence).to_contain_text("Rabri, first try")
    expect(sentence).to_contain_text("Most likely it was reduced past its weight")
    why = page.get_by_role("region", name="Why").get_by_role("listitem")
    expect(why.first).to_contain_text("under the weight told")
    expect(why.first.get_by_role("img")).to_have_attribute("aria-label", re.compile("of 5"))
    expect(page.get_by_label("The record")).to_contain_text("gave 742 g")
    expect(page.get_by_label("What to ask and to do")).to_contain_text("of milk, warm, a spoon at a time")
    clean_in_both(page)
    page.set_viewport_size(SIZES["desk"])  # a thread from the scale to the cause it speaks for
    expect(page.locator(".threads path.first")).to_have_count(1)
    page.set_viewport_size(SIZES[size])
    page.get_by_role("button", name="Done: write it down").click()
    expect(page.get_by_role("button", name="Written down")).to_be_disabled()
    assert "65 ml of milk" in ask(f"{kitchen_url}/api/batches/{RABRI}")["log"][0]["text"]
    # the cook knows better: it stood in the pan
    stood = why.filter(has_text="It stayed in the hot pan")
    stood.get_by_role("button", name=re.compile("That was it")).click()
    expect(stood.get_by_role("button")).to_have_attribute("aria-pressed", "true")
    expect(sentence).to_contain_text("You found that it stayed in the hot pan after the flame")
    page.get_by_role("button", name="Use this next time").click()
    expect(page.get_by_role("button", name="Kept for the next time")).to_be_disabled()
    assert ask(f"{kitchen_url}/api/batches/{RABRI}")["log"][0]["kind"] == "fault_found"
    # the Book marks it, and finds it by that
    page.get_by_role("link", name="all batches").click()
    page.get_by_role("navigation", name="Which of them").get_by_role("link", name="went wrong").click()
    lines = page.get_by_role("region", name="Batches").get_by_role("listitem")
    expect(lines).to_have_count(3)  # with the two that the boathouse owned up to
    expect(lines.filter(has_text="Rabri, first try")).to_contain_text("Too thick once it is cold")
    expect(page.get_by_role("heading", name=re.compile(r"^[A-Z][a-z]+ \d{4}$"))).to_have_count(1)
    clean_in_both(page)
    page.get_by_role("link", name="hung curd", exact=True).click()
    expect(lines).to_contain_text("Hung curd for shrikhand")
    expect(page).to_have_url(re.compile("only=strain"))
    # the next plan of its like says so, and lets it go as easily
    page.get_by_role("link", name="Bench").first.click()
    said = page.get_by_label("From the last time")
    expect(said).to_contain_text("This time: pour it out within three minutes.")
    expect(said).to_contain_text("Rabri, first try")
    clean_in_both(page)
    said.get_by_role("button", name="No longer").click()
    expect(said).to_have_count(0)
    page.reload()
    expect(page.locator("p.answer")).to_contain_text("Stop when")
    expect(said).to_have_count(0)


@WALK
def test_what_is_done_next_time_is_put_in_the_sentence_and_taken_back(page: Page, kitchen_url: str, size: str):
    page.set_viewport_size(SIZES[size])
    ask(
        f"{kitchen_url}/api/batches/{RABRI}/events",
        {
            "event": {
                "kind": "fault_found",
                "fault": "split-in-pan",
                "cause": "hard-boil",
                "answers": {},
                "next_time": True,
            }
        },
    )
    page.goto(kitchen_url + "/bench")
    said = page.get_by_label("From the last time")
    expect(said).to_contain_text("This time: a gentler flame after the first boil.")
    sentence = page.locator(".sentence").first
    expect(sentence).to_contain_text("a medium flame")
    off = page.locator("p.answer").inner_text()
    said.get_by_role("button", name="Put it in the sentence").click()
    expect(sentence).to_contain_text("a gentle flame")
    expect(page).to_have_url(re.compile("flame=gentle"))
    expect(said).to_contain_text("it stands in the sentence")
    expect(page.locator("p.answer")).not_to_have_text(off)
    clean(page)
    said.get_by_role("button", name="Take it back").click()
    expect(sentence).to_contain_text("a medium flame")
    expect(page.locator("p.answer")).to_have_text(off)
    # the stop of this plan, whatever its amount, as the weight that the pan then holds
    found = {"kind": "fault_found", "fault": "too-thick-cold", "cause": "over", "answers": {}, "next_time": True}
    ask(f"{kitchen_url}/api/batches/{RABRI}/events", {"event": found})
    page.goto(kitchen_url + "/bench?amount=2 L&stop=a third of its volume&sugar=60 g")
    put = said.get_by_role("button", name=re.compile(r"^Put it in the sentence: \d+ g$"))
    grams = put.inner_text().removeprefix("Put it in the sentence: ")
    expect(sentence).to_contain_text("a third of its volume")
    off = page.locator("p.answer").inner_text()
    put.click()
    expect(sentence).to_contain_text(grams)
    expect(said).to_contain_text("it stands in the sentence")
    expect(page.locator("p.answer")).to_have_text(off)  # the same batch by another word
    clean_in_both(page)
    said.get_by_role("button", name="Take it back").click()
    expect(sentence).to_contain_text("a third of its volume")


@BOTH
def test_with_no_batch_at_all(page: Page, kitchen_url: str, size: str):
    page.goto(kitchen_url + "/book")
    page.get_by_role("link", name="What went wrong?").click()
    clean(page)
    page.get_by_role("button", name="sponge balls", exact=True).click()
    page.get_by_role("button", name=re.compile("^The balls break up")).click()
    tray = page.get_by_label("What to ask and to do")
    expect(tray).to_contain_text("How much water did the chhena hold?")
    wet = page.get_by_role("region", name="Why").get_by_role("listitem").first
    bowls = wet.get_by_role("img")
    expect(bowls).to_have_attribute("aria-label", "possible: 3 of 5")
    answer = tray.get_by_role("button", name="67 % or more")
    if size == "desk":
        answer.hover()
        expect(bowls).to_have_attribute("aria-label", "possible: 4.5 of 5")  # as it would be
    answer.click()
    expect(bowls).to_have_attribute("aria-label", "very likely: 4.5 of 5")
    expect(page).to_have_url(re.compile("said=chhena-water:67"))
    expect(page.get_by_role("region", name="What went wrong")).to_contain_text("Most likely the chhena was too wet")
    tray.get_by_role("button", name="I do not know").click()
    expect(page).to_have_url(re.compile("unknown=syrup-rolling"))
    expect(page.get_by_role("button", name="Use this next time")).to_have_count(0)  # there is nothing to keep it with
    clean(page)
    page.reload()
    expect(bowls).to_have_attribute("aria-label", "very likely: 4.5 of 5")
    page.get_by_role("button", name="Ask anew").click()
    expect(bowls).to_have_attribute("aria-label", "possible: 3 of 5")


def test_in_the_middle_of_the_work_and_what_is_not_to_be_eaten(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/stove/5")
    page.get_by_role("link", name="What went wrong?").click()
    page.get_by_role("button", name=re.compile("^The bottom scorched")).click()
    expect(page.get_by_role("region", name="Why")).to_contain_text("min without a stir, at the longest")
    page.get_by_role("button", name=re.compile("^what went wrong:")).click()
    page.get_by_role("button", name=re.compile("^It turned sour or mouldy early")).click()
    expect(page.get_by_role("alert")).to_have_text("Throw it away. Do not taste it.")
    clean(page)


def test_an_address_that_means_nothing_says_so(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/book/mend?of=4711&fault=haunted")
    expect(page.get_by_role("alert")).to_contain_text("There is no batch number 4711")
    clean(page)
