"""Photographs too large to be looked at whole, and pictures that are none of dust."""

import os
import threading

import numpy as np
import pytest
from PIL import Image

import core.image.view as view
from core.calculators import compute
from core.errors import CoreError
from core.image.dust_coverage import MOST_PIXELS, measure_dust
from core.image.light import even_light
from core.image.picture import PictureError, open_photo, open_picture
from core.image.view import ACROSS, DOWN, look_at
from tests.simulator.grain import draw

SIDE = 128


def whole(rgb):
    return lambda rows, columns: rgb[rows, columns]


@pytest.mark.parametrize(("metal", "goal"), [("copper", 0.35), ("copper", 0.5), ("zinc", 0.62)])
def test_windows_over_a_photograph_say_what_the_whole_does(monkeypatch, metal, goal):
    photo = draw(np.random.default_rng(11), goal=goal, metal=metal, shaded=0, uneven=0)
    rgb = np.tile((photo.pixels / 255.0) ** 2.2, (2, 2, 1))
    seen = measure_dust(rgb, photo.um_per_pixel)
    monkeypatch.setattr(view, "MOST_PIXELS", 600_000)
    part = measure_dust(rgb, photo.um_per_pixel)
    assert part.covered == pytest.approx(seen.covered, abs=0.03)
    assert part.grains_are == seen.grains_are
    assert part.median_grain_um == pytest.approx(seen.median_grain_um, rel=0.15)
    assert len(part.patches) == len(seen.patches) == 24


@pytest.mark.parametrize(
    ("size", "um", "step", "pieces"),
    [
        ((1000, 2000), 4.0, 1, 1),
        ((3000, 4000), 1.0, 4, 1),
        ((3000, 4000), 2.0, 2, DOWN * ACROSS),
        ((4000, 6000), 4.0, 1, DOWN * ACROSS),
        ((64, 60_000), 4.0, 1, DOWN * ACROSS),
    ],
)
def test_a_view_is_never_larger_than_what_is_looked_at(size, um, step, pieces):
    asked = []

    def region(rows, columns):
        asked.append((rows, columns))
        return np.ones((rows.stop - rows.start, columns.stop - columns.start, 3))

    seen = look_at(region, size, um)
    assert seen.rgb.shape[0] * seen.rgb.shape[1] <= view.MOST_PIXELS
    assert (len(asked), seen.um_per_pixel) == (pieces, um * step)
    assert seen.rgb.shape[:2] == (len(seen.rows), len(seen.columns))
    assert np.all(np.diff(seen.rows) > 0) and seen.rows[0] >= -1 and seen.rows[-1] <= 1.001
    inside = seen.rgb[seen.piece].shape
    assert np.allclose(
        np.diff(seen.rows[seen.piece[0]]), 2 * step / max(size[0] - step, 1), rtol=0.2
    )
    assert inside[0] * inside[1] * pieces == seen.rgb.shape[0] * seen.rgb.shape[1]


def test_light_that_falls_off_is_the_same_through_windows():
    """A slope over the whole photograph is found from windows that know where they lie."""
    rng = np.random.default_rng(3)
    size = (600, 900)
    slope = np.exp(0.6 * np.linspace(-1, 1, size[1]))[None, :] * np.ones((size[0], 1))
    two = np.where(rng.random(size) < 0.5, 0.2, 0.6)
    rows, columns = (np.linspace(-1, 1, side) for side in size)
    places = np.r_[100:300], np.r_[50:250, 350:550, 650:850]
    part = (two * slope)[np.ix_(*places)]
    found = even_light(part, rows[places[0]], columns[places[1]])
    wanted = slope[np.ix_(*places)]
    apart = found / found.mean() / (wanted / wanted.mean())
    assert np.abs(apart - 1).max() < 0.05


def odd():
    y, x = np.mgrid[0:SIDE, 0:SIDE] / SIDE
    rng = np.random.default_rng(1)
    dot = np.zeros((SIDE, SIDE))
    dot[60, 60] = 1
    return {
        "black": np.zeros((SIDE, SIDE)), "white": np.ones((SIDE, SIDE)), "grey": 0 * x + 0.4,
        "slope": x, "halves": (x > 0.5).astype(float), "checks": (np.indices(x.shape).sum(0) % 2.0),
        "noise": rng.random((SIDE, SIDE)), "dot": dot, "stripes": 1.0 * (np.sin(40 * x) > 0),
        "corner": x * y,
    }  # fmt: skip


@pytest.mark.parametrize("kind", odd())
@pytest.mark.parametrize("um", [0.5, 4.0, 60.0])
def test_a_picture_of_no_grains_gets_a_clear_answer(kind, um):
    rgb = np.repeat(odd()[kind][..., None], 3, axis=2)
    try:
        found = measure_dust(rgb, um)
    except CoreError as error:
        assert error.code == "no-grains" and error.text
    else:
        assert 0 <= found.covered <= 1 and found.verdict


def test_pixels_are_counted_before_they_are_decoded(tmp_path):
    """A file of a few bytes that says it holds a hundred megapixels."""
    path = tmp_path / "huge.png"
    Image.new("L", (12_000, 9_000)).save(path)
    assert path.stat().st_size < 200_000
    with pytest.raises(PictureError) as error:
        open_photo(str(path), MOST_PIXELS)
    assert error.value.code == "too-many-pixels" and error.value.unit == "megapixels"


def test_a_part_of_a_photograph_is_the_same_light_as_of_the_whole(tmp_path):
    path = str(tmp_path / "p.png")
    pixels = np.random.default_rng(2).integers(0, 255, (80, 120, 3), dtype=np.uint8)
    Image.fromarray(pixels).save(path)
    part = open_photo(path).linear(slice(10, 40), slice(20, 90))
    assert np.array_equal(part, open_picture(path)[10:40, 20:90])


def test_sixteen_bits_and_a_turned_phone_are_read_as_they_are(tmp_path):
    grey = tmp_path / "g.png"
    Image.fromarray(np.full((70, 90), 65_535, dtype=np.uint16)).save(grey)
    assert open_picture(str(grey)).max() == pytest.approx(1.0)
    turned, tags = tmp_path / "t.jpg", Image.Exif()
    tags[0x0112] = 6
    Image.new("RGB", (90, 70)).save(turned, exif=tags)
    assert open_photo(str(turned)).size == (90, 70)


def test_a_device_or_a_pipe_is_no_picture(tmp_path):
    pipe = tmp_path / "pipe"
    os.mkfifo(pipe)
    for path in ("/dev/zero", str(pipe), str(tmp_path)):
        told = []
        asked = threading.Thread(target=refused, args=(path, told), daemon=True)
        asked.start()
        asked.join(10)
        assert told == ["not-a-picture"], path


def refused(path, told):
    try:
        compute("dust-coverage", {"image": path, "um_per_pixel": 4})
    except CoreError as error:
        told.append(error.code)
