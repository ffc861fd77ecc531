"""A batch told in the cook's own lines: what each line means, that mass closes, and that its form gives the batch back."""

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.packs import Pack
from mulvek.core.equipment.quantities import Measures
from mulvek.core.equipment.vessels import Straight
from mulvek.core.errors import BadInput, Impossible
from mulvek.core.messages.catalogue import said
from mulvek.core.planning.own.account import Account, settle
from mulvek.core.planning.own.along import along
from mulvek.core.planning.own.beside import beside, next_time
from mulvek.core.planning.own.form import added_sugar, form_of
from mulvek.core.planning.own.lines import Line, parted, read_line
from mulvek.core.planning.own.names import find, names_of, one_kg
from mulvek.core.planning.own.owing import owed
from mulvek.core.planning.sweets.build import Built, Pantry, build
from mulvek.core.planning.sweets.forms import read_sweet, read_told
from mulvek.core.planning.sweets.formula import PROPERTIES
from mulvek.core.planning.sweets.library import check, library, things
from mulvek.core.planning.sweets.plan import SweetPlan, plan_sweet
from mulvek.core.planning.sweets.portions import count_pieces, piece_kg
from tests.core.test_sweets import HEARTH

NAMES = {**names_of(things()), ("milk",): things()["full-cream"]}
PANTRY = Pantry(things=things(), sweets=library())
PAN = Straight(0.24, 0.12)
REGATTA = (
    "2 L buffalo milk to half",
    "5 big spoons of sugar, at the end",
    "a handful of pistachios",
    "cardamom",
    "gave 14 sticks, 1 020 g",
)


def read(*lines: str) -> list[Line]:
    return [read_line(line, NAMES) for line in lines]


def told(*lines: str, **answers: str) -> Account:
    return settle(read(*lines), PANTRY, PAN, {int(k[1:]): v for k, v in answers.items()})


def built(account: Account, name: str = "mine") -> Built:
    form = form_of(account, name, {"lines": [line.text for line in account.lines], "answers": {}})
    sweet = read_sweet("own", form)
    check(sweet, PANTRY)
    return build(sweet, sweet.usual, PANTRY)


@pytest.mark.parametrize(
    ("line", "key", "grams", "source"),
    [
        ("2 L buffalo milk to half", "buffalo", 2060, "told"),
        ("buffalo milk: 2 L", "buffalo", 2060, "told"),
        ("1 kg carrots, grated", "carrot", 1000, "weighed"),
        ("100 g of sugar", "white-sugar", 100, "weighed"),
        ("sugar 100 g, at the end", "white-sugar", 100, "weighed"),
        ("2 heaped tablespoons of sugar", "white-sugar", 2 * 15 * 0.85 * 1.55, "told"),
        ("3 teaspoons sugar", "white-sugar", 3 * 5 * 0.85, "told"),
        ("5 spoons of sugar", "white-sugar", 5 * 15 * 0.85, "doubt"),
        ("5 big spoons of sugar", "white-sugar", 5 * 41 * 0.85, "doubt"),
        ("2 rice spoons of sugar", "white-sugar", 2 * 41 * 0.85, "told"),
        ("a handful of pistachios", "pistachio", 30, "guess"),
        ("10 almonds", "almond", 12, "guess"),
        ("3 mangoes", "mango", 450, "guess"),
        ("a pinch of salt", "salt", 0.3, "guess"),
        ("2 tins of condensed milk", "condensed", 800, "weighed"),
        ("half a kilo of paneer", "paneer", 500, "weighed"),
        ("200 g full-cream milk powder", "whole-powder", 200, "weighed"),
        ("2 cups milk", "full-cream", 515, "told"),
    ],
)
def test_what_goes_in(line: str, key: str, grams: float, source: str):
    packs = {"condensed": Pack.of_thing("condensed milk", 0.4)}
    found = read_line(line, NAMES, Measures(), packs)
    assert found.kind == "in" and found.problem is None
    assert found.thing is not None and found.thing.key == key
    assert found.told is not None and found.told.source == source
    assert found.told.kg * 1e3 == pytest.approx(grams, rel=0.01)


@pytest.mark.parametrize(
    ("line", "count", "unit", "kg"),
    [
        ("gave 14 sticks, 1 020 g", 14, "stick", 1.02),
        ("made 24 squares of 30 g", 24, "square", 0.72),
        ("it gave 8 bowls", 8, "bowl", None),
        ("gave 700 g in 8 bowls", 8, "bowl", 0.7),
        ("got 1.2 kg", None, "", 1.2),
        ("weighed 1 kg 50 g in all", None, "", 1.05),
        ("gave twelve pieces and 400 g", 12, "piece", 0.4),
    ],
)
def test_what_came_of_it(line: str, count: int | None, unit: str, kg: float | None):
    gave = read_line(line, NAMES).gave
    assert gave is not None
    assert (gave.count, gave.unit) == (count, unit)
    assert gave.kg == (kg if kg is None else pytest.approx(kg))


@pytest.mark.parametrize(
    ("line", "kind", "seconds", "fire"),
    [
        ("froze overnight", "step", 8 * 3600, False),
        ("left to cool for 2 hours", "step", 7200, False),
        ("simmered 20 min", "down", 1200, True),
        ("rolled into balls", "step", None, False),
        ("cooked until the ghee shows", "down", None, True),
        ("stirred half an hour", "step", 1800, False),
        ("chilled 2 days", "step", 2 * 86400, False),
        ("it was a fine evening", "note", None, False),
    ],
)
def test_what_was_done(line: str, kind: str, seconds: float | None, fire: bool):
    found = read_line(line, NAMES)
    assert (found.kind, found.seconds, found.fire) == (kind, seconds, fire)
    assert found.problem is None


def test_heats_and_times_of_the_work_go_into_its_steps():
    """In the cook's own words, with what a thermometer shows and whether hands are free."""
    lines = (
        "500 ml milk",
        "100 g sugar",
        "boiled to 110 °C, stirring",
        "rested 2 hours",
        "cut with a wet knife",
        "gave 300 g",
    )
    account = told(*lines)
    assert [line.celsius for line in account.lines] == [None, None, 110.0, None, None, None]
    steps = form_of(account, "x", {})["schools"]["mine"]["steps"]
    assert [(s["say"], s["takes"], s["hands"], s["fire"]) for s in steps] == [
        ("Put the full-cream packet milk and white sugar together.", 5.0, True, False),
        ("Boiled to 110 °C, stirring.", "cook", True, True),
        ("Rested 2 hours.", 120.0, False, False),
        ("Cut with a wet knife.", 10.0, True, False),
    ]
    assert steps[1]["check"] == "The thermometer shows 110 °C."
    read_sweet("own", form_of(account, "x", {}))


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("100 g besan", "I do not know what that is"),
        ("5 milk", "5 what of"),
        ("sugar", "How much white sugar?"),
        ("gave plenty", "I cannot read"),
        ("2 packets of milk", "does not stand in the Larder"),
        ("x" * 200, "too long"),
    ],
)
def test_what_cannot_be_read_says_so_and_is_kept(line: str, says: str):
    found = read_line(line, NAMES)
    assert found.kind == "note" and found.problem is not None
    assert says in said(found.problem) and said(found.problem, "fix")


@pytest.mark.parametrize(
    ("breath", "lines"),
    [
        (
            "1 L buffalo milk to half, 5 spoons of sugar, gave 12 sticks",
            ["1 L buffalo milk to half", "5 spoons of sugar", "gave 12 sticks"],
        ),
        (
            "1 kg carrots, grated, 1 L milk; 150 g sugar, cardamom. Gave 8 bowls, 700 g",
            ["1 kg carrots, grated", "1 L milk", "150 g sugar", "cardamom", "Gave 8 bowls, 700 g"],
        ),
        ("2 L cow milk curdled, gave 20 balls of 18 g", ["2 L cow milk curdled", "gave 20 balls of 18 g"]),
        ("gave 14 sticks, 1 020 g", ["gave 14 sticks, 1 020 g"]),
        ("1,5 L milk to half, then 40 g sugar", ["1,5 L milk to half", "40 g sugar"]),
        ("stirred, 10 min, on a low flame", ["stirred, 10 min, on a low flame"]),
        ("10 almonds, chopped, at the end", ["10 almonds, chopped, at the end"]),
    ],
)
def test_what_is_told_in_one_breath_is_a_line_each(breath: str, lines: list[str]):
    assert parted(breath, NAMES) == lines


def test_the_longer_name_is_meant():
    for words, key in (("2 L coconut milk", "coconut"), ("condensed milk", "condensed"), ("milk", "full-cream")):
        found = find(words, NAMES)
        assert found is not None and found.thing.key == key
    assert find("it was fine", NAMES) is None
    assert one_kg("ghee") is None


def test_what_was_weighed_settles_what_was_judged_by_eye():
    """Half by volume would outweigh the batch: the milk was taken further than its cook thought."""
    account = told(*REGATTA)
    (base,) = account.bases
    assert base.settled and base.made_kg == pytest.approx(0.8409, abs=0.002)
    assert base.told_kg == pytest.approx(1.027, abs=0.01) and base.times == pytest.approx(2.45, abs=0.02)
    assert account.stuck_kg == pytest.approx(1.02 / 0.975 - 1.02)
    assert account.finished_kg == 1.02 and account.count == 14
    # a weight that its words explain is believed as they stand
    fits = told("2 L buffalo milk to half", "100 g sugar", "gave 14 sticks, 1 100 g")
    assert not fits.bases[0].settled and fits.stuck_kg == pytest.approx(fits.into_bowl_kg - 1.1)


def test_a_doubt_is_asked_and_its_answer_counts():
    likely, level = told(*REGATTA), told(*REGATTA, _1="level")
    assert added_sugar(likely) == pytest.approx(0.1664, abs=0.001)
    assert added_sugar(level) == pytest.approx(0.0609, abs=0.001)
    assert (
        told("2 L milk", "100 g sugar", _1="level").lines[1].told.kg == 0.1
    )  # written anew since: nothing to answer
    with pytest.raises(BadInput, match="not one of the answers"):
        told(*REGATTA, _1="ladle")


def test_an_end_on_its_own_line_is_the_milks_or_all_of_it():
    alone = told("1 L milk", "boiled down to half", "3 tbsp sugar", "made 10 sticks")
    assert [b.made_by for b in alone.bases] == ["reduce"] and not alone.cooks
    together = told("1 L milk", "200 g sugar", "boiled down to 500 g", "gave 20 spoons of 24 g")
    assert not together.bases and together.cooks
    assert together.cooked_kg == pytest.approx(0.48 / 0.975)
    words = told("1 L milk", "200 g sugar", "boiled down to 500 g", "gave 20 pieces")
    assert words.cooks and words.cooked_kg == 0.5 and words.asks == ()
    sign = told("1 L milk", "200 g sugar", "cooked until thick", "gave 20 pieces")
    assert sign.asks == ("gave",)  # neither a weight nor an end: only its cook can tell


def test_curds_as_weighed_or_as_such_milk_gives():
    weighed = told("2 L cow milk curdled with lemon, gave 360 g", "120 g sugar", "gave 460 g")
    usual = told("2 L cow milk, curdled", "120 g sugar", "gave 8 bowls")
    assert weighed.bases[0].made_kg == pytest.approx(0.360, rel=1e-6) and weighed.bases[0].settled
    assert 0.25 < usual.bases[0].made_kg < 0.5 and not usual.bases[0].settled
    assert weighed.whey_kg == pytest.approx(2.0625 - 0.36, abs=1e-3)
    hung = told("500 g yoghurt, hung overnight to 250 g", "80 g icing sugar", "gave 5 bowls, 320 g")
    assert hung.bases[0].made_kg == pytest.approx(0.25) and hung.bases[0].made_by == "hang"
    no_curd = told("2 L cow milk curdled, gave 1.5 kg", "gave 8 bowls")
    assert no_curd.sums[0].problem is not None and "does not come of it" in said(no_curd.sums[0].problem)


def test_weights_that_cannot_be_are_told_and_settle_nothing():
    more = told("1 L milk", "100 g sugar", "gave 2 kg")
    less = told("1 L milk", "100 g sugar", "gave 150 g")
    for account, says in ((more, "that went in"), (less, "solids")):
        assert account.sums[2].problem is not None and says in said(account.sums[2].problem)
        assert not account.weighed and account.finished_kg == pytest.approx(account.into_bowl_kg * 0.975)
    assert told("it was fine").asks == ("in",)
    up = told("1 L milk to 3 L", "gave 8 bowls")
    assert up.sums[0].problem is not None
    deep = settle(read("1 L milk to 3 cm", "gave 8 bowls"), PANTRY, None)
    assert deep.sums[0].problem is not None and "needs its pan" in said(deep.sums[0].problem)
    assert told("1 L milk to 1.2 cm", "gave 8 bowls").bases[0].made_kg == pytest.approx(0.54, abs=0.03)


def test_its_form_cannot_be_written_before_it_is_told():
    with pytest.raises(Impossible, match="what came of it"):
        form_of(told("1 L milk to half"), "mine", {})
    with pytest.raises(Impossible, match="One piece would weigh"):
        form_of(told("10 L milk to half", "gave 2 sticks"), "mine", {})


BATCHES = [
    REGATTA,
    ("1 L buffalo milk to half", "5 spoons of sugar", "gave 12 sticks"),
    (
        "1 kg carrots",
        "1 L milk",
        "cooked until the milk is gone",
        "150 g sugar",
        "50 g ghee",
        "gave 700 g in 8 bowls",
    ),
    (
        "1 L milk to half",
        "2 L cow milk curdled with lemon, gave 360 g",
        "sugar 120 g",
        "cooked until it leaves the pan",
        "gave 24 squares of 30 g",
    ),
    ("500 g yoghurt hung overnight to 250 g", "80 g icing sugar", "100 g mango", "gave 5 bowls, 420 g"),
    ("400 g condensed milk", "200 ml cream", "3 mangoes", "froze overnight", "gave 8 sticks"),
    ("300 g khoya", "100 g sugar", "cooked 10 minutes", "cardamom", "rolled into balls", "gave 20 pedas of 18 g"),
    ("1 L milk", "200 g sugar", "gave 420 g"),
    ("200 g jaggery", "150 g almonds", "gave 20 balls of 17 g"),
    ("1 L milk to half", "100 g condensed milk", "40 g sugar", "gave 8 glasses"),
    ("5 L skim milk to 550 g", "60 g sugar", "gave 12 squares"),
]


@pytest.mark.parametrize("lines", BATCHES, ids=lambda lines: lines[0])
def test_the_form_gives_the_batch_back(lines: tuple[str, ...]):
    """As a plan of the library it takes what went in and gives what came of it, to the piece."""
    account = told(*lines)
    own = built(account)
    went_in: dict[str, float] = {}
    for line in account.lines:
        if line.kind == "in" and line.thing and line.told:
            went_in[line.thing.key] = went_in.get(line.thing.key, 0.0) + line.told.kg
    for key, kg in went_in.items():
        assert own.stuff.bought[key] * account.finished_kg == pytest.approx(kg, rel=2e-3), key
    assert own.parts.total_solids == pytest.approx(account.parts.total_solids, abs=5e-4)
    assert own.stuff.added_sugar == pytest.approx(added_sugar(account), abs=5e-4)
    assert own.stuff.steam_kg * account.finished_kg == pytest.approx(account.steam_kg, abs=2e-3)
    if account.count:
        filled = account.finished_kg * (0.97 if own.school.piece.way == "mould" else 1.0)
        assert count_pieces(filled * 1.0005, piece_kg(own)) == account.count
    assert own.school.windows and read_told(form_of(account, "x", {"lines": list(lines), "answers": {}}))[0] == lines


@pytest.mark.parametrize(
    ("lines", "like"),
    list(zip(BATCHES, ["kulfi", "kulfi", "carrot-halwa", "kalakand", "shrikhand", "kulfi", "peda"], strict=False)),
    ids=lambda x: x if isinstance(x, str) else x[0],
)
def test_it_is_laid_beside_what_it_is_most_like(lines: tuple[str, ...], like: str):
    account = told(*lines)
    found = beside(account, built(account), library(), -18.0)
    assert found.like.key == like
    for level in found.levels:
        named = [u for u in found.unusual if f"% {level.of}, where" in u.text]
        assert bool(named) == (level.word != "in"), level.name


def test_what_is_unusual_of_the_regatta_stick():
    account = told(*REGATTA)
    found = beside(account, built(account), library(), -18.0)
    assert [u.title for u in found.unusual][:2] == ["Sand in a while.", "Soft because it is sweet."]
    assert found.unusual[0].grave and "7 days" in found.unusual[0].text
    by_name = beside(account, built(account), library(), -18.0, "the regatta kulfi")
    assert by_name.like.key == "kulfi"
    hard = told("1 L milk to half", "30 g sugar", "gave 8 sticks")
    assert "Hard from the freezer." in [u.title for u in beside(hard, built(hard), library(), -18.0).unusual]
    bitter = told("1 L milk to half", "200 g kiwi", "60 g sugar", "gave 8 sticks")
    assert any("bitter" in u.title for u in beside(bitter, built(bitter), library(), -18.0).unusual)


def test_where_to_stop_the_next_time():
    there = next_time(told(*REGATTA))
    assert there is not None and there.base is not None
    assert there.kg.low < there.kg.likely == there.base.made_kg < there.kg.high
    surer = next_time(told("2 L buffalo milk to half", "174 g sugar", "gave 14 sticks, 1 020 g"))
    assert surer is not None and surer.kg.high - surer.kg.low < there.kg.high - there.kg.low
    cooked = next_time(told("1 L milk", "200 g sugar", "gave 420 g"))
    assert cooked is not None and cooked.base is None and cooked.kg.likely == pytest.approx(0.42 / 0.975)
    assert next_time(told("400 g condensed milk", "200 ml cream", "gave 8 sticks")) is None


THINGS = st.sampled_from(
    [
        "L buffalo milk",
        "L milk to half",
        "L cow milk curdled",
        "kg yoghurt, hung",
        "cups of sugar",
        "big spoons of sugar",
        "g khoya",
        "g almonds",
        "handfuls of cashews",
        "spoons of ghee",
        "kg carrots",
        "g mango",
        "g besan",
        "pinches of salt",
    ]
)
AMOUNTS = st.sampled_from(["1", "2", "half a", "1½", "three", "40", "0.3"])
DONE = st.sampled_from(["boiled down to half", "cooked until thick", "froze overnight", "cardamom", "stirred in the sugar", "?"])  # fmt: skip
GAVE = st.one_of(
    st.just(""),
    st.builds("gave {} {}".format, st.integers(1, 40), st.sampled_from(["sticks", "bowls", "squares", "balls"])),
    st.builds("gave {} g".format, st.integers(50, 4000)),
    st.builds("gave {} sticks, {} g".format, st.integers(1, 40), st.integers(50, 4000)),
)


def _along_it_mass_closes(account: Account) -> None:
    before = 0.0
    heights = along(account)
    for height in heights:
        assert before + height.in_kg == pytest.approx(height.kg + height.off_kg, abs=1e-9)
        assert float(height.parts.total) == pytest.approx(1.0)
        before = height.kg
    assert before == pytest.approx(account.cooked_kg, abs=1e-9)
    ends = heights[-1].parts
    assert [float(ends.fat), float(ends.water)] == pytest.approx([account.parts.fat, account.parts.water], abs=1e-9)


@given(
    st.lists(st.one_of(st.builds("{} {}".format, AMOUNTS, THINGS), DONE), max_size=7),
    GAVE,
)
@example(lines=["2 L milk to half", "boiled down to half", "2 L milk to half"], gave="")
def test_mass_closes_whatever_is_told(lines: list[str], gave: str):
    account = told(*lines, *([gave] if gave else []))
    counted = sum(
        line.told.kg
        for line, summed in zip(account.lines, account.sums, strict=True)
        if line.kind == "in" and line.told and not (summed.problem and line.made_by)
    )
    if account.cooked_kg:
        base_faults = any(s.problem and line.made_by for line, s in zip(account.lines, account.sums, strict=True))
        out = account.steam_kg + account.whey_kg + account.stuck_kg + account.finished_kg
        assert base_faults or out == pytest.approx(counted, abs=1e-9)
        assert account.steam_kg >= -1e-9 and account.whey_kg >= -1e-9 and account.stuck_kg >= -1e-9
        assert float(account.parts.total) == pytest.approx(1.0) and float(account.parts.water) >= -1e-9
        if not base_faults:
            _along_it_mass_closes(account)
    if not account.asks and not any(s.problem for s in account.sums):
        try:
            own = built(account)
        except Impossible:
            return  # said to its cook: a piece of two grams, a mass drier than dry
        assert own.parts.total_solids == pytest.approx(account.parts.total_solids, abs=2e-3)


def test_the_river_bends_where_the_lines_say_it_was_boiled():
    of = [(h.line, h.off, h.beneath) for h in along(told(*REGATTA))]
    assert of == [(0, "", False), (0, "steam", True), (1, "", False), (2, "", False), (3, "", False)]
    cooked = told("1 kg carrots", "500 ml milk", "cooked until thick", "100 g sugar", "gave 700 g")
    assert (2, "steam", False) in [(h.line, h.off, h.beneath) for h in along(cooked)]
    curd = along(told("2 L cow milk curdled with lemon, gave 360 g", "60 g sugar", "gave 400 g"))
    assert (curd[1].off, curd[1].kg) == ("whey", pytest.approx(0.36))
    assert along(told("a fine evening")) == ()


def test_a_level_is_owed_to_the_lines_that_brought_it():
    """All shares are one; sugar to its line, fat to the milk's and the nuts', whatever was boiled off."""
    account = told(*REGATTA)
    sugar = owed(account, "sugar")
    assert sugar == (0.0, 1.0, 0.0, 0.0, 0.0)
    fat = owed(account, "fat")
    assert sum(fat) == pytest.approx(1.0) and fat[0] > 0.85 and 0 < fat[2] < 0.15 and fat[1] == fat[4] == 0.0
    assert owed(account, "msnf")[0] == pytest.approx(1.0)
    assert owed(told("1 L cow milk", "gave 900 g"), "sugar") == (0.0, 0.0)
    with pytest.raises(KeyError):
        owed(account, "salt")


@given(st.integers(200, 4000), st.integers(0, 600), st.integers(0, 200))
def test_what_is_owed_closes_at_any_amount(milk, sugar, nuts):
    account = told(f"{milk} g cow milk", f"{sugar} g sugar", f"{nuts} g pistachios", "gave 150 g")
    for level in PROPERTIES:
        shares = owed(account, level)
        assert all(0 <= share <= 1 for share in shares)
        assert sum(shares) == pytest.approx(1.0) or not any(shares)


def test_curd_is_owed_what_its_whey_did_not_take():
    """The milk's fat stays in the chhena, its lactose goes with the whey: what cream adds counts for more of the rest."""
    drained = told("2 L cow milk, curdled", "50 g cream", "gave 350 g")
    whole = told("2 L cow milk", "50 g cream", "gave 1900 g")
    assert owed(drained, "msnf")[0] < owed(whole, "msnf")[0]
    assert owed(drained, "fat")[0] == pytest.approx(owed(whole, "fat")[0], abs=0.03)


def test_as_many_again_take_what_they_took():
    """A batch that was told is planned as it was: 14 sticks of 2 L, with nothing on top for what it lost already."""
    account = told(*REGATTA)
    form = form_of(account, "mine", {"lines": list(REGATTA), "answers": {}})
    sweet = read_sweet("own", form)
    assert sweet.tried and not library()["kulfi"].tried
    again = plan_sweet(
        SweetPlan(
            sweet=sweet,
            school=sweet.usual,
            pantry=PANTRY,
            kitchen=Kitchen(),
            hearth=HEARTH,
            mass_kg=account.finished_kg,
            whole_packs=False,
        )
    )
    milk = next(row for row in again.rows if row.key == "buffalo")
    assert milk.kg == pytest.approx(account.bases[0].start_kg, rel=1e-3)
    assert again.finished_kg == pytest.approx(account.finished_kg)
