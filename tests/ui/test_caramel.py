"""Caramelised milk in Chromium: from the sweet's sentence to its pan, by shade and pour to the weighed jar."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, box, clean, clean_in_both, later, pick
from tests.ui.test_sweets import begin, write
from tests.web.test_instruments import ask


def off_all(url: str) -> None:
    """What is on the fire comes off, so that pans and burners are free."""
    for batch in ask(f"{url}/api/stove")["batches"]:
        if batch["kind"] == "reduce":
            ask(f"{url}/api/batches/{batch['id']}/events", {"event": {"kind": "abandoned"}})


@WALK
def test_from_the_sweet_to_the_jar(page: Page, kitchen_url: str, clock):
    off_all(kitchen_url)
    page.goto(kitchen_url + "/sweets")
    pick(page, "which sweet", "caramelised milk")
    write(page, "how many, or how much", "20")
    begin(page, "Caramel for the finals")
    sweet = int(page.url.rsplit("/", 1)[1])
    page.get_by_role("link", name="Plan it on the Bench").click()
    expect(page.get_by_role("status").filter(has_text="A base of Caramel for the finals")).to_be_visible()
    rows = {row["when"]: row for row in ask(f"{kitchen_url}/api/batches/{sweet}")["rows"]}
    sugar = f"{rows['to caramelise, dry']['grams']:.0f} g"
    expect(page.get_by_role("button", name="how much sugar:")).to_contain_text(sugar)
    expect(page.get_by_role("button", name="how far it is simmered:")).to_contain_text("73 %")
    expect(page.locator("p.answer")).to_contain_text("168 °C")
    clean_in_both(page)
    page.get_by_role("button", name="Light it").click()
    page.get_by_role("dialog").locator("button.plate").first.click()
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text("Swirl it; do not stir.")
    expect(page).to_have_url(re.compile("/stove/caramel/"))
    caramel = int(page.url.rsplit("/", 1)[1])
    events = f"{kitchen_url}/api/batches/{caramel}/events"
    clean_in_both(page)

    # a shade is told by its key, a temperature typed; what comes is told from them, after a reload too
    later(page, clock, 240)
    page.keyboard.press("r")
    page.get_by_role("button", name="straw", exact=True).focus()
    page.keyboard.press("Enter")
    expect(page.get_by_label("What happened")).to_contain_text("it looks straw")
    later(page, clock, 20)
    box(page, "Or by thermometer, °C").fill("164")
    page.get_by_role("button", name="Read it").click()
    expect(page.get_by_label("What happened")).to_contain_text("read 164.0 °C")
    expect(page.locator(".huge")).to_contain_text(re.compile("16[4-7]"))
    page.reload()
    expect(page.locator(".huge")).to_contain_text(re.compile("16[4-9]"))
    later(page, clock, 4)
    page.get_by_role("button", name=re.compile("^It is off")).click()
    expect(now).to_contain_text("Butter in")
    clean_in_both(page)

    # each pour is one press; the last begins the simmering
    page.get_by_role("button", name="Butter is in").click()
    expect(now).to_contain_text("warm milk in")
    expect(page.get_by_label("What happened")).to_contain_text("of butter in")
    of = ask(f"{kitchen_url}/api/batches/{caramel}")["next_pour"]["of"]
    for pour in range(1, of + 1):
        expect(page.locator("p.beside")).to_contain_text(f"pour {pour} of {of}" if of > 1 else "milk")
        later(page, clock, 45)
        page.get_by_role("button", name=re.compile("^It is in")).first.click()
    expect(now).to_contain_text("Condensed milk in")
    page.get_by_role("button", name=re.compile("^It is in")).first.click()
    expect(now).to_contain_text("Simmer it to")
    clean_in_both(page)
    stands = ask(f"{kitchen_url}/api/batches/{caramel}")
    half = (stands["mixed_kg"] + stands["stop_kg"]) / 2 + stands["told"]["pan_kg"]
    later(page, clock, 0.6 * stands["left_s"]["likely"])
    page.get_by_role("textbox", name=re.compile("^On the scale")).fill(f"{half * 1e3:.0f}")
    page.get_by_role("button", name="Weigh it").click()
    expect(page.get_by_label("What happened")).to_contain_text("in the pan")

    # the sweet has gone along with it
    there = {s["key"]: s["phase"] for s in ask(f"{kitchen_url}/api/batches/{sweet}")["steps"]}
    assert there == {"caramel": "done", "open": "done", "cook": "running", "jar": "waits"}
    page.get_by_role("button", name=re.compile("^It is off")).click()
    expect(now).to_contain_text("Weigh what it gave.")
    gave = round(0.88 * stands["told_kg"]["likely"] * 1e3)
    box(page, "It gave, without the pan, g").fill(str(gave))
    page.get_by_role("button", name="It gave", exact=True).click()
    expect(now).to_contain_text(f"It gave {gave} g")
    expect(now).to_contain_text("less than told")
    clean_in_both(page)
    ask(events, {"event": {"kind": "note", "text": "sets well"}})
    page.get_by_role("link", name="its sweet").click()
    expect(page.locator(".steps .done")).to_have_count(3)
    assert ask(f"{kitchen_url}/api/batches/{sweet}")["weighed_kg"] == gave / 1e3
    page.goto(kitchen_url + "/book")
    expect(page.get_by_role("region", name="Batches")).to_contain_text("of sugar to amber in")


def test_too_dark_is_said_and_the_shade_can_be_moved(page: Page, kitchen_url: str, clock):
    plan = {"sugar": "200 g", "pan": 3, "burner": 3, "milk": 2}
    made = ask(f"{kitchen_url}/api/batches", {"batch": {"kind": "caramel", "name": "Dark one", "plan": plan}})
    page.goto(f"{kitchen_url}/stove/caramel/{made['id']}")
    knob = page.get_by_role("slider", name="the shade to stop at")
    expect(knob).to_have_attribute("aria-valuetext", re.compile("^amber, off the flame at 168"))
    knob.focus()
    page.keyboard.press("ArrowUp")
    expect(knob).to_have_attribute("aria-valuetext", re.compile("^pale gold, off the flame at 161"))
    expect(page.get_by_label("What happened")).to_contain_text("to pale gold instead")
    later(page, clock, 300)
    page.get_by_role("button", name="deep amber", exact=True).click()
    now = page.get_by_label("What to do now")
    expect(now).to_contain_text(re.compile("now|bitter"))
    later(page, clock, 1)
    page.keyboard.press("r")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(page.get_by_label("What happened")).to_contain_text("it looks dark")
    expect(now).to_contain_text("begin again")
    page.keyboard.press("u")
    expect(page.get_by_label("What happened")).to_contain_text("it looks dark, undone")
    clean(page)
    # the Stove's first page says what it asks for, with a button of its own
    ask(f"{kitchen_url}/api/batches/{made['id']}/events", {"event": {"kind": "undo", "event_id": 3}})
    clock.now += 400
    page.goto(kitchen_url + "/stove")
    first = page.get_by_label("What to do now")
    expect(first).to_contain_text("Dark one")
    button = first.locator("button.plate")
    expect(button).to_have_text(re.compile("^(Look at it|Take it off)"))
    button.click()
    # the Stove's first page leads here, and so does the strip above
    page.get_by_role("link", name="Dark one").first.click()
    expect(page).to_have_url(re.compile(f"/stove/caramel/{made['id']}$"))


def test_two_milks_never_default_to_one_pan(page: Page, kitchen_url: str):
    """Kalakand's two bases: the second is offered a pan and a burner on which nothing stands."""
    off_all(kitchen_url)
    page.goto(kitchen_url + "/sweets")
    pick(page, "which sweet", "kalakand")
    write(page, "how many, or how much", "12")
    begin(page, "Kalakand for two fires")
    sweet = page.url
    page.get_by_role("link", name="Plan it on the Bench").click()
    _light(page)
    page.goto(sweet)
    page.get_by_label("The steps").get_by_role("link", name="plan it").click()
    _light(page)
    lit = [b for b in ask(f"{kitchen_url}/api/stove")["batches"] if b.get("parent_id")]
    assert len(lit) == 2 and len({b["pan_id"] for b in lit}) == 2 == len({b["burner_id"] for b in lit})


def _light(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text="A base of Kalakand")).to_be_visible()
    expect(page.locator("p.answer").first).to_be_visible()
    page.get_by_role("button", name=re.compile("^Light it")).first.click()
    page.get_by_role("dialog").locator("button.plate").first.click()
    expect(page).to_have_url(re.compile("/stove/"))
