"""Read the patches of a printed strip off a scan: each one's tone over the bare sheet's."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, untold
from core.reading.doubts import Doubts, doubts_of, paper_doubts
from core.reading.mark import Mark, find_mark, outside_mark, unwritten
from core.reading.measure import Black, Tone, blocks_over, read_patch, tone_of
from core.reading.row import Row, find_row, row_between
from core.reading.scan import Light, Points, Scan, open_scan, seen_through
from core.reading.shapes import (
    BlackPatch,
    ReadPatch,
    ReadPatchesInput,
    ReadPatchesOutput,
    ReadWarning,
)
from core.reading.sheet import Mask, White, first_white, fit_white, sheet_mask
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

NARROW_SHARE = 0.6
"""Of a patch's short side: where less paper than this lies about a row, and no mark is seen in it,
it is the margin inside the mark."""
LEAST_PATCH_PX = 12
_INK, _NO_ROOM = 0.88, 0.06
_INKED_LSTAR, _BLANK_LSTAR = 4.0, 0.5
"""Darker than the wiped margin by so much is ink; by less than so little is none."""
_INSIDE_EDGE, _MUCH_DARKER = 0.03, 0.25


def read_patches(given: ReadPatchesInput, tell: Tell = untold) -> ReadPatchesOutput:
    """Return the tone of each patch of a scanned strip.

    Parameters
    ----------
    given : ReadPatchesInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadPatchesOutput
        Tones [L*], the bare sheet outside the plate mark 100.

    Raises
    ------
    CoreError
        No picture, or too coarse; no row, two, or an uneven one; no bare sheet in it; corners that
        cross over.

    Notes
    -----
    White is the sheet outside the plate mark, a gentle surface fitted to it; a patch's tone is
    L* = f(Y/Y_sheet) of the mean linear light of its blocks. Source: ``cie-15``, ``iso-13655``.
    """
    scan = open_scan(given.image)
    tell(0.4)
    sheet = sheet_mask(scan.light)
    rough = first_white(scan.light, sheet)
    over = np.where(sheet, scan.light / rough.picture(), 1.0).astype(np.float32)
    rows = _rows(scan, over, given)
    tell(0.6)
    _check_fine(scan, rows)
    whole = rows[0] if len(rows) == 1 else _about(rows)
    mark = find_mark(over, sheet, whole)
    outside = outside_mark(sheet, mark.corners)
    white = _white(scan, unwritten(outside, over), mark) or rough
    _check_paper(mark, whole)
    black = _black(scan, white, given.black)
    found = [
        (row, place, read_patch(scan.light, white, row, place, black))
        for row in rows
        for place in range(row.count)
    ]
    tell(0.8)
    if np.mean([t.lstar for *_, t in found[: len(found) // 2]]) < np.mean(
        [t.lstar for *_, t in found[-(len(found) // 2) :]]
    ):
        found.reverse()
    doubts = doubts_of(scan, white, outside, [(row, place) for row, place, _ in found])
    beyond = _beyond(scan.light, white, rows[0]) if len(rows) == 1 else []
    return _told(scan, found, doubts, mark, white, outside, beyond)


def _rows(scan: Scan, over: Light, given: ReadPatchesInput) -> list[Row]:
    if given.patch_corners_px is not None:
        _check_each(given)
        each = [checked_corners(scan, corners) for corners in given.patch_corners_px]
        return [row_between(corners, 1) for corners in each]
    if given.corners_px is None:
        return [_found(over, given.patches)]
    corners = checked_corners(scan, given.corners_px)
    if _is_about(over, corners):
        return [find_row(_only_within(over, corners), given.patches)]
    return [row_between(corners, given.patches)]


def _check_fine(scan: Scan, rows: list[Row]) -> None:
    """Refuse patches of so few pixels that none of them is its tone alone."""
    sides = [np.linalg.norm(np.diff(row.corners(0)[:3], axis=0), axis=1).min() for row in rows]
    short = float(min(sides)) / scan.less
    if short < LEAST_PATCH_PX:
        raise CoreError(
            "too-coarse", "Its patches are too few pixels wide to be read. Scan it finer, or crop "
            "it nearer.", field="image", value=round(short), allowed=f"at least {LEAST_PATCH_PX}",
            unit="px a patch",
        )  # fmt: skip


def _found(over: Light, count: int) -> Row:
    try:
        return find_row(over, count)
    except CoreError:
        if _fills_picture(over):
            raise _no_paper() from None
        raise


def _fills_picture(over: Light) -> bool:
    """Tell whether ink reaches almost to the edges of a picture, on all four sides."""
    soft = cv2.GaussianBlur(over, (0, 0), 2.0)
    ink = cv2.boundingRect((soft < _INK).astype(np.uint8))
    height, width = over.shape
    room = (
        max(ink[0], width - ink[0] - ink[2]) / width,
        max(ink[1], height - ink[1] - ink[3]) / height,
    )
    return max(room) < _NO_ROOM


def _check_each(given: ReadPatchesInput) -> None:
    marked = len(given.patch_corners_px or [])
    if marked != given.patches:
        raise CoreError(
            "patches-marked", f"{marked} patches are marked, and {given.patches} stand in the row.",
            field="patch_corners_px", value=marked, allowed=str(given.patches), unit="patches",
        )  # fmt: skip


def checked_corners(scan: Scan, given: list[tuple[float, float]]) -> Points:
    """Return corners of the scan as they lie in the worked picture.

    Parameters
    ----------
    scan : Scan
    given : list of (float, float) [px]

    Returns
    -------
    array (4, 2)

    Raises
    ------
    CoreError
        They cross over, or lie outside.
    """
    corners = np.array(given, dtype=np.float32)
    height, width = scan.whole.shape
    if not cv2.isContourConvex(corners[:, None]):
        raise CoreError(
            "crossed-corners", "The corners cross over. Give them clockwise from the top left.",
            field="corners_px", allowed="four corners, clockwise",
        )  # fmt: skip
    off = (corners < -0.5) | (corners > (width + 0.5, height + 0.5))
    if off.any():
        raise CoreError(
            "corner-outside", "A corner lies outside the picture.", field="corners_px",
            value=[float(x) for x in corners[off.any(axis=1)][0]],
            allowed=f"0 to {width} across, 0 to {height} down", unit="px",
        )  # fmt: skip
    return scan.to_work(corners)


def _is_about(over: Light, corners: Points) -> bool:
    """Tell whether corners go round a whole strip, paper at all its edges, not round its row."""
    onto = np.array([[0, 0], [200, 0], [200, 100], [0, 100]], dtype=np.float32)
    laid = cv2.warpPerspective(over, cv2.getPerspectiveTransform(corners, onto), (200, 100))
    wide = round(_INSIDE_EDGE * 100)
    edges = [laid[:wide], laid[-wide:], laid[:, :wide], laid[:, -wide:]]
    lightest = min(float(np.percentile(edge, 20)) for edge in edges)
    return lightest - float(np.percentile(laid, 5)) > _MUCH_DARKER and lightest > 1 - _MUCH_DARKER


def _only_within(over: Light, corners: Points) -> Light:
    within = np.zeros(over.shape, np.uint8)
    cv2.fillConvexPoly(within, np.rint(corners).astype(np.int32), 1)
    return np.where(within > 0, over, np.float32(1.0))


def _about(rows: list[Row]) -> Row:
    """Return one row about patches that were marked each by itself."""
    points = np.concatenate([row.outline() for row in rows])
    box = cv2.boxPoints(cv2.minAreaRect(points))
    order = np.argsort(np.arctan2(*(box - box.mean(axis=0)).T[::-1]))
    return row_between(np.asarray(box[order], dtype=np.float32), 1)


def _white(scan: Scan, bare: Mask, mark: Mark) -> White | None:
    all_round = min(mark.room) > 0 and sum(mark.seen) >= 3
    return fit_white(scan.light, bare, all_round)


def _check_paper(mark: Mark, row: Row) -> None:
    """Refuse a scan that was cropped inside the plate mark: nothing in it is known to be bare."""
    if any(mark.seen):
        return
    corners = row.corners(row.count // 2)
    short = min(np.linalg.norm(corners[1] - corners[0]), np.linalg.norm(corners[2] - corners[1]))
    if max(mark.room) < NARROW_SHARE * short:
        raise _no_paper()


def _no_paper() -> CoreError:
    return CoreError(
        "no-paper", "No bare sheet outside the plate mark can be seen, so there is no white to "
        "read against. Scan it again with paper all round.", field="image",
        allowed="bare sheet outside the plate mark",
    )  # fmt: skip


def _black(scan: Scan, white: White, given: BlackPatch | None) -> Black | None:
    if given is None:
        return None
    row = row_between(checked_corners(scan, given.corners_px), 1)
    seen = tone_of(blocks_over(scan.light, white, row.warp, (0.1, 0.9, 0.1, 0.9)))
    light = float(reflectance_from_lightness(seen.lstar))
    known = float(reflectance_from_lightness(given.lstar))
    return Black(min(light, 0.6), min(known, 0.6))


Found = list[tuple[Row, int, Tone]]


def _told(
    scan: Scan,
    found: Found,
    doubts: list[Doubts],
    mark: Mark,
    white: White,
    outside: Mask,
    beyond: list[ReadWarning],
) -> ReadPatchesOutput:
    patches = [
        ReadPatch(
            lstar=round(tone.lstar, 2),
            spread=round(tone.spread, 2),
            doubt=round(tone.doubt, 2),
            corners_px=_pairs(scan.to_whole(own.corners(place))),
            warnings=each.warnings(tone),
        )
        for (own, place, tone), each in zip(found, doubts, strict=True)
    ]
    outline = [patches[0].corners_px[0], patches[-1].corners_px[1], patches[-1].corners_px[2],
               patches[0].corners_px[3]]  # fmt: skip
    return ReadPatchesOutput(
        patches=patches,
        paper_spread=round(_in_lstar(white.spread), 2),
        warnings=[*_no_mark(mark), *paper_doubts(scan, outside, doubts), *beyond],
        row_px=outline,
        mark_px=_pairs(scan.to_whole(mark.corners)) if any(mark.seen) else [],
        tables=TABLES_VERSION,
    )


def _beyond(light: Light, white: White, row: Row) -> list[ReadWarning]:
    """Return a warning where ink goes on beyond the row, or an end of it has none."""
    count = float(row.count)
    wiped = tone_of(blocks_over(light, white, row.warp, (0.0, count, -0.1, -0.04))).lstar
    ends = ((-0.8, -0.2), (count + 0.2, count + 0.8))
    after = [
        tone_of(blocks_over(light, white, row.warp, (a, b, 0.2, 0.8))).lstar
        for a, b in ends
        if _is_within(light, row, a, b)
    ]
    own = [read_patch(light, white, row, place, None).lstar for place in (0, row.count - 1)]
    if min(after, default=wiped) < wiped - _INKED_LSTAR:
        text = f"Ink is seen beyond the row: are there more than {row.count} patches?"
        return [ReadWarning(code="more-patches", text=text)]
    if max(own) > wiped - _BLANK_LSTAR:
        text = "An end patch shows no ink: was it never bitten, or are there fewer patches?"
        return [ReadWarning(code="blank-end", text=text)]
    return []


def _is_within(light: Light, row: Row, left: float, right: float) -> bool:
    at = seen_through(np.array([[left, 0], [right, 0], [right, 1], [left, 1]]), row.warp)
    height, width = light.shape
    return bool(((at >= 0) & (at < (width - 1, height - 1))).all())


def _no_mark(mark: Mark) -> list[ReadWarning]:
    if any(mark.seen):
        return []
    return [
        ReadWarning(
            code="no-plate-mark",
            text="No plate mark is seen. White is the paper about the row: if that is the wiped "
            "margin, every tone here reads too light.",
        )
    ]


def _in_lstar(share: float) -> float:
    return float(100 - lightness_from_reflectance(max(0.0, 1 - share)))


def _pairs(points: NDArray) -> list[tuple[float, float]]:
    return [(round(float(x), 1), round(float(y), 1)) for x, y in points]
