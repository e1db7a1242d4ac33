"""Awnings at Nine, drawn by code: what each of its four plates prints, and a proof's scan."""

from __future__ import annotations

import io
import math
from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from core.layers.films import laid_down, printed_over
from core.layers.shapes import Lying
from core.tone.colour import linear_from_lab

Light = NDArray[np.float64]

SIZE_MM = (250.0, 180.0)
PX_PER_MM, FINE = 5, 2
LAMPS = ((65.0, 43.0), (189.0, 41.0))
AWNINGS = ((18.0, 122.0, 60.0), (139.0, 245.0, 56.0))
"""Left, right, top [mm]; each of nine stripes hangs 36 mm."""
INKS: dict[str, tuple[tuple[float, float, float], float]] = {
    "Ochre": ((66.0, 14.0, 52.0), 0.6), "Blue": ((54.0, -8.0, -21.0), 0.85),
    "Grey": ((47.0, 1.0, 3.0), 0.6), "Key": ((19.0, 0.5, 1.0), 0.02),
}  # fmt: skip
"""L*a*b* of the solid ink, and how much light its film lets through."""
_SHEET_MM, _SCAN_PX_PER_MM = 20.0, 6.0
_PAPER = np.array([0.955, 0.925, 0.865])
_ARM_MM, _LINE_MM = 3.0, 0.4
Pen = ImageDraw.ImageDraw


@lru_cache(maxsize=8)
def plate_picture(name: str) -> bytes:
    """Return what a plate prints alone, dark where there is ink, as a PNG."""
    return _png(1 - coverage(name))


@lru_cache(maxsize=8)
def coverage(name: str) -> Light:
    """Return what a plate covers: (900, 1250)."""
    scale = PX_PER_MM * FINE
    size = (round(SIZE_MM[0] * scale), round(SIZE_MM[1] * scale))
    picture = Image.new("L", size, 0)
    _DRAW[name](_Hand(ImageDraw.Draw(picture), scale))
    small = picture.resize((size[0] // FINE, size[1] // FINE), Image.Resampling.BOX)
    share = np.asarray(small, dtype=float) / 255
    return (
        share if name == "Key" else _grained(share, np.random.default_rng(list(INKS).index(name)))
    )


class _Hand:
    """A pen that takes millimetres."""

    def __init__(self, pen: Pen, scale: float) -> None:
        self.pen, self.scale = pen, scale

    def _px(self, points: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
        return [(x * self.scale, y * self.scale) for x, y in points]

    def area(self, points: Sequence[tuple[float, float]], share: float) -> None:
        """Fill a shape."""
        self.pen.polygon(self._px(points), fill=round(255 * share))

    def box(self, x0: float, y0: float, x1: float, y1: float, share: float) -> None:
        """Fill a rectangle."""
        self.area([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], share)

    def oval(self, x: float, y: float, r: float, share: float, flat: float = 1.0) -> None:
        """Fill an oval."""
        box = self._px([(x - r, y - r * flat), (x + r, y + r * flat)])
        self.pen.ellipse([*box[0], *box[1]], fill=round(255 * share))

    def line(self, points: Sequence[tuple[float, float]], wide: float = 0.4) -> None:
        """Draw a line."""
        self.pen.line(self._px(points), fill=255, width=max(1, round(wide * self.scale)))

    def word(self, x: float, y: float, text: str, high: float) -> None:
        """Write a letter, its middle at a place."""
        font = ImageFont.load_default(size=high * self.scale)
        self.pen.text((x * self.scale, y * self.scale), text, fill=255, font=font, anchor="mm")


def _stripes(hand: _Hand, odd: int, share: float) -> None:
    for left, right, top in AWNINGS:
        step = (right - left) / 9
        for n in range(9):
            if n % 2 != odd:
                continue
            x = left + n * step
            hand.area([(x + 4, top), (x + step + 3, top), (x + step, top + 32),
                       (x + step / 2, top + 37), (x, top + 32)], share)  # fmt: skip


def _ochre(hand: _Hand) -> None:
    for x, y in LAMPS:
        hand.oval(x, y, 13, 0.75)
        hand.oval(x, y, 7.5, 0.1)
    _stripes(hand, 1, 0.85)
    for left, right, top in AWNINGS:
        hand.box(left + 6, top + 43, right - 8, top + 46, 0.5)


def _blue(hand: _Hand) -> None:
    hand.box(0, 0, 250, 92, 0.5)
    hand.box(0, 118, 250, 180, 0.42)
    for x, y in LAMPS:
        hand.oval(x, y, 30, 0.08)
    hand.box(121, 34, 138, 99, 0.0)
    for left, right, top in AWNINGS:
        hand.area([(left + 4, top - 1), (right + 3, top - 1), (right, top + 40),
                   (left, top + 40)], 0.0)  # fmt: skip
        hand.box(left + 5, top + 38, right - 8, top + 64, 0.12)
    for x, y, r in ((42, 150, 22), (127, 164, 26), (216, 150, 21)):
        hand.oval(x, y, r, 0.85, 0.22)
    for x0, x1 in ((0, 38), (212, 250)):  # the ground about the crosses is stopped out
        hand.box(x0, 0, x1, 10, 0.0)
        hand.box(x0, 170, x1, 180, 0.0)


def _grey(hand: _Hand) -> None:
    hand.area([(6, 92), (6, 46), (18, 37), (38, 36), (46, 46), (46, 60), (22, 60), (18, 92)], 0.55)
    hand.area([(212, 56), (212, 30), (226, 20), (244, 24), (249, 40), (249, 92), (246, 56)], 0.55)
    for left, right, top in AWNINGS:
        hand.box(left + 6, top + 40, right - 8, top + 48, 0.5)
        hand.box(left + 6, top + 49, right - 9, top + 62, 0.78)
    for x, y in ((84, 110), (168, 110)):
        hand.pen.pieslice(
            [(x - 23) * hand.scale, (y - 20) * hand.scale, (x + 23) * hand.scale,
             (y + 20) * hand.scale], 180, 360, fill=round(255 * 0.7),
        )  # fmt: skip
        hand.area([(x - 9, y + 8), (x + 9, y + 8), (x + 6, y + 52), (x - 6, y + 52)], 0.85)


def _key(hand: _Hand) -> None:
    rng = np.random.default_rng(11)
    for _ in range(150):
        _rain(hand, rng, rng.uniform(3, 8), 0.25)
    for _ in range(26):
        _rain(hand, rng, rng.uniform(14, 24), 0.6)
    for left, right, top in AWNINGS:
        step = (right - left) / 9
        hand.line([(left + 4, top), (right + 3, top)], 0.7)
        for n in range(9):
            x = left + n * step
            hand.line([(x + 4, top), (x, top + 32), (x + step / 2, top + 37),
                       (x + step, top + 32)], 0.5)  # fmt: skip
            if n % 2 == 0:
                for way in (0.2, 0.4, 0.6, 0.8):
                    hand.line([(x + 4 + step * way, top + 1), (x + step * way, top + 31)], 0.2)
        for y in np.arange(top + 41, top + 62, 1.6):
            hand.line([(left + 6, y), (right - 9, y + 0.6)], 0.22)
    for x, y in LAMPS:
        hand.line([(x + 8 * math.cos(a), y + 9 * math.sin(a)) for a in np.linspace(0, 6.4, 40)],
                  0.8)  # fmt: skip
        hand.line([(x, 0), (x, y - 9)], 0.4)
    hand.line([(121, 34), (138, 34), (138, 99), (121, 99), (121, 34)], 0.7)
    for n, letter in enumerate("SOUP"):
        hand.word(129.5, 44 + 15 * n, letter, 12)
    for x, y in ((84, 110), (168, 110)):
        hand.line([(x + 23 * math.cos(a), y + 20 * math.sin(a)) for a in np.linspace(3.14, 6.28)],
                  0.7)  # fmt: skip
        for way in np.arange(-8, 9, 2.0):
            hand.line([(x + way, y + 8), (x + way * 0.66, y + 52)], 0.35)


def _rain(hand: _Hand, rng: np.random.Generator, long: float, wide: float) -> None:
    x, y = rng.uniform(-10, 250), rng.uniform(0, 172)
    hand.line([(x, y), (x - 0.25 * long, y + long)], wide)


_DRAW = {"Ochre": _ochre, "Blue": _blue, "Grey": _grey, "Key": _key}


def _grained(share: Light, rng: np.random.Generator) -> Light:
    """Break tones into grain whose mean stays the share."""
    noise = Image.fromarray((rng.random(share.shape) * 255).astype(np.uint8), "L")
    soft = np.asarray(noise.filter(ImageFilter.GaussianBlur(0.8)), dtype=float)
    rank = (np.argsort(np.argsort(soft.ravel())) / soft.size).reshape(share.shape)
    return np.clip((share - rank) * 6 + 0.5, 0.0, 1.0) * (share > 0.02)


@lru_cache(maxsize=2)
def proof_scan(
    crosses: tuple[tuple[str, tuple[tuple[float, float], ...]], ...],
    off: tuple[tuple[str, float, float], ...],
) -> bytes:
    """Return the scan of a proof as a JPEG: a sheet with its margin, plates off as they lay.

    ``crosses`` are places [mm] by plate, ``off`` says how far right and down plates lay.
    """
    moved = {name: (right, down) for name, right, down in off}
    light = np.ones((round(SIZE_MM[1] * _SCAN_PX_PER_MM), round(SIZE_MM[0] * _SCAN_PX_PER_MM), 3))
    marks = dict(crosses)
    for name, (lab, lets) in INKS.items():
        right, down = moved.get(name, (0.0, 0.0))
        share = laid_down(coverage(name), SIZE_MM, Lying(right_mm=right, down_mm=down),
                          _SCAN_PX_PER_MM)  # fmt: skip
        share = np.maximum(share, _crosses(share.shape, marks.get(name, ()), (right, down)))
        light = printed_over(light, share, linear_from_lab(lab), lets)
    return _scanned(light)


def _crosses(
    shape: tuple[int, ...], places: Sequence[tuple[float, float]], off: tuple[float, float]
) -> Light:
    y, x = (np.indices(shape[:2]) + 0.5) / _SCAN_PX_PER_MM
    out = np.zeros(shape[:2])
    for at_x, at_y in places:
        across, up = np.abs(x - at_x - off[0]), np.abs(y - at_y - off[1])
        for along, aside in ((across, up), (up, across)):
            edge = np.clip((_LINE_MM / 2 - aside) * _SCAN_PX_PER_MM + 0.5, 0.0, 1.0)
            out = np.maximum(out, edge * (along < _ARM_MM))
    return out


def _scanned(light: Light) -> bytes:
    """Return a print on its sheet as a scanner sees it, a little askew."""
    rng = np.random.default_rng(9)
    pad = round(_SHEET_MM * _SCAN_PX_PER_MM)
    sheet = np.pad(light * 0.97, ((pad, pad), (pad, pad), (0, 0)), constant_values=1.0) * _PAPER
    picture = Image.fromarray(np.round(255 * _encoded(sheet)).astype(np.uint8), "RGB")
    paper = tuple(int(each) for each in np.round(255 * _encoded(_PAPER)))
    turned = picture.rotate(0.4, resample=Image.Resampling.BICUBIC, fillcolor=paper)
    seen = np.asarray(turned, dtype=float) + rng.normal(0, 1.2, sheet.shape)
    out = io.BytesIO()
    Image.fromarray(np.clip(np.rint(seen), 0, 255).astype(np.uint8), "RGB").save(
        out, "JPEG", quality=92
    )
    return out.getvalue()


def _encoded(light: Light) -> Light:
    low = np.clip(light, 0, 1)
    return np.asarray(np.where(low <= 0.0031308, 12.92 * low, 1.055 * low ** (1 / 2.4) - 0.055))


def _png(light: Light) -> bytes:
    out = io.BytesIO()
    Image.fromarray(np.round(255 * _encoded(light)).astype(np.uint8), "L").save(out, "PNG")
    return out.getvalue()
