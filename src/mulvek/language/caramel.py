"""The steps of caramelised milk, in words."""

from dataclasses import dataclass

from ..core.equipment.quantities import say
from ..core.planning.caramel.forecast import BUTTER_S, CONDENSED_S, POUR_S, CaramelForecast
from ..core.planning.caramel.plan import WARM_MILK_C
from ..core.planning.caramel.shades import shade_at
from ..core.ranges import Range
from .slugs import spoken


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One step: what to do, the sign to wait for, how long it takes, and the syrup's temperature where it matters."""

    do: str
    sign: str
    seconds: Range
    celsius: Range | None = None


def caramel_steps(f: CaramelForecast) -> list[Step]:
    plan, off = f.plan, f.off_c.likely
    shade = spoken(plan.shade)
    before = spoken(shade_at(off))
    steps = [
        Step(
            do=f"Melt {say(plan.sugar_kg, 'mass')} of sugar dry on a {plan.melt_on} flame; swirl, do not stir.",
            sign="clear syrup, no grains",
            seconds=f.melt_s,
        ),
        Step(
            do=f"Take it off before it is {shade}: it goes on by itself.",
            sign=f"{before}, seen on a white spoon",
            seconds=Range.exact(0.0),
            celsius=f.off_c,
        ),
    ]
    if plan.butter_kg:
        steps.append(
            Step(
                do=f"Off the flame, stir in {say(plan.butter_kg, 'mass')} of butter.",
                sign="it foams, then lies quiet",
                seconds=_about(BUTTER_S),
            )
        )
    if f.pours:
        steps.append(
            Step(
                do=f"Warm the milk to {WARM_MILK_C:.0f} °C; pour in {say(f.pour_kg, 'mass')} at a time, {f.pours} times, "
                "at arm’s length: it spits and climbs.",
                sign="each pour is smooth before the next; hard lumps melt on a gentle flame",
                seconds=_about(POUR_S * f.pours),
            )
        )
    if plan.condensed_kg:
        steps.append(
            Step(
                do=f"Stir in {say(plan.condensed_kg, 'mass')} of condensed milk.",
                sign="one smooth colour, no sugar grain on the wall",
                seconds=_about(CONDENSED_S),
            )
        )
    steps.append(
        Step(
            do=f"Simmer it, scraping, to {say(f.stop_kg.likely, 'mass')} in the pan; wipe the sides down wet.",
            sign=f"{say(f.stop_kg.likely + plan.hearth.pan.mass_kg, 'mass')} on the scale, pan and all",
            seconds=f.simmer_s,
        )
    )
    return steps


def _about(seconds: float) -> Range:
    return Range(0.8 * seconds, seconds, 1.5 * seconds)
