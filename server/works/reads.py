"""Shape answers about works."""

from __future__ import annotations

import json
import time
from functools import lru_cache
from typing import Any
from uuid import UUID

from core.calculators import compute, compute_text
from core.data.layers import KINDS_OF_LAYER
from core.errors import CoreError
from core.events.sheet_fold import fold_work
from core.events.sheet_state import WorkState
from server.baths.reads import caution_out
from server.events.reads import core_event, event_out, events_of
from server.replies.broken import Broken
from server.replies.errors import ErrorBody
from server.tasks.models import Task
from server.works.asked import PREVIEW, preview_asked
from server.works.layers import decided_of, layers_out, order_given, stack_given, things_of
from server.works.models import Layering, SignedSheet
from server.works.rows import SheetRows, is_unique, rows_of
from server.works.schemas import (
    LayerGhosts,
    LayerOpen,
    LayerOut,
    SheetRegister,
    WorkDecided,
    WorkOut,
    WorkRow,
)
from server.works.shelf import ink_told
from server.works.state import ghosts_read, latest_inking, work_states

CAUTIONS_THERE = ("press", "inks")
MOST_REGISTERS = 8
_MOST_HISTORY = 60
_LEAST_GHOSTS = 2


def work_rows(found: list[Layering]) -> list[WorkRow | Broken]:
    """Return works for the list, their events and tasks asked for at once."""
    states = work_states(found)
    tasks = _last_previews([row.id for row in found])
    signed = list(SignedSheet.objects.filter(layering__in=found))
    out: list[WorkRow | Broken] = []
    for row in found:
        decided = decided_of(row)
        _, layers = layers_out(decided, things_of(row, decided))
        stack, _fault = _stack(decided, layers)
        void = {each.event for each in states[row.id].sheets if each.spoiled is not None}
        out.append(WorkRow(
            id=row.id, name=row.work.name, called=stack.called if stack else "",
            layers=[each.name for each in layers], hexes=[each.hex for each in layers],
            width_mm=decided.width_mm, height_mm=decided.height_mm, size=decided.size,
            sheets=sum(each.spoiled is None for each in states[row.id].sheets),
            signed=sum(e.layering_id == row.id and e.sheet not in void for e in signed),
            unique=is_unique(layers), preview=tasks[row.id].id if row.id in tasks else None,
            put_away=row.put_away,
        ))  # fmt: skip
    return out


def _last_previews(works: list[UUID]) -> dict[UUID, Task]:
    done = Task.objects.filter(kind=PREVIEW, about__in=works, state="done")
    return {each.about: each for each in done.order_by("created_at")}


def work_out(row: Layering) -> WorkOut:
    """Return a work as it stands."""
    decided = decided_of(row)
    arm, layers = layers_out(decided, things_of(row, decided))
    events = events_of(row.id)
    said = [core_event(each) for each in events]
    state = fold_work(said)
    rows = rows_of(row, decided, layers, state)
    stack, fault = _stack(decided, layers)
    preview = _last_previews([row.id]).get(row.id)
    void = {each.event for each in state.sheets if each.spoiled is not None}
    return WorkOut(
        **decided.model_dump(), id=row.id, name=row.work.name, version=row.version,
        put_away=row.put_away, layers_out=layers, arm_mm=arm, stack=stack, stack_fault=fault,
        plates_order=_order(decided, layers, preview),
        preview=preview.id if preview else None,
        preview_fresh=preview is not None and preview.given == preview_asked(decided, layers),
        rows=rows.rows(), registers=_registers(state, decided),
        ghosts_out=_ghosts(row, decided, layers, state), open_out=_open(layers, state),
        done=_done(rows, void), next_number=rows.next_number(), state=state,
        events=[event_out(each, one.data) for each, one in zip(events, said, strict=True)],
        now_seconds=time.time(), cautions=[caution_out(key) for key in CAUTIONS_THERE],
    )  # fmt: skip


def _done(rows: SheetRows, void: set[UUID]) -> int:
    return sum(
        each.series == "edition" and each.sheet not in void for each in rows.numbers.values()
    )


def _stack(decided: WorkDecided, layers: list[LayerOut]) -> tuple[Any, ErrorBody | None]:
    """Return what the print is called; where a layer cannot be, the fault that says why."""
    if not layers:
        return None, None
    try:
        return compute("layer-stack", stack_given(decided, layers)), None
    except CoreError as error:
        return None, ErrorBody.model_validate(error.as_dict())


def _order(decided: WorkDecided, layers: list[LayerOut], preview: Task | None) -> Any:
    counted = (preview.result or {}).get("previews", []) if preview else []
    given = order_given(decided, layers, {each["name"]: each["covers"] for each in counted})
    try:
        return _reckoned("plate-order", json.dumps(given)) if given else None
    except CoreError:
        return None


@lru_cache(maxsize=128)
def _reckoned(name: str, given: str) -> Any:
    """Return what a calculator answers; the same question, asked at every touch, once."""
    return compute_text(name, given)


def _registers(state: WorkState, decided: WorkDecided) -> list[SheetRegister]:
    """Return how plates lie on the sheets whose crosses were read last."""
    read = [(each.event, each.crosses) for each in state.sheets if each.crosses]
    found = []
    for sheet, crosses in sorted(read, key=lambda each: each[1].at_seconds)[-MOST_REGISTERS:]:
        key = next((each.name for each in decided.layers if each.id == crosses.key), "the key")
        plates = [
            {"name": each.name, "crosses": [one.model_dump() for one in each.crosses]}
            for each in crosses.layers if each.crosses and each.name != key
        ]  # fmt: skip
        try:
            told: Any = compute("register-plates", {
                "size_mm": [decided.width_mm, decided.height_mm], "key": key, "plates": plates,
            })  # fmt: skip
        except CoreError:
            continue
        found.append(SheetRegister(sheet=sheet, told=told))
    return found


def _ghosts(
    row: Layering, decided: WorkDecided, layers: list[LayerOut], state: WorkState
) -> list[LayerGhosts]:
    """Return the pulls of each hand-made layer's inking, by what the whole room has read."""
    by_hand = [each for each in layers if KINDS_OF_LAYER[each.kind].by_hand]
    if not by_hand:
        return []
    others = Layering.objects.filter(room=row.room_id).exclude(id=row.id)
    read = ghosts_read([state, *work_states(others).values()])
    return [_of_layer(each, decided, state, read) for each in by_hand]


def _of_layer(
    layer: LayerOut, decided: WorkDecided, state: WorkState, read: list[dict[str, Any]]
) -> LayerGhosts:
    inking = latest_inking(state, layer.id)
    own = inking.event if inking else None
    now: list[Any] = next((each["pulls"] for each in read if each["inking"] == own), [])
    history = [{"pulls": each["pulls"]} for each in read if each["inking"] != own]
    told = _reckoned("ghost-forecast", json.dumps({
        "now": {"pulls": now}, "history": history[-_MOST_HISTORY:],
        "ghosts": min(8, max(_LEAST_GHOSTS, decided.ghosts)),
    }))  # fmt: skip
    return LayerGhosts(layer=layer.id, inking=own, told=told)


def _open(layers: list[LayerOut], state: WorkState) -> list[LayerOpen]:
    found = []
    for layer in layers:
        inking = latest_inking(state, layer.id)
        if inking is not None and KINDS_OF_LAYER[layer.kind].by_hand:
            since, told = inking.at_seconds, ink_told(layer)
            found.append(
                LayerOpen(layer=layer.id, inking=inking.event, since_seconds=since, told=told)
            )
    return found
