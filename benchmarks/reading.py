"""Scans of strips and proofs, generated: how near they are read, how often found, what is warned.

``.venv/bin/python benchmarks/reading.py [scans]``
"""

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
from core.stages.cause import cause_of
from tests.core.stages.test_cause import KINDS, proof
from tests.core.stages.test_what_next import bitten_rooms
from tests.core.tone.test_learn_curve import PROOFED, plate_beside_its_strip
from tests.simulator.scans import any_proof, any_scan, any_strip, printed_strip, scanned

NEAR_LSTAR = 6.0
QUALITY = 85
NOISE = 1.5
SURE = 0.3


def sent(folder: Path, picture) -> str:
    path = str(folder / "scan.jpg")
    cv2.imwrite(path, picture, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
    return path


def strips(folder: Path, count: int, kind: str, **how) -> None:
    """Read strips; print how near, how many are found, how many are warned of."""
    off, lost, warned = [], 0, 0
    for seed in range(count):
        rng = np.random.default_rng(10_000 + seed)
        scan = any_scan(rng, any_strip(rng, smooth=kind == "flat"), **({"quality": 0} | how))
        try:
            answer = compute("read-patches", {"image": sent(folder, scan.picture),
                                              "patches": len(scan.lstars)})  # fmt: skip
        except CoreError:
            lost += 1
            continue
        miss = np.array([patch.lstar for patch in answer.patches]) - scan.lstars
        if np.abs(miss).max() > NEAR_LSTAR:
            lost += 1
            continue
        off.append(miss)
        warned += any(patch.warnings for patch in answer.patches) or bool(answer.warnings)
    every = np.concatenate(off) if off else np.zeros(1)
    print(f"{kind:6} {how!s:18} RMS {np.sqrt(np.mean(every**2)):.2f} L*, found {count - lost} of "
          f"{count}, warned of {warned}")  # fmt: skip


def clipped(folder: Path, count: int, end: str) -> None:
    """Clip five in a hundred pixels at one end; print how often it is noticed."""
    noticed = 0
    for seed in range(count):
        rng = np.random.default_rng(20_000 + seed)
        scan = any_scan(rng, quality=0)
        value, lightest = scan.picture.astype(float), scan.picture.max(axis=2)
        if end == "light":
            value = value * 255 / np.quantile(lightest, 0.95)
        else:
            black = np.quantile(lightest, 0.05)
            value = (value - black) * 255 / (255 - black)
        try:
            answer = compute("read-patches", {
                "image": sent(folder, np.clip(value, 0, 255).astype(np.uint8)),
                "patches": len(scan.lstars)})  # fmt: skip
        except CoreError:
            continue
        own = {w.code for patch in answer.patches for w in patch.warnings}
        noticed += bool({"clipped", "paper-clipped"} & {*own, *(w.code for w in answer.warnings)})
    print(f"five in a hundred clipped at the {end} end: noticed {noticed} of {count}")


def proofs(folder: Path, count: int) -> None:
    """Read proofs; print how near the areas are that are no slivers."""
    off, lost = [], 0
    for seed in range(count):
        made = any_proof(np.random.default_rng(30_000 + seed))
        cv2.imwrite(str(folder / "labels.png"), made.labels)
        height, width = made.labels.shape
        areas = [{"name": f"{i}", "labels": [i], "expected_lstar": lstar}
                 for i, lstar in enumerate(made.lstars, 1)]  # fmt: skip
        try:
            answer = compute("read-proof", {
                "image": sent(folder, made.picture), "labels": str(folder / "labels.png"),
                "areas": areas, "width_mm": width / 4, "height_mm": height / 4})  # fmt: skip
        except CoreError:
            lost += 1
            continue
        off += [a.lstar - lstar for a, lstar in zip(answer.areas, made.lstars, strict=True)
                if a.doubt is not None and a.doubt < SURE]  # fmt: skip
    every = np.abs(off)
    print(f"proofs: {count - lost} of {count} laid over; {len(every)} areas, worst "
          f"{every.max():.2f}, within 1 L* {np.mean(every <= 1):.3f}, RMS "
          f"{np.sqrt(np.mean(every**2)):.2f}")  # fmt: skip


def pace(folder: Path) -> None:
    """Read a scan of 12 megapixels; print its time over its decode, and memory."""
    rng = np.random.default_rng(1)
    strip = any_strip(rng)
    light, corners = printed_strip(strip, rng)
    picture, _ = scanned(light, corners, rng, quality=0, noise=0)
    wide = (12e6 / (picture.shape[0] * picture.shape[1])) ** 0.5
    large = cv2.resize(picture, None, fx=wide, fy=wide).astype(np.float32)
    large += rng.normal(0, NOISE, large.shape).astype(np.float32)  # in each pixel, as scanners do
    path = sent(folder, np.clip(np.rint(large), 0, 255).astype(np.uint8))
    count = 9
    tries = []
    for _ in range(count):
        begun = time.perf_counter()
        cv2.imread(path, cv2.IMREAD_COLOR)
        decoded = time.perf_counter()
        compute("read-patches", {"image": path, "patches": len(strip.lstars)})
        tries.append(((time.perf_counter() - decoded) / (decoded - begun), decoded - begun))
    ratio, decode = np.median(np.array(tries), axis=0)
    print(f"12 MP: read in {ratio:.2f} times its decode ({1000 * decode:.0f} ms)")


def causes(count: int) -> None:
    rng = np.random.default_rng(1)
    right = 0
    for i in range(count):
        kind = KINDS[i % len(KINDS)]
        off = proof(kind, rng)
        right += cause_of(off, np.ones(len(off))).kind == kind
    tone, low, high, _, wanted = bitten_rooms().T
    held = np.mean((tone >= low) & (tone <= high))
    print(f"plate or printing: right in {right} of {count}")
    print(f"what next: the tone told holds the true one in {held:.3f} of {len(tone)} rooms, off "
          f"what was wanted by {np.sqrt(np.mean((tone - wanted) ** 2)):.2f} L* RMS")  # fmt: skip


def learning(count: int) -> None:
    """Let a proof of three areas move its plate's curve; print how near it comes."""
    rooms = [plate_beside_its_strip(500 + seed) for seed in range(count)]
    true, before, after = (np.stack(each) for each in zip(*rooms, strict=True))
    for name, areas in (("read", slice(0, PROOFED)), ("still to be bitten", slice(PROOFED, None))):
        off = [np.sqrt(np.mean((v[:, 0] - true)[:, areas] ** 2)) for v in (before, after)]
        held = np.mean((true >= after[:, 1])[:, areas] & (true <= after[:, 2])[:, areas])
        print(f"tones {name}: {off[0]:.2f} L* RMS by the strip, {off[1]:.2f} by the plate's own "
              f"curve, bands hold {held:.2f} ({count} rooms)")  # fmt: skip


if __name__ == "__main__":
    scans = int(sys.argv[1]) if len(sys.argv) > 1 else 100
    with tempfile.TemporaryDirectory() as name:
        here = Path(name)
        pace(here)
        causes(1000)
        learning(60)
        for kind in ("grain", "flat"):
            strips(here, scans, kind)
            strips(here, scans, kind, blur=3.0)
        clipped(here, scans, "light")
        clipped(here, scans, "dark")
        proofs(here, scans // 2)
