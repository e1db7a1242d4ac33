"""Store a strip, change it, and fit its curve."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction

from core.calculators import compute
from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.safety.cautions import check_pair
from core.safety.heat import check_heat
from server.accounts.models import User
from server.baths.models import Bath
from server.files.models import Picture
from server.record.actions.write import write
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import said_of
from server.shopbook.actions.numbers import own_mordant_numbers
from server.strips.models import Strip
from server.strips.schemas import StripChange, StripIn

EARLIER_STRIPS = 5


def make_strip(user: User, room_id: uuid.UUID, given: StripIn) -> Strip:
    """Return the new strip; one whose patches give no curve is stored with the reason.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change strips")
    facts = given.model_dump(mode="json", exclude={"id", "read_on", "bath", "picture"})
    metal = MORDANTS[given.conditions.mordant].metal
    strip = Strip(id=given.id, room=room, metal=metal, read_on=given.read_on, **facts)
    strip.bath = _bath(room, given.bath, metal)
    strip.picture = _picture(room, given.picture)
    if strip.bath is not None and given.planned:
        check_heat(strip.bath.mordant, strip.bath.temperature_c)
    fit(room, strip)
    with transaction.atomic():
        stored, new = add(strip)
        if new:
            many = len(stored.patches or stored.planned)
            to_bite = " to bite" if stored.planned else ""
            write(room, user, "strip", f"Strip {stored.name}: {many} patches{to_bite}.")
    return stored


def change_strip(user: User, room_id: uuid.UUID, strip_id: uuid.UUID, given: StripChange) -> Strip:
    """Return the changed strip, fitted again: before its row is locked, on its version.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change strips")
    strip = find(Strip, room, strip_id)
    said = said_of(given, Strip, without={"read_on", "bath", "picture"})
    for field, value in said.items():
        setattr(strip, field, value)
    if given.read_on is not None:
        strip.read_on = given.read_on
    strip.metal = MORDANTS[strip.conditions["mordant"]].metal
    if given.picture is not None:
        strip.picture = _picture(room, given.picture)
    if given.bath is not None:
        strip.bath = _bath(room, given.bath, strip.metal)
    fit(room, strip)
    with transaction.atomic():
        strip.version = change(Strip, room, strip_id, given.version).version
        strip.save()
        write(room, user, "strip", f"Changed strip {strip.name}.", data=said)
    return strip


def _bath(room: Room, bath_id: uuid.UUID | None, metal: str) -> Bath | None:
    """Return the bath a strip is bitten in, refused where it is for another metal."""
    if bath_id is None:
        return None
    bath = find(Bath, room, bath_id)
    row = MORDANTS[bath.mordant]
    check_pair(metal, row.metal, row.label)
    return bath


def _picture(room: Room, picture_id: uuid.UUID | None) -> Picture | None:
    return find(Picture, room, picture_id) if picture_id else None


def fit(room: Room, strip: Strip) -> None:
    """Fit the strip's curve; where it gives none, keep the reason in its place."""
    own = own_mordant_numbers(room.id, strip.conditions["mordant"])
    given = {
        "patches": [_patch(p) for p in strip.patches if not p.get("left_out")],
        "bitten": strip.bitten,
        "conditions": strip.conditions | {"numbers": own.model_dump() if own else None},
        "prior": _prior(room, strip),
    }
    try:
        answer = compute("fit-strip", given).model_dump(mode="json")
    except CoreError as error:
        strip.fit, strip.curve, strip.fault = None, None, error.as_dict()
        return
    strip.curve = answer.pop("curve")
    strip.fit, strip.fault = answer, None


def _patch(patch: dict[str, Any]) -> dict[str, Any]:
    return {key: patch[key] for key in ("seconds", "lstar", "spread") if key in patch}


def _prior(room: Room, strip: Strip) -> list[dict[str, Any]] | None:
    """Return curves of earlier strips of the same ground and metal."""
    earlier = (
        Strip.objects.filter(room=room, ground=strip.ground, metal=strip.metal)
        .exclude(id=strip.id)
        .exclude(curve=None)
        .order_by("-created_at")[:EARLIER_STRIPS]
    )
    mordant = strip.conditions["mordant"]
    same = [e.curve for e in earlier if e.curve and e.conditions["mordant"] == mordant]
    return same or None
