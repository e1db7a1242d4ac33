"""A calculator in a process of its own, which tells how far it is and can be ended at once."""

from __future__ import annotations

import contextlib
import json
import os
import selectors
import subprocess
import sys
import tempfile
from dataclasses import dataclass
from types import TracebackType
from typing import Any, Self

from django.conf import settings

LET_GO_SECONDS = 1.0
BEHIND_ANSWERS = 15
"""How far long work steps back: whoever waits for an answer comes first."""


@dataclass(frozen=True)
class Answered:
    """The calculator's answer, plain JSON data."""

    answer: dict[str, Any]


@dataclass(frozen=True)
class Failed:
    """What was wrong, in the form of every error."""

    fault: dict[str, Any]


Ended = Answered | Failed

BROKE_OFF = {
    "code": "broke-off",
    "field": "",
    "value": None,
    "allowed": "",
    "unit": "",
    "text": "The calculation ended before it was done. Nothing was written; begin it again.",
}


def _texts(given: Any) -> list[str]:
    """Return every text in plain data."""
    if isinstance(given, dict):
        return [text for value in given.values() for text in _texts(value)]
    if isinstance(given, list):
        return [text for value in given for text in _texts(value)]
    return [given] if isinstance(given, str) else []


class Child:
    """One run of a calculator: ``python -m core.cli NAME --progress``."""

    def __init__(self, calculator: str, given: dict[str, Any]) -> None:
        self._given = given
        self._answer = tempfile.TemporaryFile()  # noqa: SIM115 - closed with the process
        self._process = subprocess.Popen(
            [sys.executable, "-m", "core.cli", calculator, "--progress"], cwd=settings.ROOT,
            stdin=subprocess.PIPE, stdout=self._answer, stderr=subprocess.PIPE,
            env={**os.environ, "OPENCV_FOR_THREADS_NUM": "1"},
        )  # fmt: skip
        os.setpriority(os.PRIO_PROCESS, self._process.pid, BEHIND_ANSWERS)
        self._lines = selectors.DefaultSelector()
        self._lines.register(self._said, selectors.EVENT_READ)
        self._fault: dict[str, Any] = BROKE_OFF
        with contextlib.suppress(BrokenPipeError), self._process.stdin as into:  # type: ignore[union-attr]
            into.write(json.dumps(given).encode())

    @property
    def _said(self) -> Any:
        return self._process.stderr

    def told_within(self, seconds: float) -> float | Ended | None:
        """Return the share done or the end, as told next; None where nothing is within ``seconds``.

        Parameters
        ----------
        seconds : float [s]

        Returns
        -------
        float, Answered, Failed or None
        """
        if not self._lines.select(seconds):
            return None
        line = self._said.readline()
        if not line:
            return self._end()
        try:
            told = json.loads(line)
        except ValueError:
            return None  # a warning of a library
        if "error" in told:
            self._fault = told["error"] | self._without_paths(told["error"]["value"])
        return float(told["progress"]) if "progress" in told else None

    def _without_paths(self, value: object) -> dict[str, Any]:
        """A path of the server's own is nobody's value."""
        return {"value": None} if value in _texts(self._given) else {}

    def _end(self) -> Ended:
        if self._process.wait() != 0:
            return Failed(self._fault)
        self._answer.seek(0)
        return Answered(json.loads(self._answer.read()))

    def __enter__(self) -> Self:
        return self

    def __exit__(
        self,
        kind: type[BaseException] | None,
        error: BaseException | None,
        trace: TracebackType | None,
    ) -> None:
        """End the process, done or not."""
        self._process.kill()
        self._process.wait(LET_GO_SECONDS)
        self._said.close()
        self._lines.close()
        self._answer.close()
