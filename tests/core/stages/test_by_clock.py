"""Plans by plain minutes: typed as they are written, bitten as they were typed, told in tones."""

from itertools import accumulate

import pytest
from hypothesis import Phase, given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from core.process.rows import PROCESSES
from core.stages.shapes import DoneBite
from tests.core.process.test_rows import decided

MINUTE = 60.0


@pytest.mark.parametrize(
    ("text", "minutes"),
    [("2 + 4 + 8", [2, 6, 14]), ("10, 30, 60", [10, 30, 60]), ("10 30 60", [10, 30, 60]),
     ("0:30 + 1:00", [0.5, 1.5]), ("2,5; 4,5; 10", [2.5, 4.5, 10]), ("2.5, 4", [2.5, 4]),
     ("7", [7]), (" 1+1+1 ", [1, 2, 3]), ("1:30, 2:45,", [1.5, 2.75])],
)  # fmt: skip
def test_minutes_are_read_as_they_are_written(text, minutes):
    assert compute("minutes", {"text": text}).seconds == [m * MINUTE for m in minutes]


@pytest.mark.parametrize(
    ("text", "code", "word"),
    [("10, 60, 30", "minutes-fall", "30 min comes after 60"), ("10, 10", "minutes-fall", "rise"),
     ("two", "not-a-time", "first"), ("2 + 0", "not-a-time", "second"), ("2 +", "not-a-time", "2"),
     ("1:75", "not-a-time", "1:75"), ("-3", "not-a-time", "-3"), ("10, 700", "too-long", "700"),
     ("1 + " * 40 + "1", "too-many", "more times"), (",", "not-a-time", "first")],
)  # fmt: skip
def test_what_is_no_row_of_minutes_is_told_with_what_is(text, code, word):
    with pytest.raises(CoreError) as caught:
        compute("minutes", {"text": text})
    assert caught.value.code == code and caught.value.field == "text"
    assert word.lower() in caught.value.text.lower() and caught.value.allowed


KEYS = ("tones", "lines", "spit-bite")
rising = st.lists(st.integers(5, 900), min_size=1, max_size=4).map(lambda gaps: [*accumulate(gaps)])


def by_minutes(key, method, seconds, done=()):
    """A plan of as many areas as there are times, and a white one where tones can stay white."""
    names = [f"area {place}" for place in range(len(seconds))]
    areas = [
        {"name": n, "seconds": s, "open_cm2": 5.0} for n, s in zip(names, seconds, strict=True)
    ]
    if key != "lines":
        areas = [{"name": "white", "lstar": None, "open_cm2": 5.0}, *areas]
        areas = [{"lstar": None, **area} for area in areas]
    what = decided(key, done=list(done)).model_copy(update={"areas": areas, "method": method})
    return PROCESSES[key].sheet(what)


def followed(key, method, seconds, late_at=None, late=0.0):
    """What hands do that know only the first bite: the time each area was open by the clock."""
    done, clock, bites = [], {}, []
    for _ in range(len(seconds) + 2):
        plan = by_minutes(key, method, seconds, done).plan
        if not plan.bites:
            return clock, bites
        bite = plan.bites[0]
        is_open = [area.name for area in bite.areas]
        took = max(1.0, bite.seconds + (late if bite.number == late_at else 0.0))
        for name in is_open:
            clock[name] = clock.get(name, 0.0) + took
        bites.append(took)
        done.append(DoneBite(seconds=took, temperature_c=14.0, open=is_open))
    raise AssertionError("it never ends")


@settings(max_examples=30, deadline=None, phases=[Phase.explicit, Phase.reuse, Phase.generate])
@given(st.sampled_from(KEYS), st.sampled_from(["stop-out", "open-up"]), rising)
def test_followed_to_the_letter_each_area_bites_its_minutes_in_a_cold_bath_too(key, method, times):
    clock, bites = followed(key, method, times)
    assert len(bites) == len(times) and "white" not in clock
    for place, seconds in enumerate(times):
        assert clock[f"area {place}"] == pytest.approx(seconds, abs=0.5)


@settings(max_examples=20, deadline=None, phases=[Phase.explicit, Phase.reuse, Phase.generate])
@given(st.sampled_from(["stop-out", "open-up"]), rising, st.integers(1, 4), st.floats(-15, 90))
def test_late_or_early_what_follows_makes_up_for_it(method, times, late_at, late):
    clock, _ = followed("tones", method, times, late_at, late)
    slack = 5.5 + max(0.0, late)  # a rest shorter than the rounding is no bite
    for place, seconds in enumerate(times):
        assert -20.5 <= clock[f"area {place}"] - seconds <= slack
    last = clock[f"area {len(times) - 1}"]
    if method == "stop-out" and late_at < len(times):
        assert last <= max(times[-1], times[late_at - 1] + max(late, 0.0)) + 5.5


def test_tones_that_will_come_are_told_and_go_by_the_bath():
    warm, cold = (sheet_at(c) for c in (24.0, 14.0))
    for sheet in (warm, cold):
        assert sheet.by_clock and [b.seconds for b in sheet.plan.bites] == [120.0, 240.0, 480.0]
        assert sheet.areas[0].wanted is None
        told = [area.wanted for area in sheet.areas[1:]]
        ends = [area.goal.value for area in sheet.plan.areas[1:]]
        assert told == ends and told == sorted(told, reverse=True)
    pairs = zip(warm.areas[1:], cold.areas[1:], strict=True)
    assert all(w.wanted < c.wanted for w, c in pairs)


def sheet_at(celsius):
    areas = [{"name": "white", "lstar": None}]
    areas += [{"name": f"t{s}", "lstar": None, "seconds": s} for s in (120.0, 360.0, 840.0)]
    what = decided("tones")
    bath = what.bath.model_copy(update={"temperature_c": celsius, "room_c": celsius})
    return PROCESSES["tones"].sheet(what.model_copy(update={"areas": areas, "bath": bath}))


def test_minutes_past_the_strip_are_warned_of_and_bitten_all_the_same():
    sheet = by_minutes("tones", "stop-out", [60, 3 * 3600])
    codes = {(w.code, w.area) for w in sheet.plan.warnings}
    assert ("beyond-strip", "area 1") in codes and ("beyond-strip", "area 0") not in codes
    assert sheet.plan.bites[-1].cumulative_seconds == 3 * 3600


def test_lines_by_minutes_are_told_in_depth_and_width():
    sheet = by_minutes("lines", "stop-out", [600, 1800, 3600])
    depths = [area.wanted for area in sheet.areas]
    assert depths == sorted(depths) and depths[2] / depths[0] == pytest.approx(6, rel=0.25)
    assert all(area.lines.width_um > 0 for area in sheet.plan.areas)


@pytest.mark.parametrize(
    "areas",
    [[{"name": "a", "lstar": 60, "seconds": 60}],
     [{"name": "a", "lstar": 60}, {"name": "b", "lstar": None, "seconds": 60}]],
)  # fmt: skip
def test_tones_and_minutes_are_not_mixed(areas):
    bath = {"mordant": "copper-ferric", "temperature_c": 20, "volume_l": 4}
    with pytest.raises(CoreError) as caught:
        compute("plan-bites", {"areas": areas, "bath": bath})
    assert "minutes" in str(caught.value) or "one of the two" in str(caught.value)


def test_what_the_record_says():
    tones, lines = PROCESSES["tones"], PROCESSES["lines"]
    wish = tones.wishes([{"name": "Sky", "lstar": None, "seconds": 150.0}])[0]
    assert tones.tell(wish) == "Sky for 2:30 min"
    assert tones.count([{"lstar": None, "seconds": 60.0}, {"lstar": None}]) == "1 tones"
    assert (
        lines.tell(lines.wishes([{"name": "Rain", "seconds": 3600.0}])[0]) == "Rain for 60:00 min"
    )


@pytest.mark.parametrize("method", ["stop-out", "open-up"])
def test_times_nearer_than_hands_can_tell_share_a_bite_and_none_is_left_out(method):
    clock, bites = followed("tones", method, [3, 72, 74, 300])
    assert len(bites) == 3
    assert [clock[f"area {place}"] for place in range(4)] == pytest.approx(
        [3, 73, 73, 300], abs=1.1
    )
