"""A kitchen in which anything is begun and anything happens, in whatever order, over HTTP and on a real file: what was
acknowledged is there once, a server started anew says the same, and Stove, Book and the batch itself agree."""

from typing import Any

import pytest
from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import (
    RuleBasedStateMachine,
    initialize,
    invariant,
    precondition,
    rule,
    run_state_machine_as_test,
)

from mulvek.store.verify import verify_file
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock, words
from tests.sizes import sized

POT = {"milk": 5, "pan": 2, "burner": 1}
PLANS = {
    "reduce": words(),
    "curdle": {**POT, "amount": "2 L"},
    "strain": {"amount": "1 kg"},
    "caramel": {**POT, "sugar": "200 g"},
    "sweet": {"sweet": "kalakand", "want": "24", "pan": 2, "burner": 1},
}
some_kg = st.floats(0.05, 1.5).map(lambda kg: round(kg, 3))
EVENTS = st.one_of(
    st.sampled_from(["first_boil", "stirred", "scraped", "off", "paused", "resumed", "abandoned", "step_done"]).map(
        lambda kind: {"kind": kind}
    ),
    st.sampled_from(["weighed", "whey", "sugar_in"]).flatmap(
        lambda kind: some_kg.map(lambda kg: {"kind": kind, "mass_kg": kg})
    ),
    st.sampled_from(["step_begun", "step_done"]).flatmap(
        lambda kind: st.sampled_from(["base-R", "base-C", "join", "set"]).map(lambda key: {"kind": kind, "step": key})
    ),
    st.text(st.characters(codec="utf-8", exclude_categories=("C", "Z")), min_size=1, max_size=8).map(
        lambda text: {"kind": "note", "text": text}
    ),
    st.floats(0.01, 0.06).map(lambda depth: {"kind": "reading", "how": "depth", "value": depth, "sure": True}),
    st.integers(1, 40).map(lambda count: {"kind": "counted", "count": count}),
    st.sampled_from(["milk", "butter", "condensed"]).map(
        lambda what: {"kind": "added", "what": what, "mass_kg": 0.05}
    ),
    st.sampled_from(["straw", "amber"]).map(lambda shade: {"kind": "shade_seen", "shade": shade}),
    st.sampled_from(["join", "cook", "press"]).map(lambda key: {"kind": "step_begun", "step": key, "burner": 1}),
    st.sampled_from(["sauce", "dough"]).map(lambda of: {"kind": "left_weighed", "of": of, "mass_kg": 0.1}),
    st.just({"kind": "poured", "amount": 0.02}),
    st.sampled_from(["", "dirty"]).map(
        lambda cause: {"kind": "fault_found", "fault": "turned-early", "cause": cause}
    ),
    st.just({"kind": "milk_added", "amount": "200 ml"}),
    st.booleans().map(lambda on: {"kind": "hushed", "on": on}),
)


def told(said: Any) -> Any:
    """To the millisecond, and without the time of asking."""
    if isinstance(said, dict):
        return {key: told(value) for key, value in said.items() if key != "now_s"}
    if isinstance(said, list):
        return [told(value) for value in said]
    return round(said, 3) if isinstance(said, float) else said


def test_whatever_happens_all_say_the_same(tmp_path_factory, templates):
    class Kitchen(RuleBasedStateMachine):
        @initialize()
        def opened(self) -> None:
            self.file = templates.own(tmp_path_factory.mktemp("kitchen") / "kitchen.sqlite3")
            self.clock = Clock(EPOCH_S)
            self.app = create_app(self.file, clock=self.clock)
            self.client = self.app.test_client()
            self.batches: dict[int, list[int]] = {}  # the numbers of what was acknowledged
            self.keys = 0

        def teardown(self) -> None:
            if hasattr(self, "app"):
                stop(self.app)
                assert verify_file(self.file).sound

        @rule(kind=st.sampled_from(sorted(PLANS)), again=st.booleans())
        def begins(self, kind: str, again: bool) -> None:
            self.keys += 1
            body = {
                "batch": {
                    "kind": kind,
                    "name": f"{kind} {self.keys}",
                    "plan": PLANS[kind],
                    "key": f"begun-{self.keys:04}",
                }
            }
            answer = self.client.post("/api/batches", json=body)
            assert answer.status_code in (201, 409), answer.json
            if answer.status_code == 409:  # there is one burner
                assert kind in ("reduce", "curdle", "caramel") and answer.json["fields"][0]["path"] == "burner"
                return
            assert answer.json["kind"] == kind and answer.json["id"] not in self.batches
            self.batches[answer.json["id"]] = [1]
            if again:  # the answer got lost on its way
                assert self.client.post("/api/batches", json=body).json["id"] == answer.json["id"]

        @precondition(lambda self: self.batches)
        @rule(
            data=st.data(),
            event=EVENTS,
            wait=st.floats(0, 1200),
            late=st.just(0.0) | st.floats(0, 600),
            again=st.booleans(),
        )
        def happens(self, data: st.DataObject, event: dict[str, Any], wait: float, late: float, again: bool) -> None:
            batch = data.draw(st.sampled_from(sorted(self.batches)))
            self.clock.now += wait
            self.keys += 1
            sent = {**event, "key": f"event-{self.keys:05}"} | ({"at_s": self.clock.now - late} if late else {})
            self._log(batch, sent)
            if again:
                self._log(batch, sent, repeated=True)

        @precondition(lambda self: self.batches)
        @rule(data=st.data())
        def is_taken_back(self, data: st.DataObject) -> None:
            batch = data.draw(st.sampled_from(sorted(self.batches)))
            self._log(batch, {"kind": "undo", "event_id": data.draw(st.sampled_from(self.batches[batch]))})

        def _log(self, batch: int, event: dict[str, Any], repeated: bool = False) -> None:
            answer = self.client.post(f"/api/batches/{batch}/events", json={"event": event})
            if answer.status_code != 201:
                assert answer.status_code in (409, 422) and answer.json["detail"] and answer.json["fields"]
                return
            now = self.client.get(f"/api/batches/{batch}").json
            assert told(now["log"][: len(answer.json["log"])]) == told(answer.json["log"]) or len(now["log"]) > 24
            if not repeated:
                self.batches[batch].append(self.batches[batch][-1] + 1)

        @rule()
        def is_started_anew(self) -> None:
            before = {batch: told(self.client.get(f"/api/batches/{batch}").json) for batch in self.batches}
            stop(self.app)
            self.app = create_app(self.file, clock=self.clock)
            self.client = self.app.test_client()
            for batch, said in before.items():
                assert told(self.client.get(f"/api/batches/{batch}").json) == said

        @invariant()
        def all_say_the_same(self) -> None:
            if not hasattr(self, "app"):
                return
            book, stove = self.client.get("/api/book?limit=100").json, self.client.get("/api/stove").json
            assert book["aside"] == stove["aside"] == [] and book["total"] == len(self.batches)
            lines = {line["id"]: line for line in book["lines"]}
            running = {batch["id"]: batch for batch in stove["batches"]}
            assert set(lines) == set(self.batches) and set(running) <= set(lines)
            for number, line in lines.items():
                batch = self.client.get(f"/api/batches/{number}").json
                assert (line["kind"], line["name"], line["weighed_kg"]) == (
                    batch["kind"],
                    batch["name"],
                    batch["weighed_kg"],
                )
                if line["phase"] in ("given-up", "poured") or (
                    line["kind"] != "sweet" and line["phase"] == "weighed"
                ):
                    assert number not in running
                elif line["phase"] == "running":
                    assert number in running
                if number in running:
                    assert told(running[number]["nudges"]) == told(batch["nudges"])
                # whatever happened to it, somebody may ask what went wrong
                wrong = self.client.post("/api/mend", json={"batch": number}).json
                fault = wrong["faults"][len(batch["log"]) % len(wrong["faults"])]["key"]
                mended = self.client.post("/api/mend", json={"batch": number, "fault": fault}).json
                assert mended["causes"] and {m["batch"] for m in mended["record"]} <= set(lines)
                undos = {line["event_id"] for line in batch["log"]}
                assert undos <= set(self.batches[number])

    often = settings(
        max_examples=sized(5, 400),
        stateful_step_count=sized(15, 60),
        deadline=None,
        suppress_health_check=list(HealthCheck),
    )
    run_state_machine_as_test(Kitchen, settings=often)


@pytest.mark.parametrize(
    ("path", "body", "word"),
    [
        ("bench/curdle", {**POT, "amount": "2 L", "drain": "hard-squeeze"}, "drain"),
        ("bench/strain", {"cloth": "double-muslin"}, "cloth"),
        ("bench/reduce", words(stirring="now-and-then"), "stirring"),
    ],
)
def test_choices_said_in_plain_words_mean_the_same(client, path, body, word):
    """As former releases kept them in addresses, and as a cook may type them."""
    slug = client.post(f"/api/{path}", json=body)
    plain = client.post(f"/api/{path}", json={**body, word: body[word].replace("-", " ")})
    assert slug.status_code == plain.status_code == 200 and slug.json == plain.json
    assert client.post(f"/api/{path}", json={**body, word: "by moonlight"}).status_code == 422


@pytest.mark.parametrize("kind", sorted(PLANS))
def test_each_kind_is_heard_on_every_screen(client, clock, kind):
    """What happens to it comes with the change itself, so that a second screen need not ask."""
    changes = client.application.extensions["mulvek_changes"]
    batch = client.post("/api/batches", json={"batch": {"kind": kind, "name": "x", "plan": PLANS[kind]}}).json["id"]
    seen, _ = changes.wait_beyond(0, 0.0)
    client.post(f"/api/batches/{batch}/events", json={"event": {"kind": "note", "text": "as it should be"}})
    _, news = changes.wait_beyond(seen, 0.0)
    assert len(news) == 1 and f'"id":{batch}' in news[0] and "as it should be" in news[0]


@pytest.mark.parametrize("kind", sorted(PLANS))
def test_each_kind_has_its_csv_and_takes_an_instrument(client, clock, kind):
    batch = client.post("/api/batches", json={"batch": {"kind": kind, "name": "x", "plan": PLANS[kind]}}).json["id"]
    assert client.get(f"/api/book/{batch}/readings.csv").text.startswith("time,source,what,value,unit")
    assert client.get(f"/api/batches/{batch}/instruments").json["instruments"] == []
    assert client.get(f"/api/book/{batch}/samples").json["channels"] == []
    lines = "time,source,what,value,unit\n2027-01-15T08:00:10Z,scale stream,gross weight,1500,g\n"
    assert client.post(f"/api/book/{batch}/readings", json={"csv": lines}).json["samples"] == 1
    assert client.get(f"/api/book/{batch}/samples").json["channels"][0]["values"] == [1.5]
