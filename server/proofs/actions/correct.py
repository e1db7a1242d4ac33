"""Correct what was typed of a proof: what stood is in the record, what follows is drawn anew."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from typing import Any

from django.db import transaction

from server.accounts.models import User
from server.plates.models import Plate
from server.proofs.actions.learn import learn_again
from server.proofs.actions.tones import tones_corrected
from server.proofs.models import Proof
from server.proofs.roman import roman
from server.proofs.schemas import ProofChange
from server.record.actions.write import write
from server.rooms.permissions import change, enter, find
from server.rooms.said import changes, said_of, stood, told_change
from server.shopbook.printed import KINDS, names_of, printed_with

Said = dict[str, Any]


@transaction.atomic
def correct_proof(user: User, room_id: uuid.UUID, proof_id: uuid.UUID, given: ProofChange) -> Proof:
    """Return the corrected proof; what its tones did to its plate's curves is done anew.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "log proofs")
    plate = find(Plate, room, find(Proof, room, proof_id).plate_id, lock=True)
    proof = change(Proof, room, proof_id, given.version)
    said = said_of(given, Proof, without={"tones", *KINDS})
    before = stood(proof, said) | names_of(proof) | {"tones": proof.tones}
    for field, value in said.items():
        setattr(proof, field, value)
    for kind, row in printed_with(room, given).items():
        setattr(proof, kind, row)
    if given.tones is not None:
        proof.tones = tones_corrected(plate, proof.tones, given.tones)
    now = said | names_of(proof) | {"tones": proof.tones}
    told = list(_told(now, before))
    proof.save()
    state = f"State {roman(proof.state_number)}"
    text = f"Corrected the proof of {state}: {'; '.join(told)}." if told else "Nothing changed."
    write(room, user, "proof", text, plate=plate, data={**now, "before": before})
    if _counts_in_curves(before, now):
        learn_again(user, proof)
    return proof


def _told(now: Said, before: Said) -> Iterator[str]:
    for name, was, value in changes(_in_words(now), _in_words(before)):
        if name == "tones":
            yield from _tones(was, value)
        else:
            yield told_change(_CALLED.get(name, name), was, value)


def _in_words(said: Said) -> Said:
    """Say what was seen of foul bite: "none" is seen, too."""
    if "foul_bite" not in said:
        return said
    return {**said, "foul_bite": _FOULED[said["foul_bite"]]}


_FOULED = {None: "not looked for", False: "none", True: "yes"}
_CALLED = {"soak_minutes": "soak in minutes", "foul_bite": "foul bite"}


def _tones(was: list[Said], now: list[Said]) -> Iterator[str]:
    old, new = ({tone["area"]: tone["read_lstar"] for tone in tones} for tones in (was, now))
    for area in {**old, **new}:
        if area not in new:
            yield f"{area} L* {old[area]:g} → not read"
        elif area not in old:
            yield f"{area} not read → L* {new[area]:g}"
        elif old[area] != new[area]:
            yield f"{area} L* {old[area]:g} → {new[area]:g}"


def _counts_in_curves(before: Said, now: Said) -> bool:
    """Tell whether a curve may be drawn by what changed: its tones, or what it was printed with."""
    return any(before[name] != now[name] for name in ("tones", *KINDS))
