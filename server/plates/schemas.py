"""Shapes of the rack and of a plate."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field, model_validator

from core.data.plastics import PlasticKey
from core.data.routes import Route as OneRoute

Metal = Literal["copper", "zinc", "plastic", "polymer"]
Route = OneRoute | Literal["mixed"]
Place = Literal[
    "resting", "drawing", "ground", "rosin", "exposing", "drying", "bath", "proof", "edition"
]
Name = Annotated[str, Field(min_length=1, max_length=120)]
Thickness = Annotated[float, Field(ge=0.1, le=10, json_schema_extra={"unit": "mm"})]
Side = Annotated[float, Field(ge=10, le=2500, json_schema_extra={"unit": "mm"})]


class PlateFacts(Schema):
    """Facts of a plate that matter later."""

    face_marked: bool = False
    back: Literal["bare", "pre-coated", "filmed", "varnished"] | None = None
    trimmed_again: bool = False
    plastic: PlasticKey | None = None
    """Which plastic, of a plate of plastic; null where nobody named it."""
    history_unknown: bool = False
    """An old plate: registered with a proof before anything else."""


class PlateIn(Schema):
    """A new plate."""

    id: UUID
    name: Name
    metal: Metal
    route: Route
    thickness_mm: Thickness
    width_mm: Side
    height_mm: Side
    work: UUID | None = None
    routes: Annotated[list[OneRoute], Field(max_length=4)] = []
    """For a mixed plate; empty: its one route, or lines and tone where it is mixed."""
    facts: PlateFacts = PlateFacts()

    @model_validator(mode="after")
    def _of_plastic(self) -> PlateIn:
        if self.facts.plastic and self.metal != "plastic":
            raise ValueError(f"a plate of {self.metal} has no plastic")
        return self


class PlateChange(Schema):
    """A change of a plate's facts, decided on its ``version``."""

    version: int
    name: Name | None = None
    place: Place | None = None
    place_note: Annotated[str, Field(max_length=120)] | None = None
    put_away: bool | None = None
    ok_to_print: bool | None = None
    facts: PlateFacts | None = None
    width_mm: Side | None = None
    height_mm: Side | None = None
    thickness_mm: Thickness | None = None
    metal: Metal | None = None
    route: Route | None = None
    routes: Annotated[list[OneRoute], Field(max_length=4)] | None = None
    """With ``route``; empty: its one route."""
    study: UUID | None = None
    """The value study or drawing: a stored picture."""
