"""A strip's own bites, shown and followed as a run is."""

from __future__ import annotations

import time
from collections.abc import Iterator

from core.events.kinds import Dip
from core.process.strip import STRIP_WORDS, patches_to_bite
from server.events.models import Event
from server.replies.broken import Broken, shown_of
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.runs.actions.state import Followed, follow
from server.runs.models import Run
from server.runs.reads import Bitten, shown
from server.runs.schemas import RunOut
from server.strips.actions.end import BITTEN_AS
from server.strips.models import Strip

MOST_OPEN = 20
"""Strips at the bath that the bench looks for."""


def strip_run_out(strip: Strip) -> RunOut:
    """Return a strip at the bath as it stands now.

    Raises
    ------
    BadValue
        It was not planned to be bitten here.
    """
    return shown(
        _as_run(strip),
        Bitten(plate=None, strip=strip.id, name=strip.name, metal=strip.metal, words=STRIP_WORDS),
    )


def strips_under_way(room: Room) -> Iterator[tuple[Strip, Followed]]:
    """Yield strips that were dipped and are not ended, each followed up to now."""
    found = Strip.objects.filter(room=room, ended_at=None, patches=[]).exclude(planned=[])
    strips = list(found.select_related("bath").order_by("-created_at")[:MOST_OPEN])
    told = Event.objects.filter(subject__in=[strip.id for strip in strips], kind=Dip.kind)
    dipped = set(told.values_list("subject", flat=True)) if strips else set()
    for strip in strips:
        if strip.id not in dipped:
            continue
        seen = shown_of(strip, lambda each: follow(_as_run(each), time.time()))
        if not isinstance(seen, Broken):
            yield strip, seen


def _as_run(strip: Strip) -> Run:
    """Return a run that is never stored: the strip's patches by the clock, in its bath."""
    if not strip.planned or strip.bath is None:
        raise BadValue("no-plan", "This strip was not planned to be bitten here.", field="strip")
    made = Run.SET_ASIDE if strip.end_reason else Run.FINISHED
    return Run(
        id=strip.id, room=strip.room, bath=strip.bath, part=BITTEN_AS, method="stop-out",
        areas=patches_to_bite(strip.planned), ended_at=strip.ended_at, reason=strip.end_reason,
        outcome=made if strip.ended_at else "", created_at=strip.created_at,
    )  # fmt: skip
