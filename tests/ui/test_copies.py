"""Safe keeping in the Larder: a copy saved, and the kitchen brought back to it."""

import re

from playwright.sync_api import Page, expect

from tests.ui.hands import WALK, clean_in_both


@WALK
def test_a_copy_is_saved_and_brought_back(page: Page, kitchen_url: str):
    page.goto(kitchen_url + "/larder")
    keeping = page.get_by_role("region", name="Safe keeping")
    expect(keeping).to_contain_text("No copy of this kitchen is kept yet")
    keeping.get_by_role("button", name="Save one now").click()
    expect(keeping).to_contain_text("of this minute")
    clean_in_both(page)
    page.get_by_role("button", name="jetty burner").click()
    page.get_by_role("button", name="Take it out").click()
    expect(page.get_by_role("button", name="jetty burner")).to_be_hidden()
    keeping.get_by_role("button", name=re.compile("bring back the copy")).click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("7 reductions, 3 curds, 1 caramel, 3 sweets")
    clean_in_both(page)
    dialog.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_role("button", name="jetty burner")).to_be_visible()
    expect(keeping).to_contain_text("before a copy was brought back")
    with page.expect_download() as saved:
        keeping.get_by_role("link", name=re.compile("download")).last.click()
    assert saved.value.suggested_filename.endswith(".sqlite3")
