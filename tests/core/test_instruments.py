"""Streams of instruments: packing, thinning, settling, and the CSV of a batch's readings."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.batch.channels import CHANNELS, as_reading, settled, speaks
from mulvek.core.batch.events import Event, Reading, Undo
from mulvek.core.batch.thinning import thinned
from mulvek.core.errors import BadInput
from mulvek.files.readings_csv import COLUMNS, read_readings, write_readings
from mulvek.instruments.lines import Line, as_csv, from_csv, read_line
from mulvek.store.chunks import pack, unpack

NOW = 1_800_000_000.0


@settings(deadline=None)
@given(
    st.lists(st.tuples(st.floats(0.02, 30), st.floats(-40, 300)), min_size=1, max_size=200),
    st.sampled_from([c.step for c in CHANNELS.values()]),
)
def test_a_packed_chunk_comes_out_as_it_went_in(rows, step):
    at = NOW + np.cumsum([gap for gap, _ in rows])
    values = np.array([v for _, v in rows])
    got_at, got = unpack(pack(at, values, step), step)
    assert np.abs(got_at - at).max() <= 0.0051 and np.abs(got - values).max() <= step * 0.51


def test_an_hour_packs_small():
    rng = np.random.default_rng(1)
    at, values = NOW + np.arange(3600.0), 1.6 - np.arange(3600.0) * 1e-4 + rng.normal(0, 0.003, 3600)
    assert len(pack(at, values, 1e-3)) < 2.2 * 3600


@settings(deadline=None)
@given(st.integers(3, 3000), st.integers(4, 600), st.integers(0, 10**6))
def test_thinning_keeps_both_ends_of_every_stretch(count, points, seed):
    values = np.random.default_rng(seed).normal(size=count)
    at = np.arange(float(count))
    few_at, few = thinned(at, values, points)
    assert len(few_at) <= max(points, 2) and (np.diff(few_at) > 0).all()
    assert few.max() == values.max() and few.min() == values.min()


def test_only_a_steady_value_becomes_a_reading_and_the_pan_is_taken_off():
    scale, times = CHANNELS["scale"], list(range(10))
    assert settled(scale, times, [3.0] * 10, 9.5) == 3.0
    assert settled(scale, times, [3.0, 0.2] * 5, 9.5) is None  # the pan was lifted
    assert settled(scale, times[:3], [3.0] * 3, 9.5) is None and settled(scale, times, [3.0] * 10, 60) is None
    assert as_reading(scale, 3.0, 1.4) == Reading("weight", pytest.approx(1.6), by="scale")
    assert as_reading(CHANNELS["ph"], 6.6, 0) is None
    assert speaks(["probe", "dip", "scale"]) == "scale" and speaks(["probe"]) is None


def test_the_line_format_and_its_csv():
    line = Line(3, 2.5, {"scale": 3.01, "probe": 99.5})
    assert read_line(line.json()) == line
    assert read_line('{"n":1,"at_s":0,"scale":9999,"other":"x","probe":null}').values == {}
    for wrong in ("", "[1]", '{"n":"a","at_s":1}', '{"at_s":1}', '{"n":1,"at_s":2,"scale":"heavy"}'):
        with pytest.raises(BadInput, match="another kind"):
            read_line(wrong)
    assert [x.values for x in from_csv(as_csv([line], ["scale", "probe"]))] == [line.values]
    with pytest.raises(BadInput, match="Line 3 goes back"):
        from_csv("at_s,scale\n5,1.0\n4,1.0\n")
    with pytest.raises(BadInput, match="Line 2 holds"):
        from_csv("at_s,scale\nsoon,1.0\n")


def test_readings_as_csv_come_back_the_same():
    events = [
        Event(1, NOW, Reading("depth", 0.054)),
        Event(2, NOW + 60, Reading("weight", 1.417, by="scale")),
        Event(3, NOW + 90, Reading("spoon", 2)),
        Event(4, NOW + 95, Reading("brix", 14.2)),
        Event(5, NOW + 96, Undo(4)),
    ]
    text = write_readings(events, {"scale": [(NOW + 1.25, 2.817), (NOW + 2.25, 2.816)], "ph": [(NOW + 3, 6.6)]})
    assert text.splitlines()[0] == ",".join(COLUMNS) and "2027-01-15T08:00:00.000Z,cook,depth,5.40,cm" in text
    rows = read_readings(text, NOW + 60)
    readings = [r.reading for r in rows if r.reading]
    assert [(r.how, pytest.approx(r.value), r.by) for r in readings] == [
        ("depth", 0.054, ""),
        ("weight", 1.417, "scale"),
        ("spoon", 2, ""),
    ]
    assert [(r.at_s, r.channel, pytest.approx(r.value)) for r in rows if not r.reading] == [
        (NOW + 1.25, "scale", 2.817),
        (NOW + 2.25, "scale", 2.816),
        (NOW + 3, "ph", 6.6),
    ]


HEAD = ",".join(COLUMNS) + "\n"


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("time,what\n", "Line 1 lacks the column “source”"),
        (HEAD + "2026-05-02T16:30:00,cook,depth,5.4,cm\n", "Line 2: “2026-05-02T16:30:00” is no time"),
        (HEAD + "\n2026-05-02T16:30:00Z,cook,depth,deep,cm\n", "Line 3: "),
        (HEAD + "2026-05-02T16:30:00Z,cook,girth,5,cm\n", "Line 2: There is no reading called “girth”"),
        (HEAD + "2026-05-02T16:30:00Z,probe stream,temperature,9999,°C\n", "Line 2: A probe thermometer never shows"),
        (HEAD + "2026-05-02T16:30:00Z,cook,brix,14,%\n", "Line 2: A brix is not in “%”"),
    ],
)
def test_a_wrong_line_is_named(text, says):
    with pytest.raises(BadInput) as error:
        read_readings(text, NOW + 60)
    assert says in error.value.message and error.value.fix
