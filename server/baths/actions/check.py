"""Log what was measured of a bath's speed: a coupon, a check patch, a hydrometer."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from django.db import transaction
from django.utils import timezone

from core.bath.observe import see_coupon, see_hydrometer
from core.bath.speed_shapes import Coupon, Hydrometer
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions
from server.accounts.models import User
from server.baths.actions.admit import admit, remember
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathCheck, BathReading
from server.baths.schemas import AnyCheck, CheckPatchIn, CouponIn
from server.baths.words import check_words
from server.record.actions.write import write
from server.replies.errors import Stale
from server.rooms.permissions import add, change, enter, find

TITLES = {
    "coupon": "Coupon weighed in",
    "check-patch": "Check patch bitten in",
    "hydrometer": "Hydrometer read in",
}


@transaction.atomic
def check_bath(
    user: User,
    room_id: uuid.UUID,
    bath_id: uuid.UUID,
    given: AnyCheck,
    curve: dict[str, Any] | None = None,
) -> Bath:
    """Return the bath with a new check; sent twice it is logged once.

    ``curve`` is that of the strip a check patch is read off.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        The coupon gained or hardly lost, the hydrometer says nothing here, or the metal may not go
        into this bath.
    Stale
        The id is another bath's.
    """
    room = enter(user, room_id, "read baths")
    bath = find(Bath, room, bath_id, lock=True)
    row = mordant_row(Conditions(mordant=bath.mordant, numbers=bath.own_numbers))
    said = _said(given, bath)
    if given.kind == "coupon":
        see_coupon(Coupon.model_validate({"kind": "coupon", **said}), row, 0)
    elif given.kind == "hydrometer":
        reading = Hydrometer.model_validate({"kind": "hydrometer", **said})
        see_hydrometer(reading, row, bath.load_g_per_l, 0)
    if given.kind != "hydrometer":
        admit(row.metal, bath)
    strip = given.strip if isinstance(given, CheckPatchIn) else None
    check, new = add(
        BathCheck(
            id=given.id, room=room, bath=bath, at=timezone.now(), by=user, kind=given.kind,
            said=said, curve=curve, strip=strip,
        )
    )  # fmt: skip
    if check.bath_id != bath.id:
        raise Stale("id-taken", "That id is another bath's check. Make a new one.", field="id")
    if not new:
        return bath
    if given.kind != "hydrometer":
        remember(row.metal, bath)
    if isinstance(given, CouponIn):
        _dissolved(check, given)
    write(room, user, "bath", f"{TITLES[check.kind]} {bath.name}: {check_words(check.kind, said)}.")
    return settle_bath(bath)


def _said(given: AnyCheck, bath: Bath) -> dict[str, Any]:
    """Return the check as the core takes it: as warm and loaded as the bath is, where not said."""
    said = given.model_dump(exclude={"id", "kind", "strip"}, exclude_none=True)
    if given.kind != "hydrometer":
        said.setdefault("temperature_c", bath.temperature_c)
    return said | {"load_g_per_l": bath.load_g_per_l}


def _dissolved(check: BathCheck, coupon: CouponIn) -> None:
    """Keep the metal a coupon gave: as bites do, it loads its bath."""
    grams = coupon.mass_before_g - coupon.mass_after_g
    BathReading.objects.create(
        id=uuid.uuid5(check.id, "load"), room=check.room, bath=check.bath, at=check.at,
        by=check.by, gained_g_per_l=grams / check.bath.volume_l,
        note=f"Of a coupon: +{grams / check.bath.volume_l:.3f} g/L.",
    )  # fmt: skip


@transaction.atomic
def take_back_check(
    user: User, room_id: uuid.UUID, bath_id: uuid.UUID, check_id: uuid.UUID, version: int,
    taken_back: bool,
) -> Bath:  # fmt: skip
    """Return the bath without a check that was none, or with it again.

    The metal of a coupon stays or goes with it.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "read baths")
    bath = find(Bath, room, bath_id, lock=True)
    found = find(BathCheck, room, check_id)
    if found.bath_id != bath.id:
        raise Stale("id-taken", "That check is another bath's.", field="check")
    check = change(BathCheck, room, check_id, version)
    check.taken_back = taken_back
    check.save()
    BathReading.objects.filter(id=uuid.uuid5(check.id, "load")).update(taken_back=taken_back)
    verb = "Took back" if taken_back else "Put back"
    told = check_words(check.kind, check.said)
    write(room, user, "bath", f"{verb} a check of {bath.name}: {told}.")
    return settle_bath(bath)


def keep_scraps(
    bath: Bath, run: uuid.UUID, curve: dict[str, Any] | None, said: dict[uuid.UUID, dict[str, Any]],
    at: dict[uuid.UUID, datetime],
) -> None:  # fmt: skip
    """Store a run's companion scraps as checks of its bath, by their events; others of it go.

    An event's id is its device's: the check's own follows from it, and can be no other's.
    """
    names = {event: uuid.uuid5(event, "check of its bath") for event in said}
    BathCheck.objects.filter(run=run).exclude(id__in=names.values()).delete()
    if curve is None:
        return
    for event, each in said.items():
        BathCheck.objects.update_or_create(
            id=names[event],
            defaults={
                "room": bath.room, "bath": bath, "at": at[event], "kind": "check-patch",
                "said": each, "curve": curve, "run": run,
            },
        )  # fmt: skip
