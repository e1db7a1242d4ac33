"""Inputs and outputs of what is measured on pictures, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.schema import Shape

ImagePath = Annotated[str, Field(min_length=1, max_length=4000)]
UmPerPixel = Annotated[float, Field(ge=0.2, le=200, json_schema_extra={"unit": "µm"})]
Verdict = Literal["too thin", "thin", "good", "full", "too full"]


class DustCoverageInput(Shape):
    """A close photograph of a dusted plate, and how much of it one pixel shows."""

    image: ImagePath
    um_per_pixel: UmPerPixel


class CoveragePatch(Shape):
    """One patch of the photograph; ``x`` and ``y`` are shares of its width and height."""

    x: float
    y: float
    width: float
    height: float
    covered: float
    verdict: Verdict


class DustCoverageOutput(Shape):
    """How much of the plate the dust covers, how fine it is, and what to do."""

    covered: float
    covered_spread: float
    """One standard deviation: of the outline of the grains, and from patch to patch."""
    grains_per_mm2: float
    median_grain_um: float
    verdict: Verdict
    reasons: list[str]
    grains_are: Literal["lighter", "darker"]
    patches: list[CoveragePatch]
    """A map of thin and crowded patches, row by row from the top left."""
    tables: str
