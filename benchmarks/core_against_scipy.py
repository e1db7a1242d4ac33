"""A fit and a plan, against the bare scipy call that does the least part of the same."""

from __future__ import annotations

import os
import sys
import time
from collections.abc import Callable
from pathlib import Path

os.environ["OPENBLAS_NUM_THREADS"] = "1"
sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

import numpy as np
from scipy.optimize import brentq, curve_fit

from core.stages.plan_bites import plan_bites
from core.tone.fit_strip import fit_strip
from tests.core.strips import PATCHES, plan_input, strip_input

ROUNDS = 60


def seconds(work: Callable[[], object]) -> float:
    """Return the median time of a call [s]."""
    times = []
    for _ in range(ROUNDS):
        begun = time.perf_counter()
        work()
        times.append(time.perf_counter() - begun)
    return float(np.median(times))


def saturating(t: np.ndarray, top: float, tau: float, beta: float) -> np.ndarray:
    """Return the plain saturating tone, with no doubt at all."""
    return 94 - top * (1 - np.exp(-((t / tau) ** beta)))


def bare_fit() -> np.ndarray:
    """Fit three numbers to six patches by least squares."""
    t, lstar = np.array(PATCHES, dtype=float).T
    return curve_fit(saturating, t, lstar, p0=(75, 300, 0.8))[0]


def bare_plan() -> list[float]:
    """Solve five times on one curve: no bath, no doubt, no warnings."""
    top, tau, beta = bare_fit_result
    return [
        brentq(lambda t, goal=goal: saturating(t, top, tau, beta) - goal, 1, 5000)
        for goal in (85, 68, 50, 35, 25)
    ]


bare_fit_result = bare_fit()
STRIP, PLAN = strip_input(), plan_input()

if __name__ == "__main__":
    for name, mine, bare in (
        ("strip fit / curve_fit", lambda: fit_strip(STRIP), bare_fit),
        ("plan of 5 bites / 5 x brentq", lambda: plan_bites(PLAN), bare_plan),
    ):
        ours, least = seconds(mine), seconds(bare)
        print(f"{name}: {ours / least:.1f} ({ours * 1e3:.1f} ms over {least * 1e3:.2f} ms)")
