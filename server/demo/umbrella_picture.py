"""The picture of Paper Umbrellas, drawn by code, and its print: continuous greys, no steps."""

from __future__ import annotations

import io
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter

from core.tone.lightness import reflectance_from_lightness

Tones = NDArray[np.float64]
"""Lightness [L*] of each pixel."""

PX_PER_MM = 7
WIDTH, HEIGHT = 210 * PX_PER_MM, 148 * PX_PER_MM
HORIZON = 690
UMBRELLAS = (
    (250, 470, 190, 74.0), (560, 400, 235, 88.0), (905, 455, 205, 66.0), (1225, 420, 215, 82.0),
    (760, 560, 120, 92.0), (420, 585, 105, 58.0),
)  # fmt: skip
"""Middle and rim [px], half its width [px], how light its paper is [L*]."""
RIBS = 9
SHEET_MM = 20


@lru_cache(maxsize=1)
def umbrella_tones() -> Tones:
    """Return the picture: lanterns over a quay in the evening, paper umbrellas, wet stone."""
    light = _sky()
    light = _paint(light, _houses(), 20.0)
    light = _glow(light)
    for x, rim, half, paper in UMBRELLAS:
        light = _umbrella(light, x, rim, half, paper)
    light = _wet(light)
    stray = np.random.default_rng(8).normal(0, 1.0, light.shape)
    return np.clip(light + stray, 2.0, 99.0)


def _sky() -> Tones:
    down = np.linspace(0, 1, HEIGHT)[:, None]
    across = np.linspace(0, 1, WIDTH)[None]
    return np.asarray(34 + 30 * down - 9 * np.cos(5 * across + 2 * down) * (1 - down))


def _mask(draw: list[tuple[str, list[tuple[float, float]]]], soft: float = 1.2) -> Tones:
    picture = Image.new("L", (WIDTH, HEIGHT), 0)
    pen = ImageDraw.Draw(picture)
    for kind, points in draw:
        if kind == "polygon":
            pen.polygon(points, fill=255)
        elif kind == "line":
            pen.line(points, fill=255, width=4)
        else:
            pen.ellipse([*points[0], *points[1]], fill=255)
    return np.asarray(picture.filter(ImageFilter.GaussianBlur(soft)), dtype=float) / 255


def _paint(light: Tones, where: Tones, lstar: Tones | float) -> Tones:
    return np.asarray(light * (1 - where) + lstar * where)


def _houses() -> Tones:
    roofs = [(0, 330), (120, 250), (230, 330), (230, 420), (340, 420), (430, 340), (520, 420),
             (520, 520), (900, 520), (900, 410), (1010, 320), (1120, 410), (1230, 410),
             (1350, 270), (1470, 370), (1470, HORIZON + 40), (0, HORIZON + 40)]  # fmt: skip
    return _mask([("polygon", [(float(x), float(y)) for x, y in roofs])], 2.0)


def _glow(light: Tones) -> Tones:
    """Lanterns on a wire, and what they throw on the evening."""
    y, x = np.mgrid[0:HEIGHT, 0:WIDTH].astype(float)
    for place, middle in enumerate(np.linspace(90, WIDTH - 90, 8)):
        top = 130 + 38 * np.sin(place * 1.3)
        away = np.hypot(x - middle, (y - top) * 1.1)
        light = light + 52 * np.exp(-((away / 92) ** 1.4))
        lantern = _mask([("ellipse", [(middle - 26, top - 30), (middle + 26, top + 30)])], 1.5)
        light = _paint(light, lantern, 97.0)
    return light


def _umbrella(light: Tones, x: float, rim: float, half: float, paper: float) -> Tones:
    """A dome of paper on ribs, darker toward its rim, a figure under it."""
    high = half * 0.62
    angles = np.linspace(np.pi, 2 * np.pi, 60)
    dome = [(x + half * np.cos(a), rim + high * np.sin(a)) for a in angles]
    scallops = [
        (x + half * (1 - 2 * t), rim + 16 * abs(np.sin(t * RIBS * np.pi)))
        for t in np.linspace(0, 1, 90)
    ]
    cover = _mask([("polygon", [*dome, *scallops])])
    yy, xx = np.mgrid[0:HEIGHT, 0:WIDTH].astype(float)
    round_ = np.clip((xx - x) / half, -1, 1)
    fall = np.clip((rim - yy) / high, -0.2, 1)
    folds = 4 * np.cos(round_ * RIBS * np.pi)
    tone = paper - 30 * round_**2 - 26 * (1 - fall) ** 2 + folds * (1 - 0.6 * fall)
    figure = _mask([
        ("ellipse", [(x - half * 0.12, rim + 30), (x + half * 0.12, rim + 30 + half * 0.3)]),
        ("polygon", [(x - half * 0.2, rim + half * 0.3), (x + half * 0.2, rim + half * 0.3),
                     (x + half * 0.28, rim + half * 1.7), (x - half * 0.28, rim + half * 1.7)]),
    ])  # fmt: skip
    stick = _mask([("line", [(x, rim - high), (x, rim + half)])], 0.8)
    ribs = _mask([
        ("line", [(x, rim - high), (x + half * (2 * k / RIBS - 1), rim)]) for k in range(RIBS + 1)
    ], 0.7)  # fmt: skip
    light = _paint(light, figure, 9.0)
    light = _paint(light, stick, 12.0)
    light = _paint(light, cover, tone)
    return _paint(light, ribs * cover * 0.6, tone - 22)


def _wet(light: Tones) -> Tones:
    """What stands above the quay, seen again in the wet stone."""
    rows = np.arange(HEIGHT - HORIZON)
    mirror = np.clip(HORIZON - 1 - np.round(rows * 1.25).astype(int), 0, HEIGHT - 1)
    ripple = np.round(9 * np.sin(rows / 6.0)).astype(int)
    seen = np.stack([np.roll(light[row], by) for row, by in zip(mirror, ripple, strict=True)])
    fade = np.linspace(0.72, 0.3, len(rows))[:, None]
    wet = light.copy()
    quay = 40 - 16 * np.linspace(0, 1, len(rows))[:, None]
    before = light[HORIZON:]
    figures = before < 16
    wet[HORIZON:] = np.where(figures, before, seen * fade + quay * (1 - fade))
    return wet


@lru_cache(maxsize=1)
def picture_png() -> bytes:
    """Return the picture as a grey PNG."""
    out = io.BytesIO()
    grey = np.rint(_srgb(reflectance_from_lightness(umbrella_tones())))
    Image.fromarray(grey.astype(np.uint8), "L").save(out, "PNG", optimize=True)
    return out.getvalue()


@lru_cache(maxsize=4)
def print_jpeg(lightest: float, darkest: float, seed: int) -> bytes:
    """Return a proof on its sheet as a JPEG: the plate's reach, in random dots."""
    rng = np.random.default_rng(seed)
    printed = darkest + (lightest - darkest) * umbrella_tones() / 100
    light = _dotted(reflectance_from_lightness(printed), rng)
    margin = SHEET_MM * PX_PER_MM
    mark = np.pad(light, 28, constant_values=float(reflectance_from_lightness(lightest)))
    sheet = np.pad(mark, margin, constant_values=0.90)
    paper = np.array([0.99, 0.965, 0.91])
    rgb = _srgb(sheet[..., None] * paper) + rng.normal(0, 1.0, (*sheet.shape, 3))
    out = io.BytesIO()
    Image.fromarray(np.clip(np.rint(rgb), 0, 255).astype(np.uint8), "RGB").save(
        out, "JPEG", quality=84
    )
    return out.getvalue()


def _dotted(light: Tones, rng: np.random.Generator) -> Tones:
    """Break greys into fine random dots whose mean stays."""
    noise = Image.fromarray((rng.random(light.shape) * 255).astype(np.uint8), "L")
    soft = np.asarray(noise.filter(ImageFilter.GaussianBlur(0.7)), dtype=float)
    rank = (np.argsort(np.argsort(soft.ravel())) / soft.size).reshape(light.shape)
    paper, ink = np.minimum(0.92, light + 0.35 * (1 - light)), 0.6 * light
    return np.asarray(np.where(rank < (light - ink) / np.maximum(paper - ink, 1e-6), paper, ink))


def _srgb(light: Tones) -> Tones:
    light = np.clip(light, 0, 1)
    return np.asarray(
        255 * np.where(light <= 0.0031308, 12.92 * light, 1.055 * light ** (1 / 2.4) - 0.055)
    )
