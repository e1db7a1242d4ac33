"""A proof moves its plate's curve: nearer to the plate than the strip, and no surer than it is."""

import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from core.tone.table import table_of
from tests.core.strips import curve
from tests.simulator.room import Room

TIMES = (30, 60, 120, 240, 480, 960)
BITTEN = np.array([40.0, 90.0, 200.0, 420.0, 800.0])
"""Reference seconds of five areas: three of them are proofed, two bite on."""
PROOFED = 3


def learned(readings, of=None):
    given = {"curve": (of or curve()).model_dump(mode="json"), "readings": readings}
    return compute("learn-curve", given)


def reading(seconds, lstar, spread=1.0):
    return {"reference_seconds": seconds, "lstar": float(np.clip(lstar, 0, 105)), "spread": spread}


def tones(of, seconds):
    """Mean and band of a curve at times: (3, n)."""
    table = table_of(of)
    at = np.array([table.at(np.full(len(table.lstar), s)) for s in seconds])
    return np.stack([at.mean(axis=1), *np.percentile(at, [2.5, 97.5], axis=1)])


def plate_beside_its_strip(seed):
    """A strip's curve, and the true tones of a plate whose grain differs a little."""
    rng = np.random.default_rng(seed)
    room = Room(rng, int(rng.integers(0, 2)))
    depths = room.depth(np.diff(np.array(TIMES), prepend=0), 20, 0)
    read = np.clip(room.tone(depths) + rng.normal(0, room.reading_sd, len(TIMES)), 0, 105)
    strip = compute("fit-strip", {
        "patches": [{"seconds": s, "lstar": float(v)} for s, v in zip(TIMES, read, strict=True)],
        "conditions": {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 0},
    })  # fmt: skip
    room.cover *= np.exp(rng.normal(0, 0.08))
    room.scale *= np.exp(rng.normal(0, 0.1))
    room.radii = room.radii * np.exp(rng.normal(0, 0.08))
    true = room.tone(BITTEN * room.speed(20, 0))
    proof = true[:PROOFED] + rng.normal(0, 1, PROOFED)
    after = learned([reading(*each) for each in zip(BITTEN, proof, strict=False)], strip.curve)
    return true, tones(strip.curve, BITTEN), tones(after.curve, BITTEN)


def test_a_proof_brings_the_plate_nearer_and_its_bands_hold():
    rooms = [plate_beside_its_strip(500 + seed) for seed in range(40)]
    true, before, after = (np.stack(each) for each in zip(*rooms, strict=True))
    off_before, off_after = ((each[:, 0] - true) ** 2 for each in (before, after))
    for areas, most in ((slice(0, PROOFED), 0.5), (slice(PROOFED, None), 0.95)):
        assert np.sqrt(off_after[:, areas].mean() / off_before[:, areas].mean()) < most
    held = (true >= after[:, 1]) & (true <= after[:, 2])
    assert 0.93 <= held.mean() <= 1.0


def test_one_area_moves_the_curve_towards_it_and_says_from_where():
    answer = learned([reading(120, 75)])
    (one,) = answer.readings
    assert one.before_lstar < one.after_lstar <= 75.3
    assert one.after_low < one.after_lstar < one.after_high


def test_what_the_strip_said_already_leaves_the_curve_where_it_was():
    said = tones(curve(), BITTEN)[0]
    after = tones(learned([reading(s, v) for s, v in zip(BITTEN, said, strict=True)]).curve, BITTEN)
    assert after[0] == pytest.approx(said, abs=0.5)


def test_a_sure_reading_moves_it_further_than_an_unsure_one_in_any_order():
    sure, unsure = (learned([reading(120, 75, s)]).readings[0].after_lstar for s in (0.3, 6.0))
    assert sure > unsure
    pair = [reading(60, 85), reading(400, 40)]
    one, other = (tones(learned(given).curve, BITTEN)[0] for given in (pair, pair[::-1]))
    assert one == pytest.approx(other, abs=0.2)


def test_an_area_its_fellows_contradict_is_left_out_and_of_two_none_is():
    said = tones(curve(), BITTEN)[0]
    off = [0.2, 0.0, 12.0, -0.2, 0.1]
    told = learned([reading(s, v + d) for s, v, d in zip(BITTEN, said, off, strict=True)]).readings
    assert [each.left_out for each in told] == [False, False, True, False, False]
    assert told[2].after_lstar == pytest.approx(said[2], abs=1.0)
    pair = learned([reading(BITTEN[0], said[0]), reading(BITTEN[2], said[2] + 12)]).readings
    assert not any(each.left_out for each in pair)


def test_the_curve_still_falls_and_reaches_as_far_as_the_strip():
    answer = learned([reading(60, 60), reading(120, 75)])
    table = table_of(answer.curve)
    assert (np.diff(table.lstar, axis=1) <= 1e-9).all()
    assert answer.curve.valid_to_seconds == curve().valid_to_seconds
    assert answer.curve.conditions == curve().conditions


@pytest.mark.parametrize("readings", [
    [], [reading(-1, 50)], [{"reference_seconds": 60, "lstar": 140}], [{"lstar": 50}],
])  # fmt: skip
def test_no_readings_and_impossible_ones_are_refused(readings):
    with pytest.raises(CoreError):
        learned(readings)
