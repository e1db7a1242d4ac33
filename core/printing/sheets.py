"""A sheet, a plate and its margin → pieces, how they are torn, and how many sheets to buy."""

from __future__ import annotations

import math

from core.errors import CoreError
from core.printing.guillotine import Torn, most_pieces
from core.printing.sheet_shapes import SheetsInput, SheetsOutput, Tear, TornPiece

_TENTHS = 10
"""Places of tears are tried to a tenth of a millimetre."""
_MOST_FOLDS = 400
_WORDS = {2: "halves", 3: "thirds", 4: "quarters", 8: "eighths"}


def sheets(given: SheetsInput) -> SheetsOutput:
    """Return the most pieces a sheet gives, how it is torn, and how many sheets are needed.

    Parameters
    ----------
    given : SheetsInput
        Sheet, plate and margin [mm]; impressions wanted, share that is spoiled.

    Returns
    -------
    SheetsOutput

    Raises
    ------
    CoreError
        The sheet is smaller than the plate with its margins.

    Notes
    -----
    A piece is a plate with its margins, either way round; every tear goes right across. Where
    equal parts (halves, thirds, quarters …) give as many, those are folded and torn; else the
    sheet is measured. Pieces needed: impressions / (1 − spoiled share). Source: ``herz-cutting``.
    """
    least = (given.plate_mm[0] + 2 * given.margin_mm, given.plate_mm[1] + 2 * given.margin_mm)
    _check(given, least)
    tenths = _tenths(given.sheet_mm, math.floor), _tenths(least, math.ceil)
    torn = most_pieces(*tenths)
    folds = _equal_parts(given.sheet_mm, least, torn.count)
    if folds:
        pieces, goes = _folded(given.sheet_mm, folds)
    else:
        pieces, goes = _measured(torn)
    return _told(given, pieces, goes)


def _tenths(size: tuple[float, float], way: object) -> tuple[int, int]:
    near = 1e-6 if way is math.floor else -1e-6
    one, other = (way(each * _TENTHS + near) for each in size)  # type: ignore[operator]
    return one, other


def _fits(piece: tuple[float, float], least: tuple[float, float]) -> bool:
    straight = piece[0] >= least[0] - 1e-6 and piece[1] >= least[1] - 1e-6
    return straight or (piece[0] >= least[1] - 1e-6 and piece[1] >= least[0] - 1e-6)


def _check(given: SheetsInput, least: tuple[float, float]) -> None:
    if _fits(given.sheet_mm, least):
        return
    room = _room(given.sheet_mm, given.plate_mm)
    if room < 0:
        raise CoreError(
            "paper-smaller-than-plate", "The paper is smaller than the plate. Take a larger "
            "sheet.", field="sheet_mm", value=list(given.sheet_mm),
            allowed=f"at least {given.plate_mm[0]:g} by {given.plate_mm[1]:g}", unit="mm",
        )  # fmt: skip
    raise CoreError(
        "margin-too-wide", "The sheet does not leave this margin round the plate. Take a narrower "
        "margin, or a larger sheet.", field="margin_mm", value=given.margin_mm,
        allowed=f"at most {math.floor(room * _TENTHS) / _TENTHS:g}", unit="mm",
    )  # fmt: skip


def _room(sheet: tuple[float, float], plate: tuple[float, float]) -> float:
    """Return the widest margin that a sheet leaves round a plate; negative where it is smaller."""
    ways = (plate, plate[::-1])
    return max(min(sheet[0] - way[0], sheet[1] - way[1]) / 2 for way in ways)


def _equal_parts(
    sheet: tuple[float, float], least: tuple[float, float], count: int
) -> tuple[int, int] | None:
    """Return into how many parts each side is folded for as many pieces; None where none is."""
    ways = [
        (across, count // across)
        for across in range(1, min(count, _MOST_FOLDS) + 1)
        if count % across == 0
        and _fits((sheet[0] / across, sheet[1] / (count // across)), least)
    ]  # fmt: skip
    return max(ways, key=lambda way: _spare_room(sheet, way, least), default=None)


def _spare_room(
    sheet: tuple[float, float], way: tuple[int, int], least: tuple[float, float]
) -> float:
    return _room((sheet[0] / way[0], sheet[1] / way[1]), least)


def _folded(
    sheet: tuple[float, float], folds: tuple[int, int]
) -> tuple[list[TornPiece], list[Tear]]:
    """Return equal pieces, the longer side torn first."""
    across, down = folds
    wide, high = round(sheet[0] / across, 2), round(sheet[1] / down, 2)
    pieces = [
        TornPiece(x_mm=round(i * wide, 2), y_mm=round(j * high, 2), width_mm=wide, height_mm=high)
        for j in range(down)
        for i in range(across)
    ]
    sides = [("width", across, 0), ("height", down, 1)]
    sides.sort(key=lambda each: -sheet[each[2]])
    size, goes = list(sheet), list[Tear]()
    for side, parts, axis in sides:
        if parts > 1:
            step = size[axis] / parts
            goes.append(
                Tear(of_mm=(round(size[0], 2), round(size[1], 2)), side=side,
                     at_mm=[round(step * n, 2) for n in range(1, parts)], equal=parts)
            )  # fmt: skip
            size[axis] = step
    return pieces, goes


def _measured(torn: Torn) -> tuple[list[TornPiece], list[Tear]]:
    """Return pieces torn by measure, in the order of the tears."""
    pieces, goes = list[TornPiece](), list[Tear]()
    _follow(torn, (0, 0), pieces, goes)
    return pieces, goes


def _follow(torn: Torn, corner: tuple[int, int], pieces: list[TornPiece], goes: list[Tear]) -> None:
    if not torn.parts:
        at = [each / _TENTHS for each in (*corner, torn.width, torn.height)]
        pieces.append(TornPiece(x_mm=at[0], y_mm=at[1], width_mm=at[2], height_mm=at[3],
                                 waste=torn.count == 0))  # fmt: skip
        return
    goes.append(
        Tear(of_mm=(torn.width / _TENTHS, torn.height / _TENTHS), side=torn.side,
             at_mm=[torn.at / _TENTHS], equal=0)
    )  # fmt: skip
    x, y = corner
    for part in torn.parts:
        _follow(part, (x, y), pieces, goes)
        x, y = (x + part.width, y) if torn.side == "width" else (x, y + part.height)


def _told(given: SheetsInput, pieces: list[TornPiece], goes: list[Tear]) -> SheetsOutput:
    good = [each for each in pieces if not each.waste]
    smallest = min(good, key=lambda each: each.width_mm * each.height_mm)
    size = (smallest.width_mm, smallest.height_mm)
    needed = math.ceil(given.impressions / (1 - given.spoiled_share) - 1e-9)
    count = math.ceil(needed / len(good))
    margins, turned = _margins(size, given.plate_mm)
    return SheetsOutput(
        pieces_per_sheet=len(good), piece_mm=size, sheets=count,
        tears=[_said(each) for each in goes], pieces_needed=needed,
        spare=count * len(good) - needed, to_buy=max(0, count - given.in_stock),
        margins_mm=margins, turned=turned, goes=goes, pieces=pieces,
        text=_text(len(good), count),
    )  # fmt: skip


def _margins(
    piece: tuple[float, float], plate: tuple[float, float]
) -> tuple[tuple[float, float], bool]:
    """Return the margins beside and above a plate, and whether it lies across."""
    ways = [
        (((piece[0] - way[0]) / 2, (piece[1] - way[1]) / 2), turned)
        for way, turned in ((plate, False), (plate[::-1], True))
    ]
    (beside, above), turned = max(ways, key=lambda way: min(way[0]))
    if turned:
        beside, above = above, beside
    return (round(beside, 1), round(above, 1)), turned


def _said(go: Tear) -> str:
    size, axis = f"{go.of_mm[0]:g} × {go.of_mm[1]:g} mm", 0 if go.side == "width" else 1
    if go.equal:
        part = list(go.of_mm)
        part[axis] = round(part[axis] / go.equal, 2)
        word = _WORDS.get(go.equal, f"{go.equal} equal parts")
        return f"Fold {size} into {word} and tear: {part[0]:g} × {part[1]:g} mm."
    way = "from the left" if go.side == "width" else "from the top"
    return f"Tear {size} at {go.at_mm[0]:g} mm {way}."


def _text(pieces: int, count: int) -> str:
    piece = "1 piece" if pieces == 1 else f"{pieces} pieces"
    sheet = "1 sheet" if count == 1 else f"{count} sheets"
    return f"{sheet}, {piece} each."
