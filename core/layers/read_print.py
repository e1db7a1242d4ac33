"""A scan of a print from several plates → where each lies, and which is to blame."""

from __future__ import annotations

from typing import Annotated

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from core.image.shapes import ImagePath
from core.layers.overprint import (
    OverprintInput,
    OverprintPlate,
    coverage_on,
    made_folder,
    overprint,
    stacked,
    write_light,
)
from core.layers.plate_to_blame import (
    BlamePlate,
    PlateToBlameInput,
    PlateToBlameOutput,
    PrintArea,
    plate_to_blame,
)
from core.layers.print_areas import InkArea, print_areas
from core.layers.print_scan import PrintScan, open_print
from core.layers.read_crosses import (
    CrossAt,
    CrossesWarning,
    InkCrosses,
    ReadCrossesInput,
    crosses_in,
)
from core.layers.register_plates import PlateCrosses, fitted
from core.layers.shapes import MOST_PLATES, Lying, PlateName, SizeMm
from core.progress import Tell, part_of, untold
from core.schema import Shape
from core.study.shapes import Folder
from core.tone.colour import lab_from_linear

Array = NDArray[np.float64]
_PER_MM = 4.0
_SEEN_PX = 1600
_BLOCK_MM = 1.5
_LEAST_BLOCKS = 3
_BARE, _APART_MM, _LEAST_BARE, _MOST_FILM = 0.005, 1.6, 200, 0.8
"""What counts as bare, so far from any ink, from how many pixels it is believed; no film is darker.
``room-practice``"""


class PrintPlate(OverprintPlate):
    """A plate with its picture and its crosses."""

    crosses: Annotated[list[CrossAt], Field(max_length=12)] = []


class ReadPrintInput(Shape):
    """A scan of a print, and the plates it was printed from, in order."""

    image: ImagePath
    plates: Annotated[list[PrintPlate], Field(min_length=1, max_length=MOST_PLATES)]
    key: PlateName
    size_mm: SizeMm
    arm_mm: Annotated[float, Field(ge=1, le=20, json_schema_extra={"unit": "mm"})] = 3.0
    corners_px: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)] | None = (
        None
    )
    write: Folder

    @model_validator(mode="after")
    def _the_key(self) -> ReadPrintInput:
        names = [each.name for each in self.plates]
        if len(set(names)) < len(names) or self.key not in names:
            raise ValueError("plates names each plate once, the key among them")
        return self


class ReadPrintOutput(Shape):
    """What a print shows."""

    judged: PlateToBlameOutput
    path: str
    """The preview it was held against."""
    straight: str
    """The scan laid straight, the paper white."""
    shares: list[float]
    """Of each area, of the print."""
    crosses: list[PlateCrosses]
    warnings: list[CrossesWarning]
    corners_px: list[tuple[float, float]]
    px_per_mm: float


def read_print(given: ReadPrintInput, tell: Tell = untold) -> ReadPrintOutput:
    """Return what a scan of a print shows: offsets, colours by area, the plate to blame.

    Parameters
    ----------
    given : ReadPrintInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadPrintOutput

    Raises
    ------
    CoreError
        A picture that cannot be read, no plate mark, no bare sheet, a mirrored scan, another
        print; too coarse for crosses; no area that any plate prints.
    """
    folder = made_folder(given.write)
    made = overprint(
        OverprintInput(plates=given.plates, size_mm=given.size_mm, write=str(folder)),
        part_of(tell, 0.0, 0.2),
    )
    corners = given.corners_px
    seen = open_print(given.image, made.path, given.size_mm, corners, part_of(tell, 0.2, 0.7))
    crosses, warnings = _crosses(seen, given, made.path)
    tell(0.8)
    judged, shares = _judge(seen, given, crosses)
    straight = seen.whole(min(12.0, _SEEN_PX / max(given.size_mm)))
    return ReadPrintOutput(
        judged=judged, path=made.path, shares=shares, crosses=crosses, warnings=warnings,
        straight=write_light(folder / "straight.png", straight),
        corners_px=seen.laid.in_scan(seen.laid.mark), px_per_mm=round(seen.px_per_mm, 2),
    )  # fmt: skip


def _crosses(
    seen: PrintScan, given: ReadPrintInput, preview: str
) -> tuple[list[PlateCrosses], list[CrossesWarning]]:
    marked = [each for each in given.plates if each.crosses]
    if len(marked) < 2 or given.key not in {each.name for each in marked}:
        return [], []
    asked = ReadCrossesInput(
        image=given.image, preview=preview, size_mm=given.size_mm, key=given.key,
        arm_mm=given.arm_mm, plates=[
            InkCrosses(name=each.name, ink_lab=each.ink_lab, crosses=each.crosses)
            for each in marked
        ],
    )  # fmt: skip
    found = crosses_in(seen, asked, untold)
    return found.plates, found.warnings


def _judge(
    seen: PrintScan, given: ReadPrintInput, crosses: list[PlateCrosses]
) -> tuple[PlateToBlameOutput, list[float]]:
    """Compare each area with the plates laid as they really lie, not as they should."""
    lying = {each.name: _lying(each, given.size_mm) for each in crosses}
    plates = [
        each.model_copy(update={"lies": lying.get(each.name, each.lies)}) for each in given.plates
    ]
    covers = [coverage_on(each, given.size_mm, _PER_MM) for each in plates]
    areas = print_areas([each.name for each in plates], covers, _PER_MM)
    whole = seen.whole(_PER_MM)
    light = stacked(list(plates), covers) * _film(whole, covers)
    read = [(each, _read(whole, each)) for each in areas]
    kept = [(each, told) for each, told in read if told is not None]
    if not kept:
        # nothing lies apart enough to be read: the print is judged as one
        kept = [(InkArea("the print", np.ones(covers[0].shape, dtype=bool), 1.0),
                 (lab_from_linear(whole.mean(axis=(0, 1))), 1.0))]  # fmt: skip
    judged = plate_to_blame(PlateToBlameInput(
        plates=[
            BlamePlate(
                name=each.name, ink_lab=each.ink_lab, lets_through=each.lets_through,
                covers=[float(np.clip(own[area.inside].mean(), 0, 1)) for area, _ in kept],
            )
            for each, own in zip(plates, covers, strict=True)
        ],
        areas=[
            PrintArea(
                name=area.name, seen_lab=_lab(colour), spread=spread,
                meant_lab=_lab(lab_from_linear(light[area.inside].mean(axis=0))),
            )
            for area, (colour, spread) in kept
        ],
        key=given.key, size_mm=given.size_mm, crosses=crosses,
    ))  # fmt: skip
    return judged, [area.share for area, _ in kept]


def _film(whole: Array, covers: list[Array]) -> Array:
    """Return the light of the breath of ink that wiping leaves where no plate prints."""
    px = max(3, round(_APART_MM * _PER_MM))
    # gaps between grains are no bare ground: a scan's blur brings their neighbours' ink into them
    bare = np.max([cv2.blur(each, (px, px)) for each in covers], axis=0) < _BARE
    if bare.sum() < _LEAST_BARE:
        return np.ones(3)
    return np.clip(np.median(whole[bare], axis=0), _MOST_FILM, 1.0)


def _lab(colour: Array) -> tuple[float, float, float]:
    low, high = [0.0, -128.0, -128.0], [105.0, 128.0, 128.0]
    held = np.clip(colour, low, high)
    return float(held[0]), float(held[1]), float(held[2])


def _lying(plate: PlateCrosses, size_mm: SizeMm) -> Lying:
    """Return how a plate lies, without the roundings of what is told."""
    places = np.array([[c.x_mm, c.y_mm] for c in plate.crosses]) - np.asarray(size_mm) / 2
    off = np.array([[c.right_mm, c.down_mm] for c in plate.crosses])
    spread = np.array([c.spread_mm for c in plate.crosses])
    (right, down, turn, wider, higher), _ = fitted(places, off, spread)
    return Lying(
        right_mm=float(np.clip(right, -50, 50)), down_mm=float(np.clip(down, -50, 50)),
        clockwise_deg=float(np.clip(np.degrees(turn), -10, 10)),
        wider=float(np.clip(wider, -0.05, 0.05)), higher=float(np.clip(higher, -0.05, 0.05)),
    )  # fmt: skip


def _read(whole: Array, area: InkArea) -> tuple[Array, float] | None:
    """Return the colour of an area and the doubt of its L*; None where too little is left."""
    px = max(1, round(_BLOCK_MM * _PER_MM))
    weight = cv2.boxFilter(area.inside.astype(float), -1, (px, px), normalize=True)[::px, ::px]
    blocks = [
        cv2.boxFilter(whole[..., each] * area.inside, -1, (px, px), normalize=True)[::px, ::px]
        for each in range(3)
    ]
    use = weight > 0.5
    if use.sum() < _LEAST_BLOCKS:
        return None
    light = np.stack(blocks, axis=-1)[use] / weight[use][:, None]
    lstar = lab_from_linear(light)[:, 0]
    doubt = float(lstar.std()) / max(1.0, float(use.sum())) ** 0.5
    return lab_from_linear(light.mean(axis=0)), float(np.clip(doubt, 0.3, 20.0))
