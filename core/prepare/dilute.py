"""Dilution by parts, and of ferric chloride by hydrometer; always in the safe order of pouring."""

from __future__ import annotations

import numpy as np

from core.data.pouring import Role
from core.data.preparation import FERRIC_DENSITY_G_PER_ML, FERRIC_PERCENT
from core.prepare.pouring import Part, in_order, settled
from core.prepare.shapes import DiluteInput, DiluteOutput, PouredPart

BAUME_MODULUS = 145.0
WATER_G_PER_ML = 0.998


def dilute(given: DiluteInput) -> DiluteOutput:
    """Return what to pour, water first, and how to check it.

    Parameters
    ----------
    given : DiluteInput
        Strengths [°Bé], volumes [L], parts by volume.

    Returns
    -------
    DiluteOutput

    Raises
    ------
    CoreError
        A part whose role is unknown or against the table; parts that must not come together.
    """
    if given.parts is not None:
        return _by_parts(given.parts, given.volume_l)
    if given.stock is None or given.target is None:
        raise AssertionError("checked by the input's shape")
    return _by_strength(given.stock.baume, given.target.baume, given.volume_l)


CAUTIONS: dict[Role, str] = {
    "acid": "Acid into water, never water into acid. Goggles, gloves, extraction on.",
    "ferric": "Ferric warms as it is diluted; it stains and corrodes. Goggles and gloves.",
    "alkali": "Ammonia and soda burn eyes and skin: goggles, gloves, air.",
}
"""While pouring, by role."""


def _by_parts(given: list[PouredPart] | dict[str, float], volume_l: float) -> DiluteOutput:
    """Return litres by parts; volumes are taken to add up, good to a few per cent."""
    named = (
        [(name, None, parts) for name, parts in given.items()]
        if isinstance(given, dict)
        else [(part.name, part.role, part.parts) for part in given]
    )
    order = in_order([settled(place, *part) for place, part in enumerate(named)])
    total = sum(part.parts for part in order)
    litres = {part.name: volume_l * part.parts / total for part in order}
    water = sum(litres[part.name] for part in order if part.role == "water")
    return DiluteOutput(
        stock_l=round(volume_l - water, 4),
        water_l=round(water, 4),
        pour=[_say(part, litres[part.name], first=i == 0) for i, part in enumerate(order)],
        litres={name: round(amount, 4) for name, amount in litres.items()},
        cautions=[text for role, text in CAUTIONS.items() if role in {p.role for p in order}],
        checks={"volume_l": round(volume_l, 3)},
    )


def _say(part: Part, litres: float, *, first: bool) -> str:
    amount = f"{litres:.2f} L" if litres >= 0.1 else f"{litres * 1000:.0f} mL"
    short = "acid" if part.role == "acid" else part.name
    return f"{short} first: {amount}" if first else f"then {short}: {amount}"


def specific_gravity(baume: float) -> float:
    """Return specific gravity of a liquid heavier than water. Source: ``baume-modulus``.

    Parameters
    ----------
    baume : float [°Bé]

    Returns
    -------
    float
    """
    return BAUME_MODULUS / (BAUME_MODULUS - baume)


def ferric_mass_percent(baume: float) -> float:
    """Return the share of ferric chloride by mass [%] at a hydrometer reading at 20 °C.

    Parameters
    ----------
    baume : float [°Bé]

    Returns
    -------
    float [%]
    """
    return float(np.interp(specific_gravity(baume), FERRIC_DENSITY_G_PER_ML, FERRIC_PERCENT))


def _by_strength(stock: float, target: float, volume_l: float) -> DiluteOutput:
    """Mass of salt is kept: ρ₁·w₁·V₁ = ρ₂·w₂·V₂; water makes up the mass."""
    density = [specific_gravity(b) for b in (stock, target)]
    percent = [ferric_mass_percent(b) for b in (stock, target)]
    stock_l = volume_l * density[1] * percent[1] / (density[0] * percent[0])
    water_l = (volume_l * density[1] - stock_l * density[0]) / WATER_G_PER_ML
    return DiluteOutput(
        stock_l=round(stock_l, 4),
        water_l=round(water_l, 4),
        pour=[f"water first: {water_l:.2f} L", f"then ferric chloride: {stock_l:.2f} L"],
        litres={"ferric chloride": round(stock_l, 4), "water": round(water_l, 4)},
        cautions=[CAUTIONS["ferric"]],
        checks={
            "baume": round(target, 1),
            "specific_gravity": round(density[1], 3),
            "mass_percent": round(percent[1], 1),
        },
    )
