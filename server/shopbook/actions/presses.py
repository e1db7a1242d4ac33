"""Keep the room's presses."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.record.actions.write import write
from server.rooms.permissions import add, change, enter
from server.shopbook.actions.keep import same
from server.shopbook.models import Press
from server.shopbook.reads import set_text
from server.shopbook.schemas import PressIn


@transaction.atomic
def keep_press(user: User, room_id: uuid.UUID, given: PressIn) -> Press:
    """Return the stored press, new or changed.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep recipes")
    facts = given.model_dump(mode="json", exclude={"id", "version"})
    if given.version == 0:
        press, new = add(Press(id=given.id, room=room, **facts))
        if not new:
            return same(press, facts)
    else:
        press = change(Press, room, given.id, given.version)
        for field, value in facts.items():
            setattr(press, field, value)
        press.save()
    text = f"Press {press.name}: {set_text(press)}, {len(press.blankets)} blankets."
    write(room, user, "press", text, data=facts)
    return press
