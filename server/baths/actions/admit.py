"""May this metal go into this bath: asked at every door before anything is planned or dipped."""

from __future__ import annotations

from collections.abc import Collection

from core.safety.heat import check_heat
from core.safety.pairs import check_pair
from server.baths.models import Bath
from server.replies.errors import BadValue


def admit(metal: str, bath: Bath, known: Collection[str] | None = None) -> None:
    """Refuse a metal that may not go into a bath, or not now.

    ``known`` are cautions that were acknowledged; None where nothing is dipped yet.

    Raises
    ------
    CoreError
        The table refuses the pair, its caution is not known, or the bath is too warm.
    BadValue
        The bath was retired.
    """
    check_pair(metal, bath.mordant, held_copper=bath.held_copper, known=known)
    check_heat(bath.mordant, bath.temperature_c)
    if bath.retired:
        raise BadValue(
            "retired", f"{bath.name} was retired. Choose another bath.", field="bath",
            value=bath.name, allowed="a bath in use",
        )  # fmt: skip


def remember(metal: str, bath: Bath) -> None:
    """Keep that copper was in a bath; nothing takes that back. Call it with the bath locked."""
    if metal == "copper" and not bath.held_copper:
        bath.held_copper = True
        bath.save(update_fields=["held_copper"])
