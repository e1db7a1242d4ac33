"""When a room's clock is put forward or back."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from functools import lru_cache
from zoneinfo import ZoneInfo

YEARS_BACK = 12
YEARS_AHEAD = 2
# no zone keeps a shift for less than about a month
STEP_SECONDS = 7 * 86_400


def shifts(zone: str, now: datetime) -> list[tuple[int, int]]:
    """Tell how far a zone's clock is ahead of UTC, from twelve years back to two ahead.

    Parameters
    ----------
    zone
        Name of the time zone, as in the IANA data base.
    now
        Aware moment; its year is the middle of what is told.

    Returns
    -------
    list of tuple
        From when [s since the epoch], and how far ahead from then on [s]; the earliest first.

    Raises
    ------
    zoneinfo.ZoneInfoNotFoundError
        Where there is no such zone.
    """
    return list(_shifts(zone, now.year))


@lru_cache(maxsize=64)
def _shifts(zone: str, year: int) -> tuple[tuple[int, int], ...]:
    info = ZoneInfo(zone)
    first = int(datetime(year - YEARS_BACK, 1, 1, tzinfo=UTC).timestamp())
    last = int(datetime(year + YEARS_AHEAD, 1, 1, tzinfo=UTC).timestamp())
    found = [(first, _ahead(info, first))]
    for before in range(first, last, STEP_SECONDS):
        ahead = _ahead(info, before + STEP_SECONDS)
        if ahead != found[-1][1]:
            found.append((_moment(info, before, before + STEP_SECONDS), ahead))
    return tuple(found)


def _ahead(info: ZoneInfo, seconds: int) -> int:
    offset = datetime.fromtimestamp(seconds, info).utcoffset() or timedelta()
    return int(offset.total_seconds())


def _moment(info: ZoneInfo, before: int, after: int) -> int:
    """Find the second of a shift between two moments, by halving."""
    start = _ahead(info, before)
    while after - before > 1:
        middle = (before + after) // 2
        if _ahead(info, middle) == start:
            before = middle
        else:
            after = middle
    return after
