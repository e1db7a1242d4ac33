"""Runs as they are shown."""

from __future__ import annotations

import time

from core.data.care import CARE
from core.data.mordants import MORDANTS, Mordant
from core.process.row import Process
from core.process.rows import PROCESSES
from core.safety.cautions import cautions_for
from server.baths.actions.settle import bath_line
from server.events.reads import event_out, events_of
from server.plans.schemas import PlanArea
from server.runs.actions.state import follow
from server.runs.models import Run
from server.runs.schemas import CareOut, RunOut


def run_out(run: Run) -> RunOut:
    """Return a run as it stands now."""
    now = time.time()
    events, line = events_of(run.id), bath_line(run.bath)
    seen = follow(run, now, events, line)
    process, row = PROCESSES[run.part], MORDANTS[run.bath.mordant]
    rows = cautions_for({run.bath.mordant}, {run.plate.metal}, process.cautions)
    return RunOut(
        id=run.id,
        plate=run.plate.id,
        plate_name=run.plate.name,
        part=run.part,
        process=process.words,
        metal=run.plate.metal,
        bath=run.bath.id,
        bath_name=run.bath.name,
        mordant=run.bath.mordant,
        care=_care(process, row),
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
        closed_before=_closed_before(run),
        events=[event_out(event) for event in events],
        cautions=[f"{c.title}. {c.text} {c.now}" for c in rows],
    )


def _closed_before(run: Run) -> list[str]:
    if not run.before:
        return []
    return [area["name"] for area in run.areas if area["name"] not in run.before[-1]["open"]]


def _care(process: Process, row: Mordant) -> CareOut:
    """Return what hands do: the process's own way, else the mordant's."""
    care = CARE[process.care or row.care]
    every = process.care_every_seconds if process.care else row.care_every_seconds
    return CareOut(
        verb=care.verb, done=care.done, event=care.event, mark=care.mark, every_seconds=every
    )
