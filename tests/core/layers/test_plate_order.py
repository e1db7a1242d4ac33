"""The order of plates: what each hides, and what is proposed instead."""

from itertools import permutations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.errors import CoreError
from core.layers.plate_order import OrderPlate, PlateOrderInput, plate_order

KEY = {"name": "Key", "ink_lab": (18, 0, 0), "lets_through": 0.02, "covers": 0.15, "key": True}
OCHRE = {"name": "Ochre", "ink_lab": (68, 12, 55), "lets_through": 0.6, "covers": 0.2}
BLUE = {"name": "Blue", "ink_lab": (52, -8, -32), "lets_through": 0.85, "covers": 0.5}
GREY = {"name": "Grey", "ink_lab": (45, 0, 2), "lets_through": 0.2, "covers": 0.7}


def order_of(*plates):
    return plate_order(PlateOrderInput(plates=[OrderPlate(**each) for each in plates]))


def test_an_opaque_plate_over_everything_is_named_and_put_first():
    told = order_of(KEY, OCHRE, BLUE, GREY)
    assert told.warnings[0].code == "opaque-over-all" and told.warnings[0].plate == "Grey"
    assert told.order[0] == "Grey" and told.order[-1] == "Key" and not told.keeps
    assert "Print it first" in told.text


def test_a_good_order_is_left_alone():
    told = order_of(GREY, OCHRE, BLUE, KEY)
    assert told.keeps and told.order == ["Grey", "Ochre", "Blue", "Key"] and not told.warnings
    assert told.title == "The order holds"


def test_clear_inks_may_come_in_any_order():
    clear = [{**each, "lets_through": 1.0, "key": False} for each in (OCHRE, BLUE, KEY)]
    assert all(order_of(*each).keeps for each in permutations(clear))


def test_what_is_seen_is_a_share_of_what_it_would_show_alone():
    told = order_of(KEY, GREY)
    key = told.plates[0]
    assert 0 < key.seen < key.seen_best - 0.1 and key.seen_best <= 1


plate = st.fixed_dictionaries({
    "ink_lab": st.tuples(st.floats(5, 95), st.floats(-60, 60), st.floats(-60, 60)),
    "lets_through": st.floats(0, 1), "covers": st.floats(0.02, 1),
})  # fmt: skip


@settings(max_examples=30, deadline=None)
@given(st.lists(plate, min_size=2, max_size=4))
def test_the_order_proposed_names_each_once_and_hides_no_more_in_all(plates):
    told = order_of(*({**each, "name": f"P{at}"} for at, each in enumerate(plates)))
    assert sorted(told.order) == sorted(f"P{at}" for at in range(len(plates)))
    if told.keeps:
        assert told.order == [f"P{at}" for at in range(len(plates))]


def test_a_name_twice_is_refused():
    with pytest.raises(ValueError, match="twice"):
        order_of(OCHRE, OCHRE)


def test_a_picture_that_is_not_there_is_refused():
    with pytest.raises(CoreError) as bad:
        order_of({**OCHRE, "image": "no-such.png"})
    assert bad.value.code == "not-a-picture"
