"""End a run, and reckon what its bites added to the bath."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.process.rows import PROCESSES
from server.accounts.models import User
from server.baths.actions.keep import log_gain
from server.baths.models import Bath
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.runs.actions.state import decided_for, run_state
from server.runs.models import Run


@transaction.atomic
def end_run(user: User, room_id: uuid.UUID, run_id: uuid.UUID, reason: str = "") -> Run:
    """Return the ended run; the metal it dissolved is added to its bath's load.

    With a reason it is set aside, and may be gone on from. What was never dipped is not bitten.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The plate is in the bath.
    """
    room = enter(user, room_id, "run")
    find(Plate, room, find(Run, room, run_id).plate_id, lock=True)
    run = find(Run, room, run_id, lock=True)
    if run.ended_at is not None:
        return run
    state = run_state(run)
    if state.in_bath is not None:
        raise BadValue("in-bath", "The plate is in the bath. Lift it first.", field="run")
    bites = len(state.done)
    run.ended_at, run.reason = timezone.now(), reason
    run.outcome = Run.NEVER_DIPPED if bites == 0 else Run.SET_ASIDE if reason else Run.FINISHED
    run.save()
    if run.outcome == Run.FINISHED and run.plan and run.plan.open_again:
        run.plan.open_again = []
        run.plan.version += 1
        run.plan.save()
    load_bath(user, run)
    text, run.plate.place_note = _said(run, bites)
    run.plate.place = "resting"
    run.plate.version += 1
    run.plate.save()
    write(room, user, "run", text, plate=run.plate)
    return run


def _said(run: Run, bites: int) -> tuple[str, str]:
    """Return what the record says of the end, and what the rack does."""
    why = f": {run.reason}" if run.reason else ""
    if run.outcome == Run.NEVER_DIPPED:
        return f"The run was ended before the first dip{why}.", ""
    if run.outcome == Run.SET_ASIDE:
        counted = f"{bites} bite{'s' if bites > 1 else ''}"
        return f"Set aside after {counted}{why}.", f"set aside{why}"
    return f"Finished biting: {bites} bites.", "bitten, washed"


def load_bath(user: User, run: Run) -> None:
    """Add the metal of an ended run's bites to the bath, as a reading that says where from."""
    if run.ended_at is None:
        return
    bath = find(Bath, run.room, run.bath_id, lock=True)
    given = decided_for(run, run_state(run).done)
    own = given.model_copy(
        update={"done": given.done[len(run.before) :], "open_again": [], "opened_after": 0}
    )
    gained = PROCESSES[run.part].metal_g_per_l(own)
    note = f"Reckoned from the bites of {run.plate.name}: +{gained:.2f} g/L."
    log_gain(user, bath, run.id, run.ended_at, gained, note)
