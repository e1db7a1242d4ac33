"""The combined preview beside a print that was simulated dot by dot."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from core.calculators import compute
from core.errors import CoreError
from core.image.picture import open_picture
from core.layers.films import placing, printed_over
from core.layers.overprint import OverprintInput, overprint
from core.layers.shapes import Lying
from core.tone.colour import lab_from_linear
from tests.core.layers.prints import overprint_plates
from tests.simulator.overprints import awnings, light_at

SIZE = (100.0, 75.0)
BLOCK_MM = 2.0


def in_blocks(light, per_mm):
    px = round(BLOCK_MM * per_mm)
    high, wide = (side // px for side in light.shape[:2])
    cut = light[: high * px, : wide * px].reshape(high, px, wide, px, 3)
    return cut.mean(axis=(1, 3))


def simulated(plates, size, per_mm=20.0, seed=2):
    y, x = (np.mgrid[0 : int(size[1] * per_mm), 0 : int(size[0] * per_mm)] + 0.5) / per_mm
    return light_at(plates, x, y, size, np.random.default_rng(seed))


@pytest.mark.parametrize(
    "lies",
    [{}, {"wider": 0.008, "higher": 0.003}, {"right": 0.7, "down": -0.4, "turn": 0.004}],
    ids=["as laid", "paper grown", "laid askew"],
)
def test_the_preview_is_as_a_simulated_overprint(tmp_path, lies):
    plates = awnings(SIZE)
    for each in plates:
        each.crosses = []
    for key, value in lies.items():
        setattr(plates[2], key, value)
    given_plates = overprint_plates(plates, SIZE, tmp_path)
    given_plates[2] = given_plates[2].model_copy(update={"lies": Lying(
        right_mm=plates[2].right, down_mm=plates[2].down,
        clockwise_deg=np.degrees(plates[2].turn), wider=plates[2].wider, higher=plates[2].higher,
    )})  # fmt: skip
    made = overprint(OverprintInput(plates=given_plates, size_mm=SIZE, write=str(tmp_path / "o")))
    seen = in_blocks(open_picture(made.path), made.px_per_mm)
    meant = in_blocks(simulated(plates, SIZE), 20.0)
    off = lab_from_linear(seen)[..., 0] - lab_from_linear(meant)[..., 0]
    assert np.sqrt((off**2).mean()) <= 1.5
    # and it is the plates that make it: without the blue one it is far from the simulated print
    without = overprint(OverprintInput(
        plates=[each for each in given_plates if each.name != "Blue"], size_mm=SIZE,
        write=str(tmp_path / "w"),
    ))  # fmt: skip
    bare = lab_from_linear(in_blocks(open_picture(without.path), without.px_per_mm))[..., 0]
    assert np.sqrt(((bare - lab_from_linear(meant)[..., 0]) ** 2).mean()) > 3


def test_order_counts_where_films_are_opaque(tmp_path):
    plates = overprint_plates(awnings(SIZE), SIZE, tmp_path)
    first = overprint(OverprintInput(plates=plates, size_mm=SIZE, write=str(tmp_path / "a")))
    turned = overprint(OverprintInput(plates=plates[::-1], size_mm=SIZE, write=str(tmp_path / "b")))
    assert turned.lstar > first.lstar + 0.2
    assert first.bare == pytest.approx(turned.bare, abs=1e-6)


light = st.lists(st.floats(0.01, 1.0), min_size=3, max_size=3).map(np.array)


@given(below=light, ink=light, share=st.floats(0, 1), lets=st.floats(0, 1))
def test_a_film_is_between_what_it_hides_and_what_it_multiplies(below, ink, share, lets):
    def over(t):
        return printed_over(below[None], np.array([share]), ink, t)[0]

    told = over(lets)
    assert (told >= np.minimum(over(1.0), over(0.0)) - 1e-12).all()
    assert (told <= np.maximum(over(1.0), over(0.0)) + 1e-12).all()
    # over bare paper a film shows its own colour, whatever it lets through
    bare = printed_over(np.ones((1, 3)), np.array([1.0]), ink, lets)[0]
    assert bare == pytest.approx(ink)


@given(a=light, b=light)
def test_clear_films_multiply_in_any_order(a, b):
    def both(first, then):
        one = printed_over(np.ones((1, 3)), np.array([1.0]), first, 1.0)
        return printed_over(one, np.array([1.0]), then, 1.0)

    assert both(a, b) == pytest.approx(both(b, a))
    assert both(a, b) == pytest.approx((a * b)[None])


@settings(max_examples=40)
@given(
    right=st.floats(-3, 3), down=st.floats(-3, 3), turn=st.floats(-2, 2),
    wider=st.floats(-0.02, 0.02),
)  # fmt: skip
def test_a_plate_grows_and_turns_about_the_middle_of_the_print(right, down, turn, wider):
    lies = Lying(right_mm=right, down_mm=down, clockwise_deg=turn, wider=wider)
    middle = placing(SIZE, lies) @ [SIZE[0] / 2, SIZE[1] / 2, 1]
    assert middle == pytest.approx([SIZE[0] / 2 + right, SIZE[1] / 2 + down])


def test_a_picture_of_one_tone_names_its_plate(tmp_path):
    path = tmp_path / "grey.png"
    Image.new("L", (40, 30), 200).save(path)
    with pytest.raises(CoreError, match="Ochre") as bad:
        compute("overprint", {
            "plates": [{"name": "Ochre", "ink_lab": [60, 5, 40], "image": str(path)}],
            "size_mm": [100, 75], "write": str(tmp_path / "o"),
        })  # fmt: skip
    assert (bad.value.code, bad.value.value) == ("one-tone", "Ochre")


def test_more_than_six_plates_are_refused(tmp_path):
    one = {"name": "A", "ink_lab": [60, 5, 40], "image": "a.png"}
    with pytest.raises(CoreError) as bad:
        compute("overprint", {
            "plates": [one] * 7, "size_mm": [100, 75], "write": str(tmp_path),
        })  # fmt: skip
    assert bad.value.field == "plates"
