"""Pin a note to a proof, and say when a state answers it."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.proofs.models import Pin, Proof
from server.proofs.roman import roman
from server.proofs.schemas import PinIn
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import add, change, enter, find


@transaction.atomic
def keep_pin(user: User, room_id: uuid.UUID, given: PinIn) -> Pin:
    """Return the pin, new or changed; done, it names the state that answers it.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        It lies beside the plate.
    """
    room = enter(user, room_id, "log proofs")
    proof = find(Proof, room, given.proof)
    _check_on_plate(given, proof)
    facts = given.model_dump(exclude={"id", "version", "proof", "done"})
    if given.version == 0:
        new = Pin(id=given.id, room=room, plate=proof.plate, proof=proof, **facts)
        pin, is_new = add(new)
        if is_new:
            text = f"Pinned on State {roman(proof.state_number)}: {_said(pin)}."
            write(room, user, "proof", text, plate=proof.plate)
        return pin
    pin = change(Pin, room, given.id, given.version)
    was_done, was_away = pin.done_at is not None, pin.withdrawn
    for field, value in facts.items():
        setattr(pin, field, value)
    if given.done != was_done:
        pin.done_at = timezone.now() if given.done else None
        pin.done_in_state = pin.plate.state_number if given.done else None
    pin.save()
    word = "Changed" if given.done == was_done else "Done" if given.done else "Not done after all"
    if given.withdrawn != was_away:
        word = "Taken away" if given.withdrawn else "Pinned again"
    write(room, user, "proof", f"{word}: {_said(pin)}.", plate=pin.plate)
    return pin


def _check_on_plate(given: PinIn, proof: Proof) -> None:
    for field, value, side in (
        ("x_mm", given.x_mm, proof.plate.width_mm),
        ("y_mm", given.y_mm, proof.plate.height_mm),
    ):
        if value > side:
            raise BadValue(
                "beside-the-plate", "The pin lies beside the plate.", field=field, value=value,
                allowed=f"0 to {side:g}", unit="mm",
            )  # fmt: skip


def _said(pin: Pin) -> str:
    return f"{pin.kind}, {pin.text}" if pin.text else pin.kind
