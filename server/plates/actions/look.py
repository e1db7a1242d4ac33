"""A plate as it stands: on the rack, on its page, in its course."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from core.data.steps import DONE_WORDS
from core.data.steps import STEPS as STEP_TABLE
from server.courses.actions.begin import routes_of
from server.courses.actions.look import Known, status_of
from server.courses.models import Course
from server.plans.models import Plan
from server.plates.models import Plate
from server.plates.schemas import STEPS, CourseStep, PlateCard, PlateFacts, PlateOut, RunCard
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
    """A plate with its plans, its course and its run under way, followed up to now."""

    plate: Plate
    run: Run | None
    seen: Followed | None
    plans: list[Plan]
    """In working order: lines, then tones."""
    bitten: frozenset[str]
    """Parts of which a run has ended."""
    course: Course


def standing(plate: Plate, now_seconds: float) -> Standing:
    """Return how a plate stands at ``now_seconds`` [s since the epoch]."""
    return standings([plate], now_seconds)[0]


def standings(plates: Iterable[Plate], now_seconds: float) -> list[Standing]:
    """Return how plates stand, asked for all at once: five queries however many there are."""
    plates = list(plates)
    runs = {
        run.plate_id: run
        for run in Run.objects.filter(plate__in=plates, ended_at=None).select_related("bath")
    }
    events: dict[object, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(run__in=runs.values()):
        events[event.run_id].append(event)
    plans: dict[object, list[Plan]] = defaultdict(list)
    found = Plan.objects.filter(plate__in=plates).select_related("strip").defer("strip__curve")
    for plan in found.order_by("part"):
        plans[plan.plate_id].append(plan)
    bitten: dict[object, set[str]] = defaultdict(set)
    ended = Run.objects.filter(plate__in=plates).exclude(ended_at=None)
    for plate_id, part in ended.values_list("plate_id", "part"):
        bitten[plate_id].add(part)
    courses = {course.plate_id: course for course in Course.objects.filter(plate__in=plates)}
    return [
        Standing(
            plate,
            run := runs.get(plate.id),
            follow(run, now_seconds, events[run.id]) if run else None,
            plans[plate.id],
            frozenset(bitten[plate.id]),
            courses[plate.id],
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
    last = Run.objects.filter(plate=plate).order_by("-created_at").first()
    return PlateOut(
        **_facts(at),
        work=plate.work_id,
        study=plate.study_id,
        routes=routes_of(plate),
        parts=_parts(at),
        facts=PlateFacts(**plate.facts),
        course=_course(at),
        next_step=next_step(at),
        proofs=Proof.objects.filter(plate=plate).count(),
        planned=[plan.part for plan in at.plans],
        last_run=last.id if last else None,
        created_at=plate.created_at,
    )


def _parts(at: Standing) -> list[Literal["lines", "tones"]]:
    """Return the parts that are bitten on a plate, in working order."""
    keys = {step["key"] for step in at.course.steps} | {f"plan-{p.part}" for p in at.plans}
    parts: tuple[Literal["lines", "tones"], ...] = ("lines", "tones")
    return [part for part in parts if f"plan-{part}" in keys]


def _known(at: Standing) -> Known:
    planned = frozenset(plan.part for plan in at.plans)
    return Known(planned, at.bitten, at.plate.ok_to_print)


def _course(at: Standing) -> list[CourseStep]:
    """Return the course by its groups, up to the part of the plate that is being worked on."""
    known = _known(at)
    steps = [(STEP_TABLE[s["key"]].group, status_of(s, known), s) for s in at.course.steps]
    now, part = next(((g, s["part"]) for g, state, s in steps if state == "todo"), (None, 99))
    reached = [each for each in steps if each[2]["part"] <= part]
    groups = {group: [(state, s) for g, state, s in reached if g == group] for group in STEPS}
    open_groups = [g for g in STEPS if any(state == "todo" for state, _ in groups[g])]
    return [
        CourseStep(
            step=group,  # type: ignore[arg-type]
            state="now" if group == now else "todo" if group in open_groups else "done",
            fact=_fact(at, group, groups[group]),
        )
        for group in STEPS
    ]


def _fact(at: Standing, group: str, steps: list[tuple[str, dict[str, Any]]]) -> str:
    """Return the fact that stands under a group of the course."""
    if group == "plan" and at.plans:
        return "; ".join(_plan_fact(plan) for plan in at.plans)
    card = run_card(at)
    if group == "bite" and card is not None:
        where = "in the bath" if card.in_bath else "out of the bath"
        return (
            "all bites done" if card.bite > card.bites else f"{card.bite} of {card.bites}, {where}"
        )
    if group == "proof" and at.plate.state_number:
        return f"State {roman(at.plate.state_number)}"
    if group in at.course.facts:
        return str(at.course.facts[group])
    settled = [step for state, step in steps if state != "todo"]
    if not settled:
        return "" if steps else "not in this course"
    if len(settled) < len(steps):
        return f"{len(settled)} of {len(steps)} steps"
    return ", ".join(dict.fromkeys(DONE_WORDS[step["key"]] for step in settled[-2:]))


def _plan_fact(plan: Plan) -> str:
    if plan.part == "lines":
        return f"{len(plan.areas)} depths"
    tones = sum(1 for area in plan.areas if area["lstar"] is not None)
    return f"{tones} tones from {f'strip {plan.strip.name}' if plan.strip else 'a guess'}"


def next_step(at: Standing) -> str:
    """Return the next step of a plate in one sentence."""
    card = run_card(at)
    if card is not None and card.in_bath:
        return "Was the lift forgotten? Say when." if card.stale else f"Lift from bite {card.bite}."
    if card is not None and card.bite > card.bites:
        return "All bites are done: strip the ground and pull a proof."
    if card is not None:
        return f"Stop out, then dip for bite {card.bite}."
    known = _known(at)
    todo = (s for s in at.course.steps if status_of(s, known) == "todo")
    step = next(todo, None)
    return f"{STEP_TABLE[step['key']].title}." if step else "Nothing is left to do on it."
