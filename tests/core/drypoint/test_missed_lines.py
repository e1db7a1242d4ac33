import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.core.drypoint.photographs import drawn, strokes

SIZE = (1440, 1040)
PLATE = {"width_mm": 180, "height_mm": 130}
PX = 8.0


def plate(folder, seed, missed=6, count=60):
    """Write the view of a plate and its drawing, laid a little askew; return what is missed."""
    chance = np.random.default_rng(seed)
    rows = strokes(count, SIZE, seed + 40, hatched=False)
    left_out = chance.choice(count, missed, replace=False)
    done = [each for place, each in enumerate(rows) if place not in left_out]
    cv2.imwrite(str(folder / "view.png"), np.where(drawn(done, SIZE), 40, 255).astype(np.uint8))
    lines = np.where(drawn(rows, SIZE, widest=3), 90, 250).astype(np.uint8)
    askew = cv2.getRotationMatrix2D((720, 520), chance.uniform(-0.5, 0.5), 1.005)
    askew[:, 2] += chance.uniform(-9, 9, 2)
    lines = cv2.warpAffine(lines, askew, SIZE, borderValue=250)
    cv2.imwrite(str(folder / "drawing.png"), lines)
    return [rows[place] for place in left_out], done


def told_of(folder, **more):
    paths = {"view": str(folder / "view.png"), "drawing": str(folder / "drawing.png")}
    return compute("missed-lines", {**paths, **PLATE, **more})


def boxes(told):
    mask = np.zeros((SIZE[1], SIZE[0]), np.uint8)
    for each in told.lines:
        low = (int(each.x_mm * PX) - 6, int(each.y_mm * PX) - 6)
        high = (int((each.x_mm + each.width_mm) * PX) + 6,
                int((each.y_mm + each.height_mm) * PX) + 6)  # fmt: skip
        cv2.rectangle(mask, low, high, 1, -1)
    return mask > 0


def test_lines_not_scratched_are_listed_and_few_others(tmp_path):
    found, false, all_done = [], 0.0, 0.0
    for seed in range(4):
        missed, done = plate(tmp_path, seed)
        told = told_of(tmp_path)
        near = cv2.dilate(drawn(done, SIZE, widest=3).astype(np.uint8), np.ones((11, 11))) > 0
        marked = boxes(told)
        for each in missed:
            alone = drawn([each], SIZE, widest=3) & ~near
            if alone.sum() > 100:
                found.append(float(marked[alone].mean()))
        true_m = sum(_length(each) for each in missed) / PX / 1000
        false += max(0.0, told.missed_m - true_m)
        all_done += told.drawn_m
    assert np.mean(np.array(found) > 0.6) >= 0.9
    assert np.mean(found) > 0.9
    assert false / all_done < 0.05


def _length(stroke):
    return float(np.linalg.norm(np.diff(stroke.points, axis=0), axis=1).sum())


def test_a_plate_that_is_done_says_so(tmp_path):
    plate(tmp_path, 5, missed=0)
    told = told_of(tmp_path)
    assert told.done_share > 0.98 and len(told.lines) <= 1


def test_share_done_grows_with_what_is_scratched(tmp_path):
    shares = []
    for missed in (50, 30, 10):
        plate(tmp_path, 6, missed=missed)
        shares.append(told_of(tmp_path).done_share)
    assert shares == sorted(shares) and shares[0] < 0.4 < shares[-1]


def test_a_mirrored_drawing_is_turned_once(tmp_path):
    plate(tmp_path, 7)
    straight = told_of(tmp_path)
    path = str(tmp_path / "drawing.png")
    cv2.imwrite(path, cv2.imread(path)[:, ::-1])
    assert told_of(tmp_path, drawing_mirrored=True).lines == straight.lines
    with pytest.raises(CoreError) as error:
        told_of(tmp_path)
    assert error.value.code == "another-drawing"


def test_a_plate_within_the_photograph_by_its_corners(tmp_path):
    missed, _ = plate(tmp_path, 8)
    view = cv2.imread(str(tmp_path / "view.png"), 0)
    framed = cv2.copyMakeBorder(view, 100, 60, 150, 80, cv2.BORDER_CONSTANT, value=255)
    cv2.imwrite(str(tmp_path / "view.png"), framed)
    corners = [(150, 100), (150 + SIZE[0], 100), (150 + SIZE[0], 100 + SIZE[1]),
               (150, 100 + SIZE[1])]  # fmt: skip
    told = told_of(tmp_path, corners_px=corners)
    assert missed and told.done_share > 0.85


def test_lines_that_ran_into_the_bevel_name_the_edge(tmp_path):
    plate(tmp_path, 9)
    view = cv2.imread(str(tmp_path / "view.png"), 0)
    view[:14] = 255
    view[:, -14:] = 255
    view[-14:] = 255
    view[:, :14] = 255
    cv2.imwrite(str(tmp_path / "view.png"), view)
    assert told_of(tmp_path).bevel == []
    view[200:260, :8] = 0
    cv2.imwrite(str(tmp_path / "view.png"), view)
    assert told_of(tmp_path).bevel == ["left"]


def test_what_is_no_drawing_or_no_plate_is_refused(tmp_path):
    plate(tmp_path, 10)
    cv2.imwrite(str(tmp_path / "drawing.png"), np.full((400, 500), 250, np.uint8))
    with pytest.raises(CoreError) as error:
        told_of(tmp_path)
    assert (error.value.code, error.value.field) == ("nothing-drawn", "drawing")
    with pytest.raises(CoreError) as error:
        told_of(tmp_path, corners_px=[(0, 0), (5, 0), (5, 5), (0, 5)])
    assert error.value.field == "corners_px"
    with pytest.raises(CoreError) as error:
        told_of(tmp_path, view=str(tmp_path / "none.png"))
    assert error.value.field == "view"
