"""Our own text as the application serves it: every why leads to its rule, every link to a page, every word to its section."""

import re

import pytest
from hypothesis import HealthCheck, given, settings
from pydantic import ValidationError

from mulvek.core.errors import KitchenError
from mulvek.core.planning.sweets.library import library
from mulvek.web.reading import DOCS, PAGES, Volume, page, source
from tests import sizes
from tests.sizes import sized
from tests.test_whole_space import EACH_KIND, KINDS


def anchors(key: str, volume: Volume = "science") -> set[str]:
    return set(re.findall(r'id="([\w-]+)"', page(volume, key).html))


EVERY = [(volume, key) for volume, pages in PAGES.items() for key in pages]


@pytest.mark.parametrize(("volume", "key"), EVERY)
def test_every_page_is_served_and_every_link_of_it_leads_somewhere(client, volume, key):
    told = client.get(f"/api/{volume}/{key}")
    assert told.status_code == 200 and told.json["title"]
    assert [p["key"] for p in told.json["pages"]] == list(PAGES[volume])
    html = told.json["html"]
    assert ".md" not in html.replace("README.md", "") and "{#" not in html and "![" not in html
    for of, where, anchor in re.findall(r'href="/(science|using)/([\w-]+)(?:#([\w-]+))?"', html):
        assert where in PAGES[of] and (not anchor or anchor in anchors(where, of))
    for address in re.findall(r'(?:src|href)="(/(?!science/|using/[\w-]+(?:#|"))[^"]*)"', html):
        assert client.get(address.replace("&amp;", "&")).status_code == 200, address
    assert client.get(f"/{volume}/{key}").status_code == 200


@pytest.mark.parametrize("volume", PAGES)
def test_a_page_that_is_not_there_is_said_so(client, volume):
    answer = client.get(f"/api/{volume}/alchemy")
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "page"
    assert client.get("/using/pictures/../reading.py").status_code == 404


@pytest.mark.parametrize("volume", PAGES)
def test_all_that_lies_in_the_folder_is_served(volume):
    lie = {f.relative_to(DOCS).as_posix() for f in (DOCS / volume).rglob("*.md")}
    assert lie == {file for file in PAGES[volume].values() if file.startswith(volume)}


@pytest.mark.parametrize(
    ("words", "where", "anchor"),
    [
        ("undo", "stove", "changes-of-mind"),
        ("sponge balls failed", "jobs", "sponge-balls-that-failed-many-times"),
        ("boiling carrots in milk", "jobs", "carrot-halwa-in-milk"),  # stems, and words that stand apart
        ("HANDY knock let in", "phone", "knocking-and-being-let-in"),  # one word that stands nowhere
    ],
)
def test_words_are_found_where_they_are_told(client, words, where, anchor):
    found = client.post("/api/using/find", json={"words": words}).json["sections"]
    assert (found[0]["page"], found[0]["anchor"]) == (where, anchor)
    assert found[0]["says"] and all(not f["anchor"] or f["anchor"] in anchors(f["page"], "using") for f in found)


def test_words_that_stand_nowhere_are_not_found(client):
    assert client.post("/api/using/find", json={"words": "zzz  ?"}).json == {"sections": []}
    assert client.post("/api/using/find", json={"words": ""}).json == {"sections": []}
    signs = client.post("/api/using/find", json={"words": '"larder" NEAR( OR *; --'})  # no words of the search's own
    assert signs.status_code == 200 and "larder" in {found["page"] for found in signs.json["sections"]}


def test_every_sweet_of_the_library_has_its_job_or_its_line():
    """Whoever adds a sweet tells how it is used."""
    told = (source("using", "jobs") + source("using", "sweets")).lower()
    kept = [sweet for sweet in library().values() if not sweet.hidden]
    assert len(kept) >= 20 and [s.name for s in kept if f"sweet={s.key}" not in told and s.name not in told] == []


def test_every_job_opens_a_way_of_a_sweet_that_there_is():
    links = re.findall(r"\(/sweets\?sweet=([\w-]+)(?:&school=([\w-]+))?\)", source("using", "jobs"))
    assert len(links) >= 21
    for sweet, school in links:
        assert sweet in library() and (not school or school in library()[sweet].schools), (sweet, school)


@EACH_KIND
def test_every_why_leads_to_its_rule(kind, requests):
    answer, _ = KINDS[kind]
    seen = set()

    @settings(
        max_examples=sized(150, 3000),
        deadline=None,
        derandomize=not sizes.full,
        suppress_health_check=[HealthCheck.filter_too_much],
    )
    @given(requests)
    def ask(body):
        try:
            whys = answer(body).whys
        except (KitchenError, ValidationError):
            return
        for key, why in whys.items():
            where, _, anchor = why.rule.partition("#")
            assert anchor == key and anchor in anchors(where), why.rule
            seen.add(key)

    ask()
    assert len(seen) >= {"reduce": 16, "curdle": 7, "strain": 3, "caramel": 5, "sweet": 8}[kind]
