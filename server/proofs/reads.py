"""Proofs as they are shown."""

from __future__ import annotations

from server.proofs.actions.log import advice_for
from server.proofs.models import Proof
from server.proofs.schemas import ProofOut, ToneOut


def proof_out(proof: Proof) -> ProofOut:
    """Return a proof with what it asks for next."""
    return ProofOut(
        id=proof.id,
        plate=proof.plate_id,
        picture=proof.picture_id,
        state_number=proof.state_number,
        pulled_at=proof.pulled_at,
        paper=proof.paper,
        soak_minutes=proof.soak_minutes,
        ink=proof.ink,
        wipe=proof.wipe,
        pressure=proof.pressure,
        passes=proof.passes,
        note=proof.note,
        tones=[ToneOut(**tone) for tone in proof.tones],
        foul_bite=proof.foul_bite,
        ok_to_print=proof.ok_to_print,
        advice=advice_for(proof),
    )
