"""Mend over HTTP: from the record of a batch, from what is answered, kept for the next time, and taken back."""

import pytest

from mulvek.core.mending.faults import faults
from tests.web.test_making import POT, begin, happens


@pytest.fixture
def thick(client, clock):
    """A reduction that came off far too light, judged by its look and left in the pan."""
    made = begin(client, "reduce", {**POT, "amount": "2 L", "stop": "half its volume", "sugar": ""})["id"]
    for seconds, event in (
        (800, {"kind": "first_boil"}),
        (300, {"kind": "stirred"}),
        (2400, {"kind": "off"}),
        (900, {"kind": "weighed", "mass_kg": 0.7}),
    ):
        clock.now += seconds
        happens(client, made, **event)
    return made


def mend(client, status=200, **body):
    answer = client.post("/api/mend", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


def bowls(told):
    return {cause["key"]: cause["bowls"] for cause in told["causes"]}


def test_a_batch_says_what_can_be_wrong_with_it_and_its_record_says_why(client, thick):
    told = mend(client, batch=thick)
    assert told["product"] == "reduced-milk" and told["fault"] is None and not told["causes"]
    assert "too-thick-cold" in [f["key"] for f in told["faults"]]
    told = mend(client, batch=thick, fault="too-thick-cold")
    first = told["causes"][0]
    assert first["key"] == "over" and first["bowls"] >= 4.5 and first["word"] == "almost-surely"
    (line,) = first["speaks"]
    moment = next(m for m in told["record"] if m["event"] == line["event"])
    assert line["text"].endswith("under the weight told") and line["origin"] == "log"
    assert moment["kind"] == "weighed" and moment["kg"] == 0.7 and "over-target" in moment["readings"]
    assert "of milk, warm" in told["rescue"]
    kept = {m["kind"] for m in told["record"]}
    assert {"lit", "first_boil", "stirred", "off", "weighed"} == kept


def test_what_is_answered_counts_and_what_is_not_known_is_not_asked_again(client):
    told = mend(client, product="sponge-balls", fault="balls-break")
    assert bowls(told)["wet"] == 3.0 and told["question"]["reading"] == "chhena-water" and not told["record"]
    wet = told["question"]["answers"][-1]
    then = mend(client, product="sponge-balls", fault="balls-break", answers={"chhena-water": wet["value"]})
    assert bowls(then) == {key: value for key, value in wet["bowls"].items() if key in bowls(then)}
    assert then["causes"][0]["speaks"][0]["origin"] == "said"
    assert [line["reading"] for line in then["answered"]] == ["chhena-water"]
    other = mend(client, product="sponge-balls", fault="balls-break", skip=["chhena-water"])
    assert other["question"]["reading"] != "chhena-water" and bowls(other) == bowls(told)


def test_the_larder_knows_the_freezer_and_a_throwaway_says_so(client):
    told = mend(client, product="kulfi", fault="kulfi-soft")
    cold = next(cause for cause in told["causes"] if cause["key"] == "warm")
    assert cold["against"][0]["origin"] == "larder" and "−18 °C" in cold["against"][0]["text"]
    assert mend(client, product="kulfi", fault="turned-early")["throw_away"]


@pytest.mark.parametrize(
    ("body", "status", "field"),
    [
        ({"product": "trifle"}, 404, "product"),
        ({"fault": "haunted"}, 404, "fault"),
        ({"batch": 4711}, 404, "batch"),
        ({"fault": "balls-break", "answers": {"fat-heat": 1}}, 422, "answers"),
        ({"fault": "Balls Break"}, 422, "fault"),
    ],
)
def test_what_cannot_be_asked_names_its_field(client, body, status, field):
    answer = mend(client, status, **body)
    assert answer["fields"][0]["path"] == field, answer


def test_a_finding_is_kept_with_the_batch_teaches_and_is_taken_back(client, clock, thick):
    def find(**more):
        return happens(client, thick, kind="fault_found", fault="too-thick-cold", **more)

    before = mend(client, product="reduced-milk", fault="too-thick-cold")
    log = find(cause="stood", answers={"pan-to-bowl": 15}, next_time=True)["log"]
    assert log[0]["text"] == "Too thick once it is cold: it stayed in the hot pan after the flame"
    told = mend(client, batch=thick, fault="too-thick-cold")
    assert told["found"] == [
        {"fault": "too-thick-cold", "cause": "stood", "next_time": True, "event": log[0]["event_id"]}
    ]
    assert [cause["key"] for cause in told["causes"] if cause["confirmed"]] == ["stood"]
    after = mend(client, product="reduced-milk", fault="too-thick-cold")
    chance = {c["key"]: c for c in after["causes"]}
    assert bowls(after)["stood"] >= bowls(before)["stood"] and chance["stood"]["bowls"] == 2.0  # 0.30 → 0.38
    (kept,) = client.post("/api/mend/next", json={"of": "reduce"}).json["kept"]
    assert kept["next"] == "pour it out within three minutes" and kept["batch"]["id"] == thick
    assert client.post("/api/mend/next", json={"of": "curdle"}).json["kept"] == []
    # a later word of the same fault takes its place
    find(cause="over", answers={}, next_time=False)
    assert client.post("/api/mend/next", json={"of": "reduce"}).json["kept"] == []
    newest = client.get(f"/api/batches/{thick}").json["log"][0]["event_id"]
    happens(client, thick, kind="undo", event_id=newest)
    assert client.post("/api/mend/next", json={"of": "reduce"}).json["kept"] == [kept]
    # and the batch itself weighs and teaches what it did
    line = client.get("/api/book").json["lines"][0]
    assert line["weighed_kg"] == 0.7 and line["phase"] == "weighed"


def test_a_finding_that_makes_no_sense_is_refused(client, thick):
    for event, field in (
        ({"fault": "haunted"}, "fault"),
        ({"fault": "too-thick-cold", "cause": "haunted"}, "cause"),
        ({"fault": "too-thick-cold", "answers": {"seams": 1}}, "answers"),
    ):
        sent = {"event": {"kind": "fault_found", **event}}
        answer = client.post(f"/api/batches/{thick}/events", json=sent)
        assert answer.status_code in (404, 422) and answer.json["fields"][0]["path"].split(".")[-1] == field, (
            answer.json
        )
    assert client.get(f"/api/batches/{thick}").json["log"][0]["kind"] == "weighed"


def test_a_sweet_is_judged_by_the_chhena_that_was_made_for_it(client, clock):
    sweet = begin(client, "sweet", {"sweet": "sponge-balls", "want": "16", "pan": 2, "burner": 1})
    curd = begin(client, "curdle", {**POT, "amount": "2 L"}, parent=sweet["id"], slot="C")["id"]
    told = client.get(f"/api/batches/{curd}").json["told_kg"]["likely"]
    clock.now += 4000
    happens(client, curd, kind="weighed", mass_kg=round(told * 1.4, 3))
    found = mend(client, batch=sweet["id"], fault="balls-break")
    first = found["causes"][0]
    assert first["key"] == "wet" and first["bowls"] >= 4 and first["speaks"][0]["batch"] == curd
    assert {m["batch"] for m in found["record"]} == {sweet["id"], curd}
    times = [m["at_s"] for m in found["record"]]
    assert times == sorted(times)
    assert not [m for m in found["record"] if m["kind"] == "weighed" and "over-target" in m["readings"]]
    alone = mend(client, batch=curd, fault="wet-chhena")
    assert "of water has to go" in alone["rescue"]


def test_the_book_finds_what_went_wrong_and_what_kind_it_was(client, clock, thick):
    plain = begin(client, "reduce", {**POT, "amount": "1 L", "stop": "half its volume", "sugar": ""})["id"]
    happens(client, plain, kind="abandoned")
    curd = begin(client, "curdle", {**POT, "amount": "2 L"})["id"]

    def book(query):
        told = client.get(f"/api/book?{query}").json
        assert told["total"] == len(told["lines"])
        return {line["id"]: line["wrong"] for line in told["lines"]}

    assert book("") == {thick: [], plain: [], curd: []} and book("wrong=true") == {}
    found = happens(client, thick, kind="fault_found", fault="too-thick-cold", cause="over", answers={})
    title = ["Too thick once it is cold"]
    assert book("") == {thick: title, plain: [], curd: []}
    assert book("wrong=true") == book("find=too+thick") == {thick: title}
    assert set(book("kind=reduce")) == {thick, plain} and set(book("kind=curdle")) == {curd}
    assert book("kind=curdle&find=thick") == {} and set(book("kind=reduce&find=reduce")) == {thick, plain}
    happens(client, thick, kind="undo", event_id=found["log"][0]["event_id"])
    assert book("")[thick] == []
    assert client.get("/api/book?kind=cake").status_code == 422


def test_milk_that_was_lit_for_a_sweet_tells_how_it_was_stirred_and_stopped(client, clock):
    sweet = begin(client, "sweet", {"sweet": "rabri", "school": "slow", "want": "6", "pan": 2, "burner": 1})
    plan = {**POT, "amount": "1 L", "stop": "a third", "sugar": ""}
    milk = begin(client, "reduce", plan, parent=sweet["id"], slot="COOK")["id"]
    for seconds, event in ((800, {"kind": "first_boil"}), (60, {"kind": "stirred"}), (1500, {"kind": "stirred"})):
        clock.now += seconds
        happens(client, milk, **event)
    told = mend(client, batch=sweet["id"], fault="skin-lumps")
    gap = next(c for c in told["causes"] if c["key"] == "gap")
    assert gap["speaks"][0]["batch"] == milk and "a stir every" in gap["speaks"][0]["text"]


SENT = {"boil": "to_boil", "when": "sugar_time", "stir": "stirring", "time": "drain_time", "cold": "rinse_c", "thin": "dilute_to"}  # fmt: skip
"""Words of the address that are sent under another name."""
SETS = [(f.key, c.key, of, dict(words)) for f in faults().values() for c in f.causes for of, words in c.sets.items()]


@pytest.mark.parametrize(("fault", "cause", "of", "words"), SETS)
def test_what_is_done_next_time_can_be_said_in_the_next_sentence(client, fault, cause, of, words):
    plain = {
        "reduce": ("/api/bench/reduce", {"milk": 1, "amount": "2 L", "pan": 1, "burner": 1, "stop": "half", "sugar": "100 g"}),
        "curdle": ("/api/bench/curdle", {"milk": 2, "amount": "2 L", "pan": 1, "burner": 1}),
        "sweet": ("/api/sweets/plan", {"sweet": "carrot-halwa", "want": "1 kg", "pan": 1, "burner": 1}),
    }  # fmt: skip
    route, plan = plain[of]
    said = {}
    for word, value in words.items():
        if word in ("lid", "wet"):
            said["lid" if word == "lid" else "wetted"] = value in ("on", "wet")
        else:
            number = {"rinses": int, "thin": float, "cold": float}.get(word, str)
            said[SENT.get(word, word)] = number(value)
    answer = client.post(route, json=plan | said)
    assert answer.status_code == 200, (fault, cause, answer.json)


def test_the_next_plan_is_told_its_words_and_only_where_it_has_them(client, thick):
    happens(client, thick, kind="fault_found", fault="split-in-pan", cause="hard-boil", answers={}, next_time=True)
    (kept,) = client.post("/api/mend/next", json={"of": "reduce"}).json["kept"]
    assert kept["sets"] == {"flame": "gentle"}
    happens(client, thick, kind="fault_found", fault="split-in-pan", cause="acid-pan", answers={}, next_time=True)
    (kept,) = client.post("/api/mend/next", json={"of": "reduce"}).json["kept"]
    assert kept["sets"] == {} and kept["next"] == "a pan of its own for curdling"


RECKONED = [(f.key, c.key, dict(c.reckons)) for f in faults().values() for c in f.causes if c.reckons]


@pytest.mark.parametrize("amount", ["1.2 L", "2.9 L"])
@pytest.mark.parametrize(("fault", "cause", "reckons"), RECKONED)
def test_what_has_to_be_reckoned_is_reckoned_from_the_plan_it_is_for(client, thick, fault, cause, reckons, amount):
    """Whatever amount the next plan is of; and put into the sentence, it is the same batch by another word."""
    happens(client, thick, kind="fault_found", fault=fault, cause=cause, answers={}, next_time=True)
    plan = {"milk": 1, "amount": amount, "pan": 1, "burner": 1, "stop": "a third of its volume", "sugar": "60 g"}
    before = client.post("/api/bench/reduce", json=plan).json
    (kept,) = client.post("/api/mend/next", json={"of": "reduce", "plan": plan}).json["kept"]
    words = {word: kept["sets"][word] for word in kept["reckoned"]}
    if reckons == {"amount": "room"}:
        assert words == {}  # it has room: tests/core/test_reckoned.py
        return
    assert set(words) == set(reckons)
    after = client.post("/api/bench/reduce", json=plan | words).json
    assert after["after_boil_s"]["likely"] == pytest.approx(before["after_boil_s"]["likely"], rel=0.02)
    assert after["stop_depth_m"]["likely"] == pytest.approx(before["stop_depth_m"]["likely"], abs=6e-4)
    (again,) = client.post("/api/mend/next", json={"of": "reduce", "plan": plan | words}).json["kept"]
    assert again["sets"] == kept["sets"]  # so it is seen to stand there


def test_nothing_is_reckoned_without_a_plan_or_from_one_that_cannot_be(client, thick):
    happens(client, thick, kind="fault_found", fault="too-thick-cold", cause="over", answers={}, next_time=True)
    for body in (
        {"of": "reduce"},
        {"of": "reduce", "plan": {**POT, "amount": "plenty", "stop": "half", "sugar": ""}},
    ):
        (kept,) = client.post("/api/mend/next", json=body).json["kept"]
        assert (kept["sets"], kept["reckoned"], kept["next"]) == ({}, [], "stop at the weight")
    drier = {"milk": 1, "amount": "2 L", "pan": 1, "burner": 1, "stop": "99 % solids", "sugar": ""}
    (kept,) = client.post("/api/mend/next", json={"of": "reduce", "plan": drier}).json["kept"]
    assert kept["sets"] == {}
