"""Strips as they are shown."""

from __future__ import annotations

import json
import time
from functools import lru_cache
from itertools import accumulate
from typing import Any
from uuid import UUID

import numpy as np

from core.data.mordants import MORDANTS
from core.events.fold import Immersion
from core.kinetics.shapes import Conditions
from core.line.shapes import MeasuredLine
from core.process.strip import patches_to_bite
from core.tone.one_dip import one_dip_seconds
from core.tone.read_curve import read_curve
from core.tone.shapes import Curve, CurvePoint, ReadCurveInput
from server.baths.actions.settle import bath_line
from server.events.reads import event_out, events_of
from server.replies.errors import ErrorBody
from server.shopbook.printed import names_of
from server.strips.models import Strip
from server.strips.schemas import (
    Leaning,
    PatchToRead,
    StripBites,
    StripCard,
    StripOut,
    StripPatch,
)
from server.strips.state import strip_state

LINE_POINTS = 28
FIRST_SECONDS = 8.0


def strip_card(strip: Strip) -> StripCard:
    """Return a strip in the list."""
    return StripCard(**card_facts(strip))


def card_facts(strip: Strip) -> dict[str, Any]:
    """Return the columns of a strip in any list."""
    mordant = strip.conditions["mordant"]
    fit = strip.fit or {}
    outliers = sum(1 for patch in fit.get("patches", []) if patch["outlier"])
    return {
        "id": strip.id,
        "name": strip.name,
        "ground": strip.ground,
        "metal": strip.metal,
        "mordant": mordant,
        "mordant_label": MORDANTS[mordant].label,
        "patches": len(strip.patches),
        "left_out": outliers + sum(1 for p in strip.patches if p.get("left_out")),
        "usable": strip.curve is not None,
        "waits": _waits(strip),
        "lines": len(strip.lines),
        "read_on": strip.read_on,
        "lightest_lstar": fit.get("lightest_lstar"),
        "darkest_lstar": fit.get("darkest_lstar"),
        "out_reason": strip.out_reason,
    }


def _waits(strip: Strip) -> str:
    if not strip.planned or strip.patches:
        return ""
    return "to read" if strip.ended_at else "to bite"


def strip_out(strip: Strip) -> StripOut:
    """Return a strip with its fit, or the reason why it gives none."""
    return StripOut(
        **(card_facts(strip) | names_of(strip)),
        leans_on=_leans_on(strip),
        own_share=(strip.fit or {}).get("own_share", 1.0),
        bitten=strip.bitten,
        bath=strip.bath_id,
        bath_name=strip.bath.name if strip.bath else "",
        planned=strip.planned,
        ended_at=strip.ended_at,
        to_read=_to_read(strip),
        conditions=Conditions.model_validate(strip.conditions),
        readings=[StripPatch(**patch) for patch in strip.patches],
        one_dip_seconds=one_dip(strip),
        picture=strip.picture_id,
        picture_px=(strip.picture.width_px, strip.picture.height_px) if strip.picture else None,
        marks=strip.marks,
        measured=[MeasuredLine(**line) for line in strip.lines],
        note=strip.note,
        fit=strip.fit,
        fault=ErrorBody(**strip.fault) if strip.fault else None,
        line=line_of(strip),
        created_at=strip.created_at,
        version=strip.version,
    )


def one_dip(strip: Strip) -> list[float]:
    """Return of each patch how long one dip takes to bite as far; as bitten without a curve."""
    seconds = [patch["seconds"] for patch in strip.patches]
    if strip.fit is None:
        return seconds
    return one_dip_seconds(seconds, strip.bitten, strip.fit["wetting_seconds"])


def _leans_on(strip: Strip) -> list[Leaning]:
    """Return the earlier strips its curve was fitted with, by their names now."""
    names = dict(
        Strip.objects.filter(room_id=strip.room_id, id__in=[each["strip"] for each in strip.prior])
        .values_list("id", "name")
    )  # fmt: skip
    found = [(UUID(each["strip"]), each["share"]) for each in strip.prior]
    return [Leaning(strip=i, name=names[i], share=share) for i, share in found if i in names]


def _to_read(strip: Strip) -> list[PatchToRead]:
    if strip.ended_at is None or strip.patches:
        return []
    dips = strip_state(strip).done
    if not dips:
        return []
    names = [str(area["name"]) for area in patches_to_bite(strip.planned)]
    return [PatchToRead(name=name, seconds=_open_seconds(dips, name)) for name in names]


def _open_seconds(dips: list[Immersion], name: str) -> float:
    """Return how long a patch was open in the bath [s]."""
    return round(sum(_length(dip) for dip in dips if name in dip.open), 1)


def _length(dip: Immersion) -> float:
    return (dip.lifted_seconds or dip.at_seconds) - dip.at_seconds


def strip_bites(strip: Strip) -> StripBites:
    """Return a strip at the bath as it stands now."""
    events = events_of(strip.id)
    line = bath_line(strip.bath, strip.created_at, strip.ended_at) if strip.bath else []
    state = strip_state(strip)
    return StripBites(
        strip=strip.id,
        state=state,
        in_bath=state.in_bath is not None,
        seconds=[round(total, 1) for total in accumulate(map(_length, state.done))],
        bath_line=line,
        now_seconds=time.time(),
        events=[event_out(event) for event in events],
    )


def line_of(strip: Strip) -> list[CurvePoint]:
    """Return the curve of a strip for drawing, in its own bath; empty where it gives none."""
    if strip.curve is None:
        return []
    return list(_drawn(json.dumps(strip.curve, sort_keys=True)))


@lru_cache(maxsize=256)
def _drawn(curve_json: str) -> tuple[CurvePoint, ...]:
    """Return the points of a curve; a pure function, and the slowest part of a strip's page."""
    curve = Curve.model_validate_json(curve_json)
    seconds = np.geomspace(FIRST_SECONDS, curve.valid_to_seconds, LINE_POINTS).round(1)
    return tuple(read_curve(ReadCurveInput(curve=curve, seconds=seconds.tolist())).points)
