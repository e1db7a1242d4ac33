"""What goes in, in which order, whether the plate fits, what it costs."""

import pytest

from core.calculators import compute
from core.data.make_up import MAKE_UP
from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.prepare.density import ferric_mass_percent
from core.units import specific_gravity_from_baume

TRAY = {"width_mm": 240, "length_mm": 320, "height_mm": 90}
PLATE = {"width_mm": 250, "height_mm": 180}


def made(mordant="zinc-nitric-10", **more):
    return compute("make-up", {"mordant": mordant, **({"volume_l": 3} | more)})


def test_every_mordant_has_its_recipe():
    assert set(MAKE_UP) == set(MORDANTS)


@pytest.mark.parametrize("mordant", MAKE_UP)
def test_water_is_poured_first_and_acid_last(mordant):
    told = made(mordant, stock_baume=45 if "ferric" in mordant else None)
    assert told.ingredients[0].name == "water"
    liquids = [each.role for each in told.ingredients if each.litres is not None]
    assert liquids[0] == "water"
    assert "acid" not in liquids or liquids[-1] == "acid"
    assert told.pour[-1].warning == MAKE_UP[mordant].heat
    assert any("Never down the drain" in line for line in told.label)


def test_one_and_ten_makes_three_litres():
    told = made()
    water, acid = told.ingredients
    assert (water.litres, acid.litres) == (pytest.approx(30 / 11), pytest.approx(3 / 11))
    assert told.pour[1].text == "Then nitric acid 68 %: 0.27 L"
    assert "into the water" in told.pour[1].warning


def test_salts_are_weighed_by_the_litre_and_may_be_the_rooms_own():
    grams = [each.grams for each in made("zinc-copper-sulphate").ingredients[1:]]
    assert grams == [225, 225]
    own = made("zinc-copper-sulphate", salts_g_per_l={"table salt": 50})
    assert [each.grams for each in own.ingredients[1:]] == [225, 150]


@pytest.mark.parametrize("target", [28, 33, 36, 40])
def test_the_salt_is_kept_when_ferric_is_thinned(target):
    told = made("copper-ferric", stock_baume=42, target_baume=target, volume_l=4)
    ferric = next(each for each in told.ingredients if each.role == "ferric")
    salt = [litres * specific_gravity_from_baume(b) * ferric_mass_percent(b)
            for litres, b in ((ferric.litres, 42), (4, target))]  # fmt: skip
    assert salt[0] == pytest.approx(salt[1], rel=1e-3)
    assert told.baume == target


def test_the_plate_is_covered_by_twenty_millimetres():
    told = made(volume_l=None, vessel=TRAY, plate=PLATE)
    under_and_over = (4 + 20 + 1.2) * 240 * 320 - 250 * 180 * 1.2
    assert told.volume_l == pytest.approx(under_and_over / 1e6, abs=0.001)
    assert told.fit.fits


@pytest.mark.parametrize(
    ("more", "word"),
    [
        ({"plate": {"width_mm": 320, "height_mm": 240}}, "does not go"),
        ({"volume_l": 1}, "does not cover"),
        ({"volume_l": 9}, "more than"),
        ({"vessel": TRAY | {"height_mm": 40}}, "Too shallow"),
    ],
)
def test_what_does_not_fit_is_said(more, word):
    fit = made(**({"vessel": TRAY, "plate": PLATE} | more)).fit
    assert not fit.fits and word in fit.text


def test_a_plate_hangs_in_a_tank():
    tank = {"width_mm": 120, "length_mm": 280, "height_mm": 300, "upright": True}
    fit = made("zinc-copper-sulphate", volume_l=None, vessel=tank, plate=PLATE).fit
    assert fit.fits and fit.needed_l == pytest.approx((4 + 20 + 180) * 120 * 280 / 1e6, rel=0.02)


def test_the_cost_stands_where_every_price_is_known():
    assert made(prices={"nitric acid 68 %": 14}).cost == pytest.approx(14 * 3 / 11, abs=0.01)
    some = made("zinc-copper-sulphate", prices={"table salt": 1})
    assert some.cost is None and some.missing_prices == ["copper sulphate"]


@pytest.mark.parametrize(
    ("given", "field"),
    [
        ({"mordant": "zinc-nitric-10"}, "volume_l"),
        ({"mordant": "copper-ferric", "volume_l": 4, "stock_baume": 36, "target_baume": 40},
         "target.baume"),
        ({"mordant": "copper-ferric", "volume_l": 4, "stock_baume": 60}, "stock_baume"),
        ({"mordant": "zinc-copper-sulphate", "volume_l": 4, "salts_g_per_l": {"sugar": 3}},
         "salts_g_per_l.sugar"),
        ({"mordant": "zinc-nitric-10", "volume_l": -1}, "volume_l"),
    ],
)  # fmt: skip
def test_what_cannot_be_made_is_refused_by_its_field(given, field):
    with pytest.raises(CoreError) as refused:
        compute("make-up", given)
    assert refused.value.field == field


def test_an_unknown_part_is_not_mixed():
    parts = [{"name": "water", "parts": 10}, {"name": "green stuff", "parts": 1}]
    with pytest.raises(CoreError, match="unknown liquid"):
        made(parts=parts)
