import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.core.drypoint.photographs import drawn, f1, photographs, strokes

SIZE = (1000, 760)


def view_of(paths, folder, **more):
    told = compute("scratch-view", {"images": paths, "write": str(folder / "view.png"), **more})
    return told, cv2.imread(told.path, cv2.IMREAD_UNCHANGED)


def scratched(view):
    """Return the scratched pixels as they lie on the photograph."""
    return (view < 128)[:, ::-1]


@pytest.mark.parametrize(
    "more",
    [{}, {"noise": 6.0}, {"floor": 0.0}, {"moved": False}, {"sides": (0.0, 90.0)}],
    ids=["usual", "grainy", "dark-along-the-light", "unmoved", "two-lights"],
)
def test_scratches_are_found_from_side_lit_photographs(tmp_path, more):
    for seed in (1, 2):
        rows = strokes(55, SIZE, seed)
        told, view = view_of(photographs(tmp_path, rows, SIZE, seed, **more), tmp_path)
        true = drawn(rows, SIZE)
        assert f1(scratched(view), true) > 0.92
        assert f1(scratched(view), true, within_px=1) > 0.985
        assert told.scratched_share == pytest.approx(true.mean(), rel=0.12)


def test_a_dense_plate_and_one_with_few_scratches(tmp_path):
    for count in (3, 350):
        rows = strokes(count, SIZE, count, hatched=False)
        _, view = view_of(photographs(tmp_path, rows, SIZE, 3), tmp_path)
        assert f1(scratched(view), drawn(rows, SIZE), within_px=1) > 0.97


def test_the_view_is_mirrored_once_and_keeps_its_size(tmp_path):
    rows = strokes(30, SIZE, 4)
    told, view = view_of(photographs(tmp_path, rows, SIZE, 4), tmp_path)
    true = drawn(rows, SIZE)
    assert view.dtype == np.uint8 and view.shape == (SIZE[1], SIZE[0])
    assert (told.width_px, told.height_px) == SIZE
    assert f1(view < 128, true[:, ::-1], 1) > 0.98 > 0.5 > f1(view < 128, true, 1)
    assert told.scratched_share == pytest.approx((view < 128).mean(), abs=1e-5)


def test_how_each_photograph_lay_is_told(tmp_path):
    rows = strokes(50, SIZE, 5)
    chance = np.random.default_rng(5)
    off = [(chance.uniform(-0.8, 0.8), chance.uniform(-12, 12, 2)) for _ in range(3)]
    told, _ = view_of(photographs(tmp_path, rows, SIZE, 5), tmp_path)
    assert told.photographs[0].moved_px == 0
    for each, (turn, _) in zip(told.photographs[1:], off, strict=True):
        assert each.turned_deg == pytest.approx(-turn, abs=0.05)


def test_a_light_along_the_lines_shows_none_of_them(tmp_path):
    rows = [each for each in strokes(0, SIZE, 6) if each]
    level = [np.array([[100.0, y], [900.0, y]]) for y in range(80, 700, 25)]
    rows = [type(rows[0])(points, 3, 0.9) for points in level]
    paths = photographs(tmp_path, rows, SIZE, 6, sides=(0.0, 90.0), floor=0.0, moved=False)
    told, view = view_of(paths, tmp_path)
    assert [each.code for each in told.warnings] == ["nothing-in-it"]
    assert told.warnings[0].image == 1
    assert f1(scratched(view), drawn(rows, SIZE), 1) > 0.98


def test_a_reflection_is_named_and_the_other_lights_fill_it(tmp_path):
    rows = strokes(50, SIZE, 7)
    paths = photographs(tmp_path, rows, SIZE, 7)
    glared = photographs(tmp_path / ".", rows, SIZE, 7, glare=((0.3, -0.2), 0.12))[1]
    glared = cv2.imread(glared)
    photographs(tmp_path, rows, SIZE, 7)
    cv2.imwrite(paths[1], glared)
    told, view = view_of(paths, tmp_path)
    assert [(each.code, each.image) for each in told.warnings] == [("glare", 2)]
    assert f1(scratched(view), drawn(rows, SIZE), 1) > 0.98


def test_an_inked_copper_plate_gives_the_same_from_one_picture(tmp_path):
    rows = strokes(40, SIZE, 8)
    true = drawn(rows, SIZE)
    plate = np.where(true, 60, 190) + np.random.default_rng(8).normal(0, 3, true.shape)
    soft = cv2.GaussianBlur(plate.astype(np.float32), (0, 0), 0.7)
    cv2.imwrite(str(tmp_path / "inked.png"), soft.clip(0, 255).astype(np.uint8))
    told, view = view_of([str(tmp_path / "inked.png")], tmp_path, inked=True)
    assert f1(scratched(view), true, 1) > 0.98 and len(told.photographs) == 1


def test_one_photograph_of_clear_plastic_is_refused(tmp_path):
    paths = photographs(tmp_path, strokes(20, SIZE, 9), SIZE, 9)
    with pytest.raises(CoreError) as error:
        view_of(paths[:1], tmp_path)
    assert (error.value.field, error.value.allowed) == ("images", "2 to 6")


@pytest.mark.parametrize("place", [0, 2])
def test_another_plate_is_refused_and_named(tmp_path, place):
    paths = photographs(tmp_path, strokes(50, SIZE, 10), SIZE, 10)[:3]
    (tmp_path / "other").mkdir()
    others = photographs(tmp_path / "other", strokes(50, SIZE, 11), SIZE, 11)
    paths[place] = others[place]
    with pytest.raises(CoreError) as error:
        view_of(paths, tmp_path)
    assert error.value.code == "another-plate"
    assert error.value.field == f"images.{place}"


def test_photographs_of_other_sizes_and_no_pictures_are_refused(tmp_path):
    paths = photographs(tmp_path, strokes(20, SIZE, 12), SIZE, 12)
    cv2.imwrite(paths[1], cv2.imread(paths[1])[:-40])
    with pytest.raises(CoreError) as error:
        view_of(paths, tmp_path)
    assert (error.value.code, error.value.field) == ("sizes-differ", "images.1")
    with pytest.raises(CoreError) as error:
        view_of([paths[0], str(tmp_path / "none.png")], tmp_path)
    assert (error.value.code, error.value.field) == ("not-a-picture", "images.1")


def test_a_bare_plate_says_that_hardly_a_scratch_is_seen(tmp_path):
    told, view = view_of(photographs(tmp_path, [], SIZE, 13), tmp_path)
    assert told.scratched_share < 1e-3 and (view < 128).mean() < 1e-3
    assert told.warnings[-1].code == "few-scratches"


def test_it_tells_how_far_it_is(tmp_path):
    told = []
    paths = photographs(tmp_path, strokes(20, SIZE, 14), SIZE, 14)
    compute("scratch-view", {"images": paths, "write": str(tmp_path / "v.png")}, told.append)
    assert len(told) > 5 and told == sorted(told) and told[-1] <= 1
