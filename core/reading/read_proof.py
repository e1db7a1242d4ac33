"""Read a proof area by area: its scan is laid over the plate's own map."""

from __future__ import annotations

from pathlib import Path

import cv2
import numpy as np

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, untold
from core.reading.areas import AreaBlocks, area_blocks, middles_of
from core.reading.doubts import CLIPPED_SHARE, SHADOW, TEXTS
from core.reading.mark import outside_mark, unwritten
from core.reading.read_patches import checked_corners
from core.reading.register import Labels, Laid, corners_of, lay_over
from core.reading.scan import Light, Scan, open_scan, seen_through
from core.reading.shapes import ProofArea, ReadArea, ReadProofInput, ReadProofOutput, ReadWarning
from core.reading.sharp import grain_is_sharp
from core.reading.sheet import Mask, White, first_white, fit_white, sheet_mask
from core.reading.straight import write_straight
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

_WHITE_LSTAR = 94.0
"""What an area left white is taken to print, where the map is laid over."""
_FEW_BLOCKS = 12
_LOOKED_AT = 6
_SHADED_SHARE = 0.05


def read_proof(given: ReadProofInput, tell: Tell = untold) -> ReadProofOutput:
    """Return the tone of each area of a scanned proof.

    Parameters
    ----------
    given : ReadProofInput
    tell : callable
        Is told the share done.

    Returns
    -------
    ReadProofOutput
        Tones [L*], the bare sheet outside the plate mark 100.

    Raises
    ------
    CoreError
        No picture, no plate mark, no bare sheet; a mirrored scan, or another plate's.

    Notes
    -----
    Source: ``cie-15``, ``evangelidis-2008``.
    """
    labels = _labels(given.labels)
    scan = open_scan(given.image)
    tell(0.3)
    sheet = sheet_mask(scan.light)
    over = np.where(sheet, scan.light / first_white(scan.light, sheet).picture(), 1.0)
    over = np.asarray(over, dtype=np.float32)
    corners = [checked_corners(scan, given.corners_px)] if given.corners_px else corners_of(over)
    laid = lay_over(over, corners, _expected(labels, given.areas))
    tell(0.6)
    mark = seen_through(np.array([[0, 0], [1, 0], [1, 1], [0, 1]]), laid.warp)
    outside = outside_mark(sheet, mark)
    white = fit_white(scan.light, unwritten(outside, over), all_round=True)
    if white is None:
        raise CoreError(
            "no-paper", "No bare sheet outside the plate mark can be seen, so there is no white to "
            "read against. Scan it again with paper all round.", field="image",
            allowed="bare sheet outside the plate mark",
        )  # fmt: skip
    blocks = area_blocks(scan, white, laid.warp, labels, given)
    return ReadProofOutput(
        areas=[_read(area, blocks[area.name]) for area in given.areas],
        corners_px=[(round(float(x), 1), round(float(y), 1)) for x, y in scan.to_whole(mark)],
        turned=laid.turned,
        likeness=round(laid.likeness, 3),
        straight=_straight(given, scan, white, laid),
        paper_spread=round(float(100 - lightness_from_reflectance(1 - white.spread)), 2),
        warnings=_warnings(scan, outside, white, laid),
        tables=TABLES_VERSION,
    )


def _straight(given: ReadProofInput, scan: Scan, white: White, laid: Laid) -> str | None:
    if given.write is None:
        return None
    over = scan.light / white.picture()
    return write_straight(given.write, over, laid.warp, given.width_mm / given.height_mm)


def _labels(path: str) -> Labels:
    found = cv2.imread(path, cv2.IMREAD_GRAYSCALE) if Path(path).is_file() else None
    if found is None:
        raise CoreError(
            "no-map", "The plate's map is not there.", field="labels", value=path,
            allowed="an 8-bit PNG",
        )  # fmt: skip
    return np.asarray(found)


def _expected(labels: Labels, areas: list[ProofArea]) -> Light:
    table = np.full(256, reflectance_from_lightness(_WHITE_LSTAR), dtype=np.float32)
    for area in areas:
        tone = area.expected_lstar if area.expected_lstar is not None else _WHITE_LSTAR
        table[area.labels] = float(reflectance_from_lightness(tone))
    return np.asarray(table[labels])


def _read(area: ProofArea, blocks: AreaBlocks) -> ReadArea:
    found: list[ReadWarning] = []
    tone = blocks.tone()
    if tone is None:
        nothing = ReadWarning(code="not-read", text="Nothing of this area is left to read.")
        return ReadArea(name=area.name, lstar=None, spread=None, share=0.0, warnings=[nothing])
    if blocks.count < _FEW_BLOCKS:
        text = f"Only {blocks.count} places of a millimetre could be read."
        found.append(ReadWarning(code="small", text=text))
    if blocks.clipped > CLIPPED_SHARE:
        found.append(ReadWarning(code="clipped", text=TEXTS["clipped"]))
    lstar, spread, doubt = tone
    return ReadArea(
        name=area.name, lstar=round(lstar, 2), spread=round(spread, 2), doubt=round(doubt, 2),
        share=round(blocks.share, 4), warnings=found,
    )  # fmt: skip


def _warnings(scan: Scan, outside: Mask, white: White, laid: Laid) -> list[ReadWarning]:
    codes = {
        "blurred": _is_soft(scan, white, laid),
        "paper-clipped": float(scan.burnt[outside].mean()) > CLIPPED_SHARE,
        "in-shadow": _shaded(scan.light, outside, white),
    }
    return [ReadWarning(code=code, text=TEXTS[code]) for code, there in codes.items() if there]


def _is_soft(scan: Scan, white: White, laid: Laid) -> bool:
    points = middles_of(laid.warp, _LOOKED_AT)
    light = white.at(points)
    wide = float(np.ptp(scan.to_whole(points), axis=0).max()) / _LOOKED_AT
    said = [
        grain_is_sharp(scan, at, wide, float(own))
        for at, own in zip(scan.to_whole(points), light, strict=True)
    ]
    told = [each for each in said if each is not None]
    return bool(told) and float(np.mean(told)) < 0.5


def _shaded(light: Light, outside: Mask, white: White) -> bool:
    """Tell whether a part of the bare sheet lies in shadow."""
    over = cv2.blur(light / white.picture(), (9, 9))[outside]
    return bool(float(np.mean(over < 1 - SHADOW)) > _SHADED_SHARE)
