import io
import re
import zlib
from pathlib import Path

import cv2
import numpy as np
import pytest
from PIL import Image

from core.calculators import compute
from core.errors import CoreError
from core.tone.lightness import lightness_from_reflectance

CURVE = {
    "lightest_lstar": 94.0, "darkest_lstar": 24.0,
    "film": [float((1 - k / 255) ** 1.6) for k in range(256)],
}  # fmt: skip


def save(tmp_path, values, name="picture.png"):
    path = tmp_path / name
    assert cv2.imwrite(str(path), values)
    return str(path)


def ramp(tmp_path, width=4096):
    """Return a 16-bit picture from black to white."""
    row = np.rint(np.linspace(0, 65535, width)).astype(np.uint16)
    return save(tmp_path, np.tile(row, (width * 2 // 3, 1)))


def make(tmp_path, image, **given):
    base = {"image": image, "width_mm": 60, "height_mm": 40, "dpi": 300}
    return compute("positive", {**base, **given, "write": str(tmp_path / "film")})


def path_of(told, form):
    return next(each.path for each in told.files if each.form == form)


def preview(told, name):
    return next(each.path for each in told.previews if each.name == name)


def film_of(told, form="tiff"):
    return cv2.imread(path_of(told, form), cv2.IMREAD_UNCHANGED)


def test_a_ramp_goes_through_curve_png_and_tiff_and_back(tmp_path):
    """Film to lightness to film again: nothing is lost over a thousandth."""
    dpi = 4096 / 60 * 25.4
    told = make(tmp_path, ramp(tmp_path), dpi=dpi, correction=CURVE, forms=["png", "tiff"])
    png, tiff = film_of(told, "png"), film_of(told)
    assert png.dtype == tiff.dtype == np.uint16 and (png == tiff).all()
    black = 1 - png[10].astype(float) / 65535
    back = np.interp(black, CURVE["film"][::-1], np.linspace(1, 0, 256))
    shown = np.linspace(0, 1, 4096)
    light = np.where(shown <= 0.04045, shown / 12.92, ((shown + 0.055) / 1.055) ** 2.4)
    assert back == pytest.approx(lightness_from_reflectance(light) / 100, abs=1e-3)


def test_each_grey_prints_as_it_was_drawn(tmp_path):
    """By the curve the film of a grey is the one that prints its place between the ends."""
    greys = np.repeat(np.arange(0, 256, 15, dtype=np.uint8), 40)
    told = make(tmp_path, save(tmp_path, np.tile(greys, (480, 1))), correction=CURVE)
    row = 1 - film_of(told)[200].astype(float) / 65535
    assert row[0] == pytest.approx(1, abs=1e-4) and row[-1] == pytest.approx(0, abs=1e-4)
    assert (np.diff(row) <= 5e-3).all()
    middle = np.interp(row[len(row) // 2], CURVE["film"][::-1], np.linspace(1, 0, 256))
    assert middle == pytest.approx(0.53, abs=0.04)  # grey 127 is L* 53.6


def test_resolution_and_size_stand_in_the_files(tmp_path):
    told = make(tmp_path, ramp(tmp_path, 600), forms=["png", "tiff"])
    assert (told.width_px, told.height_px) == (709, 472)
    for form in ("png", "tiff"):
        with Image.open(path_of(told, form)) as picture:
            assert picture.size == (709, 472)
            assert float(picture.info["dpi"][0]) == pytest.approx(300, rel=1e-3)


def test_a_pdf_is_at_one_to_one(tmp_path):
    told = make(tmp_path, ramp(tmp_path, 600), forms=["pdf"])
    text = Path(path_of(told, "pdf")).read_bytes()
    points = 72 / 25.4
    box = re.search(rb"/MediaBox \[ ?0 0 ([\d.]+) ([\d.]+)", text)
    assert [float(x) for x in box.groups()] == pytest.approx([88 * points, 68 * points], abs=0.01)
    streams = [zlib.decompress(s) for s in _streams(text) if s[:1] == b"x"]
    drawn = next(s for s in streams if b" cm" in s and b"Do" in s)
    found = re.findall(rb"([\d.]+) 0 0 ([\d.]+) [\d.]+ [\d.]+ cm", drawn)
    assert max((float(wide), float(high)) for wide, high in found) == pytest.approx(
        (60 * points, 40 * points), abs=0.01
    )


def _streams(text):
    return [part.split(b"endstream")[0].strip(b"\r\n") for part in text.split(b"stream\n")[1:]]


@pytest.mark.parametrize(("side", "mirrored"), [("to-plate", False), ("away", True)])
def test_the_film_is_turned_as_it_lies(tmp_path, side, mirrored):
    picture = np.full((200, 300), 255, np.uint8)
    picture[:, :60] = 0  # black at the left
    told = make(tmp_path, save(tmp_path, picture), printed_side=side)
    film = film_of(told)
    assert told.mirrored is mirrored and (film[100, 5] == 0) is not mirrored
    assert (film[100, -5] == 0) == mirrored
    lies = np.asarray(Image.open(preview(told, "film")))
    assert lies[100, -5] == 0  # from above it reads mirrored, either way
    assert np.asarray(Image.open(preview(told, "drawn")))[100, 5] == 0


def test_a_picture_of_other_proportions_is_cut_or_laid_on_white(tmp_path):
    picture = np.full((300, 300), 90, np.uint8)
    picture[:40] = picture[-40:] = 10
    image = save(tmp_path, picture)
    assert np.ptp(film_of(make(tmp_path, image, fit="fill"))) <= 1
    whole = film_of(make(tmp_path, image, fit="whole"))
    assert whole[236, 5] == 65535 and whole[236, 354] < 65535


def test_a_crop_is_a_part_of_the_picture(tmp_path):
    picture = np.repeat(np.arange(0, 256, dtype=np.uint8), 4)[None].repeat(600, 0)
    image = save(tmp_path, picture)
    half = film_of(make(tmp_path, image, crop={"left": 0.5, "width": 0.5}))
    assert half.min() > 65535 * 0.5
    with pytest.raises(CoreError, match="beyond the picture"):
        make(tmp_path, image, crop={"left": 0.6, "width": 0.5})


def test_levels_and_the_films_black_are_kept(tmp_path):
    image = ramp(tmp_path, 900)
    plain = film_of(make(tmp_path, image))
    closed = film_of(make(tmp_path, image, levels={"black_lstar": 20, "white_lstar": 80}))
    held = film_of(make(tmp_path, image, most_black=0.85))
    assert np.mean(closed == 0) > np.mean(plain == 0) + 0.1
    assert held.min() == pytest.approx(0.15 * 65535, abs=20) and held.max() > 65500


def test_sharpening_is_off_unless_asked_for(tmp_path):
    picture = np.full((400, 600), 200, np.uint8)
    picture[:, 300:] = 90
    image = save(tmp_path, picture)
    soft, sharp = (film_of(make(tmp_path, image, sharpen=k)).astype(int) for k in (0, 1.5))
    assert np.ptp(soft[200]) < np.ptp(sharp[200]) - 500


@pytest.mark.parametrize("dpi", [100, 300, 700])
def test_any_size_shows_the_same_picture(tmp_path, dpi):
    """Smaller or larger than the picture: its place and its greys stay."""
    picture = np.full((320, 480), 230, np.uint8)
    picture[80:160, 120:240] = 40
    film = film_of(make(tmp_path, save(tmp_path, picture), dpi=dpi)) < 30_000
    height, width = film.shape
    rows, columns = np.flatnonzero(film.any(1)), np.flatnonzero(film.any(0))
    assert (rows[0] / height, (rows[-1] + 1) / height) == pytest.approx((0.25, 0.5), abs=0.012)
    assert (columns[0] / width, (columns[-1] + 1) / width) == pytest.approx((0.25, 0.5), abs=0.008)


def codes(told):
    return {each.code for each in told.warnings}


def scene(width=1200):
    """Return a light picture with all greys."""
    y, x = np.mgrid[0 : width * 2 // 3, 0:width] / width
    return np.rint(np.clip(140 + 110 * np.sin(7 * x) * np.cos(5 * y), 0, 255)).astype(np.uint8)


def test_what_the_curve_mends_is_told(tmp_path):
    """A plate that prints the middle darker by a known curve: as far off as that, without it."""
    image = save(tmp_path, np.full((800, 1200), 119, np.uint8))  # L* 50.0
    told = make(tmp_path, image, correction=CURVE)
    darker = np.interp(0.5, CURVE["film"][::-1], np.linspace(1, 0, 256))
    assert told.off_without_lstar == pytest.approx(70 * abs(darker - 0.5), abs=0.3)
    assert make(tmp_path, image).off_without_lstar is None


def test_a_good_picture_has_no_warning(tmp_path):
    assert make(tmp_path, save(tmp_path, scene()), correction=CURVE).warnings == []


def test_a_small_picture_is_warned_of(tmp_path):
    told = make(tmp_path, save(tmp_path, scene(300)))
    assert codes(told) == {"too-coarse"} and told.picture_dpi == pytest.approx(127, abs=0.2)


def test_a_negative_is_told_by_its_histogram(tmp_path):
    light = np.full((800, 1200), 250, np.uint8)
    cv2.circle(light, (600, 400), 220, 60, -1)
    assert codes(make(tmp_path, save(tmp_path, 255 - light))) >= {"turned-tones"}
    assert "turned-tones" not in codes(make(tmp_path, save(tmp_path, light)))


def test_stretched_greys_of_eight_bits_band_and_those_of_sixteen_do_not(tmp_path):
    levels = {"black_lstar": 40, "white_lstar": 60}
    wide = np.repeat(np.arange(95, 146, dtype=np.uint8), 24)
    eight = save(tmp_path, np.tile(wide, (816, 1)))
    fine = np.rint(np.linspace(95 * 257, 145 * 257, 1224)).astype(np.uint16)
    sixteen = save(tmp_path, np.tile(fine, (816, 1)), "fine.png")
    assert "banding" in codes(make(tmp_path, eight, levels=levels))
    assert "banding" not in codes(make(tmp_path, sixteen, levels=levels))


def test_a_thin_black_and_too_much_ink_are_told(tmp_path):
    dark = scene()
    dark[150:650, 200:1000] = 0
    image = save(tmp_path, dark)
    assert codes(make(tmp_path, image)) == {"ink-limit"}
    assert codes(make(tmp_path, image, most_black=0.9, film_density=1.7)) == {"thin-black"}


def test_sixteen_bits_with_alpha_lie_on_white_and_say_so(tmp_path):
    picture = np.zeros((800, 1200, 4), np.uint16)
    picture[..., 3] = 65535
    picture[:, 600:, 3] = 0
    told = make(tmp_path, save(tmp_path, picture))
    film = film_of(told)
    assert "alpha" in codes(told) and film[100, 50] == 0 and film[100, -50] == 65535


def test_inks_are_refused(tmp_path):
    path = tmp_path / "inks.jpg"
    Image.new("CMYK", (400, 300), (10, 20, 30, 40)).save(path)
    with pytest.raises(CoreError) as error:
        make(tmp_path, str(path))
    assert (error.value.code, error.value.field) == ("cmyk", "image")


def test_no_picture_is_refused(tmp_path):
    (tmp_path / "text.png").write_bytes(io.BytesIO(b"no picture").getvalue())
    for name in ("text.png", "none.png"):
        with pytest.raises(CoreError):
            make(tmp_path, str(tmp_path / name))


def test_a_film_too_large_is_refused_with_the_resolution_that_goes(tmp_path):
    with pytest.raises(CoreError) as error:
        make(tmp_path, ramp(tmp_path, 600), width_mm=500, height_mm=400, dpi=2400)
    assert error.value.field == "dpi" and error.value.allowed.startswith("at most ")


def test_a_curve_that_rises_is_refused(tmp_path):
    turned = {**CURVE, "film": CURVE["film"][::-1]}
    with pytest.raises(CoreError, match="never rise"):
        make(tmp_path, ramp(tmp_path, 600), correction=turned)


def test_a_chart_is_read_off_its_own_film(tmp_path):
    told = compute("step-chart", {
        "steps": 21, "width_mm": 210, "height_mm": 60, "dpi": 150, "write": str(tmp_path),
    })  # fmt: skip
    film = cv2.imread(told.files[0].path, cv2.IMREAD_UNCHANGED)
    assert (told.columns, told.rows) == (21, 1) and len(told.places) == 21
    for place in told.places:
        x = round((place.left_mm + place.width_mm / 2) / 25.4 * 150)
        assert 1 - film[100, x] / 65535 == pytest.approx(place.film, abs=2e-5)


def test_a_test_film_holds_the_chart_in_every_patch(tmp_path):
    told = compute("step-chart", {
        "films": [0, 0.05, 0.95, 1], "across": 5, "down": 5, "width_mm": 100, "height_mm": 75,
        "dpi": 300, "printed_side": "away", "write": str(tmp_path),
    })  # fmt: skip
    film = cv2.imread(told.files[0].path, cv2.IMREAD_UNCHANGED)
    wide = film.shape[1] / 20
    row = [1 - film[40, int((k + 0.5) * wide)] / 65535 for k in range(20)]
    assert row == pytest.approx([1, 0.95, 0.05, 0] * 5, abs=1e-4)  # mirrored


@pytest.mark.parametrize(
    ("given", "field"),
    [({"steps": 256, "width_mm": 20, "height_mm": 12}, "width_mm"), ({"steps": 5}, "steps"),
     ({"films": [0.5, 0.2]}, ""), ({"steps": 21, "width_mm": 2000, "height_mm": 2000}, "dpi")],
)  # fmt: skip
def test_a_chart_that_cannot_be_read_is_refused(tmp_path, given, field):
    with pytest.raises(CoreError) as error:
        base = {"width_mm": 210, "height_mm": 148}
        compute("step-chart", {**base, **given, "write": str(tmp_path)})
    assert error.value.field == field


def test_256_steps_fill_a_plate_in_rows(tmp_path):
    told = compute("step-chart", {
        "steps": 256, "width_mm": 160, "height_mm": 160, "dpi": 100, "write": str(tmp_path),
    })  # fmt: skip
    assert told.columns * told.rows == 256 and told.films[-1] == 1
    assert told.places[-1].left_mm + told.places[-1].width_mm == pytest.approx(160, abs=0.01)
