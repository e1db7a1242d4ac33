"""Shapes of how a plate is printed."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.paper import DryWay

WipePass = Annotated[str, Field(min_length=1, max_length=120)]
Margin = Annotated[float, Field(ge=0, le=500, json_schema_extra={"unit": "mm"})]


class PrintingDecided(Schema):
    """How a plate is printed: paper, ink, press, the order of wiping, how it dries."""

    paper: UUID | None = None
    ink: UUID | None = None
    press: UUID | None = None
    wipes: Annotated[list[WipePass], Field(max_length=8)] = []
    """In order: gauze, paper, hand with chalk …"""
    margin_mm: Margin = 60.0
    lift_mm: Annotated[float, Field(ge=0, le=200, json_schema_extra={"unit": "mm"})] = 0.0
    """By how much the plate lies above the middle of its paper."""
    depth_um: Annotated[float, Field(ge=1, le=500, json_schema_extra={"unit": "µm"})] = 50.0
    """Of its lines, for the ink they hold."""
    drying: DryWay = "blotters"


class PrintingIn(PrintingDecided):
    """How a plate is printed, decided on a ``version``; 0 for the first."""

    version: Annotated[int, Field(ge=0)]
