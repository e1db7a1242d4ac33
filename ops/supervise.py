"""Keep one command running: begun again when it ends by itself, ended when told to end."""

from __future__ import annotations

import contextlib
import ctypes
import os
import signal
import subprocess
import sys
import threading
import time

SOONEST_SECONDS, LATEST_SECONDS, STEADY_SECONDS = 0.5, 10.0, 30.0
LOOK_SECONDS, LET_GO_SECONDS = 0.2, 3.0
PR_SET_PDEATHSIG = 1


def end_with_parent() -> None:
    """Have the system end this process when the one that began it dies."""
    ctypes.CDLL(None).prctl(PR_SET_PDEATHSIG, signal.SIGTERM)


def keep_running(command: list[str]) -> int:
    """Run a command again and again until SIGTERM; wait longer each time it ends early."""
    ending = threading.Event()
    signal.signal(signal.SIGTERM, lambda *_: ending.set())
    pause = SOONEST_SECONDS
    while not ending.is_set():
        begun = time.monotonic()
        child = subprocess.Popen(command, preexec_fn=end_with_parent, process_group=0)
        while child.poll() is None and not ending.wait(LOOK_SECONDS):
            pass
        _let_go(child)
        steady = time.monotonic() - begun > STEADY_SECONDS
        pause = SOONEST_SECONDS if steady else min(2 * pause, LATEST_SECONDS)
        ending.wait(pause)
    return 0


def _let_go(child: subprocess.Popen[bytes]) -> None:
    """End a command that has not ended, and what it began; what it had in hand is begun again."""
    child.terminate()
    with contextlib.suppress(subprocess.TimeoutExpired):
        child.wait(LET_GO_SECONDS)
    with contextlib.suppress(ProcessLookupError):
        os.killpg(child.pid, signal.SIGKILL)
    child.wait()


if __name__ == "__main__":
    sys.exit(keep_running(sys.argv[1:]))
