"""What a plan or a run decided, in today's bath, after what was done, as the core takes it."""

from __future__ import annotations

import uuid
from typing import Any, Protocol

from core.events.fold import Immersion
from core.line.shapes import MeasuredLine
from core.process.row import Process
from core.process.rows import PROCESSES
from core.process.shapes import Decided
from core.stages.shapes import MOST_DONE, DoneBite, RunSheet
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.events.done import done_bite
from server.strips.models import Strip


class Decides(Protocol):
    """A plan, or a run that keeps what its plan was when it began."""

    part: str
    method: str
    round_to_seconds: float
    areas: list[dict[str, Any]]

    @property
    def bath(self) -> Bath: ...
    @property
    def strip_id(self) -> uuid.UUID | None: ...


Again = tuple[list[str], int]
"""What was opened anew, and after how many bites."""


def decided(
    what: Decides,
    curve: dict[str, Any] | None,
    measured: list[dict[str, Any]],
    done: list[Immersion],
    temperature_c: float | None = None,
    before: list[dict[str, Any]] | None = None,
    again: Again | None = None,
) -> Decided:
    """Return what was decided, with the bath as it is now or at a temperature [°C].

    ``before`` are bites of an earlier run, as ``done_bite`` made them; ``again`` is what was
    opened anew after them.
    """
    names, after = again or ([], 0)
    earlier = [DoneBite.model_validate(bite) for bite in before or []]
    made = [*earlier, *(done_bite(dip) for dip in done)][:MOST_DONE]
    known = {area["name"] for area in what.areas}
    strip = Curve.model_validate(curve) if curve else None
    process = PROCESSES[what.part]
    return Decided(
        areas=what.areas,
        bath=bath_facts(
            what.bath, temperature_c, process.against(strip), with_its_lines(process, what.strip_id)
        ),
        method=what.method,
        round_to_seconds=what.round_to_seconds,
        curve=strip,
        measured=[MeasuredLine.model_validate(line) for line in measured],
        done=made,
        open_again=[name for name in names if name in known],
        opened_after=min(after, len(made)),
    )


def with_its_lines(process: Process, strip: uuid.UUID | None) -> uuid.UUID | None:
    """Return the strip whose measured lines stand in the plan itself."""
    return strip if process.strips == "lines" else None


def sheet_of(part: str, given: Decided) -> RunSheet:
    """Return the run sheet of a process."""
    return PROCESSES[part].sheet(given)


def measured_lines(own: list[dict[str, Any]], strip: Strip | None) -> list[dict[str, Any]]:
    """Return the lines measured on the plate and on its line strip."""
    return [*own, *(strip.lines if strip else [])]
