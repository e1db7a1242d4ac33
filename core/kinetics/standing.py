"""Where a bath stands: what follows from the readings of it that hold."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from core.kinetics.shapes import MOST_LOAD_G_PER_L


@dataclass(frozen=True)
class Reading:
    """Something known of a bath from one moment on.

    ``load_g_per_l`` is a load as it was measured or made up, ``gained_g_per_l`` what bites added,
    ``replaced_share`` how much of the bath was poured off and replaced.
    """

    at_seconds: float
    """[s since the epoch]."""
    temperature_c: float | None = None
    load_g_per_l: float | None = None
    gained_g_per_l: float = 0.0
    replaced_share: float = 0.0


@dataclass(frozen=True)
class Standing:
    """A bath's temperature and load at one moment; None where nothing was ever read."""

    temperature_c: float | None
    temperature_at_seconds: float | None
    load_g_per_l: float | None


def stand(readings: Iterable[Reading], until_seconds: float = float("inf")) -> Standing:
    """Return where a bath stands, from readings in any order.

    Parameters
    ----------
    readings : iterable of Reading
        Those that hold; one that was taken back is not among them.
    until_seconds : float [s since the epoch]
        Later ones are not yet known.

    Returns
    -------
    Standing
        The newest temperature; the newest measured load, what was gained since and poured off.

    Notes
    -----
    After each reading load = (load + gained) · (1 − replaced share), from the newest measured one
    on; at most what any bath can hold. Source: ``room-practice``.
    """
    known = sorted((r for r in readings if r.at_seconds <= until_seconds), key=_when)
    warm = [r for r in known if r.temperature_c is not None]
    measured = [place for place, r in enumerate(known) if r.load_g_per_l is not None]
    load = None
    if measured:
        load = known[measured[-1]].load_g_per_l or 0.0
        for each in known[measured[-1] :]:
            load = (load + each.gained_g_per_l) * (1.0 - each.replaced_share)
        load = min(load, MOST_LOAD_G_PER_L)
    return Standing(
        temperature_c=warm[-1].temperature_c if warm else None,
        temperature_at_seconds=warm[-1].at_seconds if warm else None,
        load_g_per_l=load,
    )


def _when(reading: Reading) -> float:
    return reading.at_seconds
