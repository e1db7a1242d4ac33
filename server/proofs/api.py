"""The proofs' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.plates.models import Plate
from server.proofs.actions.log import log_proof
from server.proofs.models import Proof
from server.proofs.reads import proof_out
from server.proofs.schemas import ProofIn, ProofOut
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["proofs"])


@router.get("/proofs", response={200: Page[ProofOut], 404: ErrorReply})
def get_proofs(
    request: HttpRequest, room: RoomId, plate: UUID, page: PageNumber = 1
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
