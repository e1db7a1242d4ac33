"""Bevels, dilutions and the cutting of sheets."""

import itertools
import math
import random

import pytest

from core.calculators import compute
from core.errors import CoreError
from core.prepare.density import ferric_mass_percent
from core.units import specific_gravity_from_baume as specific_gravity

PLATE = {"material": "copper", "thickness_mm": 1.2, "width_mm": 200, "height_mm": 150}


@pytest.mark.parametrize(
    ("material", "thickness", "needed"),
    [("copper", 0.6, "needed"), ("zinc", 1.5, "needed"), ("polymer", 0.95, "needed"),
     ("plastic", 1.0, "optional"), ("plastic", 1.5, "needed")],
)  # fmt: skip
def test_who_needs_a_bevel(material, thickness, needed):
    given = PLATE | {"material": material, "thickness_mm": thickness}
    assert compute("bevel", given).needed == needed


@pytest.mark.parametrize(("angle", "run"), [(45, 0.9), (30, 1.559), (60, 0.520)])
def test_a_bevel_runs_in_by_its_height_over_the_tangent(angle, run):
    out = compute("bevel", PLATE | {"angle_degrees": angle, "height_of_bevel_mm": 0.9})
    assert out.run_mm == pytest.approx(run, abs=0.005)  # trigonometry


def test_edge_to_work_goes_round_its_corners():
    square = compute("bevel", PLATE | {"corners_rounded_mm": 0})
    rounded = compute("bevel", PLATE | {"corners_rounded_mm": 5})
    assert square.edge_cm == pytest.approx(70.0)
    assert square.edge_cm - rounded.edge_cm == pytest.approx((8 - 2 * math.pi) * 5 / 10, abs=0.06)


@pytest.mark.parametrize(
    ("more", "code", "field"),
    [({"height_of_bevel_mm": 1.3}, "bevel-too-steep", "height_of_bevel_mm"),
     ({"width_mm": 12, "thickness_mm": 10, "angle_degrees": 20}, "bevel-too-wide",
      "angle_degrees")],
)  # fmt: skip
def test_a_bevel_that_cannot_be_is_refused(more, code, field):
    with pytest.raises(CoreError) as caught:
        compute("bevel", PLATE | more)
    assert (caught.value.code, caught.value.field) == (code, field)


def test_hydrometer_and_density_agree_with_the_tables():
    assert specific_gravity(42) == pytest.approx(1.408, abs=0.001)  # baume-modulus
    for percent, density in ((10, 1.085), (30, 1.291), (40, 1.418)):  # ferric-densities
        baume = 145 - 145 / density
        assert ferric_mass_percent(baume) == pytest.approx(percent, abs=0.05)


def test_parts_make_the_volume_water_first_acid_last():
    out = compute("dilute", {"parts": {"nitric acid 68 %": 1, "water": 10}, "volume_l": 3})
    assert out.water_l == pytest.approx(2.7273, abs=1e-4)
    assert out.stock_l + out.water_l == pytest.approx(3)
    assert out.pour == ["water first: 2.73 L", "then acid: 0.27 L"]


def test_degreaser_of_one_in_twenty():
    out = compute("dilute", {"parts": {"water": 19, "ammonia": 1}, "volume_l": 0.2})
    assert out.litres["ammonia"] == pytest.approx(0.01)


def test_dilution_by_hydrometer_keeps_the_salt():
    given = {"solute": "ferric-chloride", "stock": {"baume": 42}, "target": {"baume": 36},
             "volume_l": 4}  # fmt: skip
    out = compute("dilute", given)
    salt = [
        litres * specific_gravity(b) * ferric_mass_percent(b)
        for litres, b in ((out.stock_l, 42), (4, 36))
    ]
    assert salt[0] == pytest.approx(salt[1], rel=1e-3)
    assert out.checks["baume"] == 36


@pytest.mark.parametrize(
    "given",
    [{"volume_l": 1}, {"volume_l": 1, "parts": {"water": 1}},
     {"volume_l": 0, "parts": {"a": 1, "b": 1}},
     {"solute": "ferric-chloride", "stock": {"baume": 36}, "target": {"baume": 42}, "volume_l": 1}],
)  # fmt: skip
def test_a_dilution_that_cannot_be_is_refused(given):
    with pytest.raises(CoreError):
        compute("dilute", given)


def random_sheet(seed):
    rng = random.Random(seed)
    width, height = rng.choice([(600, 500), (1000, 500), (760, 560), (400, 300)])
    pieces = [
        {"name": f"p{i}", "width_mm": rng.randint(60, 290), "height_mm": rng.randint(60, 250),
         "count": rng.randint(1, 4), "may_turn": rng.random() < 0.8}
        for i in range(rng.randint(1, 6))
    ]  # fmt: skip
    return {"sheet_width_mm": width, "sheet_height_mm": height,
            "allowance_mm": rng.choice([0, 0, 2]), "pieces": pieces}  # fmt: skip


def greedy_shelves(given):
    """Area placed by packing in shelves as the plates come, highest first, never turned."""
    saw = given["allowance_mm"]
    width, height = given["sheet_width_mm"] + saw, given["sheet_height_mm"] + saw
    plates = [(p["width_mm"], p["height_mm"]) for p in given["pieces"] for _ in range(p["count"])]
    used, x, y, shelf = 0.0, 0.0, 0.0, 0.0
    for w, h in sorted(plates, key=lambda p: -p[1]):
        if x + w + saw > width:
            x, y, shelf = 0.0, y + shelf, 0.0
        if x + w + saw <= width and y + max(shelf, h + saw) <= height:
            used, x, shelf = used + w * h, x + w + saw, max(shelf, h + saw)
    return used


@pytest.mark.parametrize("start", range(0, 50, 10))
def test_cutting_never_wastes_more_than_shelves_and_shows_its_bound(start):
    for seed in range(start, start + 10):
        given = random_sheet(seed)
        out = compute("cut-sheet", given)
        sheet = given["sheet_width_mm"] * given["sheet_height_mm"] / 100
        assert out.waste_cm2 <= sheet - greedy_shelves(given) / 100 + 0.01
        assert out.waste_bound_cm2 <= out.waste_cm2 + 0.01
        check_layout(given, out)


def check_layout(given, out):
    """Every plate lies on the sheet, none on another, and all are there or named as left out."""
    for a in out.placed:
        assert a.x_mm >= 0 and a.x_mm + a.width_mm <= given["sheet_width_mm"] + 1e-6
        assert a.y_mm >= 0 and a.y_mm + a.height_mm <= given["sheet_height_mm"] + 1e-6
    for a, b in itertools.combinations(out.placed, 2):
        apart_x = a.x_mm + a.width_mm <= b.x_mm + 1e-6 or b.x_mm + b.width_mm <= a.x_mm + 1e-6
        apart_y = a.y_mm + a.height_mm <= b.y_mm + 1e-6 or b.y_mm + b.height_mm <= a.y_mm + 1e-6
        assert apart_x or apart_y
    wanted = sorted(p["name"] for p in given["pieces"] for _ in range(p["count"]))
    assert sorted([p.name for p in out.placed] + out.left_out) == wanted
    for cut in out.cuts:
        for piece in out.placed:
            low, size = (piece.y_mm, piece.height_mm) if cut.along == "across" else (
                piece.x_mm, piece.width_mm)  # fmt: skip
            side, long = (piece.x_mm, piece.width_mm) if cut.along == "across" else (
                piece.y_mm, piece.height_mm)  # fmt: skip
            through = low + 1e-6 < cut.at_mm < low + size - 1e-6
            assert not (through and cut.from_mm < side + long - 1e-6 and side < cut.to_mm - 1e-6)


def test_a_sheet_that_fits_exactly_wastes_nothing():
    piece = {"name": "a", "width_mm": 250, "height_mm": 300, "count": 4}
    out = compute("cut-sheet", {"sheet_width_mm": 600, "sheet_height_mm": 500, "pieces": [piece]})
    assert out.waste_cm2 == 0 and out.optimal and len(out.cuts) == 3


def test_a_plate_larger_than_the_sheet_is_refused():
    piece = {"name": "a", "width_mm": 700, "height_mm": 100}
    with pytest.raises(CoreError) as caught:
        compute("cut-sheet", {"sheet_width_mm": 600, "sheet_height_mm": 500, "pieces": [piece]})
    assert (caught.value.code, caught.value.unit) == ("larger-than-sheet", "mm")


@pytest.mark.parametrize(
    ("sheet", "pieces", "rest", "at", "usable"),
    [
        ((300, 200), [(200, 200, 1)], (100, 200), (200, 0), 200),
        ((200, 300), [(200, 200, 1)], (200, 100), (0, 200), 200),
        ((230, 200), [(200, 200, 1)], (30, 200), (200, 0), 0),
        ((200, 200), [(200, 200, 1)], (0, 0), (0, 0), 0),
    ],
)
def test_a_rest_wide_enough_is_left_to_use_and_is_no_offcut(sheet, pieces, rest, at, usable):
    asked = [{"name": "x", "width_mm": w, "height_mm": h, "count": n} for w, h, n in pieces]
    given = {"sheet_width_mm": sheet[0], "sheet_height_mm": sheet[1], "pieces": asked}
    told = compute("cut-sheet", given)
    assert (told.largest_rest_mm, told.rest_at_mm, told.usable_rest_cm2) == (rest, at, usable)
    assert told.used_cm2 + told.usable_rest_cm2 + told.offcuts_cm2 == pytest.approx(
        sheet[0] * sheet[1] / 100
    )
