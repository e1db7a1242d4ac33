"""Finished immersions as the core takes them."""

from __future__ import annotations

from core.events.fold import Immersion
from core.kinetics.readings import thinned
from core.stages.shapes import DoneBite


def done_bite(dip: Immersion) -> DoneBite:
    """Return a finished immersion as the core takes it."""
    lifted = dip.at_seconds if dip.lifted_seconds is None else dip.lifted_seconds
    return DoneBite(
        seconds=round(lifted - dip.at_seconds, 2),
        temperatures=thinned(dip.temperatures) or None,
        open=dip.open,
    )
