"""Log a check patch, read off a strip of this room."""

from __future__ import annotations

import uuid

from server.accounts.models import User
from server.baths.actions.check import check_bath
from server.baths.models import Bath
from server.baths.schemas import CheckPatchIn
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.strips.models import Strip


def check_by_strip(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: CheckPatchIn) -> Bath:
    """Return the bath with a new check patch.

    Raises
    ------
    NotFound, NotAllowed, CoreError, Stale
    BadValue
        The strip has no curve.
    """
    room = enter(user, room_id, "read baths")
    strip = find(Strip, room, given.strip)
    if strip.curve is None:
        raise BadValue(
            "no-curve", f"{strip.name} has no curve to read a patch off. Choose another.",
            field="strip", value=strip.name, allowed="a strip with a curve",
        )  # fmt: skip
    return check_bath(user, room_id, bath_id, given, strip.curve)
