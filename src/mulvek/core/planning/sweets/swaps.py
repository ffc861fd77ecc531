"""What can stand in for an ingredient: bounded least squares over every handful of what is in the house.

Sweets dossier §4 (F44-F46). A match of fat, MSNF, sugars and water (or, for curds, of casein and whey protein
apart); water may be boiled off but never conjured up. A match in composition is not a match in texture: powder does
not knead like chhena, and the answer says so.
"""

import itertools
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Self

import numpy as np
from numpy.typing import NDArray

from ...composition.composition import Composition
from ...errors import BadInput
from .boiling import boil_off_s
from .stuff import Thing

Array = NDArray[np.float64]
ROWS = ("fat", "milk solids not fat", "sugar", "water")
SPLIT_ROWS = ("fat", "casein", "whey protein", "lactose and ash", "sugar", "water")
_TOLERANCE = np.array([0.012, 0.015, 0.015, 0.02])
_SPLIT_TOLERANCE = np.array([0.012, 0.012, 0.012, 0.015, 0.015, 0.02])
_LEAST, _EVAPORATES = 1e-4, 0.05
PER_ITEM, PER_MINUTE = 0.6, 0.06
"""What one thing more, and a minute more on the stove, weigh against a closer match (our judgement)."""
MOST_ITEMS = 4
MOST_THINGS = 14
"""More would take too long to try; the nearest in make-up are tried."""


def rows_of(parts: Composition, split: bool) -> Array:
    """What is compared, kg per kg."""
    sugar = parts.free_sugars
    if split:
        ash = parts.lactose + parts.milk_ash + parts.milk_other
        return np.array([parts.fat, parts.casein, parts.whey, ash, sugar, parts.water])
    return np.array([parts.fat, parts.msnf, sugar, parts.water])


@dataclass(frozen=True, slots=True)
class Fit:
    """Amounts kg in the order of the things, water to boil off kg, and what each row misses, kg and in tolerances."""

    amounts: tuple[float, ...]
    steam_kg: float
    error: Array
    in_tolerances: Array

    @property
    def worst(self) -> float:
        return float(np.max(np.abs(self.in_tolerances)))


@dataclass(frozen=True, kw_only=True)
class _Problem:
    """Σ((A·x − e − b)/tolerance)² + (0.05·e/M)² as normal equations; the last column is water boiled off.

    ``harder``: the same with the sugar row counted double, for answers that come out too sweet.
    """

    columns: Array
    wanted: Array
    tolerance: Array
    most: Array
    normal: tuple[Array, Array]
    harder: tuple[Array, Array]
    evaporates: bool

    @classmethod
    def of(
        cls,
        target: Composition,
        mass_kg: float,
        things: Sequence[Thing],
        most: Sequence[float],
        split: bool,
        evaporates: bool = True,
    ) -> Self:
        tolerance = (_SPLIT_TOLERANCE if split else _TOLERANCE) * mass_kg
        wanted = rows_of(target, split) * mass_kg
        columns = np.column_stack([*(rows_of(t.parts, split) for t in things), np.zeros(len(wanted))])
        columns[-1, -1] = -1.0

        def equations(weights: Array) -> tuple[Array, Array]:
            a = columns * weights[:, None]
            gram = a.T @ a
            gram[-1, -1] += (_EVAPORATES / mass_kg) ** 2
            gram += np.eye(len(gram)) * 1e-13 * np.trace(gram)
            return gram, a.T @ (wanted * weights)

        double = 1 / tolerance
        double[-2] *= 2
        limits = np.array([*most, np.inf])
        return cls(
            columns=columns,
            wanted=wanted,
            tolerance=tolerance,
            most=limits,
            normal=equations(1 / tolerance),
            harder=equations(double),
            evaporates=evaporates,
        )

    def solve(self, chosen: NDArray[np.intp]) -> Array:
        """Amounts and steam for every row of ``chosen`` (columns by number); NaN where one of them is not wanted."""
        found = self._solve(chosen, *self.normal)
        sweet = np.nan_to_num(self.errors(chosen, found)[:, -2]) > 1e-9
        if sweet.any():
            found[sweet] = self._solve(chosen[sweet], *self.harder)
        return found

    def errors(self, chosen: NDArray[np.intp], x: Array) -> Array:
        full = np.zeros((len(chosen), self.columns.shape[1]))
        np.put_along_axis(full, chosen, x[:, :-1], 1)
        full[:, -1] = x[:, -1]
        return full @ self.columns.T - self.wanted

    def _solve(self, chosen: NDArray[np.intp], gram: Array, right: Array) -> Array:
        x = np.hstack([_at_once(gram, right, chosen), np.zeros((len(chosen), 1))])
        if self.evaporates:
            last = np.full((len(chosen), 1), len(gram) - 1)
            wet = _at_once(gram, right, np.hstack([chosen, last]))
            x = np.where(wet[:, -1:] < 0, x, wet)
        over = np.any(x[:, :-1] > self.most[chosen], axis=1)
        for i in np.flatnonzero(over):
            x[i] = self._within(chosen[i], gram, right)
        x[np.any(x[:, :-1] <= 0, axis=1)] = np.nan
        return x

    def _within(self, chosen: NDArray[np.intp], gram: Array, right: Array) -> Array:
        """The answer where some things run out: the one pattern of "all of it" and "some of it" that fits (KKT)."""
        full = np.append(chosen, len(gram) - 1)
        g, r = gram[np.ix_(full, full)], right[full]
        limits = self.most[chosen]
        capped = [(False, True) if np.isfinite(limit) else (False,) for limit in limits]
        for pattern in itertools.product(*capped, (False, True) if self.evaporates else (True,)):
            held = np.array(pattern)
            x = np.where(held, np.append(limits, 0.0), 0.0)
            x[~held] = np.linalg.solve(g[np.ix_(~held, ~held)], r[~held] - g[np.ix_(~held, held)] @ x[held])
            slope = g @ x - r
            inside = np.all(x[:-1] <= limits + 1e-12) and np.all(x >= -1e-12)
            dry = not held[-1] or not self.evaporates or slope[-1] >= -1e-9
            if inside and dry and np.all(slope[:-1][held[:-1]] <= 1e-9):
                return np.maximum(x, 0.0)
        return np.full(len(full), np.nan)


def _at_once(gram: Array, right: Array, chosen: NDArray[np.intp]) -> Array:
    """Solve the normal equations of many handfuls together."""
    g = gram[chosen[:, :, None], chosen[:, None, :]]
    return np.asarray(np.linalg.solve(g, right[chosen][:, :, None])[:, :, 0])


def fit(
    target: Composition,
    mass_kg: float,
    things: Sequence[Thing],
    most: Sequence[float] | None = None,
    split: bool = False,
) -> Fit | None:
    """The best amounts of all these things for ``mass_kg`` of the target (F44); None when one of them is not wanted.

    Minimises Σ((A·x − e − b)/tolerance)² + (0.05·e/M)² over 0 < x ≤ most, e ≥ 0; where sugar comes out over, its
    weight is doubled.
    """
    problem = _Problem.of(target, mass_kg, things, most or [np.inf] * len(things), split)
    chosen = np.arange(len(things))[None, :]
    return _fit(problem, chosen, problem.solve(chosen), 0)


def _fit(problem: _Problem, chosen: NDArray[np.intp], x: Array, row: int) -> Fit | None:
    if np.isnan(x[row]).any():
        return None
    error = problem.errors(chosen[row : row + 1], x[row : row + 1])[0]
    return Fit(tuple(map(float, x[row, :-1])), float(x[row, -1]), error, error / problem.tolerance)


@dataclass(frozen=True, slots=True)
class Part:
    """One thing of a swap: kg as rounded to the cook's spoons, and that measure in m³."""

    thing: Thing
    exact_kg: float
    mass_kg: float
    measure_m3: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Swap:
    """A substitute, rounded: its parts, water to boil off, minutes, what is missed (kg) and whether it is good.

    ``score``: the smaller the better. ``missed``: by row name, kg after rounding.
    """

    parts: tuple[Part, ...]
    steam_kg: float
    minutes: float
    missed: Mapping[str, float]
    worst: float
    score: float
    exact: Fit

    @property
    def good(self) -> bool:
        """Whether it is a match at all; one that is not says so."""
        return self.exact.worst <= 1.0


def _minutes(things: Sequence[Thing], amounts: Sequence[float], steam_kg: float) -> float:
    mass = sum(amounts)
    if steam_kg <= 1e-6 or mass - steam_kg <= 0:
        return 0.0
    solids = sum(t.parts.total_solids * kg for t, kg in zip(things, amounts, strict=True))
    return boil_off_s(mass, solids / mass, min(0.99, solids / (mass - steam_kg))) / 60


def score_of(found: Fit, items: int, minutes: float) -> float:
    """How good a choice is, smaller better (F45)."""
    beyond = 100 * max(0.0, found.worst - 1)
    return beyond + float(np.sum(found.in_tolerances**2)) + PER_ITEM * items + PER_MINUTE * minutes


def _steps(thing: Thing, mass_kg: float) -> list[float]:
    """Measures near a mass, m³: 5 ml steps to 45 ml, 15 ml above (F46)."""
    volume = mass_kg / thing.bulk_kg_m3
    step = 5e-6 if volume <= 45e-6 else 15e-6
    nearest = round(volume / step)
    return [max(0, nearest + by) * step for by in (-1, 0, 1)]


def rounded(target: Composition, mass_kg: float, things: Sequence[Thing], exact: Fit, split: bool = False) -> Swap:
    """The nearest choice of whole spoons; water over is boiled off (F46)."""
    tolerance = (_SPLIT_TOLERANCE if split else _TOLERANCE) * mass_kg
    wanted = rows_of(target, split) * mass_kg
    columns = np.column_stack([rows_of(t.parts, split) for t in things])
    choices = np.array(list(itertools.product(*(_steps(t, kg) for t, kg in zip(things, exact.amounts, strict=True)))))
    masses = choices * np.array([t.bulk_kg_m3 for t in things])
    errors = masses @ columns.T - wanted
    steam = np.maximum(0.0, errors[:, -1])
    errors[:, -1] -= steam
    best = int(np.argmin(np.sum((errors / tolerance) ** 2, axis=1)))
    error, amounts = errors[best], [float(kg) for kg in masses[best]]
    minutes = _minutes(things, amounts, float(steam[best]))
    return Swap(
        parts=tuple(
            Part(t, kg, amounts[i], float(choices[best][i]))
            for i, (t, kg) in enumerate(zip(things, exact.amounts, strict=True))
        ),
        steam_kg=float(steam[best]),
        minutes=minutes,
        missed=dict(zip(SPLIT_ROWS if split else ROWS, map(float, error), strict=True)),
        worst=float(np.max(np.abs(error / tolerance))),
        score=score_of(exact, len(things), _minutes(things, exact.amounts, exact.steam_kg)),
        exact=exact,
    )


def swaps(
    target: Composition,
    mass_kg: float,
    house: Sequence[Thing],
    most: Mapping[str, float] | None = None,
    *,
    split: bool = False,
    want: int = 3,
    evaporates: bool = True,
) -> list[Swap]:
    """The best substitutes for ``mass_kg`` of a make-up, best first, each of other things than the ones before.

    :param house: what may be used. :param most: kg at hand of each, by key; plenty where it is not named.
    :param split: match casein and whey protein apart, as curds ask. :param evaporates: false where nothing is boiled.
    :raises BadInput: field "ingredient", when there is nothing to try.
    """
    things = _likely(target, house, split)
    if not things:
        raise BadInput("ingredient", "swap-empty-larder")
    limits = [(most or {}).get(t.key, np.inf) for t in things]
    problem = _Problem.of(target, mass_kg, things, limits, split, evaporates)
    found: list[tuple[float, tuple[Thing, ...], Fit]] = []
    for chosen in _handfuls(len(things)):
        x = problem.solve(chosen)
        for row in np.flatnonzero(np.all(x[:, :-1] >= _LEAST * mass_kg, axis=1)):
            got = _fit(problem, chosen, x, int(row))
            if got is not None:
                hand = tuple(things[i] for i in chosen[row])
                at_least = score_of(got, len(hand), 0.0)
                found.append((at_least, hand, got))
    found.sort(key=lambda one: one[0])
    return _best(target, mass_kg, found, split, want)


def _best(
    target: Composition, mass_kg: float, found: Sequence[tuple[float, tuple[Thing, ...], Fit]], split: bool, want: int
) -> list[Swap]:
    """The ``want`` best by whole score, none of which is a better one with another milk or something more in it.

    ``found`` is sorted by the score without minutes, so that minutes need be reckoned only until no later one can win.
    """
    scored: list[tuple[float, tuple[Thing, ...], Fit]] = []
    for at_least, hand, got in found:
        if len(scored) >= 4 * want and at_least > sorted(s for s, _, _ in scored)[4 * want - 1]:
            break
        scored.append((at_least + PER_MINUTE * _minutes(hand, got.amounts, got.steam_kg), hand, got))
    scored.sort(key=lambda one: one[0])
    best: list[Swap] = []
    taken: list[set[str]] = []
    for _, hand, got in scored:
        kinds = {"milk" if t.group == "milk" else t.key for t in hand}
        if not any(other <= kinds for other in taken):
            best.append(rounded(target, mass_kg, hand, got, split))
            taken.append(kinds)
        if len(best) == want:
            break
    return best


def _handfuls(things: int) -> Iterator[NDArray[np.intp]]:
    """Every one, two and three of them; four only of the nearest few, where a fourth can still matter."""
    for size, of in ((1, things), (2, things), (3, things), (MOST_ITEMS, min(things, 7))):
        if of >= size:
            yield np.array(list(itertools.combinations(range(of), size)))


def _likely(target: Composition, house: Sequence[Thing], split: bool) -> list[Thing]:
    """Things that share something with the target, the nearest by make-up first; water always may thin."""
    wanted = rows_of(target, split)
    dry = wanted[:-1] / max(1e-9, float(np.sum(wanted[:-1])))

    def near(thing: Thing) -> float:
        rows = rows_of(thing.parts, split)[:-1]
        total = float(np.sum(rows))
        return 2.0 if total < 1e-6 else float(np.sum(np.abs(rows / total - dry)))

    useful = [t for t in house if float(rows_of(t.parts, split)[:-1] @ wanted[:-1]) > 0 or t.key == "water"]
    return sorted(useful, key=near)[:MOST_THINGS]
