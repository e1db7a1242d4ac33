"""Decide that a proof is OK to print, with or without a condition, or take that back."""

from __future__ import annotations

import uuid
from collections.abc import Callable

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.plates.models import Plate
from server.proofs.models import Approval, Proof
from server.proofs.roman import roman
from server.proofs.schemas import ApprovalIn
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import add, enter, find

AFTER_OK: list[Callable[[User, Plate], None]] = []
"""What follows from an OK in nouns above this one: each adds its own, called in the transaction."""


@transaction.atomic
def approve(user: User, room_id: uuid.UUID, proof_id: uuid.UUID, given: ApprovalIn) -> Proof:
    """Return the proof after the OK was given or taken back; sent twice it is said once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        An earlier state than the plate stands in; an area that was not read on this proof.
    """
    room = enter(user, room_id, "log proofs")
    proof = find(Proof, room, proof_id)
    plate = find(Plate, room, proof.plate_id, lock=True)
    if given.ok:
        _check(proof, plate.state_number, given)
    facts = given.model_dump(exclude={"id"})
    row = Approval(id=given.id, room=room, plate=plate, proof=proof, by=user, at=timezone.now(),
                   **facts)  # fmt: skip
    row, new = add(row)
    if not new:
        return proof
    proof.ok_to_print = plate.ok_to_print = given.ok
    proof.version += 1
    proof.save()
    plate.version += 1
    plate.save()
    write(room, user, "proof", _said(row, proof), plate=plate)
    for each in AFTER_OK:
        each(user, plate)
    return proof


def sign_ok(user: User, proof: Proof) -> None:
    """Keep the OK of a proof that was logged with it; call it inside that transaction."""
    Approval.objects.create(
        id=uuid.uuid5(proof.id, "ok"), room=proof.room, plate=proof.plate, proof=proof, ok=True,
        said_by="printer", by=user, at=proof.pulled_at,
    )  # fmt: skip
    for each in AFTER_OK:
        each(user, proof.plate)


def _check(proof: Proof, state_number: int, given: ApprovalIn) -> None:
    if proof.state_number < state_number:
        raise BadValue(
            "earlier-state", f"The plate stands at State {roman(state_number)}: this proof shows "
            "what it printed before. Decide on a proof of the state it is in.", field="ok",
            value=True, allowed=f"a proof of State {roman(state_number)}",
        )  # fmt: skip
    read = [tone["area"] for tone in proof.tones]
    if given.area and given.area not in read:
        raise BadValue(
            "area-not-read", f"{given.area} was not read on this proof, so nothing could tell "
            "whether the condition holds.", field="area", value=given.area,
            allowed=", ".join(read) or "empty",
        )  # fmt: skip


def _said(row: Approval, proof: Proof) -> str:
    state = f"State {roman(proof.state_number)}"
    who = f"by the {row.said_by}"
    if not row.ok:
        return f"OK to print of {state} taken back {who}. {row.remark}".strip()
    under = f", if {row.condition}" if row.condition else ""
    return f"OK to print: {state}, {who}{under}. {row.remark}".strip()


def standing_approval(plate_id: uuid.UUID) -> Approval | None:
    """Return the OK that stands for a plate; None where none does."""
    rows = Approval.objects.filter(plate_id=plate_id).select_related("proof", "by")
    row = rows.order_by("-at", "-created_at").first()
    return row if row is not None and row.ok else None
