"""What each station's sentence said last is kept in the kitchen's file, for any screen of the house."""

from urllib.parse import quote_plus, urlencode

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy import text

from mulvek.web.app import create_app, stop

STATIONS = ("reduce", "curdle", "strain", "caramel", "sweets", "shopping")


def kept(client):
    return client.get("/api/last-words").json["words"]


def keep(client, station, query):
    return client.put(f"/api/last-words/{station}", json={"query": query})


def test_each_station_has_its_own_and_the_last_one_stands(client):
    assert kept(client) == {}
    for n, station in enumerate(STATIONS):
        assert keep(client, station, f"want={n}").json["words"][station] == f"want={n}"
    keep(client, "sweets", "sweet=kalakand&want=24")
    assert kept(client) == {s: f"want={n}" for n, s in enumerate(STATIONS)} | {"sweets": "sweet=kalakand&want=24"}
    assert keep(client, "sweets", "").json["words"]["sweets"] == ""


def test_they_outlive_the_server(client, tmp_path, clock):
    keep(client, "reduce", "amount=3+L")
    stop(client.application)
    again = create_app(tmp_path / "kitchen.sqlite3", clock=clock)
    assert kept(again.test_client()) == {"reduce": "amount=3+L"}
    stop(again)


@pytest.mark.parametrize("query", ["two words", "a=ü", "?a=1", "a=1#b", "a\n=1", "a=" + "9" * 4000])
def test_what_is_no_query_is_refused_by_name_and_nothing_is_lost(client, query):
    keep(client, "sweets", "want=12")
    refused = keep(client, "sweets", query)
    assert refused.status_code == 422
    assert [(f["path"], bool(f["message"])) for f in refused.json["fields"]] == [("query", True)]
    assert kept(client) == {"sweets": "want=12"}


def test_a_station_that_there_is_not_keeps_nothing(client):
    assert keep(client, "attic", "a=1").status_code in (404, 422)
    assert kept(client) == {}


def test_a_damaged_line_is_left_out_and_the_rest_is_told(client):
    for station in ("reduce", "sweets"):
        keep(client, station, "want=12")
    db = client.application.extensions["mulvek_database"]
    with db.writing() as session:
        session.execute(text("UPDATE last_words SET query = x'ff00' WHERE station = 'reduce'"))
    assert kept(client) == {"sweets": "want=12"}


@settings(max_examples=60, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.dictionaries(st.text(min_size=1, max_size=12), st.text(max_size=40), max_size=8))
def test_whatever_a_browser_writes_comes_back_to_the_letter(client, words):
    query = urlencode(words, errors="replace", quote_via=quote_plus)
    assert keep(client, "sweets", query).status_code == 200
    assert kept(client)["sweets"] == query
