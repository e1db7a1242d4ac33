"""Tones that an earlier grain, stripped since, left in a plate."""

from __future__ import annotations

from core.process.rows import PROCESSES
from core.stages.second_grain import sum_of_screens
from core.stages.shapes import Reached
from server.plans.actions.decide import sheet_of
from server.plates.models import Plate
from server.proofs.models import Proof
from server.runs.actions.go_on import carries_on
from server.runs.actions.state import decided_for, run_state
from server.runs.models import Run

MOST_SCREENS = 5
"""Grains of one plate that are laid over each other."""


def first_tones(plate: Plate, part: str, before: Run | None = None) -> dict[str, Reached]:
    """Return what stripped grains print of each area by now [L*]; none where there is none.

    As it was read off the last proof, else as its bites should print. ``before`` leaves a run and
    those after it out.
    """
    if PROCESSES[part].stays_when_stripped:
        return {}
    runs = Run.objects.filter(plate=plate, part=part, outcome=Run.FINISHED).order_by("created_at")
    found: dict[str, Reached] = {}
    for run in _screens(list(runs), before)[-MOST_SCREENS:]:
        if not carries_on(run):
            found = _laid_over(found, run)
    return found


def _screens(runs: list[Run], before: Run | None) -> list[Run]:
    """Return the last run of each grain: one that goes on has the bites of the one before it."""
    screens: list[Run] = []
    for run in runs:
        if before is not None and run.created_at >= before.created_at:
            break
        if screens and _goes_on(run, screens[-1]):
            screens.pop()
        screens.append(run)
    if screens and before is not None and _goes_on(before, screens[-1]):
        screens.pop()
    return screens


def _goes_on(run: Run, earlier: Run) -> bool:
    return bool(run.before) and run.plan_id == earlier.plan_id


def _laid_over(found: dict[str, Reached], run: Run) -> dict[str, Reached]:
    told = sheet_of(run.part, decided_for(run, run_state(run).done)).plan
    read = _read(run)
    after = dict(found)
    for area in told.areas:
        if area.reference_seconds <= 0 and area.name not in read:
            continue
        alone = area.goal
        so_far = found.get(area.name)
        both = sum_of_screens(so_far, alone, told.lightest_lstar) if so_far else alone
        after[area.name] = read.get(area.name, both)
    return after


def _read(run: Run) -> dict[str, Reached]:
    """Return the tones read off the last proof after a run."""
    proofs = Proof.objects.filter(run=run).exclude(tones=[]).order_by("pulled_at")
    tones = {t["area"]: t["read_lstar"] for proof in proofs for t in proof.tones}
    return {name: Reached(value=v, low=v, high=v) for name, v in tones.items()}
