"""A kitchen that nobody has said anything of: four questions in one sentence, and the first plan follows each answer."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from mulvek.web.app import create_app
from tests.kitchens import Stand
from tests.ui.hands import WALK, clean_in_both, pick, write
from tests.web.test_instruments import ask


@pytest.fixture
def kitchen_url(stand: Stand, tmp_path: Path, clock) -> Iterator[str]:
    """New, instead of the boathouse."""
    with stand.serving(create_app(tmp_path / "new.sqlite3", clock=clock)) as url:
        yield url


@WALK
def test_four_questions_in_one_sentence(page: Page, kitchen_url: str, size: str):
    page.goto(kitchen_url + "/bench")
    first = page.get_by_role("region", name="Your kitchen")
    expect(first).to_contain_text("24 cm wide and 14 cm high")
    clean_in_both(page)
    plan = page.get_by_role("region", name="The plan")
    write(page, "the pan, by two measures inside", "huge")
    expect(first.get_by_role("alert")).to_contain_text("“huge” is no pot")
    write(page, "the pan, by two measures inside", "20 x 11.5")
    expect(first).to_contain_text("20 cm wide and 11.5 cm high")
    expect(first.get_by_role("alert")).to_have_count(0)
    expect(plan).to_contain_text("the 20 cm pot")
    expect(plan).to_contain_text("1.5 L")  # what it holds, with room for the boil
    write(page, "what my cup holds", "240 ml")
    expect(first).to_contain_text("240 ml")
    pick(page, "what I cook on", "large induction|induction")
    pick(page, "which milk I have", "buffalo")
    expect(plan).to_contain_text("buffalo")
    kept = ask(kitchen_url + "/api/larder")
    assert kept["kitchen"]["cup_ml"] == 240 and kept["pans"][0]["height_m"] == pytest.approx(0.115)
    assert "induction" in kept["burners"][0]["kind"] and not kept["untouched"]
    expect(page.locator(".answer").first).to_contain_text(re.compile(r"about\s+\d+\s+minutes"))
    # it stays until it is put away, and does not come back
    first.get_by_role("button", name="That is my kitchen").click()
    expect(first).to_have_count(0)
    page.reload()
    expect(plan).to_contain_text("the 20 cm pot")
    expect(first).to_have_count(0)


def test_who_has_a_kitchen_is_not_asked(page: Page, kitchen_url: str):
    pot = ask(kitchen_url + "/api/larder")
    assert pot["untouched"]
    plan = {"milk": 1, "amount": "1 L", "pan": 1, "burner": 1, "stop": "a half", "sugar": ""}
    ask(kitchen_url + "/api/batches", {"batch": {"kind": "reduce", "name": "tea milk", "plan": plan}})
    assert not ask(kitchen_url + "/api/larder")["untouched"]
    page.goto(kitchen_url + "/bench")
    expect(page.get_by_role("region", name="The plan")).to_be_visible()
    expect(page.get_by_role("region", name="Your kitchen")).to_have_count(0)
