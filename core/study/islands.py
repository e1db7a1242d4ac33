"""Small pieces of an area: hard to paint round, easily missed."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np

from core.study.stop_out_maps import Labels


@dataclass(frozen=True)
class Island:
    """A piece of one area with others all round."""

    label: int
    x_px: float
    y_px: float
    px: int


def islands(labels: Labels, most_px: float, least_px: float = 1) -> list[Island]:
    """Return the pieces smaller than a size, the largest first.

    Parameters
    ----------
    labels : array
    most_px, least_px : float [px]
        Of its surface.

    Returns
    -------
    list of Island
    """
    found = []
    for label in np.unique(labels):
        count, _, stats, middles = cv2.connectedComponentsWithStats(
            (labels == label).astype(np.uint8), connectivity=4
        )
        sizes = stats[:, cv2.CC_STAT_AREA]
        found += [
            Island(int(label), float(middles[i][0]), float(middles[i][1]), int(sizes[i]))
            for i in range(1, count)
            if least_px <= sizes[i] < most_px
        ]
    return sorted(found, key=lambda island: -island.px)


def join(labels: Labels, most_px: float) -> Labels:
    """Return the areas without pieces smaller than a size: each becomes what lies nearest.

    Parameters
    ----------
    labels : array
    most_px : float [px]

    Returns
    -------
    array of the same shape
    """
    small = np.zeros(labels.shape, dtype=bool)
    for label in np.unique(labels):
        _, parts, stats, _ = cv2.connectedComponentsWithStats(
            (labels == label).astype(np.uint8), connectivity=4
        )
        few = stats[:, cv2.CC_STAT_AREA] < most_px
        few[0] = False
        small |= few[parts]
    if not small.any() or small.all():
        return labels
    _, nearest = cv2.distanceTransformWithLabels(
        small.astype(np.uint8), cv2.DIST_L2, 5, labelType=cv2.DIST_LABEL_PIXEL
    )
    becomes = np.zeros(int(nearest.max()) + 1, dtype=np.uint8)
    becomes[nearest[~small]] = labels[~small]
    return np.asarray(becomes[nearest])


def edge_px(labels: Labels, kinds: int) -> list[float]:
    """Return the length of the border round each label.

    Parameters
    ----------
    labels : array
    kinds : int

    Returns
    -------
    list of float [px]

    Notes
    -----
    Steps between pixels overrate a slanting line by 4/π in the mean. Source: ``cauchy-crofton``.
    """
    steps = np.zeros(kinds)
    for one, other in ((labels[:, 1:], labels[:, :-1]), (labels[1:], labels[:-1])):
        differ = one != other
        steps += np.bincount(one[differ], minlength=kinds)[:kinds]
        steps += np.bincount(other[differ], minlength=kinds)[:kinds]
    return [float(each) for each in steps * np.pi / 4]
