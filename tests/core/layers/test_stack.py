"""What a print of layers is called; paper between colours; how long ink stays open."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.data.layers import KINDS_OF_LAYER, OPEN_MINUTES
from core.errors import CoreError
from core.layers.ink_open import InkOpenInput, ink_open
from core.layers.layer_stack import LayerStackInput, SheetLayer, layer_stack
from core.layers.paper_growth import ColourDamp, PaperGrowthInput, paper_growth

SIZE = (200.0, 150.0)


def stack(*layers, ghosts=0):
    return layer_stack(LayerStackInput(
        size_mm=SIZE, ghosts=ghosts,
        layers=[SheetLayer(name=f"L{at}", **each) for at, each in enumerate(layers)],
    ))  # fmt: skip


@pytest.mark.parametrize(
    ("kinds", "called", "unique"),
    [
        (["plate", "plate"], "edition", False),
        (["plate", "stencil", "relief-roll"], "edition", False),
        (["monotype-wiped"], "monotype", True),
        (["monotype-added", "chine-colle"], "monotype", True),
        (["monotype-traced", "stencil"], "monoprint", True),
        (["monotype-wiped", "plate"], "monoprint", True),
    ],
)
def test_a_print_is_called_by_what_stays(kinds, called, unique):
    told = stack(*({"kind": each} for each in kinds))
    assert (told.called, told.unique) == (called, unique)


def test_inked_otherwise_on_purpose_is_a_variable_edition():
    told = stack({"kind": "plate", "varied": True}, {"kind": "plate"})
    assert told.called == "variable edition" and not told.layers[0].repeats


def test_a_stencil_larger_than_the_plate_is_refused_with_its_limit():
    with pytest.raises(CoreError) as bad:
        stack({"kind": "plate"}, {"kind": "stencil", "size_mm": (210, 100)})
    assert bad.value.code == "stencil-larger-than-plate"
    assert (bad.value.field, bad.value.unit) == ("layers.1.size_mm", "mm")
    assert bad.value.allowed == "at most 200 by 150"


@pytest.mark.parametrize(
    ("layers", "code"),
    [
        ([{"kind": "plate"}, {"kind": "plate", "size_mm": (198, 150)}], "plates-differ"),
        ([{"kind": "chine-colle", "size_mm": (200, 150)}, {"kind": "plate"}], "chine-at-edge"),
        ([{"kind": "plate"}, {"kind": "plate", "lets_through": 0.1, "covers": 0.9}],
         "opaque-over-all"),
        ([{"kind": "relief-roll"}, {"kind": "plate"}], "roll-order"),
        ([{"kind": "plate"}, {"kind": "chine-colle", "size_mm": (80, 60)}], "chine-order"),
    ],
)  # fmt: skip
def test_what_a_layer_asks_for_is_said(layers, code):
    assert code in {each.code for each in stack(*layers).warnings}


def test_ghosts_of_a_plate_are_asked_about():
    assert stack({"kind": "plate"}, ghosts=2).warnings[-1].code == "ghost-of-none"


@given(st.lists(st.sampled_from(sorted(KINDS_OF_LAYER)), min_size=1, max_size=8))
def test_what_is_made_by_hand_is_unique_in_any_order(kinds):
    by_hand = any(KINDS_OF_LAYER[each].by_hand for each in kinds)
    for order in itertools.islice(itertools.permutations(kinds), 6):
        assert stack(*({"kind": each} for each in order)).unique == by_hand


def growth(*colours, grain="down"):
    return paper_growth(PaperGrowthInput(
        sheet_mm=(280, 380), print_mm=(250, 180), grain=grain,
        colours=[ColourDamp(**each) for each in colours],
    ))  # fmt: skip


def test_colours_in_one_damping_fit():
    told = growth({"name": "Ochre"}, {"name": "Blue"}, {"name": "Key"})
    assert told.title == "The paper holds" and all(each.within for each in told.colours)


def test_a_colour_on_dry_paper_lies_off_more_across_the_grain():
    told = growth({"name": "Ochre"}, {"name": "Key", "damp": "dry"})
    key = told.colours[1]
    assert (key.wider_mm, key.higher_mm) == (-2.5, -0.54) and not key.within
    turned = growth({"name": "Ochre"}, {"name": "Key", "damp": "dry"}, grain="across").colours[1]
    assert abs(turned.wider_mm) < abs(key.wider_mm)


def test_a_sheet_measured_larger_is_to_dry_to_what_it_was():
    told = growth(
        {"name": "Ochre", "sheet_mm": (282.5, 381)},
        {"name": "Blue", "damp": "redamped", "sheet_mm": (283.4, 381.2)},
    )
    blue = told.colours[1]
    assert blue.measured and blue.wider_mm == pytest.approx(0.8, abs=0.05)
    assert told.text == "Let it dry until it measures 282.5 × 381 mm again, as under Ochre."


def test_damped_again_it_is_to_be_measured():
    told = growth({"name": "Ochre"}, {"name": "Blue", "damp": "redamped"})
    assert "Measure the sheet before Blue" in told.colours[1].text


@pytest.mark.parametrize("ink", sorted(OPEN_MINUTES))
def test_ten_degrees_warmer_halve_how_long_ink_stays_open(ink):
    cool, warm = (ink_open(InkOpenInput(ink=ink, temperature_c=each)) for each in (18, 28))
    assert warm.minutes == pytest.approx(cool.minutes / 2, rel=0.02)
    assert cool.low < cool.minutes < cool.high and not cool.measured


def test_the_rooms_own_minutes_stand_and_are_surer():
    own = ink_open(InkOpenInput(measured_minutes=300))
    guess = ink_open(InkOpenInput())
    assert own.minutes == 300 and own.measured
    assert own.high / own.low < guess.high / guess.low
