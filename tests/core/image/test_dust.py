"""Dust coverage against photographs whose coverage is known to the pixel."""

from functools import cache

import numpy as np
import pytest
from PIL import Image

from core.calculators import compute
from core.errors import CoreError
from core.image.dust_coverage import measure_dust, verdict_of
from core.image.light import even_light
from core.image.picture import open_picture
from tests.simulator.grain import draw

POINTS = 0.03
CASES = [
    {"metal": metal, "lighter": lighter, "goal": goal}
    for metal in ("copper", "zinc")
    for lighter in (True, False)
    for goal in (0.32, 0.5, 0.66)
]


@cache
def photographs():
    return [draw(np.random.default_rng(300 + i), **case) for i, case in enumerate(CASES)]


@cache
def measured(tmp):
    found = []
    for place, photo in enumerate(photographs()):
        path = photo.save(f"{tmp}/grain-{place}.png")
        given = {"image": path, "um_per_pixel": photo.um_per_pixel}
        found.append(compute("dust-coverage", given))
    return found


@pytest.fixture(scope="module")
def folder(tmp_path_factory):
    return tmp_path_factory.mktemp("grains")


def test_coverage_is_within_three_points_whatever_the_metal_and_the_light(folder):
    off = [m.covered - p.covered for m, p in zip(measured(folder), photographs(), strict=True)]
    assert np.sqrt(np.mean(np.square(off))) < POINTS
    assert np.abs(off).max() < 3 * POINTS


def test_grains_are_told_by_shape_not_by_lightness(folder):
    said = [m.grains_are for m in measured(folder)]
    assert said == ["lighter" if case["lighter"] else "darker" for case in CASES]


def test_the_map_adds_up_and_the_shape_is_whole(folder):
    seen = measured(folder)[0]
    mean = np.mean([patch.covered for patch in seen.patches])
    assert mean == pytest.approx(seen.covered, abs=0.02)
    fixed = {"covered", "covered_spread", "grains_per_mm2", "median_grain_um", "verdict", "reasons"}
    assert fixed <= set(seen.model_dump())
    assert (seen.verdict, len(seen.reasons) > 0) == ("too thin", True)
    assert seen.grains_per_mm2 > 0 and 10 < seen.median_grain_um < 120


def test_scale_moves_sizes_and_not_coverage(folder):
    photo = photographs()[0]
    rgb = open_picture(photo.save(f"{folder}/again.png"))
    fine, coarse = (measure_dust(rgb, photo.um_per_pixel * k) for k in (0.5, 1.0))
    assert fine.covered == coarse.covered
    assert coarse.median_grain_um == pytest.approx(2 * fine.median_grain_um, rel=0.02)


@pytest.mark.parametrize(
    ("covered", "verdict"),
    [(0.2, "too thin"), (0.42, "thin"), (0.5, "good"), (0.58, "full"), (0.61, "too full")],
)
def test_verdicts_at_the_limits_of_practice(covered, verdict):
    assert verdict_of(covered) == verdict


def test_a_slope_of_light_is_evened_out():
    y, x = np.mgrid[0:160, 0:160]
    patches = np.where((x // 8 + y // 8) % 2, 0.6, 0.3)
    lit = patches * (0.5 + x / 160)
    evened = lit / even_light(lit)
    for kind in (0.3, 0.6):
        part = evened[patches == kind]
        assert part.std() / part.mean() < 0.03


def refused(array, tmp_path, name="x.png"):
    path = tmp_path / name
    Image.fromarray(array).save(path)
    with pytest.raises(CoreError) as caught:
        compute("dust-coverage", {"image": str(path), "um_per_pixel": 4})
    return caught.value


def test_a_photograph_without_grains_is_refused(tmp_path):
    noise = np.random.default_rng(1).normal(150, 8, (300, 300, 3)).clip(0, 255)
    assert refused(noise.astype(np.uint8), tmp_path).code == "no-grains"
    assert refused(np.full((300, 300, 3), 120, np.uint8), tmp_path).code == "no-grains"


def test_bad_files_name_field_and_limit(tmp_path):
    tiny = refused(np.zeros((20, 20, 3), np.uint8), tmp_path)
    assert (tiny.code, tiny.unit) == ("too-small", "px")
    text = tmp_path / "notes.png"
    text.write_text("no picture")
    for path in (text, tmp_path / "missing.png"):
        with pytest.raises(CoreError) as caught:
            compute("dust-coverage", {"image": str(path), "um_per_pixel": 4})
        assert (caught.value.code, caught.value.field) == ("not-a-picture", "image")


@pytest.mark.parametrize("mode", ["L", "I;16"])
def test_grey_and_sixteen_bit_pictures_are_read(mode, tmp_path):
    values = np.linspace(0, 255, 64 * 64).reshape(64, 64)
    grey = values.astype(np.uint8) if mode == "L" else (values * 257).astype(np.uint16)
    Image.fromarray(grey).save(tmp_path / "grey.png")
    light = open_picture(str(tmp_path / "grey.png"))
    assert light.shape == (64, 64, 3)
    assert light.min() == 0 and light.max() == pytest.approx(1, abs=0.01)
