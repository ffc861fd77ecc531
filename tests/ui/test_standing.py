"""What stands in the fridge: seen in the Larder, taken for a sweet on the Stove, let go of."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import clean
from tests.ui.test_sweets import begin, pick, write
from tests.web.test_instruments import ask


def standing(kitchen_url: str) -> dict[str, float]:
    return {b["name"]: round(b["mass_kg"], 6) for b in ask(f"{kitchen_url}/api/sweets/bases")["bases"]}


def test_sponge_balls_of_yesterdays_chhena(page: Page, kitchen_url: str, clock):
    before = standing(kitchen_url)["Chhena for the juniors"]
    page.goto(kitchen_url + "/sweets")
    pick(page, "which sweet", "sponge balls")
    write(page, "how many, or how much", "20")
    begin(page, "Balls for the cox")
    sweet = int(page.url.rsplit("/", 1)[1])
    take = page.get_by_role("button", name=re.compile("Or take it from “Chhena for the juniors”"))
    expect(take).to_have_count(1)
    expect(page.get_by_role("button", name=re.compile("first try|Kulfi base"))).to_have_count(0)  # not of this kind
    clean(page)
    take.click()
    gave = page.locator(".steps .done")
    expect(gave).to_contain_text(re.compile(r"gave \d+ g"))
    used = ask(f"{kitchen_url}/api/batches/{sweet}")["steps"][0]["base_kg"]
    assert standing(kitchen_url)["Chhena for the juniors"] == round(before - used, 6)
    expect(page.get_by_label("The weighing list")).to_contain_text("in its base")
    expect(page.get_by_label("What happened")).to_contain_text("of the sweet from it")

    # the bowl says where it went, and the Larder what is left
    page.get_by_role("link", name=re.compile("^gave")).click()
    expect(page.get_by_label("What happened")).to_contain_text("of it into Balls for the cox")
    page.goto(kitchen_url + "/larder")
    shelf = page.get_by_label("What stands in the fridge")
    row = shelf.get_by_role("listitem").filter(has_text="Chhena for the juniors")
    expect(row).to_contain_text(f"{(before - used) * 1e3:.0f} g")
    expect(row).to_contain_text("Use it by")
    clean(page)

    # undone on the Stove it stands there again, whole
    page.goto(f"{kitchen_url}/stove/sweet/{sweet}")
    expect(gave).to_contain_text("gave")
    page.keyboard.press("u")
    expect(page.locator(".steps .done")).to_have_count(0)
    assert standing(kitchen_url)["Chhena for the juniors"] == before

    # and thrown away it is offered no more
    page.goto(kitchen_url + "/larder")
    row.get_by_role("button", name=re.compile("thrown away")).click()
    expect(row.get_by_role("button", name="keep it")).to_be_visible()
    row.get_by_role("button", name=re.compile("spoiled")).click()
    expect(shelf.get_by_text("Chhena for the juniors")).to_have_count(0)
    assert "Chhena for the juniors" not in standing(kitchen_url)
