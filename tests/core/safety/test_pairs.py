"""Which metal may go into which bath."""

import pytest

from core.data.cautions import CAUTIONS
from core.data.mordants import METALS, MORDANTS
from core.data.pairs import PAIRS
from core.errors import CoreError
from core.safety.pairs import check_pair, pair_row


@pytest.mark.parametrize("metal", METALS)
@pytest.mark.parametrize("mordant", MORDANTS)
@pytest.mark.parametrize("held", [True, False])
def test_every_pair_has_one_verdict(metal, mordant, held):
    fitting = [
        r for r in PAIRS if r.metal == metal and mordant in r.mordants
        and r.held_copper in (None, held)
    ]  # fmt: skip
    assert len(fitting) == 1
    assert fitting[0].verdict == "allowed" or fitting[0].reason


def test_every_caution_is_in_the_table():
    assert {row.caution for row in PAIRS if row.caution} <= set(CAUTIONS)


@pytest.mark.parametrize("mordant", ["copper-ferric", "copper-ferric-citric"])
def test_ferric_that_held_copper_refuses_zinc_whatever_is_acknowledged(mordant):
    for known in (None, list(CAUTIONS)):
        with pytest.raises(CoreError) as refused:
            check_pair("zinc", mordant, held_copper=True, known=known)
        assert refused.value.code == "wrong-bath"
        assert "copper plates out" in refused.value.text


@pytest.mark.parametrize(
    ("metal", "mordant", "held"),
    [("zinc", "copper-ferric", False), ("zinc", "zinc-nitric-10", True),
     ("copper", "copper-nitric", True)],
)  # fmt: skip
def test_under_a_caution_it_is_planned_and_begun_once_that_is_known(metal, mordant, held):
    check_pair(metal, mordant, held_copper=held)
    with pytest.raises(CoreError) as asked:
        check_pair(metal, mordant, held_copper=held, known=[])
    assert asked.value.code == "caution-unread"
    check_pair(metal, mordant, held_copper=held, known=[asked.value.allowed])


@pytest.mark.parametrize("metal", ["plastic", "polymer"])
def test_there_is_nothing_to_bite_in_plastic(metal):
    with pytest.raises(CoreError) as refused:
        check_pair(metal, "copper-ferric", held_copper=True)
    assert refused.value.code == "nothing-to-bite"


def test_what_is_not_in_the_table_is_refused():
    assert pair_row("tin", "copper-ferric", held_copper=True).verdict == "refused"
