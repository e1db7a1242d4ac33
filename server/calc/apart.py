"""A calculation in a process of its own, within its budget, one at a time."""

from __future__ import annotations

import threading
import time
from typing import Any

from core.budget import too_much
from core.calculators import calculator
from server.replies.errors import BadValue, Throttled
from server.tasks.child import Answered, Child, Failed

WAIT_SECONDS, AGAIN_SECONDS = 10, 15
WALL_OVER_BUDGET = 3.0
"""A machine that is busy gives a process no more than a share of its time."""
_TURN = threading.BoundedSemaphore(1)


def run_apart(name: str, given: dict[str, Any]) -> dict[str, Any]:
    """Return a calculator's answer, plain JSON data.

    Raises
    ------
    BadValue
        What the calculator cannot take, or past its budget.
    Throttled
        Another one is under way for longer than one waits.
    """
    if not _TURN.acquire(timeout=WAIT_SECONDS):
        raise Throttled("busy", "Another large calculation is under way.", AGAIN_SECONDS)
    try:
        with Child(name, given) as child:
            ended = _end_of(child, calculator(name).budget.seconds * WALL_OVER_BUDGET)
    finally:
        _TURN.release()
    if isinstance(ended, Answered):
        return ended.answer
    fault = ended.fault if ended else too_much(calculator(name).budget, "time").as_dict()
    raise BadValue(**fault)


def _end_of(child: Child, seconds: float) -> Answered | Failed | None:
    """Return how a calculation ended; None where it did not in time."""
    deadline = time.monotonic() + seconds
    while (left := deadline - time.monotonic()) > 0:
        told = child.told_within(left)
        if isinstance(told, (Answered, Failed)):
            return told
    return None
