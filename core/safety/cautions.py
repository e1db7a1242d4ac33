"""Which cautions matter where."""

from __future__ import annotations

from core.data.cautions import CAUTIONS, CautionRow
from core.data.mordants import MORDANTS
from core.errors import CoreError


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


def check_pair(metal: str, mordant_metal: str, mordant_label: str) -> None:
    """Refuse a plate in a bath that is not for its metal.

    Parameters
    ----------
    metal : str
        Of the plate.
    mordant_metal, mordant_label : str
        What the mordant is for, and what it is called.

    Raises
    ------
    CoreError
        Zinc in ferric heats and gases; plastic and polymer have nothing to bite.
    """
    if metal == mordant_metal:
        return
    if metal in ("plastic", "polymer"):
        raise CoreError(
            "nothing-to-bite",
            f"There is nothing to bite in {metal}. {mordant_label} would only harm it.",
            field="bath",
            value=metal,
            allowed="a metal plate",
        )
    extra = " " + CAUTIONS["zinc-in-ferric"].text if metal == "zinc" else ""
    raise CoreError(
        "wrong-bath",
        f"{mordant_label} is for {mordant_metal}, this plate is {metal}.{extra}",
        field="bath",
        value=metal,
        allowed=mordant_metal,
    )
