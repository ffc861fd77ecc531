"""JSON of the Bench's side questions: which pan, how much milk for a wish, how to mend."""

from collections.abc import Mapping
from typing import Protocol

from ..core.equipment.quantities import parse
from ..core.errors import BadInput
from ..core.messages.figures import say
from ..core.planning.reduce.compare import Unfit, Way
from ..core.planning.reduce.forecast import forecast
from ..core.planning.reduce.judgement import Mending, mend
from ..core.planning.reduce.stops import read_stop
from ..core.planning.reduce.track import stop_water_kg
from ..core.planning.reduce.wish import cost, in_measures, milk_for, packs
from .model import Body, Out, Words
from .reduce import ReduceIn, Things, read_plan


class Packed(Things, Protocol):
    """Things whose packs are known."""

    @property
    def packs(self) -> Mapping[int, tuple[float | None, float | None]]: ...


class CompareOut(Out):
    """Every pan that takes this milk on every flame of the burner, best marked; and those that do not."""

    ways: list[Way]
    unfit: list[Unfit]


class WishIn(Body):
    """A plan, and how much of its product is wanted: "600 g", "20 cups", "500 ml"."""

    plan: ReduceIn
    want: Words


class WishOut(Out):
    """Milk to take. ``amount`` is ready for the sentence; packs and cost when the Larder knows them."""

    want: str
    milk_kg: float
    milk_m3: float
    amount: str
    measures: str
    sugar: str
    served_kg: float
    served_m3: float
    packs: int | None
    left_over_m3: float | None
    cost: float | None

    @classmethod
    def answer(cls, body: WishIn, things: Packed) -> "WishOut":
        plan = read_plan(body.plan, things)
        wanted = parse(
            body.want,
            default_unit="g",
            allow=("volume", "mass"),
            field="want",
            measures=plan.kitchen.measures,
        )
        if wanted.value <= 0:
            raise BadInput("want", "wish-missing")
        wish = milk_for(plan, wanted)
        pack, price = (
            things.packs.get(body.plan.milk, (None, None)) if isinstance(body.plan.milk, int) else (None, None)
        )
        count, rest = packs(wish.milk_m3, pack) if pack else (None, None)
        return cls(
            want=wanted.understood,
            milk_kg=wish.milk_kg,
            milk_m3=wish.milk_m3,
            amount=say(wish.milk_m3, "volume"),
            measures=in_measures(wish.milk_m3, plan.kitchen.measures),
            sugar=say(wish.sugar_kg, "mass") if wish.sugar_kg else "",
            served_kg=wish.served_kg,
            served_m3=wish.served_m3,
            packs=count,
            left_over_m3=rest,
            cost=cost(wish.milk_kg, pack, price, plan.milk.parts) if pack and price else None,
        )


class MendIn(Body):
    """A plan, and where the batch stands now in the words of a stop: "700 g", "3.6 cm", "spoonable cold"."""

    plan: ReduceIn
    now: Words


class MendOut(Out):
    """Milk to stir in when it went too far (also in tablespoons), or time back on the heat."""

    mending: Mending
    spoonfuls: float
    words: str

    @classmethod
    def answer(cls, body: MendIn, things: Things) -> "MendOut":
        plan = read_plan(body.plan, things)
        told = forecast(plan)
        try:
            here = read_plan(body.plan.model_copy(update={"stop": body.now}), things)
            now = stop_water_kg(here)
        except BadInput as error:
            raise BadInput("now", error.says) if error.field == "stop" else error from None
        read_stop(body.now, plan.kitchen.measures)
        late = float(plan.late_parts.water)
        mending = mend(plan, told.track, now + late, told.stop_water_kg + late)
        spoons = mending.milk_m3 / plan.kitchen.measures.tablespoon_m3
        return cls(mending=mending, spoonfuls=round(spoons * 2) / 2, words=_mend_words(mending, spoons))


def _mend_words(m: Mending, spoons: float) -> str:
    if m.milk_kg.likely > 5e-4:
        return f"Stir in {say(m.milk_kg.likely, 'mass')} of warm milk, about {spoons:.0f} tablespoons, one at a time."
    if m.seconds.likely > 20:
        return f"Back on the heat for {m.seconds.likely / 60:.0f} minutes."
    return "It is where you wanted it."
