"""Kinds of tasks, in one registry; the noun that a task is of adds its row."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from server.tasks.models import Task


@dataclass(frozen=True)
class Kind:
    """A calculator that is run for a room, and what follows from its answer."""

    calculator: str
    """Its name in ``core.calculators``; the kind's name, too."""
    action: str
    """Of the roles table: who may ask for it, and stop it."""
    prepare: Callable[[Task], dict[str, Any]]
    """Return the calculator's input."""
    keep: Callable[[Task], None]
    """Write what follows from ``task.result``, in the transaction that ends the task."""


KINDS: dict[str, Kind] = {}


def add_kind(kind: Kind) -> None:
    """Add a row to the registry."""
    KINDS[kind.calculator] = kind
