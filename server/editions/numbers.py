"""Give numbers to what was signed: in one place, under one lock, so that none comes twice."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime

from core.events.pull_state import PressPull, PullState
from core.printing.numbering import (
    NUMBERED,
    Number,
    NumberOrder,
    Series,
    Signed,
    give_numbers,
    label_of,
)
from server.accounts.models import User
from server.editions.models import Edition, Impression
from server.events.models import Event
from server.plates.models import Plate
from server.pulls.state import pull_state_of
from server.record.actions.write import write


def most_of(edition: Edition) -> dict[Series, int]:
    """Return how many there are of each series."""
    return {
        "edition": edition.size, "artist": edition.artist_proofs,
        "printer": edition.printer_proofs,
    }  # fmt: skip


def numbers_of(edition: Edition) -> list[Number]:
    """Return the numbers that stand, void ones among them."""
    rows = Impression.objects.filter(edition=edition)
    return [Number(row.pull, row.series, row.number) for row in rows]  # type: ignore[arg-type]


def may_be_numbered(plate: Plate, pull: PressPull) -> bool:
    """Tell whether a signed pull may have a number: pulled, whole, and OK or with a reason."""
    whole = pull.place > 0 and pull.spoiled is None
    return whole and (plate.ok_to_print or bool(pull.before_ok.strip()))


def number_signed(user: User, plate: Plate, state: PullState | None = None) -> None:
    """Give numbers to all that was signed and has none; call it inside a transaction.

    The edition's row is locked: whoever comes second sees what the first gave. The database holds
    a number once besides.
    """
    edition = Edition.objects.select_for_update(no_key=True).filter(plate=plate).first()
    if edition is None:
        return
    told = state or pull_state_of(plate)
    signed = {
        each.event: each
        for each in told.pulls
        if each.series is not None and may_be_numbered(plate, each)
    }
    order: NumberOrder = "dried" if edition.order == "dried" else "pulled"
    asked = [_signed(each) for each in signed.values()]
    new = give_numbers(numbers_of(edition), asked, most_of(edition), order)
    for each in new:
        store_number(user, edition, plate, signed[each.pull], each)


def stand_at_edition(plate: Plate, state: PullState) -> None:
    """Say on the rack how far a plate's edition is, once something of it is signed."""
    if not any(each.series for each in state.pulls):
        return
    edition = Edition.objects.filter(plate=plate).first()
    void = {each.event for each in state.pulls if each.spoiled is not None}
    given = Impression.objects.filter(edition=edition, series="edition") if edition else []
    done = sum(row.pull not in void for row in given)
    note = f"edition, {done} of {edition.size}" if edition else ""
    if (plate.place, plate.place_note) != ("edition", note):
        Plate.objects.filter(id=plate.id).update(place="edition", place_note=note)


def _signed(pull: PressPull) -> Signed:
    return Signed(
        pull.event, pull.series or "edition", pull.pulled_seconds or 0.0,
        pull.signed_seconds or 0.0,
    )  # fmt: skip


def store_number(
    user: User, edition: Edition, plate: Plate, pull: PressPull, number: Number
) -> Impression:
    """Store one number and tell of it; who signed is who logged the signature."""
    signed = Event.objects.select_related("by")
    event = signed.filter(id=pull.signed).first() if pull.signed else None
    row = Impression.objects.create(
        id=uuid.uuid5(edition.id, f"impression {pull.event}"), room=edition.room, edition=edition,
        pull=pull.event, series=number.series, number=number.number,
        signed_at=datetime.fromtimestamp(pull.signed_seconds or 0.0, tz=UTC),
        by=event.by if event else user, before_ok=pull.before_ok,
    )  # fmt: skip
    if number.series in NUMBERED:
        label = label_of(number.series, number.number, edition.size)
        write(edition.room, user, "edition", f"Numbered {label}.", plate=plate)
    return row
