"""Two-way test → the pair of exposures that holds highlights and opens shadows."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import ConvexHull, QhullError

from core.data.polymer import HELD_LSTAR, READING_LSTAR
from core.errors import CoreError
from core.polymer.pair_field import field_of
from core.polymer.pair_model import (
    HIGHLIGHT,
    PAPER,
    SHADOW,
    SOLID,
    Box,
    Readings,
    draw_surfaces,
)
from core.polymer.pair_shapes import (
    ExposurePairInput,
    ExposurePairOutput,
    PairPatch,
    PairTimes,
    PairTones,
    PairWarning,
)
from core.units import clock_text

Array = NDArray[np.float64]

_CELLS = 25
_AS_GOOD_LSTAR = 2.5
"""Of range: a pair that comes so near the best is as good."""
_SHORT_LSTAR_PER_LSTAR = 6.0
"""A highlight or shadow short of its hold by 1 L* is worth so much range, so that of pairs that
hold nothing the nearest is told. ``room-practice``"""
_FAILS_LSTAR = 30.0
"""In the band no range makes up for an end that does not hold. ``room-practice``"""
_LEAST_HULL = 1e-3
_SURE = 0.6
_EDGE_SHARE = 0.5


@dataclass(frozen=True)
class Drawn:
    """Equally likely worlds at the places asked: (draws, places)."""

    paper: Array
    highlight: Array
    solid: Array
    shadow: Array

    @property
    def range(self) -> Array:
        """Return paper less solid [L*]."""
        return self.paper - self.solid

    @property
    def short(self) -> Array:
        """Return by how much the worse end fails to hold, 0 where both do [L*]."""
        return np.maximum(0.0, HELD_LSTAR - np.minimum(self.highlight, self.shadow))

    @property
    def worth(self) -> Array:
        """Return the range of a pair that holds both ends; of others less the farther off [L*]."""
        return self.range - _SHORT_LSTAR_PER_LSTAR * self.short


def exposure_pair(given: ExposurePairInput) -> ExposurePairOutput:
    """Return the pair with the widest range that holds highlights and opens shadows.

    Parameters
    ----------
    given : ExposurePairInput
        Patches: times [s] and printed tones [L*].

    Returns
    -------
    ExposurePairOutput
        Never outside the tested times.

    Raises
    ------
    CoreError
        ``one-time``: one screen or one image time only; ``on-a-line``: both change together;
        ``does-not-fall``: a patch whose solid is not darker than its paper.

    Notes
    -----
    Widest paper − solid with paper − highlight ≥ 1.5 and shadow − solid ≥ 1.5 L*. Each likely world
    of ``pair_model`` has its own best; the pair that is as good (within 2.5 L*) in most of them is
    told. Source: ``room-practice``.
    """
    _check(given.patches)
    at = np.log([[p.screen_seconds, p.image_seconds] for p in given.patches])
    box = Box(at.min(axis=0), at.max(axis=0))
    asked, inside = _places(at, box)
    drawn = drawn_at(box, at, given.patches, asked)
    worth = np.where(inside, drawn.worth, -np.inf)
    best = (worth - _FAILS_LSTAR * (drawn.short > 0)).argmax(axis=1)
    chosen = int(_as_good(worth).argmax())
    seconds = np.exp(asked)
    return _told(given.patches, drawn, seconds, chosen, best, inside)


def _check(patches: list[PairPatch]) -> None:
    for name in ("screen_seconds", "image_seconds"):
        times = {getattr(patch, name) for patch in patches}
        if len(times) < 2:
            raise CoreError(
                "one-time", f"A two-way test needs at least two {name.split('_')[0]} times: with "
                "one, nothing tells what a longer or shorter one does.", field="patches",
                value=len(times), allowed="at least 2", unit="times",
            )  # fmt: skip
    for place, patch in enumerate(patches):
        if patch.solid_lstar >= patch.paper_lstar:
            raise CoreError(
                "does-not-fall", "Solid film prints no darker than clear film on this patch. Are "
                "the two turned round?", field=f"patches.{place}.solid_lstar",
                value=patch.solid_lstar, allowed=f"below its paper, {patch.paper_lstar:g}",
                unit="L*",
            )  # fmt: skip


def _places(at: Array, box: Box) -> tuple[Array, NDArray[np.bool_]]:
    """Return a grid over the tested times, screen by image, and which of it lies among patches."""
    sides = [np.linspace(low, high, _CELLS) for low, high in zip(box.low, box.high, strict=True)]
    grid = np.stack([each.ravel() for each in np.meshgrid(*sides, indexing="ij")], axis=1)
    try:
        planes = ConvexHull((at - box.low) / box.half)
        too_thin = planes.volume < _LEAST_HULL
    except QhullError:
        too_thin = True
    if too_thin:
        raise CoreError(
            "on-a-line", "Screen and image times change together in this test, so nothing tells "
            "them apart. Cross them: each screen time with each image time.", field="patches",
            allowed="times crossed",
        )  # fmt: skip
    scaled = (grid - box.low) / box.half
    normals, offsets = planes.equations[:, :2], planes.equations[:, 2]
    return grid, np.asarray((scaled @ normals.T + offsets).max(axis=1) < 1e-9)


def drawn_at(box: Box, at: Array, patches: list[PairPatch], asked: Array) -> Drawn:
    """Return what a test's patches say of any pair of times within it.

    Parameters
    ----------
    box : Box
    at : array (n, 2)
        Logarithms of the patches' times.
    patches : list of PairPatch
    asked : array (m, 2)

    Returns
    -------
    Drawn
    """

    def read(name: str) -> Array:
        return np.array([getattr(patch, name) for patch in patches])

    spread = np.array([patch.spread or READING_LSTAR for patch in patches])
    lights = Readings(at, read("paper_lstar"), read("highlight_lstar"), spread, -1.0)
    darks = Readings(at, read("solid_lstar"), read("shadow_lstar"), spread, 1.0)
    paper, highlight = draw_surfaces(box, lights, (PAPER, HIGHLIGHT), asked)
    solid, shadow = draw_surfaces(box, darks, (SOLID, SHADOW), asked)
    turn = np.random.default_rng(0).permutation(len(solid))
    return Drawn(paper, highlight, solid[turn], shadow[turn])


def _as_good(worth: Array) -> Array:
    """Return in how many worlds each pair is as good as the best; the mean worth breaks ties."""
    good = worth >= worth.max(axis=1, keepdims=True) - _AS_GOOD_LSTAR
    return np.asarray(good.mean(axis=0) + 1e-3 * worth.mean(axis=0) / 100)


def _told(
    patches: list[PairPatch], drawn: Drawn, seconds: Array, chosen: int,
    best: NDArray[np.int64], inside: NDArray[np.bool_],
) -> ExposurePairOutput:  # fmt: skip
    here = Drawn(*(each[:, chosen : chosen + 1] for each in _parts(drawn)))
    paper, highlight, solid, shadow = (float(each.mean()) for each in _parts(here))
    low, high = np.exp(np.percentile(np.log(seconds[best]), [2.5, 97.5], axis=0))
    chance = float(np.mean(here.short == 0))
    held, opened = highlight >= HELD_LSTAR, shadow >= HELD_LSTAR
    pair = _pair(patches, seconds[chosen])
    return ExposurePairOutput(
        **pair.model_dump(),
        range_lstar=round(paper - solid, 1),
        highlight_held=held,
        shadow_open=opened,
        chance=round(chance, 3),
        low=_pair(patches, np.minimum(low, seconds[chosen])),
        high=_pair(patches, np.maximum(high, seconds[chosen])),
        tones=PairTones(
            paper_lstar=round(paper, 1), highlight_lstar=round(paper - highlight, 1),
            shadow_lstar=round(solid + shadow, 1), solid_lstar=round(solid, 1),
        ),
        field=field_of(
            seconds, np.where(inside, np.mean(drawn.short == 0, axis=0), 0.0),
            drawn.range.mean(axis=0), _CELLS,
        ),
        why=_why(highlight, shadow, paper - solid),
        warnings=_warnings(patches, seconds[best], held and opened, chance),
    )  # fmt: skip


def _parts(drawn: Drawn) -> tuple[Array, Array, Array, Array]:
    return drawn.paper, drawn.highlight, drawn.solid, drawn.shadow


def _pair(patches: list[PairPatch], seconds: Array) -> PairTimes:
    """Return a pair in whole seconds, never outside the tested ones."""
    tested = [[p.screen_seconds for p in patches], [p.image_seconds for p in patches]]
    screen, image = (
        min(max(float(round(at)), min(own)), max(own))
        for at, own in zip(seconds, tested, strict=True)
    )
    return PairTimes(screen_seconds=screen, image_seconds=image)


def _why(highlight: float, shadow: float, reach: float) -> str:
    lights = "lights hold" if highlight >= HELD_LSTAR else "lights are lost"
    darks = "darks open" if shadow >= HELD_LSTAR else "darks stay closed"
    return (
        f"Here {lights}: 5 % film prints {highlight:.1f} L* under paper; and {darks}: 95 % film "
        f"prints {shadow:.1f} L* over solid. Paper to solid {reach:.0f} L*."
    )


def _warnings(
    patches: list[PairPatch], best: Array, holds: bool, chance: float
) -> list[PairWarning]:
    found = []
    if not holds:
        found.append(_said("no-pair", "No pair holds both: give the screen longer steps or a "
                                      "denser film. The nearest is told."))  # fmt: skip
    elif chance < _SURE:
        found.append(_said("unsure", f"That both hold here is no surer than {100 * chance:.0f} %: "
                                     "read its patches again, or test finer steps."))  # fmt: skip
    for side, name in enumerate(("screen", "image")):
        times = sorted({getattr(patch, f"{name}_seconds") for patch in patches})
        if len(times) < 3:
            found.append(_said("few-times", f"Only two {name} times were tested: what lies between "
                                            "is half a guess."))  # fmt: skip
        found.extend(_at_edge(best[:, side], times, name))
    return found


def _at_edge(best: Array, times: list[float], name: str) -> list[PairWarning]:
    """Return a warning where the best lies at the end of what was tested."""
    step = (times[-1] / times[0]) ** (0.5 / (_CELLS - 1))
    for end, way, at in (("longest", "longer", best > times[-1] / step),
                         ("shortest", "shorter", best < times[0] * step)):  # fmt: skip
        if at.mean() > _EDGE_SHARE:
            time = clock_text(times[-1] if end == "longest" else times[0])
            text = f"The {end} {name} tested, {time}, is the best: test {way} ones too."
            return [_said("at-edge", text)]
    return []


def _said(code: str, text: str) -> PairWarning:
    return PairWarning.model_validate({"code": code, "text": text})
