"""Where a plate's marks stand, derived from what was decided and from events."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from core.calculators import compute
from core.data.plastics import PLASTICS
from core.errors import CoreError
from core.events.marks_fold import ImpressionPulled, MarksState, fold_marks
from core.events.marks_kinds import ScratchedAgain
from core.events.undo import holding
from server.events.reads import core_event, events_of
from server.marks.models import Marks, Trial, marks_id
from server.marks.schemas import MarksDecided
from server.plates.models import Plate
from server.pulls.state import impressions_of, pull_state_of, wearing_area


def row_of(plate: Plate) -> Marks | None:
    """Return the row of a plate's marks; None where nothing was decided or happened yet."""
    return Marks.objects.filter(plate=plate).select_related("trial").first()


def decided_of(plate: Plate) -> MarksDecided:
    """Return what a plate's marks shall be; the usual where nothing was decided."""
    row = row_of(plate)
    return MarksDecided(**(row.decided if row else {}))


def state_of(plate: Plate) -> MarksState:
    """Return the state that follows from a plate's events."""
    return fold_marks(core_event(each) for each in events_of(marks_id(plate)))


ALSO_PRINTED: list[Callable[[Plate], list[ImpressionPulled]]] = []
"""What nouns above this one printed of a plate: each adds its own."""


def worn_state_of(plate: Plate, area: str = "") -> MarksState:
    """Return the state of a plate with every pull that wore it, those at the press among them.

    ``area`` is read for wear; empty: the darkest that was read.
    """
    events = [core_event(each) for each in events_of(marks_id(plate))]
    state, pulls = fold_marks(events), pull_state_of(plate)
    made = impressions_of(pulls, wearing_area(pulls, area))
    made += [each for also in ALSO_PRINTED for each in also(plate)]
    if not made:
        return state
    again = [e.at_seconds for e in holding(events) if isinstance(e.data, ScratchedAgain)]
    return _joined(state, made, again)


def _joined(state: MarksState, made: list[ImpressionPulled], again: list[float]) -> MarksState:
    """Return the state with impressions counted anew, in the order they were pulled."""
    rows, worn = list[ImpressionPulled](), 0
    for each in sorted([*state.impressions, *made], key=lambda row: row.at_seconds):
        worn += each.passes
        rows.append(each.model_copy(update={"number": len(rows) + 1, "worn": worn}))
    counts = {sum(row.at_seconds <= at for row in rows) for at in again}
    return state.model_copy(update={"impressions": rows, "scratched_again": sorted(counts - {0})})


def material_of(plate: Plate) -> str:
    """Return a plate's material as wear knows it: a plastic by its name, where it has one."""
    return str(plate.facts.get("plastic") or plate.metal)


def is_named(plate: Plate) -> bool:
    """Tell whether a plate's material is known by its name."""
    return material_of(plate) in (*PLASTICS, "copper", "zinc")


def material_out(plate: Plate, *, steel_faced: bool = False) -> Any:
    """Return what a plate's material bears; None for a plastic nobody named."""
    if not is_named(plate):
        return None
    return compute("plate-material", {
        "material": material_of(plate), "thickness_mm": plate.thickness_mm,
        "steel_faced": steel_faced,
    })  # fmt: skip


def scale_for(trial: Trial | None, needle_um: float | None) -> Any:
    """Return the pressure scale: of the trial, else of the needle; a broken trial stops nothing."""
    bare: dict[str, Any] = {"lightest_lstar": 94.0, "solid_lstar": 18.0, "needle_um": needle_um}
    if trial is None:
        return compute("pressure-scale", bare)
    try:
        return compute("pressure-scale", {
            "lightest_lstar": trial.lightest_lstar, "solid_lstar": trial.solid_lstar,
            "needle_um": needle_um or trial.needle_um, "trials": trial.pressures,
        })  # fmt: skip
    except CoreError:
        return compute("pressure-scale", bare)
