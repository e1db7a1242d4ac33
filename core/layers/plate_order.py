"""Plates of a print → the order in which least of any is hidden, and what the order asked hides."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import combinations, permutations
from typing import Annotated, Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from core.data.layers import COVERS_ABOVE, OPAQUE_BELOW
from core.image.shapes import ImagePath
from core.layers.films import coverage_of, laid_down, printed_over
from core.layers.shapes import MOST_PLATES, Film, Lying, SizeMm
from core.schema import Shape
from core.tone.colour import lab_from_linear, linear_from_lab

Array = NDArray[np.float64]
_COARSE_PX = 22
"""Long side of the grid orders are compared on: up to 720 of them."""
_AS_GOOD = 0.97
_HIDDEN_BELOW, _MENDED = 0.5, 1.2
"""Of what it would show on bare paper; and how much more another order must show of it."""


class OrderPlate(Film):
    """A plate: how much it covers, or a picture of what it prints."""

    covers: Annotated[float, Field(gt=0, le=1)] = 0.3
    image: ImagePath | None = None
    key: bool = False
    """It carries the drawing."""


class PlateOrderInput(Shape):
    """Plates in the order they are meant to be printed."""

    plates: Annotated[list[OrderPlate], Field(min_length=1, max_length=MOST_PLATES)]
    size_mm: SizeMm = (200.0, 150.0)

    @model_validator(mode="after")
    def _named_once(self) -> PlateOrderInput:
        if len({each.name for each in self.plates}) < len(self.plates):
            raise ValueError("plates has a name twice")
        return self


class PlateSeen(Shape):
    """How much of a plate is still seen in the finished print."""

    name: str
    covers: float
    seen: float
    """Of what it would show alone on paper."""
    seen_best: float
    """In the order proposed."""


class OrderWarning(Shape):
    """Something an order does."""

    code: Literal["opaque-over-all", "hidden", "key-below"]
    plate: str
    text: str


class PlateOrderOutput(Shape):
    """The order proposed, and what the given one hides."""

    order: list[str]
    keeps: bool
    """The given order is as good."""
    plates: list[PlateSeen]
    """In the given order."""
    warnings: list[OrderWarning]
    title: str
    text: str


def plate_order(given: PlateOrderInput) -> PlateOrderOutput:
    """Return the order in which least of any plate is hidden.

    Parameters
    ----------
    given : PlateOrderInput

    Returns
    -------
    PlateOrderOutput

    Raises
    ------
    CoreError
        A picture that cannot be read.

    Notes
    -----
    All orders are gone through. An order is worth what each plate changes in the print (ΔE*ab to
    the print without it), no plate counted above what it would change on bare paper. Of orders
    within 3 % of the best the one nearest to habit is taken: opaque before transparent, light
    before dark, the key last. Source: ``cie-15``, ``room-practice``.
    """
    plates = given.plates
    covers = [_covers(each, given.size_mm) for each in plates]
    shape = np.broadcast_shapes(*(each.shape for each in covers))
    prints = _Prints(plates, covers, {(): np.ones((*shape, 3))})
    asked = tuple(range(len(plates)))
    worth = {order: prints.seen(order) for order in permutations(asked)}
    alone = np.maximum(prints.alone(), 1e-9)
    values = {order: float(np.minimum(seen, alone).sum()) for order, seen in worth.items()}
    enough = _AS_GOOD * max(values.values())
    best = _nearest_to_habit(plates, {o: v for o, v in values.items() if v >= enough})
    # what was asked stands where it is as good and hides nothing
    warned = _warnings(plates, covers, worth[asked] / alone, worth[best] / alone)
    keeps = values[asked] >= enough and not warned
    best = asked if keeps else best
    title, text = _words([plates[at].name for at in best], keeps, warned)
    return PlateOrderOutput(
        order=[plates[at].name for at in best], keeps=keeps, warnings=warned, title=title,
        text=text, plates=_told(plates, covers, worth[asked] / alone, worth[best] / alone),
    )  # fmt: skip


def _told(
    plates: list[OrderPlate], covers: list[Array], seen: Array, best: Array
) -> list[PlateSeen]:
    return [
        PlateSeen(
            name=each.name, covers=round(float(covers[at].mean()), 3),
            seen=round(min(1.0, float(seen[at])), 3),
            seen_best=round(min(1.0, float(best[at])), 3),
        )
        for at, each in enumerate(plates)
    ]  # fmt: skip


def _nearest_to_habit(
    plates: list[OrderPlate], values: dict[tuple[int, ...], float]
) -> tuple[int, ...]:
    """Return the order nearest to habit; of two as near the one worth more."""
    habit = sorted(range(len(plates)), key=lambda at: _habit(plates[at]))
    return min(values, key=lambda order: (_apart(order, habit), -values[order]))


def _covers(plate: OrderPlate, size_mm: SizeMm) -> Array:
    """Return what a plate covers: of a share alone one place stands for all."""
    if plate.image is None:
        return np.full((1, 1), plate.covers)
    return laid_down(coverage_of(plate.image), size_mm, Lying(), _COARSE_PX / max(size_mm))


def _habit(plate: OrderPlate) -> tuple[bool, bool, float]:
    """Return what orders plates by habit: the key last, opaque first, light first."""
    return plate.key, plate.lets_through >= OPAQUE_BELOW, -plate.ink_lab[0]


def _apart(order: tuple[int, ...], habit: list[int]) -> int:
    """Return in how many pairs an order differs from habit."""
    at = {plate: place for place, plate in enumerate(habit)}
    return sum(at[first] > at[then] for first, then in combinations(order, 2))


@dataclass
class _Prints:
    """Prints of plates in any order; what begins alike is printed once."""

    plates: list[OrderPlate]
    covers: list[Array]
    made: dict[tuple[int, ...], Array]

    def light(self, order: tuple[int, ...]) -> Array:
        """Return linear light after plates were printed in an order."""
        if order not in self.made:
            at = order[-1]
            ink = linear_from_lab(self.plates[at].ink_lab)
            lets = self.plates[at].lets_through
            self.made[order] = printed_over(self.light(order[:-1]), self.covers[at], ink, lets)
        return self.made[order]

    def seen(self, order: tuple[int, ...]) -> Array:
        """Return what each plate changes in a print: mean ΔE*ab, by plate."""
        whole = lab_from_linear(self.light(order))
        changed = np.zeros(len(self.plates))
        for at in order:
            without = lab_from_linear(self.light(tuple(each for each in order if each != at)))
            changed[at] = np.linalg.norm(whole - without, axis=-1).mean()
        return changed

    def alone(self) -> Array:
        """Return what each plate changes on bare paper."""
        paper = np.array([100.0, 0.0, 0.0])
        return np.array([
            np.linalg.norm(lab_from_linear(self.light((at,))) - paper, axis=-1).mean()
            for at in range(len(self.plates))
        ])  # fmt: skip


def _warnings(
    plates: list[OrderPlate], covers: list[Array], seen: Array, best: Array
) -> list[OrderWarning]:
    """Return what the order asked does, the gravest first."""
    found = [
        _opaque(each, float(covers[at].mean()))
        for at, each in enumerate(plates)
        if at and each.lets_through < OPAQUE_BELOW and covers[at].mean() > COVERS_ABOVE
    ]
    hidden = (seen < _HIDDEN_BELOW) & (best > _MENDED * seen)
    found += [
        OrderWarning(
            code="hidden", plate=plates[at].name,
            text=f"Of {plates[at].name} only {seen[at] * 100:.0f} % is still seen: what comes "
            "after hides it.",
        )
        for at in np.flatnonzero(hidden)
    ]  # fmt: skip
    told = {each.plate for each in found}
    return found + [
        _soft(each, over)
        for at, each in enumerate(plates)
        if each.key and each.name not in told and (over := _opaque_after(plates, at))
    ]


def _opaque(plate: OrderPlate, share: float) -> OrderWarning:
    return OrderWarning(
        code="opaque-over-all", plate=plate.name,
        text=f"{plate.name} is opaque and covers {share * 100:.0f} % of the print: it hides "
        "what was printed before. Print it first, or mix it with extender.",
    )  # fmt: skip


def _opaque_after(plates: list[OrderPlate], at: int) -> list[str]:
    return [each.name for each in plates[at + 1 :] if each.lets_through < OPAQUE_BELOW]


def _soft(key: OrderPlate, over: list[str]) -> OrderWarning:
    return OrderWarning(
        code="key-below", plate=key.name,
        text=f"{' and '.join(over)} lies over the drawing of {key.name}: its lines go soft.",
    )  # fmt: skip


def _words(order: list[str], keeps: bool, warned: list[OrderWarning]) -> tuple[str, str]:
    said = f"{', '.join(order[:-1])}, then {order[-1]}" if len(order) > 1 else order[0]
    if keeps:
        return "The order holds", f"{said}: nothing printed is hidden by what follows."
    why = warned[0].text if warned else "More of every plate is seen so."
    return f"Print {said}", why
