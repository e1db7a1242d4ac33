"""The maps as files: measured on the page, in the outlines, in the pictures."""

import re
import xml.etree.ElementTree as ET

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.study.map_pages import tiling, write_pages
from core.study.outlines import as_path, outlines, surface_mm2
from tests.core.study.pictures import clouds, cut, letter, save

SIZE = {"width_mm": 200, "height_mm": 150}
DPI = 300


@pytest.fixture(scope="module")
def field(tmp_path_factory):
    """A study of soft clouds with a dark F at its left."""
    folder = tmp_path_factory.mktemp("study")
    pixels = np.minimum(clouds(7, (750, 1000)), cv2.resize(letter(), (1000, 750)))
    sketch = {"image": save(folder / "s.png", pixels), **SIZE}
    given = {"sketches": [sketch], **SIZE, "write": str(folder / "field")}
    return compute("study-field", given).path


def maps(field, tmp_path, form, **more):
    given = {"field": field, "cut": cut().model_dump(), **SIZE, "form": form,
             "write": str(tmp_path / form), "title": "F", **more}  # fmt: skip
    return compute("study-maps", given).files


def page(path, number):
    pdfium = pytest.importorskip("pypdfium2")
    return pdfium.PdfDocument(path)[number].render(scale=DPI / 72).to_numpy()[..., 0]


def longest_run(row):
    """Start and length of the longest dark run of a row."""
    dark = np.flatnonzero(np.diff(np.concatenate([[0], (row < 100).astype(int), [0]])))
    runs = list(zip(dark[::2], dark[1::2], strict=True))
    return max(runs, key=lambda run: run[1] - run[0]) if runs else (0, 0)


@pytest.mark.parametrize("paper", ["A4", "A3", "letter"])
def test_the_bars_are_a_hundred_millimetres_and_four_inches_long(field, tmp_path, paper):
    (file,) = maps(field, tmp_path, "pdf", paper=paper)
    seen = page(file.path, 0)
    foot = seen[-int(22 / 25.4 * DPI) :]
    runs = [(end - start) / DPI * 25.4 for start, end in map(longest_run, foot)]
    bars = [run for run in runs if run > 90]
    assert (min(bars), max(bars)) == pytest.approx((100, 4 * 25.4), abs=0.3)


class Blank:
    """A plate with nothing on it."""

    title = "Nothing"

    def draw(self, canvas, size_mm):
        pass


def test_sheets_that_join_show_the_same_crosses(tmp_path):
    path, size = str(tmp_path / "joined.pdf"), (300.0, 200.0)
    tiles = tiling(*size, "A4")
    assert write_pages(path, [Blank()], size, "A4", "x") == tiles.columns * tiles.rows == 2
    left, right = (crosses(page(path, number)) for number in (0, 1))
    assert len(left) == len(right) == 3
    step = tiles.corner_mm(1, 0)[0] * DPI / 25.4
    assert np.abs(left - right - [0, step]).max() < 2


def crosses(seen):
    """Middles [px] of the crosses on a sheet, from the top."""
    window = seen[int(26 / 25.4 * DPI) : -int(30 / 25.4 * DPI)]
    _, _, boxes, middles = cv2.connectedComponentsWithStats((window < 160).astype(np.uint8))
    sides = boxes[:, 2:4] / DPI * 25.4
    found = (np.abs(sides - 8) < 0.6).all(axis=1)
    return np.sort(middles[found][:, ::-1], axis=0)


def test_a_page_a_stage_and_the_plate_at_its_size(field, tmp_path):
    (file,) = maps(field, tmp_path, "pdf")
    assert file.pages == 3
    seen = page(file.path, 2)
    rows = [(i, longest_run(row)) for i, row in enumerate(seen)]
    edges = [i for i, (a, b) in rows if abs((b - a) / DPI * 25.4 - 200) < 2.5]
    assert (max(edges) - min(edges)) / DPI * 25.4 == pytest.approx(150, abs=0.5)


def test_a_letter_lies_mirrored_on_the_page(field, tmp_path):
    """Where the F is, both ways round, told by the ink of the last page."""
    ink = {}
    for mirrored in (True, False):
        (file,) = maps(field, tmp_path, "pdf", mirrored=mirrored)
        left = int(10 / 25.4 * DPI)
        window = page(file.path, 2)[int(26 / 25.4 * DPI) :, left : left + int(200 / 25.4 * DPI)]
        ink[mirrored] = window[: int(148 / 25.4 * DPI)]
    other = ink[False][:, ::-1]
    near, far = ((ink[True] < 128) != (other < 128)).mean(), 0
    far = ((ink[True] < 128) != (ink[False] < 128)).mean()
    assert near < 0.5 * far


@pytest.mark.parametrize(("size", "paper", "sheets"), [
    ((200, 150), "A4", 1), ((190, 240), "A4", 1), ((200, 150), "letter", 1),
    ((400, 500), "A4", 8), ((400, 500), "A2", 1),
])  # fmt: skip
def test_a_plate_larger_than_the_paper_is_tiled(size, paper, sheets):
    tiles = tiling(*size, paper)
    assert tiles.columns * tiles.rows == sheets
    right, bottom = tiles.corner_mm(tiles.columns - 1, tiles.rows - 1)
    assert right + tiles.window_mm[0] >= size[0] and bottom + tiles.window_mm[1] >= size[1]


def test_svg_outlines_cover_the_same_surface(field, tmp_path):
    stages = maps(field, tmp_path, "svg")
    png = maps(field, tmp_path, "png", dpi=200)
    for vector, raster in zip(stages, png, strict=True):
        seen = cv2.imread(raster.path, cv2.IMREAD_UNCHANGED)
        root = ET.parse(vector.path).getroot()
        assert root.get("width") == "200mm" and root.get("viewBox") == "0 0 200 150"
        for name, value in (("now", 128), ("covered", 0)):
            path = next((p for p in root.iter() if p.get("id") == name and p.get("d")), None)
            share = (seen == value).mean() * 300
            if share > 1:
                assert path is not None
                assert path_cm2(path.get("d")) == pytest.approx(share, rel=0.01)


def path_cm2(d):
    """Surface of a path: its holes go round the other way."""
    rings = [np.array([[float(n) for n in point.split()] for point in ring.split("L")])
             for ring in re.findall(r"M(.*?)Z", d)]  # fmt: skip
    signed = [np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1)) for x, y in
              (ring.T for ring in rings)]  # fmt: skip
    return abs(sum(signed)) / 200


@pytest.mark.parametrize("px_per_mm", [4.0, 12.0])
def test_an_outline_keeps_the_surface_of_a_disc_with_a_hole(px_per_mm):
    side = int(40 * px_per_mm)
    down, across = np.ogrid[:side, :side]
    far = np.hypot(down - side / 2 + 0.5, across - side / 2 + 0.5) / px_per_mm
    pieces = outlines((far < 15) & (far > 6), px_per_mm)
    assert len(pieces) == 1 and len(pieces[0]) == 2
    assert surface_mm2(pieces) == pytest.approx(np.pi * (15**2 - 6**2), rel=0.01)
    assert as_path(pieces).count("M") == 2


def test_pictures_have_the_values_that_are_said(field, tmp_path):
    graded = {"kind": "grade", "points": [[100, 100], [180, 100], [180, 140], [100, 140]],
              "from_lstar": 70, "to_lstar": 45, "resist": "varnish-thin",
              "toward": [[100, 120], [180, 120]]}  # fmt: skip
    given = cut(edits=[graded]).model_dump()
    files = maps(field, tmp_path, "png", dpi=100, cut=given)
    values = [set(np.unique(cv2.imread(f.path, cv2.IMREAD_UNCHANGED))) for f in files]
    assert values[0] <= {128, 255} and 64 in values[1] and values[2] <= {0, 128, 192, 255}
    assert "then crayon Graded 1" in files[1].title
