"""What stands in the fridge: seen in the Larder, taken for a sweet on the Stove, let go of."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, clean, clean_in_both
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
    shelf = page.get_by_role("region", name="The shelf")
    row = shelf.locator(".things > li").filter(has_text="Chhena for the juniors").filter(has_text="chhena")
    row = row.filter(has_not=page.get_by_text("whey", exact=True))
    expect(row).to_contain_text(f"{(before - used) * 1e3:.0f} g")
    expect(row).to_contain_text(re.compile(r"ends|let it go"))
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
    expect(row).to_have_count(0)
    assert "Chhena for the juniors" not in standing(kitchen_url)


@WALK
def test_the_shelf_says_what_ends_first_and_what_it_still_makes(page: Page, kitchen_url: str, clock):
    """Curd, whey, syrup and jar of the boathouse; a use opens Sweets with that very thing in its sentence."""
    page.goto(kitchen_url + "/larder")
    shelf = page.get_by_role("region", name="The shelf")
    names = shelf.locator(".things > li .words")
    expect(names.first).to_be_visible()
    there = {t["kind"]: t for t in ask(f"{kitchen_url}/api/shelf")["things"]}
    assert {"curdle", "whey", "syrup", "caramel"} <= set(there)
    expect(shelf.locator(".sentence")).to_contain_text("Use the chhena first")
    clean_in_both(page)
    use = there["curdle"]["uses"][0]
    link = shelf.locator(".uses").get_by_role("link").first
    expect(link).to_have_text(f"{use['says']} {use['name']}")
    link.click()
    expect(page).to_have_url(re.compile(f"/sweets\\?.*sweet={use['words']['sweet']}"))
    expect(page.locator(".told")).to_contain_text(use["says"])
    expect(page.get_by_label("The sentence").or_(page.locator(".sentence")).first).to_contain_text("chhena")

    # the whey is let go of by itself: the curd stays, and it can be undone on its own page
    page.goto(kitchen_url + "/larder")
    whey = shelf.locator(".things > li").filter(has=page.get_by_text("whey", exact=True))
    whey.get_by_role("button", name=re.compile("^used up")).click()
    expect(whey).to_have_count(0)
    kinds = [t["kind"] for t in ask(f"{kitchen_url}/api/shelf")["things"]]
    assert "whey" not in kinds and "curdle" in kinds
    page.goto(f"{kitchen_url}/stove/curd/{there['whey']['batch']}")
    expect(page.get_by_label("What happened")).to_contain_text("the whey is used up")
    page.keyboard.press("u")
    expect(page.get_by_label("What happened")).to_contain_text("the whey is used up, undone")
    assert "whey" in [t["kind"] for t in ask(f"{kitchen_url}/api/shelf")["things"]]

    # two days later the chhena is over, and says so
    clock.now += 2 * 86_400
    page.goto(kitchen_url + "/larder")
    chhena = shelf.locator(".things > li").filter(has=page.get_by_text("chhena", exact=True))
    expect(chhena).to_contain_text("let it go")
    expect(chhena.get_by_role("listitem")).to_have_count(0)
