"""A drawing in flat colours → stencils: their shapes, their order, what would fall out of them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import Field
from reportlab.pdfgen.canvas import Canvas

from core.data.layers import SMALLEST_BRIDGE_MM
from core.errors import CoreError
from core.image.reduced import open_reduced
from core.image.shapes import ImagePath
from core.layers.overprint import made_folder
from core.layers.shapes import SizeMm
from core.schema import Shape
from core.study.map_pages import ring_path, write_pages
from core.study.outlines import Polygon, as_path, outlines
from core.study.shapes import Folder, Paper, StudyMapFile
from core.tone.colour import lab_from_linear, lab_to_hex

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]
MOST_STENCILS = 6
_LONG_PX = 900
_ROUNDS = 30
_PAPER_E = 8.0
"""Colours nearer to white than this are the paper [ΔE]. ``room-practice``"""
_LEAST_MM2 = 4.0
"""Smaller openings cannot be cut by hand. ``room-practice``"""


class StencilsInput(Shape):
    """A drawing, the size it prints, the plate, and how many colours are cut."""

    image: ImagePath
    size_mm: SizeMm
    """Of the drawing as it prints."""
    plate_mm: SizeMm
    colours: Annotated[int, Field(ge=1, le=MOST_STENCILS)] = 2
    smooth_mm: Annotated[float, Field(ge=0.2, le=10, json_schema_extra={"unit": "mm"})] = 1.0
    paper: Paper = "A4"
    about: Annotated[str, Field(max_length=120)] = "Stencils"
    write: Folder


class Loose(Shape):
    """A piece that falls out unless a bridge holds it; mm from the print's top left."""

    x_mm: float
    y_mm: float
    mm2: float
    bridge: tuple[tuple[float, float], tuple[float, float]]
    """The shortest way to what holds."""


class OneStencil(Shape):
    """One colour's stencil."""

    number: int
    lab: tuple[float, float, float]
    hex: str
    open_cm2: float
    pieces: int
    smallest_mm2: float
    loose: list[Loose]
    outline: str
    """Path of an SVG, filled by the even-odd rule, in mm."""
    mask: str
    """A PNG: black where it is open."""


class StencilWarning(Shape):
    """Something to know before it is cut."""

    code: Literal["loose", "fewer-colours", "small"]
    stencil: int
    text: str


class StencilsOutput(Shape):
    """Stencils in the order they are rolled."""

    stencils: list[OneStencil]
    files: list[StudyMapFile]
    """The sheets at 1:1, then each mask."""
    warnings: list[StencilWarning]
    text: str


@dataclass(frozen=True)
class _Page:
    """One stencil at 1:1, mirrored: it lies on the plate."""

    title: str
    pieces: list[Polygon]
    loose: list[Loose]

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw openings hatched by their outline, bridges, the plate.

        Parameters
        ----------
        canvas : Canvas
        size_mm : (float, float) [mm]
        """
        canvas.saveState()
        canvas.translate(size_mm[0], 0)
        canvas.scale(-1, 1)
        canvas.setLineWidth(0.3)
        canvas.setFillGray(0.85)
        canvas.drawPath(ring_path(canvas, self.pieces), stroke=1, fill=1, fillMode=0)
        canvas.setLineWidth(SMALLEST_BRIDGE_MM)
        canvas.setStrokeGray(1)
        for each in self.loose:
            canvas.line(*each.bridge[0], *each.bridge[1])
        canvas.restoreState()
        canvas.setLineWidth(0.35)
        canvas.rect(0, 0, *size_mm)


def stencils(given: StencilsInput) -> StencilsOutput:
    """Return the stencils of a drawing, and write them at 1:1.

    Parameters
    ----------
    given : StencilsInput

    Returns
    -------
    StencilsOutput

    Raises
    ------
    CoreError
        A drawing larger than the plate; no picture; one without a colour beside its paper.

    Notes
    -----
    Colours: each moved to the middle of its own ground in L*a*b*, from the commonest on. Order:
    light before dark. A piece of card with opening all round it falls out; its bridge is the
    shortest way to what holds. Source: ``lloyd-1982``, ``marching-squares``, ``room-practice``.
    """
    _check_size(given)
    labels, colours, per_mm = _cut(given)
    folder = made_folder(given.write)
    order = sorted(range(1, len(colours)), key=lambda at: -float(colours[at][0]))
    made, pages = [], []
    for number, at in enumerate(order, start=1):
        inside = _opened(labels == at, per_mm)
        one, page = _stencil(number, inside, colours[at], per_mm, str(folder))
        made.append(one)
        pages.append(page)
    pdf = str(folder / "stencils.pdf")
    sheets = write_pages(pdf, pages, given.size_mm, given.paper, given.about)
    return StencilsOutput(
        stencils=made, files=_files(pdf, sheets, made), warnings=_warnings(made, given),
        text=_words(made),
    )  # fmt: skip


def _files(pdf: str, pages: int, made: list[OneStencil]) -> list[StudyMapFile]:
    masks = [StudyMapFile(path=each.mask, title=f"Stencil {each.number}") for each in made]
    return [StudyMapFile(path=pdf, title="Stencils at 1:1, mirrored", pages=pages), *masks]


def _check_size(given: StencilsInput) -> None:
    if all(a <= b for a, b in zip(given.size_mm, given.plate_mm, strict=True)):
        return
    raise CoreError(
        "stencil-larger-than-plate", "The drawing is larger than the plate: the stencil would open "
        "beyond its edge, and ink would go onto the bed.", field="size_mm",
        value=list(given.size_mm),
        allowed=f"at most {given.plate_mm[0]:g} by {given.plate_mm[1]:g}", unit="mm",
    )  # fmt: skip


def _cut(given: StencilsInput) -> tuple[NDArray[np.uint8], Array, float]:
    """Return which colour each pixel has, 0 the paper, the colours and the grid's step."""
    light = open_reduced(given.image, 2 * _LONG_PX)
    per_mm = _LONG_PX / max(given.size_mm)
    size = tuple(max(2, round(side * per_mm)) for side in given.size_mm)
    flat = cv2.resize(light, (size[0], size[1]), interpolation=cv2.INTER_AREA)
    white = np.percentile(flat.reshape(-1, 3), 99, axis=0)
    lab = lab_from_linear(np.clip(flat / np.maximum(white, 0.02), 0, 1))
    soft = cv2.medianBlur(lab.astype(np.float32), 5)
    inked = np.linalg.norm(soft - [100.0, 0.0, 0.0], axis=-1) > _PAPER_E
    if inked.sum() < _LEAST_MM2 * per_mm**2:
        raise CoreError(
            "one-tone", "Nothing in this drawing stands out from its paper.", field="image",
            allowed="a drawing in flat colours on white",
        )  # fmt: skip
    found = _middles(soft[inked], given.colours)
    colours = np.vstack([[100.0, 0.0, 0.0], found])
    far = np.linalg.norm(soft[:, :, None] - colours, axis=-1)
    labels = np.where(inked, far.argmin(axis=-1), 0).astype(np.uint8)
    px = max(3, 2 * round(given.smooth_mm * per_mm / 2) + 1)
    return np.asarray(cv2.medianBlur(labels, min(px, 31))), colours, per_mm


def _middles(points: Array, count: int) -> Array:
    """Return colours, each the middle of its own ground; the first are the furthest apart."""
    sample = points[:: max(1, len(points) // 20_000)].astype(float)
    starts = [np.median(sample, axis=0)]
    starts[0] = sample[np.linalg.norm(sample - starts[0], axis=1).argmin()]
    while len(starts) < count:
        near = np.min([np.linalg.norm(sample - each, axis=1) for each in starts], axis=0)
        # the far end of the bulk: a stray pixel begins no colour
        far = near >= np.percentile(near, 98)
        if near.max() < 2 * _PAPER_E:
            break
        starts.append(np.median(sample[far], axis=0))
    middles = np.array(starts)
    for _ in range(_ROUNDS):
        own = np.linalg.norm(sample[:, None] - middles, axis=-1).argmin(axis=1)
        moved = np.array([
            sample[own == at].mean(axis=0) if (own == at).any() else middles[at]
            for at in range(len(middles))
        ])  # fmt: skip
        if np.abs(moved - middles).max() < 0.01:
            break
        middles = moved
    return middles


def _opened(mask: Mask, per_mm: float) -> Mask:
    """Return an opening without what is too small to be cut."""
    count, labels, stats, _ = cv2.connectedComponentsWithStats(mask.astype(np.uint8))
    small = [at for at in range(1, count) if stats[at, cv2.CC_STAT_AREA] < _LEAST_MM2 * per_mm**2]
    return mask & ~np.isin(labels, small)


def _stencil(
    number: int, inside: Mask, colour: Array, per_mm: float, folder: str
) -> tuple[OneStencil, _Page]:
    pieces = outlines(inside, per_mm)
    loose = _loose(inside, per_mm)
    count, _, stats, _ = cv2.connectedComponentsWithStats(inside.astype(np.uint8))
    areas = stats[1:, cv2.CC_STAT_AREA] / per_mm**2
    lab = (round(float(colour[0]), 1), round(float(colour[1]), 1), round(float(colour[2]), 1))
    mask = f"{folder}/stencil-{number}.png"
    cv2.imwrite(mask, np.where(inside, 0, 255).astype(np.uint8))
    one = OneStencil(
        number=number, lab=lab, hex=lab_to_hex(lab), open_cm2=round(float(areas.sum()) / 100, 2),
        pieces=count - 1, smallest_mm2=round(float(areas.min(initial=1e6)), 1), loose=loose,
        outline=as_path(pieces), mask=mask,
    )  # fmt: skip
    return one, _Page(f"Stencil {number}, mirrored, 1:1", pieces, loose)


def _loose(inside: Mask, per_mm: float) -> list[Loose]:
    """Return pieces of card that hang on nothing."""
    card = (~inside).astype(np.uint8)
    framed = cv2.copyMakeBorder(card, 1, 1, 1, 1, cv2.BORDER_CONSTANT, value=1)
    count, labels, stats, centres = cv2.connectedComponentsWithStats(framed, connectivity=4)
    frame = labels[0, 0]
    holds = labels == frame
    found = []
    for at in range(1, count):
        if at == frame or stats[at, cv2.CC_STAT_AREA] < 0.5 * per_mm**2:
            continue
        start, end = _shortest(labels == at, holds)
        found.append(Loose(
            x_mm=_mm(centres[at][0], per_mm), y_mm=_mm(centres[at][1], per_mm),
            mm2=round(float(stats[at, cv2.CC_STAT_AREA]) / per_mm**2, 1),
            bridge=((_mm(start[0], per_mm), _mm(start[1], per_mm)),
                    (_mm(end[0], per_mm), _mm(end[1], per_mm))),
        ))  # fmt: skip
    return sorted(found, key=lambda each: -each.mm2)[:60]


def _mm(px: float, per_mm: float) -> float:
    return round((float(px) - 0.5) / per_mm, 1)


def _shortest(piece: Mask, holds: Mask) -> tuple[tuple[int, int], tuple[int, int]]:
    """Return the two nearest pixels of a piece and of what holds."""
    away, nearest = cv2.distanceTransformWithLabels(
        (~holds).astype(np.uint8), cv2.DIST_L2, 5, labelType=cv2.DIST_LABEL_PIXEL
    )
    at = np.where(piece, away, np.inf)
    y, x = np.unravel_index(int(at.argmin()), at.shape)
    ends = np.argwhere(holds & (nearest == nearest[y, x]))
    end = ends[0] if len(ends) else (y, x)
    return (int(x), int(y)), (int(end[1]), int(end[0]))


def _warnings(made: list[OneStencil], given: StencilsInput) -> list[StencilWarning]:
    found = []
    if len(made) < given.colours:
        found.append(StencilWarning(
            code="fewer-colours", stencil=0,
            text=f"Only {len(made)} colours stand apart in this drawing.",
        ))  # fmt: skip
    for each in made:
        if each.loose:
            count = "A piece" if len(each.loose) == 1 else f"{len(each.loose)} pieces"
            found.append(StencilWarning(
                code="loose", stencil=each.number,
                text=f"{count} of stencil {each.number} would fall out: leave the bridges drawn, "
                "or lay it by hand.",
            ))  # fmt: skip
    return found


def _words(made: list[OneStencil]) -> str:
    count = "One stencil" if len(made) == 1 else f"{len(made)} stencils"
    return f"{count}, light before dark: each over the one before while that is dry or thin."
