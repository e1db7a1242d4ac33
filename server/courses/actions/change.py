"""Change the course of a plate."""

from __future__ import annotations

import uuid
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from core.course.change import Changed, Hand, change_steps
from core.course.shapes import Act
from core.data.steps import STEPS
from server.accounts.models import User
from server.courses.models import Course
from server.courses.schemas import CourseAct
from server.courses.standing import known_of, steps_of
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import change, enter, find
from server.runs.models import Run


@transaction.atomic
def change_course(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CourseAct) -> Course:
    """Return the changed course.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        A step that is not in the course or the table, a measure out of its limits, a step done
        before what it needs, or one skipped, without a reason.
    """
    room = enter(user, room_id, "change plates")
    plate = find(Plate, room, plate_id, lock=True)
    course = change(Course, room, Course.objects.get(plate=plate).id, given.version)
    act = Act.model_validate(given.model_dump(exclude={"version"}))
    hand = Hand(by=user.name, at=timezone.now())
    changed = change_steps(steps_of(course), act, hand, known_of(plate))
    course.steps = [step.model_dump(mode="json") for step in changed.steps]
    course.save()
    _mark_stripped(plate, changed, hand.at)
    if changed.facts:
        course.plate.facts = course.plate.facts | changed.facts
        course.plate.save(update_fields=["facts"])
    data = {"step": changed.step, "measures": changed.measures}
    write(room, user, "step", changed.text, plate=plate, data=data)
    return course


def _mark_stripped(plate: Plate, changed: Changed, at: datetime) -> None:
    """Note on the plate's runs that their ground came off, or, taken back, that it did not."""
    step = next(each for each in changed.steps if each.id == changed.step)
    if not STEPS[step.key].strips:
        return
    ended = Run.objects.filter(plate=plate).exclude(ended_at=None)
    if step.status == "done":
        ended.filter(stripped_at=None).update(stripped_at=at)
    elif step.at is not None:
        ended.filter(stripped_at__gte=step.at).update(stripped_at=None)
