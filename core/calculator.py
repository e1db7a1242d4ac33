"""A named calculator: one typed input, one typed output."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from importlib import import_module
from typing import TYPE_CHECKING, Any, get_type_hints

from core.budget import ORDINARY, Budget

if TYPE_CHECKING:
    from pydantic import BaseModel


@dataclass(frozen=True)
class Calculator:
    """A pure function of the core with its one-line description.

    What it stands on is imported when it is asked for: to name them all costs reading the rows.
    """

    name: str
    where: str
    """Module and function, ``core.tone.fit_strip:fit_strip``."""
    summary: str
    """The first sentence of its input's docstring."""
    budget: Budget = ORDINARY
    """What one calculation may take of the machine."""
    reads_files: bool = False
    """It is given paths: over HTTP they would name files of the server's own."""

    @cached_property
    def run(self) -> Callable[..., BaseModel]:
        """Return the function: one typed input, one typed output."""
        module, function = self.where.split(":")
        return getattr(import_module(module), function)

    @property
    def input(self) -> type[BaseModel]:
        """Return the shape of what it is given."""
        return self._shapes[0]

    @property
    def output(self) -> type[BaseModel]:
        """Return the shape of what it answers."""
        return self._shapes[1]

    @cached_property
    def _shapes(self) -> tuple[type[BaseModel], type[BaseModel]]:
        hints = get_type_hints(self.run)
        return hints["given"], hints["return"]

    @cached_property
    def tells(self) -> bool:
        """Return whether it takes so long that it tells how far it is."""
        return "tell" in get_type_hints(self.run)

    def schema(self) -> dict[str, Any]:
        """Return the JSON Schemas of input and output."""
        return {
            "name": self.name,
            "input": self.input.model_json_schema(),
            "output": self.output.model_json_schema(mode="serialization"),
        }
