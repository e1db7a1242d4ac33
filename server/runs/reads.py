"""Runs as they are shown."""

from __future__ import annotations

import time
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import cast
from uuid import UUID

from core.data.cautions import CAUTIONS, CautionRow
from core.data.facing import SEDIMENT_HINTS, Facing, usual_facing
from core.data.mordants import MORDANTS, Mordant
from core.events.kinds import LastRinse, Neutralised
from core.process.row import Process
from core.process.rows import PROCESSES
from core.process.shapes import ProcessWords
from core.safety.cautions import cautions_for
from server.baths.reads import caution_out
from server.events.models import Event
from server.events.reads import event_out, events_of
from server.instruments.reads import probe_of
from server.plans.schemas import PlanArea
from server.runs.actions.state import follow, line_of
from server.runs.models import Run
from server.runs.schemas import CareOut, HeatOut, RunOut
from server.studies.schemas import RunMap


@dataclass(frozen=True)
class Bitten:
    """What lies in the bath: a plate, or a strip."""

    plate: UUID | None
    strip: UUID | None
    name: str
    metal: str
    words: ProcessWords


def run_out(run: Run) -> RunOut:
    """Return a run as it stands now."""
    plate, words = run.plate, PROCESSES[run.part].words
    return shown(run, Bitten(plate.id, None, plate.name, plate.metal, words))


def shown(run: Run, bitten: Bitten) -> RunOut:
    """Return a run of something as it stands now."""
    now = time.time()
    events, line = events_of(run.id), line_of(run)
    seen = follow(run, now, events, line)
    process, row = PROCESSES[run.part], MORDANTS[run.bath.mordant]
    facing = cast(Facing, run.facing or usual_facing(run.bath.vessel))
    rows = cautions_for({run.bath.mordant}, {bitten.metal}, process.cautions)
    return RunOut(
        id=run.id,
        plate=bitten.plate,
        strip=bitten.strip,
        plate_name=bitten.name,
        part=run.part,
        process=bitten.words,
        metal=bitten.metal,
        bath=run.bath.id,
        bath_name=run.bath.name,
        mordant=run.bath.mordant,
        care=_care(process, row, facing),
        facing=facing if process.lies_in_bath else None,
        sediment=SEDIMENT_HINTS[facing] if process.lies_in_bath and row.sediment else "",
        usual_rinse=_usual_rinse(run),
        bath_temperature_c=run.bath.temperature_c,
        bath_line=line,
        areas=[PlanArea(**area) for area in run.areas],
        state=seen.state,
        in_bath=seen.state.in_bath is not None,
        sheet=seen.sheet,
        lift_seconds=seen.lift_seconds,
        stale=seen.stale,
        now_seconds=now,
        ended_at=run.ended_at,
        outcome=run.outcome,
        reason=run.reason,
        bites_before=len(run.before),
        map=_map(run),
        closed_before=_closed_before(run),
        events=[event_out(event) for event in events],
        cautions=[f"{c.title}. {c.text} {c.now}" for c in rows],
        wrong=[caution_out(row.key) for row in _wrong(run, bitten.metal, process)],
        probe=probe_of(run.bath, datetime.fromtimestamp(now, tz=UTC)),
        heat=_heat(row),
    )


def _wrong(run: Run, metal: str, process: Process) -> list[CautionRow]:
    """Return what may go wrong at this bath: all of it, though nothing is wrong yet."""
    heat = ("nitric-hot",) if MORDANTS[run.bath.mordant].hottest_c is not None else ()
    return cautions_for({run.bath.mordant}, {metal}, (*process.cautions, *heat, "bath", "waste"))


def _map(run: Run) -> RunMap | None:
    """Return the map of a run, with the address of its picture."""
    if not run.map:
        return None
    said = {key: run.map[key] for key in RunMap.model_fields if key != "picture"}
    return RunMap(picture=f"/api/rooms/{run.room_id}/runs/{run.id}/map", **said)


def _heat(row: Mordant) -> HeatOut | None:
    """Return how warm a bath may be: told beforehand, for one reads it with no line, too."""
    if row.warned_c is None or row.hottest_c is None:
        return None
    warm, hot = CAUTIONS["nitric-warm"], CAUTIONS["nitric-hot"]
    return HeatOut(
        warned_c=row.warned_c,
        hottest_c=row.hottest_c,
        warning=f"{warm.title}. {warm.text}",
        danger=f"{hot.title}. {hot.now}",
    )


def _closed_before(run: Run) -> list[str]:
    if not run.before:
        return []
    again = run.opened_after == len(run.before)
    left = run.open_again if again else run.before[-1]["open"]
    return [area["name"] for area in run.areas if area["name"] not in left]


def _usual_rinse(run: Run) -> LastRinse | None:
    last = Event.objects.filter(room=run.room_id, kind=Neutralised.kind).order_by("-at").first()
    return Neutralised.model_validate(last.data).how if last else None


def _care(process: Process, row: Mordant, facing: Facing) -> CareOut:
    care, every = process.care_for(row, facing)
    return CareOut(
        verb=care.verb, done=care.done, event=care.event, mark=care.mark, every_seconds=every
    )
