"""A dot screen for the first exposure, written as a one-bit film."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Annotated, Literal

import numpy as np
import png
from numpy.typing import NDArray
from pydantic import Field

from core.errors import CoreError
from core.polymer.dots import Bits, dot_tile
from core.progress import Tell, part_of, untold
from core.schema import Shape

WHOLE_PX = 2048
"""A film with no side longer than this is made in one; a larger one of tiles no larger."""
MOST_PX = 4_000_000_000
_LEAST_DOT_PX, _ROUND_DOT_PX = 2.0, 3.0
_UM_PER_M = 1e6
_ROWS_TOLD = 512
_LEVEL = 4
"""Of the file's compression: rows repeat a tile, which any level finds."""

Side = Annotated[int, Field(ge=16, le=200_000, json_schema_extra={"unit": "px"})]


class DotScreenInput(Shape):
    """How large its dots are, how much of it is open, and the film it is written for."""

    dot_um: Annotated[float, Field(ge=20, le=400, json_schema_extra={"unit": "µm"})]
    open_share: Annotated[float, Field(ge=0.02, le=0.98)] = 0.5
    um_per_pixel: Annotated[float, Field(ge=1, le=100, json_schema_extra={"unit": "µm"})]
    width_px: Side
    height_px: Side
    seed: Annotated[int, Field(ge=0, le=2**31 - 1)] = 1
    write: Annotated[str, Field(min_length=1, max_length=4000)]


class ScreenWarning(Shape):
    """Something to know before a screen is printed."""

    code: Literal["rough-dots"]
    text: str


class DotScreenOutput(Shape):
    """The film of a screen: black where it is black."""

    path: str
    open_share: float
    tile_px: tuple[int, int]
    """Width and height after which it repeats."""
    seamless: bool
    """Two of these films, edge to edge, meet without a seam."""
    width_mm: float
    height_mm: float
    warnings: list[ScreenWarning]


def dot_screen(given: DotScreenInput, tell: Tell = untold) -> DotScreenOutput:
    """Return a screen of blue-noise dots, written as a one-bit PNG.

    Parameters
    ----------
    given : DotScreenInput
        Dot [µm], share, resolution [µm a pixel], size [px].
    tell : callable
        Is told the share done.

    Returns
    -------
    DotScreenOutput

    Raises
    ------
    CoreError
        ``too-coarse``: a dot of under 2 px; ``too-many-pixels``; ``too-small``: no room for dots;
        ``cannot-write``.

    Notes
    -----
    See ``dots``. The share is that of the file as written. A film larger than 2048 px is laid with
    one tile, which has no slow pattern that the eye could find again.
    """
    _check(given)
    tile_px = _tile_side(given.width_px), _tile_side(given.height_px)
    dot_px = given.dot_um / given.um_per_pixel
    tile = dot_tile(
        (tile_px[1], tile_px[0]), dot_px, given.open_share, given.seed, part_of(tell, 0, 0.5)
    )
    _write(tile, given, part_of(tell, 0.5, 1))
    return DotScreenOutput(
        path=given.write,
        open_share=round(_share(tile, given.width_px, given.height_px), 5),
        tile_px=tile_px,
        seamless=not (given.width_px % tile_px[0] or given.height_px % tile_px[1]),
        width_mm=round(given.width_px * given.um_per_pixel / 1000, 2),
        height_mm=round(given.height_px * given.um_per_pixel / 1000, 2),
        warnings=_warnings(dot_px),
    )


def _check(given: DotScreenInput) -> None:
    dot_px = given.dot_um / given.um_per_pixel
    if dot_px < _LEAST_DOT_PX:
        raise CoreError(
            "too-coarse", f"At {given.um_per_pixel:g} µm a pixel a dot of {given.dot_um:g} µm is "
            f"{dot_px:.1f} px: this film cannot draw it. Take larger dots or a finer printer.",
            field="dot_um", value=given.dot_um,
            allowed=f"at least {_LEAST_DOT_PX * given.um_per_pixel:g}", unit="µm",
        )  # fmt: skip
    if given.width_px * given.height_px > MOST_PX:
        raise CoreError(
            "too-many-pixels", "That film has too many pixels.", field="height_px",
            value=given.height_px, allowed=f"at most {MOST_PX // given.width_px}", unit="px",
        )  # fmt: skip
    for name in ("width_px", "height_px"):
        if getattr(given, name) < 4 * dot_px:
            raise CoreError(
                "too-small", "There is no room for dots of that size.", field=name,
                value=getattr(given, name), allowed=f"at least {round(4 * dot_px)}", unit="px",
            )  # fmt: skip


def _tile_side(side: int) -> int:
    """Return the longest tile that a side is a whole number of, or else the longest there is."""
    if side <= WHOLE_PX:
        return side
    parts = range(-(-side // WHOLE_PX), side // (WHOLE_PX // 2) + 1)
    return next((side // count for count in parts if side % count == 0), WHOLE_PX)


def _share(tile: Bits, width: int, height: int) -> float:
    """Return the open share of a film laid with a tile, its last pieces cut off."""
    down = np.bincount(np.arange(height) % tile.shape[0], minlength=tile.shape[0])
    across = np.bincount(np.arange(width) % tile.shape[1], minlength=tile.shape[1])
    return float(down @ tile @ across) / (width * height)


def _write(tile: Bits, given: DotScreenInput, tell: Tell) -> None:
    a_metre = round(_UM_PER_M / given.um_per_pixel)
    writer = png.Writer(
        given.width_px, given.height_px, greyscale=True, bitdepth=1, compression=_LEVEL,
        x_pixels_per_unit=a_metre, y_pixels_per_unit=a_metre, unit_is_meter=True,
    )  # fmt: skip
    try:
        path = Path(given.write)
        path.parent.mkdir(parents=True, exist_ok=True)
        with path.open("wb") as file:
            writer.write_packed(file, _rows(tile, given.width_px, given.height_px, tell))
    except OSError:
        raise CoreError(
            "cannot-write", "The screen cannot be written there.", field="write",
            value=given.write, allowed="a file that can be written",
        ) from None  # fmt: skip


def _rows(tile: Bits, width: int, height: int, tell: Tell) -> Iterator[NDArray[np.uint8]]:
    """Yield the rows of a film, eight pixels a byte."""
    times = -(-width // tile.shape[1])
    packed = [np.packbits(np.tile(row, times)[:width]) for row in tile]
    for place in range(height):
        yield packed[place % len(packed)]
        if place % _ROWS_TOLD == 0:
            tell(place / height)


def _warnings(dot_px: float) -> list[ScreenWarning]:
    if dot_px >= _ROUND_DOT_PX:
        return []
    text = f"A dot is only {dot_px:.1f} px wide: it will not be round. A finer printer helps."
    return [ScreenWarning(code="rough-dots", text=text)]
