"""The numbers of states."""

from __future__ import annotations


def roman(number: int) -> str:
    """Return a state's Roman number."""
    pairs = ((50, "L"), (40, "XL"), (10, "X"), (9, "IX"), (5, "V"), (4, "IV"), (1, "I"))
    text = ""
    for value, sign in pairs:
        text += sign * (number // value)
        number %= value
    return text
