"""The "why?" behind the figures of a sweet, with this batch's numbers; and the text of its label."""

from datetime import date, timedelta

from ...messages.figures import say
from ...properties import freezing as fz
from ...safety.keeping import COOL_START_C
from ...why import Term, Why
from .habits import HabitName
from .plan import SweetForecast

_DOSSIER = "Mulvek’s own sweets notes"


def _pct(share: float, digits: int = 1) -> str:
    return f"{share * 100:.{digits}f} %"


def _hours(seconds: float) -> str:
    return f"{seconds / 3600:.1f} h" if seconds >= 5400 else f"{seconds / 60:.0f} min"


def sweet_reasons(f: SweetForecast) -> dict[str, Why]:
    """One ``Why`` for each figure the screen says."""
    found = {
        "pieces": _pieces(f),
        "balance": _balance(f),
        "keeping": _keeping(f),
        "cooling": _cooling(f),
        "time": _time(f),
    }
    if f.frozen:
        found |= {"ice": _ice(f), "freeze": _freeze(f)}
    if f.stop_kg is not None:
        found["stop"] = _stop(f)
    if f.syrup:
        found["syrup"] = _syrup(f)
    if f.fry:
        found["fry"] = Why(
            title="How hot the fat, how long",
            formula="heart set: Fourier number × radius² ÷ diffusivity; colour: minutes halve with every 8.8 K",
            terms=(
                Term("heart set after", _hours(f.fry.sets_s.likely)),
                Term("brown at that heat after", _hours(f.fry.browns_s)),
                Term("fat taken up", say(f.fry.taken_kg, "mass"), "by all of it"),
            ),
            source="First term of the sphere's heating series; browning by common practice",
            uncertainty="±25 % of the time, ±8 °C",
            sharpen="Cut the first one open and note when it was set.",
        )
    return found


def _pieces(f: SweetForecast) -> Why:
    lead = max(f.rows, key=lambda r: r.kg)
    return Why(
        title="How many pieces",
        formula="finished = what goes in − water boiled off − what pan and spoon keep; pieces = finished ÷ one piece",
        terms=(
            Term(lead.name, say(lead.kg, "mass"), lead.when),
            Term("boiled off", say(f.built.stuff.steam_kg * f.batch.finished_kg, "mass")),
            Term("pan and spoon keep", f"{f.built.school.lose:.3g} %", _learned(f, "loss")),
            Term("finished", say(f.finished.likely, "mass")),
            Term("one piece", f"{f.each_kg * 1e3:.1f} g"),
        ),
        source=f"Mass balance, closed to a millionth of a gram; {_DOSSIER} §2",
        uncertainty=f"{f.pieces.low:.0f} to {f.pieces.high:.0f}: the milk's label, the curd's yield and how the end is hit",
        sharpen="Weigh the base: everything is reckoned again from it. Weighed once more at the end, it tells what stays "
        "behind in your kitchen.",
    )


def _learned(f: SweetForecast, name: HabitName) -> str:
    """That a number is this kitchen's own, where it is."""
    habit = f.plan.habit
    if habit is None or habit.name != name or habit.times == 1.0:
        return ""
    return f"learned here: {habit.times:.2f} × the table"


def _balance(f: SweetForecast) -> Why:
    m = f.built.parts
    return Why(
        title="What it is made of",
        formula="each part of each ingredient, added up, over the finished mass",
        terms=(
            Term("fat", _pct(m.fat)),
            Term("milk solids not fat", _pct(m.msnf), f"lactose {_pct(m.lactose)}"),
            Term("added sugar", _pct(f.built.stuff.added_sugar)),
            Term("other solids", _pct(m.digestible + m.fibre + m.plant_protein + m.plant_ash)),
            Term("water", _pct(m.water)),
            Term("sweetness, warm", f"{fz.sweetness(m):.1f}", "as sucrose per 100 g"),
        ),
        source="Composition tables; windows are common practice and our own targets",
        uncertainty="the milk's label ±, and how the end is hit",
        sharpen="Enter the label of your own milk in the Larder.",
    )


def _ice(f: SweetForecast) -> Why:
    m, z = f.built.parts, f.frozen
    assert z is not None
    return Why(
        title="How much of it is ice",
        formula="water freezes out until what is left is strong enough: sugars by Leighton’s sum, salts by the milk’s ash",
        terms=(
            Term("sucrose equivalents", f"{100 * fz.sucrose_equivalents(m) / m.water:.1f} g", "per 100 g water"),
            Term("begins to freeze", f"{z.begins_c:.1f} °C"),
            Term(f"at {f.plan.freezer.celsius:.0f} °C", _pct(z.ice_of_water.likely, 0), "of its water"),
            Term("bites cleanly at", f"{z.bite_c:.0f} °C", "40 % of the whole is ice"),
        ),
        source="Leighton 1927; Pickering's data as in Goff & Hartel 2013; Norrish 1966 beyond",
        uncertainty="±0.15 K where it begins, ±3 points of the water; the bite ±3 K",
        sharpen="Note how hard yours is at a known temperature.",
    )


def _freeze(f: SweetForecast) -> Why:
    z = f.frozen
    assert z is not None
    crowded = z.crowded_s > z.freeze_s.likely * 0.999
    return Why(
        title="How long in the freezer",
        formula="(1 + Bi/2) · ρV ÷ (A·φ·U) · ∫ dH/(T − air), to a hard core; or what the freezer can do with so much at once",
        terms=(
            Term("one mould", f"{z.mould.volume_m3 * 1e6:.0f} ml", z.mould.name),
            Term("air", f"{f.plan.freezer.celsius:.0f} °C", f"{f.plan.freezer.film:.0f} W/m² K"),
            Term("the freezer's own limit", _hours(z.crowded_s), f"{f.plan.freezer.capacity_kg_day:g} kg a day"),
            Term("which counts", "the freezer" if crowded else "the mould"),
        ),
        source=f"{_DOSSIER} §1, within 2 % of a finite-volume run",
        uncertainty=f"{_hours(z.freeze_s.low)} to {_hours(z.freeze_s.high)}: home freezers differ",
        sharpen="Note once when a full load was hard.",
    )


def _stop(f: SweetForecast) -> Why:
    assert f.stop_kg is not None and f.built.school.cook is not None
    later = (f.built.cooked_kg - f.built.stop_kg) * f.batch.finished_kg
    return Why(
        title="When to stop cooking",
        formula="weight at the end = dry solids of all of it ÷ (1 − water wanted), less what is stirred in off the fire",
        terms=(
            Term("in the pan", say(f.into_pan_kg, "mass")),
            Term("water wanted", f"{f.built.school.cook:g} %"),
            *([Term("stirred in afterwards", say(later, "mass"), "not weighed at the stop")] if later > 5e-4 else []),
            Term("stop at", say(f.stop_kg, "mass"), "without the pan"),
        ),
        source=f"Mass balance, {_DOSSIER} §2",
        uncertainty="±1 point of water for 10 g in a kilogram",
        sharpen="Weigh the empty pan before you begin.",
    )


def _syrup(f: SweetForecast) -> Why:
    s = f.syrup
    assert s is not None and f.built.soak is not None
    drunk = _learned(f, "uptake")
    return Why(
        title="What the syrup does",
        formula="sugar ÷ (sugar + water) evens out between pieces and syrup; they come so far on the way",
        terms=(
            Term("syrup", f"{s.brix:.0f} °Brix", s.stage),
            Term("boils here at", f"{s.boils_c:.1f} °C"),
            Term("even strength", _pct(f.built.soak.equilibrium)),
            Term("a piece then weighs", f"{s.piece_kg.likely * 1e3:.0f} g", f"{_pct(s.sugar.likely, 0)} sugar"),
            *(
                [Term("they take up", f"{f.plan.habit.told:.2f} of their weight", drunk)]
                if f.plan.habit and drunk
                else []
            ),
            Term("left", say(s.left_kg, "mass"), f"at {s.left_brix:.0f} °Brix"),
        ),
        source="Mass balance; uptake after Crank 1975",
        uncertainty=f"{s.piece_kg.low * 1e3:.0f} to {s.piece_kg.high * 1e3:.0f} g a piece: swelling ±15 %",
        sharpen="Weigh them all after the rest, drained, as the finished sweet: the next are told by it.",
    )


def _keeping(f: SweetForecast) -> Why:
    k = f.keeping
    return Why(
        title="How long it keeps",
        formula="the first class that fits: frozen, sour (pH 4.6), water activity to 0.85, 0.92, 0.97, or wet",
        terms=(
            Term("water activity", f"{k.activity:.3f}", "estimated, judged on the wet side"),
            Term("pH", f"{f.built.school.ph:g}"),
            Term("class", k.klass.key, k.klass.why),
        ),
        source="Norrish 1966, Ross 1975; growth limits of ICMSF 1996; local food law comes first",
        uncertainty="cautious on purpose; never longer by smell or look",
        sharpen="Weigh the finished sweet: a drier class asks for it.",
    )


def _cooling(f: SweetForecast) -> Why:
    c = f.cooling
    seconds = "never" if c.first_s is None else _hours(c.first_s)
    return Why(
        title="Whether it cools in time",
        formula=f"from {COOL_START_C:.0f} °C below 21 °C within 2 h, below 5 °C within 4 h more; time = τ·ln of the gaps to the air",
        terms=(
            Term("depth in this pan", say(c.depth_m, "length")),
            Term("in the fridge to 21 °C", seconds),
            Term("in stirred iced water to 21 °C", _hours(f.iced.first_s or 0.0)),
        ),
        source="Newton's cooling with the pot's own surface; public cooling rule (check your local code)",
        uncertainty="±30 %",
        sharpen="Measure once how warm it is after an hour.",
    )


def _time(f: SweetForecast) -> Why:
    terms = [Term(s.say.split(":")[0].rstrip("."), _hours(s.seconds.likely), s.check) for s in f.steps[:6]]
    return Why(
        title="How long it takes",
        formula="the longest way through the steps; what can run side by side does",
        terms=tuple(terms),
        source=f"Boiling by the Bench's own model; hands by common practice, {_DOSSIER} §2",
        uncertainty=f"{_hours(f.ready.low)} to {_hours(f.ready.high)}",
        sharpen="Log a batch: its flame is learned.",
    )


def label(f: SweetForecast, made: date | None = None) -> str:
    """Words for a box: name, ingredients by weight, allergens, keeping, energy. A guide: local law decides."""
    names: dict[str, float] = {}
    for row in f.rows:
        names[row.name] = names.get(row.name, 0.0) + row.kg
    listed = ", ".join(name for name, _ in sorted(names.items(), key=lambda item: -item[1]))
    n = f.nutrients
    per = 100 / n.grams
    keep = f.keeping
    how = keep.words
    if made is not None:
        last = made + timedelta(days=keep.freezer_days if f.plan.sweet.frozen else keep.fridge_days)
        how += f" Made {made:%d %b %Y}, use by {last:%d %b %Y}."
    contains = f"Contains {', '.join(f.allergens)}." if f.allergens else "No named allergen."
    return "\n".join(
        (
            f.plan.sweet.name.capitalize(),
            f"{f.each_kg * 1e3:.0f} g a piece",
            f"Ingredients: {listed}.",
            contains,
            how,
            f"Per 100 g: {n.kcal * per:.0f} kcal ({n.kj * per:.0f} kJ), fat {n.fat_g * per:.1f} g, carbohydrate "
            f"{n.carbohydrate_g * per:.1f} g of which sugars {n.sugars_g * per:.1f} g, protein {n.protein_g * per:.1f} g, "
            f"salt {n.salt_g * per:.2f} g.",
            "Made in a home kitchen that handles milk, nuts and wheat.",
        )
    )
