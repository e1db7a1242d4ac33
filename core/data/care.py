"""What hands do to a plate while it bites, by the mordant or the way it is bitten."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from core.data.facing import Facing

CareMark = Literal["rock", "feather", "brush"]


@dataclass(frozen=True)
class CareRow:
    """One way of looking after a bite; ``event`` is the kind of event it is logged as."""

    key: str
    verb: str
    done: str
    event: str
    mark: CareMark
    """Of the sign drawn beside it."""
    facings: tuple[Facing, ...] = ("face up", "face down", "upright")
    """How the plate must lie for it."""
    source: str = "room-practice"


CARE: dict[str, CareRow] = {
    row.key: row
    for row in (
        CareRow("rock", "Rock", "Rocked", "rocked", "rock", ("face up",)),
        CareRow("feather", "Feather", "Feathered", "feathered", "feather"),
        CareRow("brush", "Brush", "Brushed", "brushed", "brush"),
        CareRow("refresh", "Refresh", "Refreshed", "refreshed", "brush"),
    )
}
