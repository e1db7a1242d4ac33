"""Settle what a bath stands at, from the readings and events that hold."""

from __future__ import annotations

from datetime import UTC, datetime

from django.db.models import Q, QuerySet

from core.events.undo import holding
from core.kinetics.standing import Reading, Standing, stand
from server.baths.models import Bath, BathReading
from server.events.models import Event
from server.events.reads import core_event

TELLING = ("temperature", "undo")
LOAD_DIGITS = 3


def read_by_hand(bath: Bath) -> QuerySet[BathReading]:
    """Return what holds of a bath and is no probe's."""
    return BathReading.objects.filter(bath=bath, taken_back=False, instrument=None)


def read_by_probe(bath: Bath) -> QuerySet[BathReading]:
    """Return what a probe said of a bath and was believed."""
    return BathReading.objects.filter(bath=bath, taken_back=False).exclude(instrument=None)


def _by_events(bath: Bath) -> list[Reading]:
    events = [core_event(e) for e in Event.objects.filter(bath=bath, kind__in=TELLING)]
    read = [(event.at_seconds, event.data.reading()) for event in holding(events)]
    return [Reading(at, said.temperature_c) for at, said in read if said is not None]


def bath_readings(bath: Bath, until: datetime | None = None) -> list[Reading]:
    """Return what settles a bath: its own readings, what events read, a probe's newest word."""
    probed = read_by_probe(bath).order_by("-at")
    last = (probed.filter(at__lte=until) if until else probed).first()
    own = [*read_by_hand(bath).order_by("at", "id"), *([last] if last else [])]
    return [
        *(
            Reading(
                row.at.timestamp(), row.temperature_c, row.load_g_per_l, row.gained_g_per_l,
                row.replaced_share,
            )
            for row in own
        ),
        *_by_events(bath),
    ]  # fmt: skip


def bath_line(
    bath: Bath, since: datetime | None = None, until: datetime | None = None
) -> list[tuple[float, float]]:
    """Return (second since the epoch, °C) of everything that holds of a bath, oldest first.

    A probe says something every few seconds: its words are told from ``since`` to ``until``.
    """
    known = [(r.at_seconds, r.temperature_c) for r in bath_readings(bath, until)]
    window = Q() if since is None else Q(at__gte=since)
    if until is not None:
        window &= Q(at__lte=until)
    probed = read_by_probe(bath).filter(window).exclude(temperature_c=None)
    known += [(at.timestamp(), c) for at, c in probed.values_list("at", "temperature_c")]
    return sorted({(at, celsius) for at, celsius in known if celsius is not None})


def settle_bath(bath: Bath) -> Bath:
    """Return the bath with its temperature and load as they follow; sets them in the table.

    Call it in the transaction that stored a reading or an event, with the bath locked.
    """
    _put(bath, stand(bath_readings(bath)))
    if bath.measured_at is not None:
        then = stand(bath_readings(bath, bath.measured_at), bath.measured_at.timestamp())
        bath.measured_c = then.temperature_c
        bath.measured_g_per_l = then.load_g_per_l
    bath.save()
    return bath


def _put(bath: Bath, now: Standing) -> None:
    if now.temperature_c is not None and now.temperature_at_seconds is not None:
        bath.temperature_c = now.temperature_c
        bath.temperature_at = datetime.fromtimestamp(now.temperature_at_seconds, tz=UTC)
    if now.load_g_per_l is not None:
        bath.load_g_per_l = round(now.load_g_per_l, LOAD_DIGITS)
