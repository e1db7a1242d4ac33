"""Begin a work, and keep how it is printed."""

from __future__ import annotations

import uuid

from django.db import transaction

from core.calculators import compute
from server.accounts.models import User
from server.files.models import Picture
from server.plates.models import Plate, Work
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.shopbook.models import Supply
from server.works.layers import decided_of, layers_out, stack_given, things_of
from server.works.models import Layering
from server.works.numbers import number_waiting
from server.works.schemas import WorkBegin, WorkDecided, WorkIn
from server.works.state import work_state_of


@transaction.atomic
def begin_work(user: User, room_id: uuid.UUID, given: WorkBegin) -> Layering:
    """Return the new work; sent twice it is begun once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "print")
    work, _ = add(Work(id=given.id, room=room, name=given.name))
    decided = WorkDecided(width_mm=given.width_mm, height_mm=given.height_mm)
    row, new = add(Layering(id=given.id, room=room, work=work,
                            decided=decided.model_dump(mode="json")))  # fmt: skip
    if new:
        write(room, user, "work", f"Began the work {given.name}.")
    return row


@transaction.atomic
def keep_work(user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: WorkIn) -> Layering:
    """Return the work after how it is printed was stored.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        A stencil larger than the plate.
    BadValue
        Two layers of one name, two keys, an edition smaller than is numbered, a layer taken out
        that is printed already.
    """
    room = enter(user, room_id, "print")
    row = change(Layering, room, work_id, given.version)
    _check_named(room, given)
    _check_layers(given)
    before = decided_of(row)
    decided = WorkDecided(**given.model_dump(exclude={"version", "name", "put_away"}))
    row.decided, row.put_away = decided.model_dump(mode="json"), given.put_away
    _, layers = layers_out(decided, things_of(row, decided))
    if layers:
        compute("layer-stack", stack_given(decided, layers))
    _check_printed(row, before, decided)
    _check_numbers(row, decided)
    row.save()
    Work.objects.filter(id=row.work_id).update(name=given.name)
    row.work.name = given.name
    number_waiting(user, row)
    order = ", ".join(each.name for each in decided.layers) or "no layers yet"
    away = " Put away." if given.put_away else ""
    write(room, user, "work", f"{given.name} is printed in this order: {order}.{away}")
    return row


def _check_named(room: Room, given: WorkIn) -> None:
    """Find all that the layers name: nothing of another room is ever printed here."""
    for each in given.layers:
        if each.plate:
            find(Plate, room, each.plate)
        if each.ink:
            find(Supply, room, each.ink)
        if each.picture:
            find(Picture, room, each.picture)
    if given.drawing:
        find(Picture, room, given.drawing)


def _check_layers(given: WorkIn) -> None:
    names = [each.name.strip().lower() for each in given.layers]
    for at, name in enumerate(names):
        if name in names[:at]:
            raise BadValue(
                "name-twice", "Two layers have this name: nobody could tell them apart.",
                field=f"layers.{at}.name", value=given.layers[at].name, allowed="a name of its own",
            )  # fmt: skip
    keys = [at for at, each in enumerate(given.layers) if each.key]
    if len(keys) > 1:
        raise BadValue(
            "two-keys", "One plate is the key: the others lie to it.",
            field=f"layers.{keys[1]}.key", value=given.layers[keys[1]].name, allowed="one key",
        )  # fmt: skip
    ids = [each.id for each in given.layers]
    if len(set(ids)) < len(ids):
        raise BadValue("id-twice", "Two layers have one id.", field="layers.id",
                       allowed="an id of its own")  # fmt: skip


def _check_printed(row: Layering, before: WorkDecided, decided: WorkDecided) -> None:
    """Refuse to take out a layer that is on a sheet: what was printed stays told."""
    kept = {each.id for each in decided.layers}
    gone = [each for each in before.layers if each.id not in kept]
    if not gone:
        return
    printed = {one.layer for each in work_state_of(row).sheets for one in each.prints}
    for each in gone:
        if each.id in printed:
            raise BadValue(
                "layer-printed", f"{each.name} is on a sheet already. Take those prints back, or "
                "begin a new work.", field="layers", value=each.name,
                allowed="layers that were not printed",
            )  # fmt: skip


def _check_numbers(row: Layering, decided: WorkDecided) -> None:
    taken = max((each.number or 0 for each in row.signed.filter(series="edition")), default=0)
    if decided.size < taken:
        raise BadValue(
            "smaller-than-pulled", f"{taken} sheets are numbered already, and a number once signed "
            "stays.", field="size", value=decided.size, allowed=f"at least {taken}",
        )  # fmt: skip
