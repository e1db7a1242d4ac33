"""Readings of earlier ghosts → how light the next pulls from one inking will be."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator
from scipy.stats import norm

from core.data.layers import GHOST_INKINGS, GHOST_KEEPS, GHOST_PULLS, GHOST_SPREAD
from core.schema import Shape
from core.tone.lightness import density_from_lightness, lightness_from_density
from core.tone.shapes import Lightness

Array = NDArray[np.float64]
MOST_GHOSTS = 8
_LEAST_D = 0.004
_USUAL_FIRST = 35.0
_USUAL_SPREAD_D = 0.12
"""How dark a first pull is where none was read, in log density. ``room-practice``"""
_MEANS = np.log(GHOST_KEEPS) + np.linspace(-4, 4, 81) * (GHOST_SPREAD / GHOST_KEEPS)
_VARIES = GHOST_INKINGS * np.array([0.4, 0.6, 0.8, 1.0, 1.4, 1.9, 2.6])
_VARIES_SPREAD = 0.5
"""Of the logarithm of how much inkings differ. ``room-practice``"""
_BAND, _LIGHT_FIRST = (0.025, 0.975), (0.975, 0.5, 0.025)


class GhostRead(Shape):
    """One pull of an inking as it was read; 1 is the first, 2 its first ghost."""

    pull: Annotated[int, Field(ge=1, le=MOST_GHOSTS + 1)]
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.05, le=20, json_schema_extra={"unit": "L*"})] = 1.0


class InkingRead(Shape):
    """What was read of the pulls from one inking."""

    pulls: Annotated[list[GhostRead], Field(max_length=MOST_GHOSTS + 1)] = []

    @model_validator(mode="after")
    def _once(self) -> InkingRead:
        if len({each.pull for each in self.pulls}) < len(self.pulls):
            raise ValueError("pulls names each pull of an inking once")
        return self


class GhostForecastInput(Shape):
    """The inking under way, and earlier ones of the print room."""

    now: InkingRead = InkingRead()
    history: Annotated[list[InkingRead], Field(max_length=200)] = []
    ghosts: Annotated[int, Field(ge=1, le=MOST_GHOSTS)] = 3


class GhostTone(Shape):
    """A pull of this inking: what it will be, or was."""

    pull: int
    lstar: float
    low: float
    high: float
    """95 %."""
    read: bool


class GhostForecastOutput(Shape):
    """Tones of the pulls from one inking."""

    pulls: list[GhostTone]
    keeps: float
    """Of the density over paper, each further pull."""
    keeps_low: float
    keeps_high: float
    ghosts_read: int
    """In the whole room."""
    measured: bool
    last_worth: int
    """The last pull that still differs from paper by 3 L*."""
    text: str


def ghost_forecast(given: GhostForecastInput) -> GhostForecastOutput:
    """Return the tones of ghosts with their bands.

    Parameters
    ----------
    given : GhostForecastInput
        L*, the bare sheet 100.

    Returns
    -------
    GhostForecastOutput

    Notes
    -----
    log Dₖ = log D₁ + (k − 1)·ρ + scatter of each pull; ρ differs from inking to inking about the
    room's own mean. Mean and difference are weighed on a grid by every inking read; for each pair
    the inking under way is a normal regression, so that the forecast is a mixture of normals.
    Source: ``bayes``, ``normal-regression``, ``room-practice``.
    """
    weight, mean, varies = _room(given)
    upto = given.ghosts + 1
    parts = [_inking(given.now, m, v, upto) for m, v in zip(mean, varies, strict=True)]
    centre = np.array([each[0] for each in parts])
    spread = np.array([each[1] for each in parts])
    log_d = np.array([
        [_quantile(share, weight, centre[:, k], spread[:, k]) for share in _LIGHT_FIRST]
        for k in range(upto)
    ])  # fmt: skip
    lstars = lightness_from_density(np.exp(log_d))
    read = {each.pull for each in given.now.pulls}
    pulls = [
        GhostTone(pull=k + 1, low=_tidy(lstars[k, 0]), lstar=_tidy(lstars[k, 1]),
                  high=_tidy(lstars[k, 2]), read=k + 1 in read)
        for k in range(upto)
    ]  # fmt: skip
    keeps = [np.exp(_quantile(share, weight, mean, varies)) for share in (0.5, *_BAND)]
    ghosts = _ghosts(given)
    worth = max((each.pull for each in pulls if each.lstar <= 97.0), default=1)
    return GhostForecastOutput(
        pulls=pulls, keeps=round(float(keeps[0]), 3), keeps_low=round(float(keeps[1]), 3),
        keeps_high=round(float(keeps[2]), 3), ghosts_read=ghosts, measured=ghosts >= 2,
        last_worth=worth, text=_words(pulls, read, ghosts),
    )  # fmt: skip


def _tidy(lstar: float) -> float:
    return round(float(lstar), 1)


def _ghosts(given: GhostForecastInput) -> int:
    """Return how many ghosts were read beside another pull of the same inking."""
    return sum(max(0, len(each.pulls) - 1) for each in (*given.history, given.now))


def _room(given: GhostForecastInput) -> tuple[Array, Array, Array]:
    """Return what the room's inkings say: weights over pairs of mean and difference."""
    mean, varies = (each.ravel() for each in np.meshgrid(_MEANS, _VARIES, indexing="ij"))
    log = -0.5 * ((mean - np.log(GHOST_KEEPS)) / (GHOST_SPREAD / GHOST_KEEPS)) ** 2
    log = log - 0.5 * (np.log(varies / GHOST_INKINGS) / _VARIES_SPREAD) ** 2
    for inking in given.history:
        log = log + _likely(inking, mean, varies)
    log = log + _likely(given.now, mean, varies)
    weight = np.exp(log - log.max())
    return weight / weight.sum(), mean, varies


def _seen(inking: InkingRead) -> tuple[Array, Array, Array]:
    """Return pulls, log densities and their variance by reading."""
    pulls = sorted(inking.pulls, key=lambda each: each.pull)
    lstar = np.array([each.lstar for each in pulls])
    density = np.maximum(density_from_lightness(lstar), _LEAST_D)
    step = np.abs(density_from_lightness(lstar - 0.5) - density_from_lightness(lstar + 0.5))
    noise = np.array([each.spread for each in pulls]) * step / density
    return np.array([each.pull for each in pulls]), np.log(density), noise**2


def _likely(inking: InkingRead, mean: Array, varies: Array) -> Array:
    """Return the log chance of an inking's readings for each pair; its first tone is free."""
    if len(inking.pulls) < 2:
        return np.zeros(len(mean))
    pulls, log_d, noise = _seen(inking)
    # each pull against the lightest-numbered one: what the first tone was falls out
    off = log_d[1:] - log_d[0]
    times = (pulls[1:] - pulls[0]).astype(float)
    walk = GHOST_PULLS**2 * np.minimum.outer(times, times)
    base = walk + np.diag(noise[1:]) + noise[0]
    out = np.zeros(len(mean))
    for each in np.unique(varies):
        at = varies == each
        cov = base + each**2 * np.outer(times, times)
        stray = off - mean[at][:, None] * times
        _, size = np.linalg.slogdet(cov)
        out[at] = -0.5 * ((stray @ np.linalg.inv(cov) * stray).sum(axis=1) + size)
    return out


def _inking(inking: InkingRead, mean: float, varies: float, upto: int) -> tuple[Array, Array]:
    """Return log density of each pull and its spread, given a room's mean and difference."""
    k = np.arange(upto, dtype=float)
    first, first_var = np.log(density_from_lightness(_USUAL_FIRST)), (2 * _USUAL_SPREAD_D) ** 2
    prior = first + k * mean
    cov = first_var + varies**2 * np.outer(k, k) + GHOST_PULLS**2 * np.minimum.outer(k, k)
    if not inking.pulls:
        return np.asarray(prior), np.sqrt(np.diag(cov))
    pulls, log_d, noise = _seen(inking)
    use = pulls <= upto
    at = pulls[use] - 1
    cov = cov - first_var + 25.0  # what was read tells the first tone, not habit
    gain = cov[:, at] @ np.linalg.inv(cov[np.ix_(at, at)] + np.diag(noise[use]))
    told = prior + gain @ (log_d[use] - prior[at])
    left = np.diag(cov) - (gain * cov[:, at]).sum(axis=1)
    return np.asarray(told), np.sqrt(np.maximum(left, 1e-8))


def _quantile(share: float, weight: Array, centre: Array, spread: Array) -> float:
    """Return a quantile of a mixture of normals, by halving."""
    low = float((centre - 6 * spread).min())
    high = float((centre + 6 * spread).max())
    for _ in range(50):
        middle = (low + high) / 2
        below = float(weight @ norm.cdf((middle - centre) / spread))
        low, high = (middle, high) if below < share else (low, middle)
    return (low + high) / 2


def _words(pulls: list[GhostTone], read: set[int], ghosts: int) -> str:
    ahead = next((each for each in pulls if each.pull > max(read, default=0)), None)
    whence = f"from {ghosts} ghosts read here" if ghosts >= 2 else "a guess"
    if ahead is None:
        return "All of these pulls were read."
    name = "The first pull" if ahead.pull == 1 else f"Ghost {ahead.pull - 1}"
    band = f"{ahead.low:.0f} to {ahead.high:.0f}"
    return f"{name} comes at L* {ahead.lstar:.0f} ({band}), {whence}."
