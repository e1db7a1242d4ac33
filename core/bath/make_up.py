"""Make up a bath: what goes in, in which order, whether it fits, what it costs, its label."""

from __future__ import annotations

from dataclasses import dataclass

from core.bath.fit import vessel_fit
from core.bath.make_up_shapes import Ingredient, MakeUpInput, MakeUpOutput, Pouring
from core.data.cautions import CAUTIONS
from core.data.make_up import CITRIC_WATER_L_PER_KG, MAKE_UP, MakeUpRow, Poured
from core.data.mordants import MORDANTS
from core.data.pouring import ORDER, Role
from core.errors import CoreError
from core.prepare.dilute import dilute, told_litres
from core.prepare.shapes import DiluteInput, PouredPart, Strength

FERRIC_NAME = "ferric chloride"
G_PER_KG = 1000.0


@dataclass(frozen=True)
class _Amount:
    name: str
    role: Role
    litres: float | None = None
    grams: float | None = None


def make_up(given: MakeUpInput) -> MakeUpOutput:
    """Return what to pour in which order, the fit of vessel and plate, the cost and the label.

    Parameters
    ----------
    given : MakeUpInput
        Volume [L], inside of the vessel and plate [mm], strengths [°Bé], salts [g/L].

    Returns
    -------
    MakeUpOutput

    Raises
    ------
    CoreError
        No volume and no vessel with a plate; a part of unknown role; a target stronger than the
        stock; salts the recipe does not have.
    """
    row = MAKE_UP[given.mordant]
    fit = vessel_fit(given.vessel, given.plate, given.over_mm, given.volume_l) if (
        given.vessel
    ) else None  # fmt: skip
    volume = _volume(given, fit.needed_l if fit else None)
    amounts = sorted(_amounts(given, row, volume), key=_place)
    costs = [_cost(each, given.prices) for each in amounts]
    missing = [a.name for a, c in zip(amounts, costs, strict=True) if c is None]
    caution = MORDANTS[given.mordant].caution
    return MakeUpOutput(
        volume_l=round(volume, 3),
        ingredients=[
            Ingredient(name=a.name, role=a.role, litres=a.litres, grams=a.grams, cost=c)
            for a, c in zip(amounts, costs, strict=True)
        ],
        pour=_pour(amounts, row),
        cautions=[caution, "waste"],
        baume=_target(given, row),
        fit=fit,
        cost=round(sum(c or 0.0 for c in costs), 2) if given.prices and not missing else None,
        missing_prices=missing if given.prices else [],
        label=_label(given, row, volume),
        level=CAUTIONS[caution].level,
    )


def _volume(given: MakeUpInput, needed: float | None) -> float:
    volume = given.volume_l
    if volume is None and given.plate is not None:
        volume = needed
    if volume is None:
        raise CoreError(
            "how-much", "Say how many litres, or the vessel and the plate it shall cover.",
            field="volume_l", allowed="0.05 to 1000", unit="L",
        )  # fmt: skip
    return volume


def _place(amount: _Amount) -> tuple[int, bool]:
    """Water first; what is solid dissolves in it before anything else is poured."""
    solid = amount.grams is not None
    return (ORDER["salt"] if solid else ORDER[amount.role], solid)


def _target(given: MakeUpInput, row: MakeUpRow) -> float | None:
    if row.by != "stock":
        return None
    usual = row.baume or 0.0
    return given.target_baume or min(given.stock_baume or usual, usual)


def _amounts(given: MakeUpInput, row: MakeUpRow, volume: float) -> list[_Amount]:
    solids = [
        _Amount(p.name, p.role, grams=round(_grams_per_l(p, given) * volume, 1))
        for p in row.poured
        if p.grams_per_l
    ]
    _known_salts(given, [each.name for each in solids])
    if row.by == "salts":
        return [_Amount("water", "water", told_litres(volume)), *solids]
    if row.by == "stock":
        return [*_from_stock(given, row, volume, solids), *solids]
    parts = given.parts or [PouredPart(name=p.name, role=p.role, parts=p.parts) for p in row.poured]
    poured = dilute(DiluteInput(parts=parts, volume_l=volume))
    roles = poured.roles
    return [_Amount(name, roles[name], litres) for name, litres in poured.litres.items()]


def _from_stock(
    given: MakeUpInput, row: MakeUpRow, volume: float, solids: list[_Amount]
) -> list[_Amount]:
    """Return ferric and water; water that dissolves the citric acid is taken off the volume."""
    target = _target(given, row) or 0.0
    stock = given.stock_baume or target
    own_water = sum(each.grams or 0.0 for each in solids) / G_PER_KG * CITRIC_WATER_L_PER_KG
    strengths = DiluteInput(
        solute="ferric-chloride", stock=Strength(baume=stock), target=Strength(baume=target),
        volume_l=max(volume - own_water, 0.001),
    )  # fmt: skip
    poured = dilute(strengths)
    water = poured.water_l + own_water
    ferric = _Amount(FERRIC_NAME, "ferric", told_litres(poured.stock_l))
    return [_Amount("water", "water", told_litres(water)), ferric] if water > 0 else [ferric]


def _grams_per_l(solid: Poured, given: MakeUpInput) -> float:
    return given.salts_g_per_l.get(solid.name, solid.grams_per_l)


def _known_salts(given: MakeUpInput, names: list[str]) -> None:
    strange = sorted(set(given.salts_g_per_l) - set(names))
    if strange:
        raise CoreError(
            "strange-salt", f"{MORDANTS[given.mordant].label} is made up without {strange[0]}.",
            field=f"salts_g_per_l.{strange[0]}", value=strange[0],
            allowed=", ".join(names) or "none",
        )  # fmt: skip


def _cost(amount: _Amount, prices: dict[str, float]) -> float | None:
    if amount.role == "water" and amount.name not in prices:
        return 0.0
    if amount.name not in prices:
        return None
    much = amount.litres if amount.litres is not None else (amount.grams or 0.0) / G_PER_KG
    return round(prices[amount.name] * much, 2)


WARNINGS: dict[Role, str] = {
    "acid": "Heat and fumes: extraction on, goggles and gloves, a thin stream into the water.",
    "ferric": "It warms and stains: goggles and gloves, pour low and slowly.",
    "alkali": "It burns eyes and skin: goggles, gloves, air.",
}


def _pour(amounts: list[_Amount], row: MakeUpRow) -> list[Pouring]:
    steps = [
        Pouring(
            text=f"{'First' if place == 0 else 'Then'} {each.name}: {_much(each)}"
            + (", stirred until it is clear" if each.grams is not None else ""),
            warning=WARNINGS.get(each.role) if each.grams is None else None,
        )
        for place, each in enumerate(amounts)
    ]
    return [*steps, Pouring(text=row.settles, warning=row.heat)]


def _much(amount: _Amount) -> str:
    if amount.grams is not None:
        return f"{amount.grams:.0f} g"
    litres = amount.litres or 0.0
    return f"{litres:.2f} L" if litres >= 0.1 else f"{litres * 1000:.0f} mL"


def _label(given: MakeUpInput, row: MakeUpRow, volume: float) -> list[str]:
    """Return the lines of the label; whose it is and the day are written by who prints it."""
    mordant = MORDANTS[given.mordant]
    target = _target(given, row)
    caution = CAUTIONS[mordant.caution]
    return [
        given.name or mordant.label,
        mordant.label + (f", {target:g} °Bé" if target else "") + f", {volume:.3g} L",
        f"For {mordant.metal} only.",
        f"{caution.title}. {caution.text}",
        f"If it goes wrong: {caution.now}",
        "Never down the drain.",
    ]
