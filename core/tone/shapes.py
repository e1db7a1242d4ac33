"""Inputs and outputs of the strip calculators, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.schema import Shape

MordantKey = Literal[
    "copper-ferric",
    "copper-ferric-citric",
    "copper-nitric",
    "zinc-nitric-10",
    "zinc-nitric-16",
    "zinc-copper-sulphate",
]
Lightness = Annotated[float, Field(ge=0, le=105, json_schema_extra={"unit": "L*"})]
BathCelsius = Annotated[float, Field(ge=0, le=60, json_schema_extra={"unit": "°C"})]
Load = Annotated[float, Field(ge=0, le=150, json_schema_extra={"unit": "g/L"})]
Baume = Annotated[float, Field(ge=1, le=60, json_schema_extra={"unit": "°Bé"})]
RateFactor = Annotated[float, Field(gt=0.02, le=50)]
RateSpread = Annotated[float, Field(ge=0, le=2)]
LONGEST_SECONDS = 6 * 3600
Seconds = Annotated[float, Field(ge=0, le=LONGEST_SECONDS, json_schema_extra={"unit": "s"})]
MOST_PATCHES = 200


class Patch(Shape):
    """One patch of a strip: cumulative time in the bath and the tone it printed."""

    seconds: Seconds
    lstar: Lightness
    spread: Annotated[float, Field(gt=0, le=20, json_schema_extra={"unit": "L*"})] | None = None


class MordantNumbers(Shape):
    """A print room's own numbers of a mordant, in place of the table's."""

    rate_um_per_min: Annotated[float, Field(gt=0.01, le=100)] | None = None
    rate_log_spread: Annotated[float, Field(ge=0.005, le=2)] | None = None
    energy_kj_per_mol: Annotated[float, Field(ge=5, le=120)] | None = None
    energy_spread_kj_per_mol: Annotated[float, Field(ge=0.1, le=60)] | None = None
    end_g_per_l: Annotated[float, Field(ge=1, le=150)] | None = None
    end_spread_g_per_l: Annotated[float, Field(ge=0.1, le=75)] | None = None
    wetting_seconds: Annotated[float, Field(ge=0.1, le=120)] | None = None
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
    conditions: Conditions
    prior: list[Curve] | None = Field(default=None, max_length=20)


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
    tables: str


class CurveBath(Shape):
    """Today's bath, as far as it matters to its speed."""

    mordant: MordantKey
    temperature_c: BathCelsius
    load_g_per_l: Load = 0.0
    volume_l: Annotated[float, Field(gt=0, le=2000, json_schema_extra={"unit": "L"})] = 4.0
    baume: Baume | None = None
    rate_factor: RateFactor | None = None
    rate_factor_spread: RateSpread | None = None
    numbers: MordantNumbers | None = None
    room_c: Annotated[float, Field(ge=-10, le=60, json_schema_extra={"unit": "°C"})] | None = None
    cooling_minutes: Annotated[float, Field(gt=0, le=10000)] | None = None


class ReadCurveInput(Shape):
    """Questions to a curve: which time for a tone, which tone for a time (a single dip)."""

    curve: Curve
    bath: CurveBath | None = None
    lstar: list[Lightness] = Field(default_factory=list, max_length=400)
    seconds: list[Seconds] = Field(default_factory=list, max_length=400)


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
