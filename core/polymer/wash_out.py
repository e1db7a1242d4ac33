"""Wash-out of an exposed plate: how long, and what too long or too short did."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field

from core.bath.posterior import BAND_SDS
from core.data.polymer import OVER_WASHED, UNDER_WASHED, WASH_HALVES_C, WASH_MINUTES
from core.polymer.shapes import ExposureSeconds
from core.schema import Shape

_REFERENCE_C = 20.0
_WARM_C = 30.0
"""Warmer water softens what is hard. ``room-practice``"""


VERDICT_SHARES: tuple[tuple[float | None, float, Literal["short", "right", "long"]], ...] = (
    (UNDER_WASHED, 0.4, "short"), (math.sqrt(UNDER_WASHED), 0.6, "short"),
    (math.sqrt(OVER_WASHED), 1.0, "right"), (OVER_WASHED, 1.35, "long"), (None, 1.7, "long"),
)  # fmt: skip
"""Up to which share of the time a verdict holds, a share inside it, and what it amounts to."""


class WashOutInput(Shape):
    """The water, and how long the plate was washed out; None before it was."""

    temperature_c: Annotated[float, Field(ge=2, le=50, json_schema_extra={"unit": "°C"})] = 20.0
    seconds: ExposureSeconds | None = None
    own_seconds: ExposureSeconds | None = None
    """What this room needs at 20 °C, where it knows."""


class WashOutOutput(Shape):
    """How long to wash out, and what was made of it."""

    seconds: float
    low: float
    high: float
    share: float | None
    """Of the time needed that it was washed."""
    verdict: Literal["to-do", "under", "short", "right", "long", "over"]
    text: str
    check: str


def wash_out(given: WashOutInput) -> WashOutOutput:
    """Return how long a plate is washed out, and what too much or too little does.

    Parameters
    ----------
    given : WashOutInput
        Water [°C], time [s].

    Returns
    -------
    WashOutOutput

    Notes
    -----
    t = t₂₀ · 2^((20 − T)/10); half as long again loses dots under 5 %, half too short leaves darks
    closed. Source: ``room-practice``.
    """
    slower = 2 ** ((_REFERENCE_C - given.temperature_c) / WASH_HALVES_C)
    usual = given.own_seconds or WASH_MINUTES.value * 60
    spread = 0.0 if given.own_seconds else WASH_MINUTES.spread * 60
    needed = usual * slower
    reach = BAND_SDS * max(spread, 0.05 * usual) * slower
    share = None if given.seconds is None else given.seconds / needed
    verdict, text = _verdict(share)
    warm = " Water over 30 °C softens what is hard." if given.temperature_c > _WARM_C else ""
    return WashOutOutput(
        seconds=round(needed, 1), low=round(max(1.0, needed - reach), 1),
        high=round(needed + reach, 1), share=None if share is None else round(share, 3),
        verdict=verdict, text=text + warm,
        check="Clear when the ground of the darks looks dull and feels rough, never slimy.",
    )  # fmt: skip


def _verdict(
    share: float | None,
) -> tuple[Literal["to-do", "under", "short", "right", "long", "over"], str]:
    if share is None:
        return "to-do", "Soft brush, in circles, the water changed when it is milky."
    middle = math.sqrt(OVER_WASHED)
    if share >= OVER_WASHED:
        return "over", "Over-washed: dots under 5 % are likely gone, so lights may print empty."
    if share > middle:
        return "long", "Long: the finest lights may be thinner."
    if share <= UNDER_WASHED:
        return "under", "Under-washed: darks stay closed and print grey. Wash on before it dries."
    if share < math.sqrt(UNDER_WASHED):
        return "short", "Short: look into the darks with a loupe; wash on while it is wet."
    return "right", "About right."
