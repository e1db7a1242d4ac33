"""Ink, film and warmth → how long ink on a bare plate stays open."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.data.layers import OPEN_FACTOR, OPEN_HALVES_PER_C, OPEN_MINUTES, OpenInk
from core.schema import Shape


class InkOpenInput(Shape):
    """An ink, how thick it lies and how warm the room is."""

    ink: OpenInk = "oil"
    temperature_c: Annotated[float, Field(ge=0, le=45, json_schema_extra={"unit": "°C"})] = 20.0
    thick: bool = False
    """Painted on, not rolled thin: about half as long again."""
    fan: bool = False
    """A draught over the plate: half as long."""
    measured_minutes: (
        Annotated[float, Field(gt=0, le=10_000, json_schema_extra={"unit": "min"})] | None
    ) = None
    """The room's own, at this temperature."""


class InkOpenOutput(Shape):
    """Minutes until the film no longer gives."""

    minutes: float
    low: float
    high: float
    measured: bool
    label: str
    text: str


_THICK, _FAN, _OWN = 1.5, 0.5, 1.15
"""``room-practice``"""


def ink_open(given: InkOpenInput) -> InkOpenOutput:
    """Return how long ink stays open on a plate.

    Parameters
    ----------
    given : InkOpenInput

    Returns
    -------
    InkOpenOutput
        [min], 95 %.

    Notes
    -----
    The table's minutes, halved every 10 °C. Source: ``room-practice``.
    """
    label, usual = OPEN_MINUTES[given.ink]
    minutes = usual * 2 ** ((20.0 - given.temperature_c) / OPEN_HALVES_PER_C)
    minutes *= (_THICK if given.thick else 1.0) * (_FAN if given.fan else 1.0)
    own = given.measured_minutes
    factor = OPEN_FACTOR if own is None else _OWN
    told = minutes if own is None else own
    whence = "a guess" if own is None else "as measured here"
    return InkOpenOutput(
        minutes=round(told, 1), low=round(told / factor, 1), high=round(told * factor, 1),
        measured=own is not None, label=label,
        text=f"Open for about {_long(told)} ({_long(told / factor)} to {_long(told * factor)}), "
        f"{whence}.",
    )  # fmt: skip


def _long(minutes: float) -> str:
    if minutes < 90:
        return f"{minutes:.0f} min"
    return f"{minutes / 60:.0f} h" if minutes >= 600 else f"{minutes / 60:.1f} h"
