"""Scans of printed strips, drawn by code: grain, a wiped margin, the sheet, uneven light."""

from dataclasses import dataclass, field

import cv2
import numpy as np

from core.tone.lightness import reflectance_from_lightness

TINT = (0.90, 0.955, 0.985)
"""Of the paper: blue, green, red light over that of perfect white."""


@dataclass
class Scan:
    """A scan, and what is true of it."""

    picture: np.ndarray
    lstars: list[float]
    corners: np.ndarray
    """Of the row: clockwise from the top left of its first patch [px]."""


@dataclass
class Strip:
    """A strip as it is printed, before it is scanned."""

    lstars: list[float]
    patch_px: int = 130
    high_px: int = 150
    gap_px: int = 0
    margin_px: int = 34
    sheet_px: int = 140
    margin_lstar: float = 96.5
    grain_px: float = 0.9
    smooth: bool = False
    widths: list[int] = field(default_factory=list)
    """Of each patch, where they are unequal."""


def grained(lstar, shape, grain_px, rng):
    """Light of ink and paper side by side whose mean is the tone's."""
    wanted = float(reflectance_from_lightness(lstar))
    paper, ink = min(1.0, wanted + 0.6 * (1 - wanted)), 0.35 * wanted
    spots = cv2.GaussianBlur(rng.normal(size=shape).astype(np.float32), (0, 0), grain_px)
    bare = (wanted - ink) / (paper - ink)
    limit = np.quantile(spots, 1 - bare)
    light = np.where(spots > limit, paper, ink).astype(np.float32)
    return light * np.float32(wanted / light.mean())


def printed_strip(strip: Strip, rng):
    """Light over bare paper, and the row's corners: (height, width), (4, 2)."""
    widths = strip.widths or [strip.patch_px] * len(strip.lstars)
    long = sum(widths) + strip.gap_px * (len(widths) - 1)
    around = strip.sheet_px + strip.margin_px
    height, width = strip.high_px + 2 * around, long + 2 * around
    light = np.ones((height, width), np.float32)
    inside = slice(strip.sheet_px, -strip.sheet_px)
    light[inside, inside] = reflectance_from_lightness(strip.margin_lstar)
    x = around
    for lstar, wide in zip(strip.lstars, widths, strict=True):
        part = (strip.high_px, wide)
        tone = (
            np.full(part, reflectance_from_lightness(lstar), np.float32)
            if strip.smooth else grained(lstar, part, strip.grain_px, rng)
        )  # fmt: skip
        light[around : around + strip.high_px, x : x + wide] = tone
        x += wide + strip.gap_px
    right, low = around + long, around + strip.high_px
    return light, np.float32([[around, around], [right, around], [right, low], [around, low]])


def scanned(light, corners, rng, *, uneven=0.15, turn=2.0, aslant=0.02, noise=1.5, quality=85,
            tint=TINT, paper=0.86, shade=None, blur=0.0, gain=1.0):  # fmt: skip
    """A scan of printed light: (picture in sRGB, blue first; corners as they lie in it)."""
    height, width = light.shape
    middle = np.float32([width / 2, height / 2])
    edge = np.float32([[0, 0], [width, 0], [width, height], [0, height]])
    angle = np.deg2rad(turn)
    turned = (edge - middle) @ np.float32(
        [[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]]
    ) + middle
    moved = turned + rng.uniform(-aslant, aslant, (4, 2)) * min(width, height)
    warp = cv2.getPerspectiveTransform(edge, moved.astype(np.float32))
    seen = cv2.warpPerspective(light, warp, (width, height), borderValue=1.0)
    across = np.linspace(-1, 1, width)[None] * rng.uniform(-1, 1)
    down = np.linspace(-1, 1, height)[:, None] * rng.uniform(-1, 1)
    fall = across + down
    fall = 1 + uneven * (fall - fall.min()) / np.ptp(fall) - uneven
    seen = seen * fall * paper * gain
    if shade is not None:
        seen = seen * shade(seen.shape)
    if blur:
        seen = cv2.GaussianBlur(seen.astype(np.float32), (0, 0), blur)
    colours = encoded(seen[..., None] * np.float32(tint))
    colours = colours + rng.normal(0, noise, colours.shape)
    picture = np.clip(np.rint(colours), 0, 255).astype(np.uint8)
    if quality:
        picture = cv2.imdecode(
            cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, quality])[1], 1
        )
    return picture, cv2.perspectiveTransform(corners[None], warp)[0]


def encoded(light):
    """sRGB values of linear light."""
    return 255 * np.where(
        light <= 0.0031308, 12.92 * light, 1.055 * np.abs(light) ** (1 / 2.4) - 0.055
    )


def any_strip(rng, **kept):
    """A strip of 5 to 9 patches, as they are bitten: lighter to darker."""
    count = int(rng.integers(5, 10))
    steps = np.sort(rng.uniform(0, 1, count - 2))
    tones = 92 - 74 * np.concatenate([[0], np.clip(steps + rng.normal(0, 0.02, count - 2), 0, 1),
                                      [1]])  # fmt: skip
    facts = {
        "patch_px": int(rng.integers(90, 180)), "high_px": int(rng.integers(90, 220)),
        "gap_px": int(rng.choice([0, 0, 8, 20])), "margin_px": int(rng.integers(15, 60)),
        "sheet_px": int(rng.integers(60, 200)), "margin_lstar": float(rng.uniform(94, 98.5)),
        "grain_px": float(rng.uniform(0.5, 1.5)), "smooth": bool(rng.random() < 0.2),
    }  # fmt: skip
    return Strip([float(t) for t in tones], **(facts | kept))


def any_scan(rng, strip=None, **how):
    """A scan of any strip, lying as it happens to."""
    strip = strip or any_strip(rng)
    light, corners = printed_strip(strip, rng)
    how = {"turn": rng.uniform(-2, 2)} | how
    picture, corners = scanned(light, corners, rng, **how)
    return Scan(picture, strip.lstars, corners)


@dataclass
class Proof:
    """A scan of a proof, the labels of its plate as it prints, and the true tone of each."""

    picture: np.ndarray
    labels: np.ndarray
    lstars: list[float]


def any_labels(rng, shape=(600, 800), tones=5):
    """A drawing of a few large shapes, the darkest behind: (height, width)."""
    height, width = shape
    labels = np.full(shape, tones, np.uint8)
    for tone in [*range(tones - 1, 0, -1), *rng.integers(1, tones, 6)]:
        kind = rng.integers(3)
        x, y = int(rng.integers(width)), int(rng.integers(height))
        a, b = (int(rng.integers(height // 8, height // 3)) for _ in range(2))
        if kind == 0:
            cv2.ellipse(labels, (x, y), (a, b), float(rng.uniform(0, 180)), 0, 360, int(tone), -1)
        elif kind == 1:
            cv2.rectangle(labels, (x, y), (x + 2 * a, y + b), int(tone), -1)
        else:
            points = rng.integers(-b, b, (3, 2)) * 2 + (x, y)
            cv2.fillPoly(labels, [points.astype(np.int32)], int(tone))
    return labels


def any_proof(rng, lstars=None, labels=None, sheet_px=110, **how):
    """A scan of a proof: grain in each shape, the sheet around, plate tone where it is white."""
    lstars = lstars or [90.0, 74.0, 58.0, 41.0, 24.0]
    labels = any_labels(rng, tones=len(lstars)) if labels is None else labels
    printed = np.ones(labels.shape, np.float32)
    for label, lstar in enumerate(lstars, start=1):
        tone = grained(lstar, labels.shape, 0.9, rng)
        printed[labels == label] = tone[labels == label]
    light = np.pad(printed, sheet_px, constant_values=1.0)
    how = {"turn": rng.uniform(-2, 2), "quality": 0} | how
    picture, _ = scanned(light, np.zeros((4, 2), np.float32), rng, **how)
    return Proof(picture, labels, lstars)
