"""Shapes of proofs."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.reading.shapes import Corners, Painted, ReadWarning
from core.stages.advice import AdviseOutput
from core.stages.shapes import AreaName
from core.stages.what_next_shapes import WhatNextOutput
from core.tone.shapes import Lightness
from server.replies.moments import Moment
from server.shopbook.printed import PrintedIn, PrintedOut, SupplyName

Words = Annotated[str, Field(max_length=120)]
SoakMinutes = Annotated[float, Field(ge=0, le=2880, json_schema_extra={"unit": "min"})]
Passes = Annotated[int, Field(ge=1, le=9)]


PinKind = Literal["darker", "lighter", "missing line", "foul bite", "lettering", "other"]
PlaceMm = Annotated[float, Field(ge=0, le=2500, json_schema_extra={"unit": "mm"})]


class ReadTone(Schema):
    """A tone read off the proof."""

    area: AreaName
    read_lstar: Lightness
    spread: Annotated[float, Field(ge=0.05, le=20, json_schema_extra={"unit": "L*"})] | None = None
    """Standard deviation of the reading, where it was measured."""


class ReadProofIn(Schema):
    """A stored scan of a proof of a plate."""

    id: UUID
    plate: UUID
    picture: UUID
    corners: Corners | None = None
    """Of the plate mark in the scan; null: it is looked for."""
    left_out: Annotated[list[Painted], Field(max_length=200)] = []
    """What was painted over, not to count."""


class ScanRead(Schema):
    """How a proof was read off its scan."""

    task: UUID
    corners: Corners
    """Of its plate in the scan [px]."""
    likeness: float
    warnings: list[ReadWarning]


class PinIn(Schema):
    """A note pinned to a place; ``version`` 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    proof: UUID
    kind: PinKind
    text: Annotated[str, Field(max_length=200)] = ""
    x_mm: PlaceMm
    y_mm: PlaceMm
    done: bool = False
    withdrawn: bool = False
    """Taken away, as if it had not been pinned."""


class PinOut(PinIn):
    """A pin as it stands."""

    state_number: int
    """The state it was pinned on."""
    done_in_state: int | None
    created_at: datetime


class ProofIn(PrintedIn):
    """A proof as it was pulled."""

    id: UUID
    plate: UUID
    picture: UUID | None = None
    pulled_at: Moment | None = None
    soak_minutes: SoakMinutes | None = None
    pressure: Words = ""
    passes: Passes = 1
    note: Annotated[str, Field(max_length=4000)] = ""
    tones: Annotated[list[ReadTone], Field(max_length=40)] = []
    reading: UUID | None = None
    """The task that read its scan."""
    same_state: bool = False
    """Pulled again from the same state: the plate was not worked in between."""
    foul_bite: bool | None = None
    """Whether it shows unwanted pits; the room's own counts come from this."""
    ok_to_print: bool = False


class ProofChange(Schema):
    """What was typed of a proof, corrected; ``tones`` stand for all that were read."""

    version: int
    paper: SupplyName | None = None
    ink: SupplyName | None = None
    wipe: SupplyName | None = None
    soak_minutes: SoakMinutes | None = None
    pressure: Words | None = None
    passes: Passes | None = None
    note: Annotated[str, Field(max_length=4000)] | None = None
    tones: Annotated[list[ReadTone], Field(max_length=40)] | None = None
    foul_bite: bool | None = None


class ToneOut(Schema):
    """A tone wanted, expected and read."""

    area: str
    parts: str
    wanted_lstar: float | None
    expected_lstar: float | None
    read_lstar: float
    spread: float | None = None


class LearnedArea(Schema):
    """What the curve said of an area before a proof, and what it says after."""

    name: str
    read_lstar: float
    before_lstar: float
    after_lstar: float
    left_out: bool = False
    """It strays alone, by its own fault: it was not taken into the curve."""


class LearnedPlan(Schema):
    """A plan whose curve a proof moved."""

    part: str
    strip: str
    """Name of the strip whose curve it was."""
    areas: list[LearnedArea]


class LearnedOut(Schema):
    """What a proof's tones did to its plate's curves."""

    text: str
    """In a sentence: what moved, or why nothing did."""
    plans: list[LearnedPlan] = []


class ApprovalIn(Schema):
    """An OK to print, or that it is taken back."""

    id: UUID
    ok: bool = True
    said_by: Literal["artist", "printer"] = "printer"
    condition: Annotated[str, Field(max_length=200)] = ""
    """What must hold in every impression: "the sky stays dark"."""
    area: Annotated[str, Field(max_length=80)] = ""
    """Which area's tone tells."""
    remark: Annotated[str, Field(max_length=1000)] = ""


class ApprovalOut(ApprovalIn):
    """An OK as it was said."""

    by: str
    at: datetime
    standing: bool
    """It is the last word."""


class ProofOut(PrintedOut):
    """A proof with what it asks for next."""

    id: UUID
    plate: UUID
    picture: UUID | None
    state_number: int
    worked: str
    """What was done to the plate since the state before; empty where that is not known."""
    pulled_at: datetime
    soak_minutes: float | None
    pressure: str
    passes: int
    note: str
    tones: list[ToneOut]
    foul_bite: bool | None
    ok_to_print: bool
    approvals: list[ApprovalOut]
    """What artist and printer said of it, the newest first."""
    advice: AdviseOutput | None
    next: WhatNextOutput | None
    """Plate or printing, and what to do, ranked."""
    reading: ScanRead | None
    learned: LearnedOut | None
    version: int
