"""Which readings of a probe are believed; kept they are all."""

from hypothesis import given
from hypothesis import strategies as st

from core.bath.probe import Before, judged

NOW = 1_800_000_000.0


def said(values, every=10.0, before=()):
    """Whether each of readings every so many seconds is believed."""
    start = NOW - every * len(values)
    readings = [(start + every * i, v) for i, v in enumerate(values)]
    return [each.believed for each in judged(readings, before, NOW)]


def test_a_quiet_tray_is_believed():
    assert all(said([18.5, 18.5, 18.4, 18.4]))


def test_outside_nought_to_sixty_is_never_believed_and_the_next_is():
    assert said([18.5, -3.0, 85.0, 18.4]) == [True, False, False, True]


def test_the_future_is_not_believed():
    (told,) = judged([(NOW + 3600, 18.0)], [], NOW)
    assert not told.believed and "future" in told.why


def test_a_jump_is_believed_when_a_second_minute_agrees_and_says_so():
    told = judged([(NOW - 300 + 10 * i, v) for i, v in enumerate([18.0] * 3 + [24.0] * 12)],
                  [], NOW)  # fmt: skip
    assert not any(each.believed for each in told[3:9])
    assert told[9].believed and "second minute" in told[9].why
    assert all(each.believed for each in told[9:])


def test_a_lone_spike_is_passed_over():
    assert said([18.0, 18.0, 26.0, 18.1, 18.1]) == [True, True, False, True, True]


def test_two_spikes_apart_do_not_agree_with_each_other():
    assert not said([18.0, 26.0, 18.0, 18.0, 18.0, 18.0, 18.0, 18.0, 26.0])[-1]


def test_what_is_there_already_counts():
    before = [Before(NOW - 60, 18.0, believed=True)]
    assert said([25.0], before=before) == [False]


def test_out_of_order_is_judged_in_the_order_of_time():
    readings = [(NOW - 10, 18.2), (NOW - 30, 18.0), (NOW - 20, 18.1)]
    assert [each.at_seconds for each in judged(readings, [], NOW)] == [
        NOW - 30, NOW - 20, NOW - 10,
    ]  # fmt: skip


@given(st.lists(st.floats(-40, 120), max_size=30))
def test_nothing_is_lost_and_nothing_strange_believed(values):
    start = NOW - 10 * len(values)
    told = judged([(start + 10 * i, v) for i, v in enumerate(values)], [], NOW)
    assert [each.value for each in told] == values
    assert all(0 <= each.value <= 60 for each in told if each.believed)
    assert all(each.why for each in told if not each.believed)
