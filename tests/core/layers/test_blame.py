"""Which plate is to blame: a hundred generated faults, prints without any, a whole scan."""

import numpy as np
import pytest

from core.layers.plate_to_blame import BlamePlate, PlateToBlameInput, PrintArea, plate_to_blame
from core.layers.read_print import ReadPrintInput, read_print
from core.tone.colour import lab_from_linear, linear_from_lab
from tests.core.layers.prints import print_plates
from tests.simulator.overprints import awnings, scanned

INKS = [
    ((18, 0, 0), 0.02), ((68, 12, 55), 0.6), ((50, -8, -34), 0.85), ((47, 0, 2), 0.4),
    ((45, 50, 25), 0.6), ((55, -35, 20), 0.6),
]  # fmt: skip
DOTS = 4000
LEAST_SEEN_E = 3.0


def a_work(rng):
    """Return inks and what each plate covers of each area, all of it seen somewhere."""
    count, areas = rng.integers(2, 5), rng.integers(5, 11)
    inks = [INKS[each] for each in rng.permutation(len(INKS))[:count]]
    while True:
        covers = np.where(rng.random((count, areas)) < 0.5, rng.uniform(0.15, 0.85, (count, areas)),
                          0.0)  # fmt: skip
        if (covers > 0).any(0).all() and ((covers > 0).sum(1) >= 2).all():
            return inks, covers


def printed(inks, covers, more, rng):
    """Return L*a*b* of areas as dots of ink over dots of ink make them."""
    light = np.ones((covers.shape[1], DOTS, 3))
    for (lab, lets), own, times in zip(inks, covers, more, strict=True):
        share = np.minimum(own * np.exp(times), 0.98)
        inked = rng.random((len(own), DOTS)) < share[:, None]
        through = linear_from_lab(lab) * ((1 - lets) + lets * light)
        light = np.where(inked[..., None], through, light)
    return lab_from_linear(light.mean(axis=1))


def judged(inks, covers, seen):
    low, high = [0, -128, -128], [105, 128, 128]
    return plate_to_blame(PlateToBlameInput(
        plates=[
            BlamePlate(name=f"P{at}", ink_lab=lab, lets_through=lets, covers=own.tolist())
            for at, ((lab, lets), own) in enumerate(zip(inks, covers, strict=True))
        ],
        areas=[
            PrintArea(name=f"area {at}", seen_lab=tuple(np.clip(each, low, high)))
            for at, each in enumerate(seen)
        ],
    ))  # fmt: skip


def a_fault(rng):
    """Return a work of which one plate strays, everywhere or in one area, so that it is seen."""
    while True:
        inks, covers = a_work(rng)
        plate = int(rng.integers(len(inks)))
        stray = rng.choice([-1, 1]) * rng.uniform(0.3, 0.7)
        more = np.zeros(covers.shape)
        where = (
            slice(None) if rng.random() < 0.5 else int(rng.choice(np.flatnonzero(covers[plate])))
        )
        more[plate, where] = stray
        off = printed(inks, covers, more, rng) - printed(inks, covers, 0 * more, rng)
        if np.linalg.norm(off, axis=-1).max() >= LEAST_SEEN_E:
            return inks, covers, plate, stray, more


def test_the_plate_to_blame_is_right_in_ninety_of_a_hundred():
    rng = np.random.default_rng(11)
    right, where = 0, 0
    for _ in range(100):
        inks, covers, plate, stray, more = a_fault(rng)
        seen = printed(inks, covers, more + rng.normal(0, 0.04), rng)
        told = judged(inks, covers, seen + rng.normal(0, [0.8, 1.0, 1.0], seen.shape))
        right += told.blame == f"P{plate}"
        best = told.plates[0]
        where += told.blame == f"P{plate}" and (best.prints > 1) == (stray > 0)
    assert right >= 90
    assert where >= 88  # and it is told whether it prints too much or too little


def test_a_print_without_a_fault_is_rarely_blamed():
    rng = np.random.default_rng(12)
    blamed = 0
    for _ in range(60):
        inks, covers = a_work(rng)
        seen = printed(inks, covers, np.full(covers.shape, rng.normal(0, 0.04)), rng)
        told = judged(inks, covers, seen + rng.normal(0, [0.8, 1.0, 1.0], seen.shape))
        blamed += told.cause != "fits"
    assert blamed <= 6


def test_a_pull_that_is_light_all_over_is_the_printing():
    rng = np.random.default_rng(13)
    right = 0
    for _ in range(20):
        inks, covers = a_work(rng)
        seen = printed(inks, covers, np.full(covers.shape, -0.5), rng)
        right += judged(inks, covers, seen).cause == "printing"
    assert right >= 16


@pytest.fixture(scope="module")
def read(tmp_path_factory):
    """A print whose blue plate lies off, read whole."""
    size, folder = (100.0, 75.0), tmp_path_factory.mktemp("print")
    plates = awnings(size)
    plates[2].right, plates[2].down = 0.6, 0.3
    scan = scanned(plates, size, folder / "scan.png")
    return read_print(ReadPrintInput(
        image=scan, plates=print_plates(plates, size, folder), key="Key", size_mm=size,
        write=str(folder / "read"),
    ))  # fmt: skip


def test_a_scan_tells_which_plate_lies_off(read):
    assert (read.judged.blame, read.judged.cause) == ("Blue", "register")
    blue = next(each for each in read.judged.crosses.plates if each.name == "Blue")
    assert (blue.right_mm, blue.down_mm) == pytest.approx((0.6, 0.3), abs=0.05)


def test_its_colours_are_read_beside_the_preview(read):
    assert {"Blue alone", "Ochre alone", "Key alone"} <= {each.name for each in read.judged.areas}
    assert max(each.off_e for each in read.judged.areas) < 2.0


def test_a_scan_tells_which_plate_prints_too_light(tmp_path):
    size = (100.0, 75.0)
    plates = awnings(size)
    given = print_plates(plates, size, tmp_path)
    ochre = next(each for each in plates if each.name == "Ochre")
    full = ochre.covers
    ochre.covers = lambda x, y: 0.55 * full(x, y)
    told = read_print(ReadPrintInput(
        image=scanned(plates, size, tmp_path / "scan.png"), plates=given, key="Key", size_mm=size,
        write=str(tmp_path / "read"),
    ))  # fmt: skip
    assert (told.judged.blame, told.judged.cause) == ("Ochre", "tone")
    assert "too light" in told.judged.title and told.judged.plates[0].prints < 0.75


def test_shares_must_be_one_an_area():
    with pytest.raises(ValueError, match="one share an area"):
        PlateToBlameInput(
            plates=[BlamePlate(name="A", ink_lab=(50, 0, 0), covers=[0.1, 0.2])],
            areas=[PrintArea(name="a", seen_lab=(80, 0, 0))],
        )
