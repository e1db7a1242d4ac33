"""Cells of tables that other programs open."""

from __future__ import annotations

from datetime import UTC, datetime


def cell(value: object) -> object:
    """Return a cell; words that a table program would take for a formula are kept as words."""
    if isinstance(value, str) and value[:1] in ("=", "+", "-", "@"):
        return f"'{value}"
    return "" if value is None else value


def moment(seconds: float | None) -> str | None:
    """Return a time as ISO 8601; None where there is none."""
    return None if seconds is None else datetime.fromtimestamp(seconds, tz=UTC).isoformat()
