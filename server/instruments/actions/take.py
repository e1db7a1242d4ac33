"""Take readings of an instrument: kept once, believed by rule, followed by its bath."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

from django.db import transaction
from django.utils import timezone

from core.bath.probe import LONGEST_AHEAD_SECONDS, Before, judged
from server.baths.models import Bath, BathReading
from server.instruments.actions.let_in import by_token
from server.instruments.kinds import QUANTITIES, SENDS
from server.instruments.models import Instrument, InstrumentReading
from server.instruments.schemas import ReadingsIn, ReadingsOut, SentReading, TakenReading
from server.replies.errors import BadValue

LOOKED_BACK = timedelta(minutes=5)
"""What was read before is judged with."""
MOST_BEFORE = 1000
TOLD_EVERY_SECONDS = 60.0
TOLD_STEP_C = 0.1
"""A bath is told of every change, and once a minute: the rest is only kept."""


@transaction.atomic
def take_readings(token: str, given: ReadingsIn) -> ReadingsOut:
    """Return what became of each reading.

    Raises
    ------
    NoToken
    BadValue
        A kind of reading the token may not send.
    """
    now = timezone.now()
    instrument = by_token(token, now)
    _check_kinds(instrument, given.readings)
    sent = [_named(instrument, each) for each in given.readings]
    known = InstrumentReading.objects.in_bulk([key for key, _ in sent])
    rows = _new_rows(instrument, sent, set(known), now)
    InstrumentReading.objects.bulk_create(rows, ignore_conflicts=True)
    stored = known | {row.id: row for row in rows}
    _tell_bath(instrument, [row for row in rows if row.believed])
    _keep_last(instrument, rows)
    fresh = {row.id: row for row in rows}
    return ReadingsOut(
        taken=len(rows),
        now=now,
        # of one that is doubled within the call the first is new
        readings=[_taken(stored[key], each, fresh.pop(key, None) is None) for key, each in sent],
    )


def _check_kinds(instrument: Instrument, readings: Sequence[SentReading]) -> None:
    allowed = SENDS[instrument.kind]
    for place, each in enumerate(readings):
        if each.kind not in allowed:
            raise BadValue(
                "out-of-scope", f"{instrument.name} is a {instrument.kind}: it sends "
                f"{' and '.join(allowed)}.", field=f"readings.{place}.kind", value=each.kind,
                allowed=", ".join(allowed),
            )  # fmt: skip


def _named(instrument: Instrument, each: SentReading) -> tuple[uuid.UUID, SentReading]:
    """Return a reading with its id; one without is named by its kind and moment."""
    said = each.id or f"{each.kind} {each.at.astimezone(UTC).isoformat()}"
    return uuid.uuid5(instrument.id, str(said)), each


def _new_rows(
    instrument: Instrument,
    sent: list[tuple[uuid.UUID, SentReading]],
    known: set[uuid.UUID],
    now: datetime,
) -> list[InstrumentReading]:
    """Return rows of readings that are not known yet, each judged; doubled ones once."""
    once = {key: each for key, each in reversed(sent) if key not in known}
    verdicts = _verdicts(instrument, once, now)
    return [
        InstrumentReading(
            id=key, room_id=instrument.room_id, instrument=instrument, at=each.at,
            received_at=now, kind=each.kind, value=each.value, believed=verdicts[key][0],
            why=verdicts[key][1],
        )
        for key, each in once.items()
    ]  # fmt: skip


def _verdicts(
    instrument: Instrument, once: dict[uuid.UUID, SentReading], now: datetime
) -> dict[uuid.UUID, tuple[bool, str]]:
    found = {key: _in_limits(each, now) for key, each in once.items() if each.kind != "temperature"}
    warm = sorted((k for k, e in once.items() if e.kind == "temperature"),
                  key=lambda key: (once[key].at, once[key].value))  # fmt: skip
    if not warm:
        return found
    pairs = [(once[key].at.timestamp(), once[key].value) for key in warm]
    first = min(once[key].at for key in warm)
    told = judged(pairs, _before(instrument, first), now.timestamp())
    return found | {key: (t.believed, t.why) for key, t in zip(warm, told, strict=True)}


def _before(instrument: Instrument, first: datetime) -> list[Before]:
    rows = InstrumentReading.objects.filter(
        instrument=instrument, kind="temperature", at__gte=first - LOOKED_BACK
    ).order_by("at")
    told = rows.values_list("at", "value", "believed")[:MOST_BEFORE]
    return [Before(at.timestamp(), value, believed) for at, value, believed in told]


def _in_limits(each: SentReading, now: datetime) -> tuple[bool, str]:
    quantity = QUANTITIES[each.kind]
    if (each.at - now).total_seconds() > LONGEST_AHEAD_SECONDS:
        return False, "It is from the future: set the instrument's clock."
    if not quantity.least <= each.value <= quantity.most:
        return False, f"Outside {quantity.least:g} to {quantity.most:g} {quantity.unit}."
    return True, ""


def _tell_bath(instrument: Instrument, believed: list[InstrumentReading]) -> None:
    """Follow a probe: every change and every minute is a reading of its bath."""
    if instrument.kind != "bath-probe" or instrument.bath is None or not believed:
        return
    bath, rows = instrument.bath, list[BathReading]()
    last = _last_told(instrument, min(row.at for row in believed))
    for row in sorted(believed, key=lambda each: each.at):
        if _is_news(last, row):
            rows.append(
                BathReading(
                    id=row.id, room_id=instrument.room_id, bath=bath, at=row.at,
                    temperature_c=row.value, instrument=instrument.id,
                )
            )  # fmt: skip
            last = (row.at, row.value)
    BathReading.objects.bulk_create(rows, ignore_conflicts=True)
    newest = max(believed, key=lambda each: each.at)
    Bath.objects.filter(id=bath.id, temperature_at__lt=newest.at).update(
        temperature_c=newest.value, temperature_at=newest.at
    )


def _last_told(instrument: Instrument, before: datetime) -> tuple[datetime, float] | None:
    row = BathReading.objects.filter(
        bath=instrument.bath, instrument=instrument.id, at__lte=before
    ).order_by("-at").first()  # fmt: skip
    return None if row is None else (row.at, row.temperature_c or 0.0)


def _is_news(last: tuple[datetime, float] | None, row: InstrumentReading) -> bool:
    if last is None:
        return True
    late = (row.at - last[0]).total_seconds() >= TOLD_EVERY_SECONDS
    return late or abs(row.value - last[1]) >= TOLD_STEP_C - 1e-9


def _keep_last(instrument: Instrument, rows: list[InstrumentReading]) -> None:
    """Keep when it was heard last, by its own readings' time; a future one is no word of now."""
    now = timezone.now()
    ahead = now + timedelta(seconds=LONGEST_AHEAD_SECONDS)
    heard = [row for row in rows if row.at <= ahead]
    newest = max(heard, key=lambda each: each.at, default=None)
    if newest is not None and (instrument.last_at is None or newest.at >= instrument.last_at):
        instrument.last_at, instrument.last_kind = newest.at, newest.kind
        instrument.last_value, instrument.last_why = newest.value, newest.why
    instrument.save(update_fields=["last_at", "last_kind", "last_value", "last_why"])


def _taken(row: InstrumentReading, sent: SentReading, known: bool) -> TakenReading:
    why = row.why
    if known and row.value != sent.value:
        why = f"Another value is kept under this id: {row.value:g}."
    return TakenReading(id=row.id, known=known, believed=row.believed, why=why)
