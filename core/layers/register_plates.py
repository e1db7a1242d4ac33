"""Offsets of registration crosses → how each plate lies, what to move, what no move mends."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from core.data.layers import REGISTER_MM
from core.layers.shapes import MOST_PLATES, PlateName, SizeMm
from core.schema import Shape

Array = NDArray[np.float64]
MarkMm = Annotated[float, Field(ge=-100, le=2600, json_schema_extra={"unit": "mm"})]
OffMm = Annotated[float, Field(ge=-50, le=50, json_schema_extra={"unit": "mm"})]
_LIES_MM, _TURNS_RAD, _GROWS = 3.0, 0.009, 0.006
"""How far plates lie off before anything is read (1 SD): laid by hand, and as paper grows.
``room-practice``"""
_WHOLE_SHEET_MM = 0.2
_TENTH = 0.05
"""Less than this rounds to nothing [mm]."""


class CrossOff(Shape):
    """A cross: where it should print, and by how much it lies off the key's."""

    x_mm: MarkMm
    y_mm: MarkMm
    right_mm: OffMm
    down_mm: OffMm
    spread_mm: Annotated[float, Field(ge=0.005, le=5, json_schema_extra={"unit": "mm"})] = 0.1
    """By a loupe with a scale 0.1; by a scan less."""


class PlateCrosses(Shape):
    """The crosses of one plate."""

    name: PlateName
    crosses: Annotated[list[CrossOff], Field(min_length=1, max_length=12)]


class RegisterPlatesInput(Shape):
    """What was read of each plate's crosses against the key's."""

    size_mm: SizeMm
    key: PlateName
    plates: Annotated[list[PlateCrosses], Field(min_length=1, max_length=MOST_PLATES)]
    tolerance_mm: Annotated[float, Field(ge=0.05, le=5, json_schema_extra={"unit": "mm"})] = (
        REGISTER_MM
    )

    @model_validator(mode="after")
    def _others(self) -> RegisterPlatesInput:
        names = [each.name for each in self.plates]
        if len(set(names)) < len(names) or self.key in names:
            raise ValueError("plates names each plate once, and not the key: the others lie to it")
        return self


class PlateLies(Shape):
    """How a plate lies on the key, about the middle of the print."""

    name: str
    right_mm: float
    down_mm: float
    spread_mm: float
    clockwise_deg: float
    wider: float
    higher: float
    off_mm: float
    """At the middle."""
    worst_mm: float
    """At the corner where it is most."""
    left_mm: float
    """At that corner, after the move: what the paper's growth leaves."""
    within: bool
    move: str
    """Of its template; empty where none is needed."""


class RegisterPlatesOutput(Shape):
    """Which plate to move and how."""

    plates: list[PlateLies]
    blame: str
    """The plate to move; empty: none."""
    cause: Literal["fits", "plate", "key", "paper"]
    title: str
    text: str


def register_plates(given: RegisterPlatesInput) -> RegisterPlatesOutput:
    """Return how plates lie on the key, and what to move.

    Parameters
    ----------
    given : RegisterPlatesInput
        Offsets [mm], to the right and down where positive.

    Returns
    -------
    RegisterPlatesOutput

    Notes
    -----
    Each plate: off = shift + turn × place + growth × place, by normal regression with a prior for
    each; one cross tells the shift alone, two the turn, growth only across where they stand.
    Where three or more plates lie off alike it is the key that does. Source:
    ``normal-regression``, ``room-practice``.
    """
    told = [_lies(each, given) for each in given.plates]
    over = [each for each in told if not each.within]
    moved = _key_moved(told)
    if not over:
        worst = max(told, key=lambda each: each.worst_mm)
        return RegisterPlatesOutput(
            plates=told, blame="", cause="fits", title="The plates fit",
            text=f"{worst.name} lies furthest off: {worst.worst_mm:.1f} mm at a corner.",
        )  # fmt: skip
    if moved is not None:
        text = f"All others lie off alike. Move the template of {given.key} {_way(moved)}."
        return RegisterPlatesOutput(
            plates=told, blame=given.key, cause="key", text=text,
            title=f"{given.key} lies {np.hypot(*moved):.1f} mm off",
        )  # fmt: skip
    worst = max(over, key=lambda each: each.worst_mm)
    paper = worst.left_mm > given.tolerance_mm
    text = _grown(worst, given.size_mm) if paper else f"Move its template {worst.move}."
    return RegisterPlatesOutput(
        plates=told, blame=worst.name, cause="paper" if paper else "plate",
        title=f"{worst.name} lies {max(worst.off_mm, worst.worst_mm if paper else 0):.1f} mm off",
        text=text,
    )  # fmt: skip


def fitted(places: Array, off: Array, spread: Array) -> tuple[Array, Array]:
    """Return shift, turn and growth of a plate with their covariance.

    Parameters
    ----------
    places : array (n, 2) [mm]
        From the middle of the print.
    off : array (n, 2) [mm]
    spread : array (n,) [mm]

    Returns
    -------
    array (5,), array (5, 5)
        Right, down [mm], clockwise [rad], wider, higher.
    """
    rows, seen, weight = [], [], []
    for (x, y), (right, down), own in zip(places, off, spread, strict=True):
        rows += [[1, 0, -y, x, 0], [0, 1, x, 0, y]]
        seen += [right, down]
        weight += [own**-2, own**-2]
    design, w = np.array(rows, dtype=float), np.array(weight)
    before = np.array([_LIES_MM, _LIES_MM, _TURNS_RAD, _GROWS, _GROWS]) ** -2.0
    inner = (design * w[:, None]).T @ design + np.diag(before)
    covariance = np.linalg.inv(inner)
    return covariance @ (design.T @ (w * np.array(seen))), covariance


def _lies(plate: PlateCrosses, given: RegisterPlatesInput) -> PlateLies:
    half = np.asarray(given.size_mm) / 2
    places = np.array([[c.x_mm, c.y_mm] for c in plate.crosses]) - half
    off = np.array([[c.right_mm, c.down_mm] for c in plate.crosses])
    spread = np.array([c.spread_mm for c in plate.crosses])
    (right, down, turn, wider, higher), covariance = fitted(places, off, spread)
    corners = np.array([[x, y] for x in (-half[0], half[0]) for y in (-half[1], half[1])])
    grown = corners * [wider, higher]
    worst = np.linalg.norm(
        grown + [right, down] + turn * np.column_stack([-corners[:, 1], corners[:, 0]]), axis=1
    ).max()
    left = float(np.linalg.norm(grown, axis=1).max())
    return PlateLies(
        name=plate.name, right_mm=round(float(right), 3), down_mm=round(float(down), 3),
        spread_mm=round(float(np.sqrt(covariance[0, 0])), 3),
        clockwise_deg=round(float(np.degrees(turn)), 3), wider=round(float(wider), 5),
        higher=round(float(higher), 5), off_mm=round(float(np.hypot(right, down)), 3),
        worst_mm=round(float(worst), 3), left_mm=round(left, 3),
        within=bool(worst <= given.tolerance_mm),
        move=_way((right, down), turn, given.size_mm) if worst > given.tolerance_mm else "",
    )  # fmt: skip


def _way(off: tuple[float, float], turn: float = 0.0, size: SizeMm | None = None) -> str:
    """Return the move that takes an offset away: "0.6 left, 0.3 up"."""
    right, down = off
    said = []
    if abs(right) >= _TENTH:
        said.append(f"{abs(right):.1f} {'left' if right > 0 else 'right'}")
    if abs(down) >= _TENTH:
        said.append(f"{abs(down):.1f} {'up' if down > 0 else 'down'}")
    rise = abs(turn) * size[0] if size else 0.0
    if rise >= 2 * _TENTH:
        side = "lower" if turn < 0 else "raise"
        said.append(f"{side} its right end {rise:.1f} against the left")
    return ", ".join(said)


def _key_moved(told: list[PlateLies]) -> tuple[float, float] | None:
    """Return by how much the key lies off where all others agree; None where they do not."""
    if len(told) < 3:
        return None
    off = np.array([[each.right_mm, each.down_mm] for each in told])
    middle = np.median(off, axis=0)
    if np.hypot(*middle) < REGISTER_MM or np.abs(off - middle).max() > _WHOLE_SHEET_MM:
        return None
    return -float(middle[0]), -float(middle[1])


def _grown(plate: PlateLies, size: SizeMm) -> str:
    across, down = plate.wider * size[0], plate.higher * size[1]
    said = [
        f"{abs(by):.1f} mm {'more' if by > 0 else 'less'} {where}"
        for by, where in ((across, "across"), (down, "down"))
        if abs(by) >= _TENTH
    ]
    return (
        f"No move mends it all: the sheet measured {' and '.join(said)} under {plate.name}. "
        "Damp it to the size it had, or print every colour in one damping."
    )
