"""A step chart as a film: its steps of black, once for a curve or in every patch of a test."""

from __future__ import annotations

import math
from itertools import pairwise
from typing import Annotated, Literal

import numpy as np
from pydantic import Field, model_validator

from core.errors import CoreError
from core.polymer.film_files import Film, write_film
from core.polymer.positive import MOST_FILM_PX
from core.polymer.positive_shapes import Form, PositiveFile
from core.polymer.shapes import FilmShare
from core.schema import Shape
from core.study.shapes import Folder, Mm
from core.units import MM_PER_INCH

_MOST_IN_A_ROW = 32
_LEAST_STEP_PX, _LEAST_STEP_MM = 4, 1.5
_TOP = 65_535


class StepChartInput(Shape):
    """How many steps, on which plate, once or in each patch of a two-way test."""

    steps: Annotated[int, Field(ge=11, le=256)] = 21
    films: Annotated[list[FilmShare], Field(min_length=2, max_length=256)] | None = None
    """Their shares of black, from the left; None: evenly from clear to solid."""
    across: Annotated[int, Field(ge=1, le=10)] = 1
    """Patches of a test that each hold the whole chart."""
    down: Annotated[int, Field(ge=1, le=10)] = 1
    width_mm: Mm
    height_mm: Mm
    dpi: Annotated[float, Field(ge=72, le=2880, json_schema_extra={"unit": "dpi"})] = 720
    printed_side: Literal["to-plate", "away"] = "to-plate"
    most_black: Annotated[float, Field(ge=0.3, le=1)] = 1.0
    forms: Annotated[list[Form], Field(min_length=1, max_length=3)] = ["tiff"]
    write: Folder

    @model_validator(mode="after")
    def _rising(self) -> StepChartInput:
        films = self.films or []
        if any(after <= before for before, after in pairwise(films)):
            raise ValueError("films must rise, from clear to solid")
        return self


class ChartPlace(Shape):
    """Where a step lies on the print, from its top left corner."""

    film: float
    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float


class StepChartOutput(Shape):
    """A chart as it was written."""

    files: list[PositiveFile]
    films: list[float]
    columns: int
    rows: int
    """Of one chart; its steps run row by row."""
    places: list[ChartPlace]
    """Of the first chart, at the top left."""
    width_px: int
    height_px: int
    mirrored: bool


def step_chart(given: StepChartInput) -> StepChartOutput:
    """Return a chart of even steps of black, written as a film.

    Parameters
    ----------
    given : StepChartInput
        Steps, plate [mm], resolution [dpi].

    Returns
    -------
    StepChartOutput

    Raises
    ------
    CoreError
        ``too-small``: steps of under 1.5 mm or 4 px; ``too-many-pixels``; ``cannot-write``.

    Notes
    -----
    Each step lies on whole pixels and differs from its neighbours by whole values of 16 bits, so
    that what is read of it is its own. As for ``positive``, the file is mirrored where the printed
    side lies away from the plate.
    """
    films = given.films or [k / (given.steps - 1) for k in range(given.steps)]
    cell_mm = given.width_mm / given.across, given.height_mm / given.down
    columns, rows = laid_out(len(films), cell_mm)
    size = _size_px(given)
    _check(given, (cell_mm[0] / columns, cell_mm[1] / rows))
    film = _drawn(np.array(films) * given.most_black, (columns, rows), given, size)
    film = film[:, ::-1] if given.printed_side == "away" else film
    files = write_film(
        film, given.dpi, given.forms, given.write, (given.width_mm, given.height_mm),
        f"Step chart, {len(films)} steps.",
    )  # fmt: skip
    return StepChartOutput(
        files=files, films=[round(each, 5) for each in films], columns=columns, rows=rows,
        places=[_place(k, films[k], columns, rows, cell_mm) for k in range(len(films))],
        width_px=size[0], height_px=size[1], mirrored=given.printed_side == "away",
    )  # fmt: skip


def laid_out(count: int, cell_mm: tuple[float, float]) -> tuple[int, int]:
    """Return columns and rows of a chart: one row while it can be read as one.

    Parameters
    ----------
    count : int
        Steps.
    cell_mm : (float, float)
        Width and height of the whole chart.

    Returns
    -------
    (int, int)
    """
    if count <= _MOST_IN_A_ROW:
        return count, 1
    rows = max(1, round(math.sqrt(count * cell_mm[1] / cell_mm[0])))
    return math.ceil(count / rows), math.ceil(count / math.ceil(count / rows))


def _size_px(given: StepChartInput) -> tuple[int, int]:
    wide, high = (round(x / MM_PER_INCH * given.dpi) for x in (given.width_mm, given.height_mm))
    if wide * high > MOST_FILM_PX:
        most = int(given.dpi * (MOST_FILM_PX / wide / high) ** 0.5)
        raise CoreError(
            "too-many-pixels", f"A chart of {wide} × {high} px is too large.", field="dpi",
            value=given.dpi, allowed=f"at most {most}", unit="dpi",
        )  # fmt: skip
    return wide, high


def _check(given: StepChartInput, step_mm: tuple[float, float]) -> None:
    least = max(_LEAST_STEP_MM, _LEAST_STEP_PX * MM_PER_INCH / given.dpi)
    for name, side in zip(("width_mm", "height_mm"), step_mm, strict=True):
        if side < least:
            raise CoreError(
                "too-small", f"A step would be only {side:.1f} mm: too small to be read. Take a "
                "larger piece or fewer steps.", field=name, value=getattr(given, name),
                allowed=f"at least {math.ceil(getattr(given, name) * least / side)}", unit="mm",
            )  # fmt: skip


def _drawn(
    black: np.ndarray, laid: tuple[int, int], given: StepChartInput, size: tuple[int, int]
) -> Film:
    """Return the film: rows and columns of pixels each know their step."""
    columns, rows = laid
    across = np.arange(size[0]) * given.across * columns // size[0] % columns
    down = np.arange(size[1]) * given.down * rows // size[1] % rows
    step = down[:, None] * columns + across[None, :]
    values = np.full(columns * rows, _TOP, dtype=np.uint16)
    values[: len(black)] = np.rint((1 - black) * _TOP)
    return values[step]


def _place(
    step: int, film: float, columns: int, rows: int, cell_mm: tuple[float, float]
) -> ChartPlace:
    wide, high = cell_mm[0] / columns, cell_mm[1] / rows
    return ChartPlace(
        film=round(film, 5), left_mm=round(step % columns * wide, 3),
        top_mm=round(step // columns * high, 3), width_mm=round(wide, 3),
        height_mm=round(high, 3),
    )  # fmt: skip
