"""Change what was typed of a bath, where what lies in it allows."""

from __future__ import annotations

import uuid
from collections.abc import Iterator

from django.db import transaction

from core.bath.fit import vessel_fit
from core.bath.make_up_shapes import VesselSize
from core.data.make_up import OVER_PLATE_MM
from server.accounts.models import User
from server.baths.actions.keep import change_bath
from server.baths.models import Bath
from server.baths.schemas import BathChange
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.runs.models import Run
from server.runs.strip_run import strips_under_way


@transaction.atomic
def correct_bath(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: BathChange) -> Bath:
    """Return the changed bath.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        Retired while something bites in it; a volume its vessel does not hold, or that covers
        no plate in it.
    """
    room = enter(user, room_id, "keep baths")
    bath = find(Bath, room, bath_id)
    if given.retired and not bath.retired:
        _check_nothing_is_in(bath)
    if given.volume_l is not None:
        _check_volume(bath, given)
    return change_bath(user, room_id, bath_id, given)


def _check_nothing_is_in(bath: Bath) -> None:
    held = sorted(_under_way(bath))
    if held:
        raise BadValue(
            "bath-in-use", f"{bath.name} is not retired: {' and '.join(held)} bites in it. Lift it "
            "and end its run, or set the run aside, then retire the bath.",
            field="retired", value=True, allowed="a bath with nothing in it",
        )  # fmt: skip


def _under_way(bath: Bath) -> Iterator[str]:
    runs = Run.objects.filter(bath=bath, ended_at=None).select_related("plate")
    yield from (run.plate.name for run in runs)
    strips = (strip for strip, _ in strips_under_way(bath.room) if strip.bath_id == bath.id)
    yield from (f"strip {strip.name}" for strip in strips)


def _check_volume(bath: Bath, given: BathChange) -> None:
    """Refuse a volume that its vessel, as it is or is told now, cannot take."""
    sides = [
        getattr(given, side) or getattr(bath, side)
        for side in ("width_mm", "length_mm", "height_mm")
    ]
    if None in sides:
        return
    wide, long, high = sides
    vessel = VesselSize(
        width_mm=wide, length_mm=long, height_mm=high, upright=bath.vessel == "tank"
    )
    fit = vessel_fit(vessel, None, OVER_PLATE_MM, given.volume_l)
    if not fit.fits:
        raise BadValue(
            "volume-does-not-fit", f"{fit.text} Look at the volume again, or at the vessel's size.",
            field="volume_l", value=given.volume_l,
            allowed=f"{fit.needed_l:.2f} to {fit.holds_l:.2f}", unit="L",
        )  # fmt: skip
