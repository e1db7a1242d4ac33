"""Inputs and outputs of what a bath's speed is known from, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.kinetics.shapes import (
    LONGEST_SECONDS,
    BathCelsius,
    Baume,
    Load,
    MordantKey,
    MordantNumbers,
    RateFactor,
)
from core.schema import Shape
from core.tone.shapes import Curve, Lightness

MOST_EVIDENCE = 60
Days = Annotated[float, Field(ge=0, le=4000, json_schema_extra={"unit": "d"})]
Grams = Annotated[float, Field(gt=0, le=100_000, json_schema_extra={"unit": "g"})]
Share = Annotated[float, Field(ge=0, le=1)]
BittenSeconds = Annotated[float, Field(ge=1, le=6 * 3600, json_schema_extra={"unit": "s"})]
MostDips = Annotated[int, Field(ge=1, le=60)]


class _Piece(Shape):
    """How old a piece of evidence is, and how much of the bath was replaced since."""

    days_ago: Days = 0.0
    replaced_since: Share = 0.0


class Coupon(_Piece):
    """A scrap of known bare area, weighed before and after a bite."""

    kind: Literal["coupon"]
    area_cm2: Annotated[float, Field(gt=0, le=20_000, json_schema_extra={"unit": "cm²"})]
    mass_before_g: Grams
    mass_after_g: Grams
    seconds: BittenSeconds
    temperature_c: BathCelsius
    load_g_per_l: Load | None = None
    """The load now where it was not known."""
    mass_spread_g: (
        Annotated[float, Field(ge=1e-6, le=10, json_schema_extra={"unit": "g"})] | None
    ) = None
    """Standard deviation of one weighing."""


class CheckPatch(_Piece):
    """A patch of a strip's ground, bitten in this bath and read."""

    kind: Literal["check-patch"]
    curve: Curve
    seconds: BittenSeconds
    """In all, in so many dips."""
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] | None = None
    dips: MostDips = 1
    temperature_c: BathCelsius | None = None
    """As it is now where it was not known."""
    load_g_per_l: Load | None = None


class Hydrometer(_Piece):
    """A reading at the stem of a hydrometer, not yet freed of the metal in the bath."""

    kind: Literal["hydrometer"]
    baume: Baume
    load_g_per_l: Load | None = None
    """What was dissolved then; the load now where it is not given."""


class Strip(_Piece):
    """A whole strip bitten in this bath: those of one ground are laid over each other.

    Its temperature and load are those of its curve's conditions.
    """

    kind: Literal["strip"]
    curve: Curve
    ground: Annotated[str, Field(min_length=1, max_length=300)]
    """What its grain and its print were made with: only strips alike in it are compared."""


class BittenLine(Shape):
    """A line of a strip, its depth measured."""

    seconds: Annotated[float, Field(ge=1, le=LONGEST_SECONDS, json_schema_extra={"unit": "s"})]
    dips: Annotated[int, Field(ge=1, le=200)] = 1
    depth_um: Annotated[float, Field(ge=0.1, le=800, json_schema_extra={"unit": "µm"})]
    depth_spread_um: (
        Annotated[float, Field(ge=0.1, le=2000, json_schema_extra={"unit": "µm"})] | None
    ) = None
    """Standard deviation of one measurement."""


class LineStrip(_Piece):
    """Lines bitten in this bath at one temperature and load, their depths measured."""

    kind: Literal["lines"]
    measured: Annotated[list[BittenLine], Field(min_length=1, max_length=40)]
    temperature_c: BathCelsius
    load_g_per_l: Load | None = None


Evidence = Annotated[
    Coupon | CheckPatch | Hydrometer | Strip | LineStrip, Field(discriminator="kind")
]
EvidenceKind = Literal["coupon", "check-patch", "hydrometer", "strip", "lines", "thermometer"]


class BathNow(Shape):
    """Where the speed is wanted."""

    temperature_c: BathCelsius
    load_g_per_l: Load = 0.0


class BathSpeedInput(Shape):
    """What is known of a bath, and at which temperature and load its speed is wanted."""

    mordant: MordantKey
    evidence: Annotated[list[Evidence], Field(max_length=MOST_EVIDENCE)] = []
    now: BathNow
    against: Curve | None = None
    """A strip's curve: the speed is told over that of its conditions, too."""
    against_days: Days = 0.0
    """How long ago that strip was bitten: the bath has wandered since."""
    numbers: MordantNumbers | None = None


class SourceShare(Shape):
    """What one source adds to the answer."""

    kind: EvidenceKind
    evidence: int | None
    """Its place among the evidence; None for the thermometer and what is known of the mordant."""
    share: float
    """Of the information in the answer: inverse variances; all add up to 1."""
    value: float | None
    """What it alone says: of the speed over the strip's where ``against`` is given, else µm/min."""
    low: float | None
    high: float | None


class OwnNumber(Shape):
    """A number of the mordant before and after this bath's own measurements."""

    guess: float
    guess_spread: float
    value: float
    spread: float
    low: float
    high: float


class OwnNumbers(Shape):
    """What the evidence says of the bath itself."""

    rate_um_per_min: OwnNumber
    """At 20 °C, fresh; the spread is that of the logarithm."""
    energy_kj_per_mol: OwnNumber
    end_g_per_l: OwnNumber


class BathSpeedOutput(Shape):
    """The speed of a bath, where it comes from, and what that says of the bath itself."""

    rate_um_per_min: float
    low: float
    high: float
    shares: list[SourceShare]
    rate_factor: RateFactor | None = None
    """Speed over that at the conditions of ``against``, ready for planning."""
    rate_factor_spread: float | None = None
    """Of its logarithm, beside what the curve's own draws tell of the tones to come."""
    rate_factor_low: float | None = None
    """95 % band of the speed itself."""
    rate_factor_high: float | None = None
    own: OwnNumbers
    tables: str
