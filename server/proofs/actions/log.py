"""Log a proof, and say what it asks for."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.stages.advice import AdviseInput, AdviseOutput, ReadArea, advise
from core.tone.shapes import Curve
from server.accounts.models import User
from server.baths.actions.facts import bath_facts
from server.files.models import Picture
from server.plans.actions.plan_input import plan_input, sheet_of
from server.plans.models import Plan
from server.plates.models import Plate
from server.proofs.models import Proof
from server.proofs.schemas import ProofIn
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find
from server.runs.actions.state import decided_for, latest_run, run_state


@transaction.atomic
def log_proof(user: User, room_id: uuid.UUID, given: ProofIn) -> Proof:
    """Return the stored proof; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "log proofs")
    plate = find(Plate, room, given.plate, lock=True)
    before = Proof.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    again = given.same_state and plate.state_number > 0
    number = plate.state_number if again else plate.state_number + 1
    proof = add(
        Proof(
            room=room,
            run=latest_run(plate),
            picture=find(Picture, room, given.picture) if given.picture else None,
            plate=plate,
            state_number=number,
            tones=_tones(plate, given),
            pulled_at=given.pulled_at or timezone.now(),
            **given.model_dump(exclude={"plate", "picture", "pulled_at", "tones", "same_state"}),
        )
    )
    plate.state_number = number
    plate.ok_to_print = given.ok_to_print
    plate.place, plate.place_note = "proof", ""
    plate.version += 1
    plate.save()
    text = f"Pulled State {roman(number)}" + (", OK to print." if given.ok_to_print else ".")
    write(room, user, "proof", text, plate=plate, at=proof.pulled_at)
    return proof


def _tones(plate: Plate, given: ProofIn) -> list[dict[str, object]]:
    """Return tones read beside those wanted and expected, as they stood that day."""
    run = latest_run(plate, "tones")
    plan = Plan.objects.filter(plate=plate, part="tones").first()
    areas = run.areas if run else plan.areas if plan else []
    wanted = {area["name"]: area for area in areas}
    expected = _expected(plate)
    return [
        {
            "area": tone.area,
            "parts": wanted.get(tone.area, {}).get("parts", ""),
            "wanted_lstar": wanted.get(tone.area, {}).get("lstar"),
            "expected_lstar": expected.get(tone.area),
            "read_lstar": tone.read_lstar,
        }
        for tone in given.tones
    ]


def _expected(plate: Plate) -> dict[str, float]:
    """Return what each area should print after the bites made: the last it came to."""
    run = latest_run(plate, "tones")
    if run is None:
        return {}
    result = sheet_of(plan_input(decided_for(run), run_state(run).done)).plan
    white = {area["name"]: result.lightest_lstar for area in run.areas}
    return white | {area.name: area.lstar for bite in result.done for area in bite.areas}


def advice_for(proof: Proof) -> AdviseOutput | None:
    """Return one line of advice for each area that was wanted and read."""
    plan = (
        Plan.objects.filter(plate=proof.plate, part="tones").select_related("bath", "strip").first()
    )
    if plan is None or not proof.tones:
        return None
    areas = [
        ReadArea(name=t["area"], wanted_lstar=_goal(t), read_lstar=t["read_lstar"])
        for t in proof.tones
        if t["wanted_lstar"] is not None or t["expected_lstar"] is not None
    ]
    curve = plan.strip.curve if plan.strip else None
    return advise(
        AdviseInput(
            areas=areas,
            curve=Curve.model_validate(curve) if curve else None,
            bath=bath_facts(plan.bath),
        )
    )


def _goal(tone: dict[str, float | None]) -> float:
    """Return the tone meant; white is meant to print as light as the plate can."""
    wanted = tone["wanted_lstar"]
    return wanted if wanted is not None else tone["expected_lstar"] or 100.0


def roman(number: int) -> str:
    """Return a state's Roman number."""
    pairs = ((50, "L"), (40, "XL"), (10, "X"), (9, "IX"), (5, "V"), (4, "IV"), (1, "I"))
    text = ""
    for value, sign in pairs:
        text += sign * (number // value)
        number %= value
    return text
