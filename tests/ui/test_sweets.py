"""Sweets in Chromium, wide and narrow: from the sentence to the weighing list, the Stove and the Book."""

import re
from urllib.parse import quote

import pytest
from playwright.sync_api import Page, expect

from tests.ui.hands import SETTLED, SIZES, WALK, clean, clean_in_both, pick, write


@pytest.fixture
def sweets(page: Page, kitchen_url: str) -> Page:
    """The Sweets station of the demo kitchen."""
    page.goto(kitchen_url + "/bench")
    page.get_by_role("link", name="Sweets").click()
    expect(page.locator(".told")).to_contain_text("Start with")
    return page


def grams(page: Page, name: str) -> float:
    row = page.get_by_label("Weigh it", exact=True).get_by_role("row", name=re.compile(name)).first
    return float(re.sub(r"[^\d.]", "", row.locator("td.n").inner_text()))


def begin(page: Page, called: str) -> None:
    page.get_by_label("The work").get_by_role("button", name="Begin it").click()
    dialog = page.get_by_role("dialog", name="Before you begin")
    dialog.get_by_role("textbox", name="Call it").fill(called)
    dialog.get_by_role("button", name="Begin it").click()
    expect(page).to_have_url(re.compile(r"/stove/sweet/\d+"))
    expect(page.get_by_label("What to do now")).to_contain_text(called)


STAYS = """() => {
  window.places = new Set()
  const look = () => {
    const plate = document.querySelector('[aria-label="Before you begin"] .plate')
    if (plate) { const { x, y } = plate.getBoundingClientRect(); window.places.add(`${Math.round(x)} ${Math.round(y)}`) }
    requestAnimationFrame(look)
  }
  look()
}"""


def test_a_dialogs_button_stays_under_the_finger(page: Page, kitchen_url: str):
    """One that grows as it comes up takes the touch that was meant for its button."""
    page.goto(kitchen_url + "/sweets")
    page.evaluate(STAYS)
    page.get_by_label("The work").get_by_role("button", name="Begin it").click()
    dialog = page.get_by_role("dialog", name="Before you begin")
    dialog.get_by_role("textbox", name="Call it").fill("Kulfi for the stroke")
    page.evaluate(SETTLED)
    assert page.evaluate("window.places.size") == 1


TOUCHED = """([x, y]) => document.elementFromPoint(x, y).closest('.n-popover') !== null"""


@pytest.mark.parametrize("opens", ["why that fast?", "how large a piece:"])
def test_what_is_closed_is_not_touched_while_it_fades(sweets: Page, opens: str):
    """It follows the page as it scrolls, and under a busy hand it came back beneath a finger that was already down."""
    page = sweets
    word = page.get_by_role("button", name=opens)
    word.click()
    shown = page.get_by_role("dialog")
    expect(shown).to_be_visible()
    box = shown.bounding_box()
    middle = [box["x"] + box["width"] / 2, box["y"] + box["height"] / 2]
    assert page.evaluate(TOUCHED, middle)
    page.keyboard.press("Escape")
    assert not page.evaluate(TOUCHED, middle)


def test_kulfi_of_the_fruit_there_is(page: Page, kitchen_url: str):
    """Its own name, water and acid; taken from the sentence when the way of making it has none."""
    page.goto(kitchen_url + "/sweets")
    pick(page, "how it is made", "with fruit cooked down")
    pick(page, "which fruit", "strawberry")
    expect(page).to_have_url(re.compile("fruit=strawberry"))
    expect(page.get_by_label("The work")).to_contain_text("splits the milk warm")
    expect(page.get_by_label("The plan")).to_contain_text("strawberry pulp")
    expect(page.locator("main")).to_contain_text("strawberry pulp")
    clean(page)
    pick(page, "how it is made", "from reduced milk and khoya")
    expect(page.get_by_role("button", name="which fruit:")).to_have_count(0)
    expect(page.get_by_label("The work").get_by_role("button", name="Begin it")).to_be_enabled()


@WALK
def test_when_to_begin_and_what_is_still_open_when_it_is_too_late(page: Page, kitchen_url: str, size: str):
    """It is half past one on a Friday."""
    page.goto(kitchen_url + "/sweets?sweet=rabri")
    plan = page.get_by_label("The plan")
    write(page, "when it is eaten", "Tomorrow 7 pm")
    expect(plan).to_contain_text(re.compile(r"begin by \d\d:\d\d tomorrow, to be sure by \d\d:\d\d tomorrow"))
    write(page, "when it is eaten", "supper")
    expect(plan.get_by_role("alert")).to_contain_text("“supper” is no time. Write 20:00, tomorrow 18:00")
    write(page, "when it is eaten", "in 1 hour")
    late = page.get_by_role("region", name="Too late")
    expect(late).to_contain_text("Too late for 14:30.")
    expect(plan).to_contain_text("it is too late for that")
    expect(late).to_contain_text("Quickest quickly, with soft cheese and powder")
    clean_in_both(page)
    # what it says may change, but nothing below it moves from under the finger meanwhile
    late.evaluate("(e) => { window.tall = []; new ResizeObserver(() => tall.push(e.offsetHeight)).observe(e) }")
    before = late.inner_text()
    write(page, "how many, or how much", "15")
    expect(late).not_to_have_text(before)
    page.wait_for_load_state("networkidle")
    assert len(set(page.evaluate("tall"))) == 1
    late.get_by_role("button", name="quickly, with soft cheese").click()
    expect(page).to_have_url(re.compile("school=quick"))
    page.goto(kitchen_url + "/sweets?eat=in+2+hours")
    expect(late).to_contain_text("too late as well")
    late.get_by_role("button", name="Eat it then").click()
    expect(late).to_have_count(0)
    expect(plan).to_contain_text("have the moulds in the freezer by")


def run_through(page: Page, steps: int) -> None:
    """Every step begun and done with the one large plate: where one follows the other, one press ends and begins."""
    plate, done = page.locator(".now .verb .plate"), page.locator(".steps .done")
    here = page.get_by_role("button", name="Begin it here")
    expect(plate).to_contain_text(re.compile("Begin it|Plan it"))
    before = done.count()
    for step in range(before, before + steps):
        if "Done" not in plate.inner_text():
            (here if "Plan it" in plate.inner_text() else plate).click()
        expect(plate).to_contain_text("Done")
        plate.click()
        expect(done).to_have_count(step + 1)
    expect(page.get_by_label("What to do now")).to_contain_text("All its steps are done")


def weigh_and_count(page: Page, weighs: str, count: str, many: str) -> None:
    page.get_by_role("textbox", name="The sweet weighs, g").fill(weighs)
    page.get_by_role("button", name="Weigh it").click()
    expect(page.get_by_label("What to do now")).to_contain_text("It is made")
    page.get_by_role("textbox", name=f"How many {many}").fill(count)
    page.get_by_role("button", name="Count them").click()
    expect(page.get_by_label("What happened")).to_contain_text(f"{count} {many}")


@WALK
def test_kulfi_from_the_sentence_to_the_book(sweets: Page, kitchen_url: str):
    page = sweets
    clean_in_both(page)
    pick(page, "how it is made", "from reduced milk and khoya")
    pick(page, "flavour", "fig and black pepper")
    write(page, "how many, or how much", "12")
    expect(page.locator(".told")).to_contain_text("12 sticks")
    expect(page).to_have_url(re.compile("flavour=fig-pepper"))
    before = grams(page, "milk")
    write(page, "how large a piece", "90 ml")
    expect(page.get_by_label("The moulds", exact=True)).to_contain_text("90")
    page.wait_for_load_state("networkidle")
    assert grams(page, "milk") > before * 1.2
    # the window is moved and says so; the freezer's knob slides by key
    edge = page.get_by_role("slider", name="most fat")
    edge.focus()
    for _ in range(9):
        page.keyboard.press("ArrowLeft")
    expect(page).to_have_url(re.compile("window=fat"))
    knob = page.get_by_role("slider", name="freezer, °C")
    knob.focus()
    page.keyboard.press("ArrowLeft")
    expect(page).to_have_url(re.compile("freezer=-1[79]"))
    page.get_by_role("button", name="why so hard?").click()
    expect(page.get_by_role("dialog")).to_contain_text("sucrose equivalents")
    clean_in_both(page)
    page.keyboard.press("Escape")
    # no khoya today: the list is written anew
    swap = page.get_by_role("region", name=re.compile("^No khoya"))
    expect(swap).to_contain_text("The closest")
    swap.get_by_role("button").first.click()
    expect(page).to_have_url(re.compile("change=mix.khoya-pindi"))
    expect(page.get_by_label("Weigh it", exact=True).get_by_role("row", name=re.compile("khoya"))).to_have_count(0)
    expect(page.get_by_label("Counted")).to_contain_text("for one, ₹")
    expect(page.get_by_label("Counted")).to_contain_text("Contains milk")
    begin(page, "Fig kulfi of the crew")
    clean_in_both(page)
    page.get_by_role("button", name=re.compile("white sugar")).click()
    page.get_by_role("textbox", name="white sugar, g").fill("101")
    page.get_by_role("button", name="It weighs that").click()
    expect(page.get_by_label("What happened")).to_contain_text("101 g of white sugar weighed")
    run_through(page, 5)
    weigh_and_count(page, "1130", "12", "sticks")
    expect(page.get_by_label("What to do now")).to_contain_text("never freeze it again")
    page.goto(kitchen_url + "/book")
    book = page.get_by_role("region", name="Batches")
    expect(book).to_contain_text("Fig kulfi of the crew")
    expect(book).to_contain_text("12 sticks")
    clean_in_both(page)


def test_kalakand_on_two_burners(sweets: Page, kitchen_url: str):
    page = sweets
    pick(page, "which sweet", "kalakand")
    expect(page.get_by_label("The slab", exact=True)).to_contain_text("cuts")
    stop = page.get_by_label("Keep cooking to this weight")
    expect(stop).to_contain_text("keep cooking to")
    write(page, "which tray", "30 x 20 cm")
    expect(page.get_by_label("The slab", exact=True)).to_contain_text("thin: take a smaller tray")
    # the base opens on the Bench with its milk and its end
    link = page.get_by_role("link", name=re.compile("to reduce.*on the Bench"))
    assert "stop=30" in link.get_attribute("href")
    page.get_by_text("At the last minute").scroll_into_view_if_needed()
    page.get_by_role("textbox", name="To % added sugar").fill("24")
    page.get_by_role("button", name="What to do?").click()
    expect(page.get_by_label("At the last minute")).to_contain_text("It turns looser at once")
    clean(page)
    begin(page, "Kalakand for the eights")
    # both bases at once: one stands large, the other begins beside it
    page.get_by_role("button", name="Begin it here").click()
    expect(page.locator(".now .verb .plate")).to_contain_text("Done")
    page.get_by_role("button", name=re.compile("begin too")).click()
    expect(page.locator(".steps .running")).to_have_count(2)
    expect(page.locator(".also")).to_have_count(1)
    # its last weight is no word for the milk that is reduced first; each milk says what it is for
    expect(page.get_by_text("keep cooking to")).to_have_count(0)
    rows = page.get_by_label("The weighing list")
    expect(rows.get_by_role("button", name=re.compile("to reduce"))).to_have_count(1)
    expect(rows.get_by_role("button", name=re.compile("to curdle"))).to_have_count(1)
    # on the fire, yet on no burner that was told: the strip keeps it
    strip = page.get_by_label("Burners", exact=True)
    expect(strip.get_by_role("link", name=re.compile("Kalakand for the eights"))).to_be_visible()
    page.keyboard.press("d")
    page.get_by_role("button", name=re.compile("^Done")).last.click()
    expect(page.locator(".steps .done")).to_have_count(2)
    page.keyboard.press("u")
    expect(page.locator(".steps .done")).to_have_count(1)
    page.reload()
    expect(page.locator(".steps .done")).to_have_count(1)
    clean(page)
    page.locator(".now .verb .plate").click()
    expect(page.locator(".steps .done")).to_have_count(2)
    # only the step that cooks it down has a weight to stop at
    expect(page.get_by_text("keep cooking to")).to_have_count(0)
    run_through(page, 5)
    weigh_and_count(page, "510", "24", "pieces")
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("Kalakand for the eights")


@WALK
def test_sponge_balls_from_what_there_is(sweets: Page, kitchen_url: str):
    page = sweets
    pick(page, "which sweet", "sponge balls")
    expect(page.get_by_label("The pan of syrup")).to_contain_text("at once")
    page.get_by_role("button", name="what I have").click()
    expect(page.locator(".told")).to_contain_text("It makes")
    pick(page, "what there is", "chhena")
    write(page, "how much there is", "380 g")
    expect(page.locator(".told")).to_contain_text(re.compile(r"It makes (29|30|31|32) balls"))
    assert grams(page, "your chhena") == 380
    expect(page.get_by_label("The soak")).to_be_visible()
    # its strength is changed, beyond the usual, and that is said
    page.locator("summary", has_text="change them").click()
    strength = page.get_by_role("textbox", name=re.compile("syrup’s strength"))
    strength.fill("60")
    strength.press("Enter")
    expect(page.get_by_text("lies beyond the usual 36 to 50")).to_be_visible()
    expect(page.get_by_text("60 °Brix", exact=True)).to_be_visible()
    clean_in_both(page)
    page.get_by_text("Does my pot cool in time?").click()
    page.get_by_role("button", name="Check it").click()
    expect(page.get_by_label("Counted").get_by_role("status")).to_contain_text("In time")
    begin(page, "Balls for the tea")
    run_through(page, 4)
    weigh_and_count(page, "770", "31", "balls")
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("Balls for the tea")


@WALK
def test_halwa_changed_kept_as_ones_own_and_made(sweets: Page, kitchen_url: str):
    page = sweets
    pick(page, "which sweet", "carrot halwa")
    pick(page, "how it is made", "with khoya")
    write(page, "how many, or how much", "1 kg")
    expect(page.get_by_label("Weigh it", exact=True)).to_contain_text(re.compile("raw carrot.*buy", re.S))
    page.locator("summary", has_text="change them").click()
    page.get_by_role("button", name="more ghee").click()
    expect(page).to_have_url(re.compile("change=finish.ghee"))
    page.get_by_role("button", name="Keep it as mine").click()
    dialog = page.get_by_role("dialog", name="A sweet of your own")
    dialog.get_by_role("textbox", name="Call it").fill("boathouse halwa")
    dialog.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("button", name="which sweet: boathouse halwa")).to_be_visible()
    expect(page).to_have_url(re.compile("sweet=own-1"))
    # changed on its own page: what the page does not show is kept
    page.get_by_role("link", name="Change mine").click()
    expect(page.get_by_role("textbox", name="Name")).to_have_value("boathouse halwa")
    clean_in_both(page)
    page.get_by_role("textbox", name="Cooked to % water").fill("unknown")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("alert")).to_be_visible()
    page.get_by_role("textbox", name="Cooked to % water").fill("44")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_label("Keep cooking to this weight")).to_contain_text("44 % water")
    begin(page, "Halwa for the veterans")
    run_through(page, 4)
    weigh_and_count(page, "1010", "10", "portions")
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("Halwa for the veterans")


def tell(page: Page, lines: list[str]) -> None:
    """A line for each thing done, the next one opened with Enter."""
    for i, text in enumerate(lines):
        field = page.get_by_role("textbox", name=f"line {i + 1}", exact=True)
        expect(field).to_be_visible()
        field.fill(text)
        if i < len(lines) - 1:
            field.press("Enter")


@WALK
def test_a_batch_of_mine_is_told_kept_and_made_again(page: Page, kitchen_url: str, size: str):
    """Written as one makes it: what was weighed settles it, the doubt is asked, and the plan gives it back."""
    page.goto(kitchen_url + "/sweets")
    page.get_by_role("link", name="a batch of mine").click()
    clean_in_both(page)
    keep = page.get_by_role("button", name="Keep it as mine")
    expect(keep).to_be_disabled()
    tell(page, ["2 L buffalo milk to half", "5 big spoons of sugar, at the end", "a handful of pistachios"])
    expect(page.get_by_role("group", name=re.compile("^Which one is meant"))).to_be_visible()
    expect(page.get_by_label("Beside the library")).to_have_count(0)
    page.get_by_role("button", name="one more line").click()
    page.get_by_role("textbox", name="line 4").fill("gave 14 sticks, 1 020 g")
    sentence = page.get_by_label("The sweet")
    expect(sentence).to_contain_text("14 sticks of 73 g, milk taken 2.45 times down, not 2.")
    doubt = page.get_by_role("group", name=re.compile("Which one is meant by .5 big spoons"))
    expect(doubt.get_by_role("button", pressed=True)).to_contain_text("17 % sugar")
    expect(page.get_by_label("Beside the library")).to_contain_text("above most")
    expect(page.get_by_label("What is unusual about it")).to_contain_text("Sand in a while.")
    # a level that is touched says what makes it so, and washes those lines
    page.get_by_role("button", name="What makes it sweet").click()
    expect(page.get_by_role("status").filter(has_text="of it from")).to_have_text(
        "All of it from “5 big spoons of sugar, at the end”."
    )
    expect(page.locator("li.washed textarea")).to_have_value("5 big spoons of sugar, at the end")
    clean_in_both(page)
    doubt.get_by_role("button", name=re.compile("^your tablespoon, heaped")).click()
    expect(page).to_have_url(re.compile("answers=1=heaped"))
    expect(page.get_by_role("list").first.get_by_text("99 g").first).to_be_visible()

    # what is told is not lost with the page
    page.reload()
    expect(page.get_by_role("textbox", name="line 4")).to_have_value("gave 14 sticks, 1 020 g")
    page.goto(kitchen_url + "/sweets")
    page.get_by_role("link", name="a batch of mine").click()
    expect(page.get_by_role("textbox", name="line 1")).to_have_value("2 L buffalo milk to half")
    keep.click()
    expect(page.get_by_role("alert")).to_contain_text("Give it a name first")
    write(page, "what it is called", "regatta stick")
    keep.click()
    expect(page.get_by_role("button", name="which sweet: regatta stick")).to_be_visible()
    expect(page.get_by_role("button", name="how many, or how much:")).to_contain_text("14")
    # as much milk as was told, measured cold from the fridge: nothing on top for what was lost already
    expect(page.locator(".told")).to_contain_text(re.compile(r"Start with (1\.99|2) L"))

    # changed as it was told; the sheet is empty for the next one
    page.locator("summary", has_text="change them").click()
    page.get_by_role("link", name="Change mine").click()
    expect(page.get_by_role("textbox", name="line 2")).to_have_value("5 big spoons of sugar, at the end")
    page.get_by_role("textbox", name="line 2").fill("120 g sugar")
    expect(doubt).to_have_count(0)
    keep.click()
    expect(page).to_have_url(re.compile("sweet=own-1"))
    assert round(grams(page, "white sugar")) in range(117, 130)
    page.get_by_role("link", name="a batch of mine").click()
    expect(page.get_by_role("textbox", name="line 1")).to_have_value("")


def test_what_is_told_in_one_breath_is_a_line_each(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/sweets/own")
    field = page.get_by_role("textbox", name="line 1", exact=True)
    field.fill("1 L buffalo milk to half, 5 spoons of sugar, gave 12 sticks")
    field.press("Enter")
    for number, text in enumerate(["1 L buffalo milk to half", "5 spoons of sugar", "gave 12 sticks", ""], 1):
        expect(page.get_by_role("textbox", name=f"line {number}", exact=True)).to_have_value(text)
    expect(page.get_by_role("textbox", name="line 4")).to_be_focused()
    expect(page.get_by_label("The sweet")).to_contain_text("12 sticks of")
    expect(page.get_by_role("button", name="Keep it as mine")).to_be_enabled()


@WALK
def test_a_batch_made_on_paper_goes_into_the_book_alone_and_can_be_told_again(
    page: Page, kitchen_url: str, size: str
):
    page.set_viewport_size(SIZES[size])
    lines = "2 L buffalo milk to half\n5 big spoons of sugar\ngave 14 sticks, 1 020 g"
    page.goto(f"{kitchen_url}/sweets/own?lines={quote(lines)}")
    expect(page.locator(".loose i")).to_have_text(["to half", "big spoons", ""])
    cut = page.get_by_role("slider", name="The cut through it")
    before = cut.get_attribute("aria-valuetext")
    cut.press("Home")
    expect(cut).to_have_attribute("aria-valuetext", re.compile("^2.06[05] g.*sugar 0 %"))
    cut.press("End")
    expect(cut).to_have_attribute("aria-valuetext", before)
    only = page.get_by_role("button", name="Only in the Book")
    only.click()
    expect(page.get_by_role("alert")).to_contain_text("Give it a name first")
    write(page, "what it is called", "spring sticks")
    only.click()
    page.get_by_label("It was made on").fill("2023-05-06")
    clean_in_both(page)
    page.get_by_role("button", name="Write it in the Book").click()
    expect(page.get_by_label("What to do now")).to_contain_text("It is made.")
    expect(page.locator(".paper q")).to_have_text(lines.splitlines())
    clean_in_both(page)
    page.get_by_role("link", name="Again, like this time.").click()
    expect(page.get_by_role("textbox", name="line 3", exact=True)).to_have_value("gave 14 sticks, 1 020 g")
    expect(page.get_by_role("button", name="what it is called: spring sticks")).to_be_visible()
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("link", name=re.compile("spring sticks"))).to_contain_text("14 sticks")
    expect(page.get_by_role("heading", name="May 2023")).to_be_visible()


def test_people_are_served_not_cooked(sweets: Page):
    for said in ("10 people", "for 10 people"):
        write(sweets, "how many, or how much", said)
        expect(sweets.get_by_label("The plan")).to_contain_text("Make enough for 10 people of")
        expect(sweets.locator(".told")).to_contain_text("sticks")


def test_wrong_words_keep_what_was_typed_and_show_no_figures(sweets: Page):
    page = sweets
    page.get_by_role("button", name="how many, or how much:").click()
    field = page.get_by_role("textbox", name="how many, or how much")
    field.fill("a boatload")
    expect(page.get_by_role("alert").first).to_contain_text("boatload")
    expect(field).to_have_value("a boatload")
    expect(page.get_by_label("The moulds", exact=True)).to_be_hidden()
    field.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(page.get_by_label("The moulds", exact=True)).to_be_visible()


def test_a_first_time_user_has_the_milk_in_three_touches(sweets: Page):
    page = sweets
    pick(page, "which sweet", "basundi")
    expect(page.locator(".told")).to_contain_text(re.compile(r"Start with [\d.]+ L of milk, for"))
    page.get_by_role("link", name=re.compile("to reduce.*on the Bench")).click()
    expect(page.get_by_role("button", name="Light it")).to_be_visible()
    expect(page.locator("p.answer").first).to_contain_text("Stop when")


def test_night_kitchen(sweets: Page):
    sweets.keyboard.press("n")
    clean(sweets)
    sweets.keyboard.press("5")
    expect(sweets).to_have_url(re.compile("/stove"))
    sweets.keyboard.press("3")
    expect(sweets).to_have_url(re.compile("/sweets"))
