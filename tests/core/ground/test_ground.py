"""Grounds: may they foul-bite; and the order in which layers come off."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.data.solvents import DISSOLVED_BY, LAYER_LABELS, SOLVENTS
from core.errors import CoreError

LAYERS = sorted(DISSOLVED_BY)
GOOD = {"metal": "copper", "ground": "ball", "water_break": "passed", "film": "even",
        "heat_c": 95, "edges_covered": True, "back": "filmed", "age_days": 1,
        "hours_degreased_to_ground": 0.5}  # fmt: skip


def keys(**more):
    return [cause.key for cause in compute("ground-check", GOOD | more).causes]


def test_a_ground_laid_well_has_no_cause():
    out = compute("ground-check", GOOD)
    assert (out.risk, out.causes, out.missing) == ("none seen", [], [])


@pytest.mark.parametrize(
    ("more", "key", "risk"),
    [({"water_break": "failed"}, "water-break-failed", "high"),
     ({"water_break": None}, "water-break-missing", "some"),
     ({"polished_after_degrease": True}, "polished-after", "high"),
     ({"ground": "soft", "film": "thin", "heat_c": 75}, "soft-thin", "high"),
     ({"age_days": 60}, "old", "some"), ({"edges_covered": False}, "edges-bare", "high"),
     ({"back": "bare"}, "back-bare", "high"), ({"heat_c": 150}, "too-hot", "high"),
     ({"ground": "liquid", "flash_minutes": 5}, "solvent-in", "some"),
     ({"ground": "dust", "heat_c": 140, "fused_clear": False}, "not-fused", "high"),
     ({"hours_degreased_to_ground": 3}, "waited", "some")],
)  # fmt: skip
def test_each_cause_is_named_with_evidence_and_mend(more, key, risk):
    out = compute("ground-check", GOOD | more)
    assert out.risk == risk
    cause = next(c for c in out.causes if c.key == key)
    assert cause.evidence and cause.mend and cause.share is None


@pytest.mark.parametrize(("plates", "share"), [(4, None), (5, 0.4), (50, 0.04)])
def test_a_share_comes_only_from_enough_of_the_room_s_own_plates(plates, share):
    counts = {"back-bare": {"plates": plates, "fouled": 2}}
    out = compute("ground-check", GOOD | {"back": "bare", "counts": counts})
    assert out.causes[0].share == share


@pytest.mark.parametrize(
    ("more", "word"),
    [({"film": "thick"}, "flakes"), ({"metal": "zinc", "needle_um": 20}, "catches"),
     ({"ground": "dust", "heat_c": 140, "covered_share": 0.3}, "bites open"),
     ({"ground": "dust", "heat_c": 140, "covered_share": 0.7}, "no way in"),
     ({"heat_c": 60}, "cool")],
)  # fmt: skip
def test_other_warnings(more, word):
    assert any(word in text for text in compute("ground-check", GOOD | more).warnings)


def cleaned(material, layers):
    try:
        return compute("cleaning-order", {"material": material, "layers": layers})
    except CoreError as error:
        assert error.code == "no-safe-solvent"
        return None


@given(
    st.sampled_from(["copper", "zinc", "plastic", "polymer"]),
    st.lists(st.sampled_from(LAYERS), min_size=1, max_size=8),
)
def test_no_solvent_comes_before_a_layer_that_hides_its_own(material, layers):
    out = cleaned(material, layers)
    if out is None:
        return
    names = [LAYER_LABELS[layer] for layer in layers]
    assert [name for step in out.steps for name in step.takes_off] == names
    by_name = {label: key for key, label in LAYER_LABELS.items()}
    for step in out.steps:
        assert all(step.solvent in DISSOLVED_BY[by_name[name]] for name in step.takes_off)
        assert material not in dict(SOLVENTS[step.solvent].harms)


@given(st.lists(st.sampled_from(LAYERS), min_size=1, max_size=7))
def test_no_other_order_changes_solvent_less_often(layers):
    out = compute("cleaning-order", {"material": "copper", "layers": layers})
    best = dict.fromkeys(DISSOLVED_BY[layers[0]], 0)
    for layer in layers[1:]:
        least = min(best.values())
        best = {key: min(best.get(key, least + 1), least + 1) for key in DISSOLVED_BY[layer]}
    assert out.changes == min(best.values())


def test_rosin_on_acrylic_has_no_safe_solvent_and_says_why():
    with pytest.raises(CoreError) as caught:
        compute("cleaning-order", {"material": "plastic", "layers": ["oil-ink", "rosin"]})
    assert caught.value.field == "layers.1" and "crazes" in caught.value.text
