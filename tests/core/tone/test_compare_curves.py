"""Two strips in one bath: they agree where their gap lies within their doubt."""

import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError

READ = ((30, 86.7), (60, 80.1), (120, 70.2), (240, 55.8), (480, 38.9), (960, 25.1))


def fitted(off=0.0, times=1.0, spread=1.0, **conditions):
    return compute("fit-strip", {
        "patches": [{"seconds": s * times, "lstar": v + off, "spread": spread} for s, v in READ],
        "conditions": {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 5,
                       "baume": 42} | conditions,
    }).curve.model_dump(mode="json")  # fmt: skip


def compared(one, other):
    return compute("compare-curves", {"curve": one, "other": other})


def test_a_strip_agrees_with_itself_at_its_own_pace():
    told = compared(fitted(), fitted())
    assert (told.agree, told.factor, told.text) == (True, 1.0, "Yes. They part by less than 1 L*.")
    assert [p.lstar for p in told.other_moved] == [p.lstar for p in told.line]


def test_a_strip_of_a_warmer_bath_agrees_once_it_is_moved():
    """At 30 °C the bath bites by Arrhenius faster: the same grain needs less time."""
    faster = 1.5  # 33 kJ/mol from 20 to 30 °C
    told = compared(fitted(), fitted(times=1 / faster, temperature_c=30))
    assert told.factor == pytest.approx(faster, abs=0.12)
    assert told.agree, told.text
    as_bitten = np.interp(240, [p.seconds for p in told.other_as_bitten],
                          [p.lstar for p in told.other_as_bitten])  # fmt: skip
    assert as_bitten < 50 < 55.8


@pytest.mark.parametrize(("off", "way"), [(8, "lighter"), (-8, "darker")])
def test_another_grain_is_told_with_the_time_and_the_way(off, way):
    told = compared(fitted(), fitted(off))
    assert not told.agree and told.text.startswith("No. At ") and told.text.endswith(f"{way}.")
    assert abs(told.most_lstar) == pytest.approx(8, abs=1.5)


def test_a_gap_that_readings_cannot_tell_is_no_quarrel():
    assert not compared(fitted(), fitted(4)).agree
    assert compared(fitted(), fitted(4, spread=6.0)).agree


def test_two_mordants_are_refused():
    zinc = fitted(mordant="zinc-nitric-10", baume=None)
    with pytest.raises(CoreError):
        compared(fitted(), zinc)
