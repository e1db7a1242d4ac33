"""The Python environment and the front end: made once, made again when their sources change."""

from __future__ import annotations

import hashlib
import shutil
import sys
from collections.abc import Iterable
from pathlib import Path

from ops import node, uv
from ops.place import PYTHON, ROOT, VENV, WEB, run, say


def _digest(paths: Iterable[Path]) -> str:
    total = hashlib.sha256()
    for path in sorted(paths):
        total.update(str(path.relative_to(ROOT)).encode() + b"\0" + path.read_bytes())
    return total.hexdigest()


def _stamp(name: str) -> Path:
    return VENV / f".keen-{name}"


def python_environment(*, dev: bool) -> None:
    """Make the environment from the pinned requirements."""
    kind = "dev" if dev else "base"
    pinned = ROOT / "requirements" / f"{kind}.txt"
    digest = _digest([pinned]) + sys.version
    fresh = {_stamp(k) for k in ("dev", kind)}
    if PYTHON.exists() and any(s.exists() and s.read_text() == digest for s in fresh):
        return
    if not dev and _dev_is_current():
        return
    if not PYTHON.exists():
        say("making the Python environment")
        shutil.rmtree(VENV, ignore_errors=True)
        run([sys.executable, "-m", "venv", VENV], what="python3 -m venv")
        run([PYTHON, "-m", "pip", "install", "-q", uv.PINNED], what="pip install uv")
    say("installing Python packages")
    uv.install(["--compile-bytecode", "-r", pinned], what="installing Python packages")
    _stamp(kind).write_text(digest)


def _dev_is_current() -> bool:
    digest = _digest([ROOT / "requirements" / "dev.txt"]) + sys.version
    return PYTHON.exists() and _stamp("dev").exists() and _stamp("dev").read_text() == digest


def node_packages() -> None:
    """Install the front end's packages from the lock."""
    node.ready()
    digest = _digest([WEB / "package-lock.json", WEB / "package.json"])
    stamp = WEB / "node_modules" / ".keen"
    if stamp.exists() and stamp.read_text() == digest:
        return
    say("installing front-end packages")
    node.run_npm("ci", "--no-audit", "--no-fund", what="npm ci")
    stamp.write_text(digest)


def front_end() -> None:
    """Build the front end."""
    sources = [p for p in (WEB / "src").rglob("*") if p.is_file()]
    sources += [p for p in (WEB / "public").rglob("*") if p.is_file()]
    sources += [WEB / name for name in ("package-lock.json", "vite.config.ts", "index.html")]
    digest = _digest(sources)
    stamp = _stamp("web")
    if (WEB / "dist" / "index.html").exists() and stamp.exists() and stamp.read_text() == digest:
        return
    node_packages()
    say("building the front end")
    node.run_npm("run", "build", what="vite build")
    run([PYTHON, "-m", "whitenoise.compress", "-q", WEB / "dist"], what="compressing")
    stamp.write_text(digest)
