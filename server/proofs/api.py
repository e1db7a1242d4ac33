"""The proofs' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import FileResponse, HttpRequest
from ninja import Router

from core.reading.compare_proofs import CompareProofsOutput
from server.accounts.session import signed_in
from server.plates.models import Plate
from server.proofs.actions.approve import approve
from server.proofs.actions.compare import compare
from server.proofs.actions.correct import correct_proof
from server.proofs.actions.log import log_proof
from server.proofs.actions.pin import keep_pin
from server.proofs.actions.reading import straight_of
from server.proofs.actions.scan import ask_to_read
from server.proofs.actions.standing import Standing
from server.proofs.models import Pin, Proof
from server.proofs.reads import pin_out, proof_out
from server.proofs.schemas import (
    ApprovalIn,
    PinIn,
    PinOut,
    ProofChange,
    ProofIn,
    ProofOut,
    ReadProofIn,
)
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["proofs"])


@router.get("/proofs", response={200: Page[ProofOut], 404: ErrorReply})
def get_proofs(
    request: HttpRequest, room: RoomId, plate: UUID, page: PageNumber = 1
) -> Page[ProofOut]:
    """List a plate's proofs, newest first."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    rows = Proof.objects.filter(plate=found).order_by("-pulled_at")
    rows = rows.select_related("plate", "run", "paper", "ink", "wipe")
    at = Standing(found)
    return page_of(rows, page, lambda proof: proof_out(proof, at))


@router.post("/proofs", response={201: ProofOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_proof(request: HttpRequest, room: RoomId, payload: ProofIn) -> tuple[int, ProofOut]:
    """Log a proof."""
    return 201, proof_out(log_proof(signed_in(request), room, payload))


@router.post(
    "/proofs/scans", response={202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply}
)
def post_proof_scan(
    request: HttpRequest, room: RoomId, payload: ReadProofIn
) -> tuple[int, TaskOut]:
    """Read the areas of a stored scan of a proof, as a task; a proof takes its answer."""
    return 202, task_out(ask_to_read(signed_in(request), room, payload))


@router.post(
    "/proofs/{uuid:proof}/approvals",
    response={201: ProofOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_approval(
    request: HttpRequest, room: RoomId, proof: UUID, payload: ApprovalIn
) -> tuple[int, ProofOut]:
    """Decide that a proof is OK to print, or take that back."""
    return 201, proof_out(approve(signed_in(request), room, proof, payload))


@router.get("/proofs/{uuid:proof}/straight", response={200: None, 404: ErrorReply})
def get_straight(request: HttpRequest, room: RoomId, proof: UUID) -> FileResponse:
    """Show a proof laid straight: its plate alone, the sheet white."""
    path = straight_of(find(Proof, enter(signed_in(request), room, "look"), proof))
    reply = FileResponse(path.open("rb"), content_type="image/png")
    reply["Cache-Control"] = "private, max-age=86400, immutable"
    return reply


@router.get(
    "/proofs/{uuid:proof}/since/{uuid:left}", response={200: CompareProofsOutput, 404: ErrorReply}
)
def get_change(request: HttpRequest, room: RoomId, proof: UUID, left: UUID) -> CompareProofsOutput:
    """Show what changed since another proof of the plate."""
    place = enter(signed_in(request), room, "look")
    return compare(find(Proof, place, left), find(Proof, place, proof))


@router.get("/pins", response={200: Page[PinOut], 404: ErrorReply})
def get_pins(request: HttpRequest, room: RoomId, plate: UUID, page: PageNumber = 1) -> Page[PinOut]:
    """List the pins of a plate's proofs, the oldest first."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    rows = (
        Pin.objects.filter(plate=found, withdrawn=False)
        .select_related("proof")
        .order_by("created_at", "id")
    )
    return page_of(rows, page, pin_out)


@router.put(
    "/pins",
    response={200: PinOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_pin(request: HttpRequest, room: RoomId, payload: PinIn) -> PinOut:
    """Keep a pin, new or changed."""
    return pin_out(keep_pin(signed_in(request), room, payload))


@router.get("/proofs/{uuid:proof}", response={200: ProofOut, 404: ErrorReply})
def get_proof(request: HttpRequest, room: RoomId, proof: UUID) -> ProofOut:
    """Show a proof with its advice."""
    return proof_out(find(Proof, enter(signed_in(request), room, "look"), proof))


@router.put(
    "/proofs/{uuid:proof}",
    response={200: ProofOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_proof(request: HttpRequest, room: RoomId, proof: UUID, payload: ProofChange) -> ProofOut:
    """Correct what was typed of a proof."""
    return proof_out(correct_proof(signed_in(request), room, proof, payload))
