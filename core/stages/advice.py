"""What a proof asks for next: one line of advice for each area, with its doubt."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import Field

from core.kinetics.bath import bath_speed
from core.kinetics.shapes import CurveBath
from core.schema import Shape
from core.stages.shapes import AreaName
from core.tone.no_strip import guess_curve
from core.tone.shapes import Curve, Lightness
from core.tone.table import GRID_SECONDS, ToneTable, band, table_of
from core.units import clock_text, to_five

Array = NDArray[np.float64]

LEAVE_LSTAR = 3.0
"""Within this of the wanted tone a printed area is left as it is."""
ALL_ALIKE_LSTAR = 1.5
"""When all areas miss by the same within this, the printing is at fault before the plate."""
LARGE_BURNISH_LSTAR = 20.0


class ReadArea(Shape):
    """An area of a proof: what was wanted and what was read off it."""

    name: AreaName
    wanted_lstar: Lightness
    read_lstar: Lightness


class AdviseInput(Shape):
    """A proof's tones beside the wanted ones, with the strip and bath to bite on with."""

    areas: Annotated[list[ReadArea], Field(max_length=40)]
    curve: Curve | None = None
    bath: CurveBath


class AreaAdvice(Shape):
    """One line for one area. ``seconds`` are by the clock in the bath given."""

    name: str
    off_lstar: float
    """Read minus wanted: above zero is too light."""
    act: Literal["leave", "bite", "burnish"]
    seconds: float | None = None
    seconds_low: float | None = None
    seconds_high: float | None = None
    text: str


class AdviseOutput(Shape):
    """Advice for each area, and for the whole proof first where the printing is in doubt."""

    areas: list[AreaAdvice]
    first: str | None


def advise(given: AdviseInput) -> AdviseOutput:
    """Return what to do next for each area of a proof.

    Parameters
    ----------
    given : AdviseInput
        Tones [L*].

    Returns
    -------
    AdviseOutput
        Times by the clock [s].
    """
    curve = given.curve or guess_curve(given.bath.mordant, given.bath.numbers)
    table = table_of(curve)
    speed = bath_speed(given.bath, curve.conditions, len(table.lstar))
    pace = speed.at(given.bath.temperature_c, given.bath.load_g_per_l)
    return AdviseOutput(
        areas=[_area(area, table, pace, curve.measured) for area in given.areas],
        first=_printing_first(given.areas),
    )


def _printing_first(areas: list[ReadArea]) -> str | None:
    off = np.array([area.read_lstar - area.wanted_lstar for area in areas])
    if len(off) < 3 or abs(off.mean()) <= LEAVE_LSTAR or off.std() > ALL_ALIKE_LSTAR:
        return None
    way = "light" if off.mean() > 0 else "dark"
    cause = (
        "a first pull, a hard wipe or a slack press"
        if way == "light"
        else "a soft wipe or much ink"
    )
    return (
        f"All areas are too {way} by about {abs(off.mean()):.0f} L*. That looks like printing "
        f"({cause}), not the plate. Pull again before you touch the plate."
    )


def _area(area: ReadArea, table: ToneTable, pace: Array, measured: bool) -> AreaAdvice:
    off = area.read_lstar - area.wanted_lstar
    if abs(off) <= LEAVE_LSTAR:
        return _line(area, off, "leave", f"Leave. Inside ±{LEAVE_LSTAR:g} L*.")
    if off < 0:
        return _burnish(area, -off)
    return _bite(area, table, pace, measured)


def _line(area: ReadArea, off: float, act: Literal["leave", "burnish"], text: str) -> AreaAdvice:
    return AreaAdvice(name=area.name, off_lstar=round(off, 1), act=act, text=text)


def _burnish(area: ReadArea, dark_by: float) -> AreaAdvice:
    text = f"Burnish {dark_by:.0f} L* up, then degrease and proof."
    if dark_by >= LARGE_BURNISH_LSTAR:
        text = (
            f"{dark_by:.0f} L* too dark: scrape, then burnish. For a large area a new plate may be "
            "shorter."
        )
    return _line(area, -dark_by, "burnish", text)


def _bite(area: ReadArea, table: ToneTable, pace: Array, measured: bool) -> AreaAdvice:
    there, wanted = (
        times_of(table, np.full(len(table.lstar), tone))
        for tone in (area.read_lstar, area.wanted_lstar)
    )
    clock = (wanted - there) / pace + table.wetting
    low, high = band(clock)
    middle = float(np.median(clock))
    doubt = "" if measured else " A guess: there is no strip."
    return AreaAdvice(
        name=area.name,
        off_lstar=round(area.read_lstar - area.wanted_lstar, 1),
        act="bite",
        seconds=to_five(middle),
        seconds_low=to_five(low),
        seconds_high=to_five(high),
        text=f"Bite {clock_text(middle)} more ({clock_text(low)} to {clock_text(high)}).{doubt}",
    )


def times_of(table: ToneTable, lstars: Array) -> Array:
    """Return the reference seconds at which each draw of a curve reaches its tone.

    Parameters
    ----------
    table : ToneTable
    lstars : array (draws,) [L*]

    Returns
    -------
    array (draws,) [s]
    """
    pairs = zip(table.lstar, lstars, strict=True)
    return np.array([np.interp(-lstar, -row, GRID_SECONDS) for row, lstar in pairs])
