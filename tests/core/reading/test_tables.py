"""Readings out and in again: CSV and CGATS, and files that say something else."""

import shutil
import subprocess

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError

READINGS = [
    {"name": "1", "lstar": 88.25, "spread": 0.8, "seconds": 30},
    {"name": "2", "lstar": 61.125, "spread": 1.2, "seconds": 120},
    {"name": "the third", "lstar": 24.0, "spread": 0.5, "seconds": 960},
]
FORMS = ("csv", "cgats")
CGATS = """CGATS.17
ORIGINATOR "a densitometer"
NUMBER_OF_FIELDS {n}
BEGIN_DATA_FORMAT
{fields}
END_DATA_FORMAT
NUMBER_OF_SETS {sets}
BEGIN_DATA
{rows}
END_DATA
"""


def read(text, **more):
    return compute("read-table", {"text": text, **more})


def write(form, readings=READINGS):
    return compute("write-table", {"readings": readings, "form": form, "title": "Rosin"}).text


def cgats(fields, *rows):
    return CGATS.format(n=len(fields.split()), fields=fields, sets=len(rows), rows="\n".join(rows))


@pytest.mark.parametrize("form", FORMS)
def test_out_and_in_again_gives_the_same_numbers(form):
    found = read(write(form))
    assert found.form == form
    assert [r.model_dump() for r in found.readings] == READINGS


number = st.floats(0, 105, allow_nan=False).map(lambda x: round(x, 6))
row = st.fixed_dictionaries(
    {
        "name": st.text("abcxyz 123'", min_size=1, max_size=9).map(str.strip).filter(
            lambda name: name and name not in ("paper", "white")),
        "lstar": number,
        "spread": st.floats(0, 20).map(lambda x: round(x, 6)),
        "seconds": st.floats(0, 9000).map(lambda x: round(x, 3)),
    }
)  # fmt: skip


@given(st.lists(row, min_size=1, max_size=12), st.sampled_from(FORMS))
def test_any_readings_go_out_and_in(readings, form):
    assert [r.model_dump() for r in read(write(form, readings)).readings] == readings


@pytest.mark.parametrize("text", [
    "patch;seconds;lstar;spread\n1;0:30;88,25;0,8\n2;2:00;61,125;1,2\n",
    "patch,time,L*\n1,30,88.25\n2,120,61.125\n",
    "Name\tMinutes\tLightness\n1\t0.5\t88.25\n2\t2\t61.125\n",
    "\ufeffpatch;minutes;lstar\r\n1;0,5;88,25\r\n\r\n2;2;61,125\r\n",
])  # fmt: skip
def test_commas_points_and_headings_as_they_come(text):
    found = read(text).readings
    assert [(r.seconds, r.lstar) for r in found] == [(30, 88.25), (120, 61.125)]


def test_a_row_named_paper_is_white_and_no_patch():
    rows = ["1 paper 95.0 0 0", "2 dark 47.5 0 0"]
    found = read(cgats("SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B", *rows))
    assert found.paper_lstar == 95
    assert [r.name for r in found.readings] == ["dark"]
    assert found.readings[0].lstar == pytest.approx(50.36, abs=0.05)
    by_hand = read(cgats("SAMPLE_ID LAB_L", "2 47.5"), paper_lstar=95)
    assert by_hand.readings[0].lstar == pytest.approx(found.readings[0].lstar)


@pytest.mark.parametrize(("fields", "value", "lstar"), [
    ("SAMPLE_ID XYZ_X XYZ_Y XYZ_Z", "17 18.4187 20", 50.0),
    ("SAMPLE_ID D_VIS", "0.7347", 50.0),
    ("SAMPLE_ID XYZ_Y LAB_L", "90 50", 50.0),
])  # fmt: skip
def test_light_and_density_serve_where_there_is_no_lstar(fields, value, lstar):
    assert read(cgats(fields, f"1 {value}")).readings[0].lstar == pytest.approx(lstar, abs=0.02)


def test_spectra_beside_lstar_are_passed_over_and_alone_refused():
    beside = read(cgats("SAMPLE_ID SPEC_400 SPEC_700 LAB_L", "1 .2 .3 50"))
    assert "spectra" in [w.code for w in beside.warnings]
    with pytest.raises(CoreError) as refused:
        read(cgats("SAMPLE_ID SPEC_400 SPEC_700", "1 .2 .3"))
    assert refused.value.code == "no-lstar" and "spectra alone" in refused.value.text


def test_readings_that_rise_are_said_to():
    found = read("patch,seconds,lstar\n1,30,80\n2,60,88\n3,120,50\n")
    assert "rises" in [w.code for w in found.warnings]
    assert [r.lstar for r in found.readings] == [80, 88, 50]


@pytest.mark.parametrize(("text", "code"), [
    ("", "no-rows"),
    ("patch,lstar\n", "no-rows"),
    ("1,30,88\n2,60,70\n", "no-heading"),
    ("patch,tone\n1,80\n", "no-lstar"),
    ("patch,lstar\n1,pale\n", "not-a-number"),
    ("patch,lstar\n1,180\n", "out-of-range"),
    ("CGATS.17\nBEGIN_DATA_FORMAT\nLAB_L\n", "broken-cgats"),
    (cgats("SAMPLE_ID LAB_L", "1 50 3"), "broken-cgats"),
    ("patch,lstar\n" + "1,50\n" * 401, "too-many-rows"),
])  # fmt: skip
def test_what_is_no_table_of_tones_says_why(text, code):
    with pytest.raises(CoreError) as refused:
        read(text)
    assert (refused.value.code, refused.value.field) == (code, "text")


def test_other_programs_read_the_cgats(tmp_path):
    """ArgyllCMS, from Debian's packages: it compares two files of readings."""
    tool = shutil.which("colverify")
    assert tool, "argyll is one of Debian's packages that tests are run with"
    for name, darker in (("one", 0.0), ("other", 1.0)):
        own = [r | {"lstar": r["lstar"] - darker} for r in READINGS]
        (tmp_path / f"{name}.txt").write_text(write("cgats", own))
    said = subprocess.run(
        [tool, "-v", str(tmp_path / "one.txt"), str(tmp_path / "other.txt")],
        capture_output=True, text=True, check=False,
    )  # fmt: skip
    assert said.returncode == 0, said.stdout + said.stderr
    assert "avg = 1.000" in said.stdout
