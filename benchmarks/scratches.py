"""Four 12 MP photographs merged into a view, over their decoding alone: the ratio of one run.

Run ``python -m benchmarks.scratches``.
"""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import cv2
import numpy as np
from PIL import Image

from core.calculators import compute
from tests.core.drypoint.photographs import drawn, f1, photographs, strokes

SIZE = (4000, 3000)
ROUNDS = 5


def main() -> None:
    """Print a row for each kind of file."""
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        rows = strokes(120, SIZE, 4)
        paths = photographs(folder, rows, SIZE, 1)
        truth = drawn(rows, SIZE)
        for kind in ("colour JPEG", "grey JPEG", "grey PNG"):
            told = [_as(path, kind) for path in paths]
            _row(kind, told, folder, truth)


def _as(path: str, kind: str) -> str:
    """Write a photograph as a camera or a scanner does, with colour noise where it has colours."""
    grey = cv2.imread(path, cv2.IMREAD_GRAYSCALE)
    to = str(Path(path).with_suffix(f".{kind.split()[0]}.{kind.split()[1].lower()}"))
    if kind == "colour JPEG":
        stray = np.random.default_rng(1).normal(0, 2, (*grey.shape, 3))
        grey = np.clip(grey[..., None] + stray, 0, 255).astype(np.uint8)
    cv2.imwrite(to, grey, [cv2.IMWRITE_JPEG_QUALITY, 92])
    return to


def _row(kind: str, paths: list[str], folder: Path, truth: np.ndarray) -> None:
    write = str(folder / "view.png")
    decode = _least(lambda: [np.asarray(Image.open(path)) for path in paths])
    merge = _least(lambda: compute("scratch-view", {"images": paths, "write": write}))
    found = (cv2.imread(write, cv2.IMREAD_GRAYSCALE) < 128)[:, ::-1]
    print(f"{kind:12s} {merge / decode:5.2f} times its decoding ({decode:.2f} s), F1 "
          f"{f1(found, truth):.3f}, within a pixel {f1(found, truth, 1):.3f}")  # fmt: skip


def _least(work: Callable[[], object]) -> float:
    times = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    return statistics.median(times)


if __name__ == "__main__":
    main()
