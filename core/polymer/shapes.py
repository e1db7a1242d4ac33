"""Quantities of light on polymer, the same at every door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

ExposureSeconds = Annotated[float, Field(ge=1, le=7200, json_schema_extra={"unit": "s"})]
FilmShare = Annotated[float, Field(ge=0, le=1)]
"""Share of the film that is black: 0 clear, 1 solid."""
Irradiance = Annotated[float, Field(ge=0.01, le=1000, json_schema_extra={"unit": "mW/cm²"})]
Dose = Annotated[float, Field(ge=0.1, le=100_000, json_schema_extra={"unit": "mJ/cm²"})]
Distance = Annotated[float, Field(ge=1, le=300, json_schema_extra={"unit": "cm"})]
LampHours = Annotated[float, Field(ge=0, le=100_000, json_schema_extra={"unit": "h"})]
StepDensity = Annotated[float, Field(ge=0.02, le=1, json_schema_extra={"unit": "D"})]
Spread = Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})]
