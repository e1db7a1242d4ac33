"""Inputs and outputs of the strip calculators, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.kinetics.shapes import Conditions, CurveBath, Seconds
from core.schema import Shape

Lightness = Annotated[float, Field(ge=0, le=105, json_schema_extra={"unit": "L*"})]
MOST_PATCHES = 200


class Patch(Shape):
    """One patch of a strip: cumulative time in the bath and the tone it printed."""

    seconds: Seconds
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] | None = None


class Curve(Shape):
    """A strip's curve, plain JSON, handed on as it is."""

    version: Literal[1] = 1
    tables: str
    conditions: Conditions
    draws: list[list[float]] = Field(min_length=16, max_length=1024)
    """Equally likely curves: ln D₀, ln D∞, ln τ, ln β, ln wetting, residual weights."""
    valid_to_seconds: Seconds
    """Cumulative clock time of the last patch that counts."""
    valid_to_reference_seconds: Seconds
    measured: bool = True
    """False for a guess made without a strip."""

    @model_validator(mode="after")
    def _draws_are_whole(self) -> Curve:
        from core.tone.shape import SIZE

        if any(len(draw) != SIZE or max(map(abs, draw)) > 60 for draw in self.draws):
            raise ValueError(f"each draw of a curve holds {SIZE} numbers within ±60")
        return self


class FitStripInput(Shape):
    """Patches read off a strip, and the bath they were bitten in."""

    patches: list[Patch] = Field(max_length=MOST_PATCHES)
    bitten: Literal["dips", "once"] = "dips"
    other_dips: list[Seconds] = Field(default=[], max_length=MOST_PATCHES)
    """Cumulative times of dips whose patch is not to count: their wetting was lost all the same."""
    conditions: Conditions
    prior: list[Curve] | None = Field(default=None, max_length=20)
    """Earlier strips of the same ground and metal."""
    prior_days: (
        Annotated[
            list[Annotated[float, Field(ge=0, le=40_000, json_schema_extra={"unit": "d"})]],
            Field(max_length=20),
        ]
        | None
    ) = None
    """How much older than this strip each of them is; older ones count for less."""

    @model_validator(mode="after")
    def _each_has_its_age(self) -> FitStripInput:
        if self.prior_days is not None and len(self.prior_days) != len(self.prior or []):
            raise ValueError("prior_days needs one age for each strip of prior")
        return self


class FittedPatch(Shape):
    """A patch beside what the curve says of it."""

    seconds: float
    lstar: float
    fitted: float
    fitted_low: float
    fitted_high: float
    outlier: bool
    why: str | None


class FitStripOutput(Shape):
    """The curve of a strip and how well its patches agree with it."""

    curve: Curve
    patches: list[FittedPatch]
    lightest_lstar: float
    darkest_lstar: float
    valid_to_seconds: float
    rms_lstar: float
    wetting_seconds: float
    own_share: float = 1.0
    """How much of the curve is known from these patches."""
    prior_shares: list[float] = []
    """How much from each earlier strip; with ``own_share`` they add up to 1."""
    tables: str


class ReadCurveInput(Shape):
    """Questions to a curve: which time for a tone, which tone for a time (a single dip)."""

    curve: Curve | None = None
    """None: the guess for the bath's mordant, as long as there is no strip."""
    bath: CurveBath | None = None
    lstar: list[Lightness] = Field(default_factory=list, max_length=400)
    seconds: list[Seconds] = Field(default_factory=list, max_length=400)

    @model_validator(mode="after")
    def _one_of_both(self) -> ReadCurveInput:
        if self.curve is None and self.bath is None:
            raise ValueError("without a curve the bath says what is guessed")
        return self


class CurvePoint(Shape):
    """One answer of a curve, with its 95 % band."""

    seconds: float
    seconds_low: float
    seconds_high: float
    lstar: float
    lstar_low: float
    lstar_high: float
    reachable: bool


class ReadCurveOutput(Shape):
    """Answers in the order of the questions: tones first, then times."""

    points: list[CurvePoint]
    tables: str
