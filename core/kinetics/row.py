"""A mordant's numbers as they stand for a bath: the table's, or the print room's own."""

from __future__ import annotations

from dataclasses import replace
from typing import Protocol

from core.data.mordants import MORDANTS, TABLES_VERSION, Mordant
from core.kinetics.shapes import MordantNumbers


class HasMordant(Protocol):
    """A bath, or the conditions of a strip."""

    @property
    def mordant(self) -> str: ...
    @property
    def numbers(self) -> MordantNumbers | None: ...


def mordant_row(bath: HasMordant) -> Mordant:
    """Return the table's row with the room's own numbers in their places.

    Parameters
    ----------
    bath : HasMordant

    Returns
    -------
    Mordant
    """
    row = MORDANTS[bath.mordant]
    if bath.numbers is None:
        return row
    return replace(row, **bath.numbers.model_dump(exclude_none=True))


def tables_version(bath: HasMordant | None) -> str:
    """Return the version of the tables used, naming the room's own numbers where there are any.

    Parameters
    ----------
    bath : HasMordant or None

    Returns
    -------
    str
    """
    own = bath.numbers.model_dump(exclude_none=True) if bath and bath.numbers else {}
    if not own:
        return TABLES_VERSION
    return f"{TABLES_VERSION} with own {', '.join(sorted(own))}"
