"""Made-up close photographs of dust on a plate, their coverage known to the pixel."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from PIL import Image
from scipy import ndimage

METALS = {"copper": (0.72, 0.43, 0.31), "zinc": (0.60, 0.62, 0.64)}
DUSTS = {"amber": (0.80, 0.62, 0.30), "white": (0.86, 0.84, 0.78), "dark": (0.22, 0.15, 0.10)}
FINER = 3


@dataclass(frozen=True)
class Photograph:
    """An 8-bit RGB picture (h, w, 3), the share really covered, the grains drawn."""

    pixels: np.ndarray
    covered: float
    grains: int
    um_per_pixel: float

    def save(self, path):
        Image.fromarray(self.pixels).save(path)
        return str(path)


def _radii(rng, count, median):
    return np.exp(rng.normal(np.log(median), rng.uniform(0.15, 0.45), count))


def _blob(y, x, cy, cx, r, rng, kind):
    dy, dx = y - cy, x - cx
    if kind == "disc":
        return dy**2 + dx**2 <= r**2
    turn = np.arctan2(dy, dx)
    if kind == "oval":
        a, e = rng.uniform(0, np.pi), rng.uniform(0.6, 0.95)
        u, v = dx * np.cos(a) + dy * np.sin(a), -dx * np.sin(a) + dy * np.cos(a)
        return (u / e) ** 2 + (v * e) ** 2 <= r**2
    edge = 1 + sum(rng.uniform(0, 0.12) * np.cos(k * turn + rng.uniform(0, 6.3)) for k in (2, 3, 5))
    return dy**2 + dx**2 <= (r * edge) ** 2


def draw(rng, *, goal=None, lighter=None, metal=None, shaded=None, uneven=None):
    """Draw one photograph; what is not given is chosen by chance."""
    h, w = rng.integers(420, 700, 2)
    um = rng.uniform(2.5, 6.0)
    median = rng.uniform(14, 32) / um
    goal = rng.uniform(0.25, 0.72) if goal is None else goal
    kind = rng.choice(["disc", "oval", "lump"])
    H, W = h * FINER, w * FINER
    mask = np.zeros((H, W), bool)
    shade = np.zeros((H, W))
    grains = filled = 0
    yy, xx = np.mgrid[0:H, 0:W]
    light_way = rng.uniform(0, 2 * np.pi)
    apart = rng.random() < 0.5
    step = 0
    while filled < goal * mask.size and step < 40_000:
        step += 1
        r = float(_radii(rng, 1, median)[0]) * FINER
        cy, cx = rng.uniform(0, H), rng.uniform(0, W)
        box = (
            slice(max(0, int(cy - 1.6 * r)), min(H, int(cy + 1.6 * r) + 2)),
            slice(max(0, int(cx - 1.6 * r)), min(W, int(cx + 1.6 * r) + 2)),
        )
        y, x = yy[box], xx[box]
        blob = _blob(y, x, cy, cx, r, rng, kind)
        if apart and step < 20_000 and (mask[box] & blob).sum() > 0.15 * blob.sum():
            continue
        filled += int((blob & ~mask[box]).sum())
        mask[box] |= blob
        slope = ((x - cx) * np.cos(light_way) + (y - cy) * np.sin(light_way)) / r
        shade[box] = np.where(blob, slope, shade[box])
        grains += 1
    return _photograph(rng, mask, shade, grains, um, (h, w), lighter, metal, shaded, uneven)


def _photograph(rng, mask, shade, grains, um, size, lighter, metal, shaded, uneven):
    h, w = size
    metal = metal or rng.choice(["copper", "zinc"])
    lighter = bool(rng.random() < 0.6) if lighter is None else lighter
    base = np.array(METALS[metal])
    dust = np.array(DUSTS[rng.choice(["amber", "white"]) if lighter else "dark"])
    contrast = rng.uniform(0.5, 1.0)
    dust = base + contrast * (dust - base)
    if lighter and (dust.mean() - base.mean()) < 0.06:
        dust = base + rng.uniform(0.08, 0.2)
    covered = float(mask.mean())
    soft = mask.reshape(h, FINER, w, FINER).mean((1, 3))
    tilt = shade.reshape(h, FINER, w, FINER).mean((1, 3))
    shaded = rng.uniform(0, 0.10) if shaded is None else shaded
    picture = base + soft[..., None] * (dust - base)
    picture *= 1 + shaded * (tilt * soft)[..., None]
    streaks = ndimage.gaussian_filter(rng.normal(0, 1, (h, w)), (0.6, 25))
    picture *= 1 + (rng.uniform(0, 0.05) * streaks / streaks.std() * (1 - soft))[..., None]
    grime = ndimage.gaussian_filter(rng.normal(0, 1, (h, w)), 3)
    picture *= 1 + (rng.uniform(0, 0.04) * grime / grime.std() * soft)[..., None]
    picture *= _light(rng, h, w, uneven)[..., None]
    picture = ndimage.gaussian_filter(picture, (*[rng.uniform(0.4, 1.3)] * 2, 0))
    picture += rng.normal(0, rng.uniform(0.005, 0.03), picture.shape)
    encoded = np.clip(picture, 0, 1) ** (1 / 2.2)
    return Photograph((encoded * 255).round().astype(np.uint8), covered, grains, um)


def _light(rng, h, w, uneven):
    uneven = rng.uniform(0, 0.45) if uneven is None else uneven
    y, x = np.mgrid[-1 : 1 : h * 1j, -1 : 1 : w * 1j]
    way = rng.uniform(0, 2 * np.pi)
    slope = (x * np.cos(way) + y * np.sin(way)) / 1.4
    falloff = (x - rng.uniform(-0.5, 0.5)) ** 2 + (y - rng.uniform(-0.5, 0.5)) ** 2
    return 0.95 * (1 + uneven * slope) * (1 - 0.35 * uneven * falloff)
