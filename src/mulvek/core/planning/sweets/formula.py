"""The formula language: how a sweet is written down, in a TOML file or by the cook.

One school of a sweet says, in the order of the work: its bases (milk reduced, curdled or yoghurt hung), what is
mixed (kg per kg of the first base), what finishes it (% of the FINISHED mass), how dry it is cooked (% water),
frying, soaking, topping, and what pan and spoon keep. Sweets dossier §2.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

MILK = "milk"
"""Stands for whatever milk the cook has: the school's own until another is chosen."""
BaseDo = Literal["reduce", "curdle", "hang"]
PieceWay = Literal["serve", "ball", "count", "slab", "mould"]
PROPERTIES = ("water", "total_solids", "fat", "msnf", "sugar")
"""What a window can be set on, % of the finished mass."""
SUGARS = frozenset({"white-sugar", "raw-sugar", "brown-sugar", "powdered-sugar", "jaggery", "honey", "dextrose"})
COOKED_DOWN = "cook"
"""The step that ends at a weight."""
RECKONED = ("cook", "fry", "soak", "freeze", "cool")
"""Times of a step that are reckoned, not given."""
Range2 = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Base:
    """How a base is made: ``of`` a milk; ``to``: times down (``x``), % solids (``ts``) or % water of a curd."""

    do: BaseDo
    of: str
    to: float
    unit: Literal["x", "ts", "water"]


@dataclass(frozen=True, slots=True)
class Fry:
    """% of its mass that leaves as water, and that comes in as fat; the fat's heat °C and seconds in it. Of flat pieces
    their thickness mm and density kg/m³, raw: they say how many have room."""

    loses: float
    takes: float
    celsius: tuple[float, float] = (150.0, 165.0)
    seconds: tuple[float, float] = (60.0, 120.0)
    thick_mm: float = 6.0
    kg_m3: float = 1060.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Soak:
    """In syrup of ``brix`` %, ``ratio`` kg per kg, or in the sweet ``within``; gains ``gain`` kg per kg."""

    gain: float
    brix: float = 0.0
    ratio: float = 0.0
    reach: float = 0.95
    within: str = ""
    hours: tuple[float, float] = (4.0, 8.0)
    kind: str = ""
    """Which exchange of the curd dossier §7: "sponge", "poached" or "fried"; empty: none is known."""


@dataclass(frozen=True, slots=True)
class Top:
    """So many kg of another sweet per kg."""

    of: str
    share: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Piece:
    """What one piece is. ``grams``: served, shaped, or (``before``) before soaking; slab in mm; mould in ml."""

    way: PieceWay
    grams: float = 0.0
    before: bool = False
    thick_mm: float = 0.0
    air: float = 0.0
    cut_mm: tuple[float, float] = (30.0, 30.0)
    ml: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """Something to do. ``takes``: minutes, or the name of a reckoned time; ``after``: keys of what comes first;
    ``adds``: what of the finish is stirred in now, "sugars" for every sugar, "rest" for all that is not in yet; ``follows``: it is this phase of
    what is lit for it."""

    key: str
    say: str
    takes: float | str
    hands: bool = True
    fire: bool = False
    after: tuple[str, ...] | None = None
    check: str = ""
    caution: str = ""
    adds: tuple[str, ...] = ()
    follows: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class School:
    """One way of making a sweet; amounts as the cook writes them (% and kg per kg)."""

    key: str
    name: str
    about: str
    milk: str
    bases: Mapping[str, Base]
    mix: Mapping[str, float]
    finish: Mapping[str, float]
    cook: float | None
    fry: Fry | None
    soak: Soak | None
    top: Top | None
    lose: float
    vary: Mapping[str, Range2]
    windows: Mapping[str, Range2]
    steps: tuple[Step, ...]
    piece: Piece
    ph: float
    fruit: bool

    def stirred_in_after_cooking(self, key: str) -> bool:
        """Whether this part of the finish is still in its bowl when the cooking stops. What no step names cooks with
        the rest."""
        cooked = False
        for step in self.steps:
            cooked |= step.takes == "cook"
            if key in step.adds or "rest" in step.adds or ("sugars" in step.adds and key in SUGARS):
                return cooked and step.takes != "cook"
        return False


@dataclass(frozen=True, slots=True)
class Flavour:
    """A change of what finishes it, % of the finished mass."""

    key: str
    name: str
    finish: Mapping[str, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Sweet:
    """A sweet with its schools. ``bands``: just, usual and very sweet, % added sugar; ``hidden``: only a part."""

    key: str
    name: str
    about: str
    one: str
    many: str
    order: int
    schools: Mapping[str, School]
    flavours: Mapping[str, Flavour]
    bands: Mapping[str, Range2]
    frozen: bool = False
    hidden: bool = False
    cautions: tuple[str, ...] = ()
    then: str = ""
    usual_flavour: str = "plain"
    usual_want: str = ""
    """What a home makes of it at once, in the words of the sentence."""
    tried: bool = False
    """Told from a batch that was made: what its own pan and spoon kept is known, and nothing is reserved for it."""

    @property
    def usual(self) -> School:
        return next(iter(self.schools.values()))


LIT: Mapping[str, tuple[str, ...]] = {"CARAMEL": ("melting", "opening", "simmering"), "COOK": ("boiling",)}
"""What can be lit for a sweet besides its bases, by its slot: a caramel, or the milk that the sweet itself is cooked from;
and the phases of it that steps may be."""
PHASES = tuple(phase for phases in LIT.values() for phase in phases)


def slot_of(phase: str) -> str:
    """The slot of which a step is this phase; empty for none.

    >>> slot_of("opening"), slot_of("boiling"), slot_of("")
    ('CARAMEL', 'COOK', '')
    """
    return next((slot for slot, phases in LIT.items() if phase in phases), "")
