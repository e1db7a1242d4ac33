"""What a proof or a strip was printed with, by name or as the room's own rows."""

from __future__ import annotations

import uuid
from typing import Annotated, Any, Protocol

from django.db import models
from ninja import Schema
from pydantic import Field

from server.rooms.models import Room
from server.shopbook.models import Supply

SupplyName = Annotated[str, Field(max_length=120)]
KINDS = ("paper", "ink", "wipe")


class Printed(models.Model):
    """The paper, ink and wipe of an impression: rows of the room's own, null where unsaid."""

    paper = models.ForeignKey(Supply, models.PROTECT, null=True, related_name="+")
    ink = models.ForeignKey(Supply, models.PROTECT, null=True, related_name="+")
    wipe = models.ForeignKey(Supply, models.PROTECT, null=True, related_name="+")

    class Meta:
        abstract = True


class PrintedIn(Schema):
    """Paper, ink and wipe by name: what the room does not know yet is put into its shop book."""

    paper: SupplyName = ""
    ink: SupplyName = ""
    wipe: SupplyName = ""


class PrintedOut(Schema):
    """Paper, ink and wipe by name; empty where nobody said."""

    paper: str
    ink: str
    wipe: str


class Names(Protocol):
    """What may name a paper, an ink and a wipe."""

    @property
    def paper(self) -> str | None: ...
    @property
    def ink(self) -> str | None: ...
    @property
    def wipe(self) -> str | None: ...


def supply_named(room: Room, kind: str, name: str) -> Supply | None:
    """Return the room's row of a name, made where there is none yet; None for no name."""
    tidy = " ".join(name.split())
    if not tidy:
        return None
    given = {"id": uuid.uuid4(), "name": tidy}
    row, _ = Supply.objects.get_or_create(room=room, kind=kind, name__iexact=tidy, defaults=given)
    return row


def printed_with(room: Room, given: Names) -> dict[str, Supply | None]:
    """Return the rows of the names that are said; a name of None is not touched."""
    said = {kind: getattr(given, kind) for kind in KINDS}
    return {k: supply_named(room, k, name) for k, name in said.items() if name is not None}


def names_of(printed: Printed) -> dict[str, str]:
    """Return paper, ink and wipe by name."""
    rows = {kind: getattr(printed, kind) for kind in KINDS}
    return {kind: row.name if row else "" for kind, row in rows.items()}


def apart(one: Printed, other: Printed) -> list[str]:
    """Return of which of paper, ink and wipe two impressions differ, or do not say."""
    return [kind for kind in KINDS if _id(one, kind) is None or _id(one, kind) != _id(other, kind)]


def _id(printed: Printed, kind: str) -> Any:
    return getattr(printed, f"{kind}_id")
