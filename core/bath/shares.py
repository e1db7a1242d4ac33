"""What each source adds to what is known of a bath's speed."""

from __future__ import annotations

import numpy as np

from core.bath.answers import answer, but, nothing, only
from core.bath.laid import Laid, factor, rate
from core.bath.posterior import Told
from core.bath.speed_shapes import SourceShare

LEAST_TOLD_SHARE = 0.01


def shares_of(laid: Laid) -> list[SourceShare]:
    """Return what each source adds: the thermometer and the table last.

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    list of SourceShare
    """
    asks = rate if laid.given.against is None else factor
    whole, before = answer(laid, asks), answer(laid, asks, nothing)
    added = [
        _between(
            _added(answer(laid, asks, only(place)), before),
            _added(whole, answer(laid, asks, but(place))),
        )
        for place in range(len(laid.given.evidence))
    ]
    added.append((1 / before.variance, before.mean))
    total = sum(information for information, _ in added)
    kinds = [(each.kind, place) for place, each in enumerate(laid.given.evidence)]
    return [
        _share(kind, place, information / total, information, mean)
        for (kind, place), (information, mean) in zip(
            [*kinds, ("thermometer", None)], added, strict=True
        )
    ]


def _between(first: tuple[float, float], last: tuple[float, float]) -> tuple[float, float]:
    """Return a source's part, halfway between coming first and coming last.

    Sources that have nothing in common add as much either way.
    """
    information = 0.5 * (first[0] + last[0])
    return information, max(first, last)[1]


def _added(whole: Told, rest: Told) -> tuple[float, float]:
    """Return the information a source adds, and what it must have said alone."""
    information = max(1 / whole.variance - 1 / rest.variance, 0.0)
    if information == 0:
        return 0.0, whole.mean
    said = (whole.mean / whole.variance - rest.mean / rest.variance) / information
    return information, said


def _share(
    kind: str, place: int | None, share: float, information: float, mean: float
) -> SourceShare:
    if share < LEAST_TOLD_SHARE:
        value = low = high = None
    else:
        band = Told(mean, 1 / information).band
        value, low, high = (round(float(np.exp(x)), 4) for x in (mean, *band))
    return SourceShare.model_validate(
        {"kind": kind, "evidence": place, "share": round(share, 4), "value": value, "low": low,
         "high": high}
    )  # fmt: skip
