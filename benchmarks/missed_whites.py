"""Whites forgotten on generated photographs of painted plates: how many are found, how many marks
are false. ``.venv/bin/python benchmarks/missed_whites.py [photographs]``"""

from __future__ import annotations

import sys
import tempfile
import time
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

import cv2
import numpy as np

from core.calculators import compute
from core.errors import CoreError
from core.study.divide import divide
from core.study.field import read_field
from core.study.stages import areas_of, stages_of
from server.demo import pictures
from tests.core.study.pictures import clouds, cut, save
from tests.simulator.painted import painted_plate, photographed

SIZE = {"width_mm": 200, "height_mm": 150}
LAID_PX = (1000, 750)
LARGEST_OFF_PX = 15
"""3 mm on the plate: a mark nearer than this to what was forgotten is its own."""
STUDIES = ("lanterns", "clouds")
LANTERNS = {"lightest_lstar": 94.5, "darkest_lstar": 24.5, "map": "as-is", "join_mm2": 6,
            "tones_lstar": [93.7, 83.8, 68.8, 51.6, 36.9, 25.8],
            "bounds_lstar": [88.8, 76.3, 60.2, 44.3, 31.4]}  # fmt: skip


def study(name: str, folder: Path):
    """Return a study on disk and how it is cut."""
    if name == "clouds":
        image, given, smooth = save(folder / "c.png", clouds(11, (750, 1000))), cut(join_mm2=20), 3
    else:
        data = pictures.value_study(pictures.lantern_row_tones(), [94, 84, 69, 52, 37, 26])
        (folder / "l.png").write_bytes(data)
        image, given, smooth = str(folder / "l.png"), cut(**LANTERNS), 1.5
    laid = {"sketches": [{"image": image, **SIZE}], **SIZE, "smooth_mm": smooth}
    return compute("study-field", {**laid, "write": str(folder / name)}).path, given


def one(folder: Path, field: str, given, seed: int) -> tuple[bool | None, int, float]:
    """Photograph a plate and look it over: found, false marks, seconds."""
    rng = np.random.default_rng(seed)
    labels = divide(read_field(field), given, 200.0)
    stages = stages_of(areas_of(labels, given, 200.0), "stop-out")[1:]
    stage = stages[seed % len(stages)]
    laid = cv2.resize(cv2.flip(labels, 1), LAID_PX, interpolation=cv2.INTER_NEAREST)
    metal, forget = ("zinc" if seed % 4 == 0 else "copper"), int(seed % 5 != 4)
    plate, missed = painted_plate(laid, cv2.LUT(laid, stage.table), 200, rng, metal, forget)
    shot, _ = photographed(plate, rng)
    path = str(folder / "shot.jpg")
    cv2.imwrite(path, shot, [cv2.IMWRITE_JPEG_QUALITY, 88])
    begun = time.perf_counter()
    try:
        out = compute("look-over", {"image": path, "field": field, "cut": given.model_dump(),
                                    **SIZE, "bite": stage.bite})  # fmt: skip
        marks = out.marks
    except CoreError as error:
        print(f"seed {seed}: {error.text}")
        marks = []
    seconds = time.perf_counter() - begun
    hits = [_near(mark, missed) for mark in marks]
    return (any(hits) if missed.any() else None), hits.count(False), seconds


def _near(mark, missed) -> bool:
    x, y, off = int(mark.x_mm * 5), int(mark.y_mm * 5), LARGEST_OFF_PX
    return bool(missed[max(0, y - off) : y + off, max(0, x - off) : x + off].any())


if __name__ == "__main__":
    many = int(sys.argv[1]) if len(sys.argv) > 1 else 200
    with tempfile.TemporaryDirectory() as made:
        folder = Path(made)
        studies = [study(name, folder) for name in STUDIES]
        seen = [one(folder, *studies[seed % 2], seed) for seed in range(many)]
    asked = [found for found, _, _ in seen if found is not None]
    false = np.bincount([marks for _, marks, _ in seen])
    print(f"found {sum(asked)} of {len(asked)} forgotten places of 25 to 90 mm²")
    print(f"photographs with 0, 1, 2 … false marks: {false.tolist()} of {many}")
    print(f"middling time {np.median([s for _, _, s in seen]):.2f} s")
