"""What a calculation may take of the machine: past it, it ends with a word and never hangs."""

from __future__ import annotations

import resource
import signal
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

from core.errors import CoreError

BYTES_PER_MB = 1_000_000


@dataclass(frozen=True)
class Budget:
    """Processor time and memory of one calculation."""

    seconds: int = 20
    megabytes: int = 400


ORDINARY = Budget()


def too_much(budget: Budget, what: str) -> CoreError:
    """Return the error of a calculation past its budget.

    Parameters
    ----------
    budget : Budget
    what : str
        ``"time"`` or ``"memory"``.

    Returns
    -------
    CoreError
    """
    limit, unit = (budget.seconds, "s") if what == "time" else (budget.megabytes, "MB")
    return CoreError(
        "too-much",
        f"That is too much: it takes more {what} than one calculation may. Give it less at once.",
        allowed=f"at most {limit}",
        unit=unit,
    )


@contextmanager
def within(budget: Budget) -> Iterator[None]:
    """Hold this process to a budget for a while; for a process of one calculation.

    Parameters
    ----------
    budget : Budget

    Returns
    -------
    context manager

    Raises
    ------
    CoreError
        Past it, ``"too-much"``.
    """

    def ended(*_: object) -> None:
        raise too_much(budget, "time")

    used = sum(resource.getrusage(resource.RUSAGE_SELF)[:2])
    before = signal.signal(signal.SIGXCPU, ended)
    try:
        with (
            _limit(resource.RLIMIT_CPU, int(used) + budget.seconds),
            _limit(resource.RLIMIT_DATA, budget.megabytes * BYTES_PER_MB),
        ):
            yield
    except MemoryError:
        raise too_much(budget, "memory") from None
    finally:
        signal.signal(signal.SIGXCPU, before)


@contextmanager
def _limit(kind: int, wanted: int) -> Iterator[None]:
    """Draw a limit closer for a while, never wider than the machine's own."""
    soft, hard = resource.getrlimit(kind)
    least = min(each for each in (wanted, soft, hard) if each != resource.RLIM_INFINITY)
    resource.setrlimit(kind, (least, hard))
    try:
        yield
    finally:
        resource.setrlimit(kind, (soft, hard))
