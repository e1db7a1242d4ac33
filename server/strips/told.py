"""What a change of a strip says in the record."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import zip_longest
from typing import Any

from core.units import clock_text
from server.rooms.said import changes, told_change
from server.strips.models import Strip
from server.strips.schemas import StripChange

Said = dict[str, Any]


def told_strip(strip: Strip, given: StripChange, said: Said, before: Said) -> str:
    """Return a change in words: each patch that was typed anew, with what stood."""
    if given.out_reason is not None:
        if given.out_reason:
            return f"Strip {strip.name} no longer counts: {given.out_reason}."
        return f"Strip {strip.name} counts again."
    if before.get("patches") == [] and said.get("patches"):
        return f"Strip {strip.name} is read: {len(said['patches'])} patches."
    told = [each for name, was, now in changes(said, before) for each in _told(name, was, now)]
    if not told:
        return f"Strip {strip.name}: nothing changed."
    return f"Changed strip {strip.name}: {'; '.join(told)}."


def _told(name: str, was: Any, now: Any) -> Iterator[str]:
    if name == "patches":
        yield from _patches(was, now)
    elif name in _IN_ONE:
        yield _IN_ONE[name]
    elif name not in _SHOWN_WITH_PATCHES:
        yield told_change(name, was, now)


_IN_ONE = {"lines": "its measured lines", "picture": "its scan"}
_SHOWN_WITH_PATCHES = {"marks"}


def _patches(was: list[Said], now: list[Said]) -> Iterator[str]:
    for place, (old, new) in enumerate(zip_longest(was, now), 1):
        if old is None or new is None:
            yield f"patch {place} {'added' if old is None else 'taken away'}"
        elif told := ", ".join(_patch(old, new)):
            yield f"patch {place} {told}"


def _patch(old: Said, new: Said) -> Iterator[str]:
    if old["seconds"] != new["seconds"]:
        yield f"time {clock_text(old['seconds'])} → {clock_text(new['seconds'])}"
    if old["lstar"] != new["lstar"]:
        yield f"L* {old['lstar']:g} → {new['lstar']:g}"
    if bool(old.get("left_out")) != bool(new.get("left_out")):
        yield "left out" if new.get("left_out") else "put back"
