"""Shapes of proofs."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.stages.advice import AdviseOutput
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness
from server.replies.moments import Moment

Words = Annotated[str, Field(max_length=120)]


class ReadTone(Schema):
    """A tone read off the proof by hand."""

    area: AreaName
    read_lstar: Lightness


class ProofIn(Schema):
    """A proof as it was pulled."""

    id: UUID
    plate: UUID
    picture: UUID | None = None
    pulled_at: Moment | None = None
    paper: Words = ""
    soak_minutes: (
        Annotated[float, Field(ge=0, le=2880, json_schema_extra={"unit": "min"})] | None
    ) = None
    ink: Words = ""
    wipe: Words = ""
    pressure: Words = ""
    passes: Annotated[int, Field(ge=1, le=9)] = 1
    note: Annotated[str, Field(max_length=4000)] = ""
    tones: Annotated[list[ReadTone], Field(max_length=40)] = []
    same_state: bool = False
    """Pulled again from the same state: the plate was not worked in between."""
    foul_bite: bool | None = None
    """Whether it shows unwanted pits; the room's own counts come from this."""
    ok_to_print: bool = False


class ToneOut(Schema):
    """A tone wanted, expected and read."""

    area: str
    parts: str
    wanted_lstar: float | None
    expected_lstar: float | None
    read_lstar: float


class ProofOut(Schema):
    """A proof with what it asks for next."""

    id: UUID
    plate: UUID
    picture: UUID | None
    state_number: int
    pulled_at: datetime
    paper: str
    soak_minutes: float | None
    ink: str
    wipe: str
    pressure: str
    passes: int
    note: str
    tones: list[ToneOut]
    foul_bite: bool | None
    ok_to_print: bool
    advice: AdviseOutput | None
