"""How a plate wears, from its impressions and from the room's other plates."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from core.calculators import compute
from core.data.steps import SCRATCHED
from core.events.marks_fold import MarksState
from server.marks.models import Marks
from server.marks.schemas import MarksDecided, WearOut
from server.marks.state import (
    decided_of,
    is_named,
    material_of,
    material_out,
    worn_state_of,
)
from server.plates.models import Plate

MOST_HISTORY = 8
"""Other plates that are taken into account: the latest."""
ENOUGH_READINGS = 4


@dataclass(frozen=True)
class Held:
    """What impressions are held to, where an edition says so."""

    tolerance_lstar: float
    wanted: int
    ok_impression: int
    area: str = ""
    """Read for wear; empty: the darkest that was read."""


def wear_of(plate: Plate, after: int | None = None, held: Held | None = None) -> WearOut:
    """Return a plate's wear; ``after``: what scratching again after that impression would do."""
    decided, state = decided_of(plate), worn_state_of(plate, held.area if held else "")
    if held is not None:
        decided = decided.model_copy(update={
            "tolerance_lstar": held.tolerance_lstar, "wanted": held.wanted,
            "ok_impression": held.ok_impression,
        })  # fmt: skip
    history = _history(plate)
    forecast: Any = compute("wear-forecast", {
        **worn_plate(plate, state), "ok_impression": _ok(decided, state),
        "tolerance_lstar": decided.tolerance_lstar, "wanted": decided.wanted, "history": history,
        "scratched_again": state.scratched_again, "ask_again_after": after,
    })  # fmt: skip
    return WearOut(
        plate=plate.id,
        forecast=forecast,
        history=len(history),
        ok_impression=_ok(decided, state),
        tolerance_lstar=decided.tolerance_lstar,
        wanted=decided.wanted,
        state=state,
        material=material_out(plate, steel_faced=_steel(plate, state)),
    )


def _ok(decided: MarksDecided, state: MarksState) -> int:
    return min(decided.ok_impression, max(1, len(state.impressions)))


def _steel(plate: Plate, state: MarksState) -> bool:
    return state.steel_faced and plate.metal in ("copper", "zinc")


def _scratched(plate: Plate) -> bool:
    """Tell whether a burr holds the ink: then it wears as burrs do."""
    return bool({plate.route, *plate.routes} & set(SCRATCHED))


def worn_plate(plate: Plate, state: MarksState) -> dict[str, Any]:
    """Return a plate's material, passes and readings as the forecast takes them."""
    passes = [each.passes for each in state.impressions]
    usual = max(set(passes), key=passes.count) if passes else 1
    return {
        "material": material_of(plate) if is_named(plate) else "plastic",
        "steel_faced": _steel(plate, state), "passes": usual, "bitten": not _scratched(plate),
        "readings": [
            {"impression": each.number, "lstar": each.lstar, "spread": each.spread,
             "worn": each.worn}
            for each in state.impressions if each.lstar is not None
        ][:200],
    }  # fmt: skip


def _history(plate: Plate) -> list[dict[str, Any]]:
    """Return the room's other plates that were read often enough, the latest."""
    rows = Marks.objects.filter(room=plate.room).exclude(plate=plate).select_related("plate")
    found = []
    for row in rows.order_by("-created_at")[: 4 * MOST_HISTORY]:
        worn = worn_plate(row.plate, worn_state_of(row.plate))
        if len(worn["readings"]) >= ENOUGH_READINGS:
            found.append(worn)
    return found[:MOST_HISTORY]
