"""Pictures for the tests of studies, written by code."""

import cv2
import numpy as np
from PIL import Image

from core.study.shapes import StudyCut
from core.tone.lightness import reflectance_from_lightness


def srgb(lstar):
    """Grey value of L*."""
    y = reflectance_from_lightness(np.asarray(lstar, float))
    return np.rint(255 * np.where(y <= 0.0031308, 12.92 * y, 1.055 * y ** (1 / 2.4) - 0.055))


def save(path, pixels, **more):
    Image.fromarray(np.asarray(pixels, np.uint8)).save(path, **more)
    return str(path)


def bands(lstars, shape=(300, 400)):
    """Flat bands side by side, in grey values."""
    edges = np.linspace(0, shape[1], len(lstars) + 1).astype(int)
    out = np.zeros(shape)
    for lstar, a, b in zip(lstars, edges[:-1], edges[1:], strict=True):
        out[:, a:b] = srgb(lstar)
    return out.astype(np.uint8)


def clouds(seed=1, shape=(300, 400)):
    """Soft greys of every kind."""
    noise = np.random.default_rng(seed).random(shape).astype(np.float32)
    soft = cv2.GaussianBlur(noise, (0, 0), 14)
    return np.asarray(cv2.normalize(soft, None, 0, 255, cv2.NORM_MINMAX), np.uint8)


def letter(shape=(300, 400)):
    """A dark F at the left of white paper, nothing at the right."""
    out = np.full(shape, 255, np.uint8)
    out[60:240, 40:70] = 0
    out[60:90, 40:140] = 0
    out[130:160, 40:115] = 0
    return out


def cut(**more):
    """Four tones of which the lightest is left white."""
    given = {
        "lightest_lstar": 94, "darkest_lstar": 20, "tones_lstar": [93.5, 70, 45, 22],
        "bounds_lstar": [82, 58, 33],
    }  # fmt: skip
    return StudyCut.model_validate(given | more)
