"""A second aquatint over a first whose grain was stripped: two screens laid over each other."""

from __future__ import annotations

from core.stages.shapes import Reached
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness


def sum_of_screens(first: Reached, second: Reached, lightest_lstar: float) -> Reached:
    """Return what an area prints that both screens were bitten into.

    Parameters
    ----------
    first, second : Reached [L*]
        What each would print alone, with its 95 % band.
    lightest_lstar : float [L*]
        Of the unbitten plate, wiped: its plate tone counts once.

    Returns
    -------
    Reached [L*]
        Expected where the grains lie independently; from there, both at their darkest, to the
        darker of the two alone, where the second grain falls onto what is bitten already.

    Notes
    -----
    Open shares multiply, and with them the light: Y = Y1 · Y2 / Y0. Source: ``room-practice``.
    """
    return Reached(
        value=_both(first.value, second.value, lightest_lstar),
        low=_both(first.low, second.low, lightest_lstar),
        high=round(min(first.high, second.high), 1),
    )


def second_goal(first_lstar: float, wanted_lstar: float, lightest_lstar: float) -> float:
    """Return the tone that a second screen must have alone so that both print as wanted.

    Parameters
    ----------
    first_lstar : float [L*]
        What the first prints: read off the proof.
    wanted_lstar, lightest_lstar : float [L*]

    Returns
    -------
    float [L*]
        At most the lightest: where the first is as dark as wanted, or darker.
    """
    first = _light(first_lstar)
    share = _light(wanted_lstar) * _light(lightest_lstar) / max(first, _light(wanted_lstar))
    return round(min(lightest_lstar, _lstar(share)), 1)


def _both(one: float, other: float, lightest_lstar: float) -> float:
    product = _light(one) * _light(other) / _light(lightest_lstar)
    return round(min(_lstar(product), one, other), 1)


def _light(lstar: float) -> float:
    return float(reflectance_from_lightness(lstar))


def _lstar(light: float) -> float:
    return float(lightness_from_reflectance(light))
