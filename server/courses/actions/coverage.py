"""Measure the dust of a plate from a stored photograph, and log it."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings

from core.image.dust_coverage import dust_coverage
from core.image.shapes import DustCoverageInput, DustCoverageOutput
from server.accounts.models import User
from server.courses.schemas import CoverageIn
from server.files.models import Picture
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import enter, find


def log_coverage(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CoverageIn
) -> DustCoverageOutput:
    """Return what the photograph shows, after writing it into the plate's record.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        No grains in the photograph; then nothing is logged.
    """
    room = enter(user, room_id, "change plates")
    plate = find(Plate, room, plate_id)
    picture = find(Picture, room, given.picture)
    path = Path(settings.MEDIA_ROOT) / picture.original
    seen = dust_coverage(DustCoverageInput(image=str(path), um_per_pixel=given.um_per_pixel))
    text = (
        f"Dust covers {100 * seen.covered:.0f} % (± {200 * seen.covered_spread:.0f}), "
        f"{seen.grains_per_mm2:.0f} grains a mm²: {seen.verdict}."
    )
    data = {"picture": str(picture.id), **seen.model_dump(exclude={"patches"})}
    write(room, user, "coverage", text, plate=plate, data=data)
    return seen
