"""The shop book as it stands in a room."""

from __future__ import annotations

from typing import Any, get_args

from core.data.cautions import CAUTIONS
from core.data.grounds import GROUNDS, TEXTURES, TRANSFERS
from core.data.mordants import METALS, MORDANTS, TABLES_VERSION
from core.data.solvents import DISSOLVED_BY, LAYER_LABELS, SOLVENTS
from core.data.steps import STEPS
from server.rooms.models import Room
from server.shopbook.actions.numbers import standing_numbers, unit_of_column
from server.shopbook.models import OwnNumber
from server.shopbook.schemas import NumberCell, NumberColumn, OwnNumberOut, ShopBook, Table


def shop_book(room: Room) -> ShopBook:
    """Return the tables of the core and the numbers as this room has them."""
    return ShopBook(
        version=TABLES_VERSION,
        tables=[_grounds(), _textures(), _transfers(), _solvents(), _steps(), _cautions(),
                _metals()],
        numbers=_numbers(room),
    )  # fmt: skip


def _numbers(room: Room) -> list[NumberCell]:
    own = {(row.mordant, row.column): row for row in standing_numbers(room.id)}
    cells = []
    for mordant in MORDANTS.values():
        for column in get_args(NumberColumn):
            mine = own.get((mordant.key, column))
            table = float(getattr(mordant, column))
            cells.append(
                NumberCell(
                    mordant=mordant.key, label=f"{mordant.label}, for {mordant.metal}",
                    column=column, unit=unit_of_column(column), table_value=table,
                    value=mine.value if mine and mine.value is not None else table,
                    own=own_number_out(mine) if mine else None,
                )
            )  # fmt: skip
    return cells


def own_number_out(row: OwnNumber) -> OwnNumberOut:
    """Return a correction with who and when."""
    return OwnNumberOut(
        id=row.id, mordant=row.mordant, column=row.column, value=row.value, reason=row.reason,
        by=row.by.name, at=row.at,
    )  # fmt: skip


def _table(key: str, title: str, about: str, rows: list[dict[str, Any]]) -> Table:
    return Table(key=key, title=title, about=about, columns=list(rows[0]), rows=rows)


def _range(pair: tuple[float, float] | None, unit: str) -> str:
    return "" if pair is None else f"{pair[0]:g} to {pair[1]:g} {unit}"


def _grounds() -> Table:
    return _table("grounds", "Grounds", "How each goes on, and its check.", [
        {"ground": row.label, "how": row.how, "heat": _range(row.heat_c, "°C"),
         "film": row.film, "wait": f"{row.wait_minutes} min", "check": row.check}
        for row in GROUNDS.values()
    ])  # fmt: skip


def _textures() -> Table:
    return _table("textures", "Textures for soft ground", "Thin and soft only.", [
        {"texture": row.label, "mark": row.mark, "care": row.harm} for row in TEXTURES.values()
    ])  # fmt: skip


def _transfers() -> Table:
    return _table("transfers", "Transfers", "How a drawing comes onto the plate.", [
        {"way": row.label, "steps": " ".join(row.steps), "care": row.care}
        for row in TRANSFERS.values()
    ])  # fmt: skip


def _solvents() -> Table:
    return _table("solvents", "What dissolves what", "The mildest that does it, first.", [
        {"layer": LAYER_LABELS[layer],
         "comes off with": ", ".join(SOLVENTS[key].label.lower() for key in keys),
         "never on": "; ".join(f"{material}: {why}" for key in keys
                               for material, why in SOLVENTS[key].harms)}
        for layer, keys in DISSOLVED_BY.items()
    ])  # fmt: skip


def _steps() -> Table:
    return _table("steps", "Steps", "Starting guesses of time, for about 300 cm².", [
        {"step": row.title, "why": row.why, "good": row.good, "hands": f"{row.hands} min",
         "waits": f"{row.wait} min" if row.wait else ""}
        for row in STEPS.values()
    ])  # fmt: skip


def _cautions() -> Table:
    return _table("cautions", "Cautions", "The supplier's sheet and local rules come first.", [
        {"caution": row.title, "what": row.text, "if it went wrong": row.now}
        for row in CAUTIONS.values()
    ])  # fmt: skip


def _metals() -> Table:
    return _table("metals", "Plate materials", "Density, for weighing a coupon.", [
        {"material": row.label, "density": f"{row.density_g_per_cm3:g} g/cm³"}
        for row in METALS.values()
    ])  # fmt: skip
