"""The OK to print that a plate's pulls are held to."""

from __future__ import annotations

from core.events.pull_state import PressPull, PullState
from server.editions.schemas import ConditionHolds, OkOut, OkTone
from server.plates.models import Plate
from server.proofs.actions.approve import standing_approval
from server.proofs.models import Approval, Proof
from server.shopbook.printed import names_of

READ_SPREAD = 1.0


def ok_of(plate: Plate, state: PullState) -> OkOut | None:
    """Return the OK that stands; where it is older than approvals are, the last such proof's."""
    if not plate.ok_to_print:
        return None
    said = standing_approval(plate.id)
    if said is None:
        return _older(plate)
    return _ok(said.proof, said, said.id in state.conditions_met)


def _older(plate: Plate) -> OkOut | None:
    proof = Proof.objects.filter(plate=plate, ok_to_print=True).order_by("-pulled_at").first()
    return _ok(proof, None, True) if proof is not None else None


def _ok(proof: Proof, said: Approval | None, met: bool) -> OkOut:
    return OkOut(
        approval=said.id if said else proof.id, proof=proof.id, picture=proof.picture_id,
        state_number=proof.state_number, said_by=said.said_by if said else "printer",
        by=said.by.name if said else "", at=said.at if said else proof.pulled_at,
        condition=said.condition if said else "", area=said.area if said else "",
        remark=said.remark if said else "", met=met or not (said and said.condition),
        tones=[
            OkTone(area=tone["area"], lstar=tone["read_lstar"],
                   spread=tone.get("spread") or READ_SPREAD)
            for tone in proof.tones
        ],
        pressure=proof.pressure, **names_of(proof),
    )  # fmt: skip


def ok_place(state: PullState, ok: OkOut | None) -> int:
    """Return which pull the OK was signed on, counted from 1: the last before it."""
    if ok is None:
        return 1
    before = [
        each.place for each in state.pulled if (each.pulled_seconds or 0.0) <= ok.at.timestamp()
    ]
    return max(before, default=1)


def condition_holds(
    ok: OkOut | None, pulls: list[tuple[PressPull, str]], tolerance: float
) -> ConditionHolds | None:
    """Return how the area of an OK's condition reads in the pulls since; None where none was.

    ``pulls`` go with what each is called.
    """
    if ok is None or not ok.area:
        return None
    wanted = next((tone.lstar for tone in ok.tones if tone.area == ok.area), None)
    read = [
        (area.lstar, label)
        for pull, label in pulls
        for area in pull.areas
        if area.name == ok.area and pull.spoiled is None
    ]
    if wanted is None or not read:
        return None
    worst, label = max(read, key=lambda each: abs(each[0] - wanted))
    return ConditionHolds(
        area=ok.area, ok_lstar=wanted, last_lstar=read[-1][0], worst_lstar=worst,
        worst_label=label, holds=abs(worst - wanted) <= tolerance,
    )  # fmt: skip
