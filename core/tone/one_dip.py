"""Patches bitten in dips, on the clock of a single dip: where they stand under a curve."""

from __future__ import annotations

import numpy as np

from core.tone.posterior import patch_seconds


def one_dip_seconds(seconds: list[float], bitten: str, wetting_seconds: float) -> list[float]:
    """Return how long one dip takes to bite each patch as far as its dips did.

    Parameters
    ----------
    seconds : list of float [s]
        Cumulative in the bath, in any order.
    bitten : str
        ``"dips"`` or ``"once"``.
    wetting_seconds : float [s]
        Lost at the beginning of each dip.

    Returns
    -------
    list of float [s]
        In the order given; of a dip that was over before it wetted, its own time.

    Notes
    -----
    T − (n − 1) · wetting after n dips, each longer than the wetting.
    """
    times = np.array(seconds, dtype=float)
    order = np.argsort(times, kind="stable")
    bite = patch_seconds(times[order], bitten, np.array([wetting_seconds]))[0]
    told = np.where(bite > 0, np.minimum(times[order], bite + wetting_seconds), times[order])
    back = np.empty_like(told)
    back[order] = told
    return [round(float(each), 1) for each in back]
