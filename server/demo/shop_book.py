"""The demo room's own numbers, recipes and tools."""

from __future__ import annotations

from datetime import datetime, timedelta

from server.accounts.models import User
from server.demo.tablet import MakeId
from server.demo.when import at_work
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.shopbook.actions.keep import keep_recipe, keep_tool
from server.shopbook.actions.numbers import correct_number
from server.shopbook.schemas import OwnNumberIn, RecipeIn, RecipeKind, ToolIn, ToolKind

RECIPES: tuple[tuple[str, RecipeKind, str], ...] = (
    ("Quay soft ground", "ground",
     "Two parts ball ground, one part tallow, melted in a water bath.\nRoll at 75 °C, two passes."),
    ("Degreaser, 200 mL", "other",
     "Whiting to a cream with water, then ammonia 1 + 20: 10 mL into 190 mL of water."),
)  # fmt: skip
TOOLS: tuple[tuple[str, ToolKind, float | None, int], ...] = (
    ("Fine needle", "needle", 40.0, 20),
    ("Middle needle", "needle", 50.0, 20),
    ("Broad needle", "needle", 80.0, 45),
    ("Three-edged scraper", "scraper", None, 12),
    ("Leather roller", "roller", None, 0),
)


def load_shop_book(room: Room, keeper: User, now: datetime, make_id: MakeId) -> None:
    """Load what the room has found out for itself."""
    with told_from(at_work(now) - timedelta(days=30), timedelta(minutes=10)):
        _keep(room, keeper, now, make_id)


def _keep(room: Room, keeper: User, now: datetime, make_id: MakeId) -> None:
    for name, kind, text in RECIPES:
        keep_recipe(keeper, room.id, RecipeIn(id=make_id(name), name=name, kind=kind, text=text))
    for name, tool, width, days in TOOLS:
        sharpened = (now - timedelta(days=days)).date() if days else None
        keep_tool(
            keeper, room.id,
            ToolIn(id=make_id(name), name=name, kind=tool, width_um=width, sharpened_on=sharpened),
        )  # fmt: skip
    correct_number(
        keeper, room.id,
        OwnNumberIn(
            id=make_id("own rate"), mordant="zinc-nitric-10", column="rate_um_per_min", value=4.6,
            reason="Two coupons weighed in October.",
        ),
    )  # fmt: skip
