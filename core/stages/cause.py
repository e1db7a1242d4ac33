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
    strays = _strays(len(off))
    accounts = [_accounts(off, spread, shared, strays) for shared in (0.0, PRINTING_LSTAR**2)]
    logs = np.concatenate([each.log for each in accounts])
    weight = np.exp(logs - logs.max())
    weight /= weight.sum()
    shift, shift_var, own, own_var = (
        np.concatenate([getattr(each, name) for each in accounts])
        for name in ("shift", "shift_var", "own", "own_var")
    )
    mean_shift, mean_own = float(weight @ shift), weight @ own
    return Cause(
        printing=float(weight[shift_var > 0].sum()),
        shift=mean_shift,
        shift_spread=float(np.sqrt(weight @ (shift_var + (shift - mean_shift) ** 2))),
        own=mean_own,
        own_spread=np.sqrt(weight @ (own_var + (own - mean_own) ** 2)),
        plate=weight @ (own_var > 0),
    )


def _strays(n: int) -> NDArray[np.bool_]:
    """Return which areas stray, one row an account: (accounts, n)."""
    most = n if n < 3 else min(MOST_OFF, (n - 1) // 2)
    found = [each for size in range(most + 1) for each in combinations(range(n), size)]
    out = np.zeros((len(found), n), dtype=bool)
    for row, each in enumerate(found):
        out[row, list(each)] = True
    return out


@dataclass(frozen=True)
class _Accounts:
    """Accounts of one proof, a row each: how likely, and what each says."""

    log: Array
    shift: Array
    shift_var: Array
    own: Array
    own_var: Array


def _accounts(off: Array, spread: Array, shared: float, strays: NDArray[np.bool_]) -> _Accounts:
    """Return the accounts with a shift of a variance, or with none.

    The covariance is diagonal but for what all share: its inverse is known (Sherman, Morrison).
    """
    stray = PLATE_LSTAR**2 * strays
    weight = 1 / (spread**2 + SCATTER_LSTAR**2 + stray)
    freed = 1 + shared * weight.sum(axis=1)
    shift = shared * (weight @ off) / freed
    pull = weight * (off - shift[:, None])
    size = freed * np.exp(-np.log(weight).sum(axis=1))
    chances = np.where(strays, PLATE_SHARE, 1 - PLATE_SHARE)
    before = np.log(PRINTING_SHARE if shared else 1 - PRINTING_SHARE) + np.log(chances).sum(axis=1)
    alone = weight - shared * weight**2 / freed[:, None]
    return _Accounts(
        log=before - 0.5 * (np.log(size) + pull @ off),
        shift=shift,
        shift_var=shared / freed,
        own=stray * pull,
        own_var=stray * (1 - stray * alone),
    )
