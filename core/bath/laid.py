"""Evidence of a bath's speed laid out: its moments, what was seen of them, what may be asked."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.bath.moments import Moment, Moments
from core.bath.observe import (
    Seen,
    SeenPatch,
    see_coupon,
    see_patch,
    see_strength,
    strength_of,
)
from core.bath.posterior import Known, Question, Sight
from core.bath.see_strips import see_lines, see_strip
from core.bath.speed_shapes import (
    BathNow,
    BathSpeedInput,
    CheckPatch,
    Coupon,
    Evidence,
    Hydrometer,
    LineStrip,
    Strip,
)
from core.data.drift import DRIFT_PER_ROOT_DAY, STRIP_DAYS
from core.data.mordants import Mordant
from core.kinetics.bath import other_mordant, same_metal
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions
from core.kinetics.speed import REFERENCE_C, strength_factor
from core.tone.shapes import Curve

Array = NDArray[np.float64]

NOW = 0
"""The place of today among the moments."""
_ANY_GROUND = Moment(REFERENCE_C, 0.0, apart=3.0, fixed=True)
"""How fast a ground takes tone is not known before its strips: e³ either way."""


@dataclass(frozen=True)
class Read:
    """What was read off strips' curves, by the place of its evidence."""

    patches: dict[int, SeenPatch]
    strips: dict[int, Seen]


@dataclass(frozen=True)
class Laid:
    """The evidence laid out: moments, what was seen, and what is asked."""

    given: BathSpeedInput
    others: tuple[Moment, ...] = ()
    """Further moments of the bath that are asked about."""
    day: float = STRIP_DAYS[0][0]
    """How far the strips' days are apart from today: a standard deviation."""
    read: Read | None = None
    """What is read off curves, where that was worked out already."""

    @cached_property
    def ways(self) -> list[Laid]:
        """Return the same for each way the strips' days may be apart."""
        return [self, *(replace(self, day=day, read=self.curves_read) for day, _ in STRIP_DAYS[1:])]

    def asked_at(self, now: BathNow) -> Laid:
        """Return the same evidence, asked about another temperature and load.

        Parameters
        ----------
        now : BathNow

        Returns
        -------
        Laid
        """
        pinned = [_pinned(each, self.given.now) for each in self.given.evidence]
        given = self.given.model_copy(update={"now": now, "evidence": pinned})
        return replace(self, given=given, read=self.curves_read)

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
        """Return now, each piece of evidence, each strip, each ground, and the others."""
        now = Moment(self.given.now.temperature_c, self.given.now.load_g_per_l)
        pieces = [_moment(each, self.given) for each in self.given.evidence]
        strips = [strip_moment(curve, self.row, self.day) for curve in self.curves]
        if strips and self.given.against is not None:
            strips[0] = _aged(strips[0], self.given.against_days)
        each = [now, *pieces, *strips, *(_ANY_GROUND for _ in self.grounds), *self.others]
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

    def ground(self, name: str) -> int:
        """Return the place of what strips of one ground have in common.

        Parameters
        ----------
        name : str

        Returns
        -------
        int
        """
        return self.strip(len(self.curves)) + self.grounds.index(name)

    @property
    def first_other(self) -> int:
        """Return the place of the first of the other moments."""
        return self.strip(len(self.curves)) + len(self.grounds)

    @cached_property
    def grounds(self) -> list[str]:
        """Return the grounds of the strips bitten in the bath, each once."""
        return list(dict.fromkeys(e.ground for e in self.given.evidence if isinstance(e, Strip)))

    def _first_of(self, ground: str) -> Curve:
        """Return the curve the strips of a ground are laid over."""
        return next(
            e.curve for e in self.given.evidence if isinstance(e, Strip) and e.ground == ground
        )

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
    def curves_read(self) -> Read:
        """Return what is read off curves: it is the same for any day and any question."""
        if self.read is not None:
            return self.read
        each = list(enumerate(self.given.evidence))
        return Read(
            patches={
                place: see_patch(piece, self._expected(place, piece.curve))
                for place, piece in each
                if isinstance(piece, CheckPatch)
            },
            strips={
                place: see_strip(piece.curve, self._first_of(piece.ground))
                for place, piece in each
                if isinstance(piece, Strip)
            },
        )

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
            return _plain(self.weights((1 + place, 1.0)), see_coupon(each, self.row, place))
        if isinstance(each, LineStrip):
            return _plain(self.weights((1 + place, 1.0)), see_lines(each, self.row))
        if isinstance(each, Strip):
            over_ground = self.weights((1 + place, 1.0), (self.ground(each.ground), 1.0))
            return _plain(over_ground, self.curves_read.strips[place])
        if isinstance(each, Hydrometer):
            seen = dict(strength_of(self.given, self.row))[place]
            return _plain(self.weights((self.moments.strength, 1.0)), seen)
        patch, curve = (
            self.curves_read.patches[place],
            self.curve_place(each.curve, self.curves) or 0,
        )
        over_strip = self.weights((1 + place, 1.0), (self.strip(curve), -1.0))
        return Sight(over_strip, patch.strays, patch.seen.value, patch.seen.variance, curve)

    @cached_property
    def later(self) -> Array | None:
        """Return how the curve asked against strays where it is darker than its patches."""
        if self.given.against is None:
            return None
        mine = [
            (self.given.evidence[place].seconds, patch.later)  # type: ignore[union-attr]
            for place, patch in self.curves_read.patches.items()
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


def speed_now(laid: Laid) -> Question:
    """Return the question for ln speed now, over the strip's where there is one.

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    Question
    """
    return laid.at(NOW)


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


def _plain(weights: Array, seen: Seen) -> Sight:
    """Return what was seen of moments where no curve strays with others."""
    return Sight(weights, None, seen.value, seen.variance)


def _pinned(each: Evidence, now: BathNow) -> Evidence:
    """Return a piece that keeps what it took from now, whenever it is asked about."""
    unsaid = {
        name: getattr(now, name)
        for name in ("temperature_c", "load_g_per_l")
        if getattr(each, name, "") is None
    }
    return each.model_copy(update=unsaid)


def _moment(each: Evidence, given: BathSpeedInput) -> Moment:
    if isinstance(each, Strip):
        at = each.curve.conditions
        same_metal(given.mordant, at.mordant)
        return Moment(at.temperature_c, at.load_g_per_l, days_ago=each.days_ago,
                      replaced=each.replaced_since)  # fmt: skip
    warm = given.now.temperature_c
    if not isinstance(each, Hydrometer) and each.temperature_c is not None:
        warm = each.temperature_c
    load = given.now.load_g_per_l if each.load_g_per_l is None else each.load_g_per_l
    return Moment(warm, load, days_ago=each.days_ago, replaced=each.replaced_since)
