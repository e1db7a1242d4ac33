"""Keep the room's own recipes and tools."""

from __future__ import annotations

import uuid
from typing import Any, TypeVar

from django.db import transaction

from server.accounts.models import User
from server.record.actions.write import write
from server.replies.errors import Stale
from server.rooms.models import RoomThing
from server.rooms.permissions import add, change, enter
from server.shopbook.models import Recipe, Tool
from server.shopbook.schemas import RecipeIn, ToolIn

Thing = TypeVar("Thing", bound=RoomThing)


def same(stored: Thing, facts: dict[str, Any]) -> Thing:
    """Return what is stored already, where it is what was sent.

    Raises
    ------
    Stale
        It was stored with something else in it.
    """
    if any(getattr(stored, name) != value for name, value in facts.items()):
        raise Stale(
            "stale", "That is here already, with something else in it. Yours is kept here; look at "
            "theirs, then save again.", field="version", value=0, allowed=str(stored.version),
        )  # fmt: skip
    return stored


@transaction.atomic
def keep_recipe(user: User, room_id: uuid.UUID, given: RecipeIn) -> Recipe:
    """Return the stored recipe, new or changed.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep recipes")
    facts = given.model_dump(exclude={"id", "version"})
    if given.version == 0:
        recipe, new = add(Recipe(id=given.id, room=room, by=user, **facts))
        if not new:
            return same(recipe, facts)
    else:
        recipe = change(Recipe, room, given.id, given.version)
        recipe.name, recipe.kind, recipe.text, recipe.by = (*facts.values(), user)
        recipe.save()
    write(room, user, "recipe", f"Recipe {recipe.name} kept.", data=facts)
    return recipe


@transaction.atomic
def keep_tool(user: User, room_id: uuid.UUID, given: ToolIn) -> Tool:
    """Return the stored tool, new or changed.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep recipes")
    facts = given.model_dump(exclude={"id", "version"})
    if given.version == 0:
        tool, new = add(Tool(id=given.id, room=room, **facts))
        if not new:
            return same(tool, facts)
    else:
        tool = change(Tool, room, given.id, given.version)
        for field, value in facts.items():
            setattr(tool, field, value)
        tool.save()
    sharp = f", sharpened {tool.sharpened_on}" if tool.sharpened_on else ""
    width = f", {tool.width_um:g} µm" if tool.width_um else ""
    write(room, user, "tool", f"{tool.name} ({tool.kind}){width}{sharp}.")
    return tool
