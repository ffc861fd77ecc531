"""What is left of what was counted: less by what went in after it, never below none, believed for so long."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.batch.stock import BELIEVED_S, DAY_S, FRESH_S, Counted, Use, left, spoils

kgs = st.floats(0, 50, allow_nan=False)
times = st.floats(0, 1e6)
uses = st.lists(st.builds(Use, st.sampled_from(["sugar", "milk:1", "ghee"]), kgs, times), max_size=12)


@given(st.dictionaries(st.sampled_from(["sugar", "milk:1"]), st.builds(Counted, kgs, times)), uses, st.randoms())
def test_what_is_left_is_between_none_and_what_was_counted_in_any_order(counted, gone, random):
    told = left(counted, gone, 1e6)
    assert told.keys() == counted.keys()
    assert all(0 <= kg <= counted[key].kg for key, kg in told.items())
    shuffled = list(gone)
    random.shuffle(shuffled)
    assert left(counted, shuffled, 1e6) == pytest.approx(told)
    for key, count in counted.items():
        after = sum(use.kg for use in gone if use.key == key and use.at_s > count.at_s)
        assert told[key] == pytest.approx(max(0.0, count.kg - after))


def test_what_went_in_at_the_very_moment_of_counting_was_counted_without_it():
    assert left({"sugar": Counted(1.0, 50.0)}, [Use("sugar", 0.4, 50.0)], 60.0) == {"sugar": 1.0}
    assert left({"sugar": Counted(1.0, 50.0)}, [Use("sugar", 0.4, 50.1)], 60.0) == {"sugar": 0.6}


@pytest.mark.parametrize(("fresh", "for_s"), [((), BELIEVED_S), (("sugar",), FRESH_S)])
def test_a_count_is_believed_to_the_last_second_and_no_longer(fresh, for_s):
    counted = {"sugar": Counted(1.0, 100.0)}
    assert left(counted, [], 100.0 + for_s, fresh) == {"sugar": 1.0}
    assert left(counted, [], 100.0 + for_s + 1, fresh) == {}
    assert (BELIEVED_S, FRESH_S) == (60 * DAY_S, 3 * DAY_S)


@pytest.mark.parametrize(
    ("group", "solids", "flags", "gone_in_days"),
    [
        ("milk", 0.13, (), True),
        ("milk", 0.13, ("homogenised",), True),
        ("milk", 0.13, ("uht",), False),
        ("fruit", 0.2, (), True),
        ("fruit", 0.7, (), False),
        ("cheese", 0.45, (), True),
        ("khoya", 0.65, (), True),
        ("powder", 0.97, (), False),
        ("sugar", 0.1, (), False),
    ],
)
def test_what_is_fresh_spoils_and_what_is_dry_or_closed_keeps(group, solids, flags, gone_in_days):
    assert spoils(group, solids, flags) is gone_in_days


def test_sugar_is_believed_where_milk_is_not():
    count = Counted(1.0, 0.0)
    assert count.believed(10 * DAY_S) and not count.believed(10 * DAY_S, spoils=True)
    assert not count.believed(61 * DAY_S)
