"""The registry of named calculators: one typed input, one typed output each."""

from __future__ import annotations

import json
from typing import TYPE_CHECKING

from core.calculator import Calculator
from core.calculator_rows import ROWS
from core.errors import CoreError, UnknownCalculator
from core.progress import Tell, untold

if TYPE_CHECKING:
    from pydantic import BaseModel

LONGEST_SHOWN_TEXT = 200

REGISTRY: dict[str, Calculator] = {calculator.name: calculator for calculator in ROWS}


def calculator(name: str) -> Calculator:
    """Return the calculator of a name.

    Parameters
    ----------
    name : str

    Returns
    -------
    Calculator

    Raises
    ------
    UnknownCalculator
        There is none of that name.
    """
    if name not in REGISTRY:
        raise UnknownCalculator(
            "unknown-calculator",
            f"There is no calculator named {name!r}.",
            field="name",
            value=name,
            allowed=", ".join(REGISTRY),
        )
    return REGISTRY[name]


def compute(name: str, data: object, tell: Tell = untold) -> BaseModel:
    """Return the typed output for plain data.

    Parameters
    ----------
    name : str
    data : mapping
        Plain JSON data, in the shape of the calculator's input.
    tell : callable
        Is told the share done, where the calculator tells it.

    Returns
    -------
    BaseModel
        The calculator's output.

    Raises
    ------
    CoreError
        Unknown name, or input out of its limits; carries field, value, what is allowed and unit.
    """
    from pydantic import ValidationError

    from core.faults import bad_input

    chosen = calculator(name)
    try:
        given = chosen.input.model_validate(data)
    except ValidationError as error:
        raise bad_input(error, chosen.input) from None
    return chosen.run(given, tell) if chosen.tells else chosen.run(given)


def compute_text(name: str, text: str, tell: Tell = untold) -> BaseModel:
    """Return the typed output for JSON text.

    Parameters
    ----------
    name : str
    text : str
        One JSON object.
    tell : callable
        Is told the share done.

    Returns
    -------
    BaseModel
        The calculator's output.

    Raises
    ------
    CoreError
        As for ``compute``, and where the text is not JSON.
    """
    calculator(name)
    try:
        data = json.loads(text)
    except (ValueError, RecursionError):
        raise CoreError(
            "not-json",
            "The input is not JSON.",
            value=text[:LONGEST_SHOWN_TEXT],
            allowed="one JSON object",
        ) from None
    return compute(name, data, tell)
