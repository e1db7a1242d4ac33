"""Where the cells of a printed test or step chart lie, and what each says of its plate."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from core.data.polymer import HIGHLIGHT_FILM, SHADOW_FILM
from core.polymer.correction_shapes import ChartStep
from core.polymer.pair_shapes import PairPatch
from core.polymer.step_chart import laid_out
from core.reading.read_chart import ChartCell, ReadCell

TEST_FILMS = (0.0, HIGHLIGHT_FILM, SHADOW_FILM, 1.0)
"""In each patch of a test, the lightest left as it prints."""
_TONES = ("paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar")
_LIGHT, _DARK = 92.0, 27.0
"""What clear and solid film print, about: enough to find the way in a scan. ``room-practice``"""
LEAST_SPREAD = 0.4


def _expected(film: float) -> float:
    return _LIGHT + (_DARK - _LIGHT) * film


class CrossedTimes(Protocol):
    """The times of a test: from the plate's top, and from the plate's left [s]."""

    @property
    def screen_seconds(self) -> list[float]: ...
    @property
    def image_seconds(self) -> list[float]: ...


@dataclass(frozen=True)
class Spot:
    """A patch of a test as it prints."""

    screen_seconds: float
    image_seconds: float


def spots_of_test(times: CrossedTimes) -> list[Spot]:
    """Return the patches of a test's print, row by row from its top left.

    Parameters
    ----------
    times : CrossedTimes

    Returns
    -------
    list of Spot
        The print is the plate's mirror: its left column is the plate's right one.
    """
    return [Spot(s, i) for s in times.screen_seconds for i in reversed(times.image_seconds)]


def cells_of_test(times: CrossedTimes) -> list[ChartCell]:
    """Return the cells of a test's print: four films in each patch.

    Parameters
    ----------
    times : CrossedTimes

    Returns
    -------
    list of ChartCell
        Patch by patch as ``spots_of_test`` has them.
    """
    across, down, films = len(times.image_seconds), len(times.screen_seconds), len(TEST_FILMS)
    wide, high = 1 / across, 1 / down
    return [
        ChartCell(
            left=column * wide + place * wide / films, top=row * high, width=wide / films,
            height=high, expected_lstar=_expected(film),
        )
        for row in range(down)
        for column in range(across)
        for place, film in enumerate(TEST_FILMS)
    ]  # fmt: skip


def read_test(times: CrossedTimes, read: list[ReadCell]) -> list[PairPatch]:
    """Return the patches of a test from its cells as they were read.

    Parameters
    ----------
    times : CrossedTimes
    read : list of ReadCell
        As ``cells_of_test`` asked for them.

    Returns
    -------
    list of PairPatch
    """
    films = len(TEST_FILMS)
    return [
        PairPatch.model_validate({
            "screen_seconds": spot.screen_seconds, "image_seconds": spot.image_seconds,
            "spread": max(LEAST_SPREAD, max(cell.doubt for cell in own)),
            **{tone: cell.lstar for tone, cell in zip(_TONES, own, strict=True)},
        })
        for place, spot in enumerate(spots_of_test(times))
        for own in [read[films * place : films * (place + 1)]]
    ]  # fmt: skip


def cells_of_chart(steps: int, width_mm: float, height_mm: float) -> list[ChartCell]:
    """Return the cells of a step chart's print, row by row, the lightest first.

    Parameters
    ----------
    steps : int
    width_mm, height_mm : float

    Returns
    -------
    list of ChartCell
    """
    columns, rows = laid_out(steps, (width_mm, height_mm))
    return [
        ChartCell(
            left=step % columns / columns, top=step // columns / rows, width=1 / columns,
            height=1 / rows, expected_lstar=_expected(step / (steps - 1)),
        )
        for step in range(steps)
    ]  # fmt: skip


def read_steps(read: list[ReadCell]) -> list[ChartStep]:
    """Return the steps of a chart from its cells as they were read.

    Parameters
    ----------
    read : list of ReadCell

    Returns
    -------
    list of ChartStep
    """
    return [
        ChartStep(film=round(step / (len(read) - 1), 5), lstar=cell.lstar,
                  spread=max(LEAST_SPREAD, cell.doubt))
        for step, cell in enumerate(read)
    ]  # fmt: skip
