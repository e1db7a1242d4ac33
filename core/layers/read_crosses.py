"""A print's scan → how far each plate's crosses lie off the key's."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from core.errors import CoreError
from core.image.shapes import ImagePath
from core.layers.cross_finder import find_cross, ink_seen
from core.layers.print_scan import PrintScan, open_print
from core.layers.register_plates import CrossOff, MarkMm, PlateCrosses
from core.layers.shapes import MOST_PLATES, Colour, PlateName, SizeMm
from core.progress import Tell, untold
from core.schema import Shape
from core.tone.colour import linear_from_lab

Array = NDArray[np.float64]
_REACH_MM = 3.0
"""A plate further off is not looked for: the next plate's cross stands there."""
_LEAST_PX_PER_MM = 5.0
_LEAST_SPREAD_MM = 0.01
_FLAT_MM = 0.15
_PER_MM = (10.0, 24.0)

CrossAt = tuple[MarkMm, MarkMm]


class InkCrosses(Shape):
    """Where a plate's crosses should print, and in what ink."""

    name: PlateName
    ink_lab: Colour
    crosses: Annotated[list[CrossAt], Field(min_length=1, max_length=12)]


class ReadCrossesInput(Shape):
    """A scan of a print with its crosses, the preview, and where each plate's crosses stand."""

    image: ImagePath
    preview: ImagePath
    """As ``overprint`` wrote it."""
    size_mm: SizeMm
    key: PlateName
    plates: Annotated[list[InkCrosses], Field(min_length=2, max_length=MOST_PLATES)]
    arm_mm: Annotated[float, Field(ge=1, le=20, json_schema_extra={"unit": "mm"})] = 3.0
    """Half the length of a cross."""
    corners_px: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)] | None = (
        None
    )

    @model_validator(mode="after")
    def _key_named(self) -> ReadCrossesInput:
        names = [each.name for each in self.plates]
        if len(set(names)) < len(names) or self.key not in names:
            raise ValueError("plates names each plate once, the key among them")
        return self


class CrossesWarning(Shape):
    """A plate whose crosses were not all found."""

    code: Literal["not-found", "some-missing"]
    plate: str
    text: str


class ReadCrossesOutput(Shape):
    """Offsets of every plate but the key, ready for ``register-plates``."""

    plates: list[PlateCrosses]
    px_per_mm: float
    warnings: list[CrossesWarning]


def read_crosses(given: ReadCrossesInput, tell: Tell = untold) -> ReadCrossesOutput:
    """Return how far each plate's crosses lie off the key's.

    Parameters
    ----------
    given : ReadCrossesInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadCrossesOutput

    Raises
    ------
    CoreError
        As ``open_print``; a scan too coarse; the key's own crosses were not found.

    Notes
    -----
    The key's crosses give the measure: an affine map from the scan's pixels (a projective one for
    a photograph taken aslant), so that the scanner's scale and a sheet laid askew do not count.
    """
    seen = open_print(given.image, given.preview, given.size_mm, given.corners_px, tell)
    return crosses_in(seen, given, tell)


def crosses_in(seen: PrintScan, given: ReadCrossesInput, tell: Tell) -> ReadCrossesOutput:
    """Return how far crosses lie off, in a scan that is laid already.

    Parameters
    ----------
    seen : PrintScan
    given : ReadCrossesInput
    tell : callable

    Returns
    -------
    ReadCrossesOutput

    Raises
    ------
    CoreError
        A scan too coarse; the key's own crosses were not found.
    """
    if seen.px_per_mm < _LEAST_PX_PER_MM:
        raise CoreError(
            "too-coarse", "This scan is too coarse for crosses: scan at 300 dpi or finer.",
            field="image", value=round(seen.px_per_mm * 25.4), allowed="at least 127", unit="dpi",
        )  # fmt: skip
    found = {each.name: _found(seen, each, given.arm_mm) for each in given.plates}
    tell(0.95)
    key = found[given.key]
    if not key:
        raise CoreError(
            "no-key-crosses", f"No cross of {given.key} is seen where it should stand, so there is "
            "nothing to measure the others by. Check where its crosses are said to be.",
            field="plates", value=given.key, allowed="one cross at least",
        )  # fmt: skip
    measure = _measure(key, seen.px_per_mm)
    return ReadCrossesOutput(
        plates=[
            PlateCrosses(name=each.name, crosses=[_off(one, measure) for one in found[each.name]])
            for each in given.plates
            if each.name != given.key and found[each.name]
        ],
        px_per_mm=round(seen.px_per_mm, 2),
        warnings=[
            warning for each in given.plates
            if (warning := _missing(each, len(found[each.name]))) is not None
        ],
    )  # fmt: skip


@dataclass(frozen=True)
class _Placed:
    """A cross: where it should print [mm], where it lies in the scan [px], how sure [mm]."""

    meant: CrossAt
    px: Array
    spread_mm: float


def _found(seen: PrintScan, plate: InkCrosses, arm_mm: float) -> list[_Placed]:
    """Return those of a plate's crosses that are seen."""
    per_mm = float(np.clip(seen.px_per_mm * 1.5, *_PER_MM))
    half = arm_mm + 1 + _REACH_MM
    ink = linear_from_lab(plate.ink_lab)
    placed = []
    for at in plate.crosses:
        corner = np.asarray(at) - half
        window = seen.window(corner, (2 * half, 2 * half), per_mm)
        cross = find_cross(ink_seen(window, ink), arm_mm, per_mm)
        if cross is not None:
            px = seen.in_scan(corner + np.array([[cross.x_mm, cross.y_mm]]))[0]
            placed.append(_Placed(at, px, cross.spread_mm))
    return placed


def _measure(key: list[_Placed], px_per_mm: float) -> Array:
    """Return the map from the scan's pixels to the key's own mm: array (3, 3)."""
    meant = np.array([each.meant for each in key], dtype=float)
    px = np.array([each.px for each in key])
    if len(key) < 2:
        scale = np.diag([1 / px_per_mm, 1 / px_per_mm])
        return _whole(np.column_stack([scale, meant[0] - scale @ px[0]]))
    if len(key) == 2:
        return _whole(_similar(px, meant))
    full = np.column_stack([px, np.ones(len(px))])
    flat = np.linalg.lstsq(full, meant, rcond=None)[0].T
    off = np.abs(full @ flat.T - meant).max()
    if len(key) > 3 and off > _FLAT_MM:  # photographed aslant
        return np.asarray(cv2.findHomography(px, meant)[0])
    return _whole(flat)


def _whole(flat: Array) -> Array:
    return np.vstack([flat, [0.0, 0.0, 1.0]])


def _similar(px: Array, meant: Array) -> Array:
    """Return shift, turn and size from two points."""
    a, b = complex(*(px[1] - px[0])), complex(*(meant[1] - meant[0]))
    turn = b / a if a else 1 + 0j
    linear = np.array([[turn.real, -turn.imag], [turn.imag, turn.real]])
    return np.column_stack([linear, meant.mean(axis=0) - linear @ px.mean(axis=0)])


def _off(placed: _Placed, measure: Array) -> CrossOff:
    (x, y), found = placed.meant, measure @ [*placed.px, 1.0]
    right, down = found[:2] / found[2] - [x, y]
    return CrossOff(
        x_mm=x, y_mm=y, right_mm=round(float(right), 4), down_mm=round(float(down), 4),
        spread_mm=round(max(_LEAST_SPREAD_MM, placed.spread_mm), 4),
    )  # fmt: skip


def _missing(plate: InkCrosses, found: int) -> CrossesWarning | None:
    if not found:
        return CrossesWarning(
            code="not-found", plate=plate.name,
            text=f"No cross of {plate.name} is seen near where it should stand. Keep the ground "
            "about it free of tone.",
        )  # fmt: skip
    if found < len(plate.crosses):
        return CrossesWarning(
            code="some-missing", plate=plate.name,
            text=f"{found} of {len(plate.crosses)} crosses of {plate.name} are seen.",
        )  # fmt: skip
    return None
