"""What follows from the events at the press: paper in the damp, pulls with their settings."""

from __future__ import annotations

from typing import Literal
from uuid import UUID

from core.data.paper import DryWay, School
from core.events.pull_kinds import PulledTone, WipePatch
from core.events.spans import Notice
from core.printing.numbering import Series
from core.printing.pull_check import Seen
from core.schema import Shape

PressStage = Literal["ink", "wipe", "lay", "pull"]


class PaperBatch(Shape):
    """Pieces that were damped together; its id is the event's."""

    event: UUID
    paper: UUID | None
    name: str
    pieces: int
    left: int
    school: School
    whose: str
    at_seconds: float
    """In, or damped again."""
    ready_seconds: float
    latest_seconds: float
    """By the clock [s since the epoch]."""
    redamped: int
    out_seconds: float | None
    """When a piece last came out."""


class SaidAtThePress(Shape):
    """A note typed or spoken."""

    event: UUID
    at_seconds: float
    text: str
    sound: UUID | None
    sound_seconds: float


class PressPull(Shape):
    """One pull, from its inking on; its id is that event's."""

    event: UUID
    place: int
    """Among those pulled, from 1; 0 while it was not pulled."""
    ink: UUID | None
    ink_name: str
    celsius: float | None
    inked_seconds: float
    wiped_seconds: float | None
    wipes: list[str]
    laid_seconds: float | None
    checked: list[str]
    batch: UUID | None
    damp_seconds: float | None
    """How long its paper had been in the damp when it was laid."""
    pulled_seconds: float | None
    passes: int
    worn: int
    """Passes of the plate so far, its own among them."""
    quarters: int | None
    press: UUID | None
    wipe_map: UUID | None
    given_up: bool
    """Inked and never pulled: another inking came hours later."""
    spoiled: str | None
    """The reason; empty where none was said; None: it is not."""
    series: Series | None
    """As what it was signed."""
    signed: UUID | None
    """The event."""
    signed_seconds: float | None
    before_ok: str
    areas: list[PulledTone]
    seen: list[Seen]
    dries: DryWay | None
    dry_seconds: float | None
    """When it should be dry [s since the epoch]."""
    notes: list[SaidAtThePress]


class PullState(Shape):
    """Where a plate stands at the press."""

    batches: list[PaperBatch]
    pulls: list[PressPull]
    under_way: UUID | None
    """The pull that is inked and not pulled yet."""
    stage: PressStage
    """What is to be done next."""
    quarters: int | None
    passes: int
    press: UUID | None
    wipe_map: UUID | None
    patches: list[WipePatch]
    dirty_since_seconds: float | None
    """When ink last came on the plate, where it was not cleaned since."""
    cleaned_seconds: float | None
    conditions_met: list[UUID]
    notes: list[SaidAtThePress]
    """Of no pull."""
    notices: list[Notice]

    @property
    def pulled(self) -> list[PressPull]:
        """Return the pulls that went through the press, in that order."""
        return sorted((each for each in self.pulls if each.place), key=lambda each: each.place)
