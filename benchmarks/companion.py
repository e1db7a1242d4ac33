"""The last two of five tones with and without a companion scrap, in many made-up rooms of both
kinds of grain. ``.venv/bin/python benchmarks/companion.py [seeds]``"""

from __future__ import annotations

import sys
from functools import partial
from multiprocessing import Pool
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

import numpy as np

from tests.core.bath.test_companion import bitten

FIRST_SEED, SEEDS, BLOCK, PROCESSES = 20_000, 300, 60, 2


def main(seeds: int) -> None:
    """Print RMS [L*], how often bands hold, and their width, of blocks of rooms and of all."""
    rooms = [(FIRST_SEED + seed, flavour) for seed in range(seeds) for flavour in (0, 2)]
    with Pool(PROCESSES) as pool:
        told = {
            scrap: np.array(pool.starmap(partial(bitten, scrap=scrap), rooms, chunksize=8))
            for scrap in (True, False)
        }
    blocks = [
        (first, min(first + 2 * BLOCK, len(rooms))) for first in range(0, len(rooms), 2 * BLOCK)
    ]
    for first, last in [*blocks, (0, len(rooms))]:
        with_it, without = (told[scrap][first:last] for scrap in (True, False))
        print(
            f"rooms {first} to {last}: {_rms(with_it):.3f} with, {_rms(without):.3f} without,"
            f" bands hold {with_it[..., 1].mean():.3f}, {without[..., 1].mean():.3f},"
            f" width {with_it[..., 2].mean() / without[..., 2].mean():.3f}"
        )


def _rms(told: np.ndarray) -> float:
    return float(np.sqrt(np.mean(told[..., 0] ** 2)))


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else SEEDS)
