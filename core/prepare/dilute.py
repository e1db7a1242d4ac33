"""Dilution by parts, and of ferric chloride by hydrometer; always in the safe order of pouring."""

from __future__ import annotations

from core.data.pouring import Role
from core.data.preparation import WATER_G_PER_ML
from core.errors import CoreError
from core.prepare.density import ferric_mass_percent, ferric_mol_per_l, most_copper_g_per_l
from core.prepare.pouring import Part, in_order, settled
from core.prepare.shapes import DiluteInput, DiluteOutput, PouredPart
from core.units import specific_gravity_from_baume


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
        A part whose role is unknown or against the table; parts that must not come together; a
        target stronger than the stock.
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
        stock_l=told_litres(volume_l - water),
        water_l=told_litres(water),
        pour=[_say(part, litres[part.name], first=i == 0) for i, part in enumerate(order)],
        litres={name: told_litres(amount) for name, amount in litres.items()},
        roles={part.name: part.role for part in order},
        cautions=[text for role, text in CAUTIONS.items() if role in {p.role for p in order}],
        checks={"volume_l": round(volume_l, 3)},
    )


def _say(part: Part, litres: float, *, first: bool) -> str:
    amount = _litres(litres)
    short = "acid" if part.role == "acid" else part.name
    return f"{short} first: {amount}" if first else f"then {short}: {amount}"


def _by_strength(stock: float, target: float, volume_l: float) -> DiluteOutput:
    """Mass of salt is kept: ρ₁·w₁·V₁ = ρ₂·w₂·V₂; water makes up the mass."""
    if target > stock:
        raise CoreError(
            "stronger-than-stock",
            f"Water makes it weaker only: {stock:g} °Bé cannot become {target:g} °Bé.",
            field="target.baume", value=target, allowed=f"at most {stock:g}", unit="°Bé",
        )  # fmt: skip
    density = [specific_gravity_from_baume(b) for b in (stock, target)]
    percent = [ferric_mass_percent(b) for b in (stock, target)]
    stock_l = volume_l * density[1] * percent[1] / (density[0] * percent[0])
    water_l = max(0.0, (volume_l * density[1] - stock_l * density[0]) / WATER_G_PER_ML)
    return DiluteOutput(
        stock_l=told_litres(stock_l),
        water_l=told_litres(water_l),
        pour=[f"water first: {_litres(water_l)}", f"then ferric chloride: {_litres(stock_l)}"],
        litres={"ferric chloride": told_litres(stock_l), "water": told_litres(water_l)},
        roles={"ferric chloride": "ferric", "water": "water"},
        cautions=[CAUTIONS["ferric"]],
        checks={
            "baume": round(target, 1),
            "specific_gravity": round(density[1], 3),
            "mass_percent": round(percent[1], 1),
            "mol_per_l": round(ferric_mol_per_l(target), 2),
            "most_copper_g_per_l": round(most_copper_g_per_l(target), 1),
        },
    )


def told_litres(litres: float) -> float:
    """Return litres to a hundredth of a per cent of themselves: the masses must agree.

    Parameters
    ----------
    litres : float [L]

    Returns
    -------
    float [L]
    """
    return float(f"{litres:.7g}")


def _litres(litres: float) -> str:
    return f"{litres:.2f} L" if litres >= 0.1 else f"{litres * 1000:.0f} mL"
