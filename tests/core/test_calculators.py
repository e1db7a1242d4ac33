import io
import json
import subprocess
import sys

import numpy as np
import pytest

from core.calculators import REGISTRY, compute_text
from core.cli import main
from core.errors import CoreError
from core.progress import part_of
from tests.core.strips import CONDITIONS, PATCHES
from tests.simulator.grain import draw

STRIP = {"patches": [{"seconds": s, "lstar": v} for s, v in PATCHES], "conditions": CONDITIONS}


def run(arguments, text=""):
    out, said = io.StringIO(), io.StringIO()
    return main(arguments, io.StringIO(text), out, said), out.getvalue(), said.getvalue()


def test_list_names_each_on_a_line():
    code, out, _ = run(["--list"])
    assert code == 0 and len(out.splitlines()) == len(REGISTRY)


def test_listing_imports_no_calculator():
    told = subprocess.run(
        [sys.executable, "-c", "import core.cli, sys; print(*sys.modules)"],
        capture_output=True, text=True, check=True,
    ).stdout.split()  # fmt: skip
    assert not {"pydantic", "numpy", "scipy", "core.schema"} & set(told)


@pytest.mark.parametrize("name", REGISTRY)
def test_a_row_says_what_its_input_says(name):
    first = (REGISTRY[name].input.__doc__ or "").strip().splitlines()[0]
    assert REGISTRY[name].summary == first


@pytest.mark.parametrize("name", REGISTRY)
def test_schema_is_json_schema(name):
    code, out, _ = run([name, "--schema"])
    assert code == 0 and {"input", "output"} <= json.loads(out).keys()


def test_a_long_calculator_tells_how_far_it_is_and_answers_as_ever(tmp_path):
    photo = draw(np.random.default_rng(3), goal=0.5)
    given = {"image": photo.save(tmp_path / "dust.png"), "um_per_pixel": photo.um_per_pixel}
    code, out, said = run(["dust-coverage", "--progress"], json.dumps(given))
    shares = [json.loads(line)["progress"] for line in said.splitlines()]
    assert code == 0 and len(shares) > 5 and shares == sorted(set(shares))
    assert shares[0] > 0 and shares[-1] <= 1
    assert run(["dust-coverage"], json.dumps(given)) == (0, out, "")


def test_a_short_one_tells_nothing():
    code, _, said = run(["fit-strip", "--progress"], json.dumps(STRIP))
    assert (code, said) == (0, "")


def test_a_step_tells_its_share_of_the_whole():
    told = []
    part_of(told.append, 0.2, 0.6)(0.5)
    assert told == [pytest.approx(0.4)]


def test_lines_go_on_after_a_bad_one():
    bad = {**STRIP, "patches": [{"seconds": -3, "lstar": 50}] * 3}
    text = "\n".join(json.dumps(x) for x in (STRIP, bad, STRIP)) + "\nnot json\n"
    code, out, said = run(["fit-strip", "--lines"], text)
    rows = [json.loads(line) for line in out.splitlines()]
    assert code == 2 and ["error" in row for row in rows] == [False, True, False, True]
    assert len(said.splitlines()) == 2
    assert rows[1]["error"]["field"] == "patches.0.seconds"
    assert rows[1]["error"]["unit"] == "s" and rows[1]["error"]["allowed"] == "at least 0.0"


def test_one_bad_input_leaves_standard_output_empty():
    code, out, said = run(["fit-strip"], json.dumps({**STRIP, "ghost": 1}))
    assert (code, out) == (2, "") and json.loads(said)["error"]["field"] == "ghost"


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"patches": [{"seconds": float("nan"), "lstar": 1}] * 3}, "patches.0.seconds"),
        ({"patches": [{"seconds": 10, "lstar": float("inf")}] * 3}, "patches.0.lstar"),
        ({"conditions": {**CONDITIONS, "temperature_c": 180}}, "conditions.temperature_c"),
        ({"conditions": {**CONDITIONS, "mordant": "tea"}}, "conditions.mordant"),
        ({"patches": [{"seconds": 1, "lstar": 5}] * 201}, "patches"),
    ],
)
def test_bad_values_name_their_field(change, field):
    with pytest.raises(CoreError) as error:
        compute_text("fit-strip", json.dumps({**STRIP, **change}))
    assert error.value.field == field and error.value.allowed
    json.dumps(error.value.as_dict(), allow_nan=False)


def test_unknown_calculator():
    code, _, said = run(["brew"])
    assert code == 2 and json.loads(said)["error"]["code"] == "unknown-calculator"


def test_the_fixed_shapes():
    fitted = json.loads(compute_text("fit-strip", json.dumps(STRIP)).model_dump_json())
    keys = {"curve", "patches", "lightest_lstar", "darkest_lstar", "valid_to_seconds", "rms_lstar"}
    assert keys <= fitted.keys()
    assert {"seconds", "lstar", "fitted", "outlier", "why"} <= fitted["patches"][0].keys()
    assert {"version", "conditions"} <= fitted["curve"].keys()
    read = json.loads(
        compute_text(
            "read-curve", json.dumps({"curve": fitted["curve"], "bath": None, "lstar": [42, 60]})
        ).model_dump_json()
    )
    assert {"seconds", "seconds_low", "lstar_high", "reachable"} <= read["points"][0].keys()
