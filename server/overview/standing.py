"""Plates as they stand, asked for all at once: a few queries however many there are."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass

from django.db.models import Case, Exists, OuterRef, Q, QuerySet, When

from core.course.shapes import Step
from core.course.standing import Known
from core.process.rows import PROCESSES
from server.baths.models import ask_checks_of
from server.courses.models import Course
from server.courses.standing import steps_of
from server.events.models import Event
from server.exposures.actions.state import Lit
from server.exposures.actions.state import follow as follow_light
from server.exposures.models import Exposure
from server.marks.settled import settled_by_hand
from server.overview.bath_lines import lines_of
from server.plans.models import Plan
from server.plates.models import Plate
from server.replies.broken import Broken, shown_of
from server.runs.actions.state import AROUND, Followed, follow
from server.runs.models import Run


@dataclass(frozen=True)
class Standing:
    """A plate with its plans, its course and its run under way, followed up to now."""

    plate: Plate
    run: Run | None
    seen: Followed | None
    plans: list[Plan]
    """In working order."""
    bitten: frozenset[str]
    """Parts of which a run is finished."""
    course: Course
    steps: list[Step]
    exposed: bool
    """An exposure of it is finished."""
    lit: tuple[Exposure, Lit] | None
    """Its exposure under way."""
    by_hand: frozenset[str] = frozenset()
    """Steps that its marks settle."""
    wrong: str = ""
    """Why something of it cannot be reckoned; empty where all can."""

    @property
    def known(self) -> Known:
        """Return what follows by itself."""
        planned = frozenset(plan.part for plan in self.plans)
        return Known(planned, self.bitten, self.plate.ok_to_print, self.exposed, self.by_hand)


def needing_hands_first(plates: QuerySet[Plate]) -> QuerySet[Plate]:
    """Return plates in the order of the rack: a run under way first, then by age, resting last."""
    at_bath = Run.objects.filter(plate=OuterRef("pk"), ended_at=None)
    in_light = Exposure.objects.filter(plate=OuterRef("pk"), ended_at=None)
    return plates.order_by(
        Case(When(Exists(at_bath) | Exists(in_light), then=0), default=1),
        Case(When(place="resting", then=1), default=0),
        "created_at",
        "id",
    )


def standing(plate: Plate, now_seconds: float) -> Standing:
    """Return how a plate stands at ``now_seconds`` [s since the epoch]."""
    return standings([plate], now_seconds)[0]


def standings(plates: Iterable[Plate], now_seconds: float) -> list[Standing]:
    """Return how plates stand at ``now_seconds`` [s since the epoch]."""
    plates = list(plates)
    open_runs = Run.objects.filter(plate__in=plates, ended_at=None).select_related("bath")
    runs = {run.plate_id: run for run in open_runs}
    baths = {run.bath_id: run.bath for run in runs.values()}
    for under_way in runs.values():
        under_way.bath = baths[under_way.bath_id]  # one for all runs in it, asked once
    ask_checks_of(baths.values())
    events: dict[object, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(subject__in=[run.id for run in runs.values()]):
        events[event.subject].append(event)
    begun = min((run.created_at for run in runs.values()), default=None)
    lines = lines_of(baths.values(), begun - AROUND if begun else None)
    plans = _plans(plates)
    bitten: dict[object, set[str]] = defaultdict(set)
    finished = Run.objects.filter(plate__in=plates, outcome=Run.FINISHED)
    for plate_id, part in finished.values_list("plate_id", "part"):
        bitten[plate_id].add(part)
    of_light = Q(outcome=Exposure.FINISHED) | Q(ended_at=None)
    lamps = list(Exposure.objects.filter(of_light, plate__in=plates))
    exposed = {row.plate_id for row in lamps if row.outcome == Exposure.FINISHED}
    lit = _lit([row for row in lamps if row.ended_at is None])
    found_courses = Course.objects.filter(plate__in=plates).select_related(
        "plate__marks", "plate__pulls"
    )
    courses = {course.plate_id: course for course in found_courses}
    by_hand = settled_by_hand(
        each.plate.marks for each in courses.values() if hasattr(each.plate, "marks")
    )
    found: list[Standing] = []
    for plate in plates:
        run, course = runs.get(plate.id), courses[plate.id]
        followed = (
            shown_of(run, lambda r: follow(r, now_seconds, events[r.id], lines[r.bath_id]))
            if run
            else None
        )
        steps = shown_of(course, steps_of)
        broken = [each.text for each in (followed, steps) if isinstance(each, Broken)]
        found.append(
            Standing(
                plate,
                run,
                None if isinstance(followed, Broken) else followed,
                plans[plate.id],
                frozenset(bitten[plate.id]),
                course,
                [] if isinstance(steps, Broken) else steps,
                plate.id in exposed,
                lit.get(plate.id),
                by_hand.get(plate.id, frozenset()),
                " ".join(broken),
            )
        )
    return found


def _lit(rows: list[Exposure]) -> dict[object, tuple[Exposure, Lit]]:
    """Return the exposures under way, by plate."""
    events: dict[object, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(subject__in=[row.id for row in rows]):
        events[event.subject].append(event)
    return {row.plate_id: (row, follow_light(row, events[row.id])) for row in rows}


def _plans(plates: list[Plate]) -> dict[object, list[Plan]]:
    plans: dict[object, list[Plan]] = defaultdict(list)
    found = (
        Plan.objects.filter(plate__in=plates, superseded=False)
        .select_related("strip", "bath")
        .defer("strip__curve")
    )
    for plan in sorted(found, key=lambda plan: PROCESSES[plan.part].order):
        plans[plan.plate_id].append(plan)
    return plans
