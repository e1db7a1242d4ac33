"""What a bath is, as far as it matters to its speed; the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.schema import Shape

MordantKey = Literal[
    "copper-ferric",
    "copper-ferric-citric",
    "copper-nitric",
    "zinc-nitric-10",
    "zinc-nitric-16",
    "zinc-copper-sulphate",
]
MOST_LOAD_G_PER_L = 150.0
"""More than any of the mordants can dissolve before it bites no more."""
BathCelsius = Annotated[float, Field(ge=0, le=60, json_schema_extra={"unit": "°C"})]
Load = Annotated[float, Field(ge=0, le=MOST_LOAD_G_PER_L, json_schema_extra={"unit": "g/L"})]
Baume = Annotated[float, Field(ge=1, le=60, json_schema_extra={"unit": "°Bé"})]
RateFactor = Annotated[float, Field(ge=0.02, le=50)]
RateSpread = Annotated[float, Field(ge=0, le=2)]
LONGEST_SECONDS = 6 * 3600
Seconds = Annotated[float, Field(ge=0, le=LONGEST_SECONDS, json_schema_extra={"unit": "s"})]


class MordantNumbers(Shape):
    """A print room's own numbers of a mordant, in place of the table's."""

    rate_um_per_min: (
        Annotated[float, Field(gt=0.01, le=100, json_schema_extra={"unit": "µm/min"})] | None
    ) = None
    rate_log_spread: Annotated[float, Field(ge=0.005, le=2)] | None = None
    energy_kj_per_mol: (
        Annotated[float, Field(ge=5, le=120, json_schema_extra={"unit": "kJ/mol"})] | None
    ) = None
    energy_spread_kj_per_mol: (
        Annotated[float, Field(ge=0.1, le=60, json_schema_extra={"unit": "kJ/mol"})] | None
    ) = None
    end_g_per_l: Annotated[float, Field(ge=1, le=150, json_schema_extra={"unit": "g/L"})] | None = (
        None
    )
    end_spread_g_per_l: (
        Annotated[float, Field(ge=0.1, le=75, json_schema_extra={"unit": "g/L"})] | None
    ) = None
    wetting_seconds: (
        Annotated[float, Field(ge=0.1, le=120, json_schema_extra={"unit": "s"})] | None
    ) = None
    wetting_log_spread: Annotated[float, Field(ge=0.01, le=2)] | None = None
    undercut: Annotated[float, Field(ge=0.05, le=3)] | None = None


class Conditions(Shape):
    """The bath a strip was bitten in."""

    mordant: MordantKey
    temperature_c: BathCelsius = 20.0
    load_g_per_l: Load = 0.0
    baume: Baume | None = None
    rate_factor: RateFactor | None = None
    rate_factor_spread: RateSpread | None = None
    numbers: MordantNumbers | None = None


class CurveBath(Shape):
    """Today's bath, as far as it matters to its speed."""

    mordant: MordantKey
    temperature_c: BathCelsius
    load_g_per_l: Load = 0.0
    volume_l: Annotated[float, Field(ge=0.01, le=2000, json_schema_extra={"unit": "L"})] = 4.0
    baume: Baume | None = None
    rate_factor: RateFactor | None = None
    rate_factor_spread: RateSpread | None = None
    numbers: MordantNumbers | None = None
    room_c: Annotated[float, Field(ge=-10, le=60, json_schema_extra={"unit": "°C"})] | None = None
    cooling_minutes: (
        Annotated[float, Field(ge=0.1, le=10000, json_schema_extra={"unit": "min"})] | None
    ) = None
