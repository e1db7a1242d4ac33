"""A time by habit in words, for the record."""

from __future__ import annotations

from core.units import SECONDS_PER_MINUTE


def told_clock(seconds: float) -> str:
    """Return a time as it is written on a clock.

    Parameters
    ----------
    seconds : float [s]

    Returns
    -------
    str
        Such as ``"2:30"``.
    """
    whole, rest = divmod(round(seconds), int(SECONDS_PER_MINUTE))
    return f"{whole}:{rest:02d}"


def told_minutes(seconds: float) -> str:
    """Return a time in all as the record says it.

    Parameters
    ----------
    seconds : float [s]

    Returns
    -------
    str
        Such as ``"for 2:30 min"``.
    """
    return f"for {told_clock(seconds)} min"
