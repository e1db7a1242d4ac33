"""Tell a bath what the strips bitten in it say of its speed."""

from __future__ import annotations

from collections import defaultdict
from datetime import datetime, time, tzinfo
from typing import Any
from zoneinfo import ZoneInfo

from server.baths.actions.strip_checks import Derived, keep_strip_checks
from server.baths.words import ALIKE
from server.shopbook.printed import names_of
from server.strips.models import Strip

NOON = time(12)
LEAST_SECONDS = 1


def tell_bath(strip: Strip) -> None:
    """Keep what a strip says of its bath: its tones beside others of its ground, its lines.

    One that is still to bite, that no longer counts, or whose mordant is not the bath's, says
    nothing.
    """
    bath = strip.bath
    keep_strip_checks(bath, strip.id, _bitten_at(strip), _pieces(strip) if _counts(strip) else [])


def _counts(strip: Strip) -> bool:
    bitten = strip.ended_at is not None or not strip.planned
    same = strip.bath is not None and strip.bath.mordant == strip.conditions["mordant"]
    return bitten and same and not strip.out_reason


def _bitten_at(strip: Strip) -> datetime:
    if strip.ended_at is not None:
        return strip.ended_at
    if strip.read_on is not None:
        zone: tzinfo = ZoneInfo(strip.room.time_zone)
        return min(datetime.combine(strip.read_on, NOON, zone), strip.created_at)
    return strip.created_at


def _pieces(strip: Strip) -> list[Derived]:
    found = [
        Derived("lines", f"{celsius:g} {load:g}", _said(lines, celsius, load))
        for (celsius, load), lines in _measured(strip).items()
    ]
    if strip.curve is not None:
        found.append(Derived("strip", "tones", {"ground": _ground(strip)}, strip.curve))
    return found


def _ground(strip: Strip) -> str:
    """Return all that makes strips alike, in words."""
    return ALIKE.join(filter(None, [strip.ground, *names_of(strip).values()]))


def _measured(strip: Strip) -> dict[tuple[float, float], list[dict[str, Any]]]:
    """Return the lines whose depth was measured, by temperature and load."""
    found = defaultdict(list)
    for line in strip.lines:
        if line.get("depth_um") and line["seconds"] >= LEAST_SECONDS:
            found[line.get("temperature_c", 20.0), line.get("load_g_per_l", 0.0)].append(line)
    return dict(found)


def _said(lines: list[dict[str, Any]], celsius: float, load: float) -> dict[str, Any]:
    columns = ("seconds", "dips", "depth_um", "depth_spread_um")
    return {
        "temperature_c": celsius,
        "load_g_per_l": load,
        "measured": [{c: line[c] for c in columns if line.get(c) is not None} for line in lines],
    }
