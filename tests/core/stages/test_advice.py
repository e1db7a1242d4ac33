"""What a proof asks for: leave, bite on, burnish, or pull again before the plate is touched."""

import pytest

from core.stages.advice import AdviseInput, advise
from core.stages.plan_bites import plan_bites
from tests.core.strips import BATH, curve, plan_input


def proofed(*pairs, measured=True):
    """Advice for areas of (wanted, read) L*."""
    areas = [
        {"name": f"t{i}", "wanted_lstar": w, "read_lstar": r} for i, (w, r) in enumerate(pairs)
    ]
    strip = {"curve": curve()} if measured else {}
    return advise(AdviseInput.model_validate({"areas": areas, "bath": BATH, **strip}))


def test_advice_leaves_bites_or_burnishes():
    areas = proofed((80, 78), (50, 60), (40, 30)).areas
    assert [a.act for a in areas] == ["leave", "bite", "burnish"]
    assert [a.off_lstar for a in areas] == [-2.0, 10.0, -10.0]
    assert [a.seconds is None for a in areas] == [True, False, True]


@pytest.mark.parametrize(("read", "act"), [(53.0, "leave"), (53.1, "bite"), (47.0, "leave"),
                                           (46.9, "burnish")])  # fmt: skip
def test_three_lstar_either_way_are_left(read, act):
    area = proofed((50, read)).areas[0]
    assert area.act == act
    assert ("±3 L*" in area.text) == (act == "leave")


def test_more_bite_carries_its_doubt_in_steps_of_five_seconds():
    area = proofed((50, 60)).areas[0]
    assert area.seconds_low < area.seconds < area.seconds_high
    times = (area.seconds, area.seconds_low, area.seconds_high)
    assert all(seconds % 5 == 0 for seconds in times)
    clocks = [f"{int(t) // 60}:{int(t) % 60:02d}" for t in times]
    assert area.text == "Bite {} more ({} to {}).".format(*clocks)


def test_more_bite_brings_the_tone_that_was_wanted():
    """The same strip and bath plan it alike: to 50 from white, less to 60 from white."""
    long, short = (plan_bites(plan_input((goal,))).bites[0].seconds for goal in (50, 60))
    assert proofed((50, 60)).areas[0].seconds == pytest.approx(long - short, abs=20)


def test_without_a_strip_the_time_is_called_a_guess_and_is_less_sure():
    known, guessed = proofed((50, 60)).areas[0], proofed((50, 60), measured=False).areas[0]
    assert guessed.text.endswith("A guess: there is no strip.") and "guess" not in known.text
    assert guessed.seconds_high / guessed.seconds_low > known.seconds_high / known.seconds_low


@pytest.mark.parametrize(("read", "scrape"), [(30.1, False), (30.0, True)])
def test_twenty_lstar_too_dark_is_scraped_before_it_is_burnished(read, scrape):
    text = proofed((50, read)).areas[0].text
    assert text.startswith("Burnish 20 L* up") != scrape
    assert ("scrape, then burnish" in text) == scrape


def test_all_light_alike_is_a_slack_press_and_all_dark_alike_a_soft_wipe():
    light, dark = (proofed((80, 80 + d), (60, 60 + d), (40, 40 + d)).first for d in (6, -6))
    assert "too light by about 6 L*" in light and "slack press" in light
    assert "too dark by about 6 L*" in dark and "soft wipe" in dark
    assert all(text.endswith("Pull again before you touch the plate.") for text in (light, dark))


@pytest.mark.parametrize("pairs", [
    [(80, 86), (60, 66)],
    [(80, 83), (60, 63), (40, 43)],
    [(80, 86), (60, 60), (40, 46)],
    [(80, 86), (60, 66), (40, 34)],
])  # fmt: skip
def test_the_printing_is_not_blamed_for_two_areas_little_or_unequal_misses(pairs):
    assert proofed(*pairs).first is None
