"""Sketches laid on a plate: where they lie, how they are turned and combined, what is refused."""

import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from core.study.field import read_field
from tests.core.study.pictures import bands, letter, save


def lay(tmp_path, *sketches, **more):
    given = {"sketches": list(sketches), "width_mm": 80, "height_mm": 60, "smooth_mm": 0,
             "write": str(tmp_path / "out"), **more}  # fmt: skip
    out = compute("study-field", given)
    return out, read_field(out.path) / 1023 * 100


def on(path, **more):
    return {"image": path, "width_mm": 80, "height_mm": 60, **more}


def at(field, x_mm, y_mm):
    return field[int(y_mm * 12), int(x_mm * 12)]


def test_a_sketch_fills_the_plate_it_is_laid_on(tmp_path):
    out, field = lay(tmp_path, on(save(tmp_path / "b.png", bands([100, 50, 0]))))
    assert field.shape == (720, 960) and out.px_per_mm == 12 and out.finest_px_per_mm == 5
    assert [round(at(field, x, 30)) for x in (10, 40, 70)] == [100, 50, 0]
    assert sum(out.counts) == field.size


def test_it_may_be_cropped_turned_and_stand_over(tmp_path):
    path = save(tmp_path / "f.png", letter())
    _, plain = lay(tmp_path, on(path))
    _, over = lay(tmp_path, on(path, turned=180))
    assert np.array_equal(over[::-1, ::-1], plain)
    _, most = lay(tmp_path, on(path, crop=[0, 0, 0.8, 1]))
    assert at(most, 16, 45) == 0 and at(plain, 16, 45) > 99
    _, aside = lay(tmp_path, on(path, left_mm=-8))
    assert at(aside, 3, 30) == 0 and at(aside, 76, 30) == 100


def test_two_are_combined_over_each_other_or_where_they_are_darker(tmp_path):
    dark = save(tmp_path / "d.png", bands([100, 0]))
    grey = save(tmp_path / "g.png", bands([60, 60]))
    half = {"left_mm": 40, "width_mm": 40}
    _, over = lay(tmp_path, on(dark), on(grey, **half))
    assert at(over, 70, 30) == pytest.approx(60, abs=0.5) and at(over, 10, 30) == 100
    _, darker = lay(tmp_path, on(grey), on(dark, lies="darkens"))
    assert at(darker, 70, 30) == 0 and at(darker, 10, 30) == pytest.approx(60, abs=0.5)


def test_levels_make_black_and_white_and_bend_the_middle(tmp_path):
    path = save(tmp_path / "b.png", bands([90, 55, 20]))
    _, field = lay(tmp_path, on(path), tuning={"black": 20, "white": 90})
    assert [round(at(field, x, 30)) for x in (10, 40, 70)] == [100, 50, 0]
    _, bent = lay(tmp_path, on(path), tuning={"black": 20, "white": 90, "gamma": 2})
    assert round(at(bent, 40, 30)) == 25


@pytest.mark.parametrize(("sketch", "more", "code"), [
    ({"width_mm": 300, "height_mm": 225}, {}, "too-coarse"),
    ({"left_mm": 90}, {}, "beside-the-plate"), ({"image": "/nowhere.png"}, {}, "not-a-picture"),
])  # fmt: skip
def test_what_cannot_be_laid_is_refused_by_the_sketch(tmp_path, sketch, more, code):
    good = on(save(tmp_path / "f.png", letter()))
    with pytest.raises(CoreError) as refused:
        lay(tmp_path, good, good | sketch, **more)
    assert (refused.value.code, refused.value.field) == (code, "sketches.1")


def test_nothing_but_one_grey_is_refused(tmp_path):
    with pytest.raises(CoreError) as refused:
        lay(tmp_path, on(save(tmp_path / "w.png", np.full((300, 400), 255))))
    assert refused.value.code == "one-grey"


@pytest.mark.parametrize(("more", "field"), [
    ({"tuning": {"black": 60, "white": 62}}, "tuning"), ({"sketches": []}, "sketches"),
    ({"smooth_mm": 50}, "smooth_mm"),
])  # fmt: skip
def test_out_of_limits_is_refused_by_its_field(tmp_path, more, field):
    with pytest.raises(CoreError) as refused:
        lay(tmp_path, on(save(tmp_path / "f.png", letter())), **more)
    assert refused.value.field == field
