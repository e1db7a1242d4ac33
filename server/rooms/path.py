"""The room in the address of everything that belongs to one."""

from __future__ import annotations

from uuid import UUID

from ninja import Path

RoomId = Path[UUID]
