"""The shop book's endpoints."""

from __future__ import annotations

from uuid import UUID

from django.db.models import QuerySet
from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter
from server.shopbook.actions.keep import keep_recipe, keep_tool
from server.shopbook.actions.look import own_number_out, shop_book
from server.shopbook.actions.numbers import correct_number
from server.shopbook.actions.presses import keep_press
from server.shopbook.actions.supplies import keep_ink, keep_paper, keep_supply
from server.shopbook.actions.swatch import ask_for_swatch
from server.shopbook.models import OwnNumber, Press, Recipe, Supply, Tool
from server.shopbook.reads import ink_out, paper_out, press_out
from server.shopbook.schemas import (
    InkIn,
    InkOut,
    OwnNumberIn,
    OwnNumberOut,
    PaperKindIn,
    PaperKindOut,
    PressIn,
    PressProfileOut,
    RecipeIn,
    RecipeOut,
    ShopBook,
    SupplyIn,
    SupplyOut,
    SwatchIn,
    ToolIn,
    ToolOut,
)
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["shop book"])
KEEPS = {403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}
KEPT = {200: RecipeOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}


@router.get("/shop-book", response={200: ShopBook, 404: ErrorReply})
def get_shop_book(request: HttpRequest, room: RoomId) -> ShopBook:
    """Show the tables, and the numbers as they stand in this room."""
    return shop_book(enter(signed_in(request), room, "look"))


@router.get("/numbers", response={200: Page[OwnNumberOut], 404: ErrorReply})
def get_numbers(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[OwnNumberOut]:
    """List every correction, the newest first."""
    place = enter(signed_in(request), room, "look")
    rows = OwnNumber.objects.filter(room=place).select_related("by")
    return page_of(rows, page, own_number_out)


@router.post(
    "/numbers",
    response={201: OwnNumberOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def post_number(
    request: HttpRequest, room: RoomId, payload: OwnNumberIn
) -> tuple[int, OwnNumberOut]:
    """Correct a number; keepers only."""
    return 201, own_number_out(correct_number(signed_in(request), room, payload))


@router.get("/recipes", response={200: Page[RecipeOut], 404: ErrorReply})
def get_recipes(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[RecipeOut]:
    """List the room's own recipes."""
    place = enter(signed_in(request), room, "look")
    rows = Recipe.objects.filter(room=place).select_related("by").order_by("kind", "name")
    return page_of(rows, page, recipe_out)


@router.put("/recipes", response=KEPT)
def put_recipe(request: HttpRequest, room: RoomId, payload: RecipeIn) -> RecipeOut:
    """Keep a recipe, new or changed."""
    return recipe_out(keep_recipe(signed_in(request), room, payload))


@router.get("/supplies", response={200: Page[SupplyOut], 404: ErrorReply})
def get_supplies(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[SupplyOut]:
    """List the papers, inks and ways of wiping."""
    place = enter(signed_in(request), room, "look")
    rows = Supply.objects.filter(room=place).order_by("kind", "put_away", "name")
    return page_of(rows, page, supply_out)


@router.put(
    "/supplies", response={200: SupplyOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}
)
def put_supply(request: HttpRequest, room: RoomId, payload: SupplyIn) -> SupplyOut:
    """Keep a paper, an ink or a wipe, new or changed."""
    return supply_out(keep_supply(signed_in(request), room, payload))


@router.get("/papers", response={200: Page[PaperKindOut], 404: ErrorReply})
def get_papers(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[PaperKindOut]:
    """List the papers with their sheets and their damping."""
    return page_of(_supplies(request, room, "paper"), page, paper_out)


@router.put("/papers", response={200: PaperKindOut, **KEEPS})
def put_paper(request: HttpRequest, room: RoomId, payload: PaperKindIn) -> PaperKindOut:
    """Keep a paper, new or changed."""
    return paper_out(keep_paper(signed_in(request), room, payload))


@router.get("/inks", response={200: Page[InkOut], 404: ErrorReply})
def get_inks(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[InkOut]:
    """List the inks with their recipes."""
    return page_of(_supplies(request, room, "ink"), page, ink_out)


@router.put("/inks", response={200: InkOut, **KEEPS})
def put_ink(request: HttpRequest, room: RoomId, payload: InkIn) -> InkOut:
    """Keep an ink, new or changed."""
    return ink_out(keep_ink(signed_in(request), room, payload))


@router.post(
    "/inks/{uuid:ink}/swatch",
    response={202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def post_swatch(
    request: HttpRequest, room: RoomId, ink: UUID, payload: SwatchIn
) -> tuple[int, TaskOut]:
    """Read an ink's colour off a scan of its draw-down, as a task."""
    return 202, task_out(ask_for_swatch(signed_in(request), room, ink, payload))


@router.get("/presses", response={200: Page[PressProfileOut], 404: ErrorReply})
def get_presses(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[PressProfileOut]:
    """List the presses."""
    place = enter(signed_in(request), room, "look")
    return page_of(Press.objects.filter(room=place).order_by("put_away", "name"), page, press_out)


@router.put("/presses", response={200: PressProfileOut, **KEEPS})
def put_press(request: HttpRequest, room: RoomId, payload: PressIn) -> PressProfileOut:
    """Keep a press, new or changed."""
    return press_out(keep_press(signed_in(request), room, payload))


def _supplies(request: HttpRequest, room: UUID, kind: str) -> QuerySet[Supply]:
    place = enter(signed_in(request), room, "look")
    return Supply.objects.filter(room=place, kind=kind).order_by("put_away", "name")


@router.get("/tools", response={200: Page[ToolOut], 404: ErrorReply})
def get_tools(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[ToolOut]:
    """List the tools."""
    place = enter(signed_in(request), room, "look")
    return page_of(Tool.objects.filter(room=place).order_by("kind", "name"), page, tool_out)


@router.put("/tools", response={200: ToolOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def put_tool(request: HttpRequest, room: RoomId, payload: ToolIn) -> ToolOut:
    """Keep a tool, new or changed."""
    return tool_out(keep_tool(signed_in(request), room, payload))


def recipe_out(recipe: Recipe) -> RecipeOut:
    """Return a recipe as it stands."""
    facts = {key: getattr(recipe, key) for key in RecipeIn.model_fields}
    return RecipeOut(**facts, by=recipe.by.name, changed_at=recipe.changed_at)


def supply_out(supply: Supply) -> SupplyOut:
    """Return a paper, an ink or a wipe as it stands."""
    return SupplyOut.model_validate(supply, from_attributes=True)


def tool_out(tool: Tool) -> ToolOut:
    """Return a tool as it stands."""
    return ToolOut.model_validate(tool, from_attributes=True)
