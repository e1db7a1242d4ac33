"""A colour scan of a print laid over its preview: light over the paper's, at places in mm."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.image.picture import Photo, open_photo
from core.image.reduced import open_reduced, reduced
from core.layers.shapes import SizeMm
from core.progress import Tell, part_of
from core.reading.laid_scan import LaidScan, laid_scan
from core.reading.scan import seen_through

Array = NDArray[np.float64]
_GREY = np.array([0.2126729, 0.7151522, 0.0721750])
_AROUND_MM = 1.0
_MOST_WINDOW_PX, _PREVIEW_PX = 6000, 2400
_OVER = 1.5
"""A part is made smaller to so many pixels for each one that is wanted of it, at least."""


@dataclass(frozen=True)
class PrintScan:
    """A print's scan; places in mm from the top left of the print, as it prints."""

    photo: Photo
    laid: LaidScan
    size_mm: SizeMm
    paper: Array
    """Linear light of the bare sheet: array (3,)."""

    @property
    def px_per_mm(self) -> float:
        """Return how fine the scan is."""
        ends = self.in_scan(np.array([[0.0, 0.0], [self.size_mm[0], 0.0]]))
        return float(np.linalg.norm(ends[1] - ends[0]) / self.size_mm[0])

    def in_scan(self, places_mm: Array) -> Array:
        """Return where places lie in the scan.

        Parameters
        ----------
        places_mm : array (n, 2) [mm]

        Returns
        -------
        array (n, 2) [px]
        """
        shares = np.asarray(places_mm, dtype=float) / self.size_mm
        worked = seen_through(shares, self.laid.laid.warp)
        return np.asarray(self.laid.scan.to_whole(worked), dtype=float)

    def window(self, left_top: Array, size_mm: tuple[float, float], per_mm: float) -> Array:
        """Return a part of the print laid straight, as light over the paper's.

        Parameters
        ----------
        left_top : array (2,) [mm]
        size_mm : (float, float) [mm]
        per_mm : float

        Returns
        -------
        array (height, width, 3)
        """
        wide, high = (max(2, round(side * per_mm)) for side in size_mm)
        corners = left_top + np.array([[0, 0], [1, 0], [1, 1], [0, 1]]) * size_mm
        onto = np.array([[0, 0], [wide, 0], [wide, high], [0, high]]) - 0.5
        found = self.in_scan(corners)
        low = np.maximum(np.floor(found.min(axis=0)).astype(int) - 3, 0)
        top = np.minimum(np.ceil(found.max(axis=0)).astype(int) + 4, self.photo.size[::-1])
        if (top - low < 2).any():
            return np.ones((high, wide, 3))
        times = max(1, int(self.px_per_mm / (_OVER * per_mm)))
        part = reduced(self.photo, slice(low[1], top[1]), slice(low[0], top[0]), times) / self.paper
        at = ((found - low + 0.5) / times - 0.5).astype(np.float32)
        warp = cv2.getPerspectiveTransform(onto.astype(np.float32), at)
        flags = cv2.INTER_CUBIC | cv2.WARP_INVERSE_MAP
        return np.asarray(cv2.warpPerspective(
            part, warp, (wide, high), flags=flags, borderMode=cv2.BORDER_REPLICATE,
        ))  # fmt: skip

    def whole(self, per_mm: float) -> Array:
        """Return the whole print laid straight.

        Parameters
        ----------
        per_mm : float

        Returns
        -------
        array (height, width, 3)
        """
        return self.window(np.zeros(2), self.size_mm, per_mm)


def open_print(
    image: str, preview: str, size_mm: SizeMm, corners_px: list[tuple[float, float]] | None,
    tell: Tell,
) -> PrintScan:  # fmt: skip
    """Return a scan of a print, laid over its preview.

    Parameters
    ----------
    image : str
    preview : str
        As ``overprint`` wrote it.
    size_mm : (float, float) [mm]
    corners_px : list of (float, float) or None
        Of the plate mark; None: it is looked for.
    tell : callable
        Is told the share done.

    Returns
    -------
    PrintScan

    Raises
    ------
    CoreError
        No picture, no plate mark, no bare sheet; a mirrored scan, or another print.
    """
    expected = (open_reduced(preview, _PREVIEW_PX) @ _GREY).astype(np.float32)
    laid = laid_scan(image, corners_px, expected, part_of(tell, 0.0, 0.7))
    photo = open_photo(image)
    found = PrintScan(photo, laid, size_mm, np.ones(3))
    return PrintScan(photo, laid, size_mm, _paper(found))


def _paper(seen: PrintScan) -> Array:
    """Return the colour of the bare sheet about the print."""
    wide, high = seen.size_mm
    per_mm = min(2.0, _MOST_WINDOW_PX / max(seen.size_mm))
    strips = []
    for left_top, size in (
        ((0.0, -4 * _AROUND_MM), (wide, 2 * _AROUND_MM)),
        ((0.0, high + 2 * _AROUND_MM), (wide, 2 * _AROUND_MM)),
        ((-4 * _AROUND_MM, 0.0), (2 * _AROUND_MM, high)),
        ((wide + 2 * _AROUND_MM, 0.0), (2 * _AROUND_MM, high)),
    ):
        strips.append(seen.window(np.array(left_top), size, per_mm).reshape(-1, 3))
    paper = np.median(np.concatenate(strips), axis=0)
    if float(paper.min()) < 0.05:
        raise CoreError(
            "no-paper", "No bare sheet outside the plate mark can be seen, so there is no white to "
            "read against. Scan it again with paper all round.", field="image",
            allowed="bare sheet outside the plate mark",
        )  # fmt: skip
    return np.asarray(paper)
