"""JSON of curdling and straining: the sentences in, the forecasts out; and fruit with milk."""

import re
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from ..core.composition.composition import Composition
from ..core.composition.materials import materials
from ..core.equipment.quantities import parse, parse_seconds
from ..core.errors import BadInput
from ..core.messages.catalogue import said
from ..core.messages.figures import say
from ..core.planning.curdle.acid import COAGULANTS
from ..core.planning.curdle.balance import Draining
from ..core.planning.curdle.forecast import (
    Acid,
    CurdForecast,
    Pieces,
    Stage,
    cools_by,
    curdle,
    milk_for_curd,
    wait_for,
)
from ..core.planning.curdle.fruit import FRUITS
from ..core.planning.curdle.pieces import USES, Use, use
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.curdle.reasons import curd_reasons, curd_rests_on
from ..core.planning.curdle.verdict import Fault, Fit, Suits, Way
from ..core.planning.reduce.plan import Amount
from ..core.planning.strain.draining import CLOTHS
from ..core.ranges import Range
from .larder import BurnerIn, KitchenIn, MilkIn
from .model import Body, Choice, Id, Out, Slugged, Words
from .pans import PanIn, PanOut
from .reduce import Key, Things, milk_pack, read_milk
from .said import CautionOut, WhyOut


class CurdleIn(Body):
    """The words of the curdling sentence. A milk, pan or burner is a number of the Larder or given whole."""

    milk: Id | Key | MilkIn
    amount: Words = Field(description='"3 L", "9 glasses"; a bare number is ml')
    pan: Id | PanIn
    burner: Id | BurnerIn
    wait: Words = Field("3 minutes", description='After the boil: "5 minutes", or the temperature "82 °C"')
    coagulant: Key = Field("lemon", description="A key of the coagulants")
    strength: float | None = Field(None, description="g per 100 ml, share of pure, or % lactic; usual when empty")
    dilute_to: float = Field(2.5, description="Strength it is thinned to before it goes in")
    rinse: Words = Field("1 L", description='All rinse water: "1 L"; empty for none')
    rinses: int = Field(2, ge=0, le=5)
    rinse_c: float = 20.0
    drain: Annotated[Literal["hang", "light-squeeze", "hard-squeeze", "press"], Slugged] = "light-squeeze"
    drain_time: Words = "30 minutes"
    fridge_time: Words = ""
    hold: Words = Field("", description='On the heat once it has curdled: "3 minutes"; half a minute when empty')
    use: Key = "sponge"
    piece: Words = Field("", description='Of one raw piece: "12 g"; usual for the use when empty')
    binder: Words = Field("", description='Flour or semolina: "2 %"')
    read_minutes: float | None = Field(
        None, gt=0, le=20, description="A thermometer read once: minutes after the boil"
    )
    read_c: float | None = Field(None, description="and what it showed, °C")
    kitchen: KitchenIn | None = None


def read_curdle(words: CurdleIn, things: Things) -> CurdlePlan:
    """Understand the sentence.

    :raises KitchenError: naming the word.
    """
    kitchen = words.kitchen.kitchen() if words.kitchen else things.kitchen()
    pan = words.pan.pan() if isinstance(words.pan, PanIn) else things.pan(words.pan)
    burner = words.burner.burner() if isinstance(words.burner, BurnerIn) else things.burner(words.burner)
    milk = read_milk(words.milk, things)
    heat = re.fullmatch(r"\s*(?:to|until)?\s*(\d+(?:[.,]\d+)?)\s*(?:°|deg(?:rees)?)\s*c?\s*", words.wait.lower())
    seconds = 0.0 if heat else parse_seconds(words.wait, "wait")
    binder = 0.0
    if words.binder.strip() not in ("", "0", "none"):
        binder = parse(words.binder, default_unit="%", allow=("percent", "none"), field="binder").value
        binder = binder / 100 if binder >= 1 else binder
    piece = None
    if words.piece.strip():
        piece = parse(words.piece, default_unit="g", allow=("mass",), field="piece").value
    no_rinse = words.rinses == 0 or words.rinse.strip().lower() in ("", "0", "none", "no rinse")
    rinse = 0.0 if no_rinse else Amount.read(words.rinse, "rinse", "ml", kitchen.measures).mass_kg(998.0)
    ln_yield, batches = things.curd_yield(words.milk) if isinstance(words.milk, int) else (0.0, 0)
    usual = use(words.use)
    plan = CurdlePlan(
        ln_yield=ln_yield,
        batches=batches,
        milk=milk,
        amount=Amount.read(
            words.amount, "amount", "ml", kitchen.measures, milk_pack(words.milk, milk.name, things.packs)
        ),
        pan=pan,
        burner=burner,
        wait_s=seconds,
        coagulant=words.coagulant,
        draining=Draining(
            words.drain,
            parse_seconds(words.drain_time, "drain_time"),
            parse_seconds(words.fridge_time, "fridge_time"),
        ),
        use=words.use,
        hold_s=parse_seconds(words.hold, "hold") if words.hold.strip() else 30.0,
        kitchen=kitchen,
        strength=words.strength,
        dilute_to=words.dilute_to,
        rinse_kg=rinse,
        rinses=0 if no_rinse else words.rinses,
        rinse_c=words.rinse_c,
        piece_kg=piece if piece is not None else usual.usual_piece_kg,
        syrup=(usual.brix, usual.ratio) if usual.swells else None,
        binder=binder,
    )
    if words.read_minutes is not None and words.read_c is not None:
        plan = replace(plan, cools=cools_by(plan, words.read_minutes * 60, words.read_c))
    if not heat:
        return plan
    return replace(plan, wait_s=wait_for(plan, float(heat[1].replace(",", "."))))


class CurdPartsOut(Out):
    """kg of each part; ``acid`` is what curdled it."""

    water_kg: float
    fat_kg: float
    protein_kg: float
    lactose_kg: float
    ash_kg: float
    other_kg: float = Field(description="Non-protein nitrogen and the milk’s own citrates")
    acid_kg: float
    total_kg: float

    @classmethod
    def of(cls, p: Composition) -> "CurdPartsOut":
        return cls(
            water_kg=p.water,
            fat_kg=p.fat,
            protein_kg=p.protein,
            lactose_kg=p.lactose,
            ash_kg=p.minerals,
            other_kg=p.milk_other,
            acid_kg=p.acid,
            total_kg=p.total,
        )


class UseOut(Out):
    """What chhena is made for, with its windows (kg per kg, texture index), whether this curd suits it, and what is
    most wrong with it when it does not."""

    key: str
    name: str
    moisture: list[float]
    texture: list[float]
    suits: Suits
    fault: Fault

    @classmethod
    def of(cls, u: Use, fit: Fit) -> "UseOut":
        return cls(
            key=u.key,
            name=u.name,
            moisture=list(u.moisture),
            texture=list(u.texture),
            suits=fit.suits,
            fault=fit.fault,
        )


class InsteadOut(Out):
    """What to change in the sentence so that the curd suits what it is for; what stays is left out. ``words``: the same
    as a sentence."""

    wait: str | None
    rinses: int | None
    drain: str | None
    drain_time: str | None
    hold: str | None
    words: str

    @classmethod
    def of(cls, plan: CurdlePlan, way: Way) -> "InsteadOut":
        minutes = _minutes(way.wait_s) if way.wait_s else "not at all"
        wait = minutes if way.wait_s != plan.wait_s else None
        drained = way.draining != plan.draining
        said = []
        if wait:
            more = "" if way.wait_s > plan.wait_s else "only "
            said.append("put the acid in at the boil" if not way.wait_s else f"wait {more}{minutes}")
        if way.hold_s != plan.hold_s:
            said.append(f"keep it on a low flame for {_minutes(way.hold_s)} once it has curdled")
        if way.rinses != plan.rinses:
            said.append("rinse it once" if way.rinses == 1 else "do not rinse it")
        if drained:
            said.append(f"{_DRAINED[way.draining.way]} for {_minutes(way.draining.seconds)}")
        return cls(
            wait=wait,
            rinses=way.rinses if way.rinses != plan.rinses else None,
            drain=way.draining.way if drained else None,
            drain_time=_minutes(way.draining.seconds) if drained else None,
            hold=_minutes(way.hold_s) if way.hold_s != plan.hold_s else None,
            words=_listed(said),
        )


def _listed(words: list[str]) -> str:
    *first, last = words
    return f"{', '.join(first)} and {last}" if first else last


def _minutes(seconds: float) -> str:
    n = round(seconds / 60)
    return f"{n} minute{'' if n == 1 else 's'}"


_DRAINED = {
    "hang": "only hang it",
    "light-squeeze": "squeeze it lightly and drain it",
    "hard-squeeze": "squeeze it hard and drain it",
    "press": "press it",
}


class CurdForecastOut(Out):
    """The whole answer. SI units as named; ranges hold in four cases of five; texture 0 soft to 100 firm."""

    amount: str
    milk_name: str
    milk_kg: float
    milk_m3: float
    start_depth_m: float
    pan: PanOut
    wait_s: float
    boil_s: Range
    boils_c: float
    acid_c: Range
    mixed_c: float
    curve_s: list[float]
    curve_c: list[float]
    curve_texture: list[float]
    ph: float
    acid: Acid
    curd_kg: Range
    moisture: Range
    texture: Range
    milk: CurdPartsOut
    curd: CurdPartsOut
    whey: CurdPartsOut
    washings: CurdPartsOut
    whey_kg: float
    rinsed_c: float | None
    acid_left: float
    knead_s: float
    pieces: Pieces | None
    use: UseOut
    uses: list[UseOut]
    instead: InsteadOut | None
    stages: list[Stage]
    rests_on: str
    cautions: list[CautionOut]
    whys: dict[str, WhyOut]

    @classmethod
    def of(cls, f: CurdForecast, pan_id: int | None = None) -> "CurdForecastOut":
        plan = f.plan
        same: tuple[str, ...] = (
            "boil_s",
            "boils_c",
            "acid_c",
            "mixed_c",
            "ph",
            "acid",
            "curd_kg",
            "moisture",
            "texture",
        )
        same += ("whey_kg", "rinsed_c", "acid_left", "knead_s", "pieces")
        return cls(
            **{name: getattr(f, name) for name in same},
            amount=plan.amount.quantity.understood,
            milk_name=plan.milk.name,
            milk_kg=plan.milk_kg,
            milk_m3=plan.milk_m3,
            start_depth_m=float(plan.pan.shape.depth_m(plan.milk_m3)),
            pan=PanOut.of(pan_id, plan.pan),
            wait_s=plan.wait_s,
            curve_s=f.curve_s.tolist(),
            curve_c=f.curve_c.tolist(),
            curve_texture=f.curve_texture.tolist(),
            milk=CurdPartsOut.of(f.balance.milk),
            curd=CurdPartsOut.of(f.balance.curd),
            whey=CurdPartsOut.of(f.balance.whey),
            washings=CurdPartsOut.of(f.balance.washings),
            use=UseOut.of(use(plan.use), f.fits[plan.use]),
            uses=[UseOut.of(u, f.fits[u.key]) for u in USES.values()],
            instead=InsteadOut.of(plan, f.instead) if f.instead else None,
            stages=list(f.stages),
            rests_on=said(curd_rests_on(plan)),
            cautions=CautionOut.each(f.cautions),
            whys=WhyOut.each("curdle", curd_reasons(f)),
        )


class CurdWishIn(Body):
    """A plan, and how much chhena is wanted: "400 g", or "30 balls of 12 g"."""

    plan: CurdleIn
    want: Words


class CurdWishOut(Out):
    """Milk to take for it; ``amount`` is ready for the sentence."""

    want: str
    curd_kg: float
    milk_kg: float
    milk_m3: float
    amount: str
    rinse: str
    piece: str

    @classmethod
    def answer(cls, body: CurdWishIn, things: Things) -> "CurdWishOut":
        plan = read_curdle(body.plan, things)
        balls = re.fullmatch(r"\s*(\d+)\s+[a-z ]*?\s*of\s+(.+)", body.want.lower())
        piece = ""
        if balls:
            each = parse(balls[2], default_unit="g", allow=("mass",), field="want")
            curd_kg = int(balls[1]) * each.value / 0.98 / (1 + plan.binder)
            piece, said = each.understood, f"{balls[1]} of {each.understood}"
        else:
            wanted = parse(body.want, default_unit="g", allow=("mass",), field="want")
            curd_kg, said = wanted.value, wanted.understood
        if not 0.005 <= curd_kg <= 50:
            raise BadInput("want", "chhena-wish-out-of-reach")
        found = milk_for_curd(plan, curd_kg)
        return cls(
            want=said,
            curd_kg=curd_kg,
            milk_kg=found.milk_kg,
            milk_m3=found.milk_m3,
            amount=say(found.milk_m3, "volume"),
            rinse=say(found.rinse_kg / 998.0, "volume") if found.rinse_kg else "",
            piece=piece,
        )


class CoagulantOut(Out):
    key: str
    name: str
    unit: str
    low: float
    usual: float
    high: float


class CurdChoices(Out):
    """What the curd sentences choose from."""

    coagulants: list[CoagulantOut]
    uses: list[Choice]
    cloths: list[str]
    yoghurts: list[Choice]
    fruits: list[Choice]


def curd_choices() -> CurdChoices:
    return CurdChoices(
        coagulants=[
            CoagulantOut(
                key=c.key, name=c.name, unit=c.unit, low=c.strength[0], usual=c.strength[1], high=c.strength[2]
            )
            for c in COAGULANTS.values()
        ],
        uses=[Choice(key=u.key, name=u.name) for u in USES.values()],
        cloths=list(CLOTHS),
        yoghurts=[Choice(key=m.key, name=m.name) for m in materials().values() if m.group == "yoghurt"],
        fruits=[Choice(key=x.key, name=x.name) for x in FRUITS.values()],
    )


def answer_curdle(words: CurdleIn, things: Things) -> CurdForecastOut:
    return CurdForecastOut.of(curdle(read_curdle(words, things)), words.pan if isinstance(words.pan, int) else None)
