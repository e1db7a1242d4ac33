"""Stencils cut from a drawing, and the sheet of a traced monotype."""

import re

import cv2
import numpy as np
import pytest
from PIL import Image, ImageDraw

from core.errors import CoreError
from core.layers.stencils import StencilsInput, stencils
from core.layers.traced_drawing import TracedDrawingInput, traced_drawing

OCHRE, BLUE = (200, 150, 40), (40, 70, 120)


@pytest.fixture
def drawing(tmp_path):
    picture = Image.new("RGB", (900, 600), "white")
    draw = ImageDraw.Draw(picture)
    draw.rectangle((100, 100, 400, 400), fill=OCHRE)
    draw.rectangle((200, 200, 300, 300), fill="white")
    draw.rectangle((500, 100, 800, 500), fill=BLUE)
    path = tmp_path / "drawing.png"
    picture.save(path)
    return str(path)


def cut(drawing, folder, **more):
    given = {"size_mm": (180, 120), "plate_mm": (180, 120), "colours": 2, **more}
    return stencils(StencilsInput(image=drawing, write=str(folder / "cut"), **given))


def test_stencils_come_light_before_dark_with_their_surface(drawing, tmp_path):
    told = cut(drawing, tmp_path)
    light, dark = told.stencils
    assert light.lab[0] > dark.lab[0] and [each.number for each in told.stencils] == [1, 2]
    assert light.open_cm2 == pytest.approx((60 * 60 - 20 * 20) / 100, rel=0.03)
    assert dark.open_cm2 == pytest.approx(60 * 80 / 100, rel=0.03)


def test_a_piece_that_falls_out_has_the_shortest_bridge(drawing, tmp_path):
    told = cut(drawing, tmp_path)
    loose = told.stencils[0].loose
    assert len(loose) == 1 and loose[0].mm2 == pytest.approx(400, rel=0.05)
    (x1, y1), (x2, y2) = loose[0].bridge
    assert np.hypot(x2 - x1, y2 - y1) == pytest.approx(20, abs=1.0)
    assert [each.code for each in told.warnings] == ["loose"]


def test_a_mask_is_black_where_the_stencil_is_open(drawing, tmp_path):
    one = cut(drawing, tmp_path).stencils[1]
    mask = cv2.imread(one.mask, cv2.IMREAD_GRAYSCALE)
    high, wide = mask.shape
    assert mask[int(high * 0.5), int(wide * 0.72)] == 0
    assert mask[int(high * 0.5), int(wide * 0.05)] == 255


def test_a_drawing_larger_than_the_plate_is_refused(drawing, tmp_path):
    with pytest.raises(CoreError) as bad:
        cut(drawing, tmp_path, plate_mm=(170, 120))
    assert bad.value.code == "stencil-larger-than-plate"
    assert (bad.value.field, bad.value.allowed) == ("size_mm", "at most 170 by 120")


def test_fewer_colours_than_asked_are_said(drawing, tmp_path):
    told = cut(drawing, tmp_path, colours=4)
    assert told.warnings[0].code == "fewer-colours" and len(told.stencils) < 4


def test_white_paper_is_refused(tmp_path):
    Image.new("RGB", (300, 200), "white").save(tmp_path / "white.png")
    with pytest.raises(CoreError) as bad:
        cut(str(tmp_path / "white.png"), tmp_path)
    assert bad.value.code == "one-tone"


@pytest.fixture
def lines(tmp_path):
    picture = Image.new("L", (900, 600), 255)
    draw = ImageDraw.Draw(picture)
    draw.line((50, 60, 250, 60), fill=0, width=5)
    draw.line((600, 500, 850, 500), fill=0, width=5)
    picture.save(tmp_path / "lines.png")
    return str(tmp_path / "lines.png")


def traced(lines, folder, **more):
    given = {"plate_mm": (180, 120), "sheet_mm": (280, 190), "piece_mm": 200, **more}
    return traced_drawing(TracedDrawingInput(image=lines, write=str(folder / "t"), **given))


def test_the_drawing_is_mirrored_and_told_in_parts(lines, tmp_path):
    told = traced(lines, tmp_path)
    upper = min(told.pieces, key=lambda each: each.y_mm)
    # the upper line stands at the left of the drawing, so at the right on the back of the sheet
    assert upper.x_mm == pytest.approx(180 - 30, abs=0.5) and upper.y_mm == pytest.approx(
        12, abs=0.5
    )
    xs = [float(each) for each in re.findall(r"[ML]([\d.]+) ", upper.outline)]
    assert (min(xs), max(xs)) == pytest.approx((130, 170), abs=0.6)
    assert told.length_mm == pytest.approx(40 + 50, rel=0.15)


def test_what_was_followed_is_counted(lines, tmp_path):
    told = traced(lines, tmp_path, followed=[1])
    assert [each.followed for each in told.pieces] == [True, False]
    assert told.followed_mm == told.pieces[0].length_mm
    assert told.text.startswith("1 of 2 parts")


def test_long_lines_are_told_in_parts_that_add_up(lines, tmp_path):
    whole, parts = traced(lines, tmp_path), traced(lines, tmp_path, piece_mm=10)
    assert len(parts.pieces) > len(whole.pieces)
    assert parts.length_mm == pytest.approx(whole.length_mm, rel=0.1)


def test_the_plate_lies_in_the_middle_or_above(lines, tmp_path):
    assert traced(lines, tmp_path).plate_at_mm == (50.0, 35.0)
    assert traced(lines, tmp_path, lift_mm=10).plate_at_mm == (50.0, 25.0)


def test_a_sheet_smaller_than_the_plate_is_refused(lines, tmp_path):
    with pytest.raises(CoreError) as bad:
        traced(lines, tmp_path, sheet_mm=(170, 190))
    assert (bad.value.code, bad.value.unit) == ("paper-smaller-than-plate", "mm")


def test_a_picture_without_lines_is_refused(tmp_path):
    Image.new("L", (300, 200), 250).save(tmp_path / "none.png")
    with pytest.raises(CoreError) as bad:
        traced(str(tmp_path / "none.png"), tmp_path)
    assert bad.value.code == "nothing-drawn"
