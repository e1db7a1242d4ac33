"""Store a strip, change it, and fit its curve."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction
from django.db.models import F
from django.utils import timezone

from core.calculators import compute
from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.safety.pairs import check_pair
from server.accounts.models import User
from server.baths.actions.admit import admit, remember
from server.baths.models import Bath
from server.files.models import Picture
from server.record.actions.write import write
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import said_of, stood
from server.shopbook.actions.numbers import own_mordant_numbers
from server.shopbook.printed import KINDS, Names, names_of, printed_with
from server.strips.actions.tell_bath import tell_bath
from server.strips.models import Strip
from server.strips.schemas import StripChange, StripIn
from server.strips.told import told_strip

EARLIER_STRIPS = 5
DAY_SECONDS = 86_400
MOST_FITTED_AGAIN = 20
"""Of later strips, when one is left out or put back: each fit takes a tenth of a second."""


def make_strip(user: User, room_id: uuid.UUID, given: StripIn) -> Strip:
    """Return the new strip; one whose patches give no curve is stored with the reason.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change strips")
    facts = given.model_dump(mode="json", exclude={"id", "read_on", "bath", "picture", *KINDS})
    metal = MORDANTS[given.conditions.mordant].metal
    strip = Strip(id=given.id, room=room, metal=metal, read_on=given.read_on, **facts)
    strip.bath = _bath(room, given.bath, metal)
    _take_strength(strip)
    strip.picture = _picture(room, given.picture)
    _print(room, strip, given)
    if strip.bath is not None and given.planned:
        admit(metal, strip.bath)
    fit(room, strip)
    with transaction.atomic():
        stored, new = add(strip)
        if new and stored.bath_id is not None and stored.planned:
            remember(metal, find(Bath, room, stored.bath_id, lock=True))
        if new:
            many = len(stored.patches or stored.planned)
            to_bite = " to bite" if stored.planned else ""
            write(room, user, "strip", f"Strip {stored.name}: {many} patches{to_bite}.")
            tell_bath(stored)
    return stored


def change_strip(user: User, room_id: uuid.UUID, strip_id: uuid.UUID, given: StripChange) -> Strip:
    """Return the changed strip, fitted again: before its row is locked, on its version.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change strips")
    strip = find(Strip, room, strip_id)
    said = said_of(given, Strip, without={"read_on", "bath", "picture", *KINDS})
    printed = {kind: name for kind in KINDS if (name := getattr(given, kind)) is not None}
    before = stood(strip, said) | {kind: names_of(strip)[kind] for kind in printed}
    for field, value in said.items():
        setattr(strip, field, value)
    if given.read_on is not None:
        strip.read_on = given.read_on
    strip.metal = MORDANTS[strip.conditions["mordant"]].metal
    if given.picture is not None:
        strip.picture = _picture(room, given.picture)
    _print(room, strip, given)
    if given.bath is not None:
        strip.bath = _bath(room, given.bath, strip.metal)
    fit(room, strip)
    with transaction.atomic():
        strip.version = change(Strip, room, strip_id, given.version).version
        strip.save()
        said |= printed
        text = told_strip(strip, given, said, before)
        write(room, user, "strip", text, data=said | {"before": before})
        tell_bath(strip)
    if given.out_reason is not None:
        _fit_again(room, strip)
    return strip


def _print(room: Room, strip: Strip, given: Names) -> None:
    for kind, row in printed_with(room, given).items():
        setattr(strip, kind, row)


def _fit_again(room: Room, changed: Strip) -> None:
    """Fit the strips anew that lean on one, or may now: what counts has changed."""
    later = Strip.objects.filter(
        room=room, ground=changed.ground, metal=changed.metal, created_at__gt=changed.created_at
    ).exclude(curve=None)
    for strip in later.order_by("created_at")[:MOST_FITTED_AGAIN]:
        seen = Strip.objects.filter(id=strip.id, version=strip.version)
        fit(room, strip)
        seen.update(
            curve=strip.curve, fit=strip.fit, fault=strip.fault, prior=strip.prior,
            version=F("version") + 1,
        )  # fmt: skip
        tell_bath(strip)


def _bath(room: Room, bath_id: uuid.UUID | None, metal: str) -> Bath | None:
    """Return the bath a strip is bitten in, refused where it is for another metal."""
    if bath_id is None:
        return None
    bath = find(Bath, room, bath_id)
    check_pair(metal, bath.mordant, held_copper=bath.held_copper)
    return bath


def _take_strength(strip: Strip) -> None:
    """Take °Bé from the bath a strip is to be bitten in: its curve is compared by it.

    Of one bitten earlier it is not taken: its bath may have read otherwise then.
    """
    bath = strip.bath
    if bath is None or not strip.planned or bath.mordant != strip.conditions["mordant"]:
        return
    if strip.conditions.get("baume") is None and bath.baume is not None:
        strip.conditions = {**strip.conditions, "baume": bath.baume}


def _picture(room: Room, picture_id: uuid.UUID | None) -> Picture | None:
    return find(Picture, room, picture_id) if picture_id else None


def fit(room: Room, strip: Strip) -> None:
    """Fit the strip's curve; where it gives none, keep the reason in its place."""
    own = own_mordant_numbers(room.id, strip.conditions["mordant"])
    earlier = _earlier(room, strip)
    given = {
        "patches": [_patch(p) for p in strip.patches if not p.get("left_out")],
        "bitten": strip.bitten,
        "other_dips": [p["seconds"] for p in strip.patches if p.get("left_out")],
        "conditions": strip.conditions | {"numbers": own.model_dump() if own else None},
        "prior": [each.curve for each in earlier] or None,
        "prior_days": [_days(each, strip) for each in earlier] or None,
    }
    try:
        answer = compute("fit-strip", given).model_dump(mode="json")
    except CoreError as error:
        strip.fit, strip.curve, strip.fault, strip.prior = None, None, error.as_dict(), []
        return
    strip.curve = answer.pop("curve")
    strip.fit, strip.fault = answer, None
    pairs = zip(earlier, answer["prior_shares"], strict=True)
    strip.prior = [{"strip": str(each.id), "share": share} for each, share in pairs]


def _patch(patch: dict[str, Any]) -> dict[str, Any]:
    return {key: patch[key] for key in ("seconds", "lstar", "spread") if key in patch}


def _earlier(room: Room, strip: Strip) -> list[Strip]:
    """Return the earlier strips of the same ground, metal and mordant that count."""
    found = Strip.objects.filter(
        room=room, ground=strip.ground, metal=strip.metal, out_reason="",
        conditions__mordant=strip.conditions["mordant"],
    )  # fmt: skip
    if strip.created_at is not None:
        found = found.filter(created_at__lt=strip.created_at)
    return list(found.exclude(id=strip.id).exclude(curve=None).order_by("-created_at"))[
        :EARLIER_STRIPS
    ]


def _days(earlier: Strip, strip: Strip) -> float:
    """Return how much older an earlier strip is [d]: by when they were read, where that is said."""
    if earlier.read_on and strip.read_on:
        return float(max(0, (strip.read_on - earlier.read_on).days))
    made = strip.created_at or timezone.now()
    return max(0.0, (made - earlier.created_at).total_seconds() / DAY_SECONDS)
