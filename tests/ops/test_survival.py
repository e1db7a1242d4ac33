"""The application as it is started: killed in the middle of a bite, backed up, brought back."""

import tarfile
import time
import uuid

import pytest

from tests.ops.house import ROOM, RUN, House, forget


def event(kind, **data):
    return {"id": str(uuid.uuid4()), "kind": kind, "device": str(uuid.uuid4()), "sequence": 1,
            "monotonic_ms": 0, "offset_ms": time.time() * 1000, "offset_spread_ms": 5,
            "data": data}  # fmt: skip


@pytest.fixture
def second(tmp_path):
    made = House(tmp_path / "second")
    yield made
    made.keen("stop")
    forget(made)


def test_killed_in_a_bite_it_goes_on_and_restored_it_is_the_same(house, second, tmp_path):
    first = house
    noted = event("note", text="before the plug was pulled")
    before = first.ask(f"{RUN}/events", {"events": [noted]})
    assert before["in_bath"]

    first.kill()
    first.start()
    after = first.ask(RUN)
    assert after["lift_seconds"] == before["lift_seconds"]
    assert after["events"] == before["events"]
    again = first.ask(f"{RUN}/events", {"events": [noted]})
    assert len(again["events"]) == len(before["events"])

    archive = tmp_path / "room.tar.gz"
    first.keen("backup", str(archive))
    assert archive.stat().st_mode & 0o077 == 0
    second.keen("restore", str(archive))
    second.start()
    for path in (RUN, f"{ROOM}/record", f"{ROOM}/plates", f"{ROOM}/strips", f"{ROOM}/baths"):
        here, there = first.ask(path), second.ask(path)
        for reply in (here, there):
            reply.pop("now_seconds", None)
        assert here == there
    assert first.files() and first.files() == second.files()


def test_an_archive_that_reaches_out_of_its_folder_is_refused(second, tmp_path):
    bad = tmp_path / "bad.tar.gz"
    with tarfile.open(bad, "w:gz") as archive:
        link = tarfile.TarInfo("files/link")
        link.type, link.linkname = tarfile.SYMTYPE, "/etc/passwd"
        archive.addfile(link)
    done = second.tried("restore", str(bad))
    assert done.returncode == 2 and "files/link" in done.stderr
