"""The Day in Chromium, wide and narrow: three days, from the sentence to the Stove."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, SIZES, WALK, clean_in_both, later, pick, write
from tests.ui.test_everything import ask, off_all


def told(page: Page):
    return page.get_by_label("The day", exact=True).get_by_role("status")


def bars(page: Page) -> set[str]:
    """Whose bars are drawn; when they stand may change while a calmer plan is looked for."""
    titles = page.locator("g > title").evaluate_all("all => all.map((one) => one.textContent)")
    return {re.split("[,:]", title.strip())[0] for title in titles}


@WALK
def test_a_supper_of_four_from_its_sentence_to_its_stove(page: Page, kitchen_url: str, clock, size: str):
    page.set_viewport_size(SIZES[size])
    off_all(kitchen_url)
    page.goto(kitchen_url + "/bench")
    page.get_by_role("navigation", name="Stations").get_by_role("link", name="Day").click()
    expect(told(page)).to_contain_text("On time")
    expect(told(page)).to_contain_text(re.compile(r"1[5-9] of 20 times|20 of 20 times"))
    clean_in_both(page)
    # another amount, other hands: worked out anew, and the words stay on every screen
    write(page, "how many people", "16")
    pick(page, "how many burners", "two burners")
    expect(page.get_by_role("button", name="how many burners: two burners")).to_be_visible()
    expect(page.get_by_text("jetty burner")).to_have_count(0)
    expect(told(page)).to_contain_text("On time")
    page.get_by_role("button", name=re.compile("leave it out.*kulfi")).click()
    expect(page.get_by_label("The day", exact=True)).to_contain_text("three sweets")
    expect(told(page)).to_contain_text("On time")
    acts = page.get_by_label("What is done when")
    expect(acts).to_contain_text("Acid in, a little at a time")
    expect(page.get_by_label("The evening before")).to_contain_text("of white sugar")
    # upright on a phone, lying at a desk; the same bars in either
    upright = page.get_by_role("img", name=re.compile("^The day, time running down"))
    expect(upright).to_have_count(1 if size == "phone" else 0)
    expect(page.locator("g > title").filter(has_text="kulfi")).to_have_count(0)
    drawn = bars(page)
    assert len(drawn) == 3
    page.set_viewport_size(SIZES["desk" if size == "phone" else "phone"])
    expect(upright).to_have_count(0 if size == "phone" else 1)
    assert bars(page) == drawn
    page.set_viewport_size(SIZES[size])
    begin = page.get_by_role("button", name="Begin the day")
    begin.click()
    dialog = page.get_by_role("dialog", name="Before you begin")
    dialog.get_by_role("textbox", name="Call it").fill("Regatta supper")
    dialog.get_by_role("button", name="Begin the day").click()
    expect(page).to_have_url(re.compile(r"/day/\d+$"))
    number = int(page.url.rsplit("/", 1)[1])
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text("Regatta supper")
    clean_in_both(page)

    # its hour comes, and it takes longer: what comes of it is told, then followed
    day = ask(f"{kitchen_url}/api/days/{number}")
    first = day["plan"]["tasks"][0]
    later(page, clock, first["start_s"] - clock.now + 120)
    expect(now).to_contain_text("now")
    now.get_by_role("button", name="20 min").click()
    comes = page.get_by_label("What comes of it")
    expect(comes).to_contain_text(re.compile("acts? begins? at another time|nothing else moves"))
    clean_in_both(page)
    with page.expect_response("**/slip"):
        comes.get_by_role("button", name="Push it all").click()
    expect(comes).to_have_count(0)
    after = ask(f"{kitchen_url}/api/days/{number}")
    assert after["version"] == 2 and after["plan"]["tasks"] != day["plan"]["tasks"]
    changed = page.get_by_label("What was changed")
    expect(changed).to_contain_text("20 minutes longer: all of it was pushed.")

    # the network is gone: it is pushed here, and the server hears of it when it is back
    page.context.set_offline(True)
    now.get_by_role("button", name="40 min").click()
    expect(comes).to_contain_text("Worked out here")
    comes.get_by_role("button", name="Push it all").click()
    expect(page.get_by_text("Pushed here, and not on the server yet")).to_be_visible()
    assert ask(f"{kitchen_url}/api/days/{number}")["version"] == 2
    page.context.set_offline(False)
    expect(page.get_by_text("Pushed here, and not on the server yet")).to_have_count(0)
    expect(changed.get_by_role("listitem")).to_have_count(2)
    assert ask(f"{kitchen_url}/api/days/{number}")["version"] == 3

    # the act is the act of its making on the Stove; what is done there is ticked here
    now.get_by_role("link", name="Go to it").click()
    expect(page).to_have_url(re.compile(r"/stove/sweet/\d+$"))
    page.get_by_role("button", name=re.compile("^Begin it")).first.click()
    expect(page.locator(".now .verb .plate")).to_contain_text("Done")
    page.locator(".now .verb .plate").click()
    expect(page.locator(".steps .done")).not_to_have_count(0)
    page.go_back()
    expect(page.locator("tr.done")).not_to_have_count(0)
    page.get_by_role("link", name="Again, another day.").click()
    expect(page.get_by_role("button", name="how many people: 16 people")).to_be_visible()
    expect(page.get_by_role("link", name="Regatta supper", exact=True)).to_be_visible()


BARS = re.compile("Arrows move it")
CALMEST = re.compile("The calmest found so far|There is no calmer plan")


def rested(page: Page):
    """Nothing better is looked for any more."""
    expect(page.get_by_text(CALMEST)).to_be_visible(timeout=20_000)


@BOTH  # by drag and keys, or from the list
def test_a_step_is_put_elsewhere_taken_back_and_a_roomier_day_laid_beside(page: Page, kitchen_url: str, size: str):
    page.set_viewport_size(SIZES[size])
    page.goto(kitchen_url + "/day?sweets=sweet%3Dbasundi%7Csweet%3Dcarrot-halwa&serve=tomorrow+19%3A30")
    expect(told(page)).to_contain_text("On time")
    rested(page)
    acts = page.get_by_label("What is done when")
    before = acts.locator("th[scope=row]").all_inner_texts()
    by_hand = page.get_by_label("Moved by hand")
    if size == "phone":
        acts.get_by_role("button", name=re.compile("Milk on .* to the first boil")).first.click()
        acts.get_by_role("button", name="30 min earlier").click()
    else:
        bar = page.get_by_role("button", name=BARS).filter(has_text="basundi").first
        at = bar.bounding_box()
        page.mouse.move(at["x"] + 9, at["y"] + at["height"] - 6)
        page.mouse.down()
        page.mouse.move(at["x"] - 40, at["y"] + at["height"] - 6, steps=4)
        expect(page.locator(".ghost text")).to_have_text(re.compile(r"\d\d:\d[05]"))
        page.mouse.up()
    expect(by_hand).to_contain_text(re.compile("steps? moved"))
    expect(acts.get_by_text("held here").first).to_be_visible()
    expect(acts.get_by_text(re.compile(r"was \d\d:\d\d")).first).to_be_visible()
    expect(told(page)).to_contain_text("On time")
    clean_in_both(page)
    if size != "phone":  # by keys: to the burner below
        bar = page.get_by_role("button", name=BARS).filter(has_text="basundi").first
        hob = re.search(r", ([^,]*): ", bar.get_attribute("aria-label")).group(1)
        bar.focus()
        page.keyboard.press("ArrowDown" if "left" in hob else "ArrowUp")
        expect(by_hand.get_by_role("button", name="Let the basundi go")).to_be_visible()
        expect(bar).not_to_have_attribute("aria-label", re.compile(hob))
        by_hand.get_by_role("button", name="Take it back").click()
    held = acts.get_by_text("held here").count()
    by_hand.get_by_role("button", name="Let the basundi go").click()
    expect(acts.get_by_text("held here")).to_have_count(0)
    by_hand.get_by_role("button", name="Take it back").click()
    expect(acts.get_by_text("held here")).to_have_count(held)
    by_hand.get_by_role("button", name="Take it back").click()
    expect(by_hand).to_have_count(0)
    assert acts.locator("th[scope=row]").all_inner_texts() == before
    # both paces beside each other; the roomy one is taken, and stands in the sentence
    paces = page.get_by_label("Close or roomy")
    paces.get_by_role("button", name="Lay a roomier plan beside it").click()
    expect(paces.get_by_role("article")).to_have_count(2)
    expect(paces.get_by_role("article").last).to_contain_text(re.compile("Roomy.*on your feet", re.DOTALL))
    clean_in_both(page)
    paces.get_by_role("button", name="Take the roomy one").click()
    expect(page).to_have_url(re.compile("pace=roomy"))
    expect(page.get_by_role("button", name="how much room is left: more, with room at each")).to_be_visible()
    expect(paces.get_by_role("article").first.get_by_role("button", name="Take the close one")).to_be_visible()


@WALK
def test_a_day_that_cannot_fit_says_why_and_is_cured_with_a_touch(page: Page, kitchen_url: str, size: str):
    page.set_viewport_size(SIZES[size])
    page.goto(kitchen_url + "/day?sweets=sweet%3Dkalakand%7Csweet%3Dbasundi&serve=in+4+hours&people=20")
    expect(told(page)).to_contain_text("It does not fit.")
    expect(told(page)).to_contain_text("Kalakand needs")
    helps = page.get_by_label("What would help")
    cure = helps.get_by_role("button", name="Without the kalakand")
    expect(cure).to_be_visible(timeout=120_000)
    expect(helps).to_contain_text("then all is on time")
    clean_in_both(page)
    cure.click()
    expect(told(page)).to_contain_text("On time")
    expect(helps).to_have_count(0)
    expect(page.get_by_label("The day", exact=True)).to_contain_text("one sweet")


def test_a_feast_of_ten_has_each_sweet_in_its_own_words(page: Page, kitchen_url: str):
    sweets = [
        "kulfi",
        "basundi",
        "rabri",
        "kalakand",
        "peda",
        "sponge-balls",
        "carrot-halwa",
        "condensed-milk",
        "burfi",
        "kheer",
    ]
    asked = "%7C".join(f"sweet%3D{key}" for key in sweets)
    page.goto(f"{kitchen_url}/day?sweets={asked}&serve=in+2+days&people=12")
    expect(page.get_by_label("The day", exact=True)).to_contain_text("ten sweets")
    expect(told(page)).to_contain_text(re.compile("On time|does not fit"), timeout=30_000)
    served = page.get_by_label("The sweets")
    expect(served.get_by_role("listitem")).to_have_count(11)
    pick(page, "sweet 3", "shrikhand")
    expect(served).to_contain_text("shrikhand")
    write(page, "how much of the shrikhand", "700 g")
    page.get_by_role("button", name="when the shrikhand is eaten:").click()
    hour = page.get_by_role("textbox", name="when the shrikhand is eaten")
    hour.fill("soon")
    expect(page.get_by_role("alert").first).to_contain_text("“soon” is no time")
    hour.press("Escape")
    show = served.get_by_role("button", name=re.compile("show it.*kulfi"))
    show.click()
    expect(show).to_have_attribute("aria-pressed", "true")
    expect(page.locator("tr.other").first).to_be_visible()
    page.get_by_role("link", name=re.compile("its sentence.*shrikhand")).click()
    expect(page).to_have_url(re.compile(r"/sweets\?.*sweet=shrikhand"))


@pytest.mark.parametrize("word", ["when it is served", "when you sleep", "how early you may begin"])
def test_a_word_that_cannot_be_read_is_said_and_kept(page: Page, kitchen_url: str, word: str):
    page.goto(kitchen_url + "/day")
    expect(told(page)).to_contain_text("On time")
    page.get_by_role("button", name=f"{word}:").click()
    field = page.get_by_role("textbox", name=word)
    field.fill("by and by")
    expect(page.get_by_role("alert").first).to_contain_text("“by and by”")
    expect(field).to_have_value("by and by")
    expect(page.get_by_role("button", name="Begin the day")).to_have_count(0)
    field.press("Escape")
    expect(told(page)).to_contain_text("On time")
