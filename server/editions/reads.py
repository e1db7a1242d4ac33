"""Shape answers about editions."""

from __future__ import annotations

import math
import time
from typing import Any

from core.calculators import compute
from core.data.plate_materials import MATERIALS
from core.data.steps import SCRATCHED
from core.events.pull_state import PullState
from server.baths.reads import caution_out
from server.editions.decided import decided_of, edition_of
from server.editions.ok import condition_holds, ok_of
from server.editions.paper import ink_for, sheets_for
from server.editions.rows import Rows, impression_row, rows_of
from server.editions.schemas import EditionDecided, EditionOut, ImpressionRow, OkOut
from server.editions.wears import sentence, wears
from server.marks.state import material_of
from server.plates.models import Plate
from server.pulls.printing import printing_of
from server.pulls.schemas import PrintingDecided
from server.pulls.state import pull_state_of, wearing_area
from server.shopbook.models import Press, Supply
from server.shopbook.reads import set_text

CAUTIONS_THERE = ("press", "inks")
_A_DAY_OF_PULLS = 8
"""That many are inked on one day, as a rule. ``room-practice``"""


def edition_out(plate: Plate, after: int | None = None) -> EditionOut:
    """Return a plate's edition; ``after``: what scratching again after a pull would do."""
    edition, state = edition_of(plate), pull_state_of(plate)
    decided, ok = decided_of(plate, edition), ok_of(plate, state)
    called = rows_of(plate, edition, state)
    rows = _rows(called, state, ok, wearing_area(state, decided.wear_area))
    counts = _counts(rows)
    left = max(0, decided.size - counts["numbered"])
    told = wears(plate, state, ok, decided, rows, left, after)
    needs, printing = _needs(state, left, decided), printing_of(plate)
    said, likely = sentence(told, decided, edition is not None, len(rows))
    sheets, fault = sheets_for(plate, printing, max(1, needs.pieces), 0.0)
    return EditionOut(
        **decided.model_dump(), **_plate(plate), **_printed(printing),
        version=edition.version if edition else 0,
        cancelled_at=edition.cancelled_at if edition else None,
        cancelled_how=edition.cancelled_how if edition else "",
        ok=ok,
        condition=condition_holds(
            ok, [(each, called.called(each).label) for each in state.pulled],
            decided.tolerance_lstar,
        ),
        rows=rows, **{key: counts[key] for key in _COUNTED}, left=left,
        next_number=called.next_number(),
        forecast=told.forecast, ok_place=told.ok_place, wears=told.area,
        pale_from=told.pale_from, pale_low=told.low, pale_high=told.high,
        sentence=said, range_text=likely, needs=needs, sheets=sheets,
        sheets_fault=fault.text if fault else "",
        ink=ink_for(plate, printing, max(1, needs.pieces), _days(needs.pieces)),
        printing=printing, now_seconds=time.time(),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
    )  # fmt: skip


def _rows(called: Rows, state: PullState, ok: OkOut | None, area: str) -> list[ImpressionRow]:
    wanted = next((tone.lstar for tone in ok.tones if tone.area == area), None) if ok else None
    return [impression_row(called, each, area, wanted) for each in state.pulled]


_COUNTED = ("done", "void", "artist_done", "printer_done", "spoiled", "to_come")


def _counts(rows: list[ImpressionRow]) -> dict[str, Any]:
    def count(series: str, *states: str) -> int:
        return sum(each.series == series and each.state in states for each in rows)

    return {
        "done": count("edition", "signed"), "void": count("edition", "void"),
        "numbered": count("edition", "signed", "void"),
        "artist_done": count("artist", "signed"), "printer_done": count("printer", "signed"),
        "spoiled": sum(each.state in ("spoiled", "void") for each in rows),
        "to_come": sum(each.state == "to-come" for each in rows),
    }  # fmt: skip


def _needs(state: PullState, left: int, decided: EditionDecided) -> Any:
    made = state.pulled
    return compute("edition-needs", {
        "left": left, "pulled_seconds": [each.pulled_seconds for each in made],
        "spoiled": sum(each.spoiled is not None for each in made),
        "spoiled_share": decided.spoiled_share,
    })  # fmt: skip


def _days(pieces: int) -> int:
    return max(1, math.ceil(pieces / _A_DAY_OF_PULLS))


def _plate(plate: Plate) -> dict[str, Any]:
    material = material_of(plate)
    return {
        "plate": plate.id, "plate_name": plate.name, "metal": plate.metal, "route": plate.route,
        "metal_text": MATERIALS[material].label if material in MATERIALS else material,
        "thickness_mm": plate.thickness_mm, "width_mm": plate.width_mm,
        "height_mm": plate.height_mm, "room_name": plate.room.name,
        "by_needle": bool({plate.route, *plate.routes} & set(SCRATCHED)),
    }  # fmt: skip


def _printed(printing: PrintingDecided) -> dict[str, Any]:
    """Return paper, ink and press by name."""
    asked = [each for each in (printing.paper, printing.ink) if each]
    names: dict[Any, str] = {row.id: row.name for row in Supply.objects.filter(id__in=asked)}
    press = Press.objects.filter(id=printing.press).first() if printing.press else None
    return {
        "paper_name": names.get(printing.paper, ""), "ink_name": names.get(printing.ink, ""),
        "press_name": press.name if press else "", "press_text": set_text(press) if press else "",
    }  # fmt: skip
