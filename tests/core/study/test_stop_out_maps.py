"""Stop-out maps: what each stage covers, on pictures; mirrored by picture, not by flag."""

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from core.study.levels import read_levels
from core.study.stop_out_maps import enlarge
from tests.core.study.pictures import bands, clouds, letter, save

GIVEN = {"lightest_lstar": 94, "darkest_lstar": 20, "width_mm": 80, "height_mm": 60, "dpi": 127}


def ask(path, folder, **more):
    return compute("stop-out-maps", {"image": path, "write": str(folder), **GIVEN, **more})


def maps(out):
    return [cv2.imread(stage.path, cv2.IMREAD_UNCHANGED) for stage in out.stages]


def test_each_stage_covers_the_next_tone_and_keeps_what_was_covered(tmp_path):
    path = save(tmp_path / "b.png", bands([100, 66, 33, 0]))
    out = ask(path, tmp_path / "m", tones_lstar=[94, 69, 45, 20], mirrored=False)
    assert [stage.number for stage in out.stages] == [1, 2, 3]
    for i, seen in enumerate(maps(out)):
        assert seen.dtype == np.uint8 and seen.shape == (300, 400)
        columns = [int(seen[150, x]) for x in (50, 150, 250, 350)]
        assert columns == [0] * i + [128] + [255] * (3 - i)
    assert [s.cover_cm2 for s in out.stages] == pytest.approx([12, 12, 12])
    assert [s.covered_cm2 for s in out.stages] == pytest.approx([12, 24, 36])
    assert [s.open_cm2 for s in out.stages] == pytest.approx([36, 24, 12])


def test_opening_up_turns_it_round(tmp_path):
    path = save(tmp_path / "b.png", bands([100, 50, 0]))
    out = ask(path, tmp_path / "m", tones_lstar=[94, 57, 20], mirrored=False, method="open-up")
    first, second = maps(out)
    assert [int(first[150, x]) for x in (60, 200, 350)] == [0, 0, 128]
    assert [int(second[150, x]) for x in (60, 200, 350)] == [0, 128, 255]
    assert [s.cover_cm2 for s in out.stages] == pytest.approx([16, 16], abs=0.2)
    assert [s.open_cm2 for s in out.stages] == pytest.approx([16, 32], abs=0.2)


def test_a_letter_lies_mirrored_on_every_map(tmp_path):
    path = save(tmp_path / "f.png", letter())
    tones = {"tones_lstar": [94, 57, 20]}
    right = maps(ask(path, tmp_path / "r", mirrored=False, **tones))
    laid = maps(ask(path, tmp_path / "l", **tones))
    for own, mirrored in zip(right, laid, strict=True):
        assert np.array_equal(own[:, ::-1], mirrored)
        assert (own[:, :200] == 255).any() and not (own[:, 200:] == 255).any()
        assert (mirrored[:, 200:] == 255).any() and not (mirrored[:, :200] == 255).any()


def test_a_pixel_belongs_to_the_nearest_tone(tmp_path):
    path = save(tmp_path / "c.png", clouds())
    tones = np.array([90, 70, 50, 30])
    own = 20 + 74.0 * read_levels(path) / 1023
    nearest = np.abs(own[..., None] - tones).argmin(axis=-1)
    out = ask(path, tmp_path / "m", tones_lstar=list(map(float, tones)), mirrored=False)
    for i, seen in enumerate(maps(out)):
        want = np.select([nearest < i, nearest == i], [0, 128], 255)
        assert (seen != want).mean() < 0.003  # a tie may fall to either


def test_between_white_and_black_there_is_no_ribbon_of_middle_tones(tmp_path):
    path = save(tmp_path / "f.png", letter())
    out = ask(path, tmp_path / "m", tones_lstar=[94, 75, 57, 38, 20], dpi=500)
    assert [s.cover_cm2 for s in out.stages][1:] == [0, 0, 0]


@pytest.mark.parametrize("size", [(1600, 1200), (200, 150)])
def test_areas_keep_their_size_at_any_resolution_and_lie_within_each_other(size):
    labels = (clouds(3) // 64).astype(np.uint8)
    other = enlarge(labels, size, 4)
    assert other.shape == (size[1], size[0])
    for tone in range(4):
        assert (other == tone).mean() == pytest.approx((labels == tone).mean(), abs=0.006)


def test_the_file_says_how_large_it_prints(tmp_path):
    from PIL import Image

    out = ask(save(tmp_path / "f.png", letter()), tmp_path / "m", tones_lstar=[94, 20], dpi=300)
    with Image.open(out.stages[0].path) as picture:
        assert picture.mode == "L" and picture.size == (945, 709)
        assert picture.info["dpi"] == pytest.approx((300, 300), abs=0.1)


@pytest.mark.parametrize(("more", "field"), [
    ({"tones_lstar": [50]}, "tones_lstar"), ({"tones_lstar": [20, 90]}, "tones_lstar"),
    ({"dpi": 5}, "dpi"), ({"dpi": 1200, "width_mm": 600, "height_mm": 450}, "dpi"),
    ({"write": ""}, "write"), ({"method": "both"}, "method"),
])  # fmt: skip
def test_out_of_limits_is_refused_by_its_field(tmp_path, more, field):
    path = save(tmp_path / "f.png", letter())
    with pytest.raises(CoreError) as refused:
        compute("stop-out-maps", {"image": path, "write": str(tmp_path / "m"), **GIVEN,
                                  "tones_lstar": [94, 20], **more})  # fmt: skip
    assert refused.value.field == field


def test_a_folder_that_cannot_be_written_is_said(tmp_path):
    (tmp_path / "m").write_text("a file")
    with pytest.raises(CoreError) as refused:
        ask(save(tmp_path / "f.png", letter()), tmp_path / "m", tones_lstar=[94, 20])
    assert (refused.value.code, refused.value.field) == ("cannot-write", "write")
