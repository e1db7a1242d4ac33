"""Cut plates out of a sheet by straight cuts from edge to edge: least waste, then fewest cuts.

Layouts are built up from single plates: two blocks that are known stand beside or above each other
and make a larger one. For few plates every such layout is gone through; for more, the best blocks
of each size are kept, and a packing in shelves is always among the candidates.
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import combinations_with_replacement

from core.errors import CoreError
from core.prepare.cut_layout import Block, beside, cuts_of, layout_of, single
from core.prepare.shapes import CutSheetInput, CutSheetOutput
from core.prepare.shelves import shelf_layouts

EXACT_PIECES = 7
"""Up to so many plates every layout is gone through."""
_KEPT_PER_COUNT, _KEPT = 4, 80
_ROUNDS = 5
LEAST_USABLE_MM = 40.0
"""Narrower rests make neither a small plate nor a test strip. ``room-practice``"""
_MM2_PER_CM2 = 100.0


@dataclass(frozen=True)
class _Sheet:
    """The sheet and its plates, each plate and the sheet larger by the saw's allowance."""

    width: float
    height: float
    sizes: list[tuple[str, float, float, bool]]
    """One entry a plate: name, width, height, may turn."""


def cut_sheet(given: CutSheetInput) -> CutSheetOutput:
    """Return the layout with the least waste found, and a bound on what any layout wastes.

    Parameters
    ----------
    given : CutSheetInput [mm]

    Returns
    -------
    CutSheetOutput

    Raises
    ------
    CoreError
        A plate larger than the sheet.
    """
    _check_fits(given)
    sheet = _laid_out(given)
    blocks, exact = _all_blocks(sheet) if len(sheet.sizes) <= EXACT_PIECES else _good_blocks(sheet)
    fitting = [b for b in blocks if b.width <= sheet.width and b.height <= sheet.height]
    best = min(fitting, key=lambda b: _worth(b, sheet))
    return _output(given, sheet, best, exact)


def _check_fits(given: CutSheetInput) -> None:
    long, short = sorted((given.sheet_width_mm, given.sheet_height_mm), reverse=True)
    for place, piece in enumerate(given.pieces):
        as_drawn = (
            piece.width_mm <= given.sheet_width_mm and piece.height_mm <= given.sheet_height_mm
        )
        sides = sorted((piece.width_mm, piece.height_mm), reverse=True)
        if as_drawn or (piece.may_turn and sides[0] <= long and sides[1] <= short):
            continue
        raise CoreError(
            "larger-than-sheet",
            f"{piece.name} does not fit on the sheet, turned or not.",
            field=f"pieces.{place}",
            value=f"{piece.width_mm:g} × {piece.height_mm:g}",
            allowed=f"at most {given.sheet_width_mm:g} × {given.sheet_height_mm:g}",
            unit="mm",
        )


def _laid_out(given: CutSheetInput) -> _Sheet:
    saw = given.allowance_mm
    sizes = [
        (piece.name, piece.width_mm + saw, piece.height_mm + saw, piece.may_turn)
        for piece in given.pieces
        for _ in range(piece.count)
    ]
    return _Sheet(given.sheet_width_mm + saw, given.sheet_height_mm + saw, sizes)


def _singles(sheet: _Sheet) -> list[Block]:
    found = []
    for place, (_, width, height, may_turn) in enumerate(sheet.sizes):
        ways = [(width, height, False)]
        if may_turn and width != height:
            ways.append((height, width, True))
        found += [
            single(place, w, h, turned)
            for w, h, turned in ways
            if w <= sheet.width and h <= sheet.height
        ]
    return found


def _all_blocks(sheet: _Sheet) -> tuple[list[Block], bool]:
    """Return the smallest blocks of every set of plates: every guillotine layout there is."""
    by_set: dict[int, list[Block]] = {}
    for block in _singles(sheet):
        by_set.setdefault(block.pieces, []).append(block)
    for pieces in range(1, 1 << len(sheet.sizes)):
        found = list(by_set.get(pieces, []))
        part = (pieces - 1) & pieces
        while part > pieces ^ part:
            found += _joined(by_set.get(part, []), by_set.get(pieces ^ part, []), sheet)
            part = (part - 1) & pieces
        if found:
            by_set[pieces] = _smallest(found)
    return [block for blocks in by_set.values() for block in blocks], True


def _joined(first: list[Block], second: list[Block], sheet: _Sheet) -> list[Block]:
    pairs = ((a, b) for a in first for b in second)
    made = (block for a, b in pairs for block in beside(a, b))
    return [b for b in made if b.width <= sheet.width and b.height <= sheet.height]


def _smallest(blocks: list[Block]) -> list[Block]:
    """Return the blocks that no other is at most as wide, as high and as often cut as."""
    kept: list[Block] = []
    for block in sorted(blocks, key=lambda b: (b.width, b.height, b.cuts)):
        if not any(k.height <= block.height and k.cuts <= block.cuts for k in kept):
            kept.append(block)
    return kept


def _good_blocks(sheet: _Sheet) -> tuple[list[Block], bool]:
    """Return good blocks of many plates, the fullest of each number kept from round to round."""
    found = {(b.pieces, b.width, b.height): b for b in _singles(sheet)}
    for block in shelf_layouts(_singles(sheet), sheet.width, sheet.height):
        found.setdefault((block.pieces, block.width, block.height), block)
    for _ in range(_ROUNDS):
        pool = _fullest(list(found.values()))
        before = len(found)
        for a, b in combinations_with_replacement(pool, 2):
            if a.pieces & b.pieces:
                continue
            for block in beside(a, b):
                if block.width <= sheet.width and block.height <= sheet.height:
                    key = (block.pieces, block.width, block.height)
                    if key not in found or found[key].cuts > block.cuts:
                        found[key] = block
        if len(found) == before:
            break
    return list(found.values()), False


def _fullest(blocks: list[Block]) -> list[Block]:
    by_count: dict[int, list[Block]] = {}
    for block in sorted(blocks, key=lambda b: (-b.filled / (b.width * b.height), b.cuts)):
        kept = by_count.setdefault(block.pieces.bit_count(), [])
        if len(kept) < max(_KEPT_PER_COUNT, 24 // block.pieces.bit_count()):
            kept.append(block)
    every = [block for kept in by_count.values() for block in kept]
    return sorted(every, key=lambda b: -b.filled)[:_KEPT]


def _worth(block: Block, sheet: _Sheet) -> tuple[float, int, float]:
    rest_across = (sheet.width - block.width) * sheet.height
    rest_down = (sheet.height - block.height) * sheet.width
    return (-round(block.filled, 3), _cut_count(block, sheet), -max(rest_across, rest_down))


def _cut_count(block: Block, sheet: _Sheet) -> int:
    trims = (block.width < sheet.width) + (block.height < sheet.height)
    return block.cuts + trims


def _output(given: CutSheetInput, sheet: _Sheet, best: Block, exact: bool) -> CutSheetOutput:
    sheet_mm2 = given.sheet_width_mm * given.sheet_height_mm
    used = sum(
        (w - given.allowance_mm) * (h - given.allowance_mm)
        for place, (_, w, h, _) in enumerate(sheet.sizes)
        if best.pieces >> place & 1
    )
    most = used if exact else most_area(given)
    names = [name for name, *_ in sheet.sizes]
    rest_at, rest = _largest_rest(best, sheet, given.allowance_mm)
    usable_mm2 = rest[0] * rest[1] if min(rest) >= LEAST_USABLE_MM else 0.0
    return CutSheetOutput(
        placed=layout_of(best, names, given.allowance_mm),
        left_out=[name for place, name in enumerate(names) if not best.pieces >> place & 1],
        cuts=cuts_of(best, sheet.width, sheet.height, given.allowance_mm),
        used_cm2=round(used / _MM2_PER_CM2, 2),
        waste_cm2=round((sheet_mm2 - used) / _MM2_PER_CM2, 2),
        waste_bound_cm2=round((sheet_mm2 - most) / _MM2_PER_CM2, 2),
        optimal=exact or used >= most - 1e-6,
        largest_rest_mm=rest,
        rest_at_mm=rest_at,
        usable_rest_cm2=round(usable_mm2 / _MM2_PER_CM2, 2),
        offcuts_cm2=round(max(0.0, sheet_mm2 - used - usable_mm2) / _MM2_PER_CM2, 2),
    )


def most_area(given: CutSheetInput) -> float:
    """Return an area [mm²] that no choice of plates from one sheet goes beyond.

    Parameters
    ----------
    given : CutSheetInput [mm]

    Returns
    -------
    float [mm²]

    Notes
    -----
    The largest sum of plate areas, saw's allowance included, that the sheet's own area can hold.
    """
    saw = given.allowance_mm
    room = (given.sheet_width_mm + saw) * (given.sheet_height_mm + saw)
    sums = {0.0: 0.0}
    for piece in given.pieces:
        gross = (piece.width_mm + saw) * (piece.height_mm + saw)
        for _ in range(piece.count):
            more = {g + gross: n + piece.width_mm * piece.height_mm for g, n in sums.items()}
            sums = _thinned({g: n for g, n in (more | sums).items() if g <= room + 1e-6})
    return max(sums.values())


_MOST_SUMS = 4000


def _thinned(sums: dict[float, float]) -> dict[float, float]:
    """Keep the sums few, in favour of a higher bound: neighbours take the smaller's room."""
    if len(sums) <= _MOST_SUMS:
        return sums
    ordered = sorted(sums.items())
    pairs = zip(ordered[::2], ordered[1::2] + ordered[-1:], strict=False)
    return {low[0]: max(low[1], high[1]) for low, high in pairs}


def _largest_rest(
    best: Block, sheet: _Sheet, saw: float
) -> tuple[tuple[float, float], tuple[float, float]]:
    """Return where the largest rest begins and its sides [mm], to the right or below the plates."""
    right = (max(0.0, sheet.width - best.width - saw), sheet.height - saw)
    below = (sheet.width - saw, max(0.0, sheet.height - best.height - saw))
    (width, height), at = max(
        ((right, (best.width, 0.0)), (below, (0.0, best.height))),
        key=lambda rest: rest[0][0] * rest[0][1],
    )
    if not width * height:
        return (0.0, 0.0), (0.0, 0.0)
    return (round(at[0], 1), round(at[1], 1)), (round(width, 1), round(height, 1))
