"""What is said without network, in several tabs, over plain HTTP: nothing lost, nothing twice, nothing dropped unseen."""

import pytest
from playwright.sync_api import Page, expect

from tests.ui.test_home import let_in
from tests.web.test_instruments import ask


def stove(page: Page, url: str, batch: int) -> Page:
    page.goto(f"{url}/stove/{batch}")
    expect(page.get_by_text("minutes to the stop").first).to_be_visible()
    return page


@pytest.mark.parametrize("host", ["127.0.0.1", "kitchen.lan"], ids=["with locks", "without"])
def test_two_tabs_offline_and_one_closed(page: Page, kitchen_url: str, host: str):
    url, batch = kitchen_url.replace("127.0.0.1", host), kitchen_url + "/api/batches/5"
    before = ask(batch)["log"]
    if host == "kitchen.lan":
        let_in(page, url, kitchen_url, "log")
    stove(page, url, 5)
    other = stove(page.context.new_page(), url, 5)
    assert page.evaluate("() => 'locks' in navigator") == (host == "127.0.0.1")
    page.context.set_offline(True)
    for tab, key, waits in ((page, "s", 1), (other, "c", 2), (page, "s", 3)):
        tab.keyboard.press(key)
        for each in (page, other):
            expect(each.get_by_role("region", name="Burners")).to_contain_text(f"{waits} happening")
    other.close()
    page.context.set_offline(False)
    expect(page.get_by_role("region", name="Burners")).not_to_contain_text("happening")
    known = {line["event_id"] for line in before}
    fresh = sorted((x["event_id"], x["kind"]) for x in ask(batch)["log"] if x["event_id"] not in known)
    assert [kind for _, kind in fresh] == [
        "stirred",
        "scraped",
        "stirred",
    ]  # as they were said, whichever tab said it


def test_what_is_refused_later_is_shown_until_it_was_seen(page: Page, kitchen_url: str):
    batch = kitchen_url + "/api/batches/6"
    stove(page, kitchen_url, 6)
    page.context.set_offline(True)
    page.keyboard.press("b" if not ask(batch)["boiled_at_s"] else "i")
    expect(page.get_by_role("region", name="Burners")).to_contain_text("1 happening waits here, safe")
    for event in ({"kind": "off"}, {"kind": "weighed", "mass_kg": 1.2}):
        ask(batch + "/events", {"event": event})
    page.context.set_offline(False)
    refused = page.get_by_role("alert").filter(has_text="was not taken")
    expect(refused).to_contain_text("sugar in")
    page.reload()
    expect(refused).to_be_visible()
    page.goto(kitchen_url + "/book")
    expect(refused).to_be_visible()
    refused.get_by_role("button", name="Let it go").click()
    expect(refused).to_have_count(0)
    page.reload()
    expect(page.locator("h1")).to_have_count(1)
    expect(refused).to_have_count(0)
