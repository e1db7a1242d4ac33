"""The tests and checks, each part in its own process; standard input is never read."""

from __future__ import annotations

import subprocess
import time

from ops import node, serve
from ops.place import PYTHON, ROOT, WEB, say

PYTEST = [str(PYTHON), "-m", "pytest", "-q"]
MADE_UP = "tests/server/test_generated.py"
PARTS: dict[str, list[tuple[str, list[str], bool]]] = {
    "check": [
        ("lint", [str(PYTHON), "-m", "ruff", "check", "."], False),
        ("imports", [str(ROOT / ".venv/bin/lint-imports"), "--no-cache"], False),
        ("types", [str(PYTHON), "-m", "mypy", "core", "server", "ops"], False),
        ("front-end types", node.npm("run", "-s", "types"), True),
        ("front-end lint", node.npm("run", "-s", "lint"), True),
        ("architecture", [*PYTEST, "tests/architecture"], False),
    ],
    "core": [("core", [*PYTEST, "-n", "2", "tests/core"], False)],
    "server": [("server", [*PYTEST, "-n", "2", "tests/server"], False)],
    "ops": [("as started", [*PYTEST, "-n", "2", "--dist", "loadfile", "tests/ops"], False)],
    "web": [("front end", node.npm("run", "-s", "test"), True)],
    "deep": [
        ("made up", ["env", "KEEN_DEEP=1", *PYTEST, "-n", "2", MADE_UP], False),
    ],
    "browser": [("browser", [*PYTEST, "-n", "2", "tests/browser"], False)],
}


def test(only: list[str], *, deep: bool) -> int:
    """Run the named parts, or all, and ``deep`` very many made-up calls; 0 when all passed."""
    parts = only or [part for part in PARTS if part != "deep"]
    return _run([step for part in [*parts, *(["deep"] if deep else [])] for step in PARTS[part]])


def check() -> int:
    """Run lint, types and architecture."""
    return _run(PARTS["check"])


def _run(steps: list[tuple[str, list[str], bool]]) -> int:
    env = {**serve.environment(), "DJANGO_ALLOW_ASYNC_UNSAFE": "true", "CI": "true"}
    env |= node.environment()
    env.pop("KEEN_MEDIA", None)
    failed = []
    for name, command, in_web in steps:
        begun = time.monotonic()
        code = subprocess.run(
            command, cwd=WEB if in_web else ROOT, env=env, stdin=subprocess.DEVNULL, check=False
        ).returncode
        say(f"{name}: {'passed' if code == 0 else 'FAILED'} in {time.monotonic() - begun:.0f} s")
        if code != 0:
            failed.append(name)
    say("all passed" if not failed else f"failed: {', '.join(failed)}")
    return 1 if failed else 0
