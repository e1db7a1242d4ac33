"""Pictures made smaller in linear light, band by band."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from core.image.picture import PictureError, open_photo, open_picture
from core.image.reduced import open_reduced, reduced


@pytest.fixture(scope="module")
def noise(tmp_path_factory):
    path = tmp_path_factory.mktemp("noise") / "noise.png"
    values = np.random.default_rng(3).integers(0, 255, (613, 427, 3), dtype=np.uint8)
    Image.fromarray(values).save(path)
    return str(path)


@settings(max_examples=15, deadline=None)
@given(times=st.integers(1, 40))
def test_each_pixel_is_the_mean_light_of_those_it_stands_for(noise, times):
    whole = open_picture(noise)
    small = reduced(open_photo(noise), slice(0, 613), slice(0, 427), times)
    high, wide = 613 // times, 427 // times
    assert small.shape == (high, wide, 3)
    cut = whole[: high * times, : wide * times].reshape(high, times, wide, times, 3)
    assert small == pytest.approx(cut.mean(axis=(1, 3)), abs=1e-6)


def test_a_part_is_taken_where_it_lies(noise):
    whole = open_picture(noise)
    part = reduced(open_photo(noise), slice(10, 50), slice(7, 27), 1)
    assert part == pytest.approx(whole[10:50, 7:27], abs=1e-6)


def test_a_picture_is_not_made_larger(noise):
    assert open_reduced(noise, 5000).shape == (613, 427, 3)
    assert max(open_reduced(noise, 300).shape) <= 600


def test_what_is_no_picture_is_refused(tmp_path):
    with pytest.raises(PictureError):
        open_reduced(str(tmp_path / "none.png"), 300)
