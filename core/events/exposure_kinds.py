"""The kinds of events of an exposure: stages that begin and end, checks, the wash water."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from core.data.exposure_stages import CHECKS, STAGES, CheckKey, StageKey
from core.events.payload import Payload, Told

MOST_STEPS = 20
StepNumber = Annotated[int, Field(ge=1, le=MOST_STEPS)]
"""Of one stage in several exposures, as the strips of a two-way test."""
WaterCelsius = Annotated[float, Field(ge=2, le=50, json_schema_extra={"unit": "°C"})]


def _step(stage: StageKey, step: int) -> str:
    return f"{STAGES[stage].title}{f', strip {step}' if step > 1 else ''}"


class Began(Payload):
    """A stage of an exposure begins: the lamp goes on, the plate into the water."""

    kind = "began"
    short = "begin"
    stage: StageKey
    step: StepNumber = 1

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"{_step(self.stage, self.step)}. {STAGES[self.stage].began}"


class Ended(Payload):
    """A stage is over; ``began`` null ends the one under way."""

    kind = "ended"
    short = "end"
    began: UUID | None = None
    remembered: bool = False
    """Typed in afterwards, not pressed at the lamp."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Over." + (" Typed in afterwards." if self.remembered else "")


class PassedOver(Payload):
    """A stage is left as it is: a dry room needs no chalk, what is short stays so."""

    kind = "passed"
    short = "pass over"
    stage: StageKey
    step: StepNumber = 1

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"{_step(self.stage, self.step)}: left as it is."


class Checked(Payload):
    """What was looked at or felt at the end of a stage."""

    kind = "checked"
    short = "check"
    check: CheckKey
    fine: bool = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return CHECKS[self.check].fine if self.fine else CHECKS[self.check].not_yet


class WaterRead(Payload):
    """How warm the wash water is."""

    kind = "water"
    short = "water"
    celsius: WaterCelsius

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Wash water at {self.celsius:.1f} °C."
