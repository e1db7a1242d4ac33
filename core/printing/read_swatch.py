"""A scan of an ink drawn down on paper → its colour, relative to that paper."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from numpy.typing import NDArray
from pydantic import Field

from core.errors import CoreError
from core.image.picture import open_picture
from core.image.shapes import ImagePath
from core.schema import Shape
from core.tone.colour import lab_from_linear, lab_to_hex

Array = NDArray[np.float64]
Box = tuple[
    Annotated[float, Field(ge=0, le=1)], Annotated[float, Field(ge=0, le=1)],
    Annotated[float, Field(gt=0, le=1)], Annotated[float, Field(gt=0, le=1)],
]  # fmt: skip
_BLOCKS = 24
_MIDDLE: Box = (0.3, 0.3, 0.4, 0.4)
_DARK_PAPER = 0.15


class ReadSwatchInput(Shape):
    """A scan with the ink in its middle and bare paper at an edge."""

    image: ImagePath
    ink: Box = _MIDDLE
    """Left, top, width, height as shares of the picture."""
    paper: Box | None = None
    """Null: the lightest of the picture."""


class ReadSwatchOutput(Shape):
    """The colour of an ink."""

    lab: tuple[float, float, float]
    """Paper is 100, 0, 0."""
    spread: float
    """Of L* over the ink: a draw-down that thins out has more."""
    hex: str
    text: str


def read_swatch(given: ReadSwatchInput) -> ReadSwatchOutput:
    """Return the colour of an ink as it was drawn down.

    Parameters
    ----------
    given : ReadSwatchInput

    Returns
    -------
    ReadSwatchOutput

    Raises
    ------
    CoreError
        A picture that cannot be read, one without light paper, or one where ink and paper are one.

    Notes
    -----
    The median of blocks, in linear light, over the paper's. Source: ``cie-15``, ``srgb``.
    """
    picture = open_picture(given.image)
    paper = _white(picture, given.paper)
    if float(paper.min()) < _DARK_PAPER:
        raise CoreError(
            "no-paper", "No bare paper is seen in this scan. Leave a light edge of it beside the "
            "ink.", field="image", allowed="a scan with bare paper at an edge",
        )  # fmt: skip
    blocks = _blocks(_part(picture, given.ink)) / paper
    lab = lab_from_linear(np.median(blocks, axis=0))
    spread = float(lab_from_linear(blocks)[:, 0].std())
    told = (round(float(lab[0]), 1), round(float(lab[1]), 1), round(float(lab[2]), 1))
    return ReadSwatchOutput(
        lab=told, spread=round(spread, 2), hex=lab_to_hex(told),
        text=f"L* {told[0]:g}, a* {told[1]:g}, b* {told[2]:g}"
        + (": the draw-down is uneven." if spread > 4 else "."),
    )  # fmt: skip


def _part(picture: Array, box: Box) -> Array:
    high, wide = picture.shape[:2]
    left, top = int(box[0] * wide), int(box[1] * high)
    right = max(left + 1, int((box[0] + box[2]) * wide))
    bottom = max(top + 1, int((box[1] + box[3]) * high))
    return picture[top:bottom, left:right]


def _blocks(part: Array) -> Array:
    """Return means of blocks: (n, 3)."""
    rows = np.array_split(part, min(_BLOCKS, part.shape[0]), axis=0)
    return np.array([
        block.mean(axis=(0, 1))
        for row in rows
        for block in np.array_split(row, min(_BLOCKS, row.shape[1]), axis=1)
    ])  # fmt: skip


def _white(picture: Array, box: Box | None) -> Array:
    if box is not None:
        return np.asarray(np.median(_blocks(_part(picture, box)), axis=0))
    blocks = _blocks(picture)
    light = blocks[np.argsort(blocks.sum(axis=1))[-max(3, len(blocks) // 20) :]]
    return np.asarray(np.median(light, axis=0))
