"""Schools, named stops and the judgement: what each does, in the direction that cooks know."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from mulvek.core.composition.composition import together
from mulvek.core.composition.materials import material, own_milk
from mulvek.core.equipment.burners import FLAMES, Burner
from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import Measures, Quantity, parse
from mulvek.core.equipment.vessels import Flared, Kadhai, Straight
from mulvek.core.errors import Impossible
from mulvek.core.messages.catalogue import said
from mulvek.core.planning.reduce.coconut import judge_split, split_index
from mulvek.core.planning.reduce.compare import compare
from mulvek.core.planning.reduce.dipstick import marks
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.reduce.judgement import mend
from mulvek.core.planning.reduce.plan import STIRRINGS, Addition, Amount, Rate, ReducePlan
from mulvek.core.planning.reduce.reasons import FIGURES, reasons
from mulvek.core.planning.reduce.stops import Stop, read_stop
from mulvek.core.planning.reduce.windows import milk_part_solids, windows
from mulvek.core.planning.reduce.wish import in_measures, milk_for, packs, what_is_served
from mulvek.core.properties.density import volume_m3
from mulvek.core.properties.texture import STAGES
from mulvek.files.dipstick import CHECK_MM, sheet
from mulvek.files.sheet import FONTS, RUNS, Line, Sheet, Text, font_of, to_pdf, to_svg, write
from tests.core.dossier_formulas import product_window

KADHAI = Pan("kadhai", Kadhai(0.29, 0.086, 0.32, 0.032), "stainless-sandwich", 2.3)
POT = Pan("pot", Straight(0.24, 0.14))


def grams(g: float) -> Amount:
    return Amount(Quantity(g / 1e3, "mass", f"{g:g} g"), 0.005)


def plan(stop="half its volume", sugar=90.0, milk="buffalo", kg=2.0, **more):
    known = {"pan": KADHAI, "burner": Burner("left"), "flame": "medium", "sugar_time": "end", "kitchen": Kitchen()}
    return ReducePlan(
        milk=material(milk) if isinstance(milk, str) else milk,
        amount=grams(kg * 1e3),
        stop=read_stop(stop) if isinstance(stop, str) else stop,
        sugar=grams(sugar) if sugar else None,
        **{**known, **more},
    )


# dossier §6: product total solids, fat and MSNF across each window, cow to buffalo, g per 100 g
WINDOWS = {
    "thickened": ((17, 32), (4.9, 10.4), (9, 17)),
    "basundi": ((30, 42), (6.6, 12.2), (12.1, 20)),
    "kulfi-base": ((34, 44), (6.7, 12), (12.3, 19.8)),
    "rabri": ((49, 68), (11, 22.4), (20.1, 37)),
    "evaporated": ((25, 27), (8, 11.2), (14.6, 18.4)),
    "condensed": ((71, 75), (8.6, 13), (15.8, 21.3)),
    "khoya-dhap": ((55, 60), (17.6, 24.9), (32, 41)),
    "khoya-danedar": ((60, 65), (19.2, 27), (35, 44)),
    "khoya-pindi": ((65, 72), (20.8, 29.9), (38, 49)),
}


@pytest.mark.parametrize("key", WINDOWS)
def test_named_windows_are_the_dossiers(key):
    got = product_window(windows()[key], (4.1 / 12.82, 6.9 / 16.63))
    for name, expected in zip(("total_solids", "fat", "msnf"), WINDOWS[key], strict=True):
        assert [x * 100 for x in got[name]] == pytest.approx(expected, abs=0.55), name


@pytest.mark.parametrize("window", list(windows().values()), ids=list(windows()))
@pytest.mark.parametrize("when", ["start", "end"])
def test_each_name_stops_inside_its_own_window(window, when):
    milk = own_milk("1", "coconut", 21.0, 6.7, "coconut") if window.product else material("cow")
    sugar = {"condensed": 390.0, "coconut": 300.0}.get(window.key, 100.0 if window.sugar[1] else 0.0)
    f = forecast(plan(window.words[0], sugar=sugar, milk=milk, sugar_time=when, flame="gentle"))
    product = f.after
    share = float(product.total_solids) if window.product else float(milk_part_solids(product))
    assert share == pytest.approx(window.middle, abs=1e-4)
    assert next(n for n in f.judgement.named if n.key == window.key).inside
    assert f.plan.stop.text == window.name and read_stop(f.plan.stop.text) == f.plan.stop


@settings(max_examples=40, deadline=None)
@given(
    powder=st.floats(0, 120),
    cream=st.floats(0, 200),
    late=st.booleans(),
    stirring=st.sampled_from(STIRRINGS),
    kind=st.sampled_from(["white-sugar", "jaggery", "brown-sugar", "honey"]),
    when=st.sampled_from(["start", "midway", "end"]),
)
def test_mass_closes_whatever_goes_in(powder, cream, late, stirring, kind, when):
    more = tuple(
        Addition(material(key), grams(g), late)
        for key, g in (("whole-powder", powder), ("single-cream", cream))
        if g > 1
    )
    p = plan(additions=more, stirring=stirring, sugar_kind=material(kind), sugar_time=when)
    f = forecast(p)
    put_in = p.milk_kg + p.sugar_kg + sum(a.mass_kg for a in more)
    assert put_in - f.steam_kg - f.product_kg.likely == pytest.approx(0.0, abs=1e-9)
    everything = together([p.milk_parts, p.sugar_parts, *(a.parts for a in more)])
    for (name, a), (_, b) in zip(everything.items(), f.after.items(), strict=True):
        assert name == "water" or float(a) == pytest.approx(float(b), abs=1e-12)
    assert 0 < f.served_kg.likely < f.product_kg.likely
    assert set(reasons(f)) == set(FIGURES)


def test_more_sugar_never_lowers_solids_and_early_sugar_takes_more_water_off():
    amounts = [0.0, 30.0, 60.0, 120.0, 200.0]
    for when in ("start", "midway", "end"):
        solids = [forecast(plan(sugar=g, sugar_time=when)).total_solids.likely for g in amounts]
        assert solids == sorted(solids)
    early, late = (forecast(plan(sugar_time=when)) for when in ("start", "end"))
    assert early.product_kg.likely < late.product_kg.likely
    assert early.after_boil_s.likely > late.after_boil_s.likely
    assert min(early.track.stir_s) <= min(
        late.track.stir_s[: int(np.argmax(late.track.at_s > early.after_boil_s.likely))]
    )
    sweet = late.judgement.sweetened
    assert 55e-6 < sweet.adds_m3 < 60e-6 and STAGES.index(sweet.cold_with) <= STAGES.index(sweet.cold_without)


def test_schools_do_what_cooks_say():
    plain = forecast(plan("rabri"))
    folded, lifted, lazy = (forecast(plan("rabri", stirring=s)) for s in ("folded", "lifted", "now-and-then"))
    assert folded.cold.viscosity.likely > plain.cold.viscosity.likely
    assert lifted.served_kg.likely < lazy.served_kg.likely < plain.served_kg.likely
    lid, slow = forecast(plan(lid=True)), forecast(plan(to_boil="medium"))
    bare = forecast(plan())
    assert lid.first_boil_s.likely < bare.first_boil_s.likely < slow.first_boil_s.likely
    assert lid.boil_steam_kg < bare.boil_steam_kg
    assert "Lid off" in " ".join(said(c.says) for c in lid.cautions)
    wet = forecast(plan(wetted=True))
    assert np.all(wet.track.stir_s >= bare.track.stir_s) and np.any(wet.track.stir_s > bare.track.stir_s)
    iron = forecast(plan("rabri", pan=replace(KADHAI, material="iron")))
    assert iron.judgement.colour.dose.likely > 1.29 * plain.judgement.colour.dose.likely
    gentle = forecast(plan("rabri", flame="gentle"))
    assert min(gentle.track.stir_s) >= min(plain.track.stir_s)


def test_enriching_says_how_to_do_it_and_what_it_brings():
    more = (
        Addition(material("whole-powder"), grams(40)),
        Addition(material("condensed"), grams(100)),
        Addition(material("corn-starch"), grams(10), late=True),
    )
    f = forecast(plan(additions=more))
    told = " ".join(f"{said(c.says)} {said(c.says, 'text')}" for c in f.cautions)
    assert "40 g of cold milk" in told and "20 g of cold milk" in told and "brings 44.5 g of sugar" in told
    assert f.cold.viscosity.likely > forecast(plan()).cold.viscosity.likely
    assert f.before.total == pytest.approx(2.14) and f.after.starch > 0
    assert "curdle" in " ".join(said(c.says) for c in forecast(plan(sugar_kind=material("jaggery"))).cautions)
    assert "Honey" in " ".join(said(c.says) for c in forecast(plan(sugar_kind=material("honey"))).cautions)
    with pytest.raises(Impossible) as caught:
        plan(additions=(Addition(material("double-cream"), grams(2500)),))
    assert caught.value.field == "additions"


@pytest.mark.parametrize("name", STAGES[1:6])
def test_a_stop_by_tomorrows_look_gives_that_look(name):
    f = forecast(plan(f"{name} cold", sugar=60.0))
    assert f.cold.name == name and f.hot.stage <= f.cold.stage
    early = next(e for e in f.judgement.early if e.name == name)
    assert early.depth_m == pytest.approx(f.stop_depth_m.likely, abs=4e-4)
    assert early.hot_stage <= early.stage
    depths = [e.depth_m for e in f.judgement.early]
    assert depths == sorted(depths, reverse=True)


def test_dossiers_colours_sand_and_keeping():
    half = forecast(plan(sugar=0, milk="cow", kg=1.03, pan=POT))
    assert half.judgement.colour.dose.likely == pytest.approx(39, rel=0.25) and half.judgement.colour.name == "ivory"
    khoya = forecast(plan("66 % solids", sugar=0, milk="cow", kg=1.03, pan=POT))
    assert (
        khoya.judgement.colour.dose.likely == pytest.approx(152, rel=0.25) and khoya.judgement.colour.name == "cream"
    )
    can = forecast(plan("sweetened condensed milk", sugar=195.0, milk="cow", kg=1.03, sugar_time="start", pan=POT))
    risks = [c.risk for c in can.judgement.crystals]
    assert risks == sorted(risks) and risks[0] < 0.2 and risks[-1] > 0.9
    assert 60 < can.judgement.keeping.sugar_number < 66 and can.judgement.keeping.water_activity.likely < 0.88
    assert half.judgement.crystals[-1].risk < 0.5 < can.judgement.lactose_supersaturation
    sweeter = forecast(plan("77 % solids", sugar=260.0, milk="cow", kg=1.03, sugar_time="start", pan=POT))
    assert sweeter.judgement.keeping.sugar_crystals and not can.judgement.keeping.sugar_crystals


def test_round_bottom_halves_and_losses():
    h = forecast(plan()).judgement.halves
    assert 0.6 < h.half_volume_at_depth < 0.72 and 0.2 < h.half_depth_holds < 0.35
    straight = forecast(plan(pan=POT)).judgement.halves
    assert straight.half_volume_at_depth == pytest.approx(0.5) and straight.half_depth_holds == pytest.approx(0.5)
    x = forecast(plan("rabri")).judgement.losses
    assert 0 < x.scraped_kg < x.unscraped_kg < 0.1 and 0 < x.cooling_open_kg < 0.1


def test_coconut_has_its_own_rules():
    tin = own_milk("1", "tin", 21.0, 6.7, "coconut")
    hot, calm = (
        forecast(plan("coconut condensed milk", 80.0, tin, 0.4, flame=f, pan=POT)) for f in ("strong", "gentle")
    )
    assert hot.judgement.split.planned > calm.judgement.split.gentle
    assert {n.key for n in calm.judgement.named} == {"coconut"}
    assert "bare movement" in " ".join(said(c.says) for c in calm.cautions)
    assert forecast(plan()).judgement.split is None
    bare = material("coconut").parts
    plain = bare.with_water(bare.solids * (1 / 0.65 - 1))
    # dossier §9: φ 0.55, no sugar, 85 / 92 / 98 °C
    assert float(split_index(plain, 85.0, 0.5)) == pytest.approx(0.52, abs=0.02)
    assert float(split_index(plain, 98.0, 4.0)) == pytest.approx(1.02, abs=0.02)
    assert judge_split(plain, 98.0).words == "splits"


@pytest.mark.parametrize("stop", ["half its volume", "rabri", "khoya pindi", "33 % solids", "spoonable cold"])
@pytest.mark.parametrize("want", ["600 g", "0.9 L", "4 cups"])
def test_a_wish_comes_true(stop, want):
    p = plan(stop, sugar=0 if "khoya" in stop else 90.0, pan=Pan("big", Straight(0.40, 0.30)))
    wanted = parse(want, default_unit="g", allow=("mass", "volume"), field="want", measures=Measures())
    wish = milk_for(p, wanted)
    got = wish.served_kg if wanted.dimension == "mass" else wish.served_m3
    assert got == pytest.approx(wanted.value, rel=1e-5)
    assert forecast(wish.plan).served_kg.likely == pytest.approx(wish.served_kg, rel=0.01)
    assert wish.sugar_kg / wish.milk_kg == pytest.approx(p.sugar_kg / p.milk_kg)
    kg, m3 = what_is_served(wish.plan)
    assert (kg, m3) == (pytest.approx(wish.served_kg), pytest.approx(wish.served_m3))


def test_a_wish_that_cannot_be_names_its_word():
    wanted = parse("600 g", default_unit="g", allow=("mass", "volume"), field="want", measures=Measures())
    for stop in ("4 cm", "900 g", "1.2 L"):
        with pytest.raises(Impossible) as caught:
            milk_for(plan(stop), wanted)
        assert caught.value.field == "stop"
    with pytest.raises(Impossible) as caught:
        milk_for(plan(), replace(wanted, value=900.0))
    assert caught.value.field == "want"
    assert packs(1.0e-3, 0.5e-3) == (2, 0.0) and in_measures(1e-3, Measures()) == "4 cups or 5 glasses"


def test_the_table_of_pans_is_the_forecast_in_short():
    pans = {1: KADHAI, 2: POT, 3: Pan("flared", Flared(0.2, 0.27, 0.14)), 4: Pan("cup", Straight(0.12, 0.08))}
    known = {(1, "medium"): Rate(0.3, 0.08, 3)}
    p = plan()
    ways, unfit = compare(p, pans, lambda pan, flame: known.get((pan, flame), Rate()))
    assert {u.pan_id for u in unfit} == {4} and {w.pan_id for w in ways} == {1, 2, 3}
    assert sum(w.best for w in ways) == 1
    for way in ways:
        rate = known.get((way.pan_id, way.flame), Rate())
        told = forecast(replace(p, pan=pans[way.pan_id], flame=way.flame, rate=rate))
        whole = told.first_boil_s.likely + told.after_boil_s.likely
        assert way.total_s.likely == pytest.approx(whole, rel=0.03)
        assert way.total_s.low < way.total_s.likely < way.total_s.high
        assert way.depth_m == pytest.approx(told.stop_depth_m.likely, abs=1e-3)
    first = {w.flame: w for w in ways if w.pan_id == 1}
    assert first["medium"].total_s.high - first["medium"].total_s.low < 0.5 * first["medium"].total_s.likely
    assert [first[f].shortest_stir_s for f in FLAMES] == sorted(
        (first[f].shortest_stir_s for f in FLAMES), reverse=True
    )


def test_a_wider_pan_is_never_slower_when_the_surface_limits():
    # a weak flame on a small burner: the milk never rolls, steam leaves by the surface
    minutes = [
        forecast(
            plan(kg=1.0, sugar=0, burner=Burner("small", "lpg-small", 0.7), flame="gentle", pan=pan)
        ).after_boil_s.likely
        for pan in (Pan(str(cm), Straight(cm / 100, 0.2)) for cm in (24, 25, 26))
    ]
    fit = [max(0.75, min(1.15, 1 + 0.01 * (d - 24))) for d in (24, 25, 26)]
    equal_power = [m * f for m, f in zip(minutes, fit, strict=True)]
    assert equal_power[2] <= equal_power[0] * 1.08


@settings(max_examples=30, deadline=None)
@given(now=st.floats(0.35, 0.75), wanted=st.floats(0.3, 0.6))
def test_mending_brings_the_batch_where_it_should_be(now, wanted):
    p = plan(sugar=60.0)
    f = forecast(p)
    solids = float(p.all_parts.solids)
    water_now, water_wanted = (solids * (1 / s - 1) for s in (now, wanted))
    assume(f.track.water_kg[-1] < min(water_now, water_wanted) and max(water_now, water_wanted) < f.track.water_kg[0])
    m = mend(p, f.track, water_now, water_wanted)
    batch = p.all_parts.with_water(water_now)
    if now > wanted:
        mended = batch.plus(p.milk.parts.scaled(m.milk_kg.likely))
        assert float(mended.total_solids) == pytest.approx(wanted, abs=1e-9) and m.seconds.likely == 0
        assert m.milk_m3 == pytest.approx(float(volume_m3(p.milk.parts.scaled(m.milk_kg.likely), 20.0)))
    else:
        assert m.milk_kg.likely == 0 and m.seconds.likely >= 0


NAMES = {
    "Regular": "कड़ाही, क्षीर, श्री",
    "Bangla": "রসগোল্লা, ক্ষীর",
    "Gujarati": "શ્રીખંડ, દૂધ",
    "Gurmukhi": "ਖੋਆ, ਦੁੱਧ",
    "Kannada": "ಹಾಲು, ಖೋವಾ",
    "Malayalam": "പാൽപ്പായസം",
    "Odia": "ରସଗୋଲା, କ୍ଷୀର",
    "Tamil": "பால்கோவா",
    "Telugu": "పాలకోవా, క్షీర",
}
"""A sweet or a pan in each script that is printed, by the font that prints it."""


@settings(deadline=None)
@given(st.text(alphabet="kadhai, 2 L½—°C\u200d" + "".join(NAMES.values()), min_size=1, max_size=40))
def test_a_name_in_any_script_of_ours_is_printed(name):
    """Cut into runs of one script, of which none is lost, and drawn without a letter that the font lacks."""
    assert "".join(RUNS.findall(name)) == name
    made = to_pdf(Sheet(90, 40, (Text(x=8, y=10, text=name), Text(x=8, y=20, text=name, bold=True))))
    assert made.startswith(b"%PDF") and b"MulvekPrint" in made


@pytest.mark.parametrize("script", NAMES)
def test_every_script_has_a_font_with_its_letters_that_join(script):
    from reportlab.pdfbase.ttfonts import TTFont

    name = NAMES[script]
    used = {font_of(run)[0] for run in RUNS.findall(name) if font_of(run)[1]}
    assert used == {f"MulvekPrint-{script}"}
    known = TTFont("probe", str(FONTS / f"MulvekPrint-{script}.ttf")).face.charToGlyph
    assert {letter for letter in name if letter not in ", "} <= {chr(code) for code in known}
    assert f"MulvekPrint-{script}".encode() in to_pdf(Sheet(90, 40, (Text(x=8, y=10, text=f"the {name} of ours"),)))


def test_letters_of_devanagari_join():
    page = Written()
    write(page, Text(x=0, y=0, text="to क्षीर, hot"), 0.0, 1.0)
    assert [text for _, text in page.drawn if text.isascii()] == ["to ", ", hot"]
    [joined] = [text for _, text in page.drawn if not text.isascii()]
    assert len(joined) < len("क्षीर")  # three letters of the conjunct are one shape
    xs = [x for x, _ in page.drawn]
    assert xs == sorted(xs) and len(set(xs)) == 3


class Written:
    """A page that keeps what is drawn on it."""

    def __init__(self):
        self.drawn = []

    def setFont(self, name, size):
        pass

    def drawString(self, x, _y, text):
        self.drawn.append((x, text))


def test_the_dip_stick_is_the_pan_at_full_size():
    f = forecast(plan("rabri"))
    found = marks(f)
    for mark in found:
        if mark.kind == "volume":
            assert mark.depth_m == pytest.approx(float(KADHAI.shape.depth_m(mark.volume_m3)))
            assert math.isclose(mark.volume_m3 * 1e4 % 1, 0, abs_tol=1e-6) or mark.volume_m3 * 1e4 % 1 > 0.999
    stop = next(m for m in found if m.kind == "stop")
    drawing = sheet(f)
    blue = [s for s in drawing.shapes if isinstance(s, Line) and s.width == 0.7]
    foot = max(s.y1 for s in drawing.shapes if isinstance(s, Line) and s.width == 0.8)
    assert any(foot - line.y1 == pytest.approx(stop.depth_m * 1e3) for line in blue)
    bar = next(s for s in drawing.shapes if isinstance(s, Line) and s.width == 0.6)
    assert bar.x2 - bar.x1 == CHECK_MM == 50
    svg = to_svg(drawing)
    assert f'width="{drawing.width:g}mm"' in svg and f'viewBox="0 0 {drawing.width:g} ' in svg and "STOP" in svg
    pdf = to_pdf(drawing)
    assert pdf.startswith(b"%PDF") and f"{drawing.width * 72 / 25.4:.2f}"[:5].encode() in pdf


def test_whatever_a_pan_is_called_stays_on_the_paper():
    from reportlab.pdfbase import pdfmetrics
    from reportlab.pdfbase.ttfonts import TTFont

    pdfmetrics.registerFont(TTFont("probe", str(FONTS / "MulvekPrint-Bold.ttf")))
    long = replace(KADHAI, name="grandmother’s wide iron kadhai with the mended handle, the old one")
    drawing = sheet(forecast(replace(plan("rabri"), pan=long)))
    texts = [s for s in drawing.shapes if isinstance(s, Text)]
    for text in texts:
        assert text.x + pdfmetrics.stringWidth(text.text, "probe", text.size) < drawing.width, text.text
    said = " ".join(text.text for text in texts)
    assert long.name in said
    strip = min(s.y1 for s in drawing.shapes if isinstance(s, Line))
    assert all(text.y < strip for text in texts if text.text in f"Dip-stick for {long.name}")


@pytest.mark.parametrize(
    ("text", "stop"),
    [
        ("Rabri", Stop("milk_part", 0.515, False, "rabri")),
        ("khoya", Stop("milk_part", 0.625, False, "khoya danedar")),
        ("coconut condensed milk", Stop("total_solids", 0.625, True, "coconut condensed milk")),
        ("slow ribbon cold", Stop("cold_stage", 3)),
        ("52 % solids of the milk part", Stop("milk_part", 0.52)),
    ],
)
def test_stops_in_the_cooks_words(text, stop):
    got = read_stop(text)
    assert (got.kind, got.with_sugar, got.name) == (stop.kind, stop.with_sugar, stop.name)
    assert got.value == pytest.approx(stop.value) and read_stop(got.text) == got
