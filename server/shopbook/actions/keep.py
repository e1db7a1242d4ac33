"""Keep the room's own recipes and tools."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.record.actions.write import write
from server.rooms.permissions import add, change, enter
from server.shopbook.models import Recipe, Tool
from server.shopbook.schemas import RecipeIn, ToolIn


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
        recipe = add(Recipe(id=given.id, room=room, by=user, **facts))
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
        tool = add(Tool(id=given.id, room=room, **facts))
    else:
        tool = change(Tool, room, given.id, given.version)
        for field, value in facts.items():
            setattr(tool, field, value)
        tool.save()
    sharp = f", sharpened {tool.sharpened_on}" if tool.sharpened_on else ""
    width = f", {tool.width_um:g} µm" if tool.width_um else ""
    write(room, user, "tool", f"{tool.name} ({tool.kind}){width}{sharp}.")
    return tool
