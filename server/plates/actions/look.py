"""A plate as it stands: on the rack, on its page, in its course."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from server.plans.models import Plan
from server.plates.models import Plate
from server.plates.schemas import STEPS, CourseStep, PlateCard, PlateOut, RunCard
from server.proofs.actions.log import roman
from server.proofs.models import Proof
from server.runs.actions.state import Followed, follow
from server.runs.models import Event, Run

PLACE_WORDS = {
    "resting": "resting",
    "drawing": "drawing",
    "ground": "ground cooling",
    "rosin": "rosin settling",
    "exposing": "to expose",
    "drying": "drying",
    "bath": "out of the bath",
    "proof": "at proof",
    "edition": "edition",
}


@dataclass(frozen=True)
class Standing:
    """A plate with its plan and its run under way, followed up to now."""

    plate: Plate
    run: Run | None
    seen: Followed | None
    plan: Plan | None
    bitten: bool
    """A run of it has ended."""


def standing(plate: Plate, now_seconds: float) -> Standing:
    """Return how a plate stands at ``now_seconds`` [s since the epoch]."""
    return standings([plate], now_seconds)[0]


def standings(plates: Iterable[Plate], now_seconds: float) -> list[Standing]:
    """Return how plates stand, asked for all at once: four queries however many there are."""
    plates = list(plates)
    runs = {
        run.plate_id: run
        for run in Run.objects.filter(plate__in=plates, ended_at=None).select_related("bath")
    }
    events: dict[object, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(run__in=runs.values()):
        events[event.run_id].append(event)
    found = Plan.objects.filter(plate__in=plates).select_related("strip").defer("strip__curve")
    plans = {plan.plate_id: plan for plan in found}
    ended = Run.objects.filter(plate__in=plates).exclude(ended_at=None)
    bitten = set(ended.values_list("plate_id", flat=True))
    return [
        Standing(
            plate,
            run := runs.get(plate.id),
            follow(run, now_seconds, events[run.id]) if run else None,
            plans.get(plate.id),
            plate.id in bitten,
        )
        for plate in plates
    ]


def run_card(at: Standing) -> RunCard | None:
    """Return the run under way as the rack shows it."""
    if at.run is None or at.seen is None:
        return None
    dip, plan = at.seen.state.in_bath, at.seen.sheet.plan
    done = len(at.seen.state.done)
    return RunCard(
        id=at.run.id,
        in_bath=dip is not None,
        bite=done + 1,
        bites=done + len(plan.bites),
        dip_seconds=dip.at_seconds if dip else None,
        lift_seconds=at.seen.lift_seconds,
        stale=at.seen.stale,
    )


def place_text(at: Standing) -> str:
    """Return where a plate is, in words."""
    plate = at.plate
    if at.seen is not None:
        return "in the bath" if at.seen.state.in_bath else "out of the bath"
    if plate.place_note:
        return plate.place_note
    state = f", State {roman(plate.state_number)}" if plate.state_number else ""
    if plate.ok_to_print and plate.place == "proof":
        return "OK to print"
    return PLACE_WORDS[plate.place] + (state if plate.place == "proof" else "")


def plate_card(at: Standing) -> PlateCard:
    """Return a plate as it stands on the rack."""
    return PlateCard(**_facts(at))


def _facts(at: Standing) -> dict[str, Any]:
    plate = at.plate
    return {
        "id": plate.id,
        "name": plate.name,
        "metal": plate.metal,
        "route": plate.route,
        "thickness_mm": plate.thickness_mm,
        "width_mm": plate.width_mm,
        "height_mm": plate.height_mm,
        "place": "bath" if at.run else plate.place,
        "place_text": place_text(at),
        "state_number": plate.state_number,
        "ok_to_print": plate.ok_to_print,
        "put_away": plate.put_away,
        "version": plate.version,
        "run": run_card(at),
    }


def plate_out(at: Standing) -> PlateOut:
    """Return a plate's page."""
    plate = at.plate
    course = _course(at)
    last = Run.objects.filter(plate=plate).order_by("-created_at").first()
    return PlateOut(
        **_facts(at),
        work=plate.work_id,
        study=plate.study_id,
        course=course,
        next_step=next_step(at, course),
        proofs=Proof.objects.filter(plate=plate).count(),
        has_plan=at.plan is not None,
        last_run=last.id if last else None,
        created_at=plate.created_at,
    )


def _course(at: Standing) -> list[CourseStep]:
    """Return the course; what the server knows itself needs no mark by hand."""
    facts = {step: dict(at.plate.steps.get(step, {})) for step in STEPS}
    plan = at.plan
    if plan is not None:
        tones = sum(1 for area in plan.areas if area["lstar"] is not None)
        source = f"strip {plan.strip.name}" if plan.strip else "a guess"
        facts["plan"] = {"done": True, "fact": f"{tones} tones from {source}"}
    _bite_fact(at, facts)
    if at.plate.state_number:
        done = at.plate.ok_to_print
        facts["proof"] = {"done": done, "fact": f"State {roman(at.plate.state_number)}"}
    now = next((step for step in STEPS if not facts[step].get("done")), None)
    return [
        CourseStep(
            step=step,  # type: ignore[arg-type]
            state="done" if facts[step].get("done") else "now" if step == now else "todo",
            fact=facts[step].get("fact", ""),
        )
        for step in STEPS
    ]


def _bite_fact(at: Standing, facts: dict[str, dict[str, object]]) -> None:
    card = run_card(at)
    if card is not None:
        where = "in the bath" if card.in_bath else "out of the bath"
        done = card.bite > card.bites
        fact = "all bites done" if done else f"{card.bite} of {card.bites}, {where}"
        facts["bite"] = {"done": False, "fact": fact}
        return
    if at.bitten:
        facts["bite"] = {"done": True, "fact": "bitten"}


_NEXT = {
    "prepare": "Bevel, polish, degrease, and see the water sheet unbroken.",
    "image": "Bring the image onto the plate, mirrored or not.",
    "ground": "Lay the ground.",
    "plan": "Say which tones you want and get the bites.",
    "bite": "Begin the first bite.",
    "proof": "Pull a proof and read its tones.",
    "edition": "Print the edition.",
}


def next_step(at: Standing, course: list[CourseStep] | None = None) -> str:
    """Return the next step of a plate in one sentence."""
    card = run_card(at)
    if card is not None and card.in_bath:
        return "Was the lift forgotten? Say when." if card.stale else f"Lift from bite {card.bite}."
    if card is not None and card.bite > card.bites:
        return "All bites are done: strip the ground and pull a proof."
    if card is not None:
        return f"Stop out, then dip for bite {card.bite}."
    steps = _course(at) if course is None else course
    now = next((step.step for step in steps if step.state == "now"), "edition")
    return _NEXT[now]
