"""Damp paper, ink, template, hours, and a pull beside its OK."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.data.paper import DAMPING
from core.errors import CoreError
from core.study.map_pages import HEAD_MM, MARGIN_MM

DPI = 300


@pytest.mark.parametrize("school", DAMPING)
def test_paper_must_wait_then_keeps_then_is_too_long(school):
    row = DAMPING[school]
    at = {"school": school}
    assert compute("damping", {**at, "seconds": row.ready_seconds - 1}).stage == "must-wait"
    assert compute("damping", {**at, "seconds": row.ready_seconds}).stage == "ready"
    late = compute("damping", {**at, "seconds": row.latest_seconds + 60})
    assert late.stage == "too-long" and late.left_seconds == -60 and late.text == row.why_latest


def test_published_windows():
    """Soft 20 min to 2 h, hard 45 min to 2 h, bag 20 min to 12 h, pack 8 to 48 h, tap 2 to 15."""
    found = {key: (row.ready_seconds / 60, row.latest_seconds / 60) for key, row in DAMPING.items()}
    assert found == {"soft-soak": (20, 120), "hard-soak": (45, 120), "sponge-bag": (20, 720),
                     "pack": (480, 2880), "tap": (2, 15)}  # fmt: skip


def test_a_papers_own_times_replace_the_tables():
    told = compute("damping", {"school": "soft-soak", "ready_minutes": 35, "seconds": 30 * 60})
    assert told.stage == "must-wait" and told.measured
    with pytest.raises(CoreError) as raised:
        compute("damping", {"school": "tap", "ready_minutes": 30})
    assert raised.value.field == "latest_minutes" and raised.value.unit == "min"


def test_ink_of_a_plate_of_300_square_centimetres():
    """0.015 g/cm² for the first inking, half for each next: 4.5 g, then 2.3."""
    told = compute("ink-needed", {"plate_mm": [200, 150], "impressions": 10})
    assert told.first_g == pytest.approx(4.5, abs=0.05)
    assert told.next_g == pytest.approx(2.25, abs=0.06)
    assert told.total_g == pytest.approx(4.5 + 9 * 2.25, abs=0.1)
    assert told.low_g < told.total_g < told.high_g


@settings(max_examples=40, deadline=None)
@given(st.floats(1, 500), st.integers(1, 200), st.integers(1, 20))
def test_deeper_plates_more_impressions_and_more_days_take_more_ink(depth, count, days):
    base = {"plate_mm": [180, 130], "depth_um": depth, "impressions": count, "days": days}
    told = compute("ink-needed", base).total_g
    for change in ({"depth_um": min(500, depth * 1.5)}, {"impressions": count + 1},
                   {"days": days + 1}):  # fmt: skip
        assert compute("ink-needed", base | change).total_g >= told - 1e-9


def test_parts_of_an_ink_are_weighed_out_of_the_total():
    ink = [{"name": "black", "role": "pigment", "parts": 4}, {"name": "medium", "parts": 1}]
    told = compute("ink-needed", {"plate_mm": [180, 130], "impressions": 20, "ink": ink})
    assert sum(each.grams for each in told.parts) == pytest.approx(told.total_g, abs=0.2)
    assert told.parts[0].grams == pytest.approx(4 * told.parts[1].grams, rel=0.02)


def page(path, number):
    pdfium = pytest.importorskip("pypdfium2")
    return pdfium.PdfDocument(path)[number].render(scale=DPI / 72).to_numpy()[..., 0]


def lines_across(picture, y_mm):
    """Return where dark lines cross a row of a page [mm]."""
    row = picture[round(y_mm / 25.4 * DPI)]
    dark = np.flatnonzero(row < 128)
    runs = np.split(dark, np.flatnonzero(np.diff(dark) > 2) + 1)
    return [float(run.mean() + 0.5) * 25.4 / DPI for run in runs if len(run)]


def test_template_measured_at_300_dpi(tmp_path):
    """Paper 160 × 200 and plate 90 × 120 on one A4: each line within 0.2 mm."""
    told = compute("press-template", {
        "plate_mm": [90, 120], "paper_mm": [160, 200], "lift_mm": 5,
        "write": str(tmp_path / "template.pdf"),
    })  # fmt: skip
    assert told.pages == 1 and told.plate_at_mm == (35, 35)
    assert told.margins_mm == (35, 35, 45)
    picture = page(tmp_path / "template.pdf", 0)
    top = MARGIN_MM + HEAD_MM
    across = lines_across(picture, top + 35 + 50)
    meant = [MARGIN_MM + each for each in (0, 35, 35 + 90, 160)]
    for want in meant:
        assert min(abs(want - each) for each in across) < 0.2
    down = lines_across(picture.T, MARGIN_MM + 35 + 30)
    for want in (0, 35, 35 + 120, 200):
        assert min(abs(top + want - each) for each in down) < 0.2


def test_tiles_of_a_large_template_join_within_a_fifth_of_a_millimetre(tmp_path):
    told = compute("press-template", {
        "plate_mm": [180, 130], "paper_mm": [280, 253], "write": str(tmp_path / "t.pdf"),
    })  # fmt: skip
    assert told.across > 1 and told.pages == told.across * told.down
    found = []
    for number in range(told.across):
        picture = page(tmp_path / "t.pdf", number)
        wide = picture.shape[1] * 25.4 / DPI - 2 * MARGIN_MM
        left = number * (wide - 10)
        lines = lines_across(picture, MARGIN_MM + HEAD_MM + 100)
        found += [left + each - MARGIN_MM for each in lines]
    for want in (0, 50, 230, 280):
        assert min(abs(want - each) for each in found) < 0.2


@pytest.mark.parametrize(
    ("change", "field"),
    [({"paper_mm": [100, 300]}, "paper_mm"), ({"lift_mm": 60}, "lift_mm"),
     ({"plate_mm": [0, 10]}, "plate_mm.0")],
)  # fmt: skip
def test_a_template_that_cannot_be_laid(change, field, tmp_path):
    base = {"plate_mm": [180, 130], "paper_mm": [280, 230], "write": str(tmp_path / "t.pdf")}
    with pytest.raises(CoreError) as raised:
        compute("press-template", base | change)
    assert raised.value.field == field and raised.value.unit == "mm"


def test_pace_is_counted_from_pulls_of_one_sitting():
    """Twenty minutes each, a night between: the night is no pull."""
    at = [n * 1200.0 for n in range(6)] + [90_000 + n * 1200.0 for n in range(6)]
    told = compute("edition-needs", {"left": 9, "pulled_seconds": at})
    assert told.minutes_each == pytest.approx(20, abs=0.1) and told.counted == 10
    assert told.pieces >= 9 and told.breaks == 1
    guess = compute("edition-needs", {"left": 9})
    assert guess.counted == 0 and guess.minutes_each == 25


@settings(max_examples=30, deadline=None)
@given(st.integers(0, 100), st.integers(0, 40), st.integers(0, 40))
def test_more_spoiled_asks_for_more_paper(left, pulls, spoiled):
    at = [1500.0 * n for n in range(pulls + spoiled)]
    few = compute("edition-needs", {"left": left, "pulled_seconds": at, "spoiled": 0})
    many = compute("edition-needs", {"left": left, "pulled_seconds": at, "spoiled": spoiled})
    assert many.pieces >= few.pieces >= left


def checked(*offs, seen=(), worn=0.0):
    areas = [{"name": f"area {n}", "lstar": 40 + off, "ok_lstar": 40, "worn_lstar": worn}
             for n, off in enumerate(offs)]  # fmt: skip
    return compute("pull-check", {"areas": areas, "seen": list(seen)})


@pytest.mark.parametrize(
    ("told", "verdict"),
    [(checked(1, -1, 0, 2), "matches"), (checked(6, 5.5, 6.5, 6), "printing"),
     (checked(-6, -5, -6, -5.5), "printing"), (checked(12, 0, 0.5, -0.4), "plate"),
     (checked(4, 0.5, 0, 0.2, seen=["edges-dirty"]), "printing"),
     (checked(4, 3.5, 4, 3.8, worn=3.8), "wear"), (checked(), "unread"),
     (checked(seen=["stiff-paper"]), "printing")],
)  # fmt: skip
def test_is_it_the_plate_or_the_printing(told, verdict):
    assert told.verdict == verdict
    assert told.bite == (verdict == "plate")
    assert told.title and told.text.endswith(".")


def test_what_is_seen_comes_before_what_is_reckoned():
    told = checked(6, 6, 6, seen=["first-pull", "shiny-paper"])
    assert "first pull" in told.next[0] and "blot" in told.next[1] and len(told.next) == 3
