"""Log a proof."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.files.models import Picture
from server.plates.models import Plate
from server.proofs.actions.approve import sign_ok
from server.proofs.actions.learn import learn_from
from server.proofs.actions.reading import reading_of
from server.proofs.actions.tones import tones_read
from server.proofs.models import Proof
from server.proofs.roman import roman
from server.proofs.schemas import ProofIn
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find
from server.runs.actions.state import latest_run
from server.shopbook.printed import KINDS, printed_with

_SHAPED = {"plate", "picture", "pulled_at", "tones", "same_state", "reading", *KINDS}


@transaction.atomic
def log_proof(user: User, room_id: uuid.UUID, given: ProofIn) -> Proof:
    """Return the stored proof; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "log proofs")
    plate = find(Plate, room, given.plate, lock=True)
    again = given.same_state and plate.state_number > 0
    number = plate.state_number if again else plate.state_number + 1
    proof, new = add(
        Proof(
            room=room,
            run=latest_run(plate),
            picture=find(Picture, room, given.picture) if given.picture else None,
            plate=plate,
            state_number=number,
            tones=tones_read(plate, given.tones),
            reading=reading_of(room, plate, given.reading),
            pulled_at=given.pulled_at or timezone.now(),
            **printed_with(room, given),
            **given.model_dump(exclude=_SHAPED),
        )
    )
    if not new:
        return proof
    plate.state_number = number
    plate.ok_to_print = given.ok_to_print
    plate.place, plate.place_note = "proof", ""
    plate.version += 1
    plate.save()
    text = f"Pulled State {roman(number)}" + (", OK to print." if given.ok_to_print else ".")
    write(room, user, "proof", text, plate=plate, at=proof.pulled_at)
    learn_from(user, proof)
    if given.ok_to_print:
        sign_ok(user, proof)
    return proof
