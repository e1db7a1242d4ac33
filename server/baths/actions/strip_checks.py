"""Keep what a strip bitten in a bath says of it, as checks derived from the strip."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from server.baths.models import Bath, BathCheck

KINDS = ("strip", "lines")


@dataclass(frozen=True)
class Derived:
    """A piece of a strip: its kind, what tells it from the strip's others, the core's shape."""

    kind: str
    mark: str
    said: dict[str, Any]
    curve: dict[str, Any] | None = None


def keep_strip_checks(
    bath: Bath | None, strip: uuid.UUID, at: datetime, told: list[Derived]
) -> None:
    """Store what a strip says of its bath; what it no longer says goes.

    A piece that was taken back stays so. One that changed has a new version: what was reckoned
    from it before does not hold.
    """
    names = {uuid.uuid5(strip, f"{each.kind} {each.mark}"): each for each in told}
    rows = BathCheck.objects.filter(strip=strip, kind__in=KINDS)
    rows.exclude(id__in=names, bath=bath).delete()
    if bath is None:
        return
    kept = {row.id: row for row in rows}
    for name, each in names.items():
        new = BathCheck(id=name, room=bath.room, bath=bath, strip=strip, version=0)
        row = kept.get(name, new)
        facts = {"kind": each.kind, "at": at, "said": each.said, "curve": each.curve}
        if all(getattr(row, field) == value for field, value in facts.items()):
            continue
        for field, value in facts.items():
            setattr(row, field, value)
        row.version += 1
        row.save()
