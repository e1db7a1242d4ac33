"""Answers of all sources together, for each way the strips' days may be apart."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from core.bath.laid import Laid
from core.bath.posterior import Known, Question, Told
from core.data.drift import STRIP_DAYS

Asks = Callable[[Laid], Question]
Picks = Callable[[Known], Known]


def _all(known: Known) -> Known:
    return known


def nothing(known: Known) -> Known:
    """Return the moments before anything was seen.

    Parameters
    ----------
    known : Known

    Returns
    -------
    Known
    """
    return Known(known.moments)


def only(place: int) -> Picks:
    """Return the pick of one piece of evidence alone.

    Parameters
    ----------
    place : int

    Returns
    -------
    callable of Known to Known
    """
    return lambda known: known.only(place)


def but(place: int) -> Picks:
    """Return the pick of all but one piece of evidence.

    Parameters
    ----------
    place : int

    Returns
    -------
    callable of Known to Known
    """
    return lambda known: known.without(place)


def answer(laid: Laid, asks: Asks, picks: Picks = _all) -> Told:
    """Return an answer for all ways the strips' days may be apart, each as likely as it is.

    Parameters
    ----------
    laid : Laid
    asks : callable of Laid to Question
    picks : callable of Known to Known
        Which of what was seen is taken.

    Returns
    -------
    Told
    """
    if not laid.curves:
        return picks(laid.known).answer(asks(laid), curve=0)
    known = [picks(way.known) for way in laid.ways]
    often = np.log([each for _, each in STRIP_DAYS])
    logs = often + [each.log_evidence for each in known]
    weights = np.exp(logs - logs.max())
    weights /= weights.sum()
    told = [k.answer(asks(way), curve=0) for way, k in zip(laid.ways, known, strict=True)]
    means, variances = np.array([[t.mean, t.variance] for t in told]).T
    mean = float(weights @ means)
    return Told(mean, float(weights @ (variances + (means - mean) ** 2)))


def together(laid: Laid, asks: Asks) -> Told:
    """Return the answer of all sources, never less sure than the best of them alone.

    Parameters
    ----------
    laid : Laid
    asks : callable of Laid to Question

    Returns
    -------
    Told

    Notes
    -----
    Sources that contradict each other widen what is thought of energy and end of life; the answer
    stays as sure as its best source. Source: ``normal-regression``.
    """
    whole = answer(laid, asks)
    picks = [nothing, *(only(i) for i in range(len(laid.given.evidence)))]
    best = min(answer(laid, asks, pick).variance for pick in picks)
    return Told(whole.mean, min(whole.variance, best))
