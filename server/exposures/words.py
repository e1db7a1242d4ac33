"""A reading of a lamp in words."""

from __future__ import annotations

from typing import Any

from core.units import clock_text


def reading_words(said: dict[str, Any]) -> str:
    """Return what a reading says, for the record and its list."""
    at = f"at {round(said['hours'], 1):g} h"
    if said["kind"] == "irradiance":
        return f"{said['mw_per_cm2']:g} mW/cm² {at}"
    if said["kind"] == "dose":
        return f"{said['mj_per_cm2']:g} mJ/cm² in {clock_text(said['seconds'])} {at}"
    return f"wedge held step {said['held_step']:g} in {clock_text(said['seconds'])} {at}"
