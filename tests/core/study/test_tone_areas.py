"""Tone areas of pictures: shares, tones and errors that are known, and what is refused."""

import json

import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.core.study.pictures import bands, clouds, save

GIVEN = {"lightest_lstar": 94, "darkest_lstar": 20, "smooth_mm": 0, "width_mm": 80, "height_mm": 60}


def ask(path, **more):
    return compute("tone-areas", {"image": path, **GIVEN, **more})


def choice(out, count):
    return next(each for each in out.choices if each.count == count)


def test_flat_greys_are_found_with_their_shares(tmp_path):
    """Bands of L* 100, 75, 50 and 0, mapped to 94 … 20: 94, 75.5, 57, 20."""
    out = ask(save(tmp_path / "b.png", bands([100, 75, 50, 0])), counts=[2, 3, 4])
    four = choice(out, 4)
    assert four.tones_lstar == pytest.approx([94, 75.5, 57, 20], abs=0.4)
    assert four.shares == pytest.approx([0.25] * 4, abs=1e-6)
    assert four.areas_cm2 == pytest.approx([12] * 4) and four.rms_lstar < 0.05


def test_the_greys_may_stay_as_they_are(tmp_path):
    path = save(tmp_path / "b.png", bands([90, 60, 5]))
    three = choice(ask(path, counts=[3], map="as-is"), 3)
    assert three.tones_lstar == pytest.approx([90, 60, 20], abs=0.4)
    assert three.rms_lstar == pytest.approx(15 / np.sqrt(3), abs=0.3)


def test_what_no_number_of_tones_reaches_is_the_floor(tmp_path):
    out = ask(save(tmp_path / "b.png", bands([90, 60, 5])), map="as-is")
    assert out.floor_lstar == pytest.approx(15 / np.sqrt(3), abs=0.3)
    assert "out-of-reach" in [warning.code for warning in out.warnings]


def test_a_picture_of_few_greys_has_few_choices_and_says_so(tmp_path):
    out = ask(save(tmp_path / "b.png", bands([100, 60, 10])))
    assert [each.count for each in out.choices] == [2, 3]
    assert [warning.code for warning in out.warnings] == ["fewer-greys"]


def test_the_error_is_that_of_the_picture_itself(tmp_path):
    """The error told is the one measured by putting each pixel to its nearest tone."""
    from core.study.levels import read_levels

    path = save(tmp_path / "c.png", clouds())
    own = 20 + 74.0 * read_levels(path) / 1023
    for each in ask(path).choices:
        tones = np.array(each.tones_lstar)
        nearest = tones[np.abs(own[..., None] - tones).argmin(axis=-1)]
        assert np.sqrt(((own - nearest) ** 2).mean()) == pytest.approx(each.rms_lstar, abs=0.002)


def test_smoothing_takes_specks_out_and_leaves_edges_without_a_ribbon(tmp_path):
    """White and black with specks finer than the brush: two tones stay two."""
    pixels = bands([100, 0], (600, 800))
    rng = np.random.default_rng(2)
    for y, x in rng.integers(5, 595, (60, 2)):
        pixels[y : y + 3, x : x + 3] = 128
    out = ask(save(tmp_path / "s.png", pixels), smooth_mm=1.5, counts=[2, 3])
    two = choice(out, 2)
    assert two.shares == pytest.approx([0.5, 0.5], abs=0.002) and two.rms_lstar < 0.5
    assert choice(ask(save(tmp_path / "s.png", pixels), counts=[2]), 2).rms_lstar > 0.8


def test_hatching_becomes_its_mean_tone_not_white(tmp_path):
    """A quarter black lines: light of three quarters, whatever the eye makes of the lines."""
    pixels = np.full((600, 800), 255, np.uint8)
    pixels[:, ::4] = 0
    pixels[:, 400:] = 0
    two = choice(ask(save(tmp_path / "h.png", pixels), smooth_mm=1.5, counts=[2]), 2)
    assert two.tones_lstar[0] == pytest.approx(20 + 74 * 0.75, abs=3)


@pytest.mark.parametrize(("more", "field"), [
    ({"counts": [1]}, "counts.0"), ({"counts": [9]}, "counts.0"), ({"counts": [3, 3]}, "counts"),
    ({"lightest_lstar": 20}, ""), ({"width_mm": 0}, "width_mm"), ({"smooth_mm": -1}, "smooth_mm"),
    ({"map": "auto"}, "map"), ({"more": 1}, "more"),
])  # fmt: skip
def test_out_of_limits_is_refused_by_its_field(tmp_path, more, field):
    with pytest.raises(CoreError) as refused:
        ask(save(tmp_path / "c.png", clouds()), **more)
    assert refused.value.field == field


@pytest.mark.parametrize(("shape", "more", "code"), [
    ((300, 400), {"width_mm": 600, "height_mm": 450}, "too-coarse"),
    ((100, 400), {}, "other-proportions"),
])  # fmt: skip
def test_a_picture_that_cannot_fill_the_plate_is_refused(tmp_path, shape, more, code):
    with pytest.raises(CoreError) as refused:
        ask(save(tmp_path / "c.png", clouds(shape=shape)), **more)
    assert refused.value.code == code and refused.value.value is not None


def test_one_flat_grey_is_refused_and_a_coarse_one_is_said(tmp_path):
    with pytest.raises(CoreError) as refused:
        ask(save(tmp_path / "g.png", np.full((300, 400), 128)))
    assert refused.value.code == "one-grey"
    out = ask(save(tmp_path / "c.png", clouds()), width_mm=200, height_mm=150)
    assert [warning.code for warning in out.warnings] == ["too-coarse"]
    assert "2.0 px per mm" in out.warnings[0].text


def test_its_answer_is_plain_json(tmp_path):
    out = ask(save(tmp_path / "c.png", clouds()), counts=[5])
    kept = json.loads(out.model_dump_json())["choices"][0]
    assert set(kept) >= {"count", "tones_lstar", "shares", "rms_lstar"}
