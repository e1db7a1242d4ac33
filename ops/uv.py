"""Python packages into a folder, with their hashes, by uv."""

from __future__ import annotations

import os
from pathlib import Path

from ops.place import PYTHON, run

PINNED = "uv==0.13.9"
SYSTEM_CERTIFICATES = Path("/etc/ssl/certs/ca-certificates.crt")


def install(arguments: list[str | Path], *, what: str) -> None:
    """Install pinned packages; uv trusts what the system trusts.

    Raises
    ------
    Stop
    """
    env = {"UV_SYSTEM_CERTS": "1"}
    if SYSTEM_CERTIFICATES.exists() and "SSL_CERT_FILE" not in os.environ:
        env["SSL_CERT_FILE"] = str(SYSTEM_CERTIFICATES)
    run(
        [PYTHON, "-m", "uv", "pip", "install", "-q", "--require-hashes", "--python", PYTHON,
         *arguments],
        what=what, env=env,
    )  # fmt: skip
