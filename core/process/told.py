"""A time by habit in words, for the record."""

from __future__ import annotations

from core.units import SECONDS_PER_MINUTE


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
    whole, rest = divmod(round(seconds), int(SECONDS_PER_MINUTE))
    return f"for {whole}:{rest:02d} min"
