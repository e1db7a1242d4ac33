"""Take a request in whole before a thread is given to it, and wait for no one for ever.

A slow sender or reader holds a socket and a little memory, never a thread: however many there are,
the hands are free for those who have said all they want.
"""

from __future__ import annotations

import asyncio
import json
import tempfile
from collections.abc import Awaitable, Callable, MutableMapping
from typing import IO, Any

from server.replies.door import most_bytes
from server.replies.errors import AppError, ErrorReply

Scope = MutableMapping[str, Any]
Message = MutableMapping[str, Any]
Receive = Callable[[], Awaitable[Message]]
Send = Callable[[Message], Awaitable[None]]
App = Callable[[Scope, Receive, Send], Awaitable[None]]

PATIENCE_SECONDS = 20.0
"""For a body to come in, or a reader to take the next part of an answer; and for a body …"""
SLOWEST_BYTES_PER_SECOND = 50_000
"""… so much longer as it takes at this speed: a phone at the edge of the room."""
KEPT_IN_MEMORY_BYTES = 500_000
CHUNK_BYTES = 65_536


class Gone(Exception):
    """The other end went away, or takes nothing more."""


class TakenIn:
    """An application behind a door that takes requests in whole."""

    def __init__(self, app: App) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Serve one request."""
        if scope["type"] != "http":
            return
        size = _size(scope)
        with tempfile.SpooledTemporaryFile(max_size=KEPT_IN_MEMORY_BYTES) as body:
            try:
                if size is not None and size <= most_bytes(scope["path"]):
                    async with asyncio.timeout(PATIENCE_SECONDS + size / SLOWEST_BYTES_PER_SECOND):
                        await _fill(body, receive)
                body.seek(0)
                await self.app(scope, _replayed(body, receive), _patient(send))
            except TimeoutError:
                await _answer_too_slow(send)
            except Gone:
                return


def _size(scope: Scope) -> int | None:
    """Return how long a body says it is; None where nobody would read it: it is refused."""
    headers = dict(scope["headers"])
    if b"transfer-encoding" in headers:
        return None
    said = headers.get(b"content-length", b"0")
    return int(said) if said.isdigit() else None


async def _fill(body: IO[bytes], receive: Receive) -> None:
    """Write all that comes into a file; raises ``Gone`` where the sender leaves before the end."""
    more = True
    while more:
        message = await receive()
        if message["type"] == "http.disconnect":
            raise Gone
        body.write(message.get("body", b""))
        more = message.get("more_body", False)


def _replayed(body: IO[bytes], receive: Receive) -> Receive:
    """Return a receiver that tells the body again, and then what the sender does."""
    ended = False

    async def told() -> Message:
        nonlocal ended
        if ended:
            return await receive()
        part = body.read(CHUNK_BYTES)
        ended = len(part) < CHUNK_BYTES
        return {"type": "http.request", "body": part, "more_body": not ended}

    return told


def _patient(send: Send) -> Send:
    """Return a sender that raises ``Gone`` where the reader takes nothing for too long."""

    async def told(message: Message) -> None:
        try:
            async with asyncio.timeout(PATIENCE_SECONDS):
                await send(message)
        except TimeoutError:
            raise Gone from None

    return told


async def _answer_too_slow(send: Send) -> None:
    text = "That took too long to come in. Nothing was stored; send it again."
    told = ErrorReply(error=AppError("too-slow", text).body).model_dump(mode="json")
    headers = [(b"content-type", b"application/json"), (b"connection", b"close")]
    await send({"type": "http.response.start", "status": 408, "headers": headers})
    await send({"type": "http.response.body", "body": json.dumps(told).encode()})
