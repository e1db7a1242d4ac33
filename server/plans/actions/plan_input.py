"""A plan in today's bath, after what was done, as the core takes it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

from core.line.line_sheet import line_sheet
from core.line.shapes import PlanLinesInput
from core.stages.fold import Dip
from core.stages.run_sheet import run_sheet
from core.stages.shapes import DoneBite, PlanBitesInput, RunSheet
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.strips.models import Strip

_OF_TONES = ("name", "lstar", "open_cm2")
_OF_LINES = ("name", "depth_um", "darkness", "needle_um", "spacing_um", "open_cm2")


@dataclass(frozen=True)
class Decided:
    """What was decided for one part of a plate, as a plan or a run holds it."""

    part: str
    areas: list[dict[str, Any]]
    bath: Bath
    method: str
    round_to_seconds: float
    curve: dict[str, Any] | None = None
    measured: list[dict[str, Any]] = field(default_factory=list)


def plan_input(
    decided: Decided, done: list[Dip], temperature_c: float | None = None
) -> PlanBitesInput | PlanLinesInput:
    """Return the core's input for a plan, after the bites made."""
    shared = {
        "method": decided.method,
        "bath": bath_facts(decided.bath, temperature_c),
        "done": [done_bite(dip) for dip in done],
        "round_to_seconds": decided.round_to_seconds,
    }
    if decided.part == "lines":
        groups = [{key: a.get(key) for key in _OF_LINES} for a in decided.areas]
        return PlanLinesInput(groups=groups, measured=decided.measured, **shared)
    return PlanBitesInput(
        curve=Curve.model_validate(decided.curve) if decided.curve else None,
        areas=[{key: a[key] for key in _OF_TONES} for a in decided.areas],
        **shared,
    )


def sheet_of(given: PlanBitesInput | PlanLinesInput) -> RunSheet:
    """Return the run sheet of either part."""
    return line_sheet(given) if isinstance(given, PlanLinesInput) else run_sheet(given)


def measured_lines(own: list[dict[str, Any]], strip: Strip | None) -> list[dict[str, Any]]:
    """Return the lines measured on the plate and on its line strip."""
    return [*own, *(strip.lines if strip else [])]


def done_bite(dip: Dip) -> DoneBite:
    """Return a finished immersion as the core takes it."""
    lifted = dip.at_seconds if dip.lifted_seconds is None else dip.lifted_seconds
    return DoneBite(
        seconds=round(lifted - dip.at_seconds, 2),
        temperatures=dip.temperatures or None,
        open=dip.open,
    )
