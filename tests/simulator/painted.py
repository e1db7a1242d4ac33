"""Photographs of plates painted by a map, drawn by code: some places forgotten."""

import cv2
import numpy as np

PX_PER_MM = 5
METALS = {"copper": (58, 103, 180), "zinc": (158, 147, 132)}
VARNISH = [(27, 34, 44), (228, 236, 240), (70, 190, 235), (150, 130, 232), (200, 150, 70)]
"""Blue, green, red of asphalt and of white, yellow, pink and blue pens."""
FORGOTTEN_MM2 = (25.0, 90.0)


def painted_plate(labels, states, width_mm, rng, metal="copper", forget=1):
    """A plate laid straight, as it lies: (picture, mask of what was forgotten).

    ``labels`` and ``states`` (0 or 128: covered) as they lie on the plate.
    """
    height, width = labels.shape
    fine = width / width_mm
    covered = (states == 0) | (states == 128)
    forgotten = np.zeros(labels.shape, bool)
    for _ in range(forget):
        forgotten |= _forgotten(covered & ~forgotten, fine, rng)
    grain = rng.normal(0, 1, labels.shape).astype(np.float32)
    brushed = cv2.blur(grain, (max(3, round(6 * fine)), 1))
    plate = np.empty((height, width, 3), np.float32)
    plate[:] = METALS[metal]
    plate *= (1 + 0.35 * brushed + 0.05 * cv2.GaussianBlur(grain, (0, 0), 0.7))[..., None]
    painted = covered & ~forgotten
    wobble = _wobbled(painted, fine, rng)
    for label in np.unique(labels[covered]):
        here = wobble & (labels == label)
        colour = np.array(VARNISH[int(label) % len(VARNISH)], np.float32)
        strokes = cv2.blur(rng.normal(0, 1, labels.shape).astype(np.float32),
                           (round(4 * fine), round(0.4 * fine)))  # fmt: skip
        plate[here] = (colour * (1 + 0.5 * strokes[..., None]))[here]
    return np.clip(plate, 0, 255), forgotten


def _forgotten(covered, fine, rng):
    """One round spot inside what should be covered, 25 to 90 mm²."""
    out = np.zeros(covered.shape, np.uint8)
    mm2 = rng.uniform(*FORGOTTEN_MM2)
    radius = np.sqrt(mm2 / np.pi) * fine
    deep = cv2.distanceTransform(covered.astype(np.uint8), cv2.DIST_L2, 5)
    ys, xs = np.nonzero(deep > radius)
    if len(ys) == 0:
        return out > 0
    i = rng.integers(len(ys))
    stretch = rng.uniform(0.7, 1.0)
    axes = (int(radius / stretch), int(radius * stretch))
    cv2.ellipse(out, (int(xs[i]), int(ys[i])), axes, rng.uniform(0, 180), 0, 360, 1, -1)
    return (out > 0) & covered


def _wobbled(mask, fine, rng):
    """A hand paints within a third of a millimetre of the line."""
    noise = cv2.GaussianBlur(rng.normal(0, 1, mask.shape).astype(np.float32), (0, 0), 1.5 * fine)
    noise /= noise.std() + 1e-9
    inside = cv2.distanceTransform(mask.astype(np.uint8), cv2.DIST_L2, 5)
    outside = cv2.distanceTransform((~mask).astype(np.uint8), cv2.DIST_L2, 5)
    return (inside - outside) > 0.25 * fine * noise


def photographed(plate, rng, size=(1600, 1200)):
    """The plate on a table, from a hand-held camera in uneven light: (picture, corners)."""
    height, width = plate.shape[:2]
    wide = size[0] * rng.uniform(0.62, 0.78)
    high = wide * height / width
    if high > 0.8 * size[1]:
        wide, high = wide * 0.8 * size[1] / high, 0.8 * size[1]
    middle = np.array(size) / 2 + rng.uniform(-40, 40, 2)
    turn = np.deg2rad(rng.uniform(-6, 6))
    turned = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]])
    box = np.array([[-wide, -high], [wide, -high], [wide, high], [-wide, high]]) / 2
    corners = (box @ turned.T + middle + rng.uniform(-25, 25, (4, 2))).astype(np.float32)
    table = np.empty((size[1], size[0], 3), np.float32)
    table[:] = (205, 212, 216)
    table *= 1 + 0.02 * rng.normal(0, 1, table.shape[:2])[..., None]
    onto = cv2.getPerspectiveTransform(
        np.array([[0, 0], [width, 0], [width, height], [0, height]], np.float32), corners
    )
    laid = cv2.warpPerspective(plate.astype(np.float32), onto, size, flags=cv2.INTER_AREA)
    mask = cv2.warpPerspective(np.ones((height, width), np.float32), onto, size)[..., None]
    shot = table * (1 - mask) + laid * mask
    down, across = np.mgrid[-1 : 1 : size[1] * 1j, -1 : 1 : size[0] * 1j]
    slope = rng.uniform(-0.18, 0.18, 2)
    light = 1 + slope[0] * across + slope[1] * down - 0.08 * (across**2 + down**2)
    shot = cv2.GaussianBlur(shot * light[..., None], (0, 0), rng.uniform(0.5, 1.1))
    shot += rng.normal(0, rng.uniform(2, 5), shot.shape)
    return np.asarray(np.clip(shot, 0, 255), np.uint8), corners
