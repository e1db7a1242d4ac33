"""What a print of several plates costs and how well it is told: ``python -m benchmarks.works``.

Ratios within one run; a made-up print of four plates, its scan at 300 dpi, a hundred faults.
"""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np

from core.image.picture import open_picture
from core.layers.overprint import OverprintInput, overprint
from core.layers.read_crosses import InkCrosses, ReadCrossesInput, read_crosses
from core.layers.read_print import ReadPrintInput, read_print
from core.tone.colour import lab_from_linear
from tests.core.layers.prints import lab_of, overprint_plates, print_plates
from tests.core.layers.test_blame import a_fault, judged, printed
from tests.core.layers.test_overprint import in_blocks, simulated
from tests.simulator.overprints import awnings, scanned

SIZE = (180.0, 130.0)


def seconds(work: Callable[[], object], times: int = 3) -> float:
    """Return the median time of some work [s]."""
    taken = []
    for _ in range(times):
        begun = time.perf_counter()
        work()
        taken.append(time.perf_counter() - begun)
    return statistics.median(taken)


def costs(folder: Path) -> None:
    """Print what a preview and the reading of a scan cost, over decoding what they read."""
    plates = awnings(SIZE)
    plates[2].right, plates[2].down = 0.6, 0.3
    scan = scanned(plates, SIZE, folder / "scan.png")
    given = overprint_plates(plates, SIZE, folder)
    pictures = [each.image for each in given]
    decoded = seconds(lambda: [open_picture(each) for each in pictures])
    asked = OverprintInput(plates=given, size_mm=SIZE, write=str(folder / "o"))
    print(f"preview over decoding its pictures: {seconds(lambda: overprint(asked)) / decoded:.1f}")
    whole = seconds(lambda: open_picture(scan))
    read = ReadPrintInput(image=scan, plates=print_plates(plates, SIZE, folder), key="Key",
                          size_mm=SIZE, write=str(folder / "r"))  # fmt: skip
    taken = seconds(lambda: read_print(read))
    print(f"scan read over its decode: {taken / whole:.1f} ({taken:.1f} s)")


def preview_off(folder: Path) -> None:
    """Print how far the preview is from prints simulated dot by dot."""
    plates = awnings((100.0, 75.0))
    for each in plates:
        each.crosses = []
    size = (100.0, 75.0)
    made = overprint(OverprintInput(
        plates=overprint_plates(plates, size, folder), size_mm=size, write=str(folder / "p"),
    ))  # fmt: skip
    seen = lab_from_linear(in_blocks(open_picture(made.path), made.px_per_mm))[..., 0]
    meant = lab_from_linear(in_blocks(simulated(plates, size), 20.0))[..., 0]
    print(
        f"preview against the simulated print: {np.sqrt(((seen - meant) ** 2).mean()):.2f} L* RMS"
    )


def offsets(folder: Path, scans: int = 5) -> None:
    """Print how far crosses are read from where they truly lie."""
    size, off = (100.0, 75.0), []
    for seed in range(scans):
        rng = np.random.default_rng(100 + seed)
        plates = awnings(size)
        for each in plates[:-1]:
            each.right, each.down = rng.uniform(-1.5, 1.5, 2)
        scan = scanned(plates, size, folder / f"s{seed}.png", turned=rng.uniform(-0.02, 0.02),
                       rng=rng)  # fmt: skip
        made = overprint(OverprintInput(
            plates=overprint_plates(plates, size, folder), size_mm=size, write=str(folder / "c"),
        ))  # fmt: skip
        told = read_crosses(ReadCrossesInput(
            image=scan, preview=made.path, size_mm=size, key="Key",
            plates=[
                InkCrosses(name=each.name, ink_lab=lab_of(each), crosses=each.crosses)
                for each in plates
            ],
        ))  # fmt: skip
        true = {each.name: (each.right, each.down) for each in plates}
        off += [
            np.hypot(c.right_mm - true[p.name][0], c.down_mm - true[p.name][1])
            for p in told.plates for c in p.crosses
        ]  # fmt: skip
    print(f"crosses read, {len(off)} of them: median {np.median(off):.3f}, most {max(off):.3f} mm")


def blame(seeds: tuple[int, ...] = (11, 21, 31, 41)) -> None:
    """Print in how many of a hundred faults the right plate is named."""
    for seed in seeds:
        rng, right = np.random.default_rng(seed), 0
        for _ in range(100):
            inks, covers, plate, _, more = a_fault(rng)
            seen = printed(inks, covers, more + rng.normal(0, 0.04), rng)
            told = judged(inks, covers, seen + rng.normal(0, [0.8, 1.0, 1.0], seen.shape))
            right += told.blame == f"P{plate}"
        print(f"plate to blame, seed {seed}: {right} of 100")


def main() -> None:
    """Print all figures."""
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        costs(folder)
        preview_off(folder)
        offsets(folder)
    blame()


if __name__ == "__main__":
    main()
