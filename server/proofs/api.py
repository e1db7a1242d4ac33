"""The proofs' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Query, Router

from server.config.errors import ErrorReply
from server.config.paging import Page, page_of
from server.config.session import signed_in
from server.plates.models import Plate
from server.proofs.actions.log import advice_for, log_proof
from server.proofs.models import Proof
from server.proofs.schemas import ProofIn, ProofOut, ToneOut
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["proofs"])


@router.get("/proofs", response={200: Page[ProofOut], 404: ErrorReply})
def get_proofs(
    request: HttpRequest, room: RoomId, plate: UUID, page: int = Query(1, ge=1)
) -> Page[ProofOut]:
    """List a plate's proofs, newest first."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    return page_of(Proof.objects.filter(plate=found).order_by("-pulled_at"), page, proof_out)


@router.post("/proofs", response={201: ProofOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_proof(request: HttpRequest, room: RoomId, payload: ProofIn) -> tuple[int, ProofOut]:
    """Log a proof."""
    return 201, proof_out(log_proof(signed_in(request), room, payload))


@router.get("/proofs/{uuid:proof}", response={200: ProofOut, 404: ErrorReply})
def get_proof(request: HttpRequest, room: RoomId, proof: UUID) -> ProofOut:
    """Show a proof with its advice."""
    return proof_out(find(Proof, enter(signed_in(request), room, "look"), proof))


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
