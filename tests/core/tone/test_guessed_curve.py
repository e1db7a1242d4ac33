"""Asked without a strip, a curve is a guess for the bath's mordant, with its wide band."""

import pytest
from pydantic import ValidationError

from core.tone.read_curve import read_curve
from core.tone.shapes import ReadCurveInput
from tests.core.strips import curve


def asked(**more):
    return read_curve(ReadCurveInput.model_validate(more)).points


def test_without_a_strip_the_answer_is_wider_than_with_one():
    bath = {"mordant": "copper-ferric", "temperature_c": 20}
    (guess,) = asked(bath=bath, lstar=[50])
    (known,) = asked(curve=curve(), bath=bath, lstar=[50])
    wide, narrow = ((p.seconds_high / p.seconds_low) for p in (guess, known))
    assert wide > 1.5 * narrow
    assert guess.lstar == pytest.approx(50, abs=0.5)


def test_a_warmer_bath_is_guessed_to_bite_faster():
    times = [asked(bath={"mordant": "copper-ferric", "temperature_c": t}, lstar=[50])[0].seconds
             for t in (15, 20, 25)]  # fmt: skip
    assert times == sorted(times, reverse=True)


def test_tones_only_fall_with_time():
    points = asked(bath={"mordant": "zinc-nitric-16", "temperature_c": 20},
                   seconds=[30, 60, 120, 240, 480])  # fmt: skip
    assert [p.lstar for p in points] == sorted((p.lstar for p in points), reverse=True)


def test_without_both_nothing_can_be_said():
    with pytest.raises(ValidationError, match="the bath says what is guessed"):
        ReadCurveInput(lstar=[50])
