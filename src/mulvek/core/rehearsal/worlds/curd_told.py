"""What a pan that is curdled tells, and how the work at it is judged."""

from collections.abc import Sequence
from typing import TYPE_CHECKING

from ...messages.figures import say
from ...planning.curdle.acid import end_ph
from ..judging import level_word, off_by, points
from ..world import Sign, Told

if TYPE_CHECKING:
    from .curd import Curd

SOUR = 0.7e-3
FASTER, SLOWER = "The cloth drained {} % faster than most.", "The cloth drained {} % slower than most."
USUAL_STANDING = 0.45


def signs_of(curd: "Curd") -> Sequence[Sign]:
    if curd.strained_at_s is not None:
        return _in_the_cloth(curd)
    found: list[Sign] = []
    if curd.climb > 0.8:
        found.append(Sign("rim", "It climbs to the rim!", ("off", "flame", "stir")))
    elif curd.climb > 0.3:
        found.append(Sign("lifts", "It rolls and lifts.", ("off", "flame", "stir")))
    if curd.spilt_kg > 0.001:
        found.append(Sign("spilt", f"{say(curd.spilt_kg, 'mass')} has boiled over."))
    if curd.clear_at_s is not None:
        found.append(Sign("clear", "The whey runs clear and greenish.", ("strain", "off", "flame")))
        if curd.ph < end_ph(curd.acid_c) - 0.15:
            found.append(Sign("sharp", "It smells sharp.", ()))
        if curd.left_points > 3:
            found.append(Sign("tight", "The curd draws together and squeaks.", ("strain",)))
    elif curd.mixture_l:
        found.append(Sign("whey", _whey(curd), ()))
    found.append(Sign("state", _state(curd)))
    return found


def _whey(curd: "Curd") -> str:
    words = ((0.6, "Large grains part in cloudy whey."), (0.2, "Fine grains; the whey is still milky."))
    return level_word(curd.gathered, (*words, (0.0, "It is white and smooth still.")))


def _state(curd: "Curd") -> str:
    if curd.boiled_at_s is None:
        words = (
            (88, "Small bubbles ring the edge."),
            (70, "Steam comes off it."),
            (40, "It is hot to the finger."),
        )
        return level_word(curd.celsius, (*words, (-9, "It is cold to the finger.")))
    words = ((95, "It still seethes."), (90, "It lies quiet and steams thickly."), (84, "It steams."))
    return level_word(curd.celsius, (*words, (76, "It steams a little."), (-9, "It hardly steams.")))


def _in_the_cloth(curd: "Curd") -> Sequence[Sign]:
    found = []
    w = curd.water_per_dry
    drips = ((2.2, "Whey runs from the cloth."), (1.75, "It drips fast."), (1.5, "A drop every few seconds."))
    found.append(Sign("drips", level_word(w, (*drips, (0.0, "Hardly a drop falls.")))))
    moist = curd.moisture
    feels = ((0.62, "Pressed, it wets the palm."), (0.575, "Pressed, it holds and is moist."))
    found.append(
        Sign("feels", level_word(moist, (*feels, (0.53, "Pressed, it is just moist."), (0.0, "It crumbles, dry."))))
    )
    acid = float(curd.balance.curd.acid / curd.balance.curd.total)
    if acid > SOUR:
        found.append(Sign("sour", "A crumb of it tastes sour.", ("rinse",)))
    if curd.kneaded_s:
        done = (
            (1.5, "Fat shines on the palm."),
            (0.85, "It is one smooth mass."),
            (0.0, "Grains are felt in it."),
        )
        found.append(Sign("kneaded", level_word(curd.smooth, done)))
    return found


def told_of(curd: "Curd") -> dict[str, Told]:
    over = max(0.0, end_ph(curd.acid_c) - 0.06 - curd.ph)
    short = max(0.0, 0.97 - curd.clears) if curd.mixture_l else 1.0
    acid = float(curd.balance.curd.acid / curd.balance.curd.total) if curd.mixture_l else 0.0
    low, high = curd.meant.moisture
    wrong = max(low - curd.moisture, curd.moisture - high, 0.0) if curd.strained_at_s is not None else 0.1
    soft, firm = curd.meant.texture
    off = max(soft - curd.texture, curd.texture - firm, 0.0)
    usual = max(60.0, USUAL_STANDING * (curd.at_s - curd.began_s))
    saved = curd.yield_kg / curd.told_kg if curd.strained_at_s is not None else 1 - curd.spilt_kg / curd.milk_kg
    return {
        "acid": Told(points(260 * short + 330 * over), _say_acid(curd, short, over)),
        "heat": Told(points(9 * max(0.0, abs(curd.acid_c - curd.wants_c) - 2.5)), f"acid in at {curd.acid_c:.0f} °C"),
        "texture": Told(points(4.5 * off), _say_texture(curd, soft, firm)),
        "moisture": Told(
            points(1500 * wrong), f"{curd.moisture * 100:.0f} % moist; {low * 100:.0f}–{high * 100:.0f} is meant"
        ),
        "sour": Told(points(55 * max(0.0, acid / SOUR - 1)), "it tastes of the acid" if acid > SOUR else "clean"),
        "saved": Told(
            points(500 * max(0.0, 0.9 - saved)), f"{say(curd.yield_kg, 'mass')}, {say(curd.told_kg, 'mass')} told"
        ),
        "kneaded": Told(
            points(110 * max(0.0, 0.85 - curd.smooth) + 60 * max(0.0, curd.smooth - 1.6)), _say_kneaded(curd)
        ),
        "standing": Told(points(70 * max(0.0, curd.standing_s / usual - 1)), curd.at_it),
    }


def _say_acid(curd: "Curd", short: float, over: float) -> str:
    if short > 0.03:
        return "the whey stayed milky"
    poured = say(curd.mixture_l * 1e-3, "volume") + (" of it thinned" if curd.strong < 0.9 else "")
    return f"{poured}, more than it took" if over > 0.06 else f"{poured}, stopped in time"


def _say_texture(curd: "Curd", soft: float, firm: float) -> str:
    return "too firm" if curd.texture > firm else "too soft" if curd.texture < soft else "as it should be"


def _say_kneaded(curd: "Curd") -> str:
    return "grainy" if curd.smooth < 0.85 else "fat came out" if curd.smooth > 1.6 else "smooth"


def truths_of(curd: "Curd") -> list[str]:
    return [
        *off_by(curd.needs, "This milk took {} % more acid than usual.", "This milk took {} % less acid than usual."),
        *off_by(curd.rests.cools, "The pot cooled {} % faster than most.", "The pot cooled {} % slower than most."),
        *off_by(curd.drains, "The cloth drained {} % faster than most.", "The cloth drained {} % slower than most."),
    ]
