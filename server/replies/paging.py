"""Lists come in pages."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, Any, Generic, TypeVar

from django.db.models import Model, QuerySet
from ninja import Query
from pydantic import BaseModel

from server.replies.broken import Broken, shown_of

PAGE_SIZE = 100
PageNumber = Annotated[int, Query(ge=1, le=100_000)]
"""From 1: ten million rows are more than any list has."""

Row = TypeVar("Row", bound=Model)
Out = TypeVar("Out")


class Page(BaseModel, Generic[Out]):
    """One page of a list; ``total`` counts the whole list."""

    items: list[Out]
    broken: list[Broken] = []
    """Rows of this page that cannot be shown."""
    total: int
    page: int
    page_size: int


def page_of(rows: QuerySet[Row], page: int, shape: Callable[[Row], Out]) -> Page[Any]:
    """Return page ``page`` (from 1) of rows, each shaped."""
    return page_at_once(rows, page, lambda found: [shown_of(row, shape) for row in found])


def page_at_once(
    rows: QuerySet[Row], page: int, shape: Callable[[list[Row]], list[Out | Broken]]
) -> Page[Any]:
    """Return page ``page`` (from 1) of rows, shaped together, so that they are asked for once."""
    start = (page - 1) * PAGE_SIZE
    found = shape(list(rows[start : start + PAGE_SIZE]))
    return Page[Any](
        items=[each for each in found if not isinstance(each, Broken)],
        broken=[each for each in found if isinstance(each, Broken)],
        total=rows.count(),
        page=page,
        page_size=PAGE_SIZE,
    )
