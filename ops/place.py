"""Where things lie, and how to say what is going on."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path
from typing import IO, Any

ROOT = Path(__file__).resolve().parent.parent
DATA = Path(os.environ.get("KEEN_DATA", ROOT / ".data")).resolve()
VENV = ROOT / ".venv"
PYTHON = VENV / "bin" / "python"
WEB = ROOT / "web"


CLOSED = 0o077
"""Bits that let others of the machine in."""


class Stop(Exception):
    """Something stands in the way; the text says what, and the mend."""

    code = 3


class Unusable(Stop):
    """What was given cannot be used."""

    code = 2


def own_log(name: str) -> IO[bytes]:
    """Open a log to add to; for the machine's owner alone."""
    return _own(DATA / "log" / name, os.O_APPEND, "ab")


def own_file(path: Path, mode: str = "w") -> IO[Any]:
    """Open a file to write anew; for the machine's owner alone."""
    return _own(path, os.O_TRUNC, mode)


def _own(path: Path, flag: int, mode: str) -> IO[Any]:
    made = os.open(path, os.O_WRONLY | os.O_CREAT | flag, 0o600)
    os.fchmod(made, 0o600)  # one that an earlier version made is closed, too
    return os.fdopen(made, mode)


def say(text: str) -> None:
    """Tell the person at the terminal, on standard error."""
    print(f"keen: {text}", file=sys.stderr, flush=True)


def run(
    command: list[str | Path],
    *,
    what: str,
    env: dict[str, str] | None = None,
    cwd: Path = ROOT,
    private: bool = False,
) -> None:
    """Run a step that must succeed; its output goes to the log and is shown when it fails.

    ``private``: what it writes is for the machine's owner alone.

    Raises
    ------
    Stop
    """
    target = DATA / "log" / "setup.log"
    target.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    with own_log(target.name) as out:
        out.write(f"\n$ {' '.join(map(str, command))}\n".encode())
        out.flush()
        start = out.tell()
        code = subprocess.run(
            list(map(str, command)), cwd=cwd, env={**os.environ, **(env or {})},
            stdin=subprocess.DEVNULL, stdout=out, stderr=subprocess.STDOUT, check=False,
            umask=CLOSED if private else -1,
        ).returncode  # fmt: skip
    if code != 0:
        tail = target.read_bytes()[start:].decode(errors="replace").splitlines()[-25:]
        raise Stop(f"{what} failed (exit {code}). The last lines:\n  " + "\n  ".join(tail))


def make_data_folder() -> None:
    """Make the data folder, closed to others but for walking through it.

    Raises
    ------
    Stop
    """
    try:
        DATA.mkdir(parents=True, exist_ok=True, mode=0o711)
        (DATA / "log").mkdir(exist_ok=True, mode=0o700)
        (DATA / "log").chmod(0o700)
    except OSError as error:
        raise Stop(
            f"The data folder {DATA} cannot be made ({error.strerror}). Set KEEN_DATA to a folder "
            "you can write to."
        ) from None
