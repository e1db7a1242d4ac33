"""Areas of a study: corrections, islands, what is painted when, and what it prints."""

import numpy as np
import pytest
from pydantic import ValidationError

from core.study.divide import KEPT_WHITE, divide
from core.study.graded import graded_tone, mixed_reflectance
from core.study.islands import edge_px, islands, join
from core.study.levels import TOP
from core.study.printed import coded, show, table_of
from core.study.profile import srgb_to_linear
from core.study.shapes import Edit
from core.study.stages import areas_of, prints_after, stages_of
from core.study.stop_out_maps import BEFORE, NOW, OPEN
from core.tone.lightness import lightness_from_reflectance
from tests.core.study.pictures import cut

WIDTH_MM = 80.0
SQUARE = [(10, 10), (30, 10), (30, 30), (10, 30)]


def field():
    """Four columns: white, light, dark, black; 10 px a mm."""
    out = np.zeros((600, 800), np.uint16)
    for i, level in enumerate((TOP, 700, 350, 0)):
        out[:, i * 200 : (i + 1) * 200] = level
    return out


def lasso(to, points=SQUARE):
    return Edit(kind="lasso", points=points, to_lstar=to)


def fade(**more):
    given = {"kind": "grade", "points": [(42, 10), (58, 10), (58, 50), (42, 50)], "from_lstar": 70,
             "to_lstar": 45, "resist": "crayon-hard", "toward": ((42, 30), (58, 30))}  # fmt: skip
    return Edit.model_validate(given | more)


def test_a_point_belongs_to_the_tone_between_its_borders():
    labels = divide(field(), cut(), WIDTH_MM)
    assert [int(labels[300, x]) for x in (100, 300, 500, 700)] == [1, 2, 3, 4]


def test_a_loop_becomes_its_tone_and_holds_when_it_is_cut_anew():
    labels = divide(field(), cut(edits=[lasso(22)]), WIDTH_MM)
    assert int(labels[200, 150]) == 4
    assert (labels == 4).sum() - 120_000 == pytest.approx(200 * 200, rel=0.02)
    again = divide(
        field(), cut(edits=[lasso(22)], tones_lstar=[80, 25], bounds_lstar=[50]), WIDTH_MM
    )
    assert int(again[200, 150]) == 2


def test_a_stroke_is_as_wide_as_its_brush_and_a_dot_is_round():
    stroke = Edit(kind="brush", points=[(50, 30), (70, 30)], width_mm=4, to_lstar=None)
    labels = divide(field(), cut(edits=[stroke]), WIDTH_MM)
    assert (labels[:, 600] == KEPT_WHITE).sum() == pytest.approx(40, abs=2)
    dot = Edit(kind="brush", points=[(60, 30)], width_mm=6, to_lstar=None)
    labels = divide(field(), cut(edits=[dot]), WIDTH_MM)
    assert (labels == KEPT_WHITE).sum() == pytest.approx(np.pi * 30**2, rel=0.05)


@pytest.mark.parametrize("more", [
    {"points": [(1, 1), (2, 2)]}, {"kind": "grade"}, {"points": []}, {"width_mm": 0},
])  # fmt: skip
def test_a_correction_that_closes_on_nothing_is_refused(more):
    with pytest.raises(ValidationError):
        Edit.model_validate({"kind": "lasso", "points": SQUARE, "to_lstar": 50, **more})


def test_tones_and_borders_go_together():
    for more in ({"bounds_lstar": [50]}, {"tones_lstar": [20, 40, 60, 80]},
                 {"edits": [fade()] * 7}):  # fmt: skip
        with pytest.raises(ValidationError):
            cut(**more)


def test_small_islands_are_listed_and_join_what_lies_round_them():
    labels = np.full((400, 400), 2, np.uint8)
    labels[100:105, 100:104] = 3
    labels[300:330, 300:330] = 1
    small = islands(labels, most_px=100)
    assert [(i.label, i.px) for i in small] == [(3, 20)]
    assert (small[0].x_px, small[0].y_px) == pytest.approx((101.5, 102))
    joined = join(labels, 100)
    assert set(np.unique(joined)) == {1, 2} and int(joined[102, 102]) == 2


def test_the_edge_of_a_disc_is_its_circumference():
    down, across = np.ogrid[:400, :400]
    disc = ((down - 200) ** 2 + (across - 200) ** 2 < 120**2).astype(np.uint8)
    assert edge_px(disc, 2)[1] == pytest.approx(2 * np.pi * 120, rel=0.02)


def test_areas_have_their_surface_and_the_lightest_is_left_white():
    areas = areas_of(divide(field(), cut(), WIDTH_MM), cut(), WIDTH_MM)
    assert [(a.name, a.lstar) for a in areas] == [
        ("Paper", None), ("Tone 1", 70), ("Tone 2", 45), ("Tone 3", 22)]  # fmt: skip
    assert [a.cm2 for a in areas] == pytest.approx([12] * 4)
    assert areas[1].paint_minutes == pytest.approx((4 * 12 + 2.5 * 12 * np.pi / 4) / 60, rel=0.01)


def test_what_is_kept_white_is_an_area_where_the_lightest_tone_is_bitten():
    given = cut(tones_lstar=[85, 70, 45, 22], edits=[lasso(None)])
    areas = areas_of(divide(field(), given, WIDTH_MM), given, WIDTH_MM)
    assert (areas[0].name, areas[0].lstar) == ("Paper", None)
    assert areas[0].cm2 == pytest.approx(4, rel=0.02)


def test_an_area_of_nothing_is_left_out():
    given = cut(bounds_lstar=[82, 58, 10])
    assert len(areas_of(divide(field(), given, WIDTH_MM), given, WIDTH_MM)) == 4 - 1


def test_each_stage_covers_one_area_more_and_the_darkest_never():
    areas = areas_of(divide(field(), cut(), WIDTH_MM), cut(), WIDTH_MM)
    stages = stages_of(areas, "stop-out")
    assert [(s.bite, s.now) for s in stages] == [(1, ["Paper"]), (2, ["Tone 1"]), (3, ["Tone 2"])]
    assert [int(x) for x in stages[1].table[:5]] == [BEFORE, BEFORE, NOW, OPEN, OPEN]
    opening = stages_of(areas, "open-up")
    assert [s.now for s in opening] == [["Tone 3"], ["Tone 2"], ["Tone 1"]]
    assert [int(x) for x in opening[1].table[:5]] == [BEFORE, BEFORE, BEFORE, NOW, OPEN]


def test_a_fading_area_is_crayoned_when_its_light_tone_is_covered_and_ends_with_its_dark_one():
    given = cut(edits=[fade()])
    areas = areas_of(divide(field(), given, WIDTH_MM), given, WIDTH_MM)
    fading = areas[-1]
    assert (fading.name, fading.lstar, fading.graded_from) == ("Graded 1", 45, "Tone 1")
    stages = stages_of(areas, "stop-out")
    assert [s.crayon for s in stages] == [[], ["Graded 1"], []]
    assert stages[2].now == ["Tone 2", "Graded 1"] and stages[1].table[5] == 64


def test_a_fading_area_prints_between_its_two_tones():
    given = cut(edits=[fade()])
    labels = divide(field(), given, WIDTH_MM)
    seen = show(coded(labels, given, 10), table_of([94, *given.tones_lstar], 10))
    light = srgb_to_linear(seen / 255.0)
    ends = [light[150:450, a:b].mean() for a, b in ((430, 460), (485, 515), (540, 570))]
    first, middle, last = lightness_from_reflectance(np.array(ends))
    assert 70 > first > middle > last >= 44
    assert first == pytest.approx(graded_tone("crayon-hard", 70, 45).light, abs=3)


def test_the_mixture_is_that_of_yule_and_nielsen():
    """No resist is the dark tone, all of it the light one; half lies darker than the mean light."""
    tones = (70.0, 30.0)
    for share, tone in ((0.0, 30), (1.0, 70)):
        mixed = mixed_reflectance(np.array(share), *tones)
        assert float(lightness_from_reflectance(mixed)) == pytest.approx(tone)
    ends = mixed_reflectance(np.array([0.0, 1.0]), *tones)
    assert mixed_reflectance(np.array(0.5), *tones) < ends.mean()
    told = graded_tone("crayon-light", *tones)
    assert 30 <= told.light_low < told.light < told.light_high <= 70


@pytest.mark.parametrize("px_per_mm", [3.0, 6.0, 40.0])
@pytest.mark.parametrize("lstar", [95, 70, 42, 21, 5])
def test_grain_keeps_the_light_of_its_tone(px_per_mm, lstar):
    labels = np.ones((512, 512), np.uint8)
    given = cut()
    seen = show(coded(labels, given, px_per_mm), table_of([94, lstar], px_per_mm))
    light = lightness_from_reflectance(srgb_to_linear(seen / 255.0).mean())
    assert float(light) == pytest.approx(lstar, abs=0.8)


def test_grain_is_seen_close_by_and_runs_together_from_afar():
    spread = [table_of([94, 50], fine)[16:32].std() for fine in (1.0, 6.0, 30.0)]
    assert spread[0] < spread[1] < spread[2]


def test_after_each_bite_what_is_open_is_as_dark_as_that_bite():
    areas = areas_of(divide(field(), cut(), WIDTH_MM), cut(), WIDTH_MM)
    assert prints_after(areas, 0, 5, 94) == [94] * 5
    assert prints_after(areas, 1, 5, 94) == [94, 94, 70, 70, 70]
    assert prints_after(areas, 2, 5, 94) == [94, 94, 70, 45, 45]
    assert prints_after(areas, 9, 5, 94) == [94, 94, 70, 45, 22]
