"""What each area of a plate was meant to print, and what it should print by its bites."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from core.process.rows import PROCESSES
from core.stages.second_grain import sum_of_screens
from core.stages.shapes import Reached
from server.plans.actions.decide import sheet_of
from server.plans.models import Plan
from server.plates.models import Plate
from server.proofs.actions.first_tones import first_tones
from server.runs.actions.state import decided_for, latest_run, run_state
from server.runs.models import Run

TONAL = [key for key, row in PROCESSES.items() if row.words.goal.kind == "tone"]
"""Processes whose areas are read as tones off a proof."""


@dataclass(frozen=True)
class Meant:
    """An area as it was meant, and as it should be [L*]."""

    parts: str
    wanted: float | None
    expected: float | None


def meant_tones(plate: Plate, part: str) -> dict[str, Meant]:
    """Return the areas of a part as they were bitten, else as they are planned.

    Over an earlier grain both screens print together.
    """
    run = latest_run(plate, part)
    if run is None:
        plan = Plan.objects.filter(plate=plate, part=part, superseded=False).first()
        areas = plan.areas if plan else []
        return {a["name"]: Meant(a.get("parts", ""), a.get("lstar"), None) for a in areas}
    told = sheet_of(part, decided_for(run, run_state(run).done)).plan
    first, lightest = first_tones(plate, part, before=run), told.lightest_lstar
    last = {area.name: area.lstar for bite in told.done for area in bite.areas}
    return {
        area["name"]: Meant(
            area.get("parts", ""),
            _wanted(run, area, first, lightest, expected),
            expected,
        )
        for area in run.areas
        for expected in [_over(first.get(area["name"]), last.get(area["name"], lightest), lightest)]
    }


def _wanted(
    run: Run,
    area: dict[str, Any],
    first: dict[str, Reached],
    lightest: float,
    expected: float,
) -> float | None:
    """Return the tone meant: what the second screen was planned to add, else what was before.

    Minutes mean what was wanted of the area before, else what they should come to.
    """
    name, own, timed = area["name"], area.get("lstar"), area.get("seconds") is not None
    if own is not None:
        return _over(first.get(name), own, lightest)
    if name not in first and not timed:
        return None
    earlier = Run.objects.filter(plate=run.plate, part=run.part, created_at__lt=run.created_at)
    wishes = (a.get("lstar") for r in earlier.order_by("-created_at") for a in r.areas
              if a["name"] == name)  # fmt: skip
    return next((wish for wish in wishes if wish is not None), expected if timed else None)


def _over(first: Reached | None, own: float, lightest: float) -> float:
    if first is None:
        return own
    return sum_of_screens(first, Reached(value=own, low=own, high=own), lightest).value


def goal_of(tone: dict[str, float | None]) -> float:
    """Return the tone meant; white is meant to print as light as the plate can."""
    wanted = tone["wanted_lstar"]
    return wanted if wanted is not None else tone["expected_lstar"] or 100.0
