"""How an instrument speaks: one HTTP call, sent again until it is taken. Standard library alone."""

from __future__ import annotations

import json
import time
import urllib.error
import urllib.request
import uuid
from collections import deque
from collections.abc import Iterator
from datetime import UTC, datetime
from typing import Any

MOST_IN_ONE_CALL = 60
TIMEOUT_SECONDS = 5.0


class Refused(Exception):
    """The server will not take it: the token, or what was sent."""


class Speaker:
    """Sends readings; those the line swallowed wait and go with the next call."""

    def __init__(self, url: str, token: str) -> None:
        self.url, self.token = url.rstrip("/"), token
        self.waiting: deque[dict[str, Any]] = deque(maxlen=10_000)

    def say(self, kind: str, value: float, at: datetime | None = None) -> list[dict[str, Any]]:
        """Send a reading, with all that wait; return what became of them, empty with no line.

        Parameters
        ----------
        kind : str
            As ``temperature``.
        value : float [in the unit of its kind]
        at : datetime or None
            Now.

        Returns
        -------
        list of dict

        Raises
        ------
        Refused
            The token or the readings are refused: sending again is no use.
        """
        moment = (at or datetime.now(UTC)).isoformat()
        self.waiting.append({"id": str(uuid.uuid4()), "at": moment, "kind": kind, "value": value})
        told: list[dict[str, Any]] = []
        while self.waiting:
            batch = [self.waiting[i] for i in range(min(len(self.waiting), MOST_IN_ONE_CALL))]
            reply = self._send(batch)
            if reply is None:
                return told
            for _ in batch:
                self.waiting.popleft()
            told += reply["readings"]
        return told

    def _send(self, readings: list[dict[str, Any]]) -> dict[str, Any] | None:
        """Return the answer, or None where the line or the server was not there."""
        request = urllib.request.Request(  # noqa: S310 (the address is the caller's own)
            f"{self.url}/api/instruments/readings",
            data=json.dumps({"readings": readings}).encode(),
            headers={"Authorization": f"Bearer {self.token}", "Content-Type": "application/json"},
        )
        try:
            with urllib.request.urlopen(request, timeout=TIMEOUT_SECONDS) as reply:  # noqa: S310
                answer: dict[str, Any] = json.load(reply)
                return answer
        except urllib.error.HTTPError as error:
            if error.code == 429 or error.code >= 500:
                return None
            raise Refused(_why(error)) from None
        except (OSError, ValueError):
            return None


def _why(error: urllib.error.HTTPError) -> str:
    try:
        return str(json.load(error)["error"]["text"])
    except (ValueError, KeyError):
        return f"The server answered {error.code}."


def every(seconds: float, lasting: float | None) -> Iterator[float]:
    """Yield the seconds since the start, one after another, by the clock.

    Parameters
    ----------
    seconds : float [s]
        Between two of them.
    lasting : float [s] or None
        For how long; None: for ever.

    Yields
    ------
    float [s]
    """
    begun, count = time.monotonic(), 0
    while lasting is None or count * seconds <= lasting:
        wait = begun + count * seconds - time.monotonic()
        if wait > 0:
            time.sleep(wait)
        yield time.monotonic() - begun
        count += 1
