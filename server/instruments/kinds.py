"""Kinds of instruments, and which readings each may send."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

InstrumentKind = Literal["bath-probe", "scale", "hydrometer", "densitometer", "exposure"]
ReadingKind = Literal["temperature", "mass", "baume", "lstar", "density", "dose"]


@dataclass(frozen=True)
class Quantity:
    """What is read: its unit, and between which values it is believed."""

    unit: str
    least: float
    most: float


QUANTITIES: dict[str, Quantity] = {
    "temperature": Quantity("°C", 0.0, 60.0),
    "mass": Quantity("g", 0.0, 100_000.0),
    "baume": Quantity("°Bé", 0.0, 60.0),
    "lstar": Quantity("L*", 0.0, 105.0),
    "density": Quantity("D", -0.1, 4.0),
    "dose": Quantity("mJ/cm²", 0.0, 1_000_000.0),
}
SENDS: dict[str, tuple[str, ...]] = {
    "bath-probe": ("temperature",),
    "scale": ("mass",),
    "hydrometer": ("baume",),
    "densitometer": ("lstar", "density"),
    "exposure": ("dose",),
}
LEAST_SILENCE_SECONDS = 20.0
"""A probe that said nothing for so long is silent. ``room-practice``"""
SILENT_AFTER = 2.5
"""Or for so many of its own steps, where it speaks seldom."""


def silent_after(every_seconds: float) -> float:
    """Return after how many seconds without a word an instrument is silent."""
    return max(LEAST_SILENCE_SECONDS, SILENT_AFTER * every_seconds)
