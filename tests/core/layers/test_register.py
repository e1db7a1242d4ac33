"""How plates lie on the key: from typed crosses, and from crosses on generated scans."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from core.layers.mark_places import mark_places
from core.layers.overprint import OverprintInput, overprint
from core.layers.read_crosses import InkCrosses, ReadCrossesInput, read_crosses
from core.layers.register_plates import RegisterPlatesInput, register_plates
from tests.core.layers.prints import lab_of, overprint_plates
from tests.simulator.overprints import awnings, marks_of, scanned

SIZE = (100.0, 75.0)
PLACES = marks_of(SIZE, 1)


def crosses(right=0.0, down=0.0, turn=0.0, wider=0.0, spread=0.05, places=PLACES):
    out = []
    for x, y in places:
        u, v = x - SIZE[0] / 2, y - SIZE[1] / 2
        out.append({
            "x_mm": x, "y_mm": y, "spread_mm": spread,
            "right_mm": right - turn * v + wider * u, "down_mm": down + turn * u,
        })  # fmt: skip
    return out


def told_of(**plates):
    return register_plates(RegisterPlatesInput(
        size_mm=SIZE, key="Key",
        plates=[{"name": name, "crosses": each} for name, each in plates.items()],
    ))  # fmt: skip


def test_a_plate_off_is_named_with_its_move():
    told = told_of(Blue=crosses(0.6, 0.3), Ochre=crosses(0.1))
    assert (told.blame, told.cause) == ("Blue", "plate")
    assert told.title == "Blue lies 0.7 mm off"
    assert told.text == "Move its template 0.6 left, 0.3 up."


def test_plates_that_fit_are_left_alone():
    told = told_of(Blue=crosses(0.1), Ochre=crosses(-0.1, 0.1))
    assert (told.blame, told.cause) == ("", "fits")


def test_where_all_lie_off_alike_it_is_the_key():
    told = told_of(Blue=crosses(0.8), Ochre=crosses(0.85), Grey=crosses(0.75))
    assert (told.blame, told.cause) == ("Key", "key")
    assert "Move the template of Key 0.8 right." in told.text


def test_a_grown_sheet_is_not_mended_by_moving():
    told = told_of(Blue=crosses(wider=0.012, spread=0.02))
    assert (told.blame, told.cause) == ("Blue", "paper")
    assert "No move mends it all" in told.text and told.plates[0].left_mm > 0.4


def test_a_turned_plate_is_raised_at_one_end():
    told = told_of(Blue=crosses(turn=0.01, spread=0.02))
    assert "raise its right end 1.0 against the left" in told.plates[0].move


@settings(max_examples=60)
@given(
    right=st.floats(-2, 2), down=st.floats(-2, 2), turn=st.floats(-0.01, 0.01),
    wider=st.floats(-0.008, 0.008),
)  # fmt: skip
def test_what_lies_off_is_found_again(right, down, turn, wider):
    plate = told_of(Blue=crosses(right, down, turn, wider, spread=0.01)).plates[0]
    assert plate.right_mm == pytest.approx(right, abs=0.01)
    assert plate.down_mm == pytest.approx(down, abs=0.01)
    assert plate.clockwise_deg == pytest.approx(np.degrees(turn), abs=0.02)
    assert plate.wider == pytest.approx(wider, abs=3e-4)


def test_one_cross_tells_the_shift_and_its_doubt():
    one = told_of(Blue=crosses(1.0, places=PLACES[:1])).plates[0]
    four = told_of(Blue=crosses(1.0)).plates[0]
    assert one.spread_mm > 3 * four.spread_mm
    assert four.right_mm == pytest.approx(1.0, abs=0.01)


def test_the_key_does_not_lie_on_itself():
    with pytest.raises(CoreError) as bad:
        compute("register-plates", {
            "size_mm": SIZE, "key": "Key", "plates": [{"name": "Key", "crosses": crosses()}],
        })  # fmt: skip
    assert "the others lie to it" in str(bad.value)


def read(plates, folder, **scan):
    path = scanned(plates, SIZE, folder / "scan.png", **scan)
    made = overprint(OverprintInput(
        plates=overprint_plates(plates, SIZE, folder), size_mm=SIZE, write=str(folder / "o"),
    ))  # fmt: skip
    return ReadCrossesInput(
        image=path, preview=made.path, size_mm=SIZE, key="Key",
        plates=[
            InkCrosses(name=each.name, ink_lab=lab_of(each), crosses=each.crosses)
            for each in plates
        ],
    )  # fmt: skip


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_offsets_on_a_generated_scan_are_read_within_a_twentieth(tmp_path, seed):
    rng = np.random.default_rng(seed)
    plates = awnings(SIZE)
    for each in plates[:-1]:
        each.right, each.down = rng.uniform(-1.5, 1.5, 2)
        each.turn, each.wider = rng.uniform(-0.004, 0.004), rng.uniform(-0.005, 0.005)
    told = read_crosses(read(plates, tmp_path, turned=rng.uniform(-0.02, 0.02), rng=rng))
    assert not told.warnings and len(told.plates) == 3
    for plate in told.plates:
        own = next(each for each in plates if each.name == plate.name)
        for cross in plate.crosses:
            u, v = cross.x_mm - SIZE[0] / 2, cross.y_mm - SIZE[1] / 2
            u, v = u * (1 + own.wider), v * (1 + own.higher)
            x = np.cos(own.turn) * u - np.sin(own.turn) * v + own.right
            y = np.sin(own.turn) * u + np.cos(own.turn) * v + own.down
            meant = (x - cross.x_mm + SIZE[0] / 2, y - cross.y_mm + SIZE[1] / 2)
            assert np.hypot(cross.right_mm - meant[0], cross.down_mm - meant[1]) < 0.05


def test_a_missing_cross_is_told_and_a_key_without_one_refused(tmp_path):
    plates = awnings(SIZE)
    given_ = read(plates, tmp_path)
    elsewhere = [(50.0, 37.0)]  # no cross stands there
    blue = [
        each.model_copy(update={"crosses": elsewhere}) if each.name == "Blue" else each
        for each in given_.plates
    ]
    told = read_crosses(given_.model_copy(update={"plates": blue}))
    assert [(each.code, each.plate) for each in told.warnings] == [("not-found", "Blue")]
    none = [
        each.model_copy(update={"crosses": elsewhere}) if each.name == "Key" else each
        for each in given_.plates
    ]
    with pytest.raises(CoreError) as bad:
        read_crosses(given_.model_copy(update={"plates": none}))
    assert bad.value.code == "no-key-crosses"


def test_a_coarse_scan_is_refused(tmp_path):
    with pytest.raises(CoreError) as bad:
        read_crosses(read(awnings(SIZE), tmp_path, dpi=90))
    assert (bad.value.code, bad.value.unit) == ("too-coarse", "dpi")


@given(
    wide=st.floats(60, 600), high=st.floats(40, 600), plates=st.integers(2, 6)
)  # fmt: skip
def test_crosses_of_plates_lie_apart_and_on_the_plate(wide, high, plates):
    arm, places = mark_places((wide, high), plates)
    flat = [each for own in places for each in own]
    assert len(places) == plates and len(flat) in (0, 4 * plates)
    for x, y in flat:
        assert arm <= x <= wide - arm and arm <= y <= high - arm
    for at, (x, y) in enumerate(flat):
        for u, v in flat[at + 1 :]:
            assert abs(x - u) >= 2 * arm or abs(y - v) >= 2 * arm


def test_a_plate_too_small_has_no_crosses():
    assert mark_places((40.0, 30.0), 6)[1] == [[]] * 6
