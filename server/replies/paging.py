"""Lists come in pages."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Generic, TypeVar

from django.db.models import Model, QuerySet
from pydantic import BaseModel

PAGE_SIZE = 100

Row = TypeVar("Row", bound=Model)
Out = TypeVar("Out")


class Page(BaseModel, Generic[Out]):
    """One page of a list; ``total`` counts the whole list."""

    items: list[Out]
    total: int
    page: int
    page_size: int


def page_of(rows: QuerySet[Row], page: int, shape: Callable[[Row], Out]) -> Page[Any]:
    """Return page ``page`` (from 1) of rows, each shaped."""
    return page_at_once(rows, page, lambda found: [shape(row) for row in found])


def page_at_once(
    rows: QuerySet[Row], page: int, shape: Callable[[list[Row]], list[Out]]
) -> Page[Any]:
    """Return page ``page`` (from 1) of rows, shaped together, so that they are asked for once."""
    start = (page - 1) * PAGE_SIZE
    return Page[Any](
        items=shape(list(rows[start : start + PAGE_SIZE])),
        total=rows.count(),
        page=page,
        page_size=PAGE_SIZE,
    )
