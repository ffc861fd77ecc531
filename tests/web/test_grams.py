"""Whatever cooks do with bases and sweets: no gram of a base is in two places, none is lost."""

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import Bundle, RuleBasedStateMachine, consumes, invariant, multiple, rule

from mulvek.web.app import create_app, stop
from tests.kitchens import Clock, Templates
from tests.sizes import sized
from tests.web.test_making import POT

BALLS = {"sweet": "sponge-balls", "want": "20", "pan": 2, "burner": 1}
SHARES = st.floats(0.05, 1.2)


@pytest.fixture
def kitchen(tmp_path_factory, templates: Templates):
    return lambda: templates.own(tmp_path_factory.mktemp("grams") / "kitchen.sqlite3")


def test_grams_of_a_base_are_in_one_place(kitchen):
    class Bowls(RuleBasedStateMachine):
        """Chhena by itself or for a sweet, sweets that take it, in any order, with undo."""

        bowls = Bundle("bowls")
        sweets = Bundle("sweets")

        def __init__(self) -> None:
            super().__init__()
            self.clock = Clock()
            self.app = create_app(kitchen(), clock=self.clock)
            self.client = self.app.test_client()
            self.gave: dict[int, float] = {}
            self.made: list[int] = []

        def teardown(self) -> None:
            stop(self.app)

        def post(self, path: str, body: object) -> tuple[int, dict]:
            self.clock.now += 60
            answer = self.client.post(path, json=body)
            assert answer.status_code < 500, answer.json
            return answer.status_code, answer.json

        @rule(target=sweets)
        def a_sweet(self):
            batch = {"kind": "sweet", "name": "balls", "plan": BALLS}
            number = self.post("/api/batches", {"batch": batch})[1]["id"]
            self.made.append(number)
            return number

        @rule(target=bowls, kg=st.floats(0.1, 0.6), owner=st.none() | sweets)
        def a_bowl(self, kg, owner):
            plan = {**POT, "milk": "cow", "amount": "3 L", "use": "sponge"}
            batch = {"kind": "curdle", "name": "chhena", "plan": plan}
            batch |= {"parent": owner, "slot": "C"} if owner else {}
            status, made = self.post("/api/batches", {"batch": batch})
            if status != 201:  # something stands on the burner, or its base is made
                return multiple()
            number = made["id"]
            for _ in made["steps"]:
                self.post(f"/api/batches/{number}/events", {"event": {"kind": "step_done"}})
            self.weigh(number, kg)
            return number

        @rule(bowl=bowls, kg=st.floats(0.1, 0.6))
        def weigh(self, bowl, kg):
            kg = round(kg, 4)
            if self.post(f"/api/batches/{bowl}/events", {"event": {"kind": "weighed", "mass_kg": kg}})[0] == 201:
                self.gave[bowl] = kg

        @rule(bowl=bowls, sweet=sweets, grams=st.none() | st.integers(10, 600))
        def take(self, bowl, sweet, grams):
            amount = "" if grams is None else f"{grams} g"
            self.post(f"/api/batches/{sweet}/take", {"slot": "C", "batch": bowl, "amount": amount})

        @rule(of=bowls | sweets, back=st.integers(0, 6))
        def undo(self, of, back):
            log = self.client.get(f"/api/batches/{of}").json["log"]
            kinds = ("taken", "base_weighed", "gone", "step_done", "step_begun")
            could = [line["event_id"] for line in log if line["kind"] in kinds and not line["undone"]]
            if could:
                event = {"kind": "undo", "event_id": could[back % len(could)]}
                self.post(f"/api/batches/{of}/events", {"event": event})

        @rule(bowl=bowls)
        def gone(self, bowl):
            self.post(f"/api/batches/{bowl}/events", {"event": {"kind": "gone", "why": "used-up"}})

        @rule(sweet=consumes(sweets))
        def give_up(self, sweet):
            self.post(f"/api/batches/{sweet}/events", {"event": {"kind": "abandoned"}})

        @invariant()
        def each_gram_is_in_one_place(self):
            from mulvek.core.batch.events import BaseWeighed, Taken
            from mulvek.core.batch.standing import left_kg
            from mulvek.store.batches import Batches

            offered = {int(b["ref"]): b["mass_kg"] for b in self.client.get("/api/sweets/bases").json["bases"]}
            with self.app.extensions["mulvek_database"].reading() as session:
                batches = Batches(session)
                told: dict[int, dict[int, float]] = {}
                for number in self.made:
                    sweet = batches.batch(number)
                    for base in sweet.state(self.clock.now).bases.get("C", {}).values():
                        assert isinstance(base, BaseWeighed)
                        told.setdefault(base.batch, {})[number] = base.mass_kg
                for number in self.gave:
                    bowl = batches.batch(number)
                    taken = [e.what for e in bowl.log.counted if isinstance(e.what, Taken)]
                    left = left_kg(bowl.log)
                    assert offered.get(number, 0.0) in (0.0, left)
                    if sum(t.mass_kg for t in taken) <= self.gave[number]:  # else it was weighed anew, and less
                        assert left + sum(t.mass_kg for t in taken) <= self.gave[number] + 1e-9
                    for sweet_id, mass in told.get(number, {}).items():
                        from_it = sum(t.mass_kg for t in taken if t.to_batch == sweet_id)
                        owned = left if bowl.parent_id == sweet_id else 0.0
                        given_up = batches.batch(sweet_id).state(self.clock.now).given_up
                        assert given_up or mass == pytest.approx(from_it + owned, abs=1e-9), (number, sweet_id)

    Bowls.TestCase.settings = settings(max_examples=sized(8, 300), stateful_step_count=sized(14, 40), deadline=None)
    Bowls.TestCase("runTest").runTest()
