"""Which cautions matter where."""

from __future__ import annotations

from core.data.cautions import CAUTIONS, CautionRow
from core.data.mordants import MORDANTS


def cautions_for(
    mordants: set[str], metals: set[str], more: tuple[str, ...] = ()
) -> list[CautionRow]:
    """Return the cautions for baths in use and plates on the bench, dangers first.

    Parameters
    ----------
    mordants : set of str
        Keys of ``MORDANTS``.
    metals : set of str
    more : tuple of str
        Keys of ``CAUTIONS`` that a process, a step or the heat of a bath adds.

    Returns
    -------
    list of CautionRow
    """
    keys = {MORDANTS[mordant].caution for mordant in mordants} | set(more)
    if "zinc" in metals and "ferric" in keys:
        keys.add("zinc-in-ferric")
    rows = [row for key, row in CAUTIONS.items() if key in keys]
    return sorted(rows, key=lambda row: row.level != "danger")
