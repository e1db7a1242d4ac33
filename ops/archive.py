"""Back up the database and the files into one archive, and restore it."""

from __future__ import annotations

import subprocess
import tarfile
import tempfile
from pathlib import Path

from ops import postgres
from ops.place import DATA, Stop, say

DUMP, FILES = "database.dump", "files"


def _client(at: postgres.Cluster, name: str) -> str:
    return str(at.bin / name)


def backup(target: Path) -> None:
    """Write one archive of database and files; a whole one or none.

    Raises
    ------
    Stop
    """
    at = postgres.start()
    part = target.with_name(target.name + ".part")
    with tempfile.TemporaryDirectory() as folder:
        dump = Path(folder) / DUMP
        _run([_client(at, "pg_dump"), "-Fc", "-f", str(dump), postgres.url(at)])
        with tarfile.open(part, "w:gz") as archive:
            archive.add(dump, DUMP)
            if (DATA / FILES).exists():
                archive.add(DATA / FILES, FILES)
    part.chmod(0o600)
    part.replace(target)
    say(f"backed up to {target}")


def _refuse_strange(archive: tarfile.TarFile, source: Path) -> None:
    """Take plain files and folders below the archive's own only.

    By hand: Debian's Python 3.11.2 does not know the extraction filters of later ones.
    """
    for member in archive.getmembers():
        parts = Path(member.name).parts
        if not (member.isfile() or member.isdir()) or ".." in parts or member.name.startswith("/"):
            raise Stop(f"{source} holds {member.name!r}, which no backup of ours does.")


def restore(source: Path) -> None:
    """Bring back a backup into an empty database.

    Raises
    ------
    Stop
        The archive is none, or there is something in the database already.
    """
    if not tarfile.is_tarfile(source):
        raise Stop(f"{source} is not a backup made by ./keen backup.")
    at = postgres.start()
    _refuse_full(at)
    with tempfile.TemporaryDirectory() as folder, tarfile.open(source) as archive:
        _refuse_strange(archive, source)
        archive.extractall(folder)  # noqa: S202 (checked the line before)
        if not (Path(folder) / DUMP).exists():
            raise Stop(f"{source} holds no database. Nothing was changed.")
        whole = ["--no-owner", "--clean", "--if-exists", "--single-transaction"]
        dump = str(Path(folder) / DUMP)
        _run([_client(at, "pg_restore"), *whole, "-d", postgres.url(at), dump])
        _bring_files(Path(folder) / FILES)
    say(f"restored {source}")


def _bring_files(source: Path) -> None:
    for file in source.rglob("*") if source.exists() else []:
        target = DATA / FILES / file.relative_to(source)
        if file.is_dir():
            target.mkdir(parents=True, exist_ok=True, mode=0o700)
        else:
            target.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
            target.write_bytes(file.read_bytes())


def _refuse_full(at: postgres.Cluster) -> None:
    ask = "select count(*) from rooms_room"
    said = subprocess.run(
        [_client(at, "psql"), "-Atqc", ask, postgres.url(at)],
        capture_output=True, text=True, check=False, stdin=subprocess.DEVNULL,
    )  # fmt: skip
    if said.returncode == 0 and said.stdout.strip() != "0":
        raise Stop(
            "There are print rooms here already; a restore would replace them. Restore into an "
            "empty data folder: KEEN_DATA=FOLDER ./keen restore FILE"
        )


def _run(command: list[str]) -> None:
    said = subprocess.run(command, capture_output=True, text=True, check=False,
                          stdin=subprocess.DEVNULL)  # fmt: skip
    if said.returncode != 0:
        raise Stop(f"{Path(command[0]).name} failed: {said.stderr.strip()[-800:]}")
