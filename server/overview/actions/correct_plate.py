"""Change what was typed of a plate, where what was done to it since allows."""

from __future__ import annotations

import uuid
from collections.abc import Iterator

from django.db import transaction

from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.courses.models import Course
from server.courses.standing import planned_course, routes_of
from server.exposures.models import Exposure
from server.marks.state import decided_of
from server.plans.models import Plan
from server.plates.actions.keep import change_plate
from server.plates.models import Plate
from server.plates.schemas import PlateChange
from server.proofs.models import Pin
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.runs.models import Run
from server.timers.models import Timer

_ROOM_MM = 0.5
"""A place is read off a picture to so much."""
_ROOM_CM2 = 0.5
"""Areas are rounded to a tenth, each: their sum may stand so much over the plate's own."""


@transaction.atomic
def correct_plate(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlateChange) -> Plate:
    """Return the changed plate; of another material or route it begins its course anew.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        Put away with something under way; smaller than its planned areas; of another material or
        route after it was planned or worked.
    CoreError
        A route that its material cannot take.
    """
    room = enter(user, room_id, "change plates")
    plate = find(Plate, room, plate_id)
    if given.put_away:
        _check_nothing_goes_on(plate)
    _check_areas(plate, given)
    _check_places(plate, given)
    other = _is_another(plate, given)
    if other:
        _check_untouched(plate, other)
    plate = change_plate(user, room_id, plate_id, given)
    if other:
        _begin_anew(plate)
    return plate


def _check_nothing_goes_on(plate: Plate) -> None:
    """Refuse to put away a plate that somebody must still take out of something."""
    if Run.objects.filter(plate=plate, ended_at=None).exists():
        what, then = "its bites are under way", "Lift it, or set the run aside with a reason"
    elif Exposure.objects.filter(plate=plate, ended_at=None).exists():
        what, then = "its exposure is under way", "End it, or set it aside with a reason"
    else:
        timer = Timer.objects.filter(plate=plate, ended_at=None).first()
        if timer is None:
            return
        what, then = f"a timer of it runs: {timer.what}", "End the timer on the bench"
    raise BadValue(
        "plate-in-use", f"{plate.name} is not put away: {what}. {then}, then put it away.",
        field="put_away", value=True, allowed="a plate with nothing under way",
    )  # fmt: skip


def _check_areas(plate: Plate, given: PlateChange) -> None:
    """Refuse a size that its planned areas do not fit on."""
    wide, high = given.width_mm or plate.width_mm, given.height_mm or plate.height_mm
    size_cm2 = wide * high / 100
    if size_cm2 >= plate.width_mm * plate.height_mm / 100:
        return
    for plan in Plan.objects.filter(plate=plate, superseded=False):
        planned = sum(area.get("open_cm2") or 0.0 for area in plan.areas)
        if planned > size_cm2 + _ROOM_CM2:
            raise BadValue(
                "smaller-than-its-areas",
                f"The areas planned on {plate.name} come to {planned:.0f} cm²; a plate of this "
                f"size has {size_cm2:.0f} cm². Change the areas of its plan first, or look at the "
                "size again.",
                field="width_mm" if wide < plate.width_mm else "height_mm",
                value=wide if wide < plate.width_mm else high,
                allowed=f"at least {planned:.0f}", unit="cm²",
            )  # fmt: skip


def _check_places(plate: Plate, given: PlateChange) -> None:
    """Refuse a size that what was placed on the plate would lie off."""
    wide, high = given.width_mm or plate.width_mm, given.height_mm or plate.height_mm
    for what, right, bottom in _placed(plate):
        if right > wide + _ROOM_MM or bottom > high + _ROOM_MM:
            narrow = right > wide + _ROOM_MM
            raise BadValue(
                "smaller-than-what-lies-on-it",
                f"{what} reaches to {right:g} × {bottom:g} mm on {plate.name}; a plate of this "
                "size ends before it. Move it or take it away first, or look at the size again.",
                field="width_mm" if narrow else "height_mm", value=wide if narrow else high,
                allowed=f"at least {right if narrow else bottom:g}", unit="mm",
            )  # fmt: skip


def _placed(plate: Plate) -> Iterator[tuple[str, float, float]]:
    """Yield what lies where on a plate: its name, and how far right and down it reaches [mm]."""
    for pin in Pin.objects.filter(plate=plate, withdrawn=False, done_at=None):
        yield f"A pin ({pin.kind})", pin.x_mm, pin.y_mm
    for group in decided_of(plate).groups:
        yield group.name, group.x_mm + group.width_mm, group.y_mm + group.height_mm


def _is_another(plate: Plate, given: PlateChange) -> str:
    """Return the field by which it is another plate: its material or how it is worked."""
    if given.metal is not None and given.metal != plate.metal:
        return "metal"
    routes = plate.routes if given.routes is None else given.routes
    asked = Plate(route=given.route or plate.route, routes=routes)
    return "route" if routes_of(asked) != routes_of(plate) else ""


def _check_untouched(plate: Plate, field: str) -> None:
    """Refuse another material or route once the plate is planned, bitten, exposed or worked."""
    course = Course.objects.filter(plate=plate).first()
    done = [step for step in (course.steps if course else []) if step["status"] != "todo"]
    if Run.objects.filter(plate=plate).exists():
        since = "it was bitten"
    elif Exposure.objects.filter(plate=plate).exists():
        since = "it was exposed"
    elif Plan.objects.filter(plate=plate).exists():
        since = "its bites are planned"
    elif done:
        since = "steps of its course are done"
    else:
        return
    what = "Its material" if field == "metal" else "How its image gets in"
    raise BadValue(
        "plate-worked", f"{what} stays: {since} since. Put this plate away and put in a new one, "
        "or add steps on its course's page.", field=field, allowed="a plate nothing was done to",
    )  # fmt: skip


def _begin_anew(plate: Plate) -> None:
    """Give an untouched plate the course of what it is now."""
    planned_course(plate)
    Course.objects.filter(plate=plate).delete()
    begin_course(plate)
