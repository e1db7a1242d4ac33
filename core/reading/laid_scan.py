"""A scan of a print laid over what its plate should print: how it lies, and the sheet's light."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np

from core.errors import CoreError
from core.progress import Tell
from core.reading.areas import middles_of
from core.reading.doubts import CLIPPED_SHARE, SHADOW, TEXTS
from core.reading.mark import outside_mark, unwritten
from core.reading.read_patches import checked_corners
from core.reading.register import Laid, corners_of, lay_over
from core.reading.scan import Light, Points, Scan, open_scan, seen_through
from core.reading.shapes import ReadWarning
from core.reading.sharp import grain_is_sharp
from core.reading.sheet import Mask, White, first_white, fit_white, sheet_mask
from core.study.rectify import Corners
from core.tone.lightness import lightness_from_reflectance

_LOOKED_AT = 6
_SHADED_SHARE = 0.05


@dataclass(frozen=True)
class LaidScan:
    """A scan, the light of its sheet, and how its plate lies in it."""

    scan: Scan
    white: White
    laid: Laid
    mark: Points
    """Corners of the plate in the worked picture, clockwise from the top left of the print."""
    outside: Mask
    """Where the sheet lies bare beyond the plate mark."""

    def in_scan(self, points: Points) -> list[tuple[float, float]]:
        """Return points of the worked picture as they lie in the scan.

        Parameters
        ----------
        points : array (n, 2) [px]

        Returns
        -------
        list of (float, float) [px]
        """
        return [(round(float(x), 1), round(float(y), 1)) for x, y in self.scan.to_whole(points)]

    @property
    def paper_spread(self) -> float:
        """Return the spread of the bare sheet about its own light [L*]."""
        return round(float(100 - lightness_from_reflectance(1 - self.white.spread)), 2)

    def warnings(self) -> list[ReadWarning]:
        """Return what makes the whole scan doubtful.

        Returns
        -------
        list of ReadWarning
        """
        codes = {
            "blurred": _is_soft(self.scan, self.white, self.laid),
            "paper-clipped": float(self.scan.burnt[self.outside].mean()) > CLIPPED_SHARE,
            "in-shadow": _shaded(self.scan.light, self.outside, self.white),
        }
        return [ReadWarning(code=code, text=TEXTS[code]) for code, there in codes.items() if there]


def laid_scan(
    image: str, corners_px: list[tuple[float, float]] | None, expected: Light, tell: Tell,
    margin: float = 0.0,
) -> LaidScan:  # fmt: skip
    """Return a scan laid over what its plate should print.

    Parameters
    ----------
    image : str
    corners_px : list of (float, float) or None
        Of the plate mark; None: it is looked for.
    expected : array (h, w)
        Light that each point of the plate should print, as it prints.
    tell : callable
        Is told the share done.
    margin : float
        As ``lay_over`` takes it.

    Returns
    -------
    LaidScan

    Raises
    ------
    CoreError
        No picture, no plate mark, no bare sheet; a mirrored scan, or another plate's.
    """
    scan = open_scan(image)
    tell(0.3)
    sheet = sheet_mask(scan.light)
    over = np.where(sheet, scan.light / first_white(scan.light, sheet).picture(), 1.0)
    over = np.asarray(over, dtype=np.float32)
    corners = [checked_corners(scan, corners_px)] if corners_px else corners_of(over)
    corners = _widest(corners) if margin else corners
    laid = lay_over(over, corners, expected, margin)
    tell(0.6)
    mark = seen_through(np.array([[0, 0], [1, 0], [1, 1], [0, 1]]), laid.warp)
    outside = outside_mark(sheet, mark)
    white = fit_white(scan.light, unwritten(outside, over), all_round=True)
    if white is None:
        raise CoreError(
            "no-paper", "No bare sheet outside the plate mark can be seen, so there is no white to "
            "read against. Scan it again with paper all round.", field="image",
            allowed="bare sheet outside the plate mark",
        )  # fmt: skip
    return LaidScan(scan, white, laid, mark, outside)


def _widest(candidates: list[Corners]) -> list[Corners]:
    """Return the candidates that go round nearly all ink: a row of a chart looks like another."""
    areas = [cv2.contourArea(each) for each in candidates]
    return [each for each, area in zip(candidates, areas, strict=True) if area > 0.8 * max(areas)]


def _is_soft(scan: Scan, white: White, laid: Laid) -> bool:
    points = middles_of(laid.warp, _LOOKED_AT)
    light = white.at(points)
    wide = float(np.ptp(scan.to_whole(points), axis=0).max()) / _LOOKED_AT
    said = [
        grain_is_sharp(scan, at, wide, float(own))
        for at, own in zip(scan.to_whole(points), light, strict=True)
    ]
    told = [each for each in said if each is not None]
    return bool(told) and float(np.mean(told)) < 0.5


def _shaded(light: Light, outside: Mask, white: White) -> bool:
    """Tell whether a part of the bare sheet lies in shadow."""
    over = cv2.blur(light / white.picture(), (9, 9))[outside]
    return bool(float(np.mean(over < 1 - SHADOW)) > _SHADED_SHARE)
