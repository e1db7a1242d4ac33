"""Scans of prints for the demo, drawn by code: a strip and two proofs, with grain and light."""

from __future__ import annotations

import io
from functools import lru_cache
from tempfile import NamedTemporaryFile

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter

from core.reading.read_patches import read_patches
from core.reading.shapes import ReadPatchesInput
from core.tone.lightness import reflectance_from_lightness

Map = NDArray[np.uint8]
Light = NDArray[np.float64]

PX_PER_MM = 6
SHEET_MM, MARGIN_MM = 22, 4
PAPER = np.array([0.985, 0.955, 0.90])
"""Red, green and blue light of the sheet over that of perfect white."""
PAPER_LIGHT, FALL, NOISE = 0.86, 0.09, 1.2
WIPED_LSTAR = 96.5
PATCH_MM = (14, 18)


def weighbridge_tones() -> Map:
    """Return the tone of each point of The Weighbridge, 0 paper to 5 darkest: 120 × 90 mm."""
    picture = Image.new("L", (120 * PX_PER_MM, 90 * PX_PER_MM), 5)
    pen = ImageDraw.Draw(picture)
    for radius, tone in ((230, 4), (170, 3), (120, 2), (80, 1)):
        pen.ellipse([500 - radius, 170 - radius, 500 + radius, 170 + radius], fill=tone)
    pen.polygon([(0, 330), (300, 300), (720, 320), (720, 540), (0, 540)], fill=4)
    pen.polygon([(0, 420), (720, 380), (720, 470), (0, 500)], fill=3)
    pen.polygon([(0, 490), (720, 460), (720, 540), (0, 540)], fill=2)
    pen.polygon([(60, 440), (60, 200), (160, 120), (260, 200), (260, 440)], fill=4)
    pen.rectangle([105, 230, 215, 320], fill=0)
    pen.rectangle([100, 340, 220, 420], fill=3)
    for x in (440, 480, 520):
        pen.ellipse([x, 380, x + 46, 430], fill=1)
    pen.ellipse([320, 130, 400, 210], fill=0)
    pen.rectangle([354, 210, 366, 440], fill=5)
    pen.rectangle([486, 100, 514, 200], fill=0)
    pen.rectangle([494, 200, 506, 400], fill=5)
    pen.rectangle([600, 330, 640, 450], fill=5)
    pen.ellipse([602, 292, 640, 332], fill=5)
    return np.asarray(picture)


def proof_scan(tones: Map, lstars: list[float], seed: int) -> bytes:
    """Return the scan of a proof as a JPEG: grain in each tone, plate tone, sheet all round."""
    rng = np.random.default_rng(seed)
    light = _grained(reflectance_from_lightness(np.array(lstars))[tones], rng)
    return _scanned(_on_sheet(light, 0), rng, turn=0.7)


@lru_cache(maxsize=4)
def strip_scan(lstars: tuple[float, ...], seed: int) -> bytes:
    """Return the scan of a strip as a JPEG: its patches in a row within the plate mark."""
    rng = np.random.default_rng(seed)
    wide, high = (side * PX_PER_MM for side in PATCH_MM)
    tones = np.repeat(np.arange(len(lstars)), wide)[None].repeat(high, axis=0)
    light = _grained(reflectance_from_lightness(np.array(lstars))[tones], rng)
    return _scanned(_on_sheet(light, MARGIN_MM), rng, turn=-1.1)


@lru_cache(maxsize=4)
def patches_in(data: bytes, count: int) -> list[list[tuple[float, float]]]:
    """Return the corners of each patch of a scan, as reading it finds them."""
    with NamedTemporaryFile(suffix=".jpg") as file:
        file.write(data)
        file.flush()
        found = read_patches(ReadPatchesInput(image=file.name, patches=count))
    return [patch.corners_px for patch in found.patches]


def _grained(light: Light, rng: np.random.Generator) -> Light:
    """Break light into ink and paper side by side whose mean it stays."""
    noise = Image.fromarray((rng.random(light.shape) * 255).astype(np.uint8), "L")
    soft = np.asarray(noise.filter(ImageFilter.GaussianBlur(0.8)), dtype=float)
    rank = (np.argsort(np.argsort(soft.ravel())) / soft.size).reshape(light.shape)
    paper, ink = np.minimum(0.95, light + 0.5 * (1 - light)), 0.45 * light
    return np.asarray(np.where(rank < (light - ink) / (paper - ink), paper, ink))


def _on_sheet(light: Light, margin_mm: float) -> Light:
    wiped = float(reflectance_from_lightness(WIPED_LSTAR))
    plate = np.pad(light, round(margin_mm * PX_PER_MM), constant_values=wiped)
    return np.pad(plate, SHEET_MM * PX_PER_MM, constant_values=1.0)


def _scanned(light: Light, rng: np.random.Generator, turn: float) -> bytes:
    """Return light as a scanner in a room sees it: a little turned, lighter on one side."""
    picture = Image.fromarray(np.asarray(light, dtype=np.float32), "F")
    turned = picture.rotate(turn, resample=Image.Resampling.BILINEAR, fillcolor=1.0)
    height, width = light.shape
    fall = 1 - FALL * (np.arange(width)[None] / width + 0.4 * np.arange(height)[:, None] / height)
    seen = np.asarray(turned, dtype=float) * fall * PAPER_LIGHT
    colours = seen[..., None] * PAPER
    value = np.where(colours <= 0.0031308, 12.92 * colours, 1.055 * colours ** (1 / 2.4) - 0.055)
    noisy = 255 * value + rng.normal(0, NOISE, value.shape)
    out = io.BytesIO()
    Image.fromarray(np.clip(np.rint(noisy), 0, 255).astype(np.uint8), "RGB").save(
        out, "JPEG", quality=90
    )
    return out.getvalue()
