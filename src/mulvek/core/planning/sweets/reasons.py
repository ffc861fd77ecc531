"""The "why?" behind the figures of a sweet, with this batch's numbers; and the text of its label."""

from datetime import date, timedelta

from ...messages.message import Message
from ...properties import freezing as fz
from ...safety.keeping import COOL_START_C
from ...why import Term, Why
from .habits import HabitName
from .plan import SweetForecast


def _hours(seconds: float) -> Message:
    if seconds >= 5400:
        return Message("in-hours", hours=seconds / 3600)
    return Message("in-minutes", minutes=seconds / 60)


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
            says=Message("why-sweet-fry"),
            terms=(
                Term(Message("why-sweet-fry-heart-set-after", sets_s=_hours(f.fry.sets_s.likely))),
                Term(Message("why-sweet-fry-brown-at-heat-after", browns_s=_hours(f.fry.browns_s))),
                Term(Message("why-sweet-fry-fat-taken-up", taken_kg=f.fry.taken_kg)),
            ),
        )
    return found


def _pieces(f: SweetForecast) -> Why:
    lead = max(f.rows, key=lambda r: r.kg)
    return Why(
        says=Message("why-sweet-pieces", pieces_low=f.pieces.low, pieces_high=f.pieces.high),
        terms=(
            Term(Message("why-sweet-pieces-lead", lead=lead.name, kg=lead.kg, when=lead.when)),
            Term(Message("why-sweet-pieces-boiled-off", steam_kg=f.built.stuff.steam_kg * f.batch.finished_kg)),
            Term(
                Message(
                    "why-sweet-pieces-pan-and-spoon-keep", lose=f.built.school.lose, learned=_learned(f, "loss") or ""
                )
            ),
            Term(Message("why-sweet-pieces-finished", finished=f.finished.likely)),
            Term(Message("why-sweet-pieces-one-piece", each_kg=f.each_kg * 1000.0)),
        ),
    )


def _learned(f: SweetForecast, name: HabitName) -> Message | None:
    """That a number is this kitchen's own, where it is."""
    habit = f.plan.habit
    if habit is None or habit.name != name or habit.times == 1.0:
        return None
    return Message("learned-here", times=habit.times)


def _balance(f: SweetForecast) -> Why:
    m = f.built.parts
    return Why(
        says=Message("why-sweet-balance"),
        terms=(
            Term(Message("why-sweet-balance-fat", fat=m.fat * 100)),
            Term(Message("why-sweet-balance-milk-solids-not-fat", msnf=m.msnf * 100, lactose=m.lactose * 100)),
            Term(Message("why-sweet-balance-added-sugar", added_sugar=f.built.stuff.added_sugar * 100)),
            Term(
                Message(
                    "why-sweet-balance-other-solids",
                    other=(m.digestible + m.fibre + m.plant_protein + m.plant_ash) * 100,
                )
            ),
            Term(Message("why-sweet-balance-water", water=m.water * 100)),
            Term(Message("why-sweet-balance-sweetness-warm", sweetness=fz.sweetness(m))),
        ),
    )


def _ice(f: SweetForecast) -> Why:
    m, z = f.built.parts, f.frozen
    assert z is not None
    return Why(
        says=Message("why-sweet-ice"),
        terms=(
            Term(Message("why-sweet-ice-sucrose-equivalents", grams=100 * fz.sucrose_equivalents(m) / m.water)),
            Term(Message("why-sweet-ice-begins-freeze", begins_c=z.begins_c)),
            Term(
                Message(
                    "why-sweet-ice-at-celsius",
                    celsius=f.plan.freezer.celsius,
                    ice_of_water=z.ice_of_water.likely * 100,
                )
            ),
            Term(Message("why-sweet-ice-bites-cleanly-at", bite_c=z.bite_c)),
        ),
    )


def _freeze(f: SweetForecast) -> Why:
    z = f.frozen
    assert z is not None
    counts = "freezer" if z.crowded_s > z.freeze_s.likely * 0.999 else "mould"
    return Why(
        says=Message("why-sweet-freeze", freeze_s_low=_hours(z.freeze_s.low), freeze_s_high=_hours(z.freeze_s.high)),
        terms=(
            Term(Message("why-sweet-freeze-one-mould", volume_m3=z.mould.volume_m3 * 1000000.0, mould=z.mould.name)),
            Term(Message("why-sweet-freeze-air", celsius=f.plan.freezer.celsius, film=f.plan.freezer.film)),
            Term(
                Message(
                    "why-sweet-freeze-freezers-own-limit",
                    crowded_s=_hours(z.crowded_s),
                    capacity_kg_day=f.plan.freezer.capacity_kg_day,
                )
            ),
            Term(Message("why-sweet-freeze-which-counts", counts=counts)),
        ),
    )


def _stop(f: SweetForecast) -> Why:
    assert f.stop_kg is not None and f.built.school.cook is not None
    later = (f.built.cooked_kg - f.built.stop_kg) * f.batch.finished_kg
    return Why(
        says=Message("why-sweet-stop"),
        terms=(
            Term(Message("why-sweet-stop-pan", into_pan_kg=f.into_pan_kg)),
            Term(Message("why-sweet-stop-water-wanted", cook=f.built.school.cook)),
            *([Term(Message("why-sweet-stop-stirred-afterwards", later=later))] if later > 5e-4 else []),
            Term(Message("why-sweet-stop-stop-at", stop_kg=f.stop_kg)),
        ),
    )


def _syrup(f: SweetForecast) -> Why:
    s = f.syrup
    assert s is not None and f.built.soak is not None
    drunk = _learned(f, "uptake")
    return Why(
        says=Message("why-sweet-syrup", piece_kg_low=s.piece_kg.low * 1000.0, piece_kg_high=s.piece_kg.high * 1000.0),
        terms=(
            Term(Message("why-sweet-syrup-syrup", brix=s.brix, stage=s.stage)),
            Term(Message("why-sweet-syrup-boils-here-at", boils_c=s.boils_c)),
            Term(Message("why-sweet-syrup-even-strength", equilibrium=f.built.soak.equilibrium * 100)),
            Term(
                Message(
                    "why-sweet-syrup-piece-then-weighs",
                    piece_kg=s.piece_kg.likely * 1000.0,
                    sugar=s.sugar.likely * 100,
                )
            ),
            *(
                [Term(Message("why-sweet-syrup-they-take-up", told=f.plan.habit.told, drunk=drunk))]
                if f.plan.habit and drunk
                else []
            ),
            Term(Message("why-sweet-syrup-left", left_kg=s.left_kg, left_brix=s.left_brix)),
        ),
    )


def _keeping(f: SweetForecast) -> Why:
    k = f.keeping
    return Why(
        says=Message("why-sweet-keeping"),
        terms=(
            Term(Message("why-sweet-keeping-water-activity", activity=k.activity)),
            Term(Message("why-sweet-keeping-ph", ph=f.built.school.ph)),
            Term(Message("why-sweet-keeping-class", key=k.klass.key, why=k.klass.why)),
        ),
    )


def _cooling(f: SweetForecast) -> Why:
    c = f.cooling
    fridge = Message("never") if c.first_s is None else _hours(c.first_s)
    return Why(
        says=Message("why-sweet-cooling", cool_start_c=COOL_START_C),
        terms=(
            Term(Message("why-sweet-cooling-depth-this-pan", depth_m=c.depth_m)),
            Term(Message("why-sweet-cooling-fridge", time=fridge)),
            Term(Message("why-sweet-cooling-iced-water", time=_hours(f.iced.first_s or 0.0))),
        ),
    )


def _time(f: SweetForecast) -> Why:
    terms = [
        Term(
            Message(
                "why-sweet-time-step",
                step=s.say.split(":")[0].rstrip("."),
                seconds=_hours(s.seconds.likely),
                check=s.check,
            )
        )
        for s in f.steps[:6]
    ]
    return Why(
        says=Message("why-sweet-time", ready_low=_hours(f.ready.low), ready_high=_hours(f.ready.high)),
        terms=tuple(terms),
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
