"""The Stove's first page: all that goes on, each with its one figure; and a sweet's own page, where its bases are cooked."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import BOTH, WALK, clean, clean_in_both, later
from tests.ui.test_caramel import off_all
from tests.ui.test_makings import batch, happens, light, planned
from tests.web.test_instruments import ask


def place(page: Page, name: str):
    return page.get_by_label("What goes on").get_by_role("listitem").filter(has_text=name)


@BOTH
def test_all_that_goes_on_is_seen_and_answered_from_one_page(page: Page, kitchen_url: str, clock, size: str):
    page.goto(kitchen_url + "/stove")
    expect(page.get_by_label("What goes on").get_by_role("listitem")).to_have_count(4)
    expect(place(page, "Basundi")).to_contain_text("min to its stop")
    expect(place(page, "Hung curd")).to_contain_text("hours left")
    expect(place(page, "Fig kulfi")).to_contain_text("24 sticks")
    large = place(page, "Basundi").locator(".figure").evaluate("(e) => parseFloat(getComputedStyle(e).fontSize)")
    assert large >= 60
    fridge = page.get_by_role("region", name="In the fridge")
    expect(fridge).to_contain_text("chhena, 416 g")
    clean(page)
    # what the sentence asks is answered without leaving, and taken back from here
    now = page.get_by_label("What to do now")
    later(page, clock, 600)
    expect(now.locator(".now")).to_be_visible()
    lines = len(batch(kitchen_url, 5)["log"]) + len(batch(kitchen_url, 6)["log"])
    now.get_by_role("button").first.click()
    undo = now.get_by_role("button", name="Undo")
    expect(undo).to_be_visible()
    expect(page).to_have_url(re.compile("/stove$"))
    undo.click()
    expect(undo).to_have_count(0)
    logs = [x for number in (5, 6) for x in batch(kitchen_url, number)["log"]]
    assert any(x["undone"] for x in logs) and len(logs) > lines
    page.get_by_role("link", name=re.compile("Tea milk for the crews")).last.click()
    expect(page).to_have_url(re.compile("/stove/6$"))
    page.get_by_label("What to do now").get_by_role("link", name="everything").click()
    expect(page).to_have_url(re.compile("/stove$"))


def test_one_thing_alone_has_the_whole_stove(page: Page, kitchen_url: str):
    off_all(kitchen_url)
    for b in ask(kitchen_url + "/api/stove")["batches"]:
        if b["id"] != 10:
            happens(kitchen_url, b["id"], kind="abandoned")
    page.goto(kitchen_url + "/stove")
    expect(page).to_have_url(re.compile("/stove/sweet/10$"))
    happens(kitchen_url, 10, kind="abandoned")
    page.goto(kitchen_url + "/stove")
    expect(page.locator("main")).to_contain_text("Nothing is on the fire.")
    page.goto(kitchen_url + "/stove/5")
    expect(page.locator("main")).to_contain_text("That pan is off the fire.")
    clean(page)


@WALK
def test_both_milks_are_cooked_on_the_page_of_their_sweet(page: Page, kitchen_url: str, clock, size: str):
    """Level, minutes, stirring, the curd's steps and both weights, without going anywhere; the sentence is of all three."""
    url = kitchen_url
    off_all(url)
    planned(page, "kalakand", {"url": url, "want": "24", "name": "Kalakand for the cox"})
    address, sweet = page.url, int(page.url.rsplit("/", 1)[1])
    page.get_by_role("link", name="Plan it on the Bench").click()
    pan = light(page)
    page.goto(address)
    page.get_by_role("list", name="The steps").get_by_role("link", name="plan it").first.click()
    pot = light(page)
    page.goto(address)
    milk = page.get_by_role("region", name="Milk for Kalakand for the cox", exact=True)
    chhena = page.get_by_role("region", name="Chhena for Kalakand for the cox", exact=True)
    expect(milk).to_contain_text("minutes to the first boil")
    expect(chhena).to_contain_text("Bring it to the boil.")
    clean_in_both(page)
    later(page, clock, 300)
    milk.get_by_role("button", name="First boil").click()
    expect(milk).to_contain_text("minutes to the stop")
    milk.get_by_role("button", name="Stirred").click()
    chhena.get_by_role("button", name="It boils").click()
    expect(chhena).to_contain_text("Take it off the flame and wait.")
    # what its bases ask for is the sentence here
    now = page.get_by_label("What to do now")
    later(page, clock, 400)
    expect(now).to_contain_text(re.compile("(Milk|Chhena) for Kalakand for the cox:"))
    milk.get_by_role("button", name="Take it off").click()
    milk.get_by_role("button", name="Weigh it").click()
    told = batch(url, pan)["served_kg"]["likely"]
    page.get_by_role("dialog").get_by_role("textbox").fill(f"{told * 900:.0f}")
    page.get_by_role("dialog").locator("button.plate").first.click()
    expect(milk).to_have_count(0)
    weighs = chhena.get_by_role("textbox", name="It weighs, g")
    weighs.fill("nothing")
    chhena.get_by_role("button", name="Weigh it").click()
    expect(chhena.get_by_role("alert")).to_contain_text("is no figure")
    while batch(url, pot)["steps"][batch(url, pot)["step"]]["name"] != "weigh":
        happens(url, pot, kind="step_done")
    weighs.fill(f"{batch(url, pot)['told_kg']['likely'] * 900:.0f}")
    weighs.press("Enter")  # its steps are told from elsewhere just now, and the page grows and shrinks with them
    expect(page.get_by_role("list", name="The steps").locator("> .done")).to_have_count(2)
    joined = next(s for s in batch(url, sweet)["steps"] if s["key"] == "join")
    weighed = batch(url, pan)["weighed_kg"] + batch(url, pot)["weighed_kg"]
    assert abs(joined["in_kg"] - weighed) < 1e-6
    expect(now).to_contain_text("Crumble the chhena")


def test_a_step_on_the_fire_takes_the_burner_that_is_named(page: Page, kitchen_url: str):
    """The first that is free is proposed; one that is taken cannot be chosen; the Stove and the strip say where it is."""
    url = kitchen_url
    off_all(url)
    planned(page, "bread in rabri", {"url": url, "want": "8", "name": "Bread for the eights"})
    number = int(page.url.rsplit("/", 1)[1])
    on = page.get_by_role("group", name="On which burner")
    left, right = (on.get_by_role("button", name=f"{side} burner") for side in ("left", "right"))
    expect(left).to_have_attribute("aria-pressed", "true")
    clean(page)
    right.click()
    expect(right).to_have_attribute("aria-pressed", "true")
    page.get_by_label("What to do now").get_by_role("button", name="Begin it").click()
    expect(page.locator(".steps .running")).to_have_count(1)
    step, burner = next(iter(batch(url, number)["burners"].items()))
    names = {b["id"]: b["name"] for b in ask(f"{url}/api/larder")["burners"]}
    assert names[burner] == "right burner" and step
    page.goto(url + "/stove")
    expect(place(page, "Bread for the eights")).to_contain_text("right burner")
    # what is planned next goes elsewhere
    planned(page, "bread in rabri", {"url": url, "want": "8", "name": "Bread for the fours"})
    expect(on).to_contain_text("taken: right burner")
    expect(right).to_have_count(0)
    expect(left).to_have_attribute("aria-pressed", "true")
    # nor into its pan
    pans = {p["id"]: p["name"] for p in ask(f"{url}/api/larder")["pans"]}
    into = page.get_by_role("group", name="In which pan")
    held = pans[next(iter(batch(url, number)["pans"].values()))]
    expect(into).to_contain_text(f"taken: {held}")
    expect(into.get_by_role("button", name=held)).to_have_count(0)
    expect(into.get_by_role("button", pressed=True)).to_have_count(1)
