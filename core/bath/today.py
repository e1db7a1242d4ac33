"""How fast a bath bites today: every source of it together, each with its share."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.bath.moments import Moment, Moments
from core.bath.observe import SeenPatch, see_coupon, see_patch, see_strength, strength_of
from core.bath.posterior import Known, Question, Sight, Told
from core.bath.speed_shapes import (
    BathNow,
    BathSpeedInput,
    BathSpeedOutput,
    CheckPatch,
    Coupon,
    Hydrometer,
    OwnNumber,
    OwnNumbers,
    SourceShare,
)
from core.data.drift import DRIFT_PER_ROOT_DAY, STRIP_DAYS
from core.data.mordants import Mordant
from core.kinetics.bath import other_mordant, same_metal
from core.kinetics.row import mordant_row, tables_version
from core.kinetics.shapes import Conditions
from core.kinetics.speed import REFERENCE_C, strength_factor
from core.tone.shapes import Curve
from core.tone.table import BAND_SHARES

Array = NDArray[np.float64]

SUREST = 0.004
"""Of the logarithm: no bath's speed is known better than that from one strip's curve."""
LEAST_TOLD_SHARE = 0.01
NOW = 0
_FRESH = BathNow(temperature_c=REFERENCE_C)


def bath_speed(given: BathSpeedInput) -> BathSpeedOutput:
    """Return the bath's speed now, its band, and the share of each source in it.

    Parameters
    ----------
    given : BathSpeedInput
        Masses [g], bare areas [cm²], times [s], readings [°Bé], tones [L*].

    Returns
    -------
    BathSpeedOutput

    Raises
    ------
    CoreError
        A coupon that gained or hardly lost, a hydrometer where it says nothing, a strip of
        another metal.

    Notes
    -----
    Sources are combined by the inverse of their variances (normal regression, with what they have
    in common taken once). A share is the information a source adds: to nothing, and to all others.
    Source: ``room-practice``, ``arrhenius``.
    """
    laid = Laid(given)
    now = together(laid, rate)
    low, high = np.exp(now.band)
    told = BathSpeedOutput(
        rate_um_per_min=round(float(np.exp(now.mean)), 4),
        low=round(float(low), 4),
        high=round(float(high), 4),
        shares=_shares(laid),
        own=own_numbers(laid),
        tables=tables_version(laid.conditions),
    )
    return told if given.against is None else told.model_copy(update=_factor(laid))


@dataclass(frozen=True)
class Laid:
    """The evidence laid out: moments, what was seen, and what is asked."""

    given: BathSpeedInput
    others: tuple[Moment, ...] = ()
    """Further moments of the bath that are asked about."""
    day: float = STRIP_DAYS[0][0]
    """How far the strips' days are apart from today: a standard deviation."""
    read: dict[int, SeenPatch] | None = None
    """What check patches say, where that was worked out already."""

    @cached_property
    def ways(self) -> list[Laid]:
        """Return the same for each way the strips' days may be apart."""
        seen = self.patches
        return [self, *(replace(self, day=day, read=seen) for day, _ in STRIP_DAYS[1:])]

    @cached_property
    def conditions(self) -> Conditions:
        """Return the mordant with the room's own numbers."""
        return Conditions(mordant=self.given.mordant, numbers=self.given.numbers)

    @cached_property
    def row(self) -> Mordant:
        """Return the mordant's numbers."""
        return mordant_row(self.conditions)

    @cached_property
    def curves(self) -> list[Curve]:
        """Return the curves in play, each once; the one asked against is the first."""
        found = [] if self.given.against is None else [self.given.against]
        for each in self.given.evidence:
            if isinstance(each, CheckPatch) and self.curve_place(each.curve, found) is None:
                found.append(each.curve)
        return found

    @staticmethod
    def curve_place(curve: Curve, among: list[Curve]) -> int | None:
        """Return the place of a curve; curves of the same draws are one.

        Parameters
        ----------
        curve : Curve
        among : list of Curve

        Returns
        -------
        int or None
        """
        return next((i for i, each in enumerate(among) if each.draws == curve.draws), None)

    @cached_property
    def moments(self) -> Moments:
        """Return now, each piece of evidence, each strip, and the end of life's place."""
        now = Moment(self.given.now.temperature_c, self.given.now.load_g_per_l)
        pieces = [_moment(each, self.given) for each in self.given.evidence]
        strips = [strip_moment(curve, self.row, self.day) for curve in self.curves]
        if strips and self.given.against is not None:
            strips[0] = _aged(strips[0], self.given.against_days)
        each = [now, *pieces, *strips, *self.others]
        return Moments(self.row, each, self._strength_doubt(strips))

    def _strength_doubt(self, strips: list[Moment]) -> float:
        """Return how far today's strength may be from the label's, or the strip's."""
        seen = [seen.value for _, seen in strength_of(self.given, self.row)]
        at = strips[0].offset if self.given.against is not None and not strips[0].fixed else 0.0
        return max([abs(value - at) + STRIP_DAYS[0][0] for value in seen], default=0.0)

    def strip(self, curve: int) -> int:
        """Return the place of a curve's strip among the moments.

        Parameters
        ----------
        curve : int

        Returns
        -------
        int
        """
        return 1 + len(self.given.evidence) + curve

    def weights(self, *pairs: tuple[int, float]) -> Array:
        """Return the weights of moments, all others nought.

        Parameters
        ----------
        pairs : (int, float)
            Place and weight of each.

        Returns
        -------
        array (n + 1,)
        """
        weights = np.zeros(len(self.moments.each) + 1)
        for place, weight in pairs:
            weights[place] += weight
        return weights

    @cached_property
    def patches(self) -> dict[int, SeenPatch]:
        """Return what each check patch says, by its place."""
        if self.read is not None:
            return self.read
        return {
            place: see_patch(each, self._expected(place, each.curve))
            for place, each in enumerate(self.given.evidence)
            if isinstance(each, CheckPatch)
        }

    def _expected(self, place: int, curve: Curve) -> float:
        strip = self.strip(self.curve_place(curve, self.curves) or 0)
        _, _, likely = self.moments.grid
        means = likely @ self.moments.means
        return float(means[1 + place] - means[strip])

    @cached_property
    def known(self) -> Known:
        """Return the moments with all that was seen of them."""
        return Known(self.moments, [self._sight(i) for i in range(len(self.given.evidence))])

    def _sight(self, place: int) -> Sight:
        each = self.given.evidence[place]
        if isinstance(each, Coupon):
            seen = see_coupon(each, self.row, place)
            return Sight(self.weights((1 + place, 1.0)), None, seen.value, seen.variance)
        if isinstance(each, Hydrometer):
            seen = dict(strength_of(self.given, self.row))[place]
            return Sight(
                self.weights((self.moments.strength, 1.0)), None, seen.value, seen.variance
            )
        patch, curve = self.patches[place], self.curve_place(each.curve, self.curves) or 0
        over_strip = self.weights((1 + place, 1.0), (self.strip(curve), -1.0))
        return Sight(over_strip, patch.strays, patch.seen.value, patch.seen.variance, curve)

    @cached_property
    def later(self) -> Array | None:
        """Return how the curve asked against strays where it is darker than its patches."""
        if self.given.against is None:
            return None
        mine = [
            (self.given.evidence[place].seconds, patch.later)  # type: ignore[union-attr]
            for place, patch in self.patches.items()
            if self.known.sights[place].curve == 0
        ]
        return max(mine, key=lambda pair: pair[0])[1] if mine else None

    def at(self, place: int) -> Question:
        """Return the question for ln speed at a moment, over the strip's where there is one.

        Parameters
        ----------
        place : int
            Of the moment.

        Returns
        -------
        Question
        """
        if self.given.against is None:
            return Question(self.weights((place, 1.0)))
        return Question(self.weights((place, 1.0), (self.strip(0), -1.0)))


Asks = Callable[[Laid], Question]
Picks = Callable[[Known], Known]


def rate(laid: Laid) -> Question:
    """Return the question for ln rate now [µm/min].

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    Question
    """
    return Question(laid.weights((NOW, 1.0)))


def factor(laid: Laid) -> Question:
    """Return the question for ln speed over the strip's, as its curve will be read.

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    Question
    """
    return Question(laid.weights((NOW, 1.0), (laid.strip(0), -1.0)), laid.later)


def _speed_now(laid: Laid) -> Question:
    return laid.at(NOW)


def _all(known: Known) -> Known:
    return known


def _nothing(known: Known) -> Known:
    return Known(known.moments)


def _only(place: int) -> Picks:
    return lambda known: known.only(place)


def _but(place: int) -> Picks:
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


def strip_moment(curve: Curve, row: Mordant, day: float) -> Moment:
    """Return the moment at which a strip was bitten.

    Parameters
    ----------
    curve : Curve
    row : Mordant
        Of today's bath.
    day : float
        How far its day is apart from today.

    Returns
    -------
    Moment

    Raises
    ------
    CoreError
        The strip is of another metal.
    """
    at = curve.conditions
    same_metal(row.key, at.mordant)
    if at.rate_factor is not None:
        offset = float(np.log(row.rate_um_per_min * at.rate_factor))
        return Moment(at.temperature_c, at.load_g_per_l, offset=offset,
                      apart=at.rate_factor_spread or day, fixed=True)  # fmt: skip
    offset, doubt = 0.0, 0.0
    if at.baume is not None and strength_factor(row, at.baume, at.load_g_per_l) != 1.0:
        seen = see_strength(at.baume, at.load_g_per_l)
        offset, doubt = seen.value, float(np.sqrt(seen.variance))
    other, unsure = other_mordant(row, mordant_row(at))
    apart = float(np.linalg.norm([day, doubt, unsure]))
    return Moment(at.temperature_c, at.load_g_per_l, offset=offset + other, apart=apart)


def _aged(strip: Moment, days: float) -> Moment:
    """Return a strip's moment, so many days ago: what the bath has wandered since sets it apart."""
    wandered = DRIFT_PER_ROOT_DAY.value * np.sqrt(days)
    return replace(strip, apart=float(np.hypot(strip.apart, wandered)))


def _moment(each: Coupon | CheckPatch | Hydrometer, given: BathSpeedInput) -> Moment:
    warm = given.now.temperature_c
    if not isinstance(each, Hydrometer) and each.temperature_c is not None:
        warm = each.temperature_c
    load = given.now.load_g_per_l if each.load_g_per_l is None else each.load_g_per_l
    return Moment(warm, load, days_ago=each.days_ago, replaced=each.replaced_since)


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
    picks = [_nothing, *(_only(i) for i in range(len(laid.given.evidence)))]
    best = min(answer(laid, asks, pick).variance for pick in picks)
    return Told(whole.mean, min(whole.variance, best))


def _factor(laid: Laid) -> dict[str, float]:
    """Return the speed over the strip's, its doubt without what the curve's own draws tell."""
    told = together(laid, factor)
    by_curve = 0.0 if laid.later is None else float(laid.later.var())
    spread = float(np.sqrt(max(told.variance - by_curve, SUREST**2)))
    low, high = np.exp(together(laid, _speed_now).band)
    return {
        "rate_factor": round(float(np.exp(told.mean)), 4),
        "rate_factor_spread": round(spread, 4),
        "rate_factor_low": round(float(low), 4),
        "rate_factor_high": round(float(high), 4),
    }


def _shares(laid: Laid) -> list[SourceShare]:
    """Return what each source adds: the thermometer and the table last."""
    asks = rate if laid.given.against is None else factor
    whole, nothing = answer(laid, asks), answer(laid, asks, _nothing)
    added = [
        _between(
            _added(answer(laid, asks, _only(place)), nothing),
            _added(whole, answer(laid, asks, _but(place))),
        )
        for place in range(len(laid.given.evidence))
    ]
    added.append((1 / nothing.variance, nothing.mean))
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


def own_numbers(laid: Laid) -> OwnNumbers:
    """Return rate, energy and end of life as this bath's own measurements leave them.

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    OwnNumbers
    """
    row, known = laid.row, laid.known
    fresh = Laid(laid.given.model_copy(update={"now": _FRESH}))
    told = answer(fresh, rate)
    energies, ends, _ = laid.moments.grid
    low, high = (float(x) for x in np.exp(told.band))
    return OwnNumbers(
        rate_um_per_min=_own(
            (row.rate_um_per_min, row.rate_log_spread),
            (float(np.exp(told.mean)), told.spread),
            (low, high),
        ),
        energy_kj_per_mol=_weighed(
            (row.energy_kj_per_mol, row.energy_spread_kj_per_mol), energies, known.weights
        ),
        end_g_per_l=_weighed((row.end_g_per_l, row.end_spread_g_per_l), ends, known.weights),
    )


def _weighed(guess: tuple[float, float], values: Array, weights: Array) -> OwnNumber:
    """Return a number from values and how likely each is."""
    mean = float(weights @ values)
    spread = float(np.sqrt(weights @ (values - mean) ** 2))
    order = np.argsort(values, kind="stable")
    low, high = np.interp(BAND_SHARES, np.cumsum(weights[order]), values[order])
    return _own(guess, (mean, spread), (float(low), float(high)))


def _own(
    guess: tuple[float, float], value: tuple[float, float], band: tuple[float, float]
) -> OwnNumber:
    return OwnNumber(
        guess=round(guess[0], 3),
        guess_spread=round(guess[1], 3),
        value=round(value[0], 3),
        spread=round(value[1], 4),
        low=round(band[0], 3),
        high=round(band[1], 3),
    )
