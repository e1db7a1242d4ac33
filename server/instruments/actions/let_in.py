"""Let a token in: whose it is, whether it still holds, and how often it called."""

from __future__ import annotations

from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone

from server.instruments.actions.keep import hashed
from server.instruments.models import Instrument
from server.replies.errors import AppError, Throttled

MOST_CALLS_A_MINUTE = 60


class NoToken(AppError):
    """The token is unknown, over, or taken back."""

    status = 401


@transaction.atomic
def let_in(token: str) -> None:
    """Count a call, whatever becomes of what it sends.

    Raises
    ------
    NoToken
    Throttled
        Too many calls in one minute.
    """
    now = timezone.now()
    instrument = by_token(token, now)
    _count(instrument, now)
    instrument.save(update_fields=["window_at", "window_calls"])


def by_token(token: str, now: datetime) -> Instrument:
    """Return the instrument of a token, locked.

    Raises
    ------
    NoToken
    """
    found = Instrument.objects.filter(token_sha256=hashed(token)).select_for_update(
        no_key=True, of=("self",)
    )
    instrument = found.select_related("bath").first()
    if instrument is None:
        raise NoToken("no-token", "Nobody here knows that token.")
    if instrument.taken_back_at is not None:
        raise NoToken("token-taken-back", f"The token of {instrument.name} was taken back.")
    if instrument.ends_at <= now:
        raise NoToken("token-over", f"The token of {instrument.name} is over: replace it.")
    return instrument


def _count(instrument: Instrument, now: datetime) -> None:
    """Count calls of one minute; the last one taken is the limit's."""
    began = instrument.window_at
    if began is None or now - began >= timedelta(minutes=1):
        instrument.window_at, instrument.window_calls = now, 0
    elif instrument.window_calls >= MOST_CALLS_A_MINUTE:
        again = 60 - int((now - began).total_seconds())
        raise Throttled(
            "too-many-calls",
            f"More than {MOST_CALLS_A_MINUTE} calls in a minute. Send up to 60 readings in one.",
            again_seconds=max(1, again),
        )
    instrument.window_calls += 1
