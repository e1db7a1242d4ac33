"""Lightness of files of every kind, against the definition and against Pillow's own turning."""

import cv2
import numpy as np
import pytest
from PIL import Image, ImageCms, ImageOps

from core.errors import CoreError
from core.study.levels import TOP, count_levels, read_levels
from tests.core.study.pictures import clouds, save, srgb

RAMP = np.tile(np.linspace(0, 255, 120).astype(np.uint8), (20, 1))


def lstars(path):
    return read_levels(str(path)) / TOP * 100


@pytest.mark.parametrize("lstar", [0, 12, 37, 50, 81, 100])
def test_a_grey_of_known_lightness_is_read_as_that(tmp_path, lstar):
    flat = np.full((10, 10), srgb(lstar))
    assert lstars(save(tmp_path / "g.png", flat)).mean() == pytest.approx(lstar, abs=0.35)


@pytest.mark.parametrize(("name", "bits", "colour"), [
    ("a.png", 8, 0), ("a.png", 8, 1), ("a.png", 16, 0), ("a.png", 16, 1), ("a.tif", 8, 0),
    ("a.tif", 8, 1), ("a.tif", 16, 0), ("a.tif", 16, 1), ("a.jpg", 8, 0), ("a.jpg", 8, 1),
])  # fmt: skip
def test_every_kind_of_file_tells_the_same(tmp_path, name, bits, colour):
    grey = RAMP if bits == 8 else RAMP.astype(np.uint16) * 257
    pixels = cv2.merge([grey] * 3) if colour else grey
    lzw = [cv2.IMWRITE_TIFF_COMPRESSION, 5] if name.endswith("tif") else []
    assert cv2.imwrite(str(tmp_path / name), pixels, lzw)
    whole = lstars(save(tmp_path / "whole.png", RAMP))
    assert np.abs(lstars(tmp_path / name) - whole).max() < (1.5 if name == "a.jpg" else 0.2)


@pytest.mark.parametrize("turned", range(1, 9))
def test_a_picture_is_held_as_the_camera_says(tmp_path, turned):
    picture = Image.fromarray(clouds(shape=(40, 60)))
    tags = picture.getexif()
    tags[274] = turned
    picture.save(tmp_path / "p.png", exif=tags.tobytes())
    own = np.asarray(ImageOps.exif_transpose(Image.open(tmp_path / "p.png")))
    assert np.array_equal(read_levels(str(tmp_path / "p.png")), read_levels(save(
        tmp_path / "upright.png", own)))  # fmt: skip


def test_colours_are_weighed_by_their_light(tmp_path):
    """L* of full red, green and blue of sRGB: 53.2, 87.7, 32.3 (``srgb``, ``cie-15``)."""
    pixels = np.eye(3, dtype=np.uint8)[None] * 255
    assert lstars(save(tmp_path / "c.png", pixels))[0] == pytest.approx([53.2, 87.7, 32.3], abs=0.1)


@pytest.mark.parametrize("gamma", [1.0, 1.8, 2.2])
def test_an_embedded_profile_says_how_greys_are_meant(tmp_path, gamma):
    profile = grey_profile(gamma)
    path = tmp_path / "p.png"
    Image.fromarray(RAMP).save(path, icc_profile=profile)
    y = (RAMP[0] / 255.0) ** gamma
    meant = np.where(y > 0.008856, 116 * np.cbrt(y) - 16, 903.3 * y)
    assert np.abs(lstars(path)[0] - meant).max() < 0.2


def test_the_usual_profile_changes_nothing(tmp_path):
    srgb_profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    colours = np.random.default_rng(3).integers(0, 255, (30, 30, 3), dtype=np.uint8)
    plain = lstars(save(tmp_path / "a.png", colours))
    named = lstars(save(tmp_path / "b.png", colours, icc_profile=srgb_profile))
    assert np.abs(plain - named).max() < 0.2


def grey_profile(gamma):
    """A profile with one curve, as small as one can be."""
    curve = b"curv" + bytes(4) + (1).to_bytes(4, "big") + round(gamma * 256).to_bytes(2, "big")
    table = (
        (1).to_bytes(4, "big") + b"kTRC" + (144).to_bytes(4, "big") + len(curve).to_bytes(4, "big")
    )
    return bytes(36) + b"acsp" + bytes(88) + table + curve


def test_what_is_clear_lies_on_white(tmp_path):
    pixels = np.zeros((4, 4, 4), np.uint8)
    pixels[:2, :, 3] = 255
    path = tmp_path / "clear.png"
    Image.fromarray(pixels).save(path)
    assert lstars(path)[0, 0] == 0 and lstars(path)[3, 0] == 100


def test_counts_are_of_every_pixel(tmp_path):
    levels = read_levels(save(tmp_path / "c.png", clouds()))
    assert np.array_equal(count_levels(levels), np.bincount(levels.ravel(), minlength=1024))


@pytest.mark.parametrize(("name", "data", "code"), [
    ("a.png", b"", "not-a-picture"), ("a.png", b"\x89PNG\r\n\x1a\nrubbish", "not-a-picture"),
    ("a.gif", b"GIF89a" + bytes(30), "not-a-picture"),
])  # fmt: skip
def test_what_is_no_picture_is_refused(tmp_path, name, data, code):
    (tmp_path / name).write_bytes(data)
    with pytest.raises(CoreError) as refused:
        read_levels(str(tmp_path / name))
    assert (refused.value.code, refused.value.field) == (code, "image")


@pytest.mark.parametrize("name", ["c.jpg", "c.png"])
def test_half_a_picture_is_refused(tmp_path, name):
    path = tmp_path / name
    save(path, np.random.default_rng(1).integers(0, 255, (200, 200)))
    path.write_bytes(path.read_bytes()[:-5000])
    with pytest.raises(CoreError) as refused:
        read_levels(str(path))
    assert refused.value.code == "broken-picture"


def test_a_bomb_is_refused_by_its_size_before_it_is_decoded(tmp_path):
    path = save(tmp_path / "bomb.png", np.zeros((2000, 2000)))
    with pytest.raises(CoreError) as refused:
        read_levels(path, most_pixels=3_000_000)
    assert (refused.value.code, refused.value.unit) == ("too-many-pixels", "megapixels")


@pytest.mark.parametrize("path", ["/dev/zero", "/tmp", "/nowhere.png"])
def test_only_a_plain_file_is_opened(path):
    with pytest.raises(CoreError) as refused:
        read_levels(path)
    assert refused.value.code == "not-a-picture"
