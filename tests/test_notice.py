"""The list of licences is of this very release."""

from tests.notice import NOTICE, PAGE, from_browser, from_python, notice, page

FREE = (
    "MIT",
    "BSD",
    "Apache",
    "ISC",
    "OFL",
    "PSF",
    "Python",
    "MPL",
    "Unlicense",
    "0BSD",
    "CC0",
    "Zlib",
    "HPND",
    "ZPL",
)


def test_it_is_as_the_lock_files_say():
    rows = from_python(), from_browser()
    assert PAGE.read_text("utf-8") == page(*rows), "./run notice writes it anew"
    assert NOTICE.read_text("utf-8") == notice(*rows)


def test_everything_that_ships_may_ship():
    python, browser = from_python(), from_browser()
    assert {"flask", "sqlalchemy", "numpy"} <= {name.lower() for name, _, _ in python}
    assert {"vue", "naive-ui"} <= {name for name, _, _ in browser}
    assert any("OFL" in licence for name, _, licence in browser if "font" in name)
    for name, _, licence in (*python, *browser):
        assert any(word in licence for word in FREE), f"{name}: {licence}"


def test_the_application_shows_it(client):
    told = client.get("/api/using/licences").json
    assert "naive-ui" in told["html"] and "sqlalchemy" in told["html"].lower()
