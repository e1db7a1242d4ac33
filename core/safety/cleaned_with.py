"""What cleans a plate of ink, and what must not touch its material."""

from __future__ import annotations

from core.data.solvents import DISSOLVED_BY, SOLVENTS, SolventKey


def cleaned_with(material: str) -> str:
    """Return in two sentences what takes ink off a plate, and what harms its material.

    Parameters
    ----------
    material : str
        As the table of solvents names it: a metal, a plastic, ``polymer``.

    Returns
    -------
    str
        Mildest first; no second sentence where nothing harms it.

    Notes
    -----
    Source: ``room-practice``, the table of solvents.
    """
    harms = {row.key: why for row in SOLVENTS.values() for name, why in row.harms
             if name == material}  # fmt: skip
    fine = [SOLVENTS[key].label for key in DISSOLVED_BY["oil-ink"] if key not in harms]
    said = f"Clean it of ink with {' or '.join(label.lower() for label in fine)}."
    if not harms:
        return said
    return f"{said} Keep off it: {'; '.join(_grouped(harms))}."


def _grouped(harms: dict[SolventKey, str]) -> list[str]:
    """Return what harms for one reason together."""
    return [
        f"{', '.join(SOLVENTS[key].label.lower() for key, own in harms.items() if own == why)} "
        f"({why})"
        for why in dict.fromkeys(harms.values())
    ]
