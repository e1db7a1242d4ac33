"""Is it the plate or the printing: what all areas of a proof share, and what is each one's own."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from core.data.proofs import (
    PLATE_LSTAR,
    PLATE_SHARE,
    PRINTING_LSTAR,
    PRINTING_SHARE,
    SCATTER_LSTAR,
)

Array = NDArray[np.float64]

MOST_OFF = 3
"""Areas that may stray by the plate at once; of few areas fewer than half."""
_LEAST_BLAME = 2.0
"""A shift smaller than this is nobody's fault [L*]."""


@dataclass(frozen=True)
class Cause:
    """What a proof's misses come from."""

    printing: float
    """Probability that the pull as a whole strayed."""
    shift: float
    """By how much it did [L*]; above zero is too light."""
    shift_spread: float
    own: Array
    """By how much each area strays by its bite [L*]."""
    own_spread: Array
    plate: Array
    """Probability of each area that it strays by its bite."""

    @property
    def kind(self) -> str:
        """Return ``plate``, ``printing``, ``both`` or ``neither``."""
        plate = bool((self.plate > 0.5).any())
        printing = self.printing > 0.5 and abs(self.shift) > _LEAST_BLAME
        if plate and printing:
            return "both"
        return "plate" if plate else "printing" if printing else "neither"


def cause_of(off: Array, spread: Array) -> Cause:
    """Return what the misses of a proof's areas come from.

    Parameters
    ----------
    off : array (n,) [L*]
        Read minus meant.
    spread : array (n,) [L*]
        Standard deviation of each reading.

    Returns
    -------
    Cause

    Notes
    -----
    offᵢ = s + pᵢ + eᵢ: a shift s of the whole pull, or none; a stray pᵢ of few areas; reading and
    scatter eᵢ. All such accounts are weighed by how likely they make what was read (Bayes), with
    the shares of ``core.data.proofs`` before it. Source: ``room-practice``.
    """
    n = len(off)
    accounts = [_account(off, spread, shifted, set(strays))
                for shifted in (False, True) for strays in _strays(n)]  # fmt: skip
    logs = np.array([log for log, *_ in accounts])
    weight = np.exp(logs - logs.max())
    weight /= weight.sum()
    shift = np.array([each[1] for each in accounts])
    shift_var = np.array([each[2] for each in accounts])
    own = np.array([each[3] for each in accounts])
    own_var = np.array([each[4] for each in accounts])
    mean_shift, mean_own = float(weight @ shift), weight @ own
    return Cause(
        printing=float(weight[shift_var > 0].sum()),
        shift=mean_shift,
        shift_spread=float(np.sqrt(weight @ (shift_var + (shift - mean_shift) ** 2))),
        own=mean_own,
        own_spread=np.sqrt(weight @ (own_var + (own - mean_own) ** 2)),
        plate=weight @ (own_var > 0),
    )


def _strays(n: int) -> list[tuple[int, ...]]:
    most = n if n < 3 else min(MOST_OFF, (n - 1) // 2)
    return [each for size in range(most + 1) for each in combinations(range(n), size)]


def _account(
    off: Array, spread: Array, shifted: bool, strays: set[int]
) -> tuple[float, float, float, Array, Array]:
    """Return log weight, shift and its variance, strays and their variance, of one account."""
    n = len(off)
    stray = np.array([place in strays for place in range(n)])
    noise = spread**2 + SCATTER_LSTAR**2
    shared = PRINTING_LSTAR**2 if shifted else 0.0
    covariance = np.diag(noise + PLATE_LSTAR**2 * stray) + shared
    inverse = np.linalg.inv(covariance)
    pull = inverse @ off
    _, size = np.linalg.slogdet(covariance)
    chances = np.where(stray, PLATE_SHARE, 1 - PLATE_SHARE)
    before = np.log(PRINTING_SHARE if shifted else 1 - PRINTING_SHARE) + np.log(chances).sum()
    log = float(before - 0.5 * (size + off @ pull))
    ones = np.ones(n)
    own = PLATE_LSTAR**2 * stray * pull
    own_var = PLATE_LSTAR**2 * stray * (1 - PLATE_LSTAR**2 * np.diag(inverse))
    return (
        log,
        float(shared * ones @ pull),
        float(shared - shared**2 * ones @ inverse @ ones),
        own,
        own_var,
    )
