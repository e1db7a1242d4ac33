import cv2
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from tests.simulator.polymer import best_range, crossed, plate

NAMES = ("paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar")


def read(own, screens, images, rng, spread=0.8):
    """Return the patches of a test as they would be read."""
    tones = [np.clip(t + rng.normal(0, spread, len(screens)), 0, 105)
             for t in own.tones(screens, images)]  # fmt: skip
    return [
        {"screen_seconds": s, "image_seconds": i, "spread": spread,
         **dict(zip(NAMES, map(float, each), strict=True))}
        for s, i, *each in zip(map(float, screens), map(float, images), *tones, strict=True)
    ]  # fmt: skip


def of(seed, screens=4, images=4, spread=0.8):
    rng = np.random.default_rng(seed)
    own = plate(rng)
    times = crossed(own, rng, screens, images)
    return own, times, read(own, *times, rng, spread)


@pytest.mark.parametrize("laid", [(5, 5), (3, 3), (3, 2)])
def test_the_pair_comes_near_the_best_there_is(laid):
    """24 made-up plates a layout, of another make than the model, each tone read within 0.8 L*."""
    near = told = 0
    for seed in range(24):
        own, times, patches = of(seed, *laid)
        best = best_range(own, *times)
        if best is None:
            continue
        pair = compute("exposure-pair", {"patches": patches})
        paper, highlight, shadow, solid = own.tones(pair.screen_seconds, pair.image_seconds)
        told += 1
        near += paper - solid >= best - 2.5 and min(paper - highlight, shadow - solid) >= 1.0
    assert told >= 12 and near / told >= 0.9


def test_the_pair_lies_among_what_was_tested():
    own, (screens, images), patches = of(3)
    pair = compute("exposure-pair", {"patches": patches})
    for name, times in (("screen_seconds", screens), ("image_seconds", images)):
        low, at, high = (getattr(each, name) for each in (pair.low, pair, pair.high))
        assert times.min() <= low <= at <= high <= times.max()
    field = pair.field
    assert field.screen_seconds[0] == pytest.approx(screens.min(), abs=0.1)
    assert np.shape(field.held) == (25, 25) and 0 <= np.min(field.held) <= np.max(field.held) <= 1


def test_the_field_is_outlined_and_the_pair_lies_within():
    _, (screens, images), patches = of(3)
    pair = compute("exposure-pair", {"patches": patches})
    assert pair.field.likely and pair.chance > 0.6
    for outline in (*pair.field.likely, *pair.field.perhaps, *pair.field.surely):
        assert outline[0] == outline[-1]  # closed
        at = np.array(outline)
        assert at[:, 0].min() >= screens.min() - 0.1 and at[:, 0].max() <= screens.max() + 0.1
        assert at[:, 1].min() >= images.min() - 0.1 and at[:, 1].max() <= images.max() + 0.1
    around = [np.array(each, np.float32)[:, None] for each in pair.field.likely]
    at = (pair.screen_seconds, pair.image_seconds)
    assert max(cv2.pointPolygonTest(each, at, True) for each in around) > -3


def test_what_was_not_tested_is_never_told():
    """A test like an L: its empty corner is no place for an answer."""
    _, _, patches = of(5, 4, 4)
    middle = sorted({p["screen_seconds"] for p in patches})[1]
    shortest = min(p["image_seconds"] for p in patches)
    kept = [p for p in patches if p["screen_seconds"] <= middle or p["image_seconds"] == shortest]
    pair = compute("exposure-pair", {"patches": kept})
    assert pair.field.held[-1][-1] == 0
    assert pair.screen_seconds <= middle * 1.5 or pair.image_seconds < 3 * shortest


def test_finer_readings_make_it_surer():
    def width(spread):
        pairs = [compute("exposure-pair", {"patches": of(seed, 4, 4, spread)[2]})
                 for seed in range(6)]  # fmt: skip
        return np.mean([np.log(p.high.image_seconds / p.low.image_seconds) for p in pairs])

    assert width(0.2) < 0.8 * width(3.0)


def test_a_plate_that_holds_nothing_says_so():
    _, _, patches = of(1)
    for patch in patches:
        patch["shadow_lstar"] = patch["solid_lstar"] + 0.1
    pair = compute("exposure-pair", {"patches": patches})
    assert not pair.shadow_open
    assert "no-pair" in {w.code for w in pair.warnings} and pair.chance < 0.2
    assert "darks stay closed" in pair.why


def test_the_best_at_the_end_of_a_test_asks_for_more():
    _, (screens, images), patches = of(3)
    shorter = [p for p in patches if p["image_seconds"] < np.unique(images)[2]]
    codes = {w.code for w in compute("exposure-pair", {"patches": shorter}).warnings}
    assert "few-times" in codes


def test_one_time_only_is_refused():
    _, _, patches = of(3)
    same = [{**p, "screen_seconds": 60} for p in patches]
    with pytest.raises(CoreError) as error:
        compute("exposure-pair", {"patches": same})
    assert (error.value.code, error.value.value) == ("one-time", 1)


def test_times_that_change_together_are_refused():
    _, _, patches = of(3)
    line = [{**p, "screen_seconds": p["image_seconds"] / 2} for p in patches]
    with pytest.raises(CoreError, match="change together"):
        compute("exposure-pair", {"patches": line})


def test_paper_and_solid_turned_round_are_refused_by_patch():
    _, _, patches = of(3)
    patches[4]["solid_lstar"], patches[4]["paper_lstar"] = 95, 20
    with pytest.raises(CoreError) as error:
        compute("exposure-pair", {"patches": patches})
    assert error.value.field == "patches.4.solid_lstar" and error.value.unit == "L*"


def test_five_patches_are_too_few():
    with pytest.raises(CoreError) as error:
        compute("exposure-pair", {"patches": of(3)[2][:5]})
    assert error.value.field == "patches" and "6" in error.value.allowed


@settings(max_examples=40, deadline=None)
@given(
    st.floats(5, 600), st.floats(5, 600), st.integers(2, 7), st.integers(2, 7), st.floats(1.1, 2)
)
def test_each_strip_of_a_test_gets_its_own_time(screen, image, screens, images, step):
    test = compute("pair-test", {
        "screen_seconds": screen, "image_seconds": image, "screen_steps": screens,
        "image_steps": images, "step": step, "width_mm": 210, "height_mm": 148,
    })  # fmt: skip
    for layer, times in (("screen", test.screen_seconds), ("image", test.image_seconds)):
        had = np.zeros(len(times))
        for each in (s for s in test.steps if s.layer == layer):
            had[each.covered :] += each.seconds  # the card covers the strips before it
            assert had[each.covered] == pytest.approx(each.in_all)
        assert had == pytest.approx(times)
        assert all(b > a for a, b in zip(times, times[1:], strict=False))
    assert test.lamp_seconds == test.screen_seconds[-1] + test.image_seconds[-1]


def test_a_test_says_what_lies_under_the_card():
    texts = [step.text for step in compute("pair-test", {}).steps]
    assert texts[0] == "Lay the dot screen on, nothing covered: 0:40."
    assert texts[2] == "Card over the first 2 strips from the top, 3 are open: 0:23."
    assert texts[-1] == "Card over the first 4 strips from the left, one is open: 1:34."


@pytest.mark.parametrize(
    ("given", "field"),
    [({"width_mm": 30, "image_steps": 5}, "width_mm"), ({"height_mm": 12}, "height_mm"),
     ({"image_seconds": 7000, "step": 2}, "image_seconds")],
)  # fmt: skip
def test_a_test_that_cannot_be_laid_is_refused(given, field):
    with pytest.raises(CoreError) as error:
        compute("pair-test", given)
    assert error.value.field == field and error.value.unit
