"""The family of curves from biting time to printed tone, evaluated for many curves at once.

Two reasons make a bitten aquatint darker: pits between the grains deepen and hold more ink, and
the grains themselves shrink as the mordant eats under them.

    D_pit(t) = D∞ · (1 − exp(−u)),  u = (t/τ)^β · exp(r(ln t))
    c(t)     = c₀ · exp(−(t/t_u)^1.2)
    Y(t)     = Y₀ · (c(t) + (1 − c(t)) · 10^(−D_pit/n))^n

t are reference seconds (wetting removed), Y₀ the plate tone of an unbitten, wiped plate, c the
land still standing, n the spread of light in the paper, and r a smooth residual with no scale of
its own, so that a curve may leave the family where patches say so. With c₀ → 0 it is the plain
saturating density.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.tone.lightness import lightness_from_density

Array = NDArray[np.float64]

CURVE_VERSION = 1
SHORTEST_SECONDS = 1e-3

KNOT_SECONDS = np.array([6.0, 16.0, 42.0, 110.0, 290.0, 760.0, 2000.0, 5200.0])
RESIDUAL_LENGTH = 1.2
"""e-folds of time over which the residual forgets: about one doubling and a half."""
RESIDUAL_SPREAD = 0.15
"""Standard deviation of ln u about the plain family: what grains of odd shapes add to it."""

PLATE_TONE, RANGE, TIME, STEEPNESS, WETTING, LAND, UNDERCUT = range(7)
PLAIN = 7
SIZE = PLAIN + len(KNOT_SECONDS)
"""Parameters of one curve: ln D₀, ln D∞, ln τ, ln β, ln wetting, logit c₀, ln t_u, residual."""

STRIP_DRIFT = np.diag(
    [0.15**2, 0.12**2, 0.25**2, 0.08**2, 0.2**2, 0.3**2, 0.2**2] + [0.4**2] * (SIZE - PLAIN)
)
"""How far two strips of one ground and metal differ from day to day (dust, wiping, ink): the
covariance of their parameters. ``room-practice``"""

PAPER_SPREAD_N = 1.7
"""Yule–Nielsen factor of soft printing paper; source: ``yule-nielsen``."""
UNDERCUT_POWER = 1.2
"""Grains of many sizes vanish one after another, so that land fades rather than ends."""


def _kernel(left: Array, right: Array) -> Array:
    distance = (left[:, None] - right[None, :]) / RESIDUAL_LENGTH
    return np.exp(-0.5 * distance**2)


_LN10 = float(np.log(10.0))
_KNOTS = np.log(KNOT_SECONDS)
_ROOT = np.linalg.cholesky(_kernel(_KNOTS, _KNOTS) + 1e-9 * np.eye(len(_KNOTS)))
_GRID = np.linspace(np.log(0.5), np.log(40_000.0), 256)
_STEP = _GRID[1] - _GRID[0]
_BASIS = RESIDUAL_SPREAD * np.linalg.solve(_ROOT, _kernel(_KNOTS, _GRID)).T


@dataclass(frozen=True)
class PriorShape:
    """What is thought of a curve before its patches: a mean and a covariance of the parameters."""

    mean: Array
    covariance: Array


def guess_shape(wetting_seconds: float, wetting_log_spread: float) -> PriorShape:
    """Return the prior for a strip about whose ground and metal nothing is known.

    Parameters
    ----------
    wetting_seconds : float [s]
    wetting_log_spread : float

    Returns
    -------
    PriorShape

    Notes
    -----
    Centres: τ 5 min, β 0.85, D∞ 1.45 (1.2 to 1.8), plate tone about L* 94 (92 to 95.5: a hard or
    a soft wipe); land 0.27 (0.14 to 0.45: dust is laid to about a half, of which the wiped ink
    veils some), undercut in 12 min (a grain of 25 µm eaten from both sides at 1 µm/min).
    """
    mean = np.zeros(SIZE)
    mean[:PLAIN] = [*np.log([0.065, 1.45, 300.0, 0.85, wetting_seconds]), -1.0, np.log(720.0)]
    spread = np.ones(SIZE)
    spread[:PLAIN] = [0.25, 0.2, 0.8, 0.18, wetting_log_spread, 0.8, 0.6]
    return PriorShape(mean, np.diag(spread**2))


def _basis_at(log_seconds: Array) -> Array:
    """Return the residual's basis at times of any shape: (..., knots)."""
    place = np.clip((log_seconds - _GRID[0]) / _STEP, 0.0, len(_GRID) - 1.001)
    whole = place.astype(int)
    part = (place - whole)[..., None]
    return np.asarray(_BASIS[whole] + part * (_BASIS[whole + 1] - _BASIS[whole]))


def _residual(parameters: Array, log_seconds: Array) -> Array:
    basis = _basis_at(log_seconds)
    weights = parameters[:, PLAIN:]
    if log_seconds.ndim == 1:
        return np.asarray(weights @ basis.T)
    return np.einsum("ck,ctk->ct", weights, basis)


def curve_density(parameters: Array, seconds: Array) -> Array:
    """Return density for each curve.

    Parameters
    ----------
    parameters : array (curves, SIZE)
    seconds : array (times,) for all curves, or (curves, times), [reference s], at least 0

    Returns
    -------
    array (curves, times)
    """
    safe = np.log(np.maximum(seconds, SHORTEST_SECONDS))
    plain = np.exp(parameters[:, :PLAIN])
    steep = plain[:, STEEPNESS, None]
    exponent = steep * (safe - parameters[:, TIME, None]) + _residual(parameters, safe)
    pit = -plain[:, RANGE, None] * np.expm1(-np.exp(np.minimum(exponent, 4.0)))
    land = _land(parameters, safe)
    shade = land + (1.0 - land) * np.exp(-_LN10 / PAPER_SPREAD_N * pit)
    bitten = np.where(seconds > SHORTEST_SECONDS, -PAPER_SPREAD_N / _LN10 * np.log(shade), 0.0)
    return plain[:, PLATE_TONE, None] + bitten


def _land(parameters: Array, log_seconds: Array) -> Array:
    share = 1.0 / (1.0 + np.exp(-parameters[:, LAND, None]))
    eaten = np.exp(UNDERCUT_POWER * (log_seconds - parameters[:, UNDERCUT, None]))
    return np.asarray(share * np.exp(-eaten))


def curve_lightness(parameters: Array, seconds: Array) -> Array:
    """Return L* for each curve, times as for ``curve_density`` [reference s].

    Parameters
    ----------
    parameters : array (curves, SIZE)
    seconds : array (times,) or (curves, times) [reference s]

    Returns
    -------
    array (curves, times) [L*]
    """
    return lightness_from_density(curve_density(parameters, seconds))


def biting_seconds(dips: Array, wetting: Array) -> Array:
    """Return Σ max(0, dip − wetting) after each dip, for each wetting time.

    Parameters
    ----------
    dips : array (dips,) [s]
    wetting : array (curves,) [s]

    Returns
    -------
    array (curves, dips) [s]
    """
    return np.cumsum(np.maximum(0.0, dips[None, :] - wetting[:, None]), axis=1)
