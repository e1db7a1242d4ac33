"""Whatever was killed, deleted or spoilt: the one command mends it, or says what to do."""

import os
import re
import signal
import stat
import subprocess
import tarfile
import time
from pathlib import Path

import pytest

from tests.ops.house import ROOM, House, forget

HERE = Path(__file__).parent / "backups"


@pytest.fixture(scope="module")
def empty(tmp_path_factory):
    made = House(tmp_path_factory.mktemp("empty"))
    yield made
    made.keen("stop")
    forget(made)


def test_after_the_database_was_killed_start_brings_all_up_again(house):
    os.kill(house.database(), signal.SIGKILL)
    assert "does not run" in house.tried("doctor").stdout
    house.start()
    assert house.ask(f"{ROOM}/bench")["plates"] == 10
    assert house.tried("doctor").returncode == 0


def test_after_the_web_master_alone_was_killed_it_comes_back_by_itself(house):
    before = house.web()
    os.kill(before, signal.SIGKILL)
    deadline = time.monotonic() + 30
    while house.web() in (None, before) and time.monotonic() < deadline:
        time.sleep(0.2)
    house.keen("stop")
    house.start()
    assert house.ask(f"{ROOM}/bench")["plates"] == 10


def test_after_the_watch_over_the_web_server_was_killed_start_brings_all_up_again(house):
    os.kill(house._started()[0]["pid"], signal.SIGKILL)
    assert "a part of them ended" in house.tried("doctor").stdout
    house.start()
    assert house.tried("start", "--detach", "--port", str(house.port)).returncode == 3


def test_what_lies_on_the_machine_is_for_its_owner_alone(house):
    own = [house.folder / name for name in ("secret-key", "pg-password", "serving.json")]
    for path in [*own, *house.folder.glob("log/*"), *house.folder.glob("files/**/*")]:
        assert not stat.S_IMODE(path.stat().st_mode) & 0o077, path
    assert not stat.S_IMODE((house.folder / "log").stat().st_mode) & 0o077


def test_no_password_is_on_a_command_line(house, tmp_path):
    """Watched while a backup is written: the clients are told it by their environment."""
    secrets = [(house.folder / name).read_text() for name in ("pg-password", "pg-owner-password")]
    backing = subprocess.Popen(
        [str(Path(__file__).parents[2] / "keen"), "backup", str(tmp_path / "b.tar.gz")],
        env=house.env, stdin=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
    )  # fmt: skip
    seen = set()
    while backing.poll() is None:
        seen |= {line for line in _command_lines() if "pg_dump" in line}
    assert backing.returncode == 0 and seen
    assert not [line for line in seen if any(secret in line for secret in secrets)]


def _command_lines():
    for path in Path("/proc").glob("[0-9]*/cmdline"):
        try:
            yield path.read_bytes().replace(b"\0", b" ").decode(errors="replace")
        except OSError:
            continue


def spoilt(tmp_path):
    """Archives that are none of ours, or not whole."""
    whole = (HERE / "0.2.0.tar.gz").read_bytes()
    cut, zeros, text = (tmp_path / name for name in ("cut.tar.gz", "zeros.tar.gz", "a.txt"))
    cut.write_bytes(whole[: len(whole) // 2])
    zeros.write_bytes(whole[:40_000] + bytes(2000) + whole[42_000:])
    text.write_text("a letter")
    foreign, dump = tmp_path / "foreign.tar.gz", tmp_path / "database.dump"
    dump.write_bytes(b"PGDMP but not really")
    with tarfile.open(foreign, "w:gz") as archive:
        archive.add(dump, "database.dump")
    other = tmp_path / "other.tar.gz"
    with tarfile.open(other, "w:gz") as archive:
        archive.add(text, "a.txt")
    return {
        "cut": (cut, "cut short or spoilt"),
        "zeros": (zeros, "spoilt|cannot be restored"),
        "text": (text, "not a backup"),
        "gone": (tmp_path / "nowhere.tar.gz", "is not there"),
        "foreign": (foreign, "cannot be restored"),
        "other": (other, "holds no database"),
    }


@pytest.mark.parametrize("kind", ["cut", "zeros", "text", "gone", "foreign", "other"])
def test_an_archive_that_cannot_be_used_is_told_in_one_line(empty, tmp_path, kind):
    path, words = spoilt(tmp_path)[kind]
    done = empty.tried("restore", str(path))
    assert done.returncode == 2
    lines = [line for line in done.stderr.splitlines() if line.startswith("keen:")]
    assert re.search(words, lines[-1])
    assert "Traceback" not in done.stderr


def test_a_backup_that_cannot_be_written_leaves_nothing(house):
    done = house.tried("backup", "/proc/nowhere/b.tar.gz")
    assert done.returncode == 3 and "cannot be written" in done.stderr


def test_a_database_whose_data_folder_was_deleted_is_used_again(house):
    """As root the cluster can lie outside the folder that was deleted."""
    house.keen("stop")
    for name in ("pg-password", "pg-owner-password", "secret-key", "migrated", "demo-loaded"):
        (house.folder / name).unlink()
    assert "it is used again" in house.start().said
    assert house.ask(f"{ROOM}/bench")["baths"]
