"""Debian packages: install what is missing, or name it."""

from __future__ import annotations

import os
import shutil
import subprocess
from pathlib import Path

from ops.place import Stop, run, say

CLUSTER_CONF = Path("/etc/postgresql-common/createcluster.conf")


def postgres_bin() -> Path | None:
    """Return the folder of the newest PostgreSQL server installed."""
    found = sorted(
        Path("/usr/lib/postgresql").glob("*/bin/postgres"), key=lambda p: int(p.parts[-3])
    )
    return found[-1].parent if found else None


def _venv_works() -> bool:
    try:
        import ensurepip
    except ImportError:
        return False
    return bool(ensurepip.version())


def missing(*, browser: bool) -> list[str]:
    """Return the Debian packages that are still needed."""
    wanted = []
    if postgres_bin() is None:
        wanted.append("postgresql")
    if not _venv_works():
        wanted.append("python3-venv")
    if browser and not Path("/usr/bin/chromium").exists():
        wanted += ["chromium", "fonts-liberation", "fonts-noto-color-emoji"]
    if browser and not Path("/usr/bin/colverify").exists():
        wanted.append("argyll")  # another program that reads what is written for densitometers
    if browser and not list(Path("/usr/lib").glob("*/libatomic.so.1")):
        wanted.append("libatomic1")  # the browser tests' driver asks for it
    return wanted


def install_missing(*, browser: bool) -> None:
    """Install what is missing when root or password-free sudo is there.

    Raises
    ------
    Stop
        Nothing may be installed: one line names what to install.
    """
    wanted = missing(browser=browser)
    if not wanted:
        return
    by = _administrator()
    if by is None:
        raise Stop(f"Missing: {' '.join(wanted)}. Install: sudo apt-get install {' '.join(wanted)}")
    say(f"installing Debian packages, which stay on this machine: {' '.join(wanted)}")
    if "postgresql" in wanted:
        _no_system_cluster(by)
    quiet = {"DEBIAN_FRONTEND": "noninteractive"}
    run([*by, "apt-get", "update", "-q"], what="apt-get update", env=quiet)
    run(
        [*by, "apt-get", "install", "-y", "-q", "--no-install-recommends", *wanted],
        what="apt-get install",
        env=quiet,
    )
    still = missing(browser=browser)
    if still:
        raise Stop(f"Still missing after installing: {' '.join(still)}.")


def _administrator() -> list[str] | None:
    if os.geteuid() == 0:
        return []
    if (
        shutil.which("sudo")
        and subprocess.run(
            ["sudo", "-n", "true"], stdin=subprocess.DEVNULL, capture_output=True, check=False
        ).returncode
        == 0
    ):
        return ["sudo", "-n"]
    return None


def _no_system_cluster(by: list[str]) -> None:
    """Keep Debian from making and starting a cluster of its own: ours is in the data folder."""
    if CLUSTER_CONF.exists():
        return
    subprocess.run([*by, "mkdir", "-p", str(CLUSTER_CONF.parent)], check=False)
    subprocess.run(
        [*by, "tee", str(CLUSTER_CONF)], input=b"create_main_cluster = false\n",
        stdout=subprocess.DEVNULL, check=False,
    )  # fmt: skip
