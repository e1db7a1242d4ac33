"""Back up the database and the files into one archive, and restore it."""

from __future__ import annotations

import contextlib
import subprocess
import tarfile
import tempfile
import zlib
from pathlib import Path

from ops import postgres
from ops.place import DATA, Stop, Unusable, own_file, say

DUMP, FILES = "database.dump", "files"
BESIDE = f"{postgres.DATABASE}_restored"
BROKEN = (tarfile.TarError, EOFError, OSError, zlib.error)
"""What a cut or spoilt archive makes of being read."""


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
        _run(at, "pg_dump", "-Fc", "-f", str(dump), postgres.DATABASE)
        try:
            _pack(part, dump)
        except BaseException as error:
            with contextlib.suppress(OSError):
                part.unlink()
            if not isinstance(error, OSError):
                raise
            reason = error.strerror or error
            raise Stop(f"{target} cannot be written ({reason}). Nothing is left of it.") from None
    part.replace(target)
    say(f"backed up to {target}")


def _pack(part: Path, dump: Path) -> None:
    with own_file(part, "wb") as file, tarfile.open(fileobj=file, mode="w:gz") as archive:
        archive.add(dump, DUMP)
        if (DATA / FILES).exists():
            archive.add(DATA / FILES, FILES)


def restore(source: Path) -> None:
    """Bring back a backup into an empty database.

    Raises
    ------
    Unusable
        The archive is none, or not whole.
    Stop
        There is something in the database already.
    """
    at = postgres.start()
    _refuse_full(at)
    with tempfile.TemporaryDirectory() as folder:
        _unpack(source, Path(folder))
        _bring_database(at, Path(folder) / DUMP, source)
        _bring_files(Path(folder) / FILES)
    say(f"restored {source}")


def _unpack(source: Path, folder: Path) -> None:
    """Unpack an archive, the whole of it, before anything is changed."""
    foreign = Unusable(f"{source} is not a backup made by ./keen backup. Nothing was changed.")
    try:
        if not tarfile.is_tarfile(source):
            raise foreign
        with tarfile.open(source) as archive:
            _refuse_strange(archive, source)
            archive.extractall(folder)  # noqa: S202 (checked the line before)
    except FileNotFoundError:
        raise Unusable(f"{source} is not there. Nothing was changed.") from None
    except BROKEN:
        raise Unusable(f"{source} is cut short or spoilt. Nothing was changed.") from None
    if not (folder / DUMP).exists():
        raise Unusable(f"{source} holds no database. Nothing was changed.")


def _refuse_strange(archive: tarfile.TarFile, source: Path) -> None:
    """Take plain files and folders below the archive's own only.

    By hand: Debian's Python 3.11.2 does not know the extraction filters of later ones.
    """
    for member in archive.getmembers():
        parts = Path(member.name).parts
        if not (member.isfile() or member.isdir()) or ".." in parts or member.name.startswith("/"):
            raise Unusable(f"{source} holds {member.name!r}, which no backup of ours does.")


def _bring_database(at: postgres.Cluster, dump: Path, source: Path) -> None:
    """Restore a dump beside the empty database, then put it in its place: whole or not at all."""
    _sql(at, f"drop database if exists {BESIDE}")
    _sql(at, f"create database {BESIDE}")
    whole = ["--no-owner", "--exit-on-error", "--single-transaction"]
    try:
        _run(at, "pg_restore", *whole, "-d", BESIDE, str(dump), spoilt=source)
    except Stop:
        _sql(at, f"drop database {BESIDE}")
        raise
    (DATA / "migrated").unlink(missing_ok=True)  # an older backup brings an older schema
    _sql(at, f"drop database {postgres.DATABASE} with (force)")
    _sql(at, f"alter database {BESIDE} rename to {postgres.DATABASE}")


def _sql(at: postgres.Cluster, text: str) -> None:
    _run(at, "psql", "-Atqc", text, "-v", "ON_ERROR_STOP=1", "postgres")


def _bring_files(source: Path) -> None:
    for file in source.rglob("*") if source.exists() else []:
        target = DATA / FILES / file.relative_to(source)
        if file.is_dir():
            target.mkdir(parents=True, exist_ok=True, mode=0o700)
        else:
            target.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
            with own_file(target, "wb") as out:
                out.write(file.read_bytes())


def _refuse_full(at: postgres.Cluster) -> None:
    ask = "select count(*) from rooms_room"
    said = _asked(at, "psql", "-Atqc", ask, postgres.DATABASE)
    if said.returncode == 0 and said.stdout.strip() != "0":
        raise Stop(
            "There are print rooms here already; a restore would replace them. Restore into an "
            "empty data folder: KEEN_DATA=FOLDER ./keen restore FILE"
        )


def _run(at: postgres.Cluster, name: str, *arguments: str, spoilt: Path | None = None) -> None:
    said = _asked(at, name, *arguments)
    if said.returncode == 0:
        return
    reason = f"{name} failed: {said.stderr.strip()[-800:]}"
    raise Unusable(f"{spoilt} cannot be restored. {reason}") if spoilt else Stop(reason)


def _asked(at: postgres.Cluster, name: str, *arguments: str) -> subprocess.CompletedProcess[str]:
    """Run a client as the application's role; its password is in no list of processes."""
    return subprocess.run(
        [str(at.bin / name), *arguments], env=at.client_environment(), capture_output=True,
        text=True, check=False, stdin=subprocess.DEVNULL,
    )  # fmt: skip
