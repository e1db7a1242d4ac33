"""Readings as tables of text: what a densitometer writes, and what it is given."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.kinetics.shapes import Seconds
from core.reading.shapes import ReadWarning
from core.schema import Shape
from core.tone.shapes import Lightness

MOST_ROWS = 400

Text = Annotated[str, Field(max_length=900_000)]
Spread = Annotated[float, Field(ge=0, le=50, json_schema_extra={"unit": "L*"})]


class Reading(Shape):
    """One reading of a table."""

    name: Annotated[str, Field(max_length=120)] = ""
    lstar: Lightness
    spread: Spread | None = None
    seconds: Seconds | None = None
    """In the bath in all, where the table says so."""


class ReadTableInput(Shape):
    """The text of a CSV, or of a CGATS file from a densitometer."""

    text: Text
    paper_lstar: Annotated[float, Field(ge=50, le=105, json_schema_extra={"unit": "L*"})] | None = (
        None
    )
    """What the bare sheet read on the same instrument; null: a row named paper, else 100."""


class ReadTableOutput(Shape):
    """The readings of a table in its own order, the bare sheet 100."""

    form: Literal["csv", "cgats"]
    readings: list[Reading]
    paper_lstar: float
    warnings: list[ReadWarning]


class WriteTableInput(Shape):
    """Readings, and the form they are wanted in."""

    readings: Annotated[list[Reading], Field(min_length=1, max_length=MOST_ROWS)]
    form: Literal["csv", "cgats"]
    title: Annotated[str, Field(max_length=120)] = "readings"


class WriteTableOutput(Shape):
    """The text of a file."""

    text: str
    name: str
