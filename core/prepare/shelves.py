"""Packing in shelves: plates in rows, the highest first; never the worst, quickly done."""

from __future__ import annotations

from collections.abc import Iterator

from core.prepare.cut_layout import Block, beside


def shelf_layouts(singles: list[Block], width: float, height: float) -> Iterator[Block]:
    """Yield layouts in shelves: rows of plates, and columns of plates.

    Parameters
    ----------
    singles : list of Block
        One a plate.
    width, height : float [mm]
        Of the sheet.

    Returns
    -------
    iterator of Block
    """
    for turned_sheet in (False, True):
        for widest_first in (False, True):
            block = _in_shelves(singles, width, height, turned_sheet, widest_first)
            if block is not None:
                yield block


def _in_shelves(
    singles: list[Block], width: float, height: float, down: bool, by_width: bool
) -> Block | None:
    """Return one layout; ``down`` lays columns instead of rows."""
    along, across = ("height", "width") if down else ("width", "height")
    room_along, room_across = (height, width) if down else (width, height)
    shelves: list[Block] = []
    taken = 0
    rank = along if by_width else across
    for block in sorted(singles, key=lambda b: -getattr(b, rank)):
        if taken & block.pieces:
            continue
        place = _shelf_for(shelves, block, along, across, room_along, room_across)
        if place is None:
            continue
        taken |= block.pieces
        if place == len(shelves):
            shelves.append(block)
        else:
            shelves[place] = _join(shelves[place], block, beside_each_other=not down)
    return _stack(shelves, beside_each_other=down)


def _shelf_for(
    shelves: list[Block], block: Block, along: str, across: str, room_along: float, room: float
) -> int | None:
    """Return the first shelf with room, one past the last for a new one, or None."""
    used = sum(getattr(shelf, across) for shelf in shelves)
    for place, shelf in enumerate(shelves):
        deeper = max(0.0, getattr(block, across) - getattr(shelf, across))
        if getattr(shelf, along) + getattr(block, along) <= room_along and used + deeper <= room:
            return place
    return len(shelves) if used + getattr(block, across) <= room else None


def _join(a: Block, b: Block, *, beside_each_other: bool) -> Block:
    side, above = beside(a, b)
    return side if beside_each_other else above


def _stack(shelves: list[Block], *, beside_each_other: bool) -> Block | None:
    if not shelves:
        return None
    block = shelves[0]
    for shelf in shelves[1:]:
        block = _join(block, shelf, beside_each_other=beside_each_other)
    return block
