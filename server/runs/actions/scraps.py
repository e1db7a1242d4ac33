"""Companion scraps of a run: what they say of its bath, derived from the events that hold."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime
from typing import Any

import numpy as np

from core.events.fold import Immersion, ScrapRead
from server.baths.actions.check import keep_scraps
from server.runs.actions.state import run_state
from server.runs.models import Run

LEAST_SECONDS = 1.0


def read_scraps(run: Run) -> None:
    """Store what companion scraps say; each was in for the first bites of this run."""
    state = run_state(run)
    said: dict[uuid.UUID, dict[str, Any]] = {}
    for scrap in state.scraps:
        bites = state.done[: scrap.after]
        if len(bites) == scrap.after:
            said[scrap.event] = _said(run, bites, scrap)
    at = {s.event: datetime.fromtimestamp(s.at_seconds, tz=UTC) for s in state.scraps}
    keep_scraps(run.bath, run.id, run.curve, said, at)


def _said(run: Run, bites: list[Immersion], scrap: ScrapRead) -> dict[str, Any]:
    """Return a scrap as the core takes a check patch: how long, in so many dips, how warm."""
    lasted = [(b.lifted_seconds or b.at_seconds) - b.at_seconds for b in bites]
    warm = [_mean_c(b, run.bath.temperature_c) for b in bites]
    told = {
        "seconds": round(max(sum(lasted), LEAST_SECONDS), 2),
        "dips": len(bites),
        "lstar": scrap.lstar,
        "temperature_c": round(float(np.average(warm, weights=np.maximum(lasted, 0.01))), 2),
        "load_g_per_l": run.bath.load_g_per_l,
    }
    return told if scrap.spread is None else told | {"spread": scrap.spread}


def _mean_c(bite: Immersion, bath_c: float) -> float:
    if not bite.temperatures:
        return bath_c
    times, warm = np.array(bite.temperatures).T
    end = max((bite.lifted_seconds or bite.at_seconds) - bite.at_seconds, 1.0)
    grid = np.linspace(0.0, end, 25)
    return float(np.interp(grid, times, warm).mean())
