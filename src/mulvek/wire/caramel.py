"""JSON of caramelised milk by the pan method: the sentence in, temperatures, pours, weights and steps out."""

from pydantic import Field

from ..core.equipment.burners import Burner, Flame
from ..core.equipment.packs import Pack
from ..core.equipment.pans import Pan
from ..core.equipment.vessels import Straight
from ..core.errors import BadInput
from ..core.messages.catalogue import said
from ..core.planning.caramel.forecast import CaramelForecast, caramelise
from ..core.planning.caramel.plan import CaramelPlan
from ..core.planning.caramel.reasons import caramel_reasons
from ..core.planning.reduce.hearth import Hearth
from ..core.planning.reduce.plan import Amount, Rate
from ..core.ranges import Range
from ..core.safety.cautions import CHILL, HOT_SUGAR
from ..language.caramel import CaramelStep, caramel_steps
from .larder import BurnerIn
from .model import Body, Id, Out, Words
from .pans import PanIn
from .reduce import Key, Things, milk_pack, read_milk
from .said import CautionOut, WhyOut

NOTHING = ("", "0", "none", "no", "0 g", "0 ml")
SMOOTH = ("", "smooth", "as soon as it is smooth")
USUAL_PAN = Pan("a wide, heavy pan", Straight(0.22, 0.10), mass_kg=1.6)
USUAL_BURNER = Burner("a large gas burner")


class CaramelIn(Body):
    """Caramelised milk by the pan method. Amounts in the cook's words; a bare number is g (milk: ml)."""

    shade: Key = Field("amber", description="straw, pale-gold, amber, deep-amber")
    sugar: Words = "100 g"
    butter: Words = "20 g"
    milk: Id | Key = "cow"
    milk_amount: Words = "250 ml"
    condensed: Words = "200 g"
    solids: Words = Field("", description='"73 %"; empty: as soon as it is smooth')
    pan: Id | PanIn | None = Field(None, description="Larder number, or whole; a common one when left out")
    burner: Id | BurnerIn | None = None
    melt_on: Flame = "gentle"
    flame: Flame = Field("medium", description="Of the simmering")


def read_caramel(words: CaramelIn, things: Things) -> CaramelPlan:
    """Understand the sentence.

    :raises KitchenError: naming the word that cannot be understood or fulfilled.
    """
    kitchen = things.kitchen()

    def amount(said: str, field: str, unit: str, pack: Pack | None = None) -> Amount | None:
        return None if said.strip().lower() in NOTHING else Amount.read(said, field, unit, kitchen.measures, pack)

    milk = read_milk(words.milk, things)
    sugar = amount(words.sugar, "sugar", "g")
    if sugar is None:
        raise BadInput("sugar", "caramel-without-sugar")
    return CaramelPlan(
        shade=words.shade.strip().lower().replace(" ", "-"),  # type: ignore[arg-type]  # the plan refuses others
        sugar=sugar,
        butter=amount(words.butter, "butter", "g"),
        milk=milk,
        milk_amount=amount(words.milk_amount, "milk_amount", "ml", milk_pack(words.milk, milk.name, things.packs)),
        condensed=amount(words.condensed, "condensed", "g"),
        hearth=_hearth(words, things),
        kitchen=kitchen,
        melt_on=words.melt_on,
        solids=_solids(words.solids),
    )


def _hearth(words: CaramelIn, things: Things) -> Hearth:
    pan, burner = USUAL_PAN, USUAL_BURNER
    if words.pan is not None:
        pan = things.pan(words.pan) if isinstance(words.pan, int) else words.pan.pan()
    if words.burner is not None:
        burner = things.burner(words.burner) if isinstance(words.burner, int) else words.burner.burner()
    rate = Rate(ln_sd=burner.first_guess_sd(words.flame))
    if isinstance(words.pan, int) and isinstance(words.burner, int):
        rate = things.rate(words.pan, words.burner, words.flame)
    return Hearth(pan, burner, words.flame, rate)


def _solids(said: str) -> float | None:
    plain = said.strip().lower()
    if plain in SMOOTH:
        return None
    figure = plain.removesuffix("solids").strip().removesuffix("%").strip().replace(",", ".")
    try:
        share = float(figure)
    except ValueError:
        raise BadInput("solids", "caramel-solids-unreadable", said=said) from None
    return share / 100 if share > 1 else share


class CaramelStepOut(Out):
    """One step: what to do, the sign to wait for, how long it takes, and the syrup's temperature where it matters."""

    do: str
    sign: str
    seconds: Range
    celsius: Range | None

    @classmethod
    def of(cls, step: CaramelStep) -> "CaramelStepOut":
        return cls(do=said(step.says), sign=said(step.says, "sign"), seconds=step.seconds, celsius=step.celsius)


class CaramelOut(Out):
    """What the plan gives: °C, s, kg, m. ``on_scale_kg``: ``stop_kg`` with the pan's own weight."""

    shade: str
    steps: list[CaramelStepOut]
    off_c: Range
    ends_c: float
    rise_k_s: float
    melt_s: Range
    opening_s: float
    simmer_s: Range
    sugar_kg: float
    butter_kg: float
    milk_kg: float
    condensed_kg: float
    pours: int
    pour_kg: float
    climbs_m: float
    pan_name: str
    pan_height_m: float
    pan_kg: float
    mixed_kg: float
    stop_kg: Range
    on_scale_kg: float
    mass_kg: Range = Field(description="In the jar")
    volume_m3: float
    total_solids: float
    sugar: float
    fat: float
    cold_name: str
    cautions: list[CautionOut]
    whys: dict[str, WhyOut]

    @classmethod
    def of(cls, f: CaramelForecast) -> "CaramelOut":
        plan, pan = f.plan, f.plan.hearth.pan
        return cls(
            shade=plan.shade,
            steps=[CaramelStepOut.of(step) for step in caramel_steps(f)],
            off_c=f.off_c,
            ends_c=f.ends_c,
            rise_k_s=f.rise_k_s,
            melt_s=f.melt_s,
            opening_s=f.opening_s,
            simmer_s=f.simmer_s,
            sugar_kg=plan.sugar_kg,
            butter_kg=plan.butter_kg,
            milk_kg=plan.milk_kg,
            condensed_kg=plan.condensed_kg,
            pours=f.pours,
            pour_kg=f.pour_kg,
            climbs_m=f.climbs_m,
            pan_name=pan.name,
            pan_height_m=pan.shape.height_m,
            pan_kg=pan.mass_kg,
            mixed_kg=f.mixed_kg,
            stop_kg=f.stop_kg,
            on_scale_kg=f.stop_kg.likely + pan.mass_kg,
            mass_kg=f.served_kg,
            volume_m3=f.volume_m3,
            total_solids=f.total_solids,
            sugar=f.sugar,
            fat=f.fat,
            cold_name=f.cold_name,
            cautions=CautionOut.each((HOT_SUGAR, CHILL)),
            whys=WhyOut.each("caramel", caramel_reasons(f)),
        )


def answer_caramel(words: CaramelIn, things: Things) -> CaramelOut:
    return CaramelOut.of(caramelise(read_caramel(words, things)))
