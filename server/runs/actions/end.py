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
def end_run(user: User, room_id: uuid.UUID, run_id: uuid.UUID) -> Run:
    """Return the ended run; the metal it dissolved is added to its bath's load.

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
    run.ended_at = timezone.now()
    run.save()
    load_bath(user, run)
    run.plate.place, run.plate.place_note = "resting", "bitten, washed"
    run.plate.version += 1
    run.plate.save()
    write(room, user, "run", f"Finished biting: {len(state.done)} bites.", plate=run.plate)
    return run


def load_bath(user: User, run: Run) -> None:
    """Add the metal of an ended run's bites to the bath, as a reading that says where from."""
    if run.ended_at is None:
        return
    bath = find(Bath, run.room, run.bath_id, lock=True)
    gained = PROCESSES[run.part].metal_g_per_l(decided_for(run, run_state(run).done))
    note = f"Reckoned from the bites of {run.plate.name}: +{gained:.2f} g/L."
    log_gain(user, bath, run.id, run.ended_at, gained, note)
