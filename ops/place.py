"""Where things lie, and how to say what is going on."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
DATA = Path(os.environ.get("KEEN_DATA", ROOT / ".data")).resolve()
VENV = ROOT / ".venv"
PYTHON = VENV / "bin" / "python"
WEB = ROOT / "web"


class Stop(Exception):
    """Something stands in the way; the text says what, and the mend."""


def say(text: str) -> None:
    """Tell the person at the terminal, on standard error."""
    print(f"keen: {text}", file=sys.stderr, flush=True)


def run(
    command: list[str | Path],
    *,
    what: str,
    env: dict[str, str] | None = None,
    cwd: Path = ROOT,
    log: Path | None = None,
) -> None:
    """Run a step that must succeed; its output goes to ``log`` and is shown when it fails.

    Raises
    ------
    Stop
    """
    target = log or DATA / "log" / "setup.log"
    target.parent.mkdir(parents=True, exist_ok=True)
    with target.open("ab") as out:
        out.write(f"\n$ {' '.join(map(str, command))}\n".encode())
        out.flush()
        start = out.tell()
        code = subprocess.run(
            list(map(str, command)), cwd=cwd, env={**os.environ, **(env or {})},
            stdin=subprocess.DEVNULL, stdout=out, stderr=subprocess.STDOUT, check=False,
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
        (DATA / "log").mkdir(exist_ok=True)
    except OSError as error:
        raise Stop(
            f"The data folder {DATA} cannot be made ({error.strerror}). Set KEEN_DATA to a folder "
            "you can write to."
        ) from None
