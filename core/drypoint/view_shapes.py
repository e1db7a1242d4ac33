"""Inputs and outputs of what is seen on a scratched plate, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.drypoint.missed_shapes import CountedField, MissedLinesOutput, UnderPlate
from core.image.shapes import ImagePath
from core.schema import Shape

MOST_PHOTOGRAPHS = 6
ViewCode = Literal["glare", "glare-everywhere", "nothing-in-it", "blurred", "few-scratches"]


class ScratchViewInput(Shape):
    """Photographs of one scratched plate, lit from different sides, and where to write its view."""

    images: Annotated[list[ImagePath], Field(min_length=1, max_length=MOST_PHOTOGRAPHS)]
    """Clear plastic on black, from one place: two at least."""
    inked: bool = False
    """The plate has ink rubbed into its marks: dark on bright, one photograph is enough."""
    under: UnderPlate | None = None
    """Also count fields, and tell which lines of the drawing are not scratched yet."""
    write: Annotated[str, Field(min_length=1, max_length=4000)]


class ViewWarning(Shape):
    """Something to know of a photograph; ``image`` its place among those given, from 1."""

    code: ViewCode
    image: int | None
    text: str


class SeenPhotograph(Shape):
    """How one photograph lay on the first, and what it brought."""

    moved_px: float
    turned_deg: float
    own_share: float
    """Of all scratches: those that only this one shows."""
    seen_share: float
    """Of all scratches: those that it shows."""
    glare_share: float
    """Of the photograph: where the lamp is mirrored and nothing can be seen."""


class ScratchViewOutput(Shape):
    """A scratched plate as it will print: scratches dark on white, mirrored."""

    path: str
    scratched_share: float
    width_px: int
    height_px: int
    photographs: list[SeenPhotograph]
    warnings: list[ViewWarning]
    fields: list[CountedField] = []
    missed: MissedLinesOutput | None = None
    """None where no drawing was given, or it could not be laid on the scratches."""
    missed_fault: str = ""
    """Why it could not."""
    text: str
