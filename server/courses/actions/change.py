"""Change a course: a step done, skipped, repeated, reopened, swapped or added."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction
from django.utils import timezone

from core.course.course import step_row
from core.data.steps import INSTEAD, STEPS
from server.accounts.models import User
from server.config.errors import BadValue
from server.courses.actions.begin import new_step
from server.courses.actions.look import course_out
from server.courses.actions.measures import checked_measures, told_measures
from server.courses.models import Course
from server.courses.schemas import MOST_STEPS, CourseAct
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import change, enter, find

Steps = list[dict[str, Any]]


@transaction.atomic
def change_course(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CourseAct) -> Course:
    """Return the changed course.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        A step that is not in the course, a measure out of its limits, a step done before what it
        needs, or one skipped, without a reason.
    CoreError
        A key that the table does not hold.
    """
    room = enter(user, room_id, "change plates")
    plate = find(Plate, room, plate_id)
    course = change(Course, room, Course.objects.get(plate=plate).id, given.version)
    text, data = _ACTS[given.act](user, course, given)
    if len(course.steps) > MOST_STEPS:
        raise BadValue(
            "too-many-steps", "A course holds no more steps.", field="keys",
            value=len(course.steps), allowed=f"at most {MOST_STEPS}",
        )  # fmt: skip
    course.save()
    write(room, user, "step", text, plate=plate, data=data)
    return course


def _place(course: Course, step_id: str | None) -> int:
    for place, step in enumerate(course.steps):
        if step["id"] == step_id:
            return place
    raise BadValue(
        "no-such-step", "That step is not in this course.", field="step", value=step_id,
        allowed=", ".join(step["id"] for step in course.steps),
    )  # fmt: skip


def _needs_reason(given: CourseAct, text: str) -> None:
    if not given.reason.strip():
        raise BadValue(
            "reason-needed", text, field="reason", value=given.reason, allowed="a reason in words"
        )


def _done(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    step = course.steps[_place(course, given.step)]
    waiting = next(s.waits_for for s in course_out(course).steps if s.id == step["id"])
    title = STEPS[step["key"]].title
    if waiting:
        _needs_reason(
            given, f"{title} comes after: {'; '.join(waiting)}. Do that first, or say why not."
        )
    measures = checked_measures(step["key"], given.measures)
    failed = measures.get("water_break") == "failed"
    step |= {
        "status": "todo" if failed else "done",
        "reason": given.reason.strip(),
        "measures": measures,
        "tries": step["tries"] + 1,
        "by": user.name,
        "at": timezone.now().isoformat(),
    }
    said = told_measures(step["key"], measures)
    if failed:
        text = f"{title}: the water parted (try {step['tries']}). To do again{said}."
    else:
        _ask_again(course, step)
        _keep_facts(course.plate, measures)
        text = f"{title}: done{said}." + (f" {given.reason.strip()}" if waiting else "")
    return text, {"step": step["id"], "measures": measures}


FACT_OF = {"face": "face_marked", "back": "back", "trimmed": "trimmed_again"}
"""Measures that stay true of the plate after the step."""


def _keep_facts(plate: Plate, measures: dict[str, Any]) -> None:
    facts = {FACT_OF[key]: value for key, value in measures.items() if key in FACT_OF}
    if facts:
        plate.facts = plate.facts | facts
        plate.save(update_fields=["facts"])


def _ask_again(course: Course, done: dict[str, Any]) -> None:
    """Put a repeat behind a step that undoes an earlier one, such as polish after degreasing."""
    place = _place(course, done["id"])
    for step in list(course.steps):
        if done["key"] not in STEPS[step["key"]].again_after or step["status"] != "done":
            continue
        waiting = any(s["key"] == step["key"] and s["status"] == "todo" for s in course.steps)
        if not waiting:
            course.steps.insert(place + 1, _repeat(course, step))
            return


def _repeat(course: Course, step: dict[str, Any]) -> dict[str, Any]:
    base = step["id"].split("~")[0]
    number = 1 + sum(each["id"].split("~")[0] == base for each in course.steps)
    return new_step(f"{base}~{number}", step["key"], step["part"], step["route"])


def _skip(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    step = course.steps[_place(course, given.step)]
    _needs_reason(given, "Say why this step is skipped.")
    step |= {
        "status": "skipped", "reason": given.reason.strip(), "by": user.name,
        "at": timezone.now().isoformat(),
    }  # fmt: skip
    return f"{STEPS[step['key']].title}: skipped. {step['reason']}", {"step": step["id"]}


def _again(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    place = _place(course, given.step)
    repeat = _repeat(course, course.steps[place])
    course.steps.insert(place + 1, repeat)
    return f"{STEPS[repeat['key']].title}: to do again.", {"step": repeat["id"]}


def _reopen(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    step = course.steps[_place(course, given.step)]
    step |= {"status": "todo", "reason": given.reason.strip(), "by": user.name}
    return f"{STEPS[step['key']].title}: not done after all.", {"step": step["id"]}


def _swap(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    place = _place(course, given.step)
    old = course.steps[place]
    key = given.keys[0] if given.keys else ""
    if key not in INSTEAD.get(old["key"], ()):
        raise BadValue(
            "not-instead", "That step cannot stand in its place.", field="keys", value=key,
            allowed=", ".join(INSTEAD.get(old["key"], ())) or "nothing",
        )  # fmt: skip
    course.steps[place] = new_step(_free_id(course, key), key, old["part"], old["route"])
    return f"{STEPS[key].title}, instead of {STEPS[old['key']].title.lower()}.", {"step": key}


def _add(user: User, course: Course, given: CourseAct) -> tuple[str, dict[str, Any]]:
    if not given.keys:
        raise BadValue("no-steps", "Say which steps to add.", field="keys", allowed="at least 1")
    place = 0 if given.step is None else _place(course, given.step) + 1
    route = course.steps[0]["route"] if course.steps else "etched line"
    for offset, key in enumerate(given.keys):
        step_row(key)
        step = new_step(_free_id(course, key), key, 1, route, added=True)
        course.steps.insert(place + offset, step | {"reason": given.reason.strip()})
    titles = "; ".join(STEPS[key].title for key in given.keys)
    return f"Added: {titles}. {given.reason.strip()}".strip(), {"keys": given.keys}


def _free_id(course: Course, key: str) -> str:
    taken = {step["id"] for step in course.steps}
    ids = [key, *(f"{key}~{number}" for number in range(2, MOST_STEPS + 2))]
    return next(each for each in ids if each not in taken)


_ACTS = {
    "done": _done,
    "skip": _skip,
    "again": _again,
    "reopen": _reopen,
    "swap": _swap,
    "add": _add,
}
