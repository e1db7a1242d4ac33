"""A print room's own numbers stand in for the table's, and the result says so."""

import pytest

from core.calculators import compute
from core.errors import CoreError

GROUPS = [{"name": "g", "depth_um": 40}]


def lines(**numbers):
    bath = {"mordant": "zinc-nitric-10", "temperature_c": 20, "numbers": numbers or None}
    return compute("plan-lines", {"groups": GROUPS, "bath": bath})


def test_a_rate_of_one_s_own_replaces_the_table_s():
    assert lines().rate_um_per_min == pytest.approx(5.0, rel=0.01)
    own = lines(rate_um_per_min=4.0, undercut=0.8)
    assert own.rate_um_per_min == pytest.approx(4.0, rel=0.01)
    assert own.undercut == pytest.approx(0.8, abs=0.01)
    assert own.tables == "2026-11 with own rate_um_per_min, undercut"
    assert lines().tables == "2026-11"


def test_an_activation_energy_of_one_s_own_moves_warm_baths():
    areas = [{"name": "a", "lstar": 50}]

    def first(energy):
        numbers = {"energy_kj_per_mol": energy} if energy else None
        bath = {"mordant": "copper-ferric", "temperature_c": 27, "numbers": numbers}
        return compute("plan-bites", {"areas": areas, "bath": bath}).speed

    assert first(22) < first(None) < first(45)


@pytest.mark.parametrize("column", ["rate_um_per_min", "energy_kj_per_mol", "wetting_seconds"])
def test_a_number_out_of_its_limits_is_refused(column):
    with pytest.raises(CoreError) as caught:
        lines(**{column: -1})
    assert caught.value.field.endswith(column)
