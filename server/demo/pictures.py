"""Pictures of the demo, drawn by code: a value study in six tones, and proofs with grain."""

from __future__ import annotations

import io

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter

from core.tone.lightness import reflectance_from_lightness

WIDTH, HEIGHT = 1200, 900
MARGIN_PX = 90
PAPER_RGB = (250, 246, 236)
Map = NDArray[np.uint8]


def lantern_row_tones() -> Map:
    """Return the tone of each pixel, 0 paper to 5 darkest: (HEIGHT, WIDTH)."""
    picture = Image.new("L", (WIDTH, HEIGHT), 5)
    pen = ImageDraw.Draw(picture)
    _sky_and_quay(pen)
    _halos(pen)
    _roofs(pen)
    _stalls(pen)
    _lanterns(pen)
    _people(pen)
    return np.asarray(picture)


def _sky_and_quay(pen: ImageDraw.ImageDraw) -> None:
    horizon = [(0, 300), (220, 250), (480, 285), (760, 225), (1000, 270), (1200, 240)]
    pen.polygon([*horizon, (1200, 900), (0, 900)], fill=4)
    pen.polygon([(0, 600), (1200, 560), (1200, 900), (0, 900)], fill=3)
    for i in range(9):
        y = 640 + i * 27
        pen.line([(40 + 37 * i, y), (300 + 61 * i, y + 6)], fill=2, width=9)
    pen.polygon([(420, 590), (770, 575), (930, 900), (300, 900)], fill=2)


def _lights() -> list[tuple[int, int, int]]:
    return [(130, 175, 44), (345, 235, 52), (600, 190, 74), (855, 240, 54), (1075, 165, 46)]


def _halos(pen: ImageDraw.ImageDraw) -> None:
    for x, y, r in _lights():
        pen.ellipse([x - 2.3 * r, y - 2.3 * r, x + 2.3 * r, y + 2.3 * r], fill=3)
    for x, y, r in _lights():
        pen.ellipse([x - 1.6 * r, y - 1.6 * r, x + 1.6 * r, y + 1.6 * r], fill=1)


def _roofs(pen: ImageDraw.ImageDraw) -> None:
    for x, w, top in ((40, 230, 330), (930, 240, 310)):
        pen.polygon(
            [(x, 470), (x, top + 60), (x + w / 2, top - 20), (x + w, top + 60), (x + w, 470)],
            fill=5,
        )
        pen.rectangle([x + 50, top + 80, x + 85, top + 115], fill=2)
        pen.rectangle([x + 140, top + 80, x + 175, top + 115], fill=2)


def _stalls(pen: ImageDraw.ImageDraw) -> None:
    for x0, x1 in ((40, 430), (760, 1160)):
        stripe = (x1 - x0) / 9
        for i in range(9):
            left = x0 + i * stripe
            pen.polygon(
                [
                    (left, 545),
                    (left + stripe, 545),
                    (left + stripe * 0.85 + 9, 460),
                    (left + 9, 460),
                ],
                fill=0 if i % 2 else 2,
            )
        pen.rectangle([x0 + 14, 548, x1 - 14, 660], fill=5)
        pen.rectangle([x0 + 6, 655, x1 - 6, 760], fill=4)
        for i in range(6):
            cx = x0 + 50 + i * 58
            pen.ellipse([cx - 19, 626, cx + 19, 664], fill=1)


def _lanterns(pen: ImageDraw.ImageDraw) -> None:
    points = [(0, 100), *[(x, y - r) for x, y, r in _lights()], (1200, 90)]
    pen.line(points, fill=5, width=4)
    for x, y, r in _lights():
        pen.ellipse([x - 0.82 * r, y - r, x + 0.82 * r, y + r], fill=0)
        pen.rectangle([x - 0.4 * r, y - 1.12 * r, x + 0.4 * r, y - 0.9 * r], fill=5)
        pen.rectangle([x - 0.4 * r, y + 0.9 * r, x + 0.4 * r, y + 1.12 * r], fill=5)


def _people(pen: ImageDraw.ImageDraw) -> None:
    for x, y, s in ((520, 620, 1.0), (600, 600, 1.15), (690, 640, 0.85), (880, 560, 0.9)):
        pen.ellipse([x - 22 * s, y - 112 * s, x + 22 * s, y - 66 * s], fill=5)
        pen.polygon(
            [(x - 40 * s, y + 110 * s), (x - 30 * s, y - 70 * s), (x + 30 * s, y - 70 * s),
             (x + 42 * s, y + 110 * s)],
            fill=5,
        )  # fmt: skip


def shares(tones: Map) -> list[float]:
    """Return the share of the plate that each tone takes, from paper to the darkest."""
    return [float(np.mean(tones == tone)) for tone in range(6)]


def value_study(tones: Map, lstars: list[float]) -> bytes:
    """Return the study as a PNG in flat tones."""
    grey = _srgb(np.array(lstars))[tones]
    return _png(Image.fromarray(grey.astype(np.uint8), "L"))


def proof(tones: Map, lstars: list[float], *, rng: np.random.Generator) -> bytes:
    """Return a proof as a JPEG: tones broken into grain, on a sheet with its margin."""
    y = reflectance_from_lightness(np.array(lstars))[tones]
    return _on_sheet(_grained(y, rng))


def line_proof(tones: Map, *, rng: np.random.Generator) -> bytes:
    """Return a proof of the lines alone: the edges of the tones, etched."""
    edges = Image.fromarray((tones * 40).astype(np.uint8), "L").filter(ImageFilter.FIND_EDGES)
    lines = np.asarray(edges.filter(ImageFilter.GaussianBlur(1.1))) > 18
    y = np.where(lines, 0.06, 0.84) + rng.normal(0, 0.012, tones.shape)
    return _on_sheet(np.clip(y, 0.02, 1.0))


def rain_lines(rng: np.random.Generator) -> Map:
    """Return a drawing in lines, 1 where a line is: awnings under slanting rain, two strengths."""
    picture = Image.new("L", (WIDTH, HEIGHT), 0)
    pen = ImageDraw.Draw(picture)
    for left, right, top in ((60, 520, 420), (640, 1140, 380)):
        for i in range(12):
            x = left + (right - left) * i / 11
            pen.line([(x, top), (x - 40, top + 150)], fill=1, width=3)
        pen.line([(left, top), (right, top), (right - 40, top + 150), (left - 40, top + 150)],
                 fill=1, width=4)  # fmt: skip
        for y in range(top + 190, 820, 26):
            pen.line([(left, y), (right - 60, y + 6)], fill=1, width=2)
    for _ in range(260):
        _stroke(pen, rng, (20, 60), 1)
    for _ in range(46):
        _stroke(pen, rng, (90, 210), 5)
    return np.asarray(picture)


def _stroke(
    pen: ImageDraw.ImageDraw, rng: np.random.Generator, long: tuple[int, int], width: int
) -> None:
    x, y, length = rng.uniform(-60, WIDTH), rng.uniform(-40, HEIGHT), rng.uniform(*long)
    pen.line([(x, y), (x - length * 0.25, y + length)], fill=1, width=width)


def as_png(lines: Map) -> bytes:
    """Return a drawing in lines as a PNG, black on white."""
    return _png(Image.fromarray(np.where(lines > 0, 30, 246).astype(np.uint8), "L"))


def on_sheet(lines: Map, rng: np.random.Generator) -> bytes:
    """Return a proof of a drawing in lines as a JPEG."""
    return _on_sheet(np.clip(np.where(lines > 0, 0.07, 0.86) + rng.normal(0, 0.012, lines.shape),
                             0.02, 1.0))  # fmt: skip


def _grained(y: NDArray[np.float64], rng: np.random.Generator) -> NDArray[np.float64]:
    """Break tones into grain whose mean stays the tone."""
    noise = Image.fromarray((rng.random(y.shape) * 255).astype(np.uint8), "L")
    soft = np.asarray(noise.filter(ImageFilter.GaussianBlur(1.6)), dtype=float)
    rank = (np.argsort(np.argsort(soft.ravel())) / soft.size).reshape(y.shape)
    light, dark = np.minimum(0.92, y + 0.42 * (1 - y)), np.maximum(0.02, 0.45 * y)
    share = (y - dark) / np.maximum(light - dark, 1e-6)
    return np.asarray(np.where(rank < share, light, dark))


def _on_sheet(y: NDArray[np.float64]) -> bytes:
    tone = np.cbrt(np.clip(y, 0, 1))[..., None]
    ink = np.array([27.0, 23.0, 20.0])
    rgb = ink + (np.array(PAPER_RGB) - ink) * np.clip((tone - 0.25) / 0.75, 0, 1)
    sheet = Image.new("RGB", (WIDTH + 2 * MARGIN_PX, HEIGHT + 2 * MARGIN_PX), PAPER_RGB)
    pen = ImageDraw.Draw(sheet)
    inner = MARGIN_PX - 10
    pen.rectangle(
        [inner, inner, WIDTH + 2 * MARGIN_PX - inner, HEIGHT + 2 * MARGIN_PX - inner],
        fill=(242, 236, 222), outline=(214, 202, 180), width=3,
    )  # fmt: skip
    sheet.paste(Image.fromarray(rgb.astype(np.uint8), "RGB"), (MARGIN_PX, MARGIN_PX))
    out = io.BytesIO()
    sheet.save(out, "JPEG", quality=86)
    return out.getvalue()


def _srgb(lstar: NDArray[np.float64]) -> NDArray[np.float64]:
    y = reflectance_from_lightness(lstar)
    return np.asarray(255 * np.where(y <= 0.0031308, 12.92 * y, 1.055 * y ** (1 / 2.4) - 0.055))


def _png(picture: Image.Image) -> bytes:
    out = io.BytesIO()
    picture.save(out, "PNG", optimize=True)
    return out.getvalue()
