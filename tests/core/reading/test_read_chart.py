"""Charts read off generated scans: two-way tests and step charts, turned, by hand, of others."""

from dataclasses import dataclass

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from core.polymer.chart_cells import cells_of_chart, cells_of_test, read_steps, read_test
from core.polymer.pair_test import PairTestInput, pair_test
from core.reading.read_chart import ReadChartInput, read_chart
from tests.core.events.exposures import OWN
from tests.simulator.scans import grained, scanned

NAMES = ("paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar")


@dataclass
class Print:
    """A scan of a printed chart."""

    picture: np.ndarray


def printed(cells, lstars, ratio, rng, high_px=600, sheet_px=110):
    """A scan of a chart whose cells print just so: grain in each, its mean the tone's."""
    size = (high_px, round(high_px * ratio))
    light = np.ones(size, np.float32)
    for cell, lstar in zip(cells, lstars, strict=True):
        top, low = round(cell.top * size[0]), round((cell.top + cell.height) * size[0])
        left, right = round(cell.left * size[1]), round((cell.left + cell.width) * size[1])
        light[top:low, left:right] = grained(lstar, (low - top, right - left), 0.9, rng)
    sheet = np.pad(light, sheet_px, constant_values=1.0)
    picture, _ = scanned(sheet, np.zeros((4, 2), np.float32), rng, turn=rng.uniform(-2, 2),
                         quality=0)  # fmt: skip
    return Print(picture)


def read(tmp_path, proof, cells, ratio, **more):
    path = tmp_path / "scan.png"
    cv2.imwrite(str(path), proof.picture)
    return read_chart(ReadChartInput(image=str(path), cells=cells, ratio=ratio, **more))


def a_test(down=5, across=5):
    plan = pair_test(PairTestInput(screen_seconds=80, image_seconds=160, screen_steps=down,
                                   image_steps=across))  # fmt: skip
    wanted = [OWN.tones(s, i) for s in plan.screen_seconds for i in reversed(plan.image_seconds)]
    return plan, cells_of_test(plan), [float(tone) for patch in wanted for tone in patch]


@pytest.mark.parametrize(("seed", "laid"), [(1, (5, 5)), (2, (5, 5)), (3, (3, 4)), (4, (7, 6))])
def test_a_test_is_read_patch_by_patch(tmp_path, seed, laid):
    plan, cells, lstars = a_test(*laid)
    told = read(tmp_path, printed(cells, lstars, 4 / 3, np.random.default_rng(seed)), cells, 4 / 3)
    off = np.array([cell.lstar for cell in told.cells]) - lstars
    assert np.sqrt(np.mean(off**2)) < 1.0 and np.abs(off).max() < 4
    doubts = np.array([cell.doubt for cell in told.cells])
    assert np.mean(np.abs(off) < 2.6 * doubts) > 0.95
    assert told.turned == 0 and not told.warnings
    patches = read_test(plan, told.cells)
    assert len(patches) == laid[0] * laid[1]
    for patch in patches:
        truly = OWN.tones(patch.screen_seconds, patch.image_seconds)
        assert [getattr(patch, name) for name in NAMES] == pytest.approx(
            [float(t) for t in truly], abs=4
        )


@pytest.mark.parametrize("quarter", [1, 2, 3])
def test_the_sheet_may_lie_turned(tmp_path, quarter):
    _, cells, lstars = a_test()
    proof = printed(cells, lstars, 4 / 3, np.random.default_rng(7))
    proof.picture = np.ascontiguousarray(np.rot90(proof.picture, quarter))
    told = read(tmp_path, proof, cells, 4 / 3)
    off = np.array([cell.lstar for cell in told.cells]) - lstars
    assert np.sqrt(np.mean(off**2)) < 1.0 and told.turned != 0


@pytest.mark.parametrize("steps", [11, 21, 32, 101, 256])
def test_a_step_chart_is_read_in_its_rows(tmp_path, steps):
    cells = cells_of_chart(steps, 200.0, 150.0)
    films = np.linspace(0, 1, steps)
    lstars = 93 - 69 * (films + 0.5 * films * (1 - films))
    told = read(tmp_path, printed(cells, lstars, 4 / 3, np.random.default_rng(steps)), cells, 4 / 3)
    off = np.array([cell.lstar for cell in told.cells]) - lstars
    assert np.sqrt(np.mean(off**2)) < (0.95 if steps < 200 else 1.8)
    rows = read_steps(told.cells)
    assert [row.film for row in rows] == pytest.approx(films, abs=1e-4)
    curve = compute("correction-curve", {"chart": [row.model_dump() for row in rows]})
    assert curve.lightest_lstar == pytest.approx(93, abs=2)


def test_corners_set_by_hand_are_taken(tmp_path):
    _, cells, lstars = a_test(3, 3)
    proof = printed(cells, lstars, 4 / 3, np.random.default_rng(3))
    found = read(tmp_path, proof, cells, 4 / 3)
    again = read(tmp_path, proof, cells, 4 / 3, corners_px=found.mark_px)
    assert [c.lstar for c in again.cells] == pytest.approx([c.lstar for c in found.cells], abs=0.5)


def test_another_chart_is_no_reading_of_this(tmp_path):
    _, cells, lstars = a_test(3, 3)
    other = cells_of_chart(101, 200.0, 150.0)
    proof = printed(cells, lstars, 4 / 3, np.random.default_rng(9))
    with pytest.raises(CoreError) as refused:
        read(tmp_path, proof, other, 4 / 3)
    assert refused.value.code in ("other-plate", "mirrored-scan")


def test_a_picture_without_a_print_says_so(tmp_path):
    blank = Print(np.full((500, 700, 3), 240, np.uint8))
    with pytest.raises(CoreError) as refused:
        read(tmp_path, blank, cells_of_chart(21, 200.0, 150.0), 4 / 3)
    assert refused.value.code in ("no-plate-mark", "other-plate", "no-paper")


def test_the_calculators_give_patches_and_steps(tmp_path):
    plan, cells, lstars = a_test(3, 3)
    path = tmp_path / "test.png"
    cv2.imwrite(str(path), printed(cells, lstars, 4 / 3, np.random.default_rng(2)).picture)
    size = {"image": str(path), "width_mm": 100, "height_mm": 75}
    times = {"screen_seconds": plan.screen_seconds, "image_seconds": plan.image_seconds}
    told = compute("read-test", size | times)
    assert (told.patches[0].screen_seconds, told.patches[0].image_seconds) == (
        plan.screen_seconds[0], plan.image_seconds[-1],
    )  # fmt: skip
    pair = compute("exposure-pair", {"patches": [p.model_dump() for p in told.patches]})
    assert pair.range_lstar > 50
    steps = cells_of_chart(21, 100, 75)
    lstars = [93 - 3.4 * k for k in range(21)]
    cv2.imwrite(str(path), printed(steps, lstars, 4 / 3, np.random.default_rng(2)).picture)
    read_back = compute("read-steps", size | {"steps": 21})
    assert [s.lstar for s in read_back.steps] == pytest.approx(lstars, abs=3)
