"""``keen calc`` names files from where it is called, not from where it lies."""

import json
import subprocess

from tests.core.study.pictures import clouds, save
from tests.ops.house import ROOT

GIVEN = {"image": "study.png", "lightest_lstar": 94, "darkest_lstar": 20, "smooth_mm": 0,
         "width_mm": 80, "height_mm": 60}  # fmt: skip


def calc(name, given, folder):
    ran = subprocess.run([ROOT / "keen", "calc", name], input=json.dumps(given), cwd=folder,
                         capture_output=True, text=True, check=False)  # fmt: skip
    return ran.returncode, json.loads(ran.stdout or ran.stderr.splitlines()[-1])


def test_pictures_are_read_and_written_where_it_is_called(tmp_path):
    save(tmp_path / "study.png", clouds())
    code, out = calc("tone-areas", {**GIVEN, "counts": [4]}, tmp_path)
    assert code == 0 and out["choices"][0]["count"] == 4
    maps = {**GIVEN, "tones_lstar": [90, 50, 20], "dpi": 60, "write": "maps"}
    code, out = calc("stop-out-maps", maps, tmp_path)
    assert code == 0 and [s["path"] for s in out["stages"]] == [
        "maps/stage-1.png",
        "maps/stage-2.png",
    ]
    assert (tmp_path / "maps" / "stage-2.png").is_file()
    code, out = calc("tone-areas", {**GIVEN, "image": "none.png"}, tmp_path)
    assert code == 2 and out["error"]["field"] == "image"
