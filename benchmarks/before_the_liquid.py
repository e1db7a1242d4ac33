"""Dust counted, and sheets laid out, against the bare call that does the least part of the same."""

from __future__ import annotations

import os
import sys
import time
from pathlib import Path

os.environ["OPENBLAS_NUM_THREADS"] = "1"
sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

import numpy as np
from scipy import ndimage

from core.image.dust_coverage import measure_dust
from core.image.picture import open_picture
from core.prepare.cut_sheet import cut_sheet
from core.prepare.shapes import CutSheetInput
from tests.core.prepare.test_prepare import greedy_shelves, random_sheet
from tests.simulator.grain import draw

SHEETS = 50


def bare_count(rgb: np.ndarray) -> float:
    """Blur, cut at the mean, label: one light, one polarity, no doubt."""
    grey = ndimage.gaussian_filter(rgb.mean(axis=2), 1)
    mask = grey > grey.mean()
    ndimage.label(mask)
    return float(mask.mean())


def timed(work, *given) -> float:
    """Return the seconds of a call."""
    begun = time.perf_counter()
    work(*given)
    return time.perf_counter() - begun


if __name__ == "__main__":
    photo = draw(np.random.default_rng(3), goal=0.5)
    rgb = open_picture(photo.save(f"/tmp/keen-dust-{os.getpid()}.png"))
    ours, least = timed(measure_dust, rgb, photo.um_per_pixel), timed(bare_count, rgb)
    print(f"dust / blur, mean, label: {ours / least:.0f} ({ours:.2f} s over {least * 1e3:.0f} ms)")
    sheets = [random_sheet(seed) for seed in range(SHEETS)]
    times = [timed(cut_sheet, CutSheetInput(**sheet)) for sheet in sheets]
    shelves = sum(timed(greedy_shelves, sheet) for sheet in sheets)
    optimal = sum(cut_sheet(CutSheetInput(**sheet)).optimal for sheet in sheets)
    print(
        f"{SHEETS} sheets / greedy shelves: {sum(times) / shelves:.0f}, longest {max(times):.2f} s"
    )
    print(f"proved optimal: {optimal} of {SHEETS}")
