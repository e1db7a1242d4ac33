"""The sheet of an exposure, and how one stands: stages, rests, what a missed time does."""

import pytest

from core.data.exposure_stages import CHECKS, STAGES
from core.errors import CoreError
from core.events.exposure_fold import fold_exposure
from core.polymer.exposure_follow import follow_exposure, given_seconds
from core.polymer.exposure_shapes import ExposureRunInput
from core.polymer.exposure_sheet import exposure_run, strip_seconds
from core.polymer.pair_test import PairTestInput, pair_test
from tests.core.events.exposures import lasted, patches_of, sheet_of, up_to_the_image
from tests.core.events.test_fold import event


def stands(events, key="pair"):
    """Return how an exposure stands after events."""
    return follow_exposure(sheet_of(key), fold_exposure(events))


def stage_of(sheet, key):
    return next(each for each in sheet.stages if each.stage == key)


def next_of(told, key="pair"):
    plan = sheet_of(key).stages[told.next]
    return plan.stage, plan.step


def test_times_under_the_lamp_are_the_pairs_times_what_the_lamp_lost():
    sheet = exposure_run(ExposureRunInput(screen_seconds=80, image_seconds=165, times=1.03))
    assert [s.stage for s in sheet.stages] == list(STAGES)
    assert stage_of(sheet, "screen").seconds == pytest.approx(82.4)
    assert stage_of(sheet, "image").seconds == pytest.approx(169.95, abs=0.06)
    assert sheet.lamp_seconds == pytest.approx(82.4 + 170 + 480, abs=0.2)


@pytest.mark.parametrize(("celsius", "seconds"), [(20, 300), (30, 150), (10, 600), (26, 197.9)])
def test_washing_out_follows_the_water(celsius, seconds):
    sheet = exposure_run(ExposureRunInput(screen_seconds=80, image_seconds=165, water_c=celsius))
    assert stage_of(sheet, "wash").seconds == pytest.approx(seconds, abs=0.1)


@pytest.mark.parametrize("field", ["screen_seconds", "image_seconds"])
def test_one_time_alone_is_no_pair(field):
    with pytest.raises(CoreError) as refused:
        exposure_run(ExposureRunInput(**{field: 80}))
    assert refused.value.code == "no-times"
    assert refused.value.field != field


def test_a_test_is_exposed_strip_by_strip():
    test = PairTestInput(screen_steps=3, image_steps=4)
    sheet = exposure_run(ExposureRunInput(test=test))
    plan = pair_test(test)
    strips = [each for each in sheet.stages if each.stage in ("screen", "image")]
    assert [s.seconds for s in strips] == [step.seconds for step in plan.steps]
    assert [s.step for s in strips] == [1, 2, 3, 1, 2, 3, 4]
    assert strips[1].todo.startswith("Card over the first strip")


def test_what_the_strips_truly_had_is_summed():
    test = PairTestInput(screen_steps=2, image_steps=3)
    given = {("screen", 1): 57.0, ("screen", 2): 30.0, ("image", 1): 60.0, ("image", 2): 25.5}
    assert strip_seconds(test, given) == {
        "screen_seconds": [57.0, 87.0], "image_seconds": [60.0, 85.5, 85.5],
    }  # fmt: skip


def test_a_longer_screen_moves_the_image_and_the_planned_one_does_not():
    as_planned = stands(lasted(1, "screen", 0, 84))
    longer = stands(lasted(1, "screen", 0, 110))
    planned = {s.stage: s.planned_seconds for s in as_planned.stages}
    assert planned["image"] == pytest.approx(168, abs=0.1)
    moved = next(s for s in longer.stages if s.stage == "image")
    assert moved.planned_seconds != pytest.approx(168, abs=1)
    assert 90 < moved.planned_seconds < 300


def test_a_missed_time_says_what_the_test_says_of_it():
    texts = {o.up_to_share: o for o in stage_of(sheet_of("pair"), "image").outcomes}
    assert texts[1.03].code == "right"
    assert "lights are lost" in texts[1.7].text
    bare = exposure_run(ExposureRunInput(screen_seconds=80, image_seconds=160))
    assert stage_of(bare, "image").outcomes[-1].text == "Long: lights may be lost."


def test_outside_what_was_tested_only_the_rule_is_told():
    far = exposure_run(
        ExposureRunInput(screen_seconds=400, image_seconds=160, patches=patches_of())
    )
    assert stage_of(far, "image").by_screen == []
    assert stage_of(far, "screen").outcomes[0].text == "Short: darks may wipe out."


def test_a_short_lamp_asks_for_the_rest_until_it_is_left_or_the_next_begins():
    short = lasted(1, "screen", 0, 60)
    told = stands(short)
    assert next_of(told) == ("screen", 1)
    assert told.next_seconds == pytest.approx(24)
    assert next_of(stands([*short, event(9, "passed", 70, stage="screen")])) == ("image", 1)
    assert next_of(stands([*short, *lasted(3, "image", 90, 250)])) == ("wash", 1)


def test_what_is_not_clear_is_washed_on_for_a_minute():
    washed = [*up_to_the_image(), *lasted(20, "wash", 700, 300)]
    assert next_of(stands(washed)) == ("blot", 1)
    slimy = [*washed, event(30, "checked", 1010, check="clear-touch", fine=False)]
    told = stands(slimy)
    assert (next_of(told), told.next_seconds) == (("wash", 1), 60)
    clear = [*slimy, event(31, "checked", 1020, check="clear-touch", fine=True)]
    assert next_of(stands(clear)) == ("blot", 1)


def test_over_and_under_washed_are_told():
    washed = lambda seconds: next(  # noqa: E731 (said once, read four times)
        s for s in stands([*up_to_the_image(), *lasted(20, "wash", 700, seconds)]).stages
        if s.stage == "wash"
    )  # fmt: skip
    assert washed(480).text.startswith("Over-washed")
    assert washed(140).text.startswith("Under-washed")
    assert (washed(305).code, washed(480).code, washed(140).code) == ("right", "long", "short")


def test_the_lamp_is_counted_for_what_it_burnt():
    told = stands([*up_to_the_image(170), *lasted(20, "wash", 700, 300)])
    assert told.lamp_seconds == pytest.approx(84 + 170)
    lamp_off = up_to_the_image()[-1]
    taken_back = [*up_to_the_image(), event(50, "undo", 900, event=lamp_off.id)]
    assert stands(taken_back).lamp_seconds == pytest.approx(84)


def test_all_done_leaves_nothing_next():
    done, at = [], 0.0
    for number, plan in enumerate(sheet_of("pair").stages):
        done += lasted(2 * number, plan.stage, at, plan.seconds)
        at += plan.seconds + 30
    told = stands(done)
    assert told.next is None and told.due_seconds is None
    assert {s.code for s in told.stages if s.code} == {"right"}
    assert given_seconds(fold_exposure(done))[("wash", 1)] == pytest.approx(300)


def test_every_check_belongs_to_a_stage():
    assert {key for row in STAGES.values() for key in row.checks} == set(CHECKS)
