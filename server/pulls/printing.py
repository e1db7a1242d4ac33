"""How a plate is printed: what was decided, and the row it stands in."""

from __future__ import annotations

import uuid

from django.db import transaction

from core.limits import within
from server.accounts.models import User
from server.plates.models import Plate
from server.pulls.models import Pulls, pulls_id
from server.pulls.schemas import PrintingDecided, PrintingIn
from server.record.actions.write import write
from server.replies.errors import Stale
from server.rooms.models import Room
from server.rooms.permissions import enter, find
from server.shopbook.models import Press, Supply


def pulls_row(room: Room, plate: Plate) -> Pulls:
    """Return a plate's row, made where there is none yet."""
    row, _ = Pulls.objects.get_or_create(
        id=pulls_id(plate), defaults={"room": room, "plate": plate, "version": 0}
    )
    return row


def printing_of(plate: Plate) -> PrintingDecided:
    """Return how a plate is printed; the usual where nothing was decided."""
    return printing_in(Pulls.objects.filter(plate=plate).first())


def printing_in(row: Pulls | None) -> PrintingDecided:
    """Return how a plate is printed, as its row has it."""
    return PrintingDecided(**within(PrintingDecided, row.decided if row else {}))


@transaction.atomic
def keep_printing(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PrintingIn) -> Plate:
    """Return the plate after how it is printed was stored.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id, lock=True)
    row = pulls_row(room, plate)
    if row.version != given.version:
        raise Stale(
            "stale", "Someone changed how this plate is printed while you were at it. Yours is "
            "kept here; look at theirs, then save again.", field="version", value=given.version,
            allowed=str(row.version),
        )  # fmt: skip
    named = [find(Supply, room, each).name for each in (given.paper, given.ink) if each]
    named += [find(Press, room, given.press).name] if given.press else []
    decided = given.model_dump(mode="json", include=set(PrintingDecided.model_fields))
    row.decided, row.version = decided, row.version + 1
    row.save()
    told = ", ".join([*named, *given.wipes]) or "nothing named"
    write(room, user, "printing", f"Printed with: {told}.", plate=plate, data=decided)
    return plate
