"""One making: from the sentence of the sweet to its pan, from the pan back to the sweet, into the Book."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import clean
from tests.ui.test_sweets import begin, pick, write
from tests.web.test_instruments import ask


def test_kulfi_with_its_milk_reduced_for_it(page: Page, kitchen_url: str, clock):
    page.goto(kitchen_url + "/sweets")
    pick(page, "which sweet", "kulfi")
    write(page, "how many, or how much", "12")
    told = page.locator(".told").inner_text()
    assert "12 sticks" in told
    begin(page, "Kulfi for the finals")
    sweet = int(page.url.rsplit("/", 1)[1])
    before = ask(f"{kitchen_url}/api/batches/{sweet}")

    # the base opens on the Bench as this sweet needs it, and says what it is for
    page.get_by_role("link", name="Plan it on the Bench").click()
    expect(page.get_by_role("status").filter(has_text="A base of Kulfi for the finals")).to_be_visible()
    clean(page)
    pick(page, "which burner", "jetty burner")
    expect(page.get_by_role("status").filter(has_text="A base of")).to_be_visible()  # also once the words changed
    page.get_by_role("button", name=re.compile("^Light it")).first.click()
    page.get_by_role("dialog").locator("button.plate").first.click()
    expect(page.get_by_label("What to do now")).to_contain_text("Stay within reach")
    pan = int(page.url.rsplit("/", 1)[1])

    # the sweet knows that it is under way, without being told
    page.goto(f"{kitchen_url}/stove/sweet/{sweet}")
    expect(page.locator(".steps .running")).to_have_count(1)
    expect(page.get_by_label("What to do now")).to_contain_text("is under way")
    clean(page)

    # a tenth more comes out of the pan than was told: a tenth more of all that goes in, and of the sweet
    events = f"{kitchen_url}/api/batches/{pan}/events"
    weighed = round(ask(f"{kitchen_url}/api/batches/{pan}")["served_kg"]["likely"] * 1.1, 3)
    for seconds, event in ((900, "first_boil"), (2400, "off"), (60, "weighed")):
        clock.now += seconds
        ask(events, {"event": {"kind": event, **({"mass_kg": weighed} if event == "weighed" else {})}})
    expect(page.locator(".steps .done")).to_have_count(1)
    expect(page.locator(".steps")).to_contain_text(f"gave {weighed * 1e3:.0f} g")
    after = ask(f"{kitchen_url}/api/batches/{sweet}")
    assert after["told_kg"]["likely"] > before["told_kg"]["likely"] * 1.05
    sugar = next(i for i, row in enumerate(before["rows"]) if "sugar" in row["name"])
    assert after["rows"][sugar]["grams"] > before["rows"][sugar]["grams"] * 1.05
    expect(page.get_by_label("What happened")).to_contain_text("of the sweet from it")

    # the pan's own page in the Book is one touch away, and the Book holds both
    page.get_by_role("link", name=re.compile("^gave")).click()
    expect(page.get_by_label("Told and got")).to_be_visible()
    page.goto(kitchen_url + "/book")
    book = page.get_by_role("region", name="Batches")
    expect(book).to_contain_text("Kulfi for the finals")
    expect(book.get_by_role("link", name=re.compile("full-cream|buffalo")).first).to_be_visible()
    clean(page)
