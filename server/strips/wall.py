"""The strips' wall: each strip as a slip with its curve, and how much it counts for its ground."""

from __future__ import annotations

from datetime import date
from typing import Any

from django.utils import timezone

from server.replies.broken import Broken, shown_of
from server.rooms.models import Room
from server.strips.models import Strip
from server.strips.reads import card_facts, line_of, one_dip
from server.strips.schemas import WallPatch, WallStrip

Ground = tuple[str, str, str]
"""Ground, metal and mordant: strips of one speak for each other."""


def ground_of(strip: Strip) -> Ground:
    """Return what strips must share to speak for each other."""
    return strip.ground, strip.metal, str(strip.conditions.get("mordant"))


def wall(room: Room, strips: list[Strip]) -> list[WallStrip | Broken]:
    """Return strips as they hang: by ground, the newest ground first, what does not count last."""
    leaders = _leaders(room)
    today = timezone.localdate()
    newest: dict[Ground, float] = {}
    for strip in strips:
        at = strip.created_at.timestamp()
        newest[ground_of(strip)] = max(at, newest.get(ground_of(strip), 0.0))

    def place(strip: Strip) -> tuple[bool, float, float]:
        return bool(strip.out_reason), -newest[ground_of(strip)], -strip.created_at.timestamp()

    ordered = sorted(strips, key=place)
    return [shown_of(strip, lambda each: _hung(each, leaders, today)) for strip in ordered]


def _leaders(room: Room) -> dict[Ground, Strip]:
    """Return the newest strip of each ground that counts: today's curve is its."""
    counting = Strip.objects.filter(room=room, out_reason="").exclude(curve=None)
    counting = counting.defer("curve", "fit", "patches", "marks", "lines")
    return {ground_of(strip): strip for strip in counting.order_by("created_at")}


def _hung(strip: Strip, leaders: dict[Ground, Strip], today: date) -> WallStrip:
    leader = leaders.get(ground_of(strip))
    outliers = [patch["outlier"] for patch in (strip.fit or {}).get("patches", [])]
    picture = strip.picture
    return WallStrip(
        **card_facts(strip),
        version=strip.version,
        temperature_c=strip.conditions.get("temperature_c", 20.0),
        load_g_per_l=strip.conditions.get("load_g_per_l", 0.0),
        days=max(0, (today - (strip.read_on or strip.created_at.date())).days),
        picture=strip.picture_id,
        picture_px=(picture.width_px, picture.height_px) if picture else None,
        marks=strip.marks,
        hung=_patches(strip, outliers),
        planned=strip.planned,
        line=line_of(strip),
        leads=leader is not None and leader.id == strip.id,
        counts=_counts(strip, leader),
        alone=leader is not None and leader.id == strip.id and not strip.prior,
    )


def _patches(strip: Strip, outliers: list[bool]) -> list[WallPatch]:
    """Return the patches; what was not left out by hand may have been by its fellows."""
    judged = iter(outliers)
    return [
        WallPatch(
            seconds=patch["seconds"], one_dip_seconds=once, lstar=patch["lstar"],
            out=bool(patch.get("left_out")) or next(judged, False),
        )
        for patch, once in zip(strip.patches, one_dip(strip), strict=True)
    ]  # fmt: skip


def _counts(strip: Strip, leader: Strip | None) -> float | None:
    """Return a strip's share in today's curve of its ground; None where it has no part in it."""
    if leader is None or strip.out_reason:
        return None
    if leader.id == strip.id:
        own: float = (strip.fit or {}).get("own_share", 1.0)
        return own
    shares: dict[str, Any] = {each["strip"]: each["share"] for each in leader.prior}
    return shares.get(str(strip.id))
