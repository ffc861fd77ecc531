"""The science as the application serves it: every why leads to its rule, every link to a page."""

import re

import pytest
from hypothesis import HealthCheck, given, settings
from pydantic import ValidationError

from mulvek.core.errors import KitchenError
from mulvek.web.science import FOLDER, PAGES, page
from tests import sizes
from tests.sizes import sized
from tests.strategies import caramels, curdlings, reductions, strainings, sweets
from tests.test_whole_space import KINDS


def anchors(key: str) -> set[str]:
    return set(re.findall(r'id="([\w-]+)"', page(key).html))


@pytest.mark.parametrize("key", PAGES)
def test_every_page_is_served_and_every_link_of_it_leads_somewhere(client, key):
    told = client.get(f"/api/science/{key}")
    assert told.status_code == 200 and told.json["title"] and [p["key"] for p in told.json["pages"]] == list(PAGES)
    html = told.json["html"]
    assert (".md" not in html and "{#" not in html and "<table>" in html) or key in (
        "strain",
        "caramel",
        "sweets",
        "keeping",
        "reduce",
    )
    for where, anchor in re.findall(r'href="/science/([\w-]+)(?:#([\w-]+))?"', html):
        assert where in PAGES and (not anchor or anchor in anchors(where))
    assert client.get(f"/science/{key}").status_code == 200


def test_a_page_that_is_not_there_is_said_so(client):
    answer = client.get("/api/science/alchemy")
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "page"


def test_all_that_lies_in_the_folder_is_served():
    assert sorted(PAGES.values()) == sorted(f.relative_to(FOLDER).as_posix() for f in FOLDER.rglob("*.md"))


@pytest.mark.parametrize(
    ("kind", "requests"),
    [
        ("reduce", reductions),
        ("curdle", curdlings),
        ("strain", strainings),
        ("caramel", caramels),
        ("sweet", sweets()),
    ],
    ids=lambda value: value if isinstance(value, str) else "",
)
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
