"""Read every cell of a printed chart off its scan: a two-way test, a step chart in rows."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from pydantic import Field

from core.image.shapes import ImagePath
from core.progress import Tell, untold
from core.reading.doubts import SPLASHED_SHARE, TEXTS
from core.reading.laid_scan import LaidScan, laid_scan
from core.reading.measure import INSET, blocks_over, tone_of
from core.reading.scan import Light, seen_through
from core.reading.shapes import Corners, ReadWarning
from core.schema import Shape
from core.tone.lightness import reflectance_from_lightness
from core.tone.shapes import Lightness

MOST_CELLS = 256
_EXPECTED_PX = 420
"""Long side of what the chart should print, as it is laid over the scan."""

_MARGIN = 0.05

Share = Annotated[float, Field(ge=0, le=1)]


class ChartCell(Shape):
    """A cell of a chart as it prints, in shares of the plate from the print's top left."""

    left: Share
    top: Share
    width: Annotated[float, Field(gt=0, le=1)]
    height: Annotated[float, Field(gt=0, le=1)]
    expected_lstar: Lightness


class ReadChartInput(Shape):
    """A scan of a printed chart, and where its cells lie."""

    image: ImagePath
    cells: Annotated[list[ChartCell], Field(min_length=2, max_length=MOST_CELLS)]
    ratio: Annotated[float, Field(ge=0.05, le=20)]
    """Width over height of the plate."""
    corners_px: Corners | None = None
    """Of the plate mark; null: it is looked for."""


class ReadCell(Shape):
    """A cell as it was read."""

    lstar: float
    spread: float
    """Of blocks [L*]."""
    doubt: float
    """Standard deviation of the tone itself [L*]."""
    corners_px: list[tuple[float, float]]
    warnings: list[ReadWarning]


class ReadChartOutput(Shape):
    """The cells of a chart in the order they were asked for."""

    cells: list[ReadCell]
    mark_px: list[tuple[float, float]]
    """Corners of the plate in the scan, clockwise from the top left of the print."""
    turned: int
    likeness: float
    paper_spread: float
    warnings: list[ReadWarning]


def read_chart(given: ReadChartInput, tell: Tell = untold) -> ReadChartOutput:
    """Return the tone of each cell of a chart.

    Parameters
    ----------
    given : ReadChartInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadChartOutput
        Tones [L*], the bare sheet outside the plate mark 100.

    Raises
    ------
    CoreError
        No picture, no plate mark, no bare sheet; a mirrored scan, or another chart's.

    Notes
    -----
    Source: ``cie-15``, ``evangelidis-2008``.
    """
    seen = laid_scan(given.image, given.corners_px, _expected(given), tell, _MARGIN)
    return ReadChartOutput(
        cells=[_read(seen, cell) for cell in given.cells],
        mark_px=seen.in_scan(seen.mark),
        turned=seen.laid.turned,
        likeness=round(seen.laid.likeness, 3),
        paper_spread=seen.paper_spread,
        warnings=seen.warnings(),
    )


def _expected(given: ReadChartInput) -> Light:
    """Return the light that each point of the chart should print."""
    wide = round(_EXPECTED_PX * min(1.0, given.ratio))
    high = round(_EXPECTED_PX * min(1.0, 1 / given.ratio))
    light = np.full((max(8, high), max(8, wide)), float(reflectance_from_lightness(92.0)))
    for cell in given.cells:
        rows, columns = (
            slice(round(at * side), round((at + size) * side))
            for at, size, side in (
                (cell.top, cell.height, light.shape[0]), (cell.left, cell.width, light.shape[1])
            )
        )  # fmt: skip
        light[rows, columns] = float(reflectance_from_lightness(cell.expected_lstar))
    return np.asarray(light, dtype=np.float32)


def _read(seen: LaidScan, cell: ChartCell) -> ReadCell:
    right, low = cell.left + cell.width, cell.top + cell.height
    across, down = INSET * cell.width, INSET * cell.height
    box = (cell.left + across, right - across, cell.top + down, low - down)
    tone = tone_of(blocks_over(seen.scan.light, seen.white, seen.laid.warp, box))
    uneven = tone.off > SPLASHED_SHARE
    corners = np.array([[cell.left, cell.top], [right, cell.top], [right, low], [cell.left, low]])
    return ReadCell(
        lstar=round(min(105.0, tone.lstar), 2), spread=round(tone.spread, 2),
        doubt=round(tone.doubt, 2),
        corners_px=seen.in_scan(seen_through(corners, seen.laid.warp)),
        warnings=[ReadWarning(code="uneven", text=TEXTS["uneven"])] if uneven else [],
    )  # fmt: skip
