"""What plates of one print share: sizes, inks, how one lies on another."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.schema import Shape
from core.study.shapes import Mm

MOST_PLATES = 6
PlateName = Annotated[str, Field(min_length=1, max_length=80)]
Colour = Annotated[
    tuple[
        Annotated[float, Field(ge=0, le=105)], Annotated[float, Field(ge=-128, le=128)],
        Annotated[float, Field(ge=-128, le=128)],
    ], Field(json_schema_extra={"unit": "L*a*b*"}),
]  # fmt: skip
"""L*, a*, b* of the ink printed solid; paper is 100, 0, 0."""
Lets = Annotated[float, Field(ge=0, le=1)]
"""Share of the light from below that a film lets through."""
Across = Annotated[float, Field(ge=-50, le=50, json_schema_extra={"unit": "mm"})]
Turn = Annotated[float, Field(ge=-10, le=10, json_schema_extra={"unit": "°"})]
Growth = Annotated[float, Field(ge=-0.05, le=0.05)]
SizeMm = tuple[Mm, Mm]


class Lying(Shape):
    """How a plate's print lies against the key's, about the middle of the print."""

    right_mm: Across = 0.0
    down_mm: Across = 0.0
    clockwise_deg: Turn = 0.0
    wider: Growth = 0.0
    """Share by which it is wider than the key's; below zero narrower."""
    higher: Growth = 0.0


class Film(Shape):
    """A plate's ink."""

    name: PlateName
    ink_lab: Colour
    lets_through: Lets = 0.2
    lies: Lying = Lying()
