"""Closing Time as strokes of a needle, its drawing and its photographs lit from four sides."""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

Points = NDArray[np.float64]
Grey = NDArray[np.uint8]

PX_PER_MM = 7
WIDTH, HEIGHT = 180 * PX_PER_MM, 130 * PX_PER_MM
LIGHTS = (0.0, 45.0, 90.0, 135.0)
"""Where the lamp stood, degrees."""
_OFF = ((0.0, 0.0, 0.0), (0.3, 6.0, -4.0), (-0.4, -7.0, 5.0), (0.2, 3.0, 8.0))
"""How far the hand moved between the photographs: turn [°], shift [px]."""


@dataclass(frozen=True)
class Stroke:
    """One scratch, as it prints."""

    points: Points
    width: int
    depth: float
    part: str


@lru_cache(maxsize=1)
def strokes() -> tuple[Stroke, ...]:
    """Return the plate's scratches in the order they were drawn."""
    chance = np.random.default_rng(17)
    rows = [
        *_lines(_OUTLINES, 3, 0.9),
        *_hatch(chance, (290, 270, 660, 150), 45, 13, "Shutter", 0.75),
        *_hatch(chance, (290, 270, 660, 150), -45, 13, "Shutter", 0.7),
        *_hatch(chance, (20, 20, 890, 130), 62, 6, "Sky", 0.8),
        *_hatch(chance, (20, 20, 890, 130), -28, 6, "Sky", 0.75),
        *_hatch(chance, (270, 570, 700, 110), 45, 6, "Counter, under", 0.95),
        *_hatch(chance, (270, 570, 700, 110), -45, 6, "Counter, under", 0.95),
        *_hatch(chance, (270, 570, 700, 110), 0, 6, "Counter, under", 0.9),
        *_hatch(chance, (60, 770, 1140, 110), 8, 16, "Stones", 0.6),
    ]
    return tuple(rows)


def drawing() -> Grey:
    """Return the drawing under the plate, as it prints: its outlines, those missed among them."""
    sheet = np.full((HEIGHT, WIDTH), 250, np.uint8)
    for each in [*_lines(_OUTLINES, 3, 0.9), *_lines(_MISSED, 3, 0.9)]:
        cv2.polylines(sheet, [_fixed(each.points)], False, 110, each.width, cv2.LINE_AA, 4)
    return np.asarray(cv2.GaussianBlur(sheet, (0, 0), 0.8))


def photograph(light: int) -> Grey:
    """Return one photograph of the clear plate on black, the lamp from one of four sides."""
    shine = np.zeros((HEIGHT, WIDTH), np.float32)
    side = LIGHTS[light]
    for each in strokes():
        points = each.points * (-1, 1) + (WIDTH, 0)
        for one, two in itertools.pairwise(points):
            angle = math.degrees(math.atan2(two[1] - one[1], two[0] - one[0]))
            bright = each.depth * (0.12 + 0.88 * abs(math.sin(math.radians(angle - side))))
            part = _fixed(np.stack([one, two]))
            cv2.polylines(shine, [part], False, bright, each.width, cv2.LINE_AA, 4)
    return _exposed(cv2.GaussianBlur(shine, (0, 0), 0.7), side, light)


def _exposed(shine: NDArray[Any], side: float, light: int) -> Grey:
    """Return the light as a camera sees it: falling off from the lamp, grainy, a little off."""
    y, x = np.mgrid[-1 : 1 : HEIGHT * 1j, -1 : 1 : WIDTH * 1j]
    radians = math.radians(side)
    falls = 1 - 0.3 * (x * math.cos(radians) + y * math.sin(radians))
    seen = (13 + 9 * falls + 170 * shine * falls).astype(np.float32)
    turn, right, down = _OFF[light]
    matrix = cv2.getRotationMatrix2D((WIDTH / 2, HEIGHT / 2), turn, 1)
    matrix[:, 2] += (right, down)
    moved = cv2.warpAffine(seen, matrix, (WIDTH, HEIGHT), borderMode=cv2.BORDER_REFLECT)
    grain = np.random.default_rng(50 + light).normal(0, 2.5, moved.shape)
    return np.asarray(np.clip(moved + grain, 0, 255), dtype=np.uint8)


def _fixed(points: Points) -> NDArray[np.int32]:
    return np.rint(points * 16).astype(np.int32).reshape(-1, 1, 2)


def _lines(rows: list[Points], width: int, depth: float) -> list[Stroke]:
    return [Stroke(points, width, depth, "Outlines") for points in rows]


def _hatch(
    chance: np.random.Generator, field: tuple[int, int, int, int], degrees: float, apart: float,
    part: str, depth: float,
) -> list[Stroke]:  # fmt: skip
    """Return lines one way within a field [px], as a hand draws them."""
    left, top, wide, high = field
    angle = math.radians(degrees)
    along, across = (np.array([math.cos(a), -math.sin(a)]) for a in (angle, angle + math.pi / 2))
    middle = np.array([left + wide / 2, top + high / 2])
    reach = abs(across[0]) * wide / 2 + abs(across[1]) * high / 2
    found = []
    for place in np.arange(-reach, reach, apart):
        at = middle + across * (place + chance.normal(0, 0.08 * apart))
        ends = _within(at, along, (left, left + wide), (top, top + high))
        if ends is None:
            continue
        low, high_end = ends[0] + chance.uniform(0, 9), ends[1] - chance.uniform(0, 9)
        if high_end - low > 12:
            points = np.stack([at + along * low, at + along * high_end])
            found.append(Stroke(points, 2, depth * float(chance.uniform(0.85, 1.1)), part))
    return found


def _within(
    at: Points, along: Points, x: tuple[float, float], y: tuple[float, float]
) -> tuple[float, float] | None:
    low, high = -1e9, 1e9
    for place, (start, end) in enumerate((x, y)):
        if abs(along[place]) < 1e-9:
            if not start <= at[place] <= end:
                return None
            continue
        one, two = sorted((each - at[place]) / along[place] for each in (start, end))
        low, high = max(low, one), min(high, two)
    return (low, high) if high > low else None


def _rectangle(left: float, top: float, wide: float, high: float) -> Points:
    right, low = left + wide, top + high
    return np.array([[left, top], [right, top], [right, low], [left, low], [left, top]], float)


def _arc(x: float, y: float, radius: float, start: float, end: float, flat: float = 1.0) -> Points:
    angles = np.radians(np.linspace(start, end, 40))
    return np.stack([x + radius * np.cos(angles), y + flat * radius * np.sin(angles)], axis=1)


def _line(*points: tuple[float, float]) -> Points:
    """Return a line through points, in short pieces as a hand draws it."""
    rows = np.array(points, float)
    pieces = [np.linspace(a, b, 12)[:-1] for a, b in itertools.pairwise(rows)]
    return np.concatenate([*pieces, rows[-1:]])


def _stall() -> list[Points]:
    slats = [_line((290, y), (950, y + 3)) for y in range(272, 420, 21)]
    posts = [_line((x, 210), (x, 700)) for x in (270, 280, 960, 970)]
    return [_rectangle(250, 200, 740, 60), *slats, *posts, _rectangle(260, 540, 720, 150)]


def _baskets() -> list[Points]:
    found = []
    for x in (420, 660, 830):
        found += [_arc(x, 520, 46, 180, 360, 0.35), _line((x - 46, 520), (x - 30, 560)),
                  _line((x + 46, 520), (x + 30, 560)), _arc(x, 500, 30, 180, 360, 0.9)]  # fmt: skip
    return found


def _lantern() -> list[Points]:
    rays = [
        _line((1090 + 62 * math.cos(a), 320 + 62 * math.sin(a)),
              (1090 + 118 * math.cos(a), 320 + 118 * math.sin(a)))
        for a in np.linspace(0, 2 * math.pi, 22, endpoint=False)
    ]  # fmt: skip
    return [_arc(1090, 320, 50, 0, 360), _arc(1090, 320, 26, 0, 360), *rays,
            _line((1090, 60), (1090, 268))]  # fmt: skip


def _sweeper() -> list[Points]:
    return [
        _arc(1100, 480, 24, 0, 360, 1.15), _line((1080, 510), (1062, 640), (1070, 760)),
        _line((1120, 510), (1138, 640), (1128, 760)), _line((1098, 640), (1098, 760)),
        _line((1080, 530), (1050, 600), (1020, 640)),
    ]  # fmt: skip


def _cat() -> list[Points]:
    return [
        _arc(150, 730, 38, 150, 390, 1.2), _arc(150, 680, 20, 0, 360),
        _line((135, 668), (132, 645), (146, 660)), _line((156, 660), (168, 645), (166, 668)),
    ]  # fmt: skip


def _quay() -> list[Points]:
    return [
        _line((20, 770), (420, 764), (900, 772), (1238, 766)),
        _line((26, 300), (84, 240), (150, 300), (150, 430)), _line((26, 300), (26, 440)),
        _line((1160, 560), (1210, 530), (1238, 560)),
    ]  # fmt: skip


_OUTLINES: list[Points] = [
    *_stall(), *_baskets(), *_lantern(), *_sweeper(), *_cat(), *_quay(),
]  # fmt: skip
_MISSED: list[Points] = [
    _line((300, 190), (420, 168), (560, 186), (700, 166)),
    _arc(540, 520, 44, 180, 360, 0.9),
    _line((1030, 640), (985, 755), (950, 800)),
]  # fmt: skip
"""The valance, the third stool, the broom: in the drawing, not yet in the plate."""
