"""Sheets torn to pieces: the shape as published, never worse than simpler ways, rejections."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from core.printing.guillotine import most_pieces

QUAY = {"sheet_mm": [560, 760], "plate_mm": [200, 150], "margin_mm": 60, "impressions": 24,
        "spoiled_share": 0.1}  # fmt: skip


def torn(**change):
    return compute("sheets", {**QUAY, **change})


def test_the_example_comes_out_as_written():
    answer = torn()
    assert answer.pieces_per_sheet == 4
    assert sorted(answer.piece_mm) == [280, 380]
    assert answer.sheets == 7 and answer.tears


def grids(sheet, piece):
    """Halves, quarters, thirds and plain guillotine grids, either way round."""
    found = [0]
    for across in range(1, 7):
        for down in range(1, 7):
            part = (sheet[0] / across, sheet[1] / down)
            if (part[0] >= piece[0] and part[1] >= piece[1]) or (
                part[0] >= piece[1] and part[1] >= piece[0]
            ):
                found.append(across * down)
    for way in (piece, piece[::-1]):
        found.append(int(sheet[0] // way[0]) * int(sheet[1] // way[1]))
    return max(found)


def bands(sheet, piece):
    """A grid one way, and the strip left over the other way."""
    best = 0
    for way in (piece, piece[::-1]):
        rows = int(sheet[1] // way[1])
        for kept in range(rows + 1):
            left = sheet[1] - kept * way[1]
            rest = int(sheet[0] // way[1]) * int(left // way[0])
            best = max(best, int(sheet[0] // way[0]) * kept + rest)
    return best


@settings(max_examples=60, deadline=None)
@given(st.integers(300, 1200), st.integers(300, 1200), st.integers(40, 300), st.integers(40, 300),
       st.integers(0, 80))  # fmt: skip
def test_tearing_is_never_worse_than_halves_thirds_quarters_or_guillotine(w, h, a, b, margin):
    piece = (a + 2 * margin, b + 2 * margin)
    sheet = (float(w), float(h))
    least = max(grids(sheet, piece), bands(sheet, piece), bands(sheet[::-1], piece))
    if least == 0:
        with pytest.raises(CoreError):
            torn(sheet_mm=sheet, plate_mm=[a, b], margin_mm=margin)
        return
    answer = torn(sheet_mm=sheet, plate_mm=[a, b], margin_mm=margin)
    assert answer.pieces_per_sheet >= least
    good = [each for each in answer.pieces if not each.waste]
    assert len(good) == answer.pieces_per_sheet
    for each in good:
        sides = (each.width_mm + 0.02, each.height_mm + 0.02)
        assert (sides[0] >= piece[0] and sides[1] >= piece[1]) or (
            sides[0] >= piece[1] and sides[1] >= piece[0]
        )
    assert sum(p.width_mm * p.height_mm for p in answer.pieces) == pytest.approx(w * h, rel=1e-3)
    assert not any(overlap(p, q) for p in good for q in good if p is not q)


def overlap(one, other):
    apart = 0.05
    return (
        one.x_mm + one.width_mm > other.x_mm + apart
        and other.x_mm + other.width_mm > one.x_mm + apart
        and one.y_mm + one.height_mm > other.y_mm + apart
        and other.y_mm + other.height_mm > one.y_mm + apart
    )


def test_a_mixed_tear_beats_every_grid():
    """Five of 200 × 300 from 500 × 600: two across, three down the side; a grid gives four."""
    assert grids((500, 600), (200, 300)) == 4
    assert torn(sheet_mm=[500, 600], plate_mm=[200, 300], margin_mm=0).pieces_per_sheet == 5


def test_small_pieces_are_torn_in_rows_and_do_not_overlap():
    torn_ = most_pieces((30_000, 30_000), (101, 103))
    assert torn_.count >= (30_000 // 101) * (30_000 // 103)


@settings(max_examples=30, deadline=None)
@given(st.integers(1, 500), st.floats(0, 0.5), st.integers(0, 40))
def test_enough_paper_and_no_sheet_too_many(wanted, share, stock):
    answer = torn(impressions=wanted, spoiled_share=share, in_stock=stock)
    assert answer.pieces_needed >= wanted / (1 - share) - 1e-6
    assert answer.sheets == math.ceil(answer.pieces_needed / answer.pieces_per_sheet)
    assert 0 <= answer.spare < answer.pieces_per_sheet
    assert answer.to_buy == max(0, answer.sheets - stock)


@pytest.mark.parametrize(
    ("change", "field", "code"),
    [({"plate_mm": [600, 800], "margin_mm": 0}, "sheet_mm", "paper-smaller-than-plate"),
     ({"plate_mm": [400, 500], "margin_mm": 120}, "margin_mm", "margin-too-wide"),
     ({"impressions": 0}, "impressions", None),
     ({"spoiled_share": 1.0}, "spoiled_share", None),
     ({"sheet_mm": [560]}, "sheet_mm.1", None), ({"turned": True}, "turned", None)],
)  # fmt: skip
def test_what_cannot_be_torn_is_said_with_its_field(change, field, code):
    with pytest.raises(CoreError) as raised:
        torn(**change)
    assert raised.value.field == field
    assert code is None or raised.value.code == code
    if code in ("paper-smaller-than-plate", "margin-too-wide"):
        assert raised.value.unit == "mm" and raised.value.allowed.startswith("at ")


def test_the_widest_margin_that_is_named_is_taken():
    with pytest.raises(CoreError) as raised:
        torn(plate_mm=[400, 500], margin_mm=120)
    most = float(raised.value.allowed.removeprefix("at most "))
    assert torn(plate_mm=[400, 500], margin_mm=most).pieces_per_sheet == 1
