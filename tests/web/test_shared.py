"""What both sides need comes from one place: the document, its types, the addresses, the constants, the loudness."""

import json
import shutil
import subprocess
from pathlib import Path

import pytest

from mulvek.core.batch.attention import Nudge
from mulvek.core.messages.message import Message
from mulvek.web.pages import ADDRESSES
from mulvek.web.shared import shared_ts

ROOT = Path(__file__).parents[2]
API = ROOT / "ui" / "src" / "api"
AGREED = json.loads((ROOT / "tests" / "agreed" / "loudness.json").read_text())


def test_the_browsers_constants_are_the_servers():
    assert (API / "shared.ts").read_text() == shared_ts(), "./run api writes it anew"


def test_the_browsers_types_are_those_of_the_document(tmp_path):
    made = tmp_path / "schema.d.ts"
    tool = ROOT / "ui" / "node_modules" / ".bin" / "openapi-typescript"
    if not tool.exists() or shutil.which("node") is None:
        pytest.skip("Node's packages are not installed: ./run test does it")
    command = [tool, ROOT / "openapi.json", "--default-non-nullable", "false", "-o", made]
    subprocess.run(command, check=True, capture_output=True, cwd=ROOT / "ui")
    assert made.read_text() == (API / "schema.d.ts").read_text(), "./run api writes it anew"


def test_every_address_of_the_one_page_is_answered_with_it(client):
    home = client.get("/").data
    for address in ADDRESSES.values():
        answer = client.get(address.replace("<int:id>", "7"))
        assert answer.status_code == 200 and answer.data == home, address
    # an address that leads nowhere is a page too, for whoever looks at it; a program is told in its own way
    for address in ("/nowhere", "/stove/x", "/book/-1"):
        lost = client.get(
            address, headers={"Accept": "text/html,application/xhtml+xml,application/xml;q=0.9,image/avif,*/*;q=0.8"}
        )
        assert lost.status_code == 404 and lost.data == home
        assert client.get(address).json["status"] == 404
    for address in ("/api/nowhere", "/assets/none.js"):
        assert client.get(address, headers={"Accept": "text/html"}).json["status"] == 404


def test_no_address_is_written_twice():
    """A page's path in the router must come from the shared list, so that a reload finds it too."""
    router = (ROOT / "ui" / "src" / "router.ts").read_text()
    written = [line for line in router.splitlines() if "path: '" in line]
    assert written == ["      { path: '/:rest(.*)*', component: NoSuchPage, meta: { title: 'No such page' } },"]


@pytest.mark.parametrize("case", AGREED, ids=lambda c: f"{c['kind']} {c['late_s']} s late")
def test_loudness_is_what_both_sides_agreed(case):
    nudge = Nudge(
        key="stir",
        episode="1",
        kind=case["kind"],
        due_at_s=1000.0,
        says=Message("stir-now"),
        answer="stirred",
        missed=case["missed"],
        hushed=case["hushed"],
    )
    assert nudge.loudness(1000.0 + case["late_s"]) == case["is"]
