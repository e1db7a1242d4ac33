"""Light on polymer: curves, pairs, films and screens, as ratios in one run.

``python -m benchmarks.polymer``
"""

import tempfile
import time
from pathlib import Path

import cv2
import numpy as np

from core.calculators import compute
from core.data.polymer_faults import CAUSES
from core.polymer.chart_cells import cells_of_chart
from core.reading.read_chart import ReadChartInput, read_chart
from tests.core.polymer.test_correction_curve import chart, wanted
from tests.core.polymer.test_dot_screen import peak_and_slow
from tests.core.polymer.test_exposure_pair import read
from tests.core.reading.test_read_chart import a_test as chart_of_test
from tests.core.reading.test_read_chart import printed
from tests.simulator.polymer import best_range, crossed, failed, plate, transfer

ROOMS = 200
TILE, SHARE, DOT_PX = 128, 0.2, 3


def least(work, times=3):
    """Return the shortest of some runs [s]."""
    found = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        found.append(time.perf_counter() - start)
    return min(found)


def void_and_cluster(side, share, rng):
    """Return a blue-noise pattern by the first phase of void and cluster: one pixel a dot."""
    reach = np.minimum(np.arange(side), side - np.arange(side))
    soft = np.exp(-(reach[:, None] ** 2 + reach[None, :] ** 2) / (2 * 1.5**2))
    bits = np.zeros((side, side), bool)
    bits.ravel()[rng.choice(side * side, round(share * side * side), replace=False)] = True
    energy = np.real(np.fft.ifft2(np.fft.fft2(bits) * np.fft.fft2(soft)))
    while True:
        out = np.unravel_index(np.where(bits, energy, -np.inf).argmax(), bits.shape)
        bits[out] = False
        energy -= np.roll(soft, out, (0, 1))
        put = np.unravel_index(np.where(bits, np.inf, energy).argmin(), bits.shape)
        bits[put] = True
        energy += np.roll(soft, put, (0, 1))
        if put == out:
            return bits


def curves():
    """Say how near corrected tones come, and how long a curve takes beside its own fit."""
    for steps in (11, 21, 101):
        off = []
        for seed in range(ROOMS):
            rng = np.random.default_rng(10_000 + seed)
            printed = transfer(rng)
            curve = compute("correction-curve", {"chart": chart(printed, steps, rng)})
            off.append(np.sqrt(np.mean((printed(curve.film) - wanted(curve)) ** 2)))
        rms, over = np.sqrt(np.mean(np.square(off))), np.mean(np.array(off) > 1.05)
        print(f"curve of {steps} steps: {rms:.2f} L* RMS, {100 * over:.0f} in 100 over 1.05")
    given = {"chart": chart(transfer(np.random.default_rng(1)), 21, np.random.default_rng(1))}
    strip = {
        "patches": [{"seconds": 30 * 2**k, "lstar": 88 - 9 * k} for k in range(6)],
        "conditions": {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 5},
    }  # fmt: skip
    mine, other = (least(lambda n=n, g=g: compute(n, g))
                   for n, g in (("correction-curve", given), ("fit-strip", strip)))  # fmt: skip
    print(f"chart to curve: {mine / other:.2f} of a strip's curve ({1000 * mine:.0f} ms)")


def pairs():
    """Say in how many tests the pair comes within 2.5 L* of the best there is."""
    for laid in ((5, 5), (4, 4), (3, 3), (3, 2)):
        near = held = told = 0
        for seed in range(ROOMS // 2):
            rng = np.random.default_rng(20_000 + seed)
            own = plate(rng)
            times = crossed(own, rng, *laid)
            best = best_range(own, *times)
            if best is None:
                continue
            pair = compute("exposure-pair", {"patches": read(own, *times, rng)})
            paper, highlight, shadow, solid = own.tones(pair.screen_seconds, pair.image_seconds)
            told += 1
            near += paper - solid >= best - 2.5
            held += min(paper - highlight, shadow - solid) >= 1.5
        print(f"pair of {laid}: {near} of {told} within 2.5 L* of the best, {held} hold both ends")


def faults():
    """Say how often the true cause is first, and among the first two."""
    first = two = count = 0
    for place, cause in enumerate(CAUSES):
        for k in range(40):
            given = failed(cause, np.random.default_rng(30_000 + 100 * place + k))
            keys = [each.key for each in compute("plate-faults", given).causes]
            count, first, two = count + 1, first + (keys[0] == cause), two + (cause in keys[:2])
    print(f"faults: true cause first in {first / count:.2f}, among two in {two / count:.2f}")


def films(folder):
    """Say how long 24 MP take beside their decoding."""
    rng = np.random.default_rng(0)
    soft = cv2.resize(rng.random((60, 90)).astype(np.float32), (6000, 4000), interpolation=2)
    grey = np.clip(soft * 60_000 + rng.random((4000, 6000)) * 800, 0, 65_535).astype(np.uint16)
    colour = np.dstack([grey >> 8, grey >> 9, 255 - (grey >> 8)]).astype(np.uint8)
    curve = compute("correction-curve", {"chart": chart(lambda x: 94 - 70 * x**0.8, 21)})
    for name, picture in (("colour.jpg", colour), ("grey-16.png", grey)):
        path = str(folder / name)
        cv2.imwrite(path, picture)
        decode = least(lambda path=path: cv2.imread(path, cv2.IMREAD_UNCHANGED))
        for form in ("tiff", "png", "pdf"):
            given = {
                "image": path, "width_mm": 210, "height_mm": 140, "dpi": 725.7, "forms": [form],
                "correction": curve.model_dump(include={"film", "lightest_lstar", "darkest_lstar"}),
                "write": str(folder / "film"),
            }  # fmt: skip
            took = least(lambda given=given: compute("positive", given), 2)
            print(f"24 MP {name} to {form}: {took / decode:.1f} × its decode ({decode:.2f} s)")


def prints(folder):
    """Say how near the cells of tests and charts come off their scans, beside the scan's decode."""
    for name, count, made in (("test of 5 x 5", 20, a_test), ("chart of 101", 10, a_chart)):
        off, held, took = [], [], []
        for seed in range(count):
            cells, lstars = made()
            rng = np.random.default_rng(40_000 + seed)
            path = str(folder / "scan.png")
            cv2.imwrite(path, printed(cells, lstars, 4 / 3, rng).picture)
            given = ReadChartInput(image=path, cells=cells, ratio=4 / 3)
            decode = least(lambda path=path: cv2.imread(path))
            took.append(least(lambda given=given: read_chart(given), 1) / decode)
            told = read_chart(given).cells
            miss = np.array([each.lstar for each in told]) - lstars
            off.append(miss)
            held.append(np.abs(miss) < 1.96 * np.array([each.doubt for each in told]))
        rms = np.sqrt(np.mean(np.square(np.concatenate(off))))
        print(f"{name} off a scan: {rms:.2f} L* RMS, told bands hold "
              f"{np.concatenate(held).mean():.2f}; {np.median(took):.0f} x its decode")  # fmt: skip


def a_test():
    """Return the cells of a two-way test and the tones they print."""
    _, cells, lstars = chart_of_test()
    return cells, np.array(lstars)


def a_chart():
    """Return the cells of a step chart and the tones they print."""
    films = np.linspace(0, 1, 101)
    return cells_of_chart(101, 200.0, 150.0), 93 - 69 * (films + 0.5 * films * (1 - films))


def screens(folder):
    """Say how a screen stands beside void and cluster of the same size."""
    given = {
        "dot_um": 12 * DOT_PX, "open_share": SHARE, "um_per_pixel": 12, "width_px": TILE * DOT_PX,
        "height_px": TILE * DOT_PX, "write": str(folder / "screen.png"),
    }  # fmt: skip
    ours = least(lambda: compute("dot-screen", given), 2)
    start = time.perf_counter()
    other = void_and_cluster(TILE * DOT_PX, SHARE, np.random.default_rng(1))
    theirs = time.perf_counter() - start
    bits = cv2.imread(given["write"], cv2.IMREAD_UNCHANGED) > 0
    print(f"screen of as many pixels: {ours / theirs:.2f} of void and cluster ({theirs:.2f} s)")
    for name, each in (("ours", bits), ("void and cluster", other)):
        print(f"  {name}: slow power {peak_and_slow(each)[1]:.3f} of the peak's")
    large = {**given, "dot_um": 60, "open_share": 0.5, "um_per_pixel": 25_400 / 2400,
             "width_px": 37_795, "height_px": 47_244}  # fmt: skip
    print(f"40 × 50 cm at 2400 dpi: {least(lambda: compute('dot-screen', large), 1):.1f} s")


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as name:
        screens(Path(name))
        films(Path(name))
        prints(Path(name))
    curves()
    pairs()
    faults()
