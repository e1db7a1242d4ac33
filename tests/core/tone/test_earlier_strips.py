"""Earlier strips are weighed: the surer and the newer count for more, none is thrown out."""

import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.core.strips import curve

CONDITIONS = {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 5, "baume": 42}
READ = ((30, 86.7), (60, 80.1), (120, 70.2), (240, 55.8), (480, 38.9), (960, 25.1))


def fitted(patches=READ, **more):
    given = {
        "patches": [{"seconds": s, "lstar": v, "spread": 1.0} for s, v in patches],
        "conditions": CONDITIONS,
    }
    return compute("fit-strip", given | more)


def old(count=1):
    return [curve().model_dump(mode="json")] * count


def test_a_strip_alone_is_known_from_its_own_patches():
    answer = fitted()
    assert (answer.own_share, answer.prior_shares) == (1.0, [])


def test_shares_add_up_and_many_patches_count_for_more_than_few():
    many, few = (fitted(p, prior=old(2), prior_days=[7, 200]) for p in (READ, READ[::2]))
    for answer in (many, few):
        assert answer.own_share + sum(answer.prior_shares) == pytest.approx(1, abs=0.002)
    assert many.own_share > few.own_share > 0.5


def test_the_newer_of_two_counts_for_more_and_the_oldest_still_counts():
    newer, older = fitted(prior=old(2), prior_days=[7, 700]).prior_shares
    assert newer > 2 * older > 0
    alike = fitted(prior=old(2)).prior_shares
    assert alike[0] == alike[1]


def test_an_earlier_strip_of_few_doubtful_patches_counts_for_less_than_a_sure_one():
    doubtful = [p | {"spread": 8.0} for p in ({"seconds": 30, "lstar": 84},
                {"seconds": 240, "lstar": 60}, {"seconds": 960, "lstar": 30})]  # fmt: skip
    rough = compute("fit-strip", {"patches": doubtful, "conditions": CONDITIONS})
    sure, unsure = fitted(prior=[*old(), rough.curve.model_dump(mode="json")]).prior_shares
    assert sure > unsure


@pytest.mark.parametrize("days", [[1.0], [1.0, -2.0], [1.0, 2.0, 3.0]])
def test_ages_that_do_not_fit_the_strips_are_refused(days):
    with pytest.raises(CoreError):
        fitted(prior=old(2), prior_days=days)
