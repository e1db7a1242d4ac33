import base64
import re
import zlib
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.data.cautions import CAUTIONS
from core.data.scratches import GRITS, TEXTURES
from core.errors import CoreError

REACH = {"lightest_lstar": 94, "solid_lstar": 18}


def answer(name, **more):
    return compute(name, more)


def scale(*trials, **more):
    return answer("pressure-scale", trials=list(trials), **REACH, **more)


def trial(pressure, lstar, spacing_um=300):
    return {"pressure": pressure, "lstar": lstar, "spacing_um": spacing_um}


@given(st.floats(30, 250), st.integers(1, 5))
def test_a_trial_gives_back_the_width_it_was_drawn_with(width, pressure):
    printed = answer(
        "hatch-tone", layers=[{"width_um": width, "spacing_um": 300}], **REACH
    ).lstar  # fmt: skip
    row = scale(trial(pressure, printed)).rows[pressure - 1]
    assert row.measured and row.width_um == pytest.approx(width, rel=0.02, abs=1)


def test_pressures_without_a_trial_follow_those_with_one():
    told = scale(trial(3, 60))
    widths = [row.width_um for row in told.rows]
    assert widths == sorted(widths)
    assert [row.measured for row in told.rows] == [False, False, True, False, False]
    assert told.rows[0].spread_um / told.rows[0].width_um > 0.2


def test_a_needle_nobody_tried_prints_wider_than_it_is():
    assert scale(needle_um=90).rows[2].width_um == pytest.approx(90 * 1.3)


def test_a_loupe_goes_before_the_tone():
    told = scale({**trial(2, 70), "width_um": 88})
    assert told.rows[1].width_um == 88


def test_mixed_up_pressures_are_said():
    assert scale(trial(2, 40), trial(4, 70)).warnings[0].startswith("Pressure 4 printed finer")
    assert scale(trial(2, 70), trial(4, 40)).warnings == []


@pytest.mark.parametrize(
    ("trials", "field"),
    [([trial(1, 97)], "trials.0.lstar"), ([trial(1, 60), trial(1, 61)], "trials.1.pressure"),
     ([{"pressure": 2, "spacing_um": 300}], "trials.0"), ([trial(6, 60)], "trials.0.pressure")],
)  # fmt: skip
def test_trials_that_cannot_be_are_refused(trials, field):
    with pytest.raises(CoreError) as error:
        scale(*trials)
    assert error.value.field == field


@pytest.mark.parametrize("key", TEXTURES)
def test_more_of_any_texture_is_never_lighter(key):
    tones = [answer("texture-tone", texture=key, times=n, **REACH).lstar for n in (1, 2, 4, 8)]
    assert tones == sorted(tones, reverse=True)
    assert all(each in CAUTIONS for each in TEXTURES[key].cautions)


def test_coarser_paper_is_darker_and_rolled_in_lighter_than_rubbed():
    for way in ("abrasive", "rolled"):
        tones = [answer("texture-tone", texture=f"{way}-{grit}", **REACH).lstar for grit in GRITS]
        assert tones == sorted(tones)
    rubbed, rolled = (
        answer("texture-tone", texture=f"{way}-120", **REACH).lstar
        for way in ("abrasive", "rolled")
    )
    assert rolled > rubbed


def test_the_rooms_own_trial_replaces_the_guess_and_is_surer():
    guess = answer("texture-tone", texture="abrasive-120", **REACH)
    own = answer("texture-tone", texture="abrasive-120", read_lstar=66, **REACH)
    assert own.lstar == pytest.approx(66, abs=0.1) and own.measured and not guess.measured
    assert own.high - own.low < guess.high - guess.low
    thrice = answer("texture-tone", texture="abrasive-120", times=3, read_lstar=66, **REACH)
    back = answer(
        "texture-tone", texture="abrasive-120", read_lstar=thrice.lstar, read_times=3, **REACH
    )
    assert back.lstar == pytest.approx(66, abs=0.1)


def test_how_often_for_a_tone():
    told = answer("texture-tone", texture="abrasive-240", wanted_lstar=45, **REACH)
    again = answer("texture-tone", texture="abrasive-240", times=told.times, **REACH)
    assert told.reachable and told.times_lstar == again.lstar
    assert f"{told.times} rubs" in told.text
    assert not answer("texture-tone", texture="peeled-card", wanted_lstar=20, **REACH).reachable


AREAS = [{"name": "lamp", "lstar": None}, {"name": "wall", "lstar": 35},
         {"name": "mist", "lstar": 80}, {"name": "sky", "lstar": 60}]  # fmt: skip


def masks(**more):
    return answer(
        "mask-plan", areas=AREAS, textures=["abrasive-80", "abrasive-120", "abrasive-400"],
        **REACH, **more,
    )  # fmt: skip


def test_the_lightest_is_masked_first_and_the_darkest_rubbed_longest():
    told = masks()
    assert [each.mask_before for each in told.rubbings] == [["lamp"], ["mist"], ["sky"]]
    assert [each.areas[0].name for each in told.rubbings] == ["mist", "sky", "wall"]
    assert [len(each.areas) for each in told.rubbings] == [3, 2, 1]
    assert told.stays_masked == ["lamp"]


def test_following_the_masks_word_by_word_gives_the_tones_told():
    told = masks()
    bare = dict.fromkeys(("wall", "mist", "sky"), 1.0)
    covered = set()
    for each in told.rubbings:
        covered |= set(each.mask_before)
        for name in bare.keys() - covered:
            bare[name] *= (1 - TEXTURES[each.texture].covered) ** each.times
    from core.drypoint.coverage import printed_lstar

    for each in told.rubbings:
        done = next(area for area in each.areas if area.finished)
        assert printed_lstar(1 - bare[done.name], 94, 18) == pytest.approx(done.lstar, abs=0.01)
        assert done.low <= done.lstar <= done.high
    assert told.rms_lstar < 6


def test_masks_say_what_is_too_dark_too_close_or_off():
    told = answer(
        "mask-plan", textures=["abrasive-80"], **REACH,
        areas=[{"name": "a", "lstar": 80}, {"name": "b", "lstar": 79}, {"name": "c", "lstar": 10}],
    )  # fmt: skip
    codes = {(each.code, each.area) for each in told.warnings}
    assert {("too-close", "b"), ("tone-out-of-reach", "c"), ("off", "a")} <= codes


def test_a_hand_rests_and_a_long_job_takes_days():
    told = answer("hand-plan", minutes=95, start_minute=900)
    assert [each.rests for each in told.blocks] == [False, True] * 3 + [False]
    assert told.rest_minutes == 15 and told.next_rest_minute == 925 and told.days == 1
    long = answer("hand-plan", minutes=400)
    assert long.days == 3
    for day in range(long.days):
        work = [b.end_minute - b.start_minute for b in long.blocks if b.day == day and not b.rests]
        assert sum(work) <= 180 and max(work) <= 25


@given(st.floats(0, 2000), st.floats(0, 200), st.floats(0, 40))
def test_no_minute_of_work_is_lost(minutes, worked, since):
    told = answer("hand-plan", minutes=minutes, worked_minutes=worked, since_rest_minutes=since)
    work = sum(each.end_minute - each.start_minute for each in told.blocks if not each.rests)
    assert work == pytest.approx(minutes, abs=0.1 * len(told.blocks) + 1e-6)


def test_strain_is_said():
    assert answer("hand-plan", minutes=60, worked_minutes=190).strained
    tired = answer("hand-plan", minutes=60, since_rest_minutes=40)
    assert tired.strained and tired.blocks[0].rests
    assert not answer("hand-plan", minutes=60).strained


def test_words_stand_mirrored_on_the_plate():
    told = answer("lettering", words="THE WEIGHBRIDGE")
    assert told.plate == "EGDIRBHGIEW EHT"
    assert [each.letter for each in told.letters] == list(told.plate)
    assert [each.place for each in told.letters] == list(range(15, 0, -1))
    assert [each.letter for each in told.letters if not each.turns] == list("IHIW HT")
    assert answer("lettering", words="OTTO").turning == 0
    assert "N turns its slant" in answer("lettering", words="INK").easily_missed


@given(st.text(min_size=1, max_size=60).filter(str.strip))
def test_mirrored_twice_is_as_it_was(words):
    told = answer("lettering", words=words)
    assert answer("lettering", words=told.plate).plate == " ".join(words.split())


FIELDS = [{"name": "sky", "x_mm": 10, "y_mm": 5, "width_mm": 40, "height_mm": 30,
           "layers": [{"spacing_um": 1000, "angle_deg": 0}]}]  # fmt: skip


def guide(folder, **more):
    given = {"fields": FIELDS, "width_mm": 180, "height_mm": 130, "paper": "A3"}
    return answer("hatch-guide", write=str(folder / "guide.pdf"), **{**given, **more})


def drawn_lines(path):
    """Return the page's lines as (x1, y1, x2, y2), as reportlab wrote them."""
    raw = Path(path).read_bytes()
    coded = re.search(rb"stream\r?\n(.*?)endstream", raw, re.S).group(1)
    page = zlib.decompress(base64.a85decode(coded.strip(), adobe=False)
                           if not coded.strip().endswith(b"~>")
                           else base64.a85decode(b"<~" + coded.strip(), adobe=True))  # fmt: skip
    return [tuple(map(float, each)) for each in
            re.findall(rb"n ([\d.-]+) ([\d.-]+) m ([\d.-]+) ([\d.-]+) l S", page)]  # fmt: skip


def test_a_guide_has_its_lines_so_far_apart(tmp_path):
    told = guide(tmp_path)
    assert told.mirrored and told.pages == 1 and told.lines == 31
    level = sorted({y1 for x1, y1, x2, y2 in drawn_lines(told.path)
                    if y1 == y2 and abs(x2 - x1) == pytest.approx(40)})  # fmt: skip
    assert len(level) == 31
    assert all(
        b - a == pytest.approx(1.0, abs=1e-3) for a, b in zip(level, level[1:], strict=False)
    )


def test_a_guide_lies_mirrored_under_the_plate_and_not_for_a_transfer(tmp_path):
    assert guide(tmp_path).mirrored
    assert not guide(tmp_path, lies="transfer").mirrored


def test_a_guide_beyond_its_plate_or_too_fine_is_refused(tmp_path):
    with pytest.raises(CoreError):
        guide(tmp_path, width_mm=45)
    fine = [{**FIELDS[0], "width_mm": 170, "height_mm": 120, "layers": [{"spacing_um": 5}] * 3}]
    with pytest.raises(CoreError) as error:
        guide(tmp_path, fields=fine)
    assert error.value.code == "too-many-lines" and error.value.field == "fields"
