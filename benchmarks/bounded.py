"""What bounded work costs over the least there is: noisy strips over a clean one, large photographs
over one of two megapixels. ``.venv/bin/python benchmarks/bounded.py``
"""

import json
import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path

os.environ["OPENBLAS_NUM_THREADS"] = "1"
sys.path.insert(0, str(Path(__file__).parents[1]))

import contextlib

import numpy as np
from PIL import Image

from core.errors import CoreError
from core.tone.fit_strip import fit_strip
from core.tone.shapes import FitStripInput
from tests.simulator.grain import draw

TURNS = 5
STRIPS = [(6, 0.5), (12, 6), (20, 8), (40, 0.5), (40, 4), (40, 15), (200, 0.5), (200, 4), (200, 15)]
PHOTOGRAPHS = [(1632, 1224), (4000, 3000), (6000, 4000), (10_000, 6000)]


def strip(count, noise):
    """A strip of a known curve, read with noise [L*]."""
    rng = np.random.default_rng(0)
    seconds = np.round(np.geomspace(20, 3600, count), 1)
    lstar = 14 + 80 * np.exp(-((seconds / 236) ** 0.87)) + rng.normal(0, noise, count)
    read = zip(seconds.tolist(), lstar.clip(0, 100).tolist(), strict=True)
    rows = [{"seconds": s, "lstar": v} for s, v in read]
    return FitStripInput(patches=rows, conditions={"mordant": "copper-ferric"})


def least(work):
    """The least time of some turns [s]."""
    times = []
    for _ in range(TURNS):
        begun = time.perf_counter()
        with contextlib.suppress(CoreError):
            work()
        times.append(time.perf_counter() - begun)
    return min(times)


def strips():
    clean = None
    for count, noise in STRIPS:
        given = strip(count, noise)
        took = least(lambda given=given: fit_strip(given))
        clean = clean or took
        print(f"strip of {count}, noise {noise} L*: {took / clean:.1f} times, {took * 1000:.0f} ms")


def photographs():
    tile = draw(np.random.default_rng(5), goal=0.5).pixels
    first = None
    with tempfile.TemporaryDirectory() as folder:
        for wide, tall in PHOTOGRAPHS:
            path = Path(folder) / f"{wide}.png"
            down, across = tall // tile.shape[0] + 1, wide // tile.shape[1] + 1
            Image.fromarray(np.tile(tile, (down, across, 1))[:tall, :wide]).save(path)
            given = json.dumps({"image": str(path), "um_per_pixel": 4}).encode()
            begun = time.perf_counter()
            child = subprocess.Popen(
                [sys.executable, "-m", "core.cli", "dust-coverage"], stdin=subprocess.PIPE,
                stdout=subprocess.DEVNULL, cwd=Path(__file__).parents[1],
            )  # fmt: skip
            child.stdin.write(given)
            child.stdin.close()
            _, status, used = os.wait4(child.pid, 0)
            took = time.perf_counter() - begun
            first = first or took
            print(
                f"photograph of {wide * tall / 1e6:.0f} megapixels: {took / first:.2f} times, "
                f"{took:.1f} s, {used.ru_maxrss / 1000:.0f} MB" + (" FAILED" if status else "")
            )


if __name__ == "__main__":
    strips()
    photographs()
