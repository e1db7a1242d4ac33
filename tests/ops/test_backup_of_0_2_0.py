"""A backup that version 0.2.0 made restores, and shows the same bench, plates, plans and runs.

``backups/0.2.0.tar.gz`` holds its demo room with a mistyped temperature taken back, an undo undone,
an observation and a note; ``backups/0.2.0.json`` what that version answered, a while later, when
nothing in it moved any more. Everything it said is still said; what is said on top may be more.
"""

import json
import re
from pathlib import Path

import pytest

from tests.ops.house import ROOM, House, forget

HERE = Path(__file__).parent / "backups"
MOVED = {
    r"now_seconds$|temperature_age_seconds$": "the clock",
    r"^\.care(_every_seconds)?$": "a run's care says more: verb, kind of event, how often",
    r"\.sheet\.areas\.\d+\.(wanted_depth_um|depth_um(_low|_high)?)$": "the goal of the process",
    r"\.mordant_label$": "parts are written 1 + 10",
    r"\.(hands|wait)_minutes_left$": "a course names more steps, and a soft ground bites its hour",
    r"^\.cautions\.\d+\.": "the bench names every bath's caution, and those of the next steps",
    r"^\.course\.[02]\.fact$": "covering the back belongs to the ground",
    r"\.steps\.\d+\.(why|title|group|wait_minutes|needs\.|(cautions|fails|measures)\.\d)": "facts "
    "of the working order that were put right",
    r"\.measured\.degreaser$|\.can_add\.whites$": "parts are written 1 + 20; the back has its step",
    r"\.can_add\.film-back$": "the step asks for the label and its glue, too",
    r"^\.ground\.missing": "heat is read from the fuse",
    r"^\.ground\.(risk$|causes)": "a ground grows old while the backup lies",
    r"^\.state\.temperature_at_seconds$": "a run knows what others read of its bath, too",
    r"\.steps\.14\.(at_hand|cautions|by_itself)": "spit bite became a process with its caution",
}


@pytest.fixture(scope="module")
def house(tmp_path_factory):
    """Restored where a newer version ran: the stamp of its database stands for no older one."""
    made = House(tmp_path_factory.mktemp("restored"))
    made.keen("start", "--detach", "--no-demo", "--port", str(made.port))
    made.keen("stop")
    made.keen("restore", str(HERE / "0.2.0.tar.gz"))
    yield made.start()
    made.keen("stop")
    forget(made)


def said(old, new, path, apart):
    """Note in ``apart`` where the new answer no longer says what the old one did."""
    if any(re.search(moved, path) for moved in MOVED):
        return
    if isinstance(old, dict):
        for key, value in old.items():
            if any(re.search(moved, f"{path}.{key}") for moved in MOVED):
                continue
            if not isinstance(new, dict) or key not in new:
                apart.append(f"{path}.{key} is gone")
            else:
                said(value, new[key], f"{path}.{key}", apart)
    elif isinstance(old, list) and isinstance(new, list):
        if len(new) < len(old):
            apart.append(f"{path} has {len(new)} of {len(old)}")
        for place, (before, after) in enumerate(zip(old, new, strict=False)):
            said(before, after, f"{path}.{place}", apart)
    elif isinstance(old, str) and isinstance(new, str) and new.startswith(old):
        return  # says more
    elif old != new:
        apart.append(f"{path}: {old!r} became {new!r}")


CASES = json.loads((HERE / "0.2.0.json").read_text())["answers"]


@pytest.mark.parametrize("path", CASES)
def test_it_answers_what_the_version_before_did(house, path):
    apart = []
    said(CASES[path], house.ask(ROOM + path), "", apart)
    assert not apart, "\n".join(apart)


def test_the_mistyped_temperature_is_in_no_reading_but_its_event_is_kept(house):
    bench = house.ask(f"{ROOM}/bench")
    amber = next(bath for bath in bench["baths"] if bath["name"] == "Amber tray")
    readings = house.ask(f"{ROOM}/baths/{amber['id']}/readings")["items"]
    assert 39.5 not in [reading["temperature_c"] for reading in readings]
    assert amber["temperature_c"] == 18.7
    run = house.ask(next(ROOM + path for path in CASES if path.startswith("/runs")))
    kept = [e for e in run["events"] if e["kind"] == "temperature"]
    assert 39.5 in [event["data"]["celsius"] for event in kept]
