"""Inputs and outputs of wear, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import ConfigDict, Field, model_validator

from core.data.wear import MOST_IMPRESSIONS, STEEL_ON, WearMaterial
from core.schema import Shape
from core.tone.shapes import Lightness

Impression = Annotated[int, Field(ge=1, le=MOST_IMPRESSIONS)]
Passes = Annotated[int, Field(ge=1, le=6)]
Worn = Annotated[float, Field(ge=0, le=5000, json_schema_extra={"unit": "passes"})]
MOST_READINGS, MOST_HISTORY = 200, 20


class WearReading(Shape):
    """One impression read: the tone of the darkest marked area."""

    impression: Impression
    """Counted from 1; spoiled ones count, too."""
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] = 0.8
    worn: Worn | None = None
    """Passes through the press so far, this one among them; None: ``passes`` each."""


class WornPlate(Shape):
    """A plate as it is printed, with what was read of its impressions."""

    material: WearMaterial
    steel_faced: bool = False
    bitten: bool = False
    """No burr holds its ink: it wears as slowly as its material serves."""
    passes: Passes = 1
    """Through the press for each impression."""
    readings: Annotated[list[WearReading], Field(max_length=MOST_READINGS)] = []

    @model_validator(mode="after")
    def _steel_on_metal(self) -> WornPlate:
        if self.steel_faced and self.material not in STEEL_ON:
            raise ValueError(f"{self.material} takes no steel: only {' or '.join(STEEL_ON)}")
        return self


class EarlierPlate(WornPlate):
    """Another plate of the room; what else its own forecast was asked is passed over."""

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)


class WearForecastInput(WornPlate):
    """A plate's impressions as they were read, and from when they no longer match the OK."""

    ok_impression: Impression = 1
    tolerance_lstar: Annotated[float, Field(ge=0.5, le=20, json_schema_extra={"unit": "L*"})] = 3.0
    wanted: Impression
    history: Annotated[list[EarlierPlate], Field(max_length=MOST_HISTORY)] = []
    """Other plates of the room: how long their burrs lasted."""
    scratched_again: Annotated[list[Impression], Field(max_length=20)] = []
    """Impressions after which the marks were scratched again."""
    ask_again_after: Impression | None = None
    """What scratching again after this impression would do; None: after the last good one."""


class WearPoint(Shape):
    """One impression as it is expected, 95 %."""

    impression: int
    lstar: float
    low: float
    high: float


class ScratchAgain(Shape):
    """What scratching the marks again would do."""

    after: int
    last_good: int
    low: int
    high: int
    forecast: list[WearPoint]
    """From the impression after it."""


class WearWarning(Shape):
    """Something to know of the answer."""

    code: Literal[
        "no-readings", "few-readings", "darker-with-wear", "beyond-life", "zinc-under-steel",
        "strays",
    ]  # fmt: skip
    text: str


class WearForecastOutput(Shape):
    """Until which impression a plate matches its OK, counted from 1."""

    last_good: int
    low: int
    high: int
    chance_of_wanted: float
    """That the last one wanted still matches."""
    forecast: list[WearPoint]
    burr_impressions: float
    """After so many impressions the burr holds 1/e of what it held, at these passes."""
    burr_low: float
    burr_high: float
    burr_share: float
    """Of the darkness of the first impression: what is the burr's and wears."""
    again: ScratchAgain | None
    """None where scratching again would come after all that is foretold."""
    from_history: bool
    text: str
    warnings: list[WearWarning]
    tables: str
