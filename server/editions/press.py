"""Shape answers about a plate at the press."""

from __future__ import annotations

import statistics
import time
from typing import Any
from uuid import UUID

from core.calculators import compute
from core.data.paper import PLATE_DRIES_SECONDS
from core.errors import CoreError
from core.events.pull_state import PressPull, PullState
from server.baths.reads import caution_out
from server.editions.decided import decided_of, edition_of
from server.editions.ok import ok_of
from server.editions.reads import CAUTIONS_THERE
from server.editions.rows import rows_of
from server.editions.schemas import OkOut, PressOut, PullChecked
from server.events.reads import event_out
from server.marks.state import decided_of as marks_decided
from server.plates.models import Plate
from server.proofs.models import Proof
from server.pulls.printing import printing_in
from server.pulls.state import Stood, stood_of
from server.shopbook.models import Press, Supply
from server.shopbook.reads import ink_out, paper_out, press_out

MOST_CHECKED = 3
"""The last pulls that are held beside the OK."""
WORN_FROM, WORN_LEAST = 4, 2
"""Pulls before it that an expected wear is told from, and the fewest that tell.
``room-practice``"""


def press_page(plate: Plate, stood: Stood | None = None) -> PressOut:
    """Return a plate at the press; ``stood`` where that was asked for already."""
    edition, stood = edition_of(plate), stood or stood_of(plate)
    row, state = stood.row, stood.state
    told = zip(stood.events, (each.data for each in stood.said), strict=True)
    printing, ok = printing_in(row), ok_of(plate, state)
    decided = decided_of(plate, edition)
    called = rows_of(plate, edition, state)
    paper, ink = _supply(plate, printing.paper), _supply(plate, printing.ink)
    press = _press(plate, printing.press)
    return PressOut(
        id=plate.id, name=plate.name, metal=plate.metal, width_mm=plate.width_mm,
        height_mm=plate.height_mm, picture=_picture(plate), version=row.version if row else 0,
        decided=printing,
        paper=paper_out(paper) if paper else None,
        ink=ink_out(ink) if ink else None,
        press=press_out(press) if press else None,
        size=edition.size if edition else None, order=decided.order,
        next_number=called.next_number(),
        labels=[called.called(each) for each in state.pulled],
        ok=ok, areas=_areas(ok, state),
        checks=_checks(state, ok, decided.tolerance_lstar),
        cancelled=bool(edition and edition.cancelled_at),
        dries_seconds=PLATE_DRIES_SECONDS, state=state,
        events=[event_out(*each) for each in told],
        now_seconds=time.time(),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
    )  # fmt: skip


def _supply(plate: Plate, row_id: UUID | None) -> Supply | None:
    return Supply.objects.filter(room=plate.room_id, id=row_id).first() if row_id else None


def _press(plate: Plate, row_id: UUID | None) -> Press | None:
    """Return the press a plate is printed on; None where none was chosen."""
    return Press.objects.filter(room=plate.room_id, id=row_id).first() if row_id else None


def _picture(plate: Plate) -> Any:
    """Return the picture a wipe map is painted on: a proof of it, else what it was drawn from."""
    if plate.state_number > 0:
        proofs = Proof.objects.filter(plate=plate).exclude(picture=None).order_by("-pulled_at")
        picture = proofs.values_list("picture_id", flat=True).first()
        if picture is not None:
            return picture
    return plate.study_id or marks_decided(plate).drawing


def _areas(ok: OkOut | None, state: PullState) -> list[str]:
    named = [tone.area for tone in ok.tones] if ok else []
    read = [area.name for each in state.pulled for area in each.areas]
    return list(dict.fromkeys([*named, *read]))


def _checks(state: PullState, ok: OkOut | None, tolerance: float) -> list[PullChecked]:
    made = state.pulled
    return [
        PullChecked(pull=each.event, check=_check(each, made, ok, tolerance))
        for each in made[-MOST_CHECKED:]
    ]


def _check(pull: PressPull, made: list[PressPull], ok: OkOut | None, tolerance: float) -> Any:
    tones = {tone.area: tone for tone in ok.tones} if ok else {}
    areas = [
        {"name": read.name, "lstar": read.lstar, "ok_lstar": tones[read.name].lstar,
         "spread": (read.spread**2 + tones[read.name].spread ** 2) ** 0.5,
         "worn_lstar": _worn(read.name, pull, made, tones[read.name].lstar)}
        for read in pull.areas if read.name in tones
    ]  # fmt: skip
    seen = list(pull.seen)
    if pull.place == 1 and pull.areas and "first-pull" not in seen and not ok:
        seen.insert(0, "first-pull")
    try:
        return compute("pull-check", {"areas": areas, "tolerance_lstar": tolerance, "seen": seen})
    except CoreError:
        return compute("pull-check", {"seen": seen})


def _worn(area: str, pull: PressPull, made: list[PressPull], ok_lstar: float) -> float:
    """Return by how much wear is expected to have made an area lighter than the OK.

    As the last whole pulls before it were: wear goes on slowly, a pull astray comes suddenly. The
    whole forecast is the edition's; at the press an answer must not wait for it.
    """
    before = [
        read.lstar - ok_lstar
        for each in made
        if each.place < pull.place and each.spoiled is None
        for read in each.areas
        if read.name == area
    ][-WORN_FROM:]
    if len(before) < WORN_LEAST:
        return 0.0
    return round(max(0.0, statistics.median(before)), 2)
