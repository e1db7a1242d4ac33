"""Blocks of plates that straight cuts part again, and the cuts that do."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from core.prepare.shapes import PlacedPiece, SheetCut


@dataclass(frozen=True, slots=True)
class Block:
    """A rectangle [mm] that holds plates; two parts side by side or one above the other.

    ``pieces`` has a bit for each plate; ``filled`` is their area; ``cuts`` part them.
    """

    width: float
    height: float
    pieces: int
    filled: float
    cuts: int
    how: Literal["plate", "turned", "beside", "above"]
    first: Block | None = None
    second: Block | None = None


def single(place: int, width: float, height: float, turned: bool) -> Block:
    """Return the block of one plate.

    Parameters
    ----------
    place : int
        Of the plate among those asked for.
    width, height : float [mm]
        Saw's allowance included.
    turned : bool

    Returns
    -------
    Block
    """
    return Block(width, height, 1 << place, width * height, 0, "turned" if turned else "plate")


def beside(a: Block, b: Block) -> Iterator[Block]:
    """Yield the two blocks that two blocks make: side by side, and one above the other.

    Parameters
    ----------
    a, b : Block

    Returns
    -------
    iterator of Block
    """
    pieces, filled, cuts = a.pieces | b.pieces, a.filled + b.filled, a.cuts + b.cuts + 1
    height = max(a.height, b.height)
    yield Block(
        a.width + b.width, height, pieces, filled, cuts + (a.height != b.height), "beside", a, b
    )
    width = max(a.width, b.width)
    yield Block(
        width, a.height + b.height, pieces, filled, cuts + (a.width != b.width), "above", a, b
    )


def layout_of(block: Block, names: list[str], saw: float) -> list[PlacedPiece]:
    """Return where each plate lies, from the top left corner of the sheet.

    Parameters
    ----------
    block : Block
    names : list of str
    saw : float [mm]
        Width of the cut.

    Returns
    -------
    list of PlacedPiece [mm]
    """
    return [
        PlacedPiece(
            name=names[part.pieces.bit_length() - 1],
            x_mm=round(x, 2),
            y_mm=round(y, 2),
            width_mm=round(part.width - saw, 2),
            height_mm=round(part.height - saw, 2),
            turned=part.how == "turned",
        )
        for part, x, y in _plates(block, 0.0, 0.0)
    ]


def _plates(block: Block, x: float, y: float) -> Iterator[tuple[Block, float, float]]:
    if block.first is None or block.second is None:
        yield block, x, y
        return
    yield from _plates(block.first, x, y)
    if block.how == "beside":
        yield from _plates(block.second, x + block.first.width, y)
    else:
        yield from _plates(block.second, x, y + block.first.height)


def cuts_of(block: Block, width: float, height: float, saw: float) -> list[SheetCut]:
    """Return the cuts in the order to make them, first those that trim the sheet.

    Parameters
    ----------
    block : Block
    width, height : float [mm]
        Of the sheet.
    saw : float [mm]

    Returns
    -------
    list of SheetCut [mm]
    """
    lines = list(_trims(block, 0.0, 0.0, width, height)) + list(_cuts(block, 0.0, 0.0))
    return [
        SheetCut(
            number=number,
            along=along,
            at_mm=round(at - saw, 2),
            from_mm=round(start, 2),
            to_mm=round(end - saw, 2),
        )
        for number, (along, at, start, end) in enumerate(lines, 1)
    ]


Line = tuple[Literal["across", "down"], float, float, float]


def _trims(block: Block, x: float, y: float, width: float, height: float) -> Iterator[Line]:
    """Yield the cuts that bring a place of ``width`` × ``height`` down to the block in it."""
    if block.width < width:
        yield "down", x + block.width, y, y + height
    if block.height < height:
        yield "across", y + block.height, x, x + block.width


def _cuts(block: Block, x: float, y: float) -> Iterator[Line]:
    first, second = block.first, block.second
    if first is None or second is None:
        return
    if block.how == "beside":
        yield "down", x + first.width, y, y + block.height
        corners = ((first, x, y), (second, x + first.width, y))
        places = [(part, px, py, part.width, block.height) for part, px, py in corners]
    else:
        yield "across", y + first.height, x, x + block.width
        corners = ((first, x, y), (second, x, y + first.height))
        places = [(part, px, py, block.width, part.height) for part, px, py in corners]
    for part, px, py, width, height in places:
        yield from _trims(part, px, py, width, height)
        yield from _cuts(part, px, py)
