"""Keep what a plate's marks shall be, and trials on offcuts."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction

from core.calculators import compute
from server.accounts.models import User
from server.files.models import Picture
from server.marks.models import Marks, Trial, marks_id
from server.marks.schemas import MarksDecided, MarksIn, TrialChange, TrialIn
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import said_of


@transaction.atomic
def marks_row(room: Room, plate: Plate) -> Marks:
    """Return a plate's marks, made where there are none yet."""
    row, _ = Marks.objects.get_or_create(
        id=marks_id(plate), defaults={"room": room, "plate": plate, "version": 0}
    )
    return row


@transaction.atomic
def keep_marks(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: MarksIn) -> Plate:
    """Return the plate after what its marks shall be was stored.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        A field beyond the plate, two groups of one name, a texture without its name.
    """
    room = enter(user, room_id, "scratch")
    plate = find(Plate, room, plate_id, lock=True)
    row = marks_row(room, plate)
    if row.version != given.version:
        raise Stale(
            "stale", "Someone changed this plate's marks while you were at it. Yours is kept here; "
            "look at theirs, then save again.", field="version", value=given.version,
            allowed=str(row.version),
        )  # fmt: skip
    _check(plate, given)
    if given.drawing:
        find(Picture, room, given.drawing)
    row.trial = find(Trial, room, given.trial) if given.trial else None
    decided = MarksDecided(**given.model_dump(include=set(MarksDecided.model_fields)))
    before = MarksDecided(**row.decided)
    row.decided, row.version = decided.model_dump(mode="json"), row.version + 1
    row.save()
    write(room, user, "marks", _told(before, decided), plate=plate, data=row.decided)
    return plate


def _check(plate: Plate, given: MarksIn) -> None:
    names = set()
    for place, each in enumerate(given.groups):
        at = f"groups.{place}"
        if each.name in names:
            raise BadValue(
                "twice", f"There are two groups named {each.name}.", field=f"{at}.name",
                value=each.name, allowed="each name once",
            )  # fmt: skip
        names.add(each.name)
        if each.way == "texture" and each.texture is None:
            raise BadValue("no-texture", f"{each.name}: which texture?", field=f"{at}.texture",
                           allowed="one of the textures")  # fmt: skip
        for side, start, whole in (("width_mm", each.x_mm, plate.width_mm),
                                   ("height_mm", each.y_mm, plate.height_mm)):  # fmt: skip
            if start + getattr(each, side) > whole + 0.05:
                raise BadValue(
                    "beyond-plate", f"{each.name} reaches beyond the plate.", field=f"{at}.{side}",
                    value=getattr(each, side), allowed=f"at most {max(0.0, whole - start):g}",
                    unit="mm",
                )  # fmt: skip


def _told(before: MarksDecided, given: MarksDecided) -> str:
    """Return what was decided; where only letters were read in the mirror, how many are."""
    if before.letters_checked != given.letters_checked and before.words == given.words:
        letters = sum(not each.isspace() for each in given.words)
        return f"Lettering {given.words!r}: {len(given.letters_checked)} of {letters} letters read."
    count = len(given.groups)
    groups = "1 group" if count == 1 else f"{count} groups"
    words = f", lettering {given.words!r}" if given.words else ""
    return f"Marks planned: {groups}{words}."


@transaction.atomic
def make_trial(user: User, room_id: uuid.UUID, given: TrialIn) -> Trial:
    """Return the new trial.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        Tones that no line can print.
    """
    room = enter(user, room_id, "scratch")
    facts = given.model_dump(mode="json", exclude={"read_on", "id"})
    trial = Trial(id=given.id, room=room, read_on=given.read_on, **facts)
    scale_of(trial)
    stored, new = add(trial)
    if new:
        write(room, user, "trial", f"Trial {stored.name}: {_rows(stored)}.")
    return stored


@transaction.atomic
def change_trial(user: User, room_id: uuid.UUID, trial_id: uuid.UUID, given: TrialChange) -> Trial:
    """Return the changed trial.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        Tones that no line can print.
    """
    room = enter(user, room_id, "scratch")
    trial = change(Trial, room, trial_id, given.version)
    said = said_of(given, Trial, without={"read_on"})
    for field, value in said.items():
        setattr(trial, field, value)
    if given.read_on is not None:
        trial.read_on = given.read_on
    scale_of(trial)
    trial.save()
    write(room, user, "trial", _changed(trial, given), data=said)
    return trial


def scale_of(trial: Trial) -> Any:
    """Return the pressure scale that a trial gives.

    Raises
    ------
    CoreError
        Tones that no line can print; bare plate and solid ink the wrong way round.
    """
    return compute("pressure-scale", {
        "needle_um": trial.needle_um, "trials": trial.pressures,
        "lightest_lstar": trial.lightest_lstar, "solid_lstar": trial.solid_lstar,
    })  # fmt: skip


def _changed(trial: Trial, given: TrialChange) -> str:
    if given.out_reason is not None:
        why = f"no longer counts: {given.out_reason}" if given.out_reason else "counts again"
        return f"Trial {trial.name} {why}."
    return f"Changed trial {trial.name}: {_rows(trial)}."


def _rows(trial: Trial) -> str:
    said = []
    if trial.pressures:
        said.append(f"{len(trial.pressures)} pressures")
    if trial.textures:
        said.append(f"{len(trial.textures)} textures")
    return ", ".join(said) or "nothing read yet"
