"""Keep a study; where its greys change, ask for them."""

from __future__ import annotations

import itertools
import uuid

from django.db import transaction

from core.data.mordants import MORDANTS
from server.accounts.models import User
from server.baths.models import Bath
from server.files.models import Picture
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.strips.models import Strip
from server.studies.field import ask_for_field
from server.studies.models import Study
from server.studies.schemas import StudyIn

_COLUMNS = ("smooth_mm", "map", "count", "tones", "bounds", "join_mm2", "names", "pens",
            "lettering")  # fmt: skip


@transaction.atomic
def keep_study(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: StudyIn) -> Study:
    """Return the stored study of a plate; it has one, changed in place.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        Its tones and borders do not go together.
    """
    room = enter(user, room_id, "change plans")
    plate = find(Plate, room, plate_id, lock=True)
    old = Study.objects.filter(room=room, plate=plate).first()
    if old is None:
        study, new = add(_filled(room, plate, given, Study(id=given.id, room=room)))
        told = "Laid out a value study." if new else ""
    elif given.version == 0:
        if old.id != given.id:
            raise Stale(
                "stale", "This plate has a study already. Look at it, then save again.",
                field="version", value=0, allowed=str(old.version),
            )  # fmt: skip
        return old  # sent again, its answer lost
    else:
        before = (old.sketches, old.tuning, old.edits)
        study = _filled(room, plate, given, change(Study, room, old.id, given.version))
        study.save()
        told = _told(before, study)
    _first_picture(plate, study)
    if told:
        write(room, user, "study", told, plate=plate)
    ask_for_field(user, study)
    return study


def _told(before: tuple, study: Study) -> str:
    """Return what the record says of a change: what was drawn and laid, not each pulled handle."""
    sketches, tuning, edits = before
    said = []
    if sketches != study.sketches or tuning != study.tuning:
        said.append(f"laid {len(study.sketches)} picture{'s'[: len(study.sketches) > 1]}")
    if edits != study.edits:
        said.append(f"{len(study.edits)} corrections drawn")
    return f"Changed the value study: {', '.join(said)}." if said else ""


def _first_picture(plate: Plate, study: Study) -> None:
    """The first sketch is the picture of what is meant, where there was none."""
    if plate.study_id is None:
        Plate.objects.filter(id=plate.id).update(study_id=study.sketches[0]["picture"])


def _filled(room: Room, plate: Plate, given: StudyIn, study: Study) -> Study:
    for sketch in given.sketches:
        find(Picture, room, sketch.picture)
    study.plate = plate
    study.strip = find(Strip, room, given.strip) if given.strip else None
    study.bath = find(Bath, room, given.bath) if given.bath else None
    if study.bath and MORDANTS[study.bath.mordant].metal != plate.metal:
        raise BadValue(
            "wrong-metal", f"{study.bath.name} does not bite {plate.metal}.", field="bath",
            value=study.bath.name, allowed=f"a bath for {plate.metal}",
        )  # fmt: skip
    study.sketches = [sketch.model_dump(mode="json") for sketch in given.sketches]
    study.tuning = given.tuning.model_dump(mode="json")
    study.edits = [edit.model_dump(mode="json") for edit in given.edits]
    for column in _COLUMNS:
        setattr(study, column, getattr(given, column))
    _check_falls(given)
    return study


def _check_falls(given: StudyIn) -> None:
    for name in ("tones", "bounds"):
        row = getattr(given, name)
        if row and any(later >= earlier for earlier, later in itertools.pairwise(row)):
            raise BadValue(
                "not-falling", "Handles may not cross: the lightest comes first.", field=name,
                value=", ".join(f"{each:g}" for each in row), allowed="falling", unit="L*",
            )  # fmt: skip
