"""A photograph before the dip: what was forgotten is found, on photographs drawn by code."""

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from core.study.divide import divide
from core.study.field import read_field
from core.study.stages import areas_of, stages_of
from tests.core.study.pictures import clouds, cut, save
from tests.simulator.painted import painted_plate, photographed

SIZE = {"width_mm": 200, "height_mm": 150}
LAID_PX = (1000, 750)
MANY, ENOUGH = 8, 8
"""``benchmarks/missed_whites.py`` asks 100 and more."""


@pytest.fixture(scope="module")
def study(tmp_path_factory):
    folder = tmp_path_factory.mktemp("study")
    sketch = {"image": save(folder / "s.png", clouds(11, (750, 1000))), **SIZE}
    given = {"sketches": [sketch], **SIZE, "smooth_mm": 3, "write": str(folder)}
    return compute("study-field", given).path


def photograph(study, tmp_path, seed, bite, forget=1):
    """Return the path of a photograph and where something was forgotten."""
    rng = np.random.default_rng(seed)
    labels = divide(read_field(study), cut(join_mm2=20), 200.0)
    stage = stages_of(areas_of(labels, cut(join_mm2=20), 200.0), "stop-out")[bite - 1]
    laid = cv2.resize(cv2.flip(labels, 1), LAID_PX, interpolation=cv2.INTER_NEAREST)
    metal = "zinc" if seed % 4 == 0 else "copper"
    plate, missed = painted_plate(laid, cv2.LUT(laid, stage.table), 200, rng, metal, forget)
    shot, corners = photographed(plate, rng)
    path = str(tmp_path / f"{seed}.jpg")
    cv2.imwrite(path, shot, [cv2.IMWRITE_JPEG_QUALITY, 88])
    return path, missed, corners


def look(study, path, bite, **more):
    given = {"image": path, "field": study, "cut": cut(join_mm2=20).model_dump(), **SIZE}
    return compute("look-over", {**given, "bite": bite, **more})


def is_there(mark, missed):
    x, y = int(mark.x_mm * 5), int(mark.y_mm * 5)
    return bool(missed[max(0, y - 15) : y + 15, max(0, x - 15) : x + 15].any())


def test_what_was_forgotten_is_found_and_little_else_is_marked(study, tmp_path):
    found, false = 0, []
    for seed in range(MANY):
        bite = 2 + seed % 2
        path, missed, _ = photograph(study, tmp_path, 300 + seed, bite)
        marks = look(study, path, bite).marks
        hits = [is_there(mark, missed) for mark in marks]
        found += any(hits)
        false.append(hits.count(False))
    assert found >= ENOUGH and max(false) <= 1


def test_a_plate_that_is_painted_as_it_should_has_no_marks(study, tmp_path):
    path, _, corners = photograph(study, tmp_path, 501, 3, forget=0)
    out = look(study, path, 3)
    assert len(out.marks) <= 1 and out.sure
    assert np.abs(np.array(out.corners_px) - corners).max() < 10


def test_corners_that_are_given_are_taken(study, tmp_path):
    path, missed, corners = photograph(study, tmp_path, 503, 3)
    out = look(study, path, 3, corners_px=corners.tolist())
    assert any(is_there(mark, missed) for mark in out.marks)


def test_where_there_is_no_plate_it_asks_for_corners(study, tmp_path):
    path = save(tmp_path / "flat.png", np.full((600, 800), 128))
    with pytest.raises(CoreError) as refused:
        look(study, path, 3)
    assert (refused.value.code, refused.value.field) == ("no-plate", "corners_px")


@pytest.mark.parametrize(("more", "code"), [
    ({"bite": 9}, "no-stage"),
    ({"corners_px": [[10, 10], [700, 500], [700, 10], [10, 500]]}, "crossed-corners"),
])  # fmt: skip
def test_what_makes_no_sense_is_refused(study, tmp_path, more, code):
    path, _, _ = photograph(study, tmp_path, 505, 3)
    with pytest.raises(CoreError) as refused:
        look(study, path, **{"bite": 3, **more})
    assert refused.value.code == code
