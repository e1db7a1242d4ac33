"""End a strip's bites: what its patches had is then to be read."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.process.rows import PROCESSES
from core.process.shapes import Decided
from core.process.strip import patches_to_bite
from core.stages.shapes import MOST_DONE
from server.accounts.models import User
from server.baths.actions.facts import bath_facts
from server.baths.actions.keep import log_gain
from server.baths.models import Bath
from server.events.done import done_bite
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.strips.actions.tell_bath import tell_bath
from server.strips.models import Strip
from server.strips.state import strip_state

BITTEN_AS = "tones"


@transaction.atomic
def end_strip(user: User, room_id: uuid.UUID, strip_id: uuid.UUID, reason: str = "") -> Strip:
    """Return the strip, bitten; the metal it dissolved is added to its bath's load.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        It is in the bath, or was never to be bitten here.
    """
    room = enter(user, room_id, "change strips")
    strip = find(Strip, room, strip_id, lock=True)
    if strip.ended_at is not None:
        return strip
    if not strip.planned:
        raise BadValue("no-plan", "This strip was not bitten here. Read it.", field="strip")
    state = strip_state(strip)
    if state.in_bath is not None:
        raise BadValue("in-bath", "The strip is in the bath. Lift it first.", field="strip")
    strip.ended_at, strip.end_reason = timezone.now(), reason
    strip.save()
    load_bath(user, strip)
    tell_bath(strip)
    why = f": {reason}" if reason else ""
    write(room, user, "strip", f"Strip {strip.name}: {len(state.done)} bites made{why}.")
    return strip


def load_bath(user: User, strip: Strip) -> None:
    """Add the metal of an ended strip's bites to its bath, as a reading that says where from."""
    if strip.ended_at is None or strip.bath_id is None:
        return
    bath = find(Bath, strip.room, strip.bath_id, lock=True)
    given = Decided(
        areas=patches_to_bite(strip.planned),
        bath=bath_facts(bath),
        method="stop-out",
        round_to_seconds=5,
        done=[done_bite(dip) for dip in strip_state(strip).done][:MOST_DONE],
    )
    gained = PROCESSES[BITTEN_AS].metal_g_per_l(given)
    note = f"Reckoned from the bites of strip {strip.name}: +{gained:.2f} g/L."
    log_gain(user, bath, strip.id, strip.ended_at, gained, note)
