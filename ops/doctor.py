"""Look the house over: what is wrong, and how to mend it. Nothing is changed."""

from __future__ import annotations

import shutil
import stat
import subprocess
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from ops import lan, packages, postgres, serve
from ops.place import CLOSED, DATA, PYTHON, ROOT, WEB, Stop

LEAST_FREE_BYTES = 500_000_000
SECRETS = ("secret-key", "pg-password", "pg-owner-password", "lan.key", "serving.json")


@dataclass(frozen=True)
class Finding:
    """One thing that was looked at; ``mend`` is empty where it is well."""

    about: str
    found: str
    mend: str = ""


def look() -> int:
    """Say what was found, a line each; 1 where anything is to be mended, else 0."""
    findings = [finding for check in CHECKS for finding in _checked(check)]
    for finding in findings:
        word = "mend" if finding.mend else "well"
        print(f"{word}  {finding.about}: {finding.found}")
        if finding.mend:
            print(f"      {finding.mend}")
    wrong = sum(1 for finding in findings if finding.mend)
    print(f"{wrong} to mend." if wrong else "All is well.")
    return 1 if wrong else 0


def _checked(check: Callable[[], Iterator[Finding]]) -> list[Finding]:
    """One check that cannot be made never keeps the others from being made."""
    try:
        return list(check())
    except (Stop, OSError, ValueError) as error:
        about = (check.__doc__ or "").rstrip(".")
        return [Finding(about, "could not be looked at", str(error))]


def _machine() -> Iterator[Finding]:
    """Packages."""
    missing = packages.missing(browser=False)
    if missing:
        names = " ".join(missing)
        yield Finding("packages", f"missing: {names}", f"sudo apt-get install {names}")
    else:
        yield Finding("packages", "all there")
    if not PYTHON.exists():
        yield Finding("Python environment", "not made yet", "./keen start makes it")
    if not (WEB / "dist" / "index.html").exists():
        yield Finding("front end", "not built yet", "./keen start builds it")


def _room() -> Iterator[Finding]:
    """Data folder."""
    if not DATA.exists():
        yield Finding("data folder", f"{DATA} is not there", "./keen start makes it")
        return
    free = shutil.disk_usage(DATA).free
    text = f"{free / 1e9:.1f} GB free at {DATA}"
    short = free < LEAST_FREE_BYTES
    yield Finding("disk", text, "Make room: nothing can be stored soon." if short else "")
    for name in SECRETS:
        path = DATA / name
        if path.exists() and stat.S_IMODE(path.stat().st_mode) & CLOSED:
            yield Finding(name, "others of this machine can read it", f"chmod 600 {path}")


def _database() -> Iterator[Finding]:
    """Database."""
    if not (DATA / "pg-folder").exists():
        yield Finding("database", "not made yet", "./keen start makes it")
        return
    at = postgres.cluster()
    if not at.running():
        yield Finding("database", "does not run", "./keen start starts it")
        return
    said = subprocess.run(
        [str(at.bin / "psql"), "-Atqc", "select count(*) from rooms_room", postgres.DATABASE],
        env=at.client_environment(), capture_output=True, text=True, check=False,
        stdin=subprocess.DEVNULL,
    )  # fmt: skip
    if said.returncode == 0:
        yield Finding("database", f"answers on port {at.port}; print rooms: {said.stdout.strip()}")
    else:
        mend = "./keen stop, then ./keen start; it gives the database its password anew"
        yield Finding("database", said.stderr.strip().splitlines()[-1], mend)


def _servers() -> Iterator[Finding]:
    """Servers."""
    doors = serve.serving()
    if not doors:
        yield Finding("web server", "does not run", "./keen start starts it")
        return
    addresses = ", ".join(f"{door.host}:{door.port}" for door in doors)
    if serve.whole():
        yield Finding("web server and worker", f"run, at {addresses}")
    else:
        mend = f"./keen start starts what ended; {DATA / 'log'} says why"
        yield Finding("web server and worker", "a part of them ended", mend)
    for door in doors:
        if door.secure and not lan.made_for(door.host):
            yield Finding(
                "certificate", f"is not for {door.host}", "./keen stop, ./keen start --lan"
            )


def _source() -> Iterator[Finding]:
    """Source."""
    names = (ROOT / "requirements" / "base.txt", WEB / "package-lock.json")
    for path in names:
        if not path.exists():
            yield Finding("source", f"{path.name} is gone", "git checkout brings it back")


CHECKS = (_machine, _source, _room, _database, _servers)
