"""Inputs and outputs of a bath's forecast of heat, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.kinetics.shapes import BathCelsius, Load, MordantKey, MordantNumbers
from core.schema import Shape

RoomCelsius = Annotated[float, Field(ge=-10, le=50, json_schema_extra={"unit": "°C"})]
Minutes = Annotated[float, Field(ge=1, le=1440, json_schema_extra={"unit": "min"})]
Litres = Annotated[float, Field(ge=0.01, le=2000, json_schema_extra={"unit": "L"})]


class BathHeatInput(Shape):
    """A bath, what stands round it, and how much metal is open in it."""

    mordant: MordantKey
    temperature_c: BathCelsius
    volume_l: Litres
    room_c: RoomCelsius
    vessel: Literal["tray", "tank", "bottle"] = "tray"
    jacket_c: BathCelsius | None = None
    """Of the water the tray stands in; None: it stands in the room's air."""
    load_g_per_l: Load = 0.0
    open_cm2: Annotated[float, Field(ge=0, le=20_000, json_schema_extra={"unit": "cm²"})] = 0.0
    minutes: Minutes = 60.0
    reach_c: BathCelsius | None = None
    """Wanted: after how many of these minutes is it there?"""
    cooling_minutes: (
        Annotated[float, Field(ge=0.1, le=10_000, json_schema_extra={"unit": "min"})] | None
    ) = None
    """Measured in this tray, in place of the table's."""
    numbers: MordantNumbers | None = None


class HeatWarning(Shape):
    """What the heat of a bath asks for."""

    code: Literal["too-warm-around", "heats-itself", "past-limit", "fumes"]
    text: str
    caution: str
    """A key of the table of cautions."""


class BathHeatOutput(Shape):
    """How warm the bath will be, and how far its own heat can take it."""

    forecast: list[tuple[float, float, float, float]]
    """(minute, °C, low, high)."""
    end_c: float
    end_low_c: float
    end_high_c: float
    speed_share: float
    """How fast it bites at the end over now, by its warmth alone."""
    reach_minutes: float | None
    """When it is as warm as wanted; None: not in this time, or nothing was wanted."""
    reach_soonest_minutes: float | None
    reach_latest_minutes: float | None
    rise_bound_c: float
    """At most, if none of the heat leaves the bath and the reaction gives all it may."""
    heat_kj: float
    """Of the metal dissolved in that time, expected."""
    dissolved_g: float
    cooling_minutes: float
    warnings: list[HeatWarning]
