"""A test strip at the bath: patches closed one after the other, each after its own time."""

from __future__ import annotations

from collections.abc import Sequence

from core.process.shapes import Columns, ProcessWords
from core.process.told import told_clock
from core.process.tones import TONES
from core.process.tray import BY_TRAY

PATCH_CM2 = 4.0
"""Surface of a patch, where nobody measured it. ``room-practice``"""
UNBITTEN = "White end"

STRIP_WORDS: ProcessWords = TONES.words.model_copy(
    update={
        "title": "Test strip",
        "many": "the strip",
        "area": "patch",
        "hands": BY_TRAY.model_copy(
            update={
                "follow": "Then cover",
                "finish": "Then wash, strip the ground, print it and read its patches.",
            }
        ),
    }
)
"""What the run screen calls a strip and its patches; it is bitten as tones by the clock are."""


def patches_to_bite(seconds: Sequence[float]) -> list[Columns]:
    """Return a strip's patches as areas by the clock, and one that is never bitten.

    Parameters
    ----------
    seconds : sequence of float [s]
        In the bath in all, shortest first.

    Returns
    -------
    list of columns
    """
    unbitten: Columns = {
        "name": UNBITTEN, "parts": "its ground stays whole, it is never bitten", "lstar": None,
        "seconds": None, "open_cm2": PATCH_CM2,
    }  # fmt: skip
    bitten: list[Columns] = [
        {
            "name": f"Patch {number}", "parts": f"{told_clock(each)} in all", "lstar": None,
            "seconds": each, "open_cm2": PATCH_CM2,
        }
        for number, each in enumerate(seconds, 1)
    ]  # fmt: skip
    return [unbitten, *bitten]
