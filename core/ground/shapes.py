"""Inputs and outputs of grounds and cleaning, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.data.plastics import PlasticKey
from core.data.solvents import LayerKey
from core.prepare.shapes import Material
from core.schema import Shape

GroundKey = Literal["ball", "liquid", "smoked", "soft", "dust", "spray", "spit", "toner"]
Risk = Literal["none seen", "some", "high", "not known"]
Celsius = Annotated[float, Field(ge=0, le=300, json_schema_extra={"unit": "°C"})]


class RoomCount(Shape):
    """How many of the room's own plates had a cause, and how many of those foul-bit."""

    plates: Annotated[int, Field(ge=0, le=100_000)]
    fouled: Annotated[int, Field(ge=0, le=100_000)]


class GroundCheckInput(Shape):
    """What was logged of a plate's ground; null where nothing was."""

    metal: Literal["copper", "zinc"]
    ground: GroundKey
    water_break: Literal["passed", "failed", "not done"] | None = None
    polished_after_degrease: bool = False
    """Polish, oil, wax or ink came onto it between the last degreasing and the ground."""
    over_grain: bool = False
    """It lies over a grain that was not stripped."""
    film: Literal["thin", "even", "thick"] | None = None
    heat_c: Celsius | None = None
    flash_minutes: (
        Annotated[float, Field(ge=0, le=2880, json_schema_extra={"unit": "min"})] | None
    ) = None
    age_days: Annotated[float, Field(ge=0, le=3650)] | None = None
    hours_degreased_to_ground: Annotated[float, Field(ge=0, le=10_000)] | None = None
    edges_covered: bool | None = None
    back: Literal["bare", "pre-coated", "filmed", "varnished"] | None = None
    needle_um: Annotated[float, Field(ge=1, le=2000, json_schema_extra={"unit": "µm"})] | None = (
        None
    )
    covered_share: Annotated[float, Field(ge=0, le=1)] | None = None
    fused_clear: bool | None = None
    counts: dict[str, RoomCount] = Field(default_factory=dict, max_length=40)
    """The room's own counts by cause; without them no share is told."""


class GroundCause(Shape):
    """A reason why the ground may fail, with its evidence and the mend."""

    key: str
    title: str
    evidence: str
    mend: str
    grave: bool
    share: float | None
    """Of the room's own plates with this cause that foul-bit; null where too few were counted."""
    share_of: int


class GroundCheckOutput(Shape):
    """How likely a foul bite is, in words, and what else the ground asks for."""

    risk: Risk
    causes: list[GroundCause]
    warnings: list[str]
    missing: list[str]
    """What was not logged, and would tell."""


class CleaningOrderInput(Shape):
    """What lies on a plate, the uppermost first."""

    material: Material
    plastic: PlasticKey | None = None
    """Which plastic; one that nobody named is spared what harms any of them."""
    layers: Annotated[list[LayerKey], Field(min_length=1, max_length=20)]

    @model_validator(mode="after")
    def _of_plastic(self) -> CleaningOrderInput:
        if self.plastic is not None and self.material != "plastic":
            raise ValueError(f"a plate of {self.material} has no plastic")
        return self


class CleaningStep(Shape):
    """One solvent, and the layers it takes off, the uppermost first."""

    solvent: str
    label: str
    takes_off: list[str]
    how: str
    cautions: list[str]


class CleaningOrderOutput(Shape):
    """The order of cleaning with the fewest changes of solvent that spares the plate."""

    steps: list[CleaningStep]
    changes: int
    spared: list[str]
    """Solvents left aside, and why."""
