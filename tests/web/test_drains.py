"""A cloth that drains as it does here: weighed hangings teach it, every station goes by it, and it is owned like any number."""

import math

import numpy as np
import pytest
from sqlalchemy import text

from tests.web.test_bases_agree import opened
from tests.web.test_curd_batches import CURDLE
from tests.web.test_learned import learned, numbers, own
from tests.web.test_making import begin, happens
from tests.web.test_sweet_wishes import told as sweet

HANG = {"amount": "1 kg", "end": "shrikhand"}
SLOW = 1.3
DAY_S = 86_400.0


def bench(client, **more):
    answer = client.post("/api/bench/strain", json={**HANG, **more})
    assert answer.status_code == 200, answer.json
    return answer.json


class Hangings:
    """Of a kitchen in which all drains so much slower than the table says."""

    def __init__(self, client, clock, slow=SLOW):
        self.client, self.clock, self.slow = client, clock, slow
        self.tables = {}

    def table(self, cloth):
        return self.tables.setdefault(cloth, bench(self.client, cloth=cloth))

    def whey(self, cloth, seconds):
        told = self.table(cloth)
        return round(float(np.interp(seconds / self.slow, told["at_s"], told["curve_whey_kg"])), 4)

    def one(self, cloth="muslin", read_s=4 * 3600.0, down_s=15 * 3600.0):
        self.table(cloth)
        batch = begin(self.client, "strain", {**HANG, "cloth": cloth})["id"]
        self.clock.now += read_s
        happens(self.client, batch, kind="whey", mass_kg=self.whey(cloth, read_s))
        self.clock.now += down_s - read_s
        happens(self.client, batch, kind="step_done")
        self.clock.now += 120
        happens(self.client, batch, kind="weighed", mass_kg=round(1.0 - self.whey(cloth, down_s), 4))
        self.clock.now += DAY_S
        return batch


@pytest.fixture
def hangings(client, clock):
    return Hangings(client, clock)


def cloths(client):
    return numbers(learned(client), "drain")


def test_hangings_teach_their_cloth_and_the_bench_goes_by_it(client, hangings):
    before = bench(client)
    batches = [hangings.one() for _ in range(3)]
    muslin = cloths(client)["muslin"]
    assert muslin["batches"] == 3 and [t["batch"] for t in muslin["taught_by"]] == batches[::-1]
    assert all(t["times"] == pytest.approx(SLOW, rel=0.03) for t in muslin["taught_by"])
    assert 1.2 < muslin["times"]["likely"] < SLOW + 0.02 and muslin["name"] == "a muslin"
    after = bench(client)
    assert after["seconds"]["likely"] == pytest.approx(
        before["seconds"]["likely"] * muslin["times"]["likely"], rel=1e-6
    )
    width = lambda told: told["seconds"]["high"] / told["seconds"]["low"]  # noqa: E731
    assert width(after) < width(before)
    assert after["curd_kg"] == before["curd_kg"]  # how thick is judged by spoon: only the hours move
    assert [t["value"] for t in after["whys"]["time"]["terms"] if t["name"] == "τ learned here"] == [
        f"{muslin['times']['likely']:.2f} ×"
    ]
    assert not any("learned here" in t["name"] for t in before["whys"]["time"]["terms"])


def test_another_cloth_is_known_a_little_by_it(client, hangings):
    before = bench(client, cloth="paper")["seconds"]["likely"]
    hangings.one()
    after = bench(client, cloth="paper")["seconds"]["likely"]
    assert 1.03 < after / before < 1.15  # how one hangs here, not the cloth
    assert "paper" not in cloths(client)


def test_sweets_says_the_hours_that_the_bench_says(client, hangings):
    def hours():
        plan = sweet(client, "shrikhand", "8", whole_packs=False)
        base = next(b for b in plan["bases"] if b["route"] == "/strain")
        there = opened(client, base)["seconds"]["likely"]
        step = next(s for s in plan["steps"] if s["step"]["base"] == base["letter"])["step"]["seconds"]["likely"]
        assert there == pytest.approx(step, rel=0.02)
        return step

    before = hours()
    for _ in range(2):
        hangings.one()
    assert hours() > 1.12 * before


def test_what_runs_keeps_what_it_was_told_by_and_its_own_whey_moves_it(client, clock, hangings):
    running = begin(client, "strain", HANG)
    first = running["steps"][0]["seconds"]
    clock.now += 600
    hangings.one()
    still = client.get(f"/api/batches/{running['id']}").json["steps"][0]["seconds"]
    assert still == pytest.approx(first)


@pytest.mark.parametrize("how", ["undone", "left out", "given up", "hardly begun"])
def test_what_teaches_nothing(client, clock, hangings, how):
    table = bench(client)["seconds"]
    match how:
        case "hardly begun":
            hangings.one(read_s=120, down_s=300)
        case "given up":
            batch = begin(client, "strain", HANG)["id"]
            clock.now += 4 * 3600
            happens(client, batch, kind="whey", mass_kg=0.3)
            happens(client, batch, kind="abandoned")
        case "left out":
            client.put("/api/learned/counts", json={"batch": hangings.one(), "counts": False})
        case "undone":
            batch = hangings.one()
            assert bench(client)["seconds"] != table
            undo = client.get(f"/api/batches/{batch}").json["undo_id"]
            happens(client, batch, kind="undo", event_id=undo)
    assert cloths(client) == {} and bench(client)["seconds"] == table


def test_it_is_owned_like_any_number(client, clock, hangings):
    hangings.one()
    known = bench(client)["seconds"]
    assert numbers(own(client, family="drain", key="muslin", do="freeze"))["muslin"]["frozen"]
    clock.now += 60
    hangings.one()
    assert bench(client)["seconds"] == known
    own(client, family="drain", key="muslin", do="thaw")
    assert bench(client)["seconds"]["likely"] > known["likely"]
    clock.now += 60
    anew = numbers(own(client, family="drain", key="muslin", do="anew"))["muslin"]
    assert anew["batches"] == 0 and anew["times"]["likely"] == 1.0
    assert client.put("/api/learned", json={"family": "drain", "key": "sack", "do": "anew"}).status_code == 404


def test_a_wild_one_counts_for_little(client, hangings):
    for _ in range(4):
        hangings.one()
    before = bench(client)["seconds"]["likely"]
    hangings.slow = 0.45  # the neighbour hung it over the stove
    wild = hangings.one(down_s=6 * 3600.0)
    after = bench(client)["seconds"]["likely"]
    assert abs(math.log(after / before)) < 0.12
    assert [t["aside"] for t in cloths(client)["muslin"]["taught_by"] if t["batch"] == wild] == [True]


def test_what_to_measure_next_names_the_cloth_until_it_was_weighed(client, clock, hangings):
    begin(client, "strain", HANG)
    wanted = lambda: [m for m in learned(client)["next"] if m["how"] == "weigh-hung"]  # noqa: E731
    (first,) = wanted()
    assert first["name"] == "a muslin" and first["uses"] == 1 and first["after"] < first["now"]
    hangings.one()
    assert wanted()[0]["now"] < first["now"]


def test_each_curd_bench_says_what_it_rests_on(client, clock, hangings):
    rests = lambda route, body: client.post(f"/api/bench/{route}", json=body).json["rests_on"]  # noqa: E731
    assert rests("strain", HANG).startswith("the table of cloths")
    hangings.one()
    assert rests("strain", HANG) == "your one hanging in muslin"
    hangings.one()
    assert rests("strain", HANG) == "your last 2 hangings in muslin"
    assert rests("strain", {**HANG, "readings": [{"minutes": 120, "whey_g": 250}]}) == "the whey you weighed"
    curd = CURDLE
    assert rests("curdle", curd).startswith("the milk’s label")
    told = client.post("/api/bench/curdle", json=curd).json["curd_kg"]["likely"]
    happens(client, begin(client, "curdle", curd)["id"], kind="weighed", mass_kg=told)
    assert rests("curdle", curd) == "the one chhena you weighed of this milk"


@pytest.mark.parametrize("damaged", ["{", "[]", "null", '{"cloth": 7}', '{"cloth": ["muslin"]}'])
def test_a_hanging_that_cannot_be_read_hides_no_other_number(client, hangings, damaged):
    hangings.one()
    before = learned(client)["numbers"]
    lost = begin(client, "strain", HANG)["id"]
    db = client.application.extensions["mulvek_database"]
    with db.writing() as session:
        session.execute(text("UPDATE batch SET plan = :plan WHERE id = :id"), {"plan": damaged, "id": lost})
    db.changed()
    assert learned(client)["numbers"] == before
