"""Makings in Chromium from their sentence to counted pieces: two milks on two burners, yesterday's chhena, one chhena for
two sweets; with a reload, a second device and no network in the middle."""

import re
from typing import Any

from playwright.sync_api import Page, expect

from tests.ui.hands import SIZES, WALK, box, clean_in_both, later, pick
from tests.ui.test_caramel import off_all
from tests.ui.test_sweets import begin, write
from tests.web.test_instruments import ask

LIGHT = 0.88


def batch(url: str, number: int) -> Any:
    return ask(f"{url}/api/batches/{number}")


def happens(url: str, number: int, **event: Any) -> Any:
    return ask(f"{url}/api/batches/{number}/events", {"event": event})


def planned(page: Page, what: str, words: Any) -> None:
    """A sweet on the Stove."""
    page.goto(words["url"] + "/sweets")
    pick(page, "which sweet", what)
    write(page, "how many, or how much", words["want"])
    begin(page, words["name"])


def light(page: Page) -> int:
    """What stands planned on the Bench, lit; its number."""
    expect(page.get_by_role("status").filter(has_text="A base of")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Light it")).first.click()
    dialog = page.get_by_role("dialog")
    expect(dialog.locator(":focus")).to_be_visible()  # it has come up, and a key or a touch goes to it
    dialog.locator("button.plate").first.click()
    expect(page).to_have_url(re.compile(r"/stove/(curd/)?\d+$"))
    return int(page.url.rsplit("/", 1)[1])


def reduced(url: str, clock: Any, pan: int, share: float) -> float:
    """Boiled, taken off, weighed: kg."""
    clock.now += 900
    left = happens(url, pan, kind="first_boil")["to_stop_s"]["likely"]
    clock.now += left
    happens(url, pan, kind="off")
    kg = round(batch(url, pan)["served_kg"]["likely"] * share, 3)
    happens(url, pan, kind="weighed", mass_kg=kg)
    return kg


def curdled(url: str, clock: Any, pot: int, share: float) -> float:
    for step in batch(url, pot)["steps"]:
        clock.now += step["seconds"]
        if step["name"] == "weigh":
            break
        if step["name"] == "acid":
            happens(url, pot, kind="poured", amount=0.05, clear=True)
        happens(url, pot, kind="step_done")
    kg = round(batch(url, pot)["told_kg"]["likely"] * share, 3)
    happens(url, pot, kind="weighed", mass_kg=kg)
    return kg


def to_the_end(page: Page, clock: Any, steps: int) -> None:
    """Each step done when the one before it is: its clock running out says something new too."""
    plate, done = page.locator(".now .verb .plate"), page.locator(".steps .done")
    here = page.get_by_role("button", name="Begin it here")
    before = done.count()
    for step in range(before, before + steps):
        if "Done" not in plate.inner_text():
            (here if "Plan it" in plate.inner_text() else plate).click()
            expect(plate).to_contain_text("Done")
        plate.click()
        expect(done).to_have_count(step + 1)
        later(page, clock, 600)


@WALK
def test_kalakand_of_two_milks_on_two_burners(page: Page, kitchen_url: str, clock, size: str):
    url = kitchen_url
    off_all(url)
    planned(page, "kalakand", {"url": url, "want": "24", "name": "Kalakand for the stroke"})
    address, sweet = page.url, int(page.url.rsplit("/", 1)[1])
    steps = page.get_by_role("list", name="The steps")
    expect(steps.locator("> li")).to_have_count(7)
    before = batch(url, sweet)
    clean_in_both(page)

    # both milks are lit from it, each in a pan and on a burner of its own
    page.get_by_role("link", name="Plan it on the Bench").click()
    pan = light(page)
    page.goto(address)
    steps.get_by_role("link", name="plan it").first.click()
    pot = light(page)
    lit = {b["id"]: b for b in ask(f"{url}/api/stove")["batches"]}
    assert lit[pan]["pan_id"] != lit[pot]["pan_id"] and lit[pan]["burner_id"] != lit[pot]["burner_id"]
    page.goto(address)
    expect(steps.locator("> .running")).to_have_count(2)

    # a second device looks on; both come off an eighth light, and the sweet follows on both
    other = page.context.new_page()
    other.goto(address)
    milk = reduced(url, clock, pan, LIGHT)
    expect(steps.locator("> .done")).to_have_count(1)
    page.reload()
    chhena = curdled(url, clock, pot, LIGHT)
    for screen in (page, other):
        there = screen.get_by_role("list", name="The steps")
        expect(there.locator("> .done")).to_have_count(2)
        expect(there).to_contain_text(f"{milk * 1e3:.0f} g")
        expect(there).to_contain_text(f"{chhena * 1e3:.0f} g")
    other.close()
    after = batch(url, sweet)
    assert after["told_kg"] != before["told_kg"]  # drier bases: nearly as much of it, cooked for less long
    assert (
        next(s for s in after["steps"] if s["key"] == "cook")["seconds"]["likely"]
        < (next(s for s in before["steps"] if s["key"] == "cook")["seconds"]["likely"])
    )
    joined = next(s for s in after["steps"] if s["key"] == "join")
    assert abs(joined["in_kg"] - milk - chhena) < 1e-6
    expect(page.locator(".ends")).to_contain_text(f"{after['told_kg']['likely'] * 1e3:.0f} g")

    # without network the steps go on; what waited is there when it comes back
    page.keyboard.press("d")
    expect(steps.locator("> .running")).to_have_count(1)
    page.context.set_offline(True)
    page.keyboard.press("d")
    expect(page.get_by_text(re.compile("happenings? waits? here, safe"))).to_be_visible()
    page.context.set_offline(False)
    expect(steps.locator("> .done")).to_have_count(3, timeout=30_000)
    to_the_end(page, clock, 4)
    expect(page.get_by_label("What to do now")).to_contain_text("Weigh it and count it")
    kg = round(after["told_kg"]["likely"], 3)
    box(page, "The sweet weighs, g").fill(f"{kg * 1e3:.0f}")
    page.get_by_role("button", name="Weigh it").click()
    box(page, "How many pieces").fill("21")
    page.get_by_role("button", name="Count them").click()
    expect(page.get_by_label("What to do now")).to_contain_text("It is made.")
    clean_in_both(page)
    page.goto(url + "/book")
    line = (
        page.get_by_role("region", name="Batches")
        .get_by_role("listitem")
        .filter(has_text=re.compile("^Kalakand for the stroke"))
    )
    expect(line).to_contain_text("21 pieces")

    # again, like this time
    page.goto(address)
    page.get_by_role("link", name="Again, like this time.").click()
    expect(page).to_have_url(re.compile("/sweets"))
    expect(page.locator(".sentence").first).to_contain_text("kalakand")
    expect(page.locator(".sentence").first).to_contain_text("24")


def test_one_chhena_for_two_sweets_to_counted_pieces(page: Page, kitchen_url: str, clock):
    """Balls and slices of yesterday's chhena: what one takes the other has not."""
    url = kitchen_url
    off_all(url)
    took = []
    for what, want, one in (("sponge balls", "10", "balls"), ("poached filled slices", "5", "slices")):
        planned(page, what, {"url": url, "want": want, "name": f"{one} of one chhena"})
        number = int(page.url.rsplit("/", 1)[1])
        page.get_by_role("button", name=re.compile("Or take it from “Chhena for the juniors”")).first.click()
        expect(page.get_by_role("list", name="The steps").locator("> .done")).to_have_count(1)
        took.append((number, one, batch(url, number)["steps"][0]["base_kg"]))
    left = {b["name"]: b["mass_kg"] for b in ask(f"{url}/api/sweets/bases")["bases"]}
    assert abs(left["Chhena for the juniors"] + took[0][2] + took[1][2] - 0.416) < 1e-9
    for number, one, _ in took:
        for step in batch(url, number)["steps"]:
            if step["phase"] != "done":
                happens(url, number, kind="step_done", step=step["key"])
        page.goto(f"{url}/stove/sweet/{number}")
        box(page, f"How many {one}").fill("9")
        page.get_by_role("button", name="Count them").click()
        expect(page.get_by_label("What to do now")).to_contain_text("It is made.")
        expect(page.locator(".ends")).to_contain_text(f"9 {one}")
        box(page, "The dough left over, g").fill("35")
        page.get_by_role("button", name=re.compile("To the shelf.*dough")).click()
        expect(page.get_by_role("button", name=re.compile("35 g: again.*dough"))).to_be_visible()
    page.goto(url + "/larder")
    shelf = page.get_by_role("region", name="The shelf")
    expect(shelf).to_contain_text(f"{left['Chhena for the juniors'] * 1e3:.0f} g")
    expect(shelf.locator(".things > li").filter(has_text="dough")).to_have_count(2)
    syrups = shelf.locator(".things > li").filter(has=page.get_by_text("syrup", exact=True))
    expect(syrups).to_have_count(3)  # of both, and of the tea's


@WALK
def test_a_kulfi_whose_base_came_off_late(page: Page, kitchen_url: str, clock, size: str):
    """A third too little is left: all that goes in after it is less, and so are the sticks; and undone it is as planned."""
    url = kitchen_url
    off_all(url)
    planned(page, "kulfi", {"url": url, "want": "12", "name": "Kulfi, late"})
    address, sweet = page.url, int(page.url.rsplit("/", 1)[1])
    page.get_by_role("link", name="Plan it on the Bench").click()
    pan = light(page)
    before = batch(url, sweet)
    reduced(url, clock, pan, 0.67)
    page.goto(address)
    after = batch(url, sweet)
    assert after["told_pieces"]["likely"] < before["told_pieces"]["likely"]
    expect(page.locator(".ends")).to_contain_text(f"{after['told_pieces']['likely']:.0f}")
    sugar = next(r for r in after["rows"] if "sugar" in r["name"])
    expect(page.get_by_role("list", name="The weighing list")).to_contain_text(f"{sugar['grams']:.0f} g")
    clean_in_both(page)
    page.set_viewport_size(SIZES["desk"])
    expect(page.get_by_role("list", name=re.compile("^into it")).last).to_be_visible()
    page.set_viewport_size(SIZES[size])
    happens(url, pan, kind="undo", event_id=batch(url, pan)["undo_id"])
    expect(page.locator(".ends")).to_contain_text(f"{before['told_kg']['likely'] * 1e3:.0f} g")


@WALK
def test_what_is_to_buy_is_ticked_off(page: Page, kitchen_url: str, clock, size: str):
    url = kitchen_url
    planned(page, "kalakand", {"url": url, "want": "24", "name": "Kalakand on Sunday"})
    page.goto(url + "/larder")
    tray = page.get_by_role("region", name="To buy")
    boxes = tray.get_by_role("checkbox")
    expect(boxes.first).to_be_visible()
    wanted = ask(f"{url}/api/shopping")["lines"]
    expect(boxes).to_have_count(len(wanted))
    expect(boxes.first).to_contain_text(wanted[0]["name"])
    expect(boxes.first).to_contain_text("Kalakand on Sunday")
    clean_in_both(page)
    boxes.first.click()
    expect(boxes.first).to_be_checked()
    page.reload()
    expect(boxes.first).to_be_checked()
    assert boxes.first.bounding_box()["height"] >= 40


@WALK
def test_what_is_in_the_cupboard_is_taken_off_what_is_to_buy(page: Page, kitchen_url: str):
    planned(page, "kalakand", {"url": kitchen_url, "want": "24", "name": "Kalakand on Sunday"})
    page.goto(kitchen_url + "/larder")
    cupboard, to_buy = (page.get_by_role("region", name=name) for name in ("In the cupboard", "To buy"))
    expect(cupboard.get_by_role("listitem").filter(has_text="white sugar")).to_contain_text("the rest went in")
    expect(to_buy).to_contain_text("There is enough of: cardamom, ground; white sugar.")
    milk = ask(f"{kitchen_url}/api/shopping")["lines"][0]["name"]
    wanted = to_buy.get_by_role("checkbox").filter(has_text=milk)
    before = wanted.locator("b").inner_text()
    there = page.get_by_role("textbox", name="There is")
    put = cupboard.get_by_role("button", name="Put it down")
    there.fill("2 kg moondust")
    put.click()
    expect(cupboard.get_by_role("alert")).to_contain_text("do not know what that is")
    expect(there).to_have_value("2 kg moondust")
    there.fill(f"half a litre of {milk}")
    put.click()
    expect(there).to_have_value("")
    expect(cupboard.get_by_role("listitem").filter(has_text=milk)).to_contain_text("counted")
    expect(wanted.locator("b")).not_to_have_text(before)
    expect(wanted).to_contain_text("there already")
    clean_in_both(page)
    cupboard.get_by_role("button", name=f"Stop counting {milk}").click()
    expect(wanted.locator("b")).to_have_text(before)


def test_a_part_of_what_stands_is_taken(page: Page, kitchen_url: str, clock):
    """So much and no more; what is said wrong is kept and told."""
    url = kitchen_url
    off_all(url)
    planned(page, "sponge balls", {"url": url, "want": "10", "name": "A few balls"})
    number = int(page.url.rsplit("/", 1)[1])
    page.get_by_role("button", name="a part of Chhena for the juniors").click()
    much = page.get_by_role("textbox", name="How much of it")
    for wrong, told in (("two fistfuls", "two fistfuls"), ("5 kg", "416 g")):
        much.fill(wrong)
        page.get_by_role("button", name="Take it", exact=True).click()
        expect(page.get_by_role("alert")).to_contain_text(told)
        expect(much).to_have_value(wrong)
    clean_in_both(page)
    # slid along the bar: what goes in and what stays is told at once, to the last gram of it
    bar = page.get_by_role("slider", name="Slide how much of Chhena for the juniors")
    box = bar.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] * 0.75, box["y"] + box["height"] / 2, steps=6)
    slid = int(much.input_value().split()[0])
    assert 0.65 * 416 < slid < 0.85 * 416
    expect(page.get_by_text(f"{slid} g goes in, {416 - slid} g stays in its bowl")).to_be_visible()
    page.mouse.move(box["x"] + box["width"] + 90, box["y"] + box["height"] / 2, steps=3)
    page.mouse.up()
    expect(much).to_have_value("416 g")
    bar.press("ArrowLeft")
    expect(much).not_to_have_value("416 g")
    much.fill("100 g")
    page.get_by_role("button", name="Take it", exact=True).click()
    # the rest can still be made for it, or it goes on with that
    expect(page.get_by_role("list", name="The steps").get_by_role("link", name="gave 100 g")).to_be_visible()
    base = batch(url, number)["steps"][0]
    assert base["base_kg"] == 0.1 and base["phase"] == "running"
    left = {b["name"]: b["mass_kg"] for b in ask(f"{url}/api/sweets/bases")["bases"]}
    assert abs(left["Chhena for the juniors"] - 0.316) < 1e-9


def named(url: str, number: int) -> list[str]:
    return [step["key"] for step in batch(url, number)["steps"] if step["phase"] != "done"]


def test_weighed_midway_its_clock_goes_by_that(page: Page, kitchen_url: str, clock):
    """Off the scale with its pan, before the sugar; what cannot be is told and kept, what was logged is undone."""
    url = kitchen_url
    off_all(url)
    planned(page, "kalakand", {"url": url, "want": "24", "name": "For tea"})
    number = int(page.url.rsplit("/", 1)[1])
    for step in ("base-R", "base-C", "join"):
        happens(url, number, kind="step_done", step=step)
    expect(page.locator(".now .words")).to_contain_text("Dry it")
    page.get_by_role("button", name=re.compile("^Begin it")).click()
    weighs = page.get_by_role("textbox", name="It weighs now, g")
    expect(weighs).to_be_visible()
    cook = next(s for s in batch(url, number)["steps"] if s["key"] == "cook")
    pan = next(p for p in ask(f"{url}/api/larder")["pans"] if p["id"] == batch(url, number)["pans"]["cook"])
    said = page.get_by_text(re.compile("on the scale, .* and all"))
    expect(said).to_contain_text(pan["name"])
    clean_in_both(page)
    later(page, clock, cook["seconds"]["likely"] * 0.4)
    weighs.fill("300")
    page.get_by_role("button", name="How long still?").click()
    expect(page.get_by_role("alert")).to_contain_text("Was it on the scale?")
    expect(weighs).to_have_value("300")
    # a fifth gone in two fifths of the time: it is slower than was told
    off = 0.2 * (cook["in_kg"] - cook["out_kg"])
    weighs.fill(f"{(pan['mass_kg'] + cook['in_kg'] - cook['late_kg'] - off) * 1000:.0f}")
    page.get_by_role("button", name="How long still?").click()
    expect(page.get_by_text("by its weight")).to_be_visible()
    now = next(s for s in batch(url, number)["steps"] if s["key"] == "cook")
    assert now["due_s"] > cook["seconds"]["likely"] * 0.65
    page.keyboard.press("u")
    expect(page.get_by_text("by its weight")).to_be_hidden()


@WALK
def test_bread_in_a_quick_rabri_to_its_plates(page: Page, kitchen_url: str, clock, size: str):
    """Powder whisked in, the milk on the Bench and back, syrup and fat on a burner each, what the bread drinks, what is
    left of the sauce on the shelf."""
    url = kitchen_url
    off_all(url)
    page.goto(url + "/sweets?sweet=bread-rabri&school=quick")
    write(page, "how many, or how much", "8")
    begin(page, "Bread for the coxes")
    address, number = page.url, int(page.url.rsplit("/", 1)[1])
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text("whisk the powder smooth")
    now.get_by_role("button", name="Begin it").click()
    expect(now).to_contain_text("Done")
    now.get_by_role("button", name="Done", exact=False).click()
    # its milk goes on the Bench, is lit from there, and stands on this page
    now.get_by_role("link", name="Plan it on the Bench").click()
    pan = light(page)
    page.goto(address)
    milk = page.get_by_role("region", name="Milk for Bread for the coxes", exact=True)
    expect(milk).to_contain_text("minutes to the first boil")
    kg = reduced(url, clock, pan, 0.95)
    expect(milk).to_have_count(0)
    expect(page.get_by_role("list", name="The steps")).to_contain_text(f"{kg * 1e3:.0f} g")
    to_the_end(page, clock, len(named(url, number)))
    expect(now).to_contain_text("Weigh it and count it")
    facts = next(step["facts"] for step in batch(url, number)["steps"] if step["key"] == "pour")
    assert "The bread drinks" in facts[0]
    box(page, "How many pieces").fill("8")
    page.get_by_role("button", name="Count them").click()
    expect(now).to_contain_text("It is made.")
    box(page, "The quick milk sauce left over, g").fill("120")
    page.get_by_role("button", name=re.compile("To the shelf.*quick milk sauce")).click()
    expect(page.get_by_role("button", name=re.compile("120 g: again"))).to_be_visible()
    clean_in_both(page)
    page.goto(url + "/larder")
    sauce = page.get_by_role("region", name="The shelf").locator(".things > li").filter(has_text="sauce")
    expect(sauce).to_contain_text("120 g")
    expect(sauce).to_contain_text("rabri")


@WALK
def test_fruit_shrikhand_from_its_hanging_to_its_bowls(page: Page, kitchen_url: str, clock, size: str):
    """Hung from the sweet, taken down firmer and lighter than told: fruit and sugar follow the curd that was weighed."""
    url = kitchen_url
    off_all(url)
    page.goto(url + "/sweets?sweet=shrikhand&school=fruit")
    pick(page, "which fruit", "strawberry")
    write(page, "how many, or how much", "6")
    begin(page, "Shrikhand for the eights")
    address, number = page.url, int(page.url.rsplit("/", 1)[1])
    told = batch(url, number)
    page.get_by_role("link", name="Plan it on the Bench").click()
    expect(page.get_by_role("status").filter(has_text="A base of")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Hang it")).first.click()
    page.get_by_role("dialog").locator("button.plate").first.click()
    expect(page).to_have_url(re.compile(r"/stove/curd/\d+$"))
    hung = int(page.url.rsplit("/", 1)[1])
    page.goto(address)
    curd = page.get_by_role("region", name="Curd for Shrikhand for the eights")
    expect(curd).to_contain_text("Let it hang.")
    clean_in_both(page)
    later(page, clock, batch(url, hung)["steps"][0]["seconds"])
    curd.get_by_role("button", name="Taken down").click()
    expect(curd).to_contain_text("Weigh it.")
    kg = round(batch(url, hung)["told_kg"]["likely"] * 0.9, 3)
    curd.get_by_role("textbox", name="It weighs, g").fill(f"{kg * 1e3:.0f}")
    curd.get_by_role("button", name="Weigh it").click()
    expect(curd).to_have_count(0)
    here = batch(url, number)
    for row, before in zip(here["rows"], told["rows"], strict=True):
        if "strawberry" in row["name"] or "sugar" in row["name"]:
            assert row["grams"] < before["grams"] * 0.95
    expect(page.locator(".steps .done")).to_have_count(sum(s["phase"] == "done" for s in here["steps"]))
    to_the_end(page, clock, len(named(url, number)))
    box(page, "How many bowls").fill("5")
    page.get_by_role("button", name="Count them").click()
    expect(page.get_by_label("What to do now")).to_contain_text("It is made.")
    page.goto(url + "/book")
    line = (
        page.get_by_role("region", name="Batches").get_by_role("listitem").filter(has_text="Shrikhand for the eights")
    )
    expect(line.filter(has_text="5 bowls")).to_have_count(1)
