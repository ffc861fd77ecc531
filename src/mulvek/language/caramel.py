"""The steps of caramelised milk, in words."""

from dataclasses import dataclass

from ..core.messages.message import Message
from ..core.planning.caramel.forecast import BUTTER_S, CONDENSED_S, POUR_S, CaramelForecast
from ..core.planning.caramel.plan import WARM_MILK_C
from ..core.planning.caramel.shades import shade_at
from ..core.ranges import Range
from .slugs import spoken


@dataclass(frozen=True, slots=True, kw_only=True)
class CaramelStep:
    """One step: what to do and, as its part "sign", what to wait for; how long it takes, and the syrup's temperature where
    it matters."""

    says: Message
    seconds: Range
    celsius: Range | None = None


def caramel_steps(f: CaramelForecast) -> list[CaramelStep]:
    plan, off = f.plan, f.off_c.likely
    end = Message("caramel-take", shade=spoken(plan.shade), before=spoken(shade_at(off)))
    steps = [
        CaramelStep(says=Message("caramel-melt", sugar_kg=plan.sugar_kg, flame=plan.melt_on), seconds=f.melt_s),
        CaramelStep(says=end, seconds=Range.exact(0.0), celsius=f.off_c),
    ]
    if plan.butter_kg:
        steps.append(CaramelStep(says=Message("caramel-butter", butter_kg=plan.butter_kg), seconds=_about(BUTTER_S)))
    if f.pours:
        pour = Message("caramel-pour", celsius=WARM_MILK_C, pour_kg=f.pour_kg, pours=f.pours)
        steps.append(CaramelStep(says=pour, seconds=_about(POUR_S * f.pours)))
    if plan.condensed_kg:
        condensed = Message("caramel-condensed", condensed_kg=plan.condensed_kg)
        steps.append(CaramelStep(says=condensed, seconds=_about(CONDENSED_S)))
    stop = f.stop_kg.likely
    simmer = Message("caramel-simmer", stop_kg=stop, with_pan_kg=stop + plan.hearth.pan.mass_kg)
    return [*steps, CaramelStep(says=simmer, seconds=f.simmer_s)]


def _about(seconds: float) -> Range:
    return Range(0.8 * seconds, seconds, 1.5 * seconds)
