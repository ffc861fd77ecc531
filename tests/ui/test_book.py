"""The Book in Chromium: everything ever made can be found and reached, and what is damaged is named."""

import json
import re
import sqlite3

from PIL import Image
from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, WALK, clean, clean_in_both
from tests.web.test_instruments import ask


def grow(file, count: int) -> None:
    """So many more batches, each as an old one of the boathouse, with a name of its own."""
    with sqlite3.connect(file) as made:
        columns = [row[1] for row in made.execute("PRAGMA table_info(batch)") if row[1] != "id"]
        made.execute(
            "UPDATE event SET data = ? WHERE kind = 'note' AND batch_id = 2", (json.dumps({"text": "saffron"}),)
        )
        made.execute("UPDATE batch SET found_by = 'kulfi base, trial saffron' WHERE id = 2")
        for i in range(count):
            listed = ", ".join(columns)
            its_own = {"name": f"'Pot {i:03}'", "found_by": f"'pot {i:03}'", "created_at": "created_at - 9e6"}
            values = ", ".join(its_own.get(c, c) for c in columns)
            made.execute(f"INSERT INTO batch ({listed}) SELECT {values} FROM batch WHERE id = 1")
        made.execute(
            "INSERT INTO event (batch_id, number, at_s, recorded_at_s, kind, data) "
            "SELECT b.id, e.number, e.at_s, e.recorded_at_s, e.kind, e.data "
            "FROM batch b, event e WHERE b.name LIKE 'Pot %' AND e.batch_id = 1"
        )


@WALK
def test_old_ones_are_reached_and_found(page: Page, kitchen_url: str, tmp_path):
    grow(tmp_path / "demo.sqlite3", 70)
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("status").first).to_contain_text("82 batches")
    batches = page.get_by_role("region", name="Batches")
    expect(batches.get_by_role("listitem")).to_have_count(30)
    for seen in (60, 82):
        batches.get_by_role("button", name="Older ones").click()
        expect(batches.get_by_role("listitem")).to_have_count(seen)
    expect(batches.get_by_role("button", name="Older ones")).to_have_count(0)
    page.get_by_label("Find").fill("pot 03")
    expect(batches.get_by_role("listitem")).to_have_count(11)  # and pot 003
    expect(page).to_have_url(re.compile("find=pot"))
    page.get_by_label("Find").fill("saffron")
    expect(batches.get_by_role("listitem")).to_have_count(1)
    expect(batches).to_contain_text("Kulfi base, trial")
    clean_in_both(page)
    page.get_by_label("Find").fill("100%")
    expect(page.get_by_text("Nothing in the Book has “100%”")).to_be_visible()
    page.get_by_label("Find").fill("chhena")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("Chhena for the juniors")
    page.reload()
    expect(page.get_by_label("Find")).to_have_value("chhena")
    page.get_by_label("Find").fill("pot 069")
    batches.get_by_role("link", name=re.compile("Pot 069")).click()
    expect(page.get_by_label("Told and got")).to_be_visible()


def test_an_address_of_the_time_when_curds_had_numbers_of_their_own(page: Page, kitchen_url: str, tmp_path):
    with sqlite3.connect(tmp_path / "demo.sqlite3") as made:
        made.execute("UPDATE batch SET former = 'curd-2' WHERE id = 8")
    page.goto(kitchen_url + "/stove/curd/2")
    expect(page.get_by_text("Hung curd for shrikhand").first).to_be_visible()
    page.goto(kitchen_url + "/stove/curd/3")
    expect(page.get_by_text("There is no batch curd-3.")).to_be_visible()


def test_a_damaged_batch_is_named_and_the_rest_is_there(page: Page, kitchen_url: str, tmp_path):
    with sqlite3.connect(tmp_path / "demo.sqlite3") as made:
        made.execute("UPDATE batch SET plan = '{}' WHERE id IN (3, 6)")
    page.goto(kitchen_url + "/book")
    # its line stands by itself; what cannot be read says so when it is opened
    expect(page.get_by_role("region", name="Batches")).to_contain_text("Rabri, first try")
    clean(page)
    page.get_by_role("link", name=re.compile("Rabri, first try")).click()
    expect(page.get_by_text("Rabri, first try is damaged in the file and cannot be read.")).to_be_visible()
    page.goto(kitchen_url + "/stove")
    expect(page.get_by_role("alert").first).to_contain_text("“Tea milk for the crews” is damaged")
    expect(page.get_by_text("min to its stop").first).to_be_visible()


def test_what_was_made_is_planned_again_from_its_page(page: Page, kitchen_url: str, clock):
    """A reduction from the Book, a curd from its last page on the Stove: every word as it was then."""
    url = kitchen_url
    page.goto(url + "/book/2")
    page.get_by_role("link", name="Again, like this time.").click()
    expect(page).to_have_url(re.compile("/bench\\?"))
    then = ask(f"{url}/api/batches/2")["words"]
    plan = page.get_by_label("The plan")
    expect(plan).to_contain_text(then["amount"])
    expect(plan).to_contain_text(then["stop"])
    expect(page.get_by_role("button", name="Light it")).to_be_enabled()
    done = [b for b in ask(f"{url}/api/book?limit=100")["lines"] if b["kind"] == "curdle" and b["weighed_kg"]]
    page.goto(f"{url}/stove/curd/{done[0]['id']}")
    page.get_by_role("link", name="Again, like this time.").click()
    expect(page).to_have_url(re.compile("/bench/curdle\\?"))
    words = ask(f"{url}/api/batches/{done[0]['id']}")["words"]
    expect(plan).to_contain_text(words["amount"])
    expect(page).to_have_url(re.compile(f"acid={words['coagulant']}&.*drain={words['drain']}&.*use={words['use']}"))
    clean(page)


@BOTH
def test_a_sweet_has_its_page_with_its_river_and_what_became_of_it(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/book?only=sweet")
    page.get_by_role("link", name=re.compile("Sponge balls for the tea")).click()
    expect(page).to_have_url(re.compile("/book/9$"))
    words = page.get_by_role("region", name="The batch in words")
    expect(words).to_contain_text("you made Sponge balls for the tea")
    river = page.get_by_role("list", name="From what went in to what it gave")
    expect(river.get_by_role("listitem").first).to_contain_text("Curdle, rinse and drain")
    figures = page.get_by_role("region", name="Told and got")
    counted = ask(f"{kitchen_url}/api/book/9/story")["line"]
    expect(figures.get_by_role("row", name=re.compile("^balls"))).to_contain_text(str(counted["counted"]))
    clean(page)
    page.get_by_role("textbox", name="When it was cold").fill("Springy, a little sweet")
    page.get_by_role("button", name=re.compile("Write it down ?: When it was cold")).click()
    expect(figures.get_by_text("Springy, a little sweet")).to_be_visible()
    expect(page.get_by_role("textbox", name="When it was cold")).to_have_value("")
    page.get_by_role("button", name="all eaten").click()
    expect(figures.get_by_text(re.compile("Gone on .*: all eaten or used"))).to_be_visible()
    expect(figures.get_by_role("row", name=re.compile("^it kept"))).to_contain_text("day")
    expect(page.get_by_role("button", name="all eaten")).to_have_count(0)
    # its log is on the Stove, where both can be taken back
    page.get_by_role("link", name="its log, and more to weigh").click()
    expect(page.get_by_role("list", name="What happened")).to_contain_text("when cold: Springy")
    clean(page)


@BOTH
def test_what_was_learned_is_owned_and_the_next_plan_goes_by_it(page: Page, kitchen_url: str):
    plan = {"milk": 1, "amount": "2 L", "pan": 1, "burner": 1, "stop": "half", "sugar": ""}
    known = ask(f"{kitchen_url}/api/bench/reduce", plan)["after_boil_s"]
    page.goto(kitchen_url + "/book")
    page.get_by_role("link", name="What was learned").click()
    expect(page.get_by_role("region", name="In words")).to_contain_text("numbers are this kitchen’s own")
    flames = page.get_by_role("region", name="What your flames take off")
    row = flames.get_by_role("listitem").filter(has_text="the wide kadhai").first
    expect(row).to_contain_text("4 batches")
    clean(page)
    row.get_by_role("button", name=re.compile("what it rests on")).click()
    expect(row.get_by_role("link", name="Rabri, first try")).to_have_attribute("href", "/book/3")
    row.get_by_role("button", name=re.compile("leave it out ?: Rabri, first try")).click()
    expect(row).to_contain_text("3 batches")
    left = page.get_by_role("region", name="Left out")
    expect(left).to_contain_text("Rabri, first try")
    row.get_by_role("button", name="keep it as it is").click()
    expect(row.get_by_text("frozen")).to_be_visible()
    clean(page)
    row.get_by_role("button", name="begin it anew").click()
    expect(row).to_contain_text("table value, not yours")
    table = ask(f"{kitchen_url}/api/bench/reduce", plan)["after_boil_s"]
    assert table["likely"] > 1.1 * known["likely"]
    row.get_by_role("button", name="all batches again").click()
    left.get_by_role("button", name=re.compile("let it count again")).click()
    expect(left).to_have_count(0)
    expect(row).to_contain_text("4 batches")
    assert ask(f"{kitchen_url}/api/bench/reduce", plan)["after_boil_s"] == known


def test_two_of_a_kind_lie_side_by_side(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/book/3")
    page.get_by_role("link", name=re.compile("^Basundi for the juniors, ")).click()
    expect(page).to_have_url(re.compile("/book/beside\\?a=1&b=3$"))
    expect(page.get_by_role("region", name="In words")).to_contain_text("What most sets them apart")
    table = page.get_by_role("table")
    told = ask(f"{kitchen_url}/api/book/beside?a=1&b=3")
    first = table.get_by_role("row").filter(has_text=told["differs"][0]["why"])
    expect(first).to_contain_text(told["differs"][0]["first"])
    expect(table.get_by_role("row", name=re.compile("^amount"))).to_contain_text("2.2 L")
    clean(page)
    page.get_by_text("What was alike").click()
    expect(page.get_by_text("no lid on the milk")).to_be_visible()
    page.goto(kitchen_url + "/book/beside?a=3&b=9")
    expect(page.get_by_text("Sponge balls for the tea is no reduced milk")).to_be_visible()


@BOTH
def test_the_season_by_month_and_by_figure(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/book")
    page.get_by_role("link", name="The season").click()
    told = ask(f"{kitchen_url}/api/season")
    words = page.get_by_role("region", name="The year in words")
    expect(words).to_contain_text(f"{told['whole']['milk_m3'] * 1e3:.1f} L of milk")
    expect(words).to_contain_text("Nothing was thrown away")
    months = page.get_by_role("list", name="Milk by month").get_by_role("listitem")
    expect(months).to_have_count(12)
    expect(months.nth(0)).to_contain_text(" L")
    expect(page.get_by_role("region", name="By month").get_by_role("row")).to_have_count(1 + len(told["months"]))
    strip = page.get_by_role("region", name="Weights")
    expect(strip.get_by_role("listitem")).to_have_count(len(told["strips"][0]["points"]))
    clean(page)
    strip.get_by_role("link", name=re.compile("Rabri, first try")).click()
    expect(page).to_have_url(re.compile("/book/3$"))
    page.go_back()
    page.get_by_role("link", name=str(told["years"][1]), exact=True).click()
    expect(words).to_contain_text(f"In {told['years'][1]} you took")


def test_the_book_is_narrowed_and_the_address_keeps_it(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/book")
    batches = page.get_by_role("region", name="Batches").get_by_role("listitem")
    expect(batches).to_have_count(12)
    page.get_by_role("button", name="one milk, pan or year").click()
    page.get_by_role("combobox", name="any milk").select_option("farm buffalo milk")
    wanted = ask(f"{kitchen_url}/api/book?milk=1")["total"]
    assert wanted > 2
    expect(batches).to_have_count(wanted)
    page.get_by_role("combobox", name="any pan").select_option("the old brass pot")
    expect(page.get_by_text("None of these was made yet.")).to_be_visible()
    page.reload()
    expect(page.get_by_role("combobox", name="any pan")).to_have_value("3")
    page.get_by_role("combobox", name="any pan").select_option("any pan")
    expect(batches).to_have_count(wanted)
    clean(page)


def test_a_picture_is_added_and_taken_away(page: Page, kitchen_url: str, tmp_path):
    shot = tmp_path / "plate.png"
    Image.new("RGB", (2400, 1200), (240, 230, 200)).save(shot)
    page.goto(kitchen_url + "/book/12")
    pictures = page.get_by_role("region", name="Pictures")
    pictures.get_by_label("add a picture").set_input_files(shot)
    image = pictures.get_by_role("img", name="Kalakand for the prizegiving, picture 1")
    expect(image).to_be_visible()
    wide = "e => e.decode().then(() => e.naturalWidth)"
    assert image.evaluate(wide) == 1600
    clean(page)
    words = tmp_path / "words.png"
    words.write_text("no picture")
    pictures.get_by_label("add a picture").set_input_files(words)
    expect(pictures.get_by_role("alert")).to_contain_text("That is no picture.")
    page.reload()
    expect(image).to_be_visible()
    pictures.get_by_role("button", name=re.compile("take it away")).click()
    expect(pictures.get_by_role("img")).to_have_count(0)
