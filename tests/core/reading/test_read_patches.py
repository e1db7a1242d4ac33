"""Patches read off generated scans: how near, how often found, and what is refused in words."""

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.simulator.scans import Strip, any_scan, any_strip, printed_strip, scanned

TONES = [91.0, 83.0, 71.0, 58.0, 40.0, 27.0, 19.0]


def strip(**kept):
    return Strip(TONES, **({"patch_px": 100, "high_px": 120, "sheet_px": 100} | kept))


def read(tmp_path, picture, patches, **more):
    path = str(tmp_path / "scan.png")
    cv2.imwrite(path, picture)
    return compute("read-patches", {"image": path, "patches": patches, **more})


def lstars(answer):
    return np.array([patch.lstar for patch in answer.patches])


def codes(answer):
    own = [warning.code for patch in answer.patches for warning in patch.warnings]
    return {*own, *[warning.code for warning in answer.warnings]}


@pytest.fixture
def rng():
    return np.random.default_rng(5)


@pytest.fixture(scope="module")
def scans():
    return [any_scan(np.random.default_rng(seed)) for seed in range(14)]


def test_tones_are_read_within_the_reading_of_a_densitometer(tmp_path, scans):
    off = [lstars(read(tmp_path, s.picture, len(s.lstars))) - s.lstars for s in scans]
    assert np.sqrt(np.mean(np.concatenate(off) ** 2)) < 0.8


def test_flat_tones_are_read_within_two_tenths(tmp_path):
    for seed in range(6):
        rng = np.random.default_rng(100 + seed)
        scan = any_scan(rng, any_strip(rng, smooth=True))
        off = lstars(read(tmp_path, scan.picture, len(scan.lstars))) - scan.lstars
        assert np.abs(off).max() < 0.3


def test_white_is_the_sheet_and_never_the_wiped_margin(tmp_path, rng):
    light, corners = printed_strip(strip(margin_lstar=92, smooth=True, margin_px=60), rng)
    picture, _ = scanned(light, corners, rng)
    assert np.abs(lstars(read(tmp_path, picture, 7)) - TONES).max() < 0.3


@pytest.mark.parametrize("turn", [0, 1, 2, 3])
def test_the_order_is_that_of_the_row_from_its_lighter_end(tmp_path, rng, turn):
    tones = [88.0, 74.0, 79.0, 40.0, 46.0, 22.0]  # never sorted
    light, corners = printed_strip(Strip(tones, smooth=True), rng)
    picture, _ = scanned(light, corners, rng)
    answer = read(tmp_path, np.ascontiguousarray(np.rot90(picture, turn)), 6)
    assert np.abs(lstars(answer) - tones).max() < 0.4


def test_a_table_round_the_sheet_and_writing_on_it_change_nothing(tmp_path, rng):
    light, corners = printed_strip(strip(smooth=True), rng)
    light[310:318, 150:600] = 0.3
    picture, _ = scanned(light, corners, rng)
    framed = cv2.copyMakeBorder(picture, 70, 90, 110, 60, cv2.BORDER_CONSTANT, value=(45, 60, 70))
    answer = read(tmp_path, cv2.GaussianBlur(framed, (0, 0), 0.6), 7)
    assert np.abs(lstars(answer) - TONES).max() < 0.4


def test_a_splash_does_not_bend_its_patch(tmp_path, rng):
    light, corners = printed_strip(strip(), rng)
    around = 134
    cv2.circle(light, (around + 350, around + 60), 22, 0.8, -1)
    picture, _ = scanned(light, corners, rng)
    answer = read(tmp_path, picture, 7)
    assert abs(answer.patches[3].lstar - TONES[3]) < 1.5
    assert "uneven" in {w.code for w in answer.patches[3].warnings}


def test_sharp_even_scans_are_not_warned_of(tmp_path, scans):
    assert sum(bool(codes(read(tmp_path, s.picture, len(s.lstars)))) for s in scans) == 0


@pytest.mark.parametrize("smooth", [True, False])
def test_a_blur_is_noticed_in_grain_and_at_edges(tmp_path, rng, smooth):
    light, corners = printed_strip(strip(smooth=smooth), rng)
    picture, _ = scanned(light, corners, rng, blur=3.0)
    answer = read(tmp_path, picture, 7)
    assert all("blurred" in {w.code for w in patch.warnings} for patch in answer.patches)


def test_painted_edges_that_are_soft_are_no_blur_where_grain_is_sharp(tmp_path, rng):
    light, corners = printed_strip(strip(), rng)
    soft = light.copy()
    for k in range(8):
        x = 134 + 100 * k
        soft[:, x - 9 : x + 9] = cv2.GaussianBlur(light, (0, 0), 5)[:, x - 9 : x + 9]
    picture, _ = scanned(soft, corners, rng)
    assert "blurred" not in codes(read(tmp_path, picture, 7))


@pytest.mark.parametrize(("end", "code"), [("light", "paper-clipped"), ("dark", "clipped")])
def test_five_in_a_hundred_clipped_are_noticed(tmp_path, rng, end, code):
    light, corners = printed_strip(strip(), rng)
    picture, _ = scanned(light, corners, rng)
    lightest = picture.max(axis=2)
    value = picture.astype(float)
    if end == "light":
        value = value * 255 / np.quantile(lightest, 0.95)
    else:
        black = np.quantile(lightest, 0.05)
        value = (value - black) * 255 / (255 - black)
    assert code in codes(read(tmp_path, np.clip(value, 0, 255).astype(np.uint8), 7))


def test_a_shadow_over_one_end_is_named_there_alone(tmp_path, rng):
    def shade(shape):
        out = np.ones(shape, np.float32)
        out[:, : shape[1] // 4] = 0.82
        return cv2.GaussianBlur(out, (0, 0), 4)

    light, corners = printed_strip(strip(), rng)
    picture, _ = scanned(light, corners, rng, shade=shade)
    answer = read(tmp_path, picture, 7)
    shaded = ["in-shadow" in {w.code for w in patch.warnings} for patch in answer.patches]
    assert shaded[0] and not any(shaded[3:])


def test_a_black_of_known_tone_takes_out_stray_light(tmp_path, rng):
    light, corners = printed_strip(strip(smooth=True), rng)
    light[20:70, 30:90] = 0.02
    picture, _ = scanned(light + 0.03, corners, rng, turn=0, aslant=0, paper=0.8)
    without = read(tmp_path, picture, 7)
    black = {"corners_px": [[32, 22], [88, 22], [88, 68], [32, 68]], "lstar": 15.49}
    with_it = read(tmp_path, picture, 7, black=black)
    assert lstars(without)[-1] - TONES[-1] > 5
    assert np.abs(lstars(with_it) - TONES).max() < 0.7


def test_corners_of_the_row_and_of_the_plate_read_the_same(tmp_path, rng):
    light, corners = printed_strip(strip(), rng)
    picture, seen = scanned(light, corners, rng)
    alone = lstars(read(tmp_path, picture, 7))
    by_row = read(tmp_path, picture, 7, corners_px=seen.tolist())
    out = seen + np.float32([[-30, -30], [30, -30], [30, 30], [-30, 30]])
    by_plate = read(tmp_path, picture, 7, corners_px=out.tolist())
    assert np.abs(lstars(by_row) - alone).max() < 1.0
    assert np.abs(lstars(by_plate) - alone).max() < 1.0


def test_unequal_patches_are_refused_and_read_by_their_own_corners(tmp_path, rng):
    widths = [100, 60, 150, 80, 130, 60, 110]
    light, corners = printed_strip(strip(widths=widths, smooth=True), rng)
    picture, _ = scanned(light, corners, rng, turn=0, aslant=0)
    with pytest.raises(CoreError) as refused:
        read(tmp_path, picture, 7)
    assert refused.value.code == "unequal-patches"
    x = 134 + np.concatenate([[0], np.cumsum(widths)])
    each = [
        [[int(a), 134], [int(b), 134], [int(b), 254], [int(a), 254]]
        for a, b in zip(x[:-1], x[1:], strict=True)
    ]
    assert np.abs(lstars(read(tmp_path, picture, 7, patch_corners_px=each)) - TONES).max() < 0.3


@pytest.mark.parametrize(("asked", "code"), [(6, "more-patches"), (8, "blank-end")])
def test_a_wrong_count_is_noticed(tmp_path, rng, asked, code):
    light, corners = printed_strip(strip(margin_px=60, sheet_px=200), rng)
    picture, _ = scanned(light, corners, rng)
    try:
        assert code in codes(read(tmp_path, picture, asked))
    except CoreError as error:
        assert error.code in {"unequal-patches", "no-row"}


def _cropped(rng):
    light, corners = printed_strip(strip(margin_px=40), rng)
    inside = slice(112, -112)
    return scanned(light[inside, inside], corners, rng, turn=0, aslant=0)[0]


def _two(rng):
    light, corners = printed_strip(strip(), rng)
    return scanned(np.vstack([light, light]), corners, rng)[0]


def _none(rng):
    return scanned(np.ones((300, 500), np.float32), np.zeros((4, 2), np.float32), rng)[0]


def _to_the_ink(rng):
    light, corners = printed_strip(strip(), rng)
    return scanned(light[130:-130, 128:-128], corners, rng, turn=1.1, aslant=0)[0]


@pytest.mark.parametrize(
    ("draw", "code", "field"),
    [
        (_to_the_ink, "no-paper", "image"),
        (_cropped, "no-paper", "image"),
        (_two, "two-strips", "image"),
        (_none, "no-row", "corners_px"),
    ],
)  # fmt: skip
def test_what_cannot_be_read_says_so(tmp_path, rng, draw, code, field):
    with pytest.raises(CoreError) as refused:
        read(tmp_path, draw(rng), 7)
    assert (refused.value.code, refused.value.field) == (code, field)


@pytest.mark.parametrize(
    ("more", "code"),
    [
        ({"corners_px": [[10, 10], [90, 90], [90, 10], [10, 90]]}, "crossed-corners"),
        ({"corners_px": [[10, 10], [9000, 10], [9000, 90], [10, 90]]}, "corner-outside"),
        ({"corners_px": [[10, 10], [90, 10]]}, "too-short"),
        ({"patch_corners_px": [[[1, 1], [9, 1], [9, 9], [1, 9]]]}, "patches-marked"),
    ],
)
def test_bad_corners_are_refused(tmp_path, rng, more, code):
    with pytest.raises(CoreError) as refused:
        read(tmp_path, _none(rng), 7, **more)
    assert refused.value.code == code or refused.value.field.startswith(next(iter(more)))
