"""May this metal go into this bath: the table's verdict, enforced at every door."""

from __future__ import annotations

from collections.abc import Collection

from core.data.cautions import CAUTIONS
from core.data.mordants import MORDANTS
from core.data.pairs import PAIRS, PairRow
from core.errors import CoreError


def pair_row(metal: str, mordant: str, *, held_copper: bool) -> PairRow:
    """Return the table's row for a metal in a bath.

    Parameters
    ----------
    metal : str
        Of the plate.
    mordant : str
        A key of ``MORDANTS``.
    held_copper : bool
        Copper was ever in it, or in what it was poured from.

    Returns
    -------
    PairRow
        What is not in the table is refused.
    """
    for row in PAIRS:
        fits = row.held_copper is None or row.held_copper == held_copper
        if row.metal == metal and mordant in row.mordants and fits:
            return row
    return PairRow(metal, (mordant,), None, "refused", "Nobody here knows how it bites.")


def check_pair(
    metal: str, mordant: str, *, held_copper: bool, known: Collection[str] | None = None
) -> None:
    """Refuse a plate in a bath that is not for its metal, or whose caution is not known yet.

    Parameters
    ----------
    metal : str
        Of the plate.
    mordant : str
        A key of ``MORDANTS``.
    held_copper : bool
    known : collection of str or None
        Keys of cautions that were acknowledged; None where nothing is dipped yet, as in a plan.

    Raises
    ------
    CoreError
    """
    row = pair_row(metal, mordant, held_copper=held_copper)
    label, intended = MORDANTS[mordant].label, MORDANTS[mordant].metal
    if row.verdict == "refused":
        code = "nothing-to-bite" if metal in ("plastic", "polymer") else "wrong-bath"
        allowed = intended if code == "wrong-bath" else "a metal plate"
        danger = f" {CAUTIONS[row.caution].now}" if row.caution else ""
        raise CoreError(
            code,
            f"{label}: {row.reason} This plate is {metal}, the bath is for {intended}.{danger}",
            field="bath", value=metal, allowed=allowed,
        )  # fmt: skip
    if row.verdict == "care" and known is not None and row.caution not in known:
        caution = CAUTIONS[row.caution]
        raise CoreError(
            "caution-unread",
            f"{caution.title}. {row.reason} {caution.text} Say that you know it, then begin.",
            field="acknowledged", value=", ".join(sorted(known)), allowed=row.caution,
        )  # fmt: skip
