"""How damp a sheet was under each colour → by how much colours lie apart, and what to do."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.data.layers import (
    COMES_BACK_SPREAD,
    GROWS_ACROSS,
    GROWS_ACROSS_SPREAD,
    GROWS_ALONG,
    GROWS_ALONG_SPREAD,
    REGISTER_MM,
)
from core.layers.shapes import MOST_PLATES, PlateName, SizeMm
from core.schema import Shape

SheetSide = Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]
Damp = Literal["same", "redamped", "dry"]
GrainWay = Literal["across", "down"]
_BAND = 1.96
_READ_MM = 0.15
"""A steel rule on a damp sheet. ``room-practice``"""


class ColourDamp(Shape):
    """A colour: how damp its sheet was, and its size where it was measured."""

    name: PlateName
    damp: Damp = "same"
    """As the colour before it; damped again; dry."""
    sheet_mm: tuple[SheetSide, SheetSide] | None = None


class PaperGrowthInput(Shape):
    """A sheet, its grain and the colours in the order they are printed."""

    sheet_mm: tuple[SheetSide, SheetSide]
    """Dry."""
    print_mm: SizeMm
    grain: GrainWay = "down"
    """The way its fibres run on the sheet as it lies."""
    colours: Annotated[list[ColourDamp], Field(min_length=1, max_length=MOST_PLATES)]
    tolerance_mm: Annotated[float, Field(ge=0.05, le=5, json_schema_extra={"unit": "mm"})] = (
        REGISTER_MM
    )

    @model_validator(mode="after")
    def _once(self) -> PaperGrowthInput:
        if len({each.name for each in self.colours}) < len(self.colours):
            raise ValueError("colours names each colour once")
        return self


class ColourApart(Shape):
    """How a colour comes to lie on the first, over the whole width and height of the print."""

    name: str
    wider_mm: float
    """Its sheet was so much wider than under the first colour: it prints that much narrower."""
    higher_mm: float
    doubt_mm: float
    """95 %."""
    edge_mm: float
    """Off at a corner, where the middle fits; likely at most."""
    within: bool
    measured: bool
    text: str


class PaperGrowthOutput(Shape):
    """By how much paper takes colours apart."""

    colours: list[ColourApart]
    damp_mm: tuple[float, float]
    """What the damp sheet should measure."""
    title: str
    text: str


def paper_growth(given: PaperGrowthInput) -> PaperGrowthOutput:
    """Return by how much paper takes colours apart.

    Parameters
    ----------
    given : PaperGrowthInput

    Returns
    -------
    PaperGrowthOutput

    Notes
    -----
    Damp, a sheet is 1.0 ± 0.5 % longer across its grain and 0.3 ± 0.2 % along it; damped again it
    comes back to within 0.15 %. What was measured replaces that. Source: ``room-practice``.
    """
    grows = _grows(given.grain)
    first = given.colours[0]
    told, damp = [], first.damp != "dry"
    base = damp
    again = False
    for each in given.colours:
        if each.damp == "dry":
            damp, again = False, True
        elif each.damp == "redamped":
            damp, again = True, True
        told.append(_apart(each, given, grows, damp=damp, base=base, again=again))
    off = [each for each in told if not each.within]
    worst = max(told, key=lambda each: each.edge_mm)
    title, text = _words(off, worst, given)
    damp_mm = tuple(
        round(side * (1 + grow), 1) for side, (grow, _) in zip(given.sheet_mm, grows, strict=True)
    )
    return PaperGrowthOutput(
        colours=told, damp_mm=(damp_mm[0], damp_mm[1]), title=title, text=text,
    )  # fmt: skip


def _grows(grain: GrainWay) -> tuple[tuple[float, float], tuple[float, float]]:
    across, along = (GROWS_ACROSS, GROWS_ACROSS_SPREAD), (GROWS_ALONG, GROWS_ALONG_SPREAD)
    return (across, along) if grain == "down" else (along, across)


def _apart(
    colour: ColourDamp, given: PaperGrowthInput, grows: tuple[tuple[float, float], ...], *,
    damp: bool, base: bool, again: bool,
) -> ColourApart:  # fmt: skip
    first = given.colours[0]
    if colour.sheet_mm is not None and first.sheet_mm is not None:
        share = [a / b - 1 for a, b in zip(colour.sheet_mm, first.sheet_mm, strict=True)]
        doubt = [_READ_MM * 2**0.5 / side for side in given.sheet_mm]
        if colour is first:
            doubt = [0.0, 0.0]
        measured = True
    else:
        way = int(damp) - int(base)
        share = [way * grow for grow, _ in grows]
        comes = COMES_BACK_SPREAD if again and colour is not first else 0.0
        doubt = [math.hypot(abs(way) * spread, comes) for _, spread in grows]
        measured = False
    by = [part * side for part, side in zip(share, given.print_mm, strict=True)]
    unsure = [_BAND * part * side for part, side in zip(doubt, given.print_mm, strict=True)]
    edge = math.hypot(*(abs(a) / 2 + b / 2 for a, b in zip(by, unsure, strict=True)))
    return ColourApart(
        name=colour.name, wider_mm=round(by[0], 2), higher_mm=round(by[1], 2),
        doubt_mm=round(math.hypot(*unsure), 2), edge_mm=round(edge, 2),
        within=edge <= given.tolerance_mm, measured=measured,
        text=_says(colour, first, given, by, edge),
    )  # fmt: skip


def _says(
    colour: ColourDamp, first: ColourDamp, given: PaperGrowthInput, by: list[float], edge: float
) -> str:
    if edge <= given.tolerance_mm:
        return "It fits."
    if colour.sheet_mm is None or first.sheet_mm is None:
        return f"Measure the sheet before {colour.name}: likely off by up to {edge:.1f} mm."
    way = "Let it dry" if by[0] + by[1] > 0 else "Damp it on"
    return (
        f"{way} until it measures {first.sheet_mm[0]:g} × {first.sheet_mm[1]:g} mm again, "
        f"as under {first.name}."
    )


def _words(off: list[ColourApart], worst: ColourApart, given: PaperGrowthInput) -> tuple[str, str]:
    if not off:
        said = f"{worst.name} lies at most {worst.edge_mm:.1f} mm off at a corner."
        return "The paper holds", said
    measured = [each for each in off if each.measured]
    if measured:
        first = measured[0]
        side, by = max(
            (("wider", first.wider_mm), ("higher", first.higher_mm)), key=lambda each: abs(each[1])
        )
        way = side if by > 0 else {"wider": "narrower", "higher": "lower"}[side]
        return f"The sheet is {way} under {first.name}", first.text
    return (
        f"{worst.name} may lie {worst.edge_mm:.1f} mm off",
        "Print every colour in one damping, or measure the sheet before each and damp it to the "
        "same size.",
    )
