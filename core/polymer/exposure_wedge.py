"""Step wedge → time: by how much longer or shorter, so that another step is the last that holds."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.bath.posterior import BAND_SDS
from core.data.polymer import STEP_DENSITY, WEDGE_READING_STEPS
from core.polymer.shapes import ExposureSeconds, StepDensity
from core.schema import Shape

Step = Annotated[float, Field(ge=0, le=41, json_schema_extra={"unit": "steps"})]


class ExposureWedgeInput(Shape):
    """A wedge exposed for a time, the last step it held, and the one that shall hold."""

    seconds: ExposureSeconds
    held_step: Step
    wanted_step: Step
    step_density: StepDensity = STEP_DENSITY


class ExposureWedgeOutput(Shape):
    """How long to expose."""

    seconds: float
    factor: float
    low: float
    """Seconds, 95 %: a step is judged by eye between two."""
    high: float


def exposure_wedge(given: ExposureWedgeInput) -> ExposureWedgeOutput:
    """Return the time at which the wanted step is the last that holds.

    Parameters
    ----------
    given : ExposureWedgeInput
        Time [s], steps, density of a step [D].

    Returns
    -------
    ExposureWedgeOutput

    Notes
    -----
    factor = 10^(density · (wanted − held)): a step of 0.15 is √2. Source: ``step-wedge``.
    """
    factor = 10 ** (given.step_density * (given.wanted_step - given.held_step))
    doubt = 10 ** (given.step_density * WEDGE_READING_STEPS.value * BAND_SDS)
    seconds = given.seconds * factor
    return ExposureWedgeOutput(
        seconds=round(seconds, 1),
        factor=round(factor, 3),
        low=round(seconds / doubt, 1),
        high=round(seconds * doubt, 1),
    )
