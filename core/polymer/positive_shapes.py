"""A positive: the picture as a film that prints its greys on the plate."""

from __future__ import annotations

from itertools import pairwise
from typing import Annotated, Literal

from pydantic import Field, field_validator, model_validator

from core.image.shapes import ImagePath
from core.polymer.shapes import FilmShare
from core.schema import Shape
from core.study.shapes import Folder, Mm
from core.tone.shapes import Lightness

Form = Literal["png", "tiff", "pdf"]
Share = Annotated[float, Field(ge=0, le=1)]


class Crop(Shape):
    """The part of a picture that is used, as shares of its width and height."""

    left: Share = 0.0
    top: Share = 0.0
    width: Annotated[float, Field(ge=0.01, le=1)] = 1.0
    height: Annotated[float, Field(ge=0.01, le=1)] = 1.0

    @model_validator(mode="after")
    def _within(self) -> Crop:
        for start, size in (("left", "width"), ("top", "height")):
            if getattr(self, start) + getattr(self, size) > 1 + 1e-9:
                raise ValueError(f"{size} reaches beyond the picture: {start} + {size} over 1")
        return self


class Levels(Shape):
    """Which lightness of the picture prints as the darkest and the lightest, and its middle."""

    black_lstar: Lightness = 0.0
    white_lstar: Lightness = 100.0
    middle: Annotated[float, Field(ge=0.3, le=3)] = 1.0
    """Over 1 the middle prints darker, under 1 lighter."""

    @model_validator(mode="after")
    def _apart(self) -> Levels:
        if self.white_lstar - self.black_lstar < 5:
            raise ValueError("white_lstar must be at least 5 L* above black_lstar")
        return self


class Correction(Shape):
    """A correction curve, as ``correction-curve`` gives it."""

    lightest_lstar: Lightness
    darkest_lstar: Lightness
    film: Annotated[list[FilmShare], Field(min_length=256, max_length=256)]

    @field_validator("film")
    @classmethod
    def _falls(cls, film: list[float]) -> list[float]:
        if any(after > before + 1e-9 for before, after in pairwise(film)):
            raise ValueError("film must never rise: the lightest has the least black")
        return film


class PositiveInput(Shape):
    """A picture, the plate it fills, its correction, and the film it is made for."""

    image: ImagePath
    width_mm: Mm
    height_mm: Mm
    dpi: Annotated[float, Field(ge=72, le=2880, json_schema_extra={"unit": "dpi"})] = 720
    crop: Crop = Crop()
    fit: Literal["fill", "whole"] = "fill"
    """``fill``: cut to the plate's proportions; ``whole``: all of it, white about it."""
    levels: Levels = Levels()
    sharpen: Annotated[float, Field(ge=0, le=3)] = 0.0
    correction: Correction | None = None
    """None: the film as drawn, black for black."""
    printed_side: Literal["to-plate", "away"] = "to-plate"
    """Of the film on the plate; ``away`` puts the film's thickness between ink and polymer."""
    most_black: Annotated[float, Field(ge=0.3, le=1)] = 1.0
    """Ink share at which the film is as black as it gets."""
    film_density: Annotated[float, Field(ge=0.1, le=6, json_schema_extra={"unit": "D"})] | None = (
        None
    )
    """Measured on its solid black, over clear film."""
    forms: Annotated[list[Form], Field(min_length=1, max_length=3)] = ["tiff"]
    write: Folder


class PositiveWarning(Shape):
    """Something to know before the film is printed."""

    code: Literal[
        "too-coarse", "turned-tones", "alpha", "banding", "ink-limit", "thin-black", "clipped",
        "one-grey",
    ]  # fmt: skip
    text: str


class PositiveFile(Shape):
    """A file of the film."""

    form: Form
    path: str


class Preview(Shape):
    """A small picture: as drawn, as it prints without and with the correction, the film as it
    lies on the plate, seen from above; the first three the right way round."""

    name: Literal["drawn", "without", "with", "film"]
    path: str


class PositiveOutput(Shape):
    """The film as it was written."""

    files: list[PositiveFile]
    previews: list[Preview]
    width_px: int
    height_px: int
    picture_dpi: float
    """Of the picture on the plate."""
    mirrored: bool
    """The file, against the print."""
    lie: str
    """How the film lies."""
    black_share: float
    """Mean black of the film."""
    off_without_lstar: float | None
    """RMS over the picture of how far it would print from what is drawn, without the curve; None
    where there is no curve: how the plate prints is not known."""
    warnings: list[PositiveWarning]
