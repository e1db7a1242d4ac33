"""Shape answers about a plate at the press."""

from __future__ import annotations

import time
from typing import Any

from core.calculators import compute
from core.data.paper import PLATE_DRIES_SECONDS
from core.errors import CoreError
from core.events.pull_state import PressPull, PullState
from server.baths.reads import caution_out
from server.editions.decided import decided_of, edition_of
from server.editions.ok import ok_of
from server.editions.reads import CAUTIONS_THERE
from server.editions.rows import Rows, impression_row, rows_of
from server.editions.schemas import OkOut, PressOut, PullChecked
from server.editions.wears import Wears, wears
from server.events.reads import event_out, events_of
from server.marks.state import decided_of as marks_decided
from server.plates.models import Plate
from server.proofs.models import Proof
from server.pulls.models import Pulls, pulls_id
from server.pulls.printing import printing_of
from server.pulls.state import pull_state_of
from server.shopbook.models import Press, Supply
from server.shopbook.reads import ink_out, paper_out, press_out

MOST_CHECKED = 3
"""The last pulls that are held beside the OK."""


def press_page(plate: Plate) -> PressOut:
    """Return a plate at the press."""
    edition, state = edition_of(plate), pull_state_of(plate)
    row = Pulls.objects.filter(plate=plate).first()
    printing, ok = printing_of(plate), ok_of(plate, state)
    called = rows_of(plate, edition, state)
    papers, inks = _supplies(plate, "paper"), _supplies(plate, "ink")
    presses = [press_out(each) for each in Press.objects.filter(room=plate.room).order_by("name")]
    return PressOut(
        id=plate.id, name=plate.name, metal=plate.metal, width_mm=plate.width_mm,
        height_mm=plate.height_mm, picture=_picture(plate), version=row.version if row else 0,
        decided=printing,
        paper=_named([paper_out(each) for each in papers], printing.paper),
        ink=_named([ink_out(each) for each in inks], printing.ink),
        press=_named(presses, printing.press),
        papers=[paper_out(each) for each in papers if not each.put_away],
        inks=[ink_out(each) for each in inks if not each.put_away],
        presses=[each for each in presses if not each.put_away],
        size=edition.size if edition else None, order=decided_of(plate, edition).order,
        next_number=called.next_number(),
        labels=[called.called(each) for each in state.pulled],
        ok=ok, areas=_areas(ok, state),
        checks=_checks(plate, state, ok, called),
        cancelled=bool(edition and edition.cancelled_at),
        dries_seconds=PLATE_DRIES_SECONDS, state=state,
        events=[event_out(each) for each in events_of(pulls_id(plate))],
        now_seconds=time.time(),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
    )  # fmt: skip


def _supplies(plate: Plate, kind: str) -> list[Supply]:
    return list(Supply.objects.filter(room=plate.room, kind=kind).order_by("name"))


def _named(rows: list[Any], row_id: object) -> Any:
    return next((each for each in rows if each.id == row_id), None)


def _picture(plate: Plate) -> Any:
    """Return the picture a wipe map is painted on: a proof of it, else what it was drawn from."""
    proof = Proof.objects.filter(plate=plate).exclude(picture=None).order_by("-pulled_at").first()
    return proof.picture_id if proof else marks_decided(plate).drawing or plate.study_id


def _areas(ok: OkOut | None, state: PullState) -> list[str]:
    named = [tone.area for tone in ok.tones] if ok else []
    read = [area.name for each in state.pulled for area in each.areas]
    return list(dict.fromkeys([*named, *read]))


def _checks(plate: Plate, state: PullState, ok: OkOut | None, called: Rows) -> list[PullChecked]:
    last = state.pulled[-MOST_CHECKED:]
    if not last:
        return []
    decided = decided_of(plate)
    rows = [impression_row(called, each, "", None) for each in state.pulled]
    told = wears(plate, state, ok, decided, rows, decided.size)
    return [
        PullChecked(pull=each.event, check=_check(each, ok, told, decided.tolerance_lstar))
        for each in last
    ]


def _check(pull: PressPull, ok: OkOut | None, told: Wears, tolerance: float) -> Any:
    tones = {tone.area: tone for tone in ok.tones} if ok else {}
    areas = [
        {"name": read.name, "lstar": read.lstar, "ok_lstar": tones[read.name].lstar,
         "spread": (read.spread**2 + tones[read.name].spread ** 2) ** 0.5,
         "worn_lstar": _worn(told, pull.place) if read.name == told.area else 0.0}
        for read in pull.areas if read.name in tones
    ]  # fmt: skip
    seen = list(pull.seen)
    if pull.place == 1 and pull.areas and "first-pull" not in seen and not ok:
        seen.insert(0, "first-pull")
    try:
        return compute("pull-check", {"areas": areas, "tolerance_lstar": tolerance, "seen": seen})
    except CoreError:
        return compute("pull-check", {"seen": seen})


def _worn(told: Wears, place: int) -> float:
    """Return by how much wear has made a pull lighter than the OK, as it is foretold."""
    if told.forecast is None:
        return 0.0
    at = {each.impression: each.lstar for each in told.forecast.forecast}
    return round(at[place] - at[told.ok_place], 2) if place in at and told.ok_place in at else 0.0
