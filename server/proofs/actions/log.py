"""Log a proof, and say what it asks for."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.process.rows import PROCESSES
from core.stages.advice import AdviseInput, AdviseOutput, ReadArea, advise
from core.tone.shapes import Curve
from server.accounts.models import User
from server.baths.actions.facts import bath_facts
from server.files.models import Picture
from server.plans.models import Plan
from server.plates.models import Plate
from server.proofs.actions.meant import meant_tones
from server.proofs.actions.reading import reading_of
from server.proofs.models import Proof
from server.proofs.roman import roman
from server.proofs.schemas import ProofIn
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find
from server.runs.actions.state import latest_run

_SHAPED = {"plate", "picture", "pulled_at", "tones", "same_state", "reading"}
TONAL = [key for key, row in PROCESSES.items() if row.words.goal.kind == "tone"]
"""Processes whose areas are read as tones off a proof."""


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
            tones=_tones(plate, given),
            reading=reading_of(room, plate, given.reading),
            pulled_at=given.pulled_at or timezone.now(),
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
    return proof


def _tones(plate: Plate, given: ProofIn) -> list[dict[str, object]]:
    """Return tones read beside those wanted and expected, as they stood that day."""
    meant = {name: each for part in TONAL for name, each in meant_tones(plate, part).items()}
    return [
        {
            "area": tone.area,
            "parts": meant[tone.area].parts if tone.area in meant else "",
            "wanted_lstar": meant[tone.area].wanted if tone.area in meant else None,
            "expected_lstar": meant[tone.area].expected if tone.area in meant else None,
            "read_lstar": tone.read_lstar,
            "spread": tone.spread,
        }
        for tone in given.tones
    ]


def advice_for(proof: Proof) -> AdviseOutput | None:
    """Return one line of advice for each area that was wanted and read."""
    found = Plan.objects.filter(plate=proof.plate, part__in=TONAL, superseded=False)
    found = found.select_related("bath", "strip")
    plans = sorted(found, key=lambda plan: PROCESSES[plan.part].order)
    if not plans or not proof.tones:
        return None
    told = [_advice(plan, proof, first=plan is plans[0]) for plan in plans]
    return AdviseOutput(
        areas=[area for each in told for area in each.areas],
        first=next((each.first for each in told if each.first), None),
    )


def _advice(plan: Plan, proof: Proof, *, first: bool) -> AdviseOutput:
    """Return advice for the areas of one plan; the first takes those that no plan names now."""
    own = {area["name"] for area in plan.areas}
    others = {name for part in TONAL for name in meant_tones(proof.plate, part)} - own
    areas = [
        ReadArea(name=t["area"], wanted_lstar=goal_of(t), read_lstar=t["read_lstar"])
        for t in proof.tones
        if (t["area"] in own or (first and t["area"] not in others))
        and (t["wanted_lstar"] is not None or t["expected_lstar"] is not None)
    ]
    curve = plan.strip.curve if plan.strip else None
    return advise(
        AdviseInput(
            areas=areas,
            curve=Curve.model_validate(curve) if curve else None,
            bath=bath_facts(plan.bath),
        )
    )


def goal_of(tone: dict[str, float | None]) -> float:
    """Return the tone meant; white is meant to print as light as the plate can."""
    wanted = tone["wanted_lstar"]
    return wanted if wanted is not None else tone["expected_lstar"] or 100.0
