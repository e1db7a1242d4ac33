"""Begin and end an exposure of a plate, or of the piece of a two-way test."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import IntegrityError, transaction
from django.utils import timezone

from core.data.mordants import METALS
from core.polymer.exposure_shapes import ExposureRunInput
from core.polymer.exposure_sheet import exposure_run
from core.polymer.pair_test import PairTestInput
from core.units import clock_text
from server.accounts.models import User
from server.exposures.actions.settle import settle
from server.exposures.models import Exposure, Lamp, Test
from server.exposures.own_wash import own_wash
from server.exposures.schemas import ExposureIn
from server.exposures.today import pair_today
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.models import Room
from server.rooms.permissions import add, enter, find

CAUTIONS_KNOWN = ("uv", "uncured-polymer")
"""Acknowledged before the first light."""


@transaction.atomic
def begin_exposure(user: User, room_id: uuid.UUID, given: ExposureIn) -> Exposure:
    """Return the new exposure; sent twice it begins once.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        Neither a plate nor a test, a plate that is bitten, no times, a caution not known.
    CoreError
        The strips of the test cannot be laid.
    Stale
        The plate, or the test, is under the lamp already.
    """
    room = enter(user, room_id, "expose")
    before = Exposure.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    plate = find(Plate, room, given.plate, lock=True) if given.plate else None
    test = find(Test, room, given.test) if given.test else None
    _check(given, plate, test)
    by_test = find(Test, room, given.by_test) if given.by_test else None
    lamp = _lamp(room, given, test or by_test)
    decided = _decided(room, given, test, by_test)
    sheet = exposure_run(decided)
    exposure = Exposure(
        id=given.id, room=room, plate=plate, test=test, by_test=by_test, lamp=lamp,
        lamp_hours=lamp.hours, decided=decided.model_dump(mode="json"),
        sheet=sheet.model_dump(mode="json"),
    )  # fmt: skip
    try:
        with transaction.atomic():
            exposure, _ = add(exposure)
    except IntegrityError:
        raise Stale("under-way", "It is under the lamp already. Open it.") from None
    if plate is not None:
        _stand(plate, "exposing", "")
    write(room, user, "exposure", _began(exposure, decided), plate=plate)
    return exposure


def _check(given: ExposureIn, plate: Plate | None, test: Test | None) -> None:
    if (plate is None) == (test is None):
        raise BadValue("what", "Say what is exposed: a plate, or a test.", field="plate",
                       allowed="a plate or a test")  # fmt: skip
    if plate is not None and not METALS[plate.metal].by_light:
        raise BadValue(
            "not-by-light", f"{plate.name} is {plate.metal}: it is bitten, not exposed.",
            field="plate", value=plate.metal, allowed="a photopolymer plate",
        )  # fmt: skip
    if test is not None and not test.planned:
        raise BadValue("not-planned", "How this test is laid is not known: it was not planned "
                       "here.", field="test", allowed="a test planned here")  # fmt: skip
    for key in CAUTIONS_KNOWN:
        if key not in given.acknowledged:
            raise BadValue("caution-unread", "Say that you know the lamp and the polymer, then "
                           "begin.", field="acknowledged", value=", ".join(given.acknowledged),
                           allowed=key)  # fmt: skip


def _lamp(room: Room, given: ExposureIn, test: Test | None) -> Lamp:
    if given.lamp is not None:
        return find(Lamp, room, given.lamp)
    if test is None:
        raise BadValue("no-lamp", "Say which lamp.", field="lamp", allowed="a lamp")
    return test.lamp


def _decided(
    room: Room, given: ExposureIn, test: Test | None, by_test: Test | None
) -> ExposureRunInput:
    """Return what the sheet follows from: the strips of a test, a test's pair, or typed times."""
    facts: dict[str, Any] = {"water_c": given.water_c, "own_wash_seconds": own_wash(room)}
    if test is not None:
        return ExposureRunInput(**facts, test=PairTestInput.model_validate(test.planned))
    if by_test is None:
        return ExposureRunInput(
            **facts, screen_seconds=given.screen_seconds, image_seconds=given.image_seconds
        )
    today = pair_today(by_test)
    if today is None or by_test.pair is None:
        raise BadValue("no-pair", f"{by_test.name} gives no pair: read its patches first.",
                       field="by_test", allowed="a test that was read")  # fmt: skip
    return ExposureRunInput(
        **facts, times=today.times, patches=by_test.patches,
        screen_seconds=by_test.pair["screen_seconds"], image_seconds=by_test.pair["image_seconds"],
    )  # fmt: skip


def _began(exposure: Exposure, decided: ExposureRunInput) -> str:
    lamp = exposure.lamp.name
    if exposure.test is not None:
        return f"Began to expose two-way test {exposure.test.name} under {lamp}."
    name = exposure.plate.name if exposure.plate else ""
    screen, image = (
        clock_text((seconds or 0.0) * decided.times)
        for seconds in (decided.screen_seconds, decided.image_seconds)
    )
    return f"Began to expose {name} under {lamp}: screen {screen}, then image {image}."


def _stand(plate: Plate, place: str, note: str) -> None:
    plate.place, plate.place_note = place, note
    plate.version += 1
    plate.save()


@transaction.atomic
def end_exposure(
    user: User, room_id: uuid.UUID, exposure_id: uuid.UUID, reason: str = ""
) -> Exposure:
    """Return the ended exposure; with a reason, or with stages left, it is set aside.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A stage is under way.
    """
    room = enter(user, room_id, "expose")
    found = find(Exposure, room, exposure_id)
    plate = find(Plate, room, found.plate_id, lock=True) if found.plate_id else None
    exposure = find(Exposure, room, exposure_id, lock=True)
    if exposure.ended_at is not None:
        return exposure
    lit = settle(user, exposure)
    if lit.state.under_way is not None:
        raise BadValue("under-way", "A stage is under way. End it first.", field="exposure")
    exposure.ended_at, exposure.reason = timezone.now(), reason
    exposure.outcome = _outcome(begun=bool(lit.state.spans), whole=lit.stands.next is None,
                                reason=reason)  # fmt: skip
    exposure.save()
    told, note = _ended(exposure)
    if plate is not None:
        _stand(plate, "resting", note)
    write(room, user, "exposure", told, plate=plate)
    return exposure


def _outcome(*, begun: bool, whole: bool, reason: str) -> str:
    if not begun:
        return Exposure.NEVER_BEGUN
    return Exposure.FINISHED if whole and not reason else Exposure.SET_ASIDE


def _ended(exposure: Exposure) -> tuple[str, str]:
    """Return what the record says of the end, and what the rack does."""
    what = exposure.plate.name if exposure.plate else f"Test {exposure.test.name}"  # type: ignore[union-attr]
    why = f": {exposure.reason}" if exposure.reason else ""
    if exposure.outcome == Exposure.NEVER_BEGUN:
        return f"{what}: ended before the first light{why}.", ""
    if exposure.outcome == Exposure.SET_ASIDE:
        return f"{what}: exposure set aside{why}.", f"set aside{why}"
    lamp = clock_text(exposure.lamp_seconds)
    return f"{what}: exposed, washed out and hardened. The lamp burnt {lamp}.", "exposed, hardened"
