"""The shifts of a room's clock."""

from __future__ import annotations

from datetime import UTC, datetime
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

import pytest
from hypothesis import given
from hypothesis import strategies as st

from server.rooms.zone import shifts

NOW = datetime(2026, 11, 25, tzinfo=UTC)
ZONES = ["Europe/Lisbon", "America/New_York", "Asia/Kolkata", "Australia/Lord_Howe"]


def ahead_at(zone: str, seconds: float) -> int:
    return [ahead for start, ahead in shifts(zone, NOW) if start <= seconds][-1]


@given(
    zone=st.sampled_from([*ZONES, "Africa/Casablanca", "Pacific/Apia", "UTC"]),
    at=st.datetimes(datetime(2015, 1, 1), datetime(2027, 12, 30), timezones=st.just(UTC)),
)
def test_the_shifts_say_what_the_zone_says(zone: str, at: datetime) -> None:
    truth = at.astimezone(ZoneInfo(zone)).utcoffset()
    assert truth is not None
    assert ahead_at(zone, at.timestamp()) == truth.total_seconds()


def test_a_shift_is_known_to_the_second() -> None:
    spring = int(datetime(2026, 3, 29, 1, 0, tzinfo=UTC).timestamp())
    assert (spring, 3600) in shifts("Europe/Lisbon", NOW)
    assert ahead_at("Europe/Lisbon", spring - 1) == 0


def test_a_zone_without_shifts_has_one_row() -> None:
    assert [ahead for _, ahead in shifts("Asia/Kolkata", NOW)] == [19_800]


def test_an_unknown_zone_is_refused() -> None:
    with pytest.raises(ZoneInfoNotFoundError):
        shifts("Quay/Lantern", NOW)


def test_the_shifts_are_in_order_and_each_is_one() -> None:
    for zone in ZONES:
        rows = shifts(zone, NOW)
        assert rows == sorted(rows)
        assert all(a[1] != b[1] for a, b in zip(rows, rows[1:], strict=False))
