"""Prints from several plates, simulated: dots of ink over dots of ink, growth of paper, a scan.

Written apart from the core: light is followed pixel by pixel through whole films, never by shares.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

import cv2
import numpy as np
from PIL import Image

PAPER = np.array([0.93, 0.91, 0.86])
LINE_MM = 0.35


@dataclass
class SimPlate:
    """A plate as it prints: what it covers at each place [mm], its ink, how it lies."""

    name: str
    covers: Callable[[np.ndarray, np.ndarray], np.ndarray]
    rgb: np.ndarray
    """Linear light of its solid ink over the paper's."""
    lets: float
    right: float = 0.0
    down: float = 0.0
    turn: float = 0.0
    """Clockwise [rad]."""
    wider: float = 0.0
    higher: float = 0.0
    crosses: list[tuple[float, float]] = field(default_factory=list)
    arm: float = 3.0

    def own(self, x, y, size):
        """Return the plate's own places of places on the print."""
        cx, cy = size[0] / 2, size[1] / 2
        u, v = x - cx - self.right, y - cy - self.down
        c, s = np.cos(self.turn), np.sin(self.turn)
        return (c * u + s * v) / (1 + self.wider) + cx, (-s * u + c * v) / (1 + self.higher) + cy

    def share(self, x, y, size):
        """Return the share covered at places of the print, crosses solid."""
        px, py = self.own(x, y, size)
        inside = (px >= 0) & (px <= size[0]) & (py >= 0) & (py <= size[1])
        out = np.where(inside, self.covers(px, py), 0.0)
        for at_x, at_y in self.crosses:
            level = (np.abs(py - at_y) < LINE_MM / 2) & (np.abs(px - at_x) < self.arm)
            upright = (np.abs(px - at_x) < LINE_MM / 2) & (np.abs(py - at_y) < self.arm)
            out = np.where(level | upright, 1.0, out)
        return out


def light_at(plates, x, y, size, rng):
    """Return light over the paper's: each place is inked by each plate, or is not."""
    light = np.ones((*x.shape, 3))
    for plate in plates:
        inked = rng.random(x.shape) < plate.share(x, y, size)
        through = plate.rgb * ((1 - plate.lets) + plate.lets * light)
        light = np.where(inked[..., None], through, light)
    return light


def encode(light):
    low = np.clip(light, 0, 1)
    return np.where(low <= 0.0031308, 12.92 * low, 1.055 * low ** (1 / 2.4) - 0.055)


def scanned(plates, size, path, *, dpi=300, turned=0.006, scale=1.002, rng=None, noise=0.006):
    """Write a scan of a print lying a little askew, its sheet 18 mm larger all round."""
    rng = rng or np.random.default_rng(1)
    per_mm, margin, fine = dpi / 25.4 * scale, 18.0, 2
    wide, high = (int((side + 2 * margin) * per_mm) for side in size)
    c, s = np.cos(turned), np.sin(turned)
    cx, cy = wide / 2, high / 2
    total = np.zeros((high, wide, 3))
    yy, xx = np.mgrid[0:high, 0:wide].astype(float)
    for i in range(fine):
        for j in range(fine):
            px, py = xx + (i + 0.5) / fine - cx, yy + (j + 0.5) / fine - cy
            x = (c * px + s * py) / per_mm + size[0] / 2
            y = (-s * px + c * py) / per_mm + size[1] / 2
            inside = (x >= 0) & (x < size[0]) & (y >= 0) & (y < size[1])
            light = light_at(plates, x, y, size, rng)
            # a wiped plate leaves a breath of ink: that is the plate mark
            total += np.where(inside[..., None], light * 0.965, 1.0)
    seen = total / fine**2 * PAPER
    seen = cv2.GaussianBlur(seen, (0, 0), 0.6) + rng.normal(0, noise, seen.shape)
    Image.fromarray(np.round(encode(seen) * 255).astype(np.uint8)).save(path)
    return str(path)


def picture_of(plate, size, path, per_mm=8.0):
    """Write what a plate prints alone, in greys: dark is ink."""
    y, x = (np.mgrid[0 : int(size[1] * per_mm), 0 : int(size[0] * per_mm)] + 0.5) / per_mm
    grey = encode(1 - plate.covers(x, y))
    Image.fromarray(np.round(grey * 255).astype(np.uint8)).save(path)
    return str(path)


def soft(value):
    """Return 0 to 1 over one millimetre."""
    return np.clip(value + 0.5, 0.0, 1.0)


def disc(cx, cy, r, share):
    return lambda x, y: share * soft(r - np.hypot(x - cx, y - cy))


def band(y0, y1, share, x0=-1e9, x1=1e9):
    return lambda x, y: share * soft(y - y0) * soft(y1 - y) * soft(x - x0) * soft(x1 - x)


def stripes(y0, y1, gap, share, x0=0.0, x1=1e9):
    return lambda x, y: share * band(y0, y1, 1.0, x0, x1)(x, y) * (np.sin(x / gap * np.pi) > 0.2)


def together(*parts):
    return lambda x, y: np.clip(np.max([part(x, y) for part in parts], axis=0), 0, 1)


def marks_of(size, place, gap=9.0, edge=5.0):
    """Return where the crosses of the plate at a place in the row stand."""
    x = edge + 1 + gap * place
    return [(x, edge), (size[0] - x, edge), (x, size[1] - edge), (size[0] - x, size[1] - edge)]


SIZE = (120.0, 90.0)


def awnings(size=SIZE):
    """Return four plates: grey, ochre, blue and a key, in the order they are printed."""
    w, h = size
    inner = (12.0, h - 12.0)
    key = SimPlate(
        "Key",
        together(
            stripes(h * 0.4, h * 0.6, 5, 0.7, w * 0.15, w * 0.85),
            disc(w * 0.3, h * 0.27, 8, 0.5),
            band(h * 0.7, h * 0.78, 0.8, w * 0.2, w * 0.8),
        ),
        np.array([0.02, 0.019, 0.018]),
        0.02,
    )
    ochre = SimPlate(
        "Ochre",
        together(
            disc(w * 0.3, h * 0.27, 9, 0.85),
            disc(w * 0.72, h * 0.27, 7, 0.6),
            stripes(h * 0.4, h * 0.6, 9, 0.8, w * 0.2, w * 0.8),
        ),
        np.array([0.55, 0.30, 0.045]),
        0.6,
    )
    blue = SimPlate(
        "Blue",
        together(band(inner[0], h * 0.4, 0.45), band(h * 0.78, inner[1], 0.7)),
        np.array([0.07, 0.18, 0.42]),
        0.85,
    )
    grey = SimPlate(
        "Grey",
        together(band(h * 0.6, h * 0.7, 0.5, w * 0.15, w * 0.85), disc(w * 0.1, h * 0.5, 8, 0.6)),
        np.array([0.2, 0.2, 0.21]),
        0.4,
    )
    plates = [grey, ochre, blue, key]
    for place, each in enumerate((key, ochre, blue, grey)):
        each.crosses = marks_of(size, place)
    return plates
