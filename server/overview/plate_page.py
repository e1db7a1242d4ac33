"""A plate as it is shown: on the rack, on its page, in its course."""

from __future__ import annotations

from typing import Any, Literal

from core.course.shapes import Status, Step
from core.course.standing import parts_of, status_of
from core.data.mordants import METALS
from core.data.step_row import Group
from core.data.steps import SCRATCHED, STEPS
from core.process.rows import PROCESSES
from core.safety.pairs import pair_row
from server.baths.reads import caution_out
from server.courses.standing import routes_of
from server.exposures.reads import CAUTIONS_THERE as UNDER_LAMP
from server.exposures.reads import last_exposure
from server.overview.schemas import CourseStep, LightCard, PlateCard, PlateOut, RunCard
from server.overview.standing import Standing
from server.plans.models import Plan
from server.plates.schemas import PlateFacts
from server.proofs.models import Proof
from server.proofs.roman import roman
from server.runs.actions.state import latest_run
from server.works.of_plate import works_of

GROUPS: tuple[Group, ...] = ("prepare", "image", "ground", "plan", "bite", "proof", "edition")
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


def light_card(at: Standing) -> LightCard | None:
    """Return the exposure under way as the rack shows it."""
    if at.lit is None:
        return None
    exposure, lit = at.lit
    place = lit.stands.next
    return LightCard(
        id=exposure.id,
        stage="" if place is None else lit.sheet.stages[place].title,
        under_way=lit.state.under_way is not None,
        due_seconds=lit.stands.due_seconds,
    )


def place_text(at: Standing) -> str:
    """Return where a plate is, in words."""
    plate = at.plate
    if at.wrong:
        return "cannot be reckoned"
    if at.seen is not None:
        return "in the bath" if at.seen.state.in_bath else "out of the bath"
    light = light_card(at)
    if light is not None:
        return _in_light(light)
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
        "by_light": METALS[plate.metal].by_light,
        "by_needle": bool({plate.route, *plate.routes} & set(SCRATCHED)),
        "width_mm": plate.width_mm,
        "height_mm": plate.height_mm,
        "place": "bath" if at.run else "exposing" if at.lit else plate.place,
        "place_text": place_text(at),
        "state_number": plate.state_number,
        "ok_to_print": plate.ok_to_print,
        "put_away": plate.put_away,
        "version": plate.version,
        "run": run_card(at),
        "light": light_card(at),
        "wrong": at.wrong,
    }


def plate_out(at: Standing) -> PlateOut:
    """Return a plate's page."""
    plate = at.plate
    parts = parts_of(at.steps, at.known.planned)
    last = latest_run(plate)
    return PlateOut(
        **_facts(at),
        work=plate.work_id,
        works=works_of(plate),
        study=plate.study_id,
        maps=any(PROCESSES[key].has_maps for key in parts),
        routes=routes_of(plate),
        parts=parts,
        processes=[PROCESSES[key].words for key in parts],
        asks={key: [caution_out(each) for each in _asks(at, key)] for key in parts},
        facts=PlateFacts(**plate.facts),
        course=_course(at),
        next_step=next_step(at),
        proofs=Proof.objects.filter(plate=plate).count(),
        planned=[key for key in parts if key in at.known.planned],
        last_run=last.id if last else None,
        last_exposure=last_exposure(plate),
        created_at=plate.created_at,
    )


def _asks(at: Standing, part: str) -> list[str]:
    """Return the cautions that are asked for before a part is begun: its own, and its bath's."""
    keys = list(PROCESSES[part].cautions)
    plan = next((plan for plan in at.plans if plan.part == part), None)
    if plan is not None:
        bath = plan.bath
        row = pair_row(at.plate.metal, bath.mordant, held_copper=bath.held_copper)
        keys += [row.caution] if row.verdict == "care" else []
    return list(dict.fromkeys(keys))


Stood = list[tuple[Status, Step]]


def _course(at: Standing) -> list[CourseStep]:
    """Return the course by its groups, up to the part of the plate that is being worked on."""
    stands: Stood = [(status_of(step, at.known), step) for step in at.steps]
    now = next((step for state, step in stands if state == "todo"), None)
    reached = [each for each in stands if now is None or each[1].part <= now.part]
    groups = {g: [each for each in reached if STEPS[each[1].key].group == g] for g in GROUPS}
    return [
        CourseStep(
            step=group,
            state=_state(groups[group], is_now=now is not None and STEPS[now.key].group == group),
            fact=_fact(at, group, groups[group]),
        )
        for group in GROUPS
    ]


def _state(steps: Stood, *, is_now: bool) -> Literal["done", "now", "todo"]:
    if is_now:
        return "now"
    return "todo" if any(state == "todo" for state, _ in steps) else "done"


def _fact(at: Standing, group: Group, steps: Stood) -> str:
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
    return ", ".join(dict.fromkeys(STEPS[step.key].said for step in settled[-2:]))


def _plan_fact(plan: Plan) -> str:
    process = PROCESSES[plan.part]
    source = f"strip {plan.strip.name}" if plan.strip else "a guess"
    return f"{process.count(plan.areas)} from {source}"


def _before_the_dip(at: Standing) -> str:
    """Return what hands do to the plate before the next dip, in a word or two."""
    if at.run is None or at.run.method == "stop-out":
        return "Stop out"
    return PROCESSES[at.run.part].words.hands.opening.verb


def next_step(at: Standing) -> str:
    """Return the next step of a plate in one sentence."""
    if at.wrong:
        return at.wrong
    light = light_card(at)
    if light is not None:
        return _next_in_light(light)
    card = run_card(at)
    if card is not None and card.in_bath:
        return "Was the lift forgotten? Say when." if card.stale else f"Lift from bite {card.bite}."
    if card is not None and card.bite > card.bites:
        return "All bites are done: strip the ground and pull a proof."
    if card is not None:
        return f"{_before_the_dip(at)}, then dip for bite {card.bite}."
    step = _step_to_do(at)
    return f"{STEPS[step.key].title}." if step else "Nothing is left to do on it."


def _in_light(light: LightCard) -> str:
    if not light.stage:
        return "exposed, to end"
    stage = light.stage.lower()
    return stage if light.under_way else f"then {stage}"


def _next_in_light(light: LightCard) -> str:
    """Return what comes next under the lamp, in one sentence."""
    if not light.stage:
        return "All stages are done: end the exposure and pull a proof."
    return f"{light.stage}: until its time is up." if light.under_way else f"{light.stage}."


def next_cautions(at: Standing) -> tuple[str, ...]:
    """Return keys of the cautions of a plate's next step; at the bath the bath's own are enough."""
    if at.lit is not None:
        return UNDER_LAMP
    step = None if at.run is not None or at.wrong else _step_to_do(at)
    return STEPS[step.key].cautions if step else ()


def _step_to_do(at: Standing) -> Step | None:
    return next((step for step in at.steps if status_of(step, at.known) == "todo"), None)
