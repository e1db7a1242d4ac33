"""Proofs as they are shown."""

from __future__ import annotations

from core.process.rows import PROCESSES
from server.proofs.actions.advice import advice_for
from server.proofs.actions.next import next_for
from server.proofs.actions.standing import Standing
from server.proofs.models import Pin, Proof
from server.proofs.schemas import ApprovalOut, LearnedOut, PinOut, ProofOut, ScanRead, ToneOut
from server.runs.actions.state import run_state
from server.shopbook.printed import names_of


def proof_out(proof: Proof, at: Standing | None = None) -> ProofOut:
    """Return a proof with what it asks for next; of many of one plate, how it stands is given."""
    at = at or Standing(proof.plate)
    return ProofOut(
        id=proof.id,
        plate=proof.plate_id,
        picture=proof.picture_id,
        state_number=proof.state_number,
        worked=_worked(proof),
        pulled_at=proof.pulled_at,
        **names_of(proof),
        soak_minutes=proof.soak_minutes,
        pressure=proof.pressure,
        passes=proof.passes,
        note=proof.note,
        tones=[ToneOut(**tone) for tone in proof.tones],
        foul_bite=proof.foul_bite,
        ok_to_print=proof.ok_to_print,
        approvals=_approvals(proof, at),
        advice=advice_for(proof, at),
        next=next_for(proof, at),
        reading=ScanRead(**proof.reading) if proof.reading else None,
        learned=LearnedOut(**proof.learned) if proof.learned else None,
        version=proof.version,
    )


def _approvals(proof: Proof, at: Standing) -> list[ApprovalOut]:
    """Return what was said of a proof; only the last word on its plate may stand."""
    return [
        ApprovalOut(
            id=each.id, ok=each.ok, said_by=each.said_by,  # type: ignore[arg-type]
            condition=each.condition, area=each.area, remark=each.remark, by=each.by.name,
            at=each.at, standing=place == 0 and each.ok and at.plate.ok_to_print,
        )
        for place, each in enumerate(at.approvals)
        if each.proof_id == proof.id
    ]  # fmt: skip


def _worked(proof: Proof) -> str:
    """Return what lies between the state before and this one: bites, or the hand."""
    earlier = (
        Proof.objects.filter(plate_id=proof.plate_id, state_number__lt=proof.state_number)
        .order_by("-state_number", "-pulled_at")
        .first()
    )
    run = proof.run
    if run is not None and (earlier is None or earlier.run_id != run.id) and run_state(run).done:
        return f"{PROCESSES[run.part].words.title.lower()} bitten"
    return "worked by hand" if earlier is not None else ""


def pin_out(pin: Pin) -> PinOut:
    """Return a pin as it stands."""
    return PinOut(
        id=pin.id,
        version=pin.version,
        proof=pin.proof_id,
        kind=pin.kind,  # type: ignore[arg-type]
        text=pin.text,
        x_mm=pin.x_mm,
        y_mm=pin.y_mm,
        done=pin.done_at is not None,
        withdrawn=pin.withdrawn,
        state_number=pin.proof.state_number,
        done_in_state=pin.done_in_state,
        created_at=pin.created_at,
    )
