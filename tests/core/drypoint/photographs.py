"""Generated photographs of scratched clear plastic on black, lit from different sides."""

from dataclasses import dataclass

import cv2
import numpy as np

SIDES = (0.0, 45.0, 90.0, 135.0)
"""Where the light comes from, degrees."""


@dataclass(frozen=True)
class Stroke:
    """One scratch: its points [px], width [px] and how deep it is, 0 to 1."""

    points: np.ndarray
    width: int
    depth: float


def strokes(count, size, seed, hatched=True):
    """Return scratches as a hand makes them: bent single lines and hatched fields."""
    chance = np.random.default_rng(seed)
    width, height = size
    found = []
    for _ in range(count):
        start = chance.uniform((0.08 * width, 0.08 * height), (0.92 * width, 0.92 * height))
        angle, bend = chance.uniform(0, np.pi), chance.normal(0, 0.35)
        steps = np.linspace(0, 1, 24)
        turned = angle + bend * steps
        length = chance.uniform(0.05, 0.35) * width
        away = np.stack([np.cos(turned), np.sin(turned)], 1) * (length / 24)
        points = start + np.cumsum(away, axis=0)
        found.append(Stroke(points, int(chance.integers(2, 5)), float(chance.uniform(0.45, 1))))
    for _ in range(2 if hatched else 0):
        found += _hatch(chance, size)
    return found


def _hatch(chance, size):
    width, height = size
    at = chance.uniform((0.15 * width, 0.15 * height), (0.7 * width, 0.7 * height))
    angle = chance.uniform(0, np.pi)
    along, across = (np.array([np.cos(each), np.sin(each)]) for each in (angle, angle + np.pi / 2))
    apart, length = chance.uniform(9, 14), chance.uniform(0.1, 0.18) * width
    return [
        Stroke(
            np.stack([at + across * apart * k + along * length * each for each in (0, 1)]),
            2,
            float(chance.uniform(0.5, 0.9)),
        )
        for k in range(14)
    ]


def drawn(rows, size, *, widest=None):
    """Return which pixels the strokes cover: (height, width)."""
    mask = np.zeros((size[1], size[0]), np.uint8)
    for each in rows:
        cv2.polylines(mask, [_fixed(each.points)], False, 255, widest or each.width, cv2.LINE_AA, 4)
    return mask > 127


def _fixed(points):
    return np.rint(points * 16).astype(np.int32).reshape(-1, 1, 2)


def photograph(rows, size, side, seed, *, noise=2.5, turn=0.0, shift=(0.0, 0.0), glare=None,
               floor=0.2):  # fmt: skip
    """Return one photograph: scratches shine where the light crosses them."""
    chance = np.random.default_rng(seed)
    width, height = size
    light = np.zeros((height, width), np.float32)
    for each in rows:
        cv2.polylines(light, [_fixed(each.points)], False, 0.0, each.width, cv2.LINE_8, 4)
        for one, two in zip(each.points[:-1], each.points[1:], strict=True):
            angle = np.degrees(np.arctan2(*(two - one)[::-1]))
            shine = floor + (1 - floor) * abs(np.sin(np.radians(angle - side)))
            part = np.stack([one, two])
            cv2.polylines(
                light, [_fixed(part)], False, float(each.depth * shine), each.width, cv2.LINE_AA, 4
            )
    light = cv2.GaussianBlur(light, (0, 0), 0.7)
    y, x = np.mgrid[-1 : 1 : height * 1j, -1 : 1 : width * 1j]
    radians = np.radians(side)
    falls = 1 - 0.35 * (x * np.cos(radians) + y * np.sin(radians))
    seen = 14 + 10 * falls + 170 * light * falls
    if glare:
        (gx, gy), radius = glare
        blob = np.exp(-(((x - gx) ** 2 + (y - gy) ** 2) / radius**2))
        seen = seen + 600 * blob
    turned = cv2.getRotationMatrix2D((width / 2, height / 2), turn, 1)
    turned[:, 2] += shift
    moved = cv2.warpAffine(
        seen.astype(np.float32), turned, (width, height), borderMode=cv2.BORDER_REFLECT
    )
    return np.clip(moved + chance.normal(0, noise, moved.shape), 0, 255).astype(np.uint8)


def photographs(folder, rows, size, seed=1, *, sides=SIDES, moved=True, **more):
    """Write photographs lit from each side; all but the first stand a little off."""
    chance = np.random.default_rng(seed)
    paths = []
    for place, side in enumerate(sides):
        off = {}
        if moved and place:
            off = {"turn": chance.uniform(-0.8, 0.8), "shift": chance.uniform(-12, 12, 2)}
        picture = photograph(rows, size, side, seed * 10 + place, **{**off, **more})
        paths.append(str(folder / f"light-{place + 1}.png"))
        cv2.imwrite(paths[-1], picture)
    return paths


def f1(found, true, within_px=0):
    """Return F1 of pixels found, those within a distance taken for the same."""
    reach = np.ones((2 * within_px + 1,) * 2, np.uint8)
    near_true = cv2.dilate(true.astype(np.uint8), reach) > 0
    near_found = cv2.dilate(found.astype(np.uint8), reach) > 0
    precision = near_true[found].mean() if found.any() else 0.0
    recall = near_found[true].mean() if true.any() else 0.0
    return float(2 * precision * recall / max(precision + recall, 1e-9))
