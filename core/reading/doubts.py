"""What makes a patch's reading doubtful: blurred, clipped, in shadow, or not all of one tone."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np

from core.reading.measure import Tone
from core.reading.row import Row
from core.reading.scan import Light, Points, Scan, seen_through
from core.reading.shapes import ReadWarning
from core.reading.sharp import is_soft
from core.reading.sheet import Mask, White

CLIPPED_SHARE = 0.02
"""Of pixels at the end of the file's range: what lies beyond it is lost."""
SHADOW = 0.035
"""Of the sheet's light: where the paper beside a patch is so much darker than the rest of the
sheet says, something stood in the light."""
SPLASHED_SHARE = 0.15
_BESIDE = (0.05, 0.9)
_FEWEST_PX = 40

TEXTS = {
    "blurred": "Blurred: its grain and edges are soft. Scan it again, in focus.",
    "clipped": "Clipped: part of it lies beyond what the file holds. Scan it again with less "
    "exposure and no automatic contrast.",
    "paper-clipped": "The bare sheet is clipped: it was lighter than the file could hold, so every "
    "tone reads too light. Scan it again with less exposure.",
    "in-shadow": "In shadow: the paper beside it is darker than the rest of the sheet. Scan it "
    "again in even light.",
    "uneven": "Part of it has another tone, and was left out: a splash, or stop-out that crept in.",
}


@dataclass(frozen=True)
class Doubts:
    """What is doubtful about one patch."""

    soft: bool
    clipped: bool
    shaded: bool

    def warnings(self, tone: Tone) -> list[ReadWarning]:
        """Return the warnings of a patch.

        Parameters
        ----------
        tone : Tone

        Returns
        -------
        list of ReadWarning
        """
        codes = {
            "blurred": self.soft, "clipped": self.clipped, "in-shadow": self.shaded,
            "uneven": tone.off > SPLASHED_SHARE,
        }  # fmt: skip
        return [ReadWarning(code=code, text=TEXTS[code]) for code, there in codes.items() if there]


def doubts_of(
    scan: Scan, white: White, outside: Mask, places: list[tuple[Row, int]]
) -> list[Doubts]:
    """Return what is doubtful about each patch.

    Parameters
    ----------
    scan : Scan
    white : White
    outside : array of bool
        Where the sheet lies outside the plate mark.
    places : list of (Row, int)

    Returns
    -------
    list of Doubts
    """
    paper = _burnt(scan, outside)
    over = scan.light / white.picture()
    over[~outside] = np.nan
    soft = [is_soft(scan, row, place, _white_at(white, row, place)) for row, place in places]
    said = [each for each in soft if each is not None]
    mostly = bool(said) and float(np.mean(said)) > 0.5
    return [
        Doubts(
            soft=mostly if own is None else own,
            clipped=paper or _ends_in(scan, row.corners(place)),
            shaded=_in_shadow(over, row, place),
        )
        for own, (row, place) in zip(soft, places, strict=True)
    ]


def paper_doubts(scan: Scan, outside: Mask, doubts: list[Doubts]) -> list[ReadWarning]:
    """Return what is doubtful about the whole scan.

    Parameters
    ----------
    scan : Scan
    outside : array of bool
    doubts : list of Doubts

    Returns
    -------
    list of ReadWarning
    """
    found = []
    if _burnt(scan, outside):
        found.append(ReadWarning(code="paper-clipped", text=TEXTS["paper-clipped"]))
    if sum(each.soft for each in doubts) > len(doubts) / 2:
        found.append(ReadWarning(code="blurred", text="The whole scan is blurred."))
    return found


def _white_at(white: White, row: Row, place: int) -> float:
    return float(white.at(row.corners(place).mean(axis=0)[None])[0])


def _burnt(scan: Scan, outside: Mask) -> bool:
    return bool(outside.any() and float(scan.burnt[outside].mean()) > CLIPPED_SHARE)


def _ends_in(scan: Scan, corners: Points) -> bool:
    left, top = np.floor(corners.min(axis=0)).astype(int).clip(0)
    right, low = np.ceil(corners.max(axis=0)).astype(int) + 1
    inside = np.zeros((low - top, right - left), np.uint8)
    cv2.fillConvexPoly(inside, np.rint(corners - (left, top)).astype(np.int32), 1)
    part = (slice(top, low), slice(left, right))
    burnt, blocked = scan.burnt[part], scan.blocked[part]
    own = inside[: burnt.shape[0], : burnt.shape[1]] > 0
    if not own.any():
        return False
    return float(burnt[own].mean() + blocked[own].mean()) > CLIPPED_SHARE


def _in_shadow(over: Light, row: Row, place: int) -> bool:
    """Tell whether the bare sheet above or below a patch is darker than the sheet elsewhere."""
    sides = ((-_BESIDE[1], -_BESIDE[0]), (1 + _BESIDE[0], 1 + _BESIDE[1]))
    for top, bottom in sides:
        y, x = np.mgrid[0:24, 0:16]
        points = np.column_stack(
            [place + 0.1 + 0.8 * x.ravel() / 15, top + (bottom - top) * y.ravel() / 23]
        )
        at = np.rint(seen_through(points, row.warp)).astype(int)
        height, width = over.shape
        within = (at >= 0).all(axis=1) & (at[:, 0] < width) & (at[:, 1] < height)
        seen = over[at[within, 1], at[within, 0]]
        seen = seen[np.isfinite(seen)]
        if len(seen) >= _FEWEST_PX and float(np.median(seen)) < 1 - SHADOW:
            return True
    return False
