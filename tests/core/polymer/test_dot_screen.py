import numpy as np
import pytest
from PIL import Image
from scipy import ndimage

from core.calculators import compute
from core.errors import CoreError

FILM = {"dot_um": 60, "um_per_pixel": 12, "width_px": 512, "height_px": 512, "seed": 7}


def screen(tmp_path, **given):
    path = tmp_path / "screen.png"
    told = compute("dot-screen", {**FILM, **given, "write": str(path)})
    with Image.open(path) as picture:
        assert picture.mode == "1"
        return told, np.asarray(picture), picture.info["dpi"][0]


def spectrum(bits):
    """Return frequencies [1/px] and the power in rings about 0."""
    power = np.abs(np.fft.fft2(bits - bits.mean())) ** 2
    far = np.hypot(*np.meshgrid(*(np.fft.fftfreq(n) for n in bits.shape), indexing="ij"))
    ring = np.rint(far * min(bits.shape)).astype(int)
    mean = np.bincount(ring.ravel(), power.ravel()) / np.bincount(ring.ravel())
    return np.arange(len(mean)) / min(bits.shape), mean


def peak_and_slow(bits):
    """Return the peak's frequency, and the greatest power under a third of it over the peak's."""
    at, power = spectrum(bits)
    peak = 1 + np.convolve(power, np.ones(3) / 3, "same")[1 : min(bits.shape) // 2].argmax()
    return at[peak], power[1:][at[1:] < at[peak] / 3].max(initial=0) / power[
        peak - 1 : peak + 2
    ].mean()


@pytest.mark.parametrize("share", [0.06, 0.2, 0.3, 0.31, 0.5, 0.65, 0.9])
@pytest.mark.parametrize(("dot", "pixel"), [(60, 12), (40, 10.58)])
def test_the_share_is_hit_and_nothing_is_slow(tmp_path, share, dot, pixel):
    told, bits, _ = screen(tmp_path, open_share=share, dot_um=dot, um_per_pixel=pixel)
    assert told.open_share == pytest.approx(bits.mean(), abs=1e-5)
    assert bits.mean() == pytest.approx(share, abs=0.002)
    peak, slow = peak_and_slow(bits)
    assert slow <= 0.15
    assert peak / pixel <= 1 / dot  # no pattern finer than a dot


@pytest.mark.parametrize(("share", "kind"), [(0.1, True), (0.25, True), (0.85, False)])
def test_dots_that_lie_apart_have_the_size_asked_for(tmp_path, share, kind):
    _, bits, _ = screen(tmp_path, open_share=share)
    labels, count = ndimage.label(bits == kind)
    across = 12 * np.sqrt(4 / np.pi * ndimage.sum(bits == kind, labels, range(1, count + 1)))
    assert np.median(across) == pytest.approx(60, rel=0.08)


def test_bands_are_about_as_wide_as_a_dot(tmp_path):
    _, bits, _ = screen(tmp_path, open_share=0.5)
    disc = np.hypot(*np.mgrid[-2:3, -2:3]) <= 1.9  # about 45 µm across
    for kind in (bits, ~bits):
        kept = ndimage.binary_opening(np.pad(kind, 9, mode="wrap"), disc)[9:-9, 9:-9]
        assert kept.sum() / kind.sum() > 0.9


def test_it_meets_itself_without_a_seam(tmp_path):
    told, bits, _ = screen(tmp_path, width_px=400, height_px=300)
    assert told.seamless
    rolled = np.roll(bits, (150, 200), axis=(0, 1))
    changes = [np.mean(each[:, 199] != each[:, 200]) for each in (bits, rolled)]
    assert changes[1] == pytest.approx(np.mean(bits[:, :-1] != bits[:, 1:]), abs=0.1)
    assert peak_and_slow(np.tile(bits, (2, 2)))[1] <= 0.15


def test_a_large_film_is_laid_with_one_tile(tmp_path):
    told, bits, dpi = screen(tmp_path, width_px=4400, height_px=2100, um_per_pixel=25400 / 2400)
    wide, high = told.tile_px
    assert told.seamless and 4400 % wide == 0 and 2100 % high == 0
    assert (bits[:, :wide] == bits[:, wide : 2 * wide]).all()
    assert dpi == pytest.approx(2400, rel=1e-3)
    assert told.width_mm == pytest.approx(4400 * 25.4 / 2400, abs=0.01)


def test_one_seed_one_screen(tmp_path):
    one, again, other = (screen(tmp_path, seed=s)[1] for s in (3, 3, 4))
    assert (one == again).all() and (one != other).mean() > 0.3


@pytest.mark.parametrize(
    ("given", "field", "unit"),
    [({"dot_um": 20}, "dot_um", "µm"), ({"open_share": 0.999}, "open_share", ""),
     ({"width_px": 16}, "width_px", "px"), ({"dot_um": 5}, "dot_um", "µm"),
     ({"width_px": 150_000, "height_px": 150_000}, "height_px", "px")],
)  # fmt: skip
def test_a_film_that_cannot_draw_it_is_refused(tmp_path, given, field, unit):
    with pytest.raises(CoreError) as error:
        screen(tmp_path, **given)
    assert (error.value.field, error.value.unit) == (field, unit)
    assert not (tmp_path / "screen.png").exists()


def test_rough_dots_are_told(tmp_path):
    told, _, _ = screen(tmp_path, dot_um=30)
    assert [each.code for each in told.warnings] == ["rough-dots"]


def test_a_folder_that_cannot_be_written_is_told(tmp_path):
    (tmp_path / "file").write_text("")
    with pytest.raises(CoreError) as error:
        compute("dot-screen", {**FILM, "write": str(tmp_path / "file" / "screen.png")})
    assert error.value.code == "cannot-write"
