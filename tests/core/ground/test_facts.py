"""Facts of grounds and cleaning that were once told wrong."""

import pytest

from core.calculators import compute
from core.data.plastics import PLASTICS
from core.data.solvents import SOLVENTS
from core.errors import CoreError
from tests.core.ground.test_ground import GOOD


def old(ground):
    out = compute("ground-check", GOOD | {"ground": ground, "age_days": 90, "heat_c": None})
    return next(cause for cause in out.causes if cause.key == "old")


@pytest.mark.parametrize("ground", ["dust", "spray", "spit"])
def test_an_old_grain_is_not_to_be_warmed(ground):
    assert "Warm the plate" not in old(ground).mend and "Do not warm" in old(ground).mend
    assert "Warm the plate gently" in old("ball").mend


def test_an_old_brittle_ground_over_dust_is_not_to_be_warmed():
    given = GOOD | {"ground": "ball", "age_days": 90, "over_grain": True}
    cause = next(c for c in compute("ground-check", given).causes if c.key == "old")
    assert "Do not warm" in cause.mend and "dust" in cause.mend


def test_too_full_a_grain_is_told_its_mend_the_right_way_round():
    given = GOOD | {"ground": "dust", "heat_c": 140, "covered_share": 0.7}
    text = " ".join(compute("ground-check", given).warnings)
    assert "less time in the box" in text and "wait longer before" in text


def cleaned(plastic, *layers):
    given = {"material": "plastic", "layers": layers}
    return compute("cleaning-order", given | ({"plastic": plastic} if plastic else {}))


@pytest.mark.parametrize("plastic", PLASTICS)
def test_each_plastic_is_named_and_keeps_what_harms_it_away(plastic):
    out = cleaned(plastic, "oil-ink")
    assert out.steps[0].solvent == "plant-oil"
    assert all(not dict(SOLVENTS[step.solvent].harms).get(plastic) for step in out.steps)
    assert any(plastic in dict(row.harms) for row in SOLVENTS.values())


@pytest.mark.parametrize("plastic", PLASTICS)
def test_alcohol_crazes_acrylic_and_spares_the_others(plastic):
    if plastic != "acrylic":
        assert cleaned(plastic, "rosin").steps[0].solvent == "alcohol"
    else:
        with pytest.raises(CoreError, match="crazes"):
            cleaned(plastic, "rosin")


def test_white_spirit_is_kept_from_polystyrene_and_packaging():
    assert cleaned("acrylic", "asphalt-varnish").steps[0].solvent == "spirit"
    for plastic in ("polystyrene", "packaging"):
        with pytest.raises(CoreError, match=plastic):
            cleaned(plastic, "asphalt-varnish")


def test_a_plastic_nobody_named_is_spared_what_harms_any():
    with pytest.raises(CoreError, match="spirit"):
        cleaned(None, "asphalt-varnish")
    assert cleaned(None, "oil-ink").steps[0].solvent == "plant-oil"
    with pytest.raises(CoreError):
        compute("cleaning-order", {"material": "copper", "plastic": "petg", "layers": ["rosin"]})
