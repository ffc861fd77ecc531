"""A job as a cook does it, over HTTP: the sentence in Sweets, its bases on the Bench and on the fire, weighed; the sweet's
steps, weights and pieces; and its line in the Book. At every turn the stations are asked the same and must agree."""

from dataclasses import asdict
from typing import Any

import pytest

from mulvek.core.planning.sweets.plan import SweetForecast, plan_sweet
from mulvek.store.bases import base_of
from mulvek.store.batches import Batches
from mulvek.store.shelf import read_shelf
from mulvek.wire.sweet_words import SweetIn, read_sweet_plan
from tests.web.test_bases_agree import ROOM, opened

LIGHT = 0.88
"""A base that comes off an eighth light, as they do."""


class Job:
    def __init__(self, client: Any, clock: Any, sweet: str, want: str, **words: Any) -> None:
        self.client, self.clock = client, clock
        self.words = {"sweet": sweet, "want": want, "pan": 2, "burner": 1, **words}
        self.told = self._post("/api/sweets/plan", self.words, 200)
        made = self._post("/api/batches", {"batch": {"kind": "sweet", "name": f"our {sweet}", "plan": self.words}})
        self.id = made["id"]
        assert made["told_kg"] == self.told["finished"] and made["told_pieces"] == self.told["pieces"]
        assert [row["grams"] for row in made["rows"]] == pytest.approx([row["grams"] for row in self.told["rows"]])
        assert [step["say"] for step in made["steps"]] == [step["step"]["say"] for step in self.told["steps"]]

    def _post(self, path: str, body: object, status: int = 201) -> Any:
        answer = self.client.post(path, json=body)
        assert answer.status_code == status, (body, answer.json)
        return answer.json

    def happens(self, batch: int, **event: Any) -> Any:
        return self._post(f"/api/batches/{batch}/events", {"event": event})

    @property
    def now(self) -> Any:
        """As its own page has it; the Stove and the Book say the same."""
        here = self.client.get(f"/api/batches/{self.id}").json
        there = [b for b in self.client.get("/api/stove").json["batches"] if b["id"] == self.id]
        assert here["finished"] or [b["told_kg"] for b in there] == [here["told_kg"]]
        line = self.line
        assert line["told_kg"] == here["told_kg"] and line["told_pieces"] == here["told_pieces"]
        assert line["counted"] == here["counted"] and line["weighed_kg"] == here["weighed_kg"]
        return here

    @property
    def line(self) -> Any:
        """In the Book."""
        return next(x for x in self.client.get("/api/book").json["lines"] if x["id"] == self.id)

    # -- bases -----------------------------------------------------------------------------------------

    def base(self, letter: str) -> Any:
        return next(b for b in self.told["bases"] if b["letter"] == letter)

    def makes(self, letter: str, share: float = LIGHT, burner: int = 1) -> list[int]:
        """All pans of a base, one after another, and what each gave."""
        base, made = self.base(letter), []
        for _ in range(base["goes"]):
            number = self._begin(base, burner)
            made.append(number)
            kg = round(base["made_kg"] / base["goes"] * share, 3)
            getattr(self, f"_{ROOM[base['route']]}")(number, kg)
        step = next(s for s in self.now["steps"] if s["base"] == letter)
        assert step["phase"] == "done" and step["base_kg"] == pytest.approx(base["made_kg"] * share, abs=2e-3)
        return made

    def _begin(self, base: Any, burner: int) -> int:
        there = opened(self.client, base)
        room, words = ROOM[base["route"]], dict(base["words"])
        words |= {name: int(words[name]) for name in ("rinses", "bags") if name in words}
        if room != "strain":
            words |= {"pan": 2, "burner": burner}
        batch = {"kind": room, "name": f"{base['name']} for it", "plan": words}
        begun = self._post("/api/batches", {"batch": {**batch, "parent": self.id, "slot": base["letter"]}})
        told = "served_kg" if room == "reduce" else "curd_kg"
        gives = begun["served_kg"] if room == "reduce" else begun["told_kg"]
        assert gives["likely"] == pytest.approx(there[told]["likely"], rel=1e-6)
        return int(begun["id"])

    def _reduce(self, number: int, kg: float) -> None:
        lit = self.client.get(f"/api/batches/{number}").json
        self.clock.now += 900
        boils = self.happens(number, kind="first_boil")
        left = boils["to_stop_s"]
        self.clock.now += round(left["likely"] / 2)
        half = self.client.get(f"/api/batches/{number}").json
        self.happens(number, kind="stirred")
        read = self.happens(number, kind="reading", how="weight", value=round(half["mass_kg"]["likely"], 3))
        assert (
            read["to_stop_s"]["high"] - read["to_stop_s"]["low"]
            < half["to_stop_s"]["high"] - half["to_stop_s"]["low"]
        )
        self.clock.now += round(max(60.0, read["to_stop_s"]["likely"]))
        self.happens(number, kind="off")
        self.clock.now += 300
        gave = self.happens(number, kind="weighed", mass_kg=kg)
        assert gave["phase"] == "weighed" and lit["name"] == gave["name"]

    def _curdle(self, number: int, kg: float) -> None:
        for _ in range(12):
            batch = self.client.get(f"/api/batches/{number}").json
            step = next((s for s in batch["steps"] if s["done_at_s"] is None), None)
            if step is None:
                break
            self.clock.now += round(step["seconds"])
            if step["name"] == "acid":
                self.happens(number, kind="poured", amount=0.06, clear=True)
            self.happens(number, kind="step_done")
        self.happens(number, kind="weighed", mass_kg=kg)

    def caramel(self, burner: int = 1) -> Any:
        """The caramel of this sweet, lit in the words of its own page."""
        step = next(s for s in self.now["steps"] if s["lit_slot"] == "CARAMEL")
        assert step["bench"] == "/caramel" and step["bench_words"] == self.told["lit"]["CARAMEL"]["words"]
        words = dict(step["bench_words"]) | {"pan": 2, "burner": burner}
        words["milk_amount"] = words.pop("amount")
        batch = {"kind": "caramel", "name": "the caramel", "plan": words, "parent": self.id, "slot": "CARAMEL"}
        return self._post("/api/batches", {"batch": batch})

    def cooks(self, burner: int = 1) -> Any:
        """The sweet's own milk, or that of its sauce, lit in the words of its own page, boiled down and weighed an eighth
        light; the sweet as it is told then, to the gram what a fresh plan of that weight says."""
        step = next(s for s in self.now["steps"] if s["lit_slot"] == "COOK")
        said = dict(step["bench_words"])
        assert said == self.told["lit"]["COOK"]["words"]
        words = {name: said[name] for name in ("milk", "amount", "stop", "sugar", "flame")}
        words |= {"sugar_time": said["when"], "pan": 2, "burner": burner}
        parts = [one.split("~") for one in said.get("add", [])]
        words["additions"] = [{"what": what, "amount": amount} for what, amount, _ in parts]
        there = self._post("/api/bench/reduce", words, 200)
        part = step["key"].startswith("part.")
        if not part:
            assert there["pan_kg"]["likely"] == pytest.approx(self.told["stop_kg"], rel=2e-3)
            mine = next(b for b in self.told["boilings"] if b["of"] == "cook")["seconds"]["likely"]
            from_cold = there["first_boil_s"]["likely"] + there["after_boil_s"]["likely"]
            assert from_cold == pytest.approx(mine, rel=0.25)
        batch = {"kind": "reduce", "name": "its milk", "plan": words, "parent": self.id, "slot": "COOK"}
        lit = self._post("/api/batches", {"batch": batch})
        assert self.step(step["key"])["phase"] == "running"
        kg = round(LIGHT * lit["served_kg"]["likely"], 3)
        self._reduce(lit["id"], kg)
        here = self.now
        assert self.step(step["key"])["phase"] == "done"
        said = next(line["text"] for line in here["log"] if line["kind"] == "base_weighed")
        assert f"gave {kg * 1e3:.0f} g" in said or "kg" in said
        if part:  # so much of it there is; the sweet is what it was
            assert here["told_kg"] == self.told["finished"]
            return here
        late = sum(r["grams"] for r in here["rows"] if r["when"] == "at the end" and not r["within"]) / 1e3
        fresh = self._post("/api/sweets/plan", {**self.words, "finished": f"{(kg + late) * 1e3:.1f} g"}, 200)
        assert here["told_kg"] == fresh["finished"] and here["told_pieces"] == fresh["pieces"]
        assert here["told_kg"]["likely"] == pytest.approx(kg + late, abs=1e-4)
        self.happens(lit["id"], kind="undo", event_id=self.client.get(f"/api/batches/{lit['id']}").json["undo_id"])
        assert self.now["told_kg"] == self.told["finished"]
        self.happens(lit["id"], kind="weighed", mass_kg=kg)
        return self.now

    def step(self, key: str) -> Any:
        return next(s for s in self.now["steps"] if s["key"] == key)

    def sauces(self, number: int) -> float:
        """The caramel by shade, opened and simmered; an eighth light. What it gave, kg."""
        now = self.client.get(f"/api/batches/{number}").json
        self.clock.now += round(now["off_in_s"]["likely"] / 2)
        half = self.happens(number, kind="reading", how="temperature", value=round(now["celsius"]["likely"] + 60))
        assert half["celsius"]["high"] - half["celsius"]["low"] < 12
        self.clock.now += round(half["off_in_s"]["likely"])
        seen = self.happens(number, kind="shade_seen", shade="pale-gold")
        assert seen["off_in_s"]["likely"] < 60 and any(n["key"] == "stop" for n in seen["nudges"])
        here = self.happens(number, kind="off")
        while here["next_pour"]:
            assert here["phase"] == "opening" and here["ends_shade"] in ("pale-gold", "amber")
            self.clock.now += 45
            pour = here["next_pour"]
            here = self.happens(number, kind="added", what=pour["what"], mass_kg=round(pour["mass_kg"], 3))
        assert here["phase"] == "simmering"
        self.clock.now += round(here["left_s"]["likely"] / 2)
        kg = (here["mixed_kg"] + here["stop_kg"]) / 2
        read = self.happens(number, kind="reading", how="weight", value=round(kg, 3))
        assert read["left_s"]["high"] - read["left_s"]["low"] < here["left_s"]["high"] - here["left_s"]["low"]
        self.clock.now += round(read["left_s"]["likely"])
        self.happens(number, kind="off")
        gave = round(LIGHT * read["told_kg"]["likely"], 3)
        done = self.happens(number, kind="weighed", mass_kg=gave)
        assert done["finished"] and "less than told" in done["said"]
        assert all(b["id"] != number for b in self.client.get("/api/stove").json["batches"])
        return gave

    def _strain(self, number: int, kg: float) -> None:
        batch = self.client.get(f"/api/batches/{number}").json
        mass = batch["strain"]["mass_kg"] if batch.get("strain") else batch["mass_kg"]
        self.clock.now += 3 * 3600
        self.happens(number, kind="whey", mass_kg=round(0.45 * mass, 3))
        self.clock.now += 12 * 3600
        self.happens(number, kind="whey", mass_kg=round(mass - kg, 3))
        self.happens(number, kind="step_done")
        self.happens(number, kind="weighed", mass_kg=kg)

    def follows(self, letters: str, share: float = LIGHT) -> Any:
        """What is told now is, to the gram, a fresh plan of what the bases gave. A base that came off light is drier: its
        solids are all there, so a sweet that is cooked on loses less than the base did."""
        here = self.now
        assert share * 0.97 <= here["told_kg"]["likely"] / self.told["finished"]["likely"] <= 1.0
        said = [line["text"] for line in here["log"] if line["kind"] == "base_weighed"]
        assert len(said) >= len(letters) and any("of the sweet from it" in text for text in said)
        steps = {s["base"]: s for s in here["steps"] if s["base"]}
        if all(self.base(letter)["goes"] == 1 for letter in steps):
            of = {letter: str(step["base_batch"]) for letter, step in steps.items()}
            have = [{"what": letter, "amount": f"{s['base_kg'] * 1e3:.1f} g"} for letter, s in steps.items()]
            fresh = self._fresh({**self.words, "want": "", "have": have, "bases": of})
            assert here["told_kg"] == asdict(fresh.finished) and here["told_pieces"] == asdict(fresh.pieces)
            assert here["stop_kg"] == fresh.stop_kg
            takes = {step.key: asdict(step.seconds) for step in fresh.steps}
            for step in here["steps"]:
                fresh_s = takes.get(step["key"], step["seconds"])
                if step["key"].startswith("part."):  # by then the weighed pan has taught its flame
                    assert step["seconds"]["likely"] == pytest.approx(fresh_s["likely"], rel=0.25)
                else:
                    assert step["seconds"] == fresh_s, step["key"]
            now = {(row.name, row.when): row.kg * 1e3 for row in fresh.rows}
            for row in here["rows"]:
                grams = now.get((row["name"], row["when"]), row["grams"])
                assert row["grams"] == pytest.approx(grams, abs=1e-9), row["name"]
        return here

    def _fresh(self, words: dict[str, Any]) -> SweetForecast:
        """A plan from these very bases, though they have gone into a making."""
        db = self.client.application.extensions["mulvek_database"]
        with db.reading() as session:
            batches = Batches(session)
            ready = {letter: base_of(batches.batch(int(ref))) for letter, ref in words["bases"].items()}
        return plan_sweet(read_sweet_plan(SweetIn.model_validate(words), db.kept(read_shelf), ready))

    # -- the sweet itself ------------------------------------------------------------------------------

    def weighs_in(self) -> None:
        """The weighing list, line by line, as it is told by then."""
        for row in self.now["rows"]:
            if row["when"] in ("to reduce", "to curdle", "to hang") and not row["within"]:
                continue  # its base was weighed
            self.happens(self.id, kind="row_weighed", row=row["number"], mass_kg=max(0.0001, row["grams"] / 1e3))

    def steps(self) -> dict[str, Any]:
        """Every step that is left, in its order; each as it stood while it ran."""
        ran: dict[str, Any] = {}
        for _ in range(30):
            here = self.now
            step = next((s for s in here["steps"] if s["phase"] == "ready"), None)
            step = step or next((s for s in here["steps"] if s["phase"] == "waits"), None)  # begun, it ends the last
            if step is None:
                break
            begun = self.happens(self.id, kind="step_begun", step=step["key"])
            assert not [s for s in begun["steps"] if s["key"] in step["waits_for"] and s["phase"] != "done"]
            ran[step["key"]] = next(s for s in begun["steps"] if s["key"] == step["key"])
            assert ran[step["key"]]["phase"] == "running"
            self.clock.now += round(step["seconds"]["likely"]) + 1
            asks = self.client.get(f"/api/batches/{self.id}").json["nudges"]
            assert any(n["key"] == step["key"] and n["due_at_s"] <= self.clock.now for n in asks), step["say"]
            if not any(s["waits_for"] == [step["key"]] for s in begun["steps"]):
                self.happens(self.id, kind="step_done", step=step["key"])
        assert self.now["done"]
        return ran

    def plated(self, count: int, kg: float) -> Any:
        """Weighed, counted, off the Stove, and in the Book as its own page has it, keeping included."""
        self.happens(self.id, kind="weighed", mass_kg=kg)
        done = self.happens(self.id, kind="counted", count=count)
        assert done["finished"] and done["keeping"] == self.told["keeping"]["words"]
        assert self.told["keeping"]["words"].splitlines()[0] in self.told["label"]
        assert all(b["id"] != self.id for b in self.client.get("/api/stove").json["batches"])
        line = self.line
        assert (line["counted"], line["weighed_kg"], line["phase"]) == (count, kg, "weighed")
        assert self.now["said"] == done["said"]
        return done

    def to_the_plate(self, letters: str = "", share: float = LIGHT) -> tuple[dict[str, Any], Any]:
        """The whole way, once each base is made: the steps as they ran, and the end."""
        here = self.follows(letters, share) if letters else self.now
        self.weighs_in()
        ran = self.steps()
        count = max(1, round(here["told_pieces"]["likely"]))
        return ran, self.plated(count, round(here["told_kg"]["likely"], 3))
