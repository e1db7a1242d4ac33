import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.simulator.polymer import transfer


def chart(printed, count, rng=None, spread=0.8):
    films = np.linspace(0, 1, count)
    noise = rng.normal(0, spread, count) if rng is not None else 0
    tones = np.clip(printed(films) + noise, 0, 105)
    return [{"film": float(f), "lstar": float(y), "spread": spread}
            for f, y in zip(films, tones, strict=True)]  # fmt: skip


def wanted(curve):
    return np.linspace(curve.darkest_lstar, curve.lightest_lstar, 256)


@pytest.mark.parametrize(("steps", "most"), [(11, 0.8), (21, 0.6), (101, 0.4)])
def test_what_is_corrected_prints_as_it_should(steps, most):
    """40 made-up plates, straight, bent or flat at their ends, each step read within 0.8 L*."""
    off, held = [], []
    for seed in range(40):
        rng = np.random.default_rng(seed)
        printed = transfer(rng)
        curve = compute("correction-curve", {"chart": chart(printed, steps, rng)})
        off.append(np.mean((printed(curve.film) - wanted(curve)) ** 2))
        held.extend(p.low <= printed(p.film) <= p.high for p in curve.prints)
    assert np.sqrt(np.mean(off)) <= most
    assert 0.85 <= np.mean(held) <= 0.99


@pytest.mark.parametrize("seed", range(6))
def test_the_film_never_rises_and_is_nowhere_too_steep(seed):
    rng = np.random.default_rng(seed)
    film = np.array(compute("correction-curve", {"chart": chart(transfer(rng), 21, rng)}).film)
    assert len(film) == 256 and film[0] <= 1 and film[-1] >= 0
    steps = film[:-1] - film[1:]
    assert steps.min() >= 0 and steps.max() <= 12 / 255 + 2e-5


def test_a_straight_plate_needs_no_correction():
    curve = compute("correction-curve", {"chart": chart(lambda x: 94 - 70 * x, 21, spread=0.1)})
    assert curve.film == pytest.approx(np.linspace(1, 0, 256), abs=2e-3)
    assert (curve.lightest_lstar, curve.darkest_lstar) == pytest.approx((94, 24), abs=0.05)
    assert curve.warnings == [] and curve.rms_lstar < 0.1


def test_one_step_far_off_is_left_out_and_named():
    steps = chart(lambda x: 94 - 70 * x, 21, np.random.default_rng(1))
    steps[10]["lstar"] += 12
    curve = compute("correction-curve", {"chart": steps})
    assert [each.film for each in curve.chart if each.outlier] == [0.5]
    assert {"left-out", "rises"} & {w.code for w in curve.warnings}
    middle = next(p for p in curve.prints if p.film == 0.5)
    assert middle.lstar == pytest.approx(59, abs=1)


def test_flat_ends_are_told():
    def clipped(x):
        return 92 - 62 * np.clip((x - 0.12) / 0.68, 0, 1)

    codes = {w.code for w in compute("correction-curve", {"chart": chart(clipped, 41)}).warnings}
    assert {"flat-lights", "flat-darks"} <= codes


def test_nothing_beyond_the_chart_is_used():
    steps = [{"film": f, "lstar": 90 - 60 * f} for f in np.linspace(0.1, 0.8, 12)]
    curve = compute("correction-curve", {"chart": steps})
    assert curve.film[0] == pytest.approx(0.8) and curve.film[-1] == pytest.approx(0.1)
    assert "ends-early" in {w.code for w in curve.warnings}


def test_a_short_range_is_told():
    curve = compute("correction-curve", {"chart": chart(lambda x: 80 - 30 * x, 21)})
    assert "short-range" in {w.code for w in curve.warnings}


@pytest.mark.parametrize(
    ("steps", "code"),
    [([{"film": f, "lstar": 20 + 70 * f} for f in np.linspace(0, 1, 12)], "does-not-fall"),
     ([{"film": f, "lstar": 60} for f in np.linspace(0, 1, 12)], "does-not-fall"),
     ([{"film": f / 3, "lstar": 90 - 60 * f / 3} for f in (0, 1, 2, 3) * 3], "few-steps")],
)  # fmt: skip
def test_a_chart_that_tells_nothing_is_refused(steps, code):
    with pytest.raises(CoreError) as error:
        compute("correction-curve", {"chart": steps})
    assert error.value.code == code and error.value.field == "chart" and error.value.unit


def test_a_step_beyond_its_film_is_refused_by_place():
    steps = chart(lambda x: 94 - 70 * x, 9)
    steps[3]["film"] = 1.2
    with pytest.raises(CoreError) as error:
        compute("correction-curve", {"chart": steps})
    assert error.value.field == "chart.3.film" and error.value.value == 1.2
