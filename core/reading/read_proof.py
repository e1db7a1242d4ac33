"""Read a proof area by area: its scan is laid over the plate's own map."""

from __future__ import annotations

from pathlib import Path

import cv2
import numpy as np

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, untold
from core.reading.areas import AreaBlocks, area_blocks
from core.reading.doubts import CLIPPED_SHARE, TEXTS
from core.reading.laid_scan import LaidScan, laid_scan
from core.reading.register import Labels
from core.reading.scan import Light
from core.reading.shapes import ProofArea, ReadArea, ReadProofInput, ReadProofOutput, ReadWarning
from core.reading.straight import write_straight
from core.tone.lightness import reflectance_from_lightness

_WHITE_LSTAR = 94.0
"""What an area left white is taken to print, where the map is laid over."""
_FEW_BLOCKS = 12


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
    seen = laid_scan(given.image, given.corners_px, _expected(labels, given.areas), tell)
    blocks = area_blocks(seen.scan, seen.white, seen.laid.warp, labels, given)
    return ReadProofOutput(
        areas=[_read(area, blocks[area.name]) for area in given.areas],
        corners_px=seen.in_scan(seen.mark),
        turned=seen.laid.turned,
        likeness=round(seen.laid.likeness, 3),
        straight=_straight(given, seen),
        paper_spread=seen.paper_spread,
        warnings=seen.warnings(),
        tables=TABLES_VERSION,
    )


def _straight(given: ReadProofInput, seen: LaidScan) -> str | None:
    if given.write is None:
        return None
    over = seen.scan.light / seen.white.picture()
    return write_straight(given.write, over, seen.laid.warp, given.width_mm / given.height_mm)


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
