"""JSON of fruit mixed with milk: what is mixed, and whether it curdles."""

from pydantic import Field

from ..core.planning.curdle.fruit import Mixing, check_mixing, cooked, fruit
from ..core.planning.reduce.plan import Amount
from .model import Body, Out, Words
from .reduce import Key, Things


class FruitIn(Body):
    """Fruit and milk to mix. ``concentration``: how many times the milk was boiled down."""

    fruit: Key = "mango-ripe-sweet"
    fruit_amount: Words = "150 g"
    milk_amount: Words = "600 g"
    celsius: float = 8.0
    concentration: float = 2.0
    cooked_to: float = Field(1.0, description="Share of the raw fruit's weight left after cooking it down")
    sugar_share: float = Field(0.0, description="Sugar cooked with it, kg per kg of raw fruit")


class FruitOut(Out):
    """Whether it curdles, and what to do."""

    fruit: str
    mixing: Mixing

    @classmethod
    def answer(cls, body: FruitIn, things: Things) -> "FruitOut":
        measures = things.kitchen().measures
        what = cooked(fruit(body.fruit), body.cooked_to, body.sugar_share)
        fruit_kg = Amount.read(body.fruit_amount, "fruit_amount", "g", measures).mass_kg(1050.0)
        milk_kg = Amount.read(body.milk_amount, "milk_amount", "g", measures).mass_kg(1040.0)
        return cls(fruit=what.name, mixing=check_mixing(what, fruit_kg, milk_kg, body.celsius, body.concentration))
