"""Value studies and maps: times and memory as ratios in one run, and the error against peers."""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path

os.environ["OPENBLAS_NUM_THREADS"] = "1"
sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

import cv2
import numpy as np

from core.study.cut import best_cuts
from core.study.divide import divide
from core.study.field import read_field
from core.study.levels import count_levels, level_lstars, read_levels
from core.study.printed import coded, show, table_of
from core.study.shapes import StudyCut, StudyFieldInput, ToneAreasInput
from core.study.tone_areas import tone_areas

ROOT = Path(__file__).resolve().parent.parent
SIDE = (6000, 4000)
RUNS = 5
PLATE = {"width_mm": 300, "height_mm": 200, "lightest_lstar": 94, "darkest_lstar": 20}


def drawing(path: str) -> None:
    """Write a drawing of 24 megapixels: soft greys, edges, the grain of a camera."""
    rng = np.random.default_rng(4)
    small = cv2.GaussianBlur(rng.random((500, 750)).astype(np.float32), (0, 0), 22)
    soft = cv2.resize(cv2.normalize(small, None, 0, 255, cv2.NORM_MINMAX), SIDE)
    grey = np.clip(soft + rng.normal(0, 3, soft.shape), 0, 255).astype(np.uint8)
    for _ in range(40):
        x, y = rng.integers(0, SIDE[0]), rng.integers(0, SIDE[1])
        cv2.circle(
            grey, (int(x), int(y)), int(rng.integers(60, 500)), int(rng.integers(0, 255)), -1
        )
    cv2.imwrite(path, cv2.merge([grey, grey, grey]), [cv2.IMWRITE_JPEG_QUALITY, 90])


def least(work, *given) -> float:
    """Return the shortest of some runs [s]."""
    times = []
    for _ in range(RUNS):
        begun = time.perf_counter()
        work(*given)
        times.append(time.perf_counter() - begun)
    return min(times)


def first_look(path: str, smooth_mm: float) -> None:
    """Areas for all numbers of tones, and the first preview."""
    out = tone_areas(ToneAreasInput(image=path, smooth_mm=smooth_mm, **PLATE))
    choice = out.choices[3]
    cut = StudyCut(
        lightest_lstar=94, darkest_lstar=20, tones_lstar=choice.tones_lstar,
        bounds_lstar=choice.bounds_lstar,
    )  # fmt: skip
    small = cv2.resize(read_small(path), (1200, 800), interpolation=cv2.INTER_AREA)
    labels = divide(small, cut, PLATE["width_mm"])
    show(coded(labels, cut, 4.0), table_of([94.0, *choice.tones_lstar], 4.0))


_KEPT: dict[str, np.ndarray] = {}


def read_small(path: str) -> np.ndarray:
    """Return the study small, as the field's task keeps it beside the large one."""
    if path not in _KEPT:
        _KEPT[path] = cv2.resize(read_levels(path), (1200, 800), interpolation=cv2.INTER_AREA)
    return _KEPT[path]


def field_and_look(path: str, folder: str) -> None:
    """What the application does: lay out, smooth, count, write, cut, and draw the first preview."""
    from core.study.field import study_field
    from core.study.scale import Scale
    from core.study.tone_areas import choose

    out = study_field(StudyFieldInput(
        sketches=[{"image": path, "width_mm": 300, "height_mm": 200}], width_mm=300,
        height_mm=200, write=folder))  # fmt: skip
    choices, _ = choose(np.array(out.counts), Scale(94, 20, "linear"), list(range(2, 9)), 600.0)
    cut = StudyCut(
        lightest_lstar=94, darkest_lstar=20, tones_lstar=choices[3].tones_lstar,
        bounds_lstar=choices[3].bounds_lstar,
    )  # fmt: skip
    labels = divide(read_field(out.small_path), cut, 300.0)
    show(coded(labels, cut, 4.0), table_of([94.0, *choices[3].tones_lstar], 4.0))


def peak_mb(code: str) -> float:
    """Return the peak memory of a process that runs some code [MB]."""
    told = "print([line.split()[1] for line in open('/proc/self/status') if 'VmHWM' in line][0])"
    out = subprocess.run(
        [sys.executable, "-c", f"{code}\n{told}"], cwd=ROOT, capture_output=True, text=True,
        check=True,
    )  # fmt: skip
    return int(out.stdout.strip().splitlines()[-1]) / 1000


def memory(path: str) -> None:
    """Peak over a bare decode, in bytes a pixel."""
    imports = (
        "import cv2; from core.study.tone_areas import tone_areas; from core.study.shapes import *"
    )
    bare = peak_mb(f"{imports}; a = cv2.imread({path!r}, -1)")
    for smooth in (0, 1.5):
        given = {"image": path, "smooth_mm": smooth, **PLATE}
        ours = peak_mb(f"{imports}; tone_areas(ToneAreasInput(**{given!r}))")
        more = (ours - bare) * 1e6 / (SIDE[0] * SIDE[1])
        print(f"memory above decode, smooth {smooth} mm: {more:.1f} bytes a pixel")


def redraw(path: str) -> None:
    """A change of tone against a bare look-up of the same picture."""
    cut = StudyCut(lightest_lstar=94, darkest_lstar=20, tones_lstar=[90, 70, 50, 30],
                   bounds_lstar=[80, 60, 40])  # fmt: skip
    labels = divide(read_small(path), cut, 300.0)
    codes = coded(labels, cut, 4.0)
    bare = least(cv2.LUT, codes, np.arange(256, dtype=np.uint8))
    tones = iter(np.linspace(20, 60, RUNS))
    ours = least(lambda: show(codes, table_of([94, 90, 70, float(next(tones)), 30], 4.0)))
    print(f"redraw of a changed tone / look-up: {ours / bare:.1f} ({ours * 1e3:.2f} ms)")


def peers(path: str) -> None:
    """Squared error and time against multi-Otsu and k-means, on the same greys."""
    from skimage.filters import threshold_multiotsu
    from sklearn.cluster import KMeans

    counts = count_levels(read_levels(path))
    lstars, there = level_lstars(), counts > 0
    values, weights = lstars[there], counts[there]
    ours = least(best_cuts, lstars, counts, 8, (0.0, 100.0))
    found = best_cuts(lstars, counts, 8, (0.0, 100.0))
    begun = time.perf_counter()
    for k in range(2, 9):
        means = KMeans(k, n_init=10, random_state=1).fit(values[:, None], sample_weight=weights)
        own = found[k - 1].rms ** 2 * weights.sum()
        print(f"k = {k}: squared error / k-means of ten: {own / means.inertia_:.6f}")
    print(f"time of all k / k-means on the histogram: {ours / (time.perf_counter() - begun):.3f}")
    for k in (2, 3, 4):
        begun = time.perf_counter()
        edges = threshold_multiotsu(hist=(counts.astype(float), lstars), classes=k)
        took = time.perf_counter() - begun
        parts = np.digitize(values, edges, right=True)
        otsu = sum(
            (weights[parts == i] * (values[parts == i] - np.average(
                values[parts == i], weights=weights[parts == i])) ** 2).sum()
            for i in range(k)
        )  # fmt: skip
        own = found[k - 1].rms ** 2 * weights.sum()
        one = least(best_cuts, lstars, counts, k, (0.0, 100.0))
        print(f"k = {k}: over multi-Otsu: error {own / otsu:.6f}, time {one / took:.2f}")


def large_maps(path: str, folder: str) -> None:
    """Five maps of a 40 × 50 cm plate at 600 dpi in a process of its own."""
    given = {"image": path, "tones_lstar": [92, 80, 66, 52, 38, 24], "lightest_lstar": 94,
             "darkest_lstar": 20, "width_mm": 500, "height_mm": 400, "dpi": 600, "write": folder,
             "smooth_mm": 1.5}  # fmt: skip
    code = (
        "from core.study.stop_out_maps import stop_out_maps; from core.study.shapes import *;"
        f"stop_out_maps(StopOutMapsInput(**{given!r}))"
    )
    begun = time.perf_counter()
    peak = peak_mb(code)
    print(
        f"five maps of 400 × 500 mm at 600 dpi: {peak:.0f} MB, {time.perf_counter() - begun:.0f} s"
    )


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as made:
        path = f"{made}/study.jpg"
        drawing(path)
        decode = least(cv2.imread, path, cv2.IMREAD_UNCHANGED)
        for smooth in (0.0, 1.5):
            ours = least(first_look, path, smooth)
            print(f"24 MP, all k and preview, smooth {smooth} mm / decode: {ours / decode:.1f}")
        ours = least(field_and_look, path, f"{made}/field")
        print(f"24 MP, as the application does it / decode: {ours / decode:.1f} ({decode:.2f} s)")
        memory(path)
        redraw(path)
        peers(path)
        large_maps(path, f"{made}/maps")
