"""How often a wrong password may be tried: by name and address together, and by each apart.

django-axes keeps every failure and counts those of one name from one address. Beside it: many names
from one address, and one name from many, are stopped, but never at an address where that person
has signed in before: a stranger locks nobody out.
"""

from __future__ import annotations

from datetime import timedelta

from axes.models import AccessFailureLog, AccessLog
from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from server.replies.errors import Throttled, answer_to

MOST_BY_ADDRESS = 20
MOST_BY_NAME = 20
WINDOW = timedelta(hours=settings.AXES_COOLOFF_TIME)
KNOWN_FOR = timedelta(days=90)


def check_tries(name: str, address: str) -> None:
    """Refuse one try more where there were too many.

    Raises
    ------
    Throttled
    """
    now = timezone.now()
    lately = AccessFailureLog.objects.filter(attempt_time__gt=now - WINDOW)
    many_names = lately.filter(ip_address=address).count() >= MOST_BY_ADDRESS
    many_places = lately.filter(username=name).count() >= MOST_BY_NAME
    if (many_names or many_places) and not _known(name, address):
        raise too_many()


def _known(name: str, address: str) -> bool:
    """Tell whether somebody of this name has signed in at an address before."""
    since = timezone.now() - KNOWN_FOR
    return AccessLog.objects.filter(
        username=name, ip_address=address, attempt_time__gt=since
    ).exists()


def locked_out(request: HttpRequest, *_: object) -> HttpResponse:
    """Answer in the house's own form, where django-axes would in its own."""
    return answer_to(too_many())


def too_many() -> Throttled:
    """Return the error for one try too many."""
    minutes = round(WINDOW.total_seconds() / 60)
    return Throttled(
        "too-many-tries",
        f"Too many tries. Wait {minutes} minutes, or ask a keeper for a link.",
        again_seconds=round(WINDOW.total_seconds()),
    )
