"""How far a long calculation is, told to whoever waits for it."""

from __future__ import annotations

from collections.abc import Callable

Tell = Callable[[float], None]
"""Is told the share that is done, 0 to 1, never less than before."""


def untold(share: float) -> None:
    """Tell nobody.

    Parameters
    ----------
    share : float
        Share done, 0 to 1.
    """


def part_of(tell: Tell, start: float, end: float) -> Tell:
    """Return how a step tells its own share within a longer calculation.

    Parameters
    ----------
    tell : callable
    start, end : float
        Shares of the whole at which the step begins and ends, 0 to 1.

    Returns
    -------
    callable
        Told the step's share, 0 to 1.
    """
    return lambda share: tell(start + (end - start) * share)
