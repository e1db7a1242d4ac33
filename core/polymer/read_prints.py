"""Read the print of a two-way test or of a step chart off its scan."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.image.shapes import ImagePath
from core.polymer.chart_cells import (
    cells_of_chart,
    cells_of_test,
    read_steps,
    read_test,
)
from core.polymer.correction_shapes import ChartStep
from core.polymer.pair_shapes import PairPatch
from core.polymer.shapes import ExposureSeconds
from core.progress import Tell, untold
from core.reading.read_chart import ChartCell, ReadChartInput, ReadChartOutput, read_chart
from core.reading.shapes import Corners
from core.schema import Shape
from core.study.shapes import Mm

Times = Annotated[list[ExposureSeconds], Field(min_length=2, max_length=7)]


class ReadTestInput(Shape):
    """A scan of a printed two-way test, and the times of its strips."""

    image: ImagePath
    screen_seconds: Times
    """From the plate's top, which is the print's."""
    image_seconds: Times
    """From the plate's left, which is the print's right."""
    width_mm: Mm
    height_mm: Mm
    corners_px: Corners | None = None


class ReadTestOutput(ReadChartOutput):
    """A test as it was read, patch by patch from the print's top left."""

    patches: list[PairPatch]


class ReadStepsInput(Shape):
    """A scan of a printed step chart, and how many steps it has."""

    image: ImagePath
    steps: Annotated[int, Field(ge=11, le=256)]
    width_mm: Mm
    height_mm: Mm
    corners_px: Corners | None = None


class ReadStepsOutput(ReadChartOutput):
    """A step chart as it was read, the lightest step first."""

    steps: list[ChartStep]


def read_test_print(given: ReadTestInput, tell: Tell = untold) -> ReadTestOutput:
    """Return the patches of a test off a scan of its print.

    Parameters
    ----------
    given : ReadTestInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadTestOutput

    Raises
    ------
    CoreError
        As ``read_chart``.

    Notes
    -----
    The print is the plate's mirror. A scan that some program flipped cannot be told from one that
    lies upside down. Source: ``cie-15``.
    """
    found = _read(given.image, cells_of_test(given), given, tell)
    return ReadTestOutput(**found.model_dump(), patches=read_test(given, found.cells))


def read_steps_print(given: ReadStepsInput, tell: Tell = untold) -> ReadStepsOutput:
    """Return the steps of a chart off a scan of its print.

    Parameters
    ----------
    given : ReadStepsInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadStepsOutput

    Raises
    ------
    CoreError
        As ``read_chart``.

    Notes
    -----
    Source: ``cie-15``.
    """
    cells = cells_of_chart(given.steps, given.width_mm, given.height_mm)
    found = _read(given.image, cells, given, tell)
    return ReadStepsOutput(**found.model_dump(), steps=read_steps(found.cells))


def _read(
    image: str, cells: list[ChartCell], given: ReadTestInput | ReadStepsInput, tell: Tell
) -> ReadChartOutput:
    return read_chart(
        ReadChartInput(
            image=image, cells=cells, ratio=given.width_mm / given.height_mm,
            corners_px=given.corners_px,
        ),
        tell,
    )  # fmt: skip
