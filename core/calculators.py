"""The registry of named calculators: one typed input, one typed output each."""

from __future__ import annotations

import json
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from pydantic import BaseModel, ValidationError

from core.course.course import course
from core.course.shapes import CourseInput, CourseOutput
from core.errors import CoreError, UnknownCalculator
from core.faults import LONGEST_SHOWN_VALUE, bad_input
from core.ground.cleaning import cleaning_order
from core.ground.ground_check import ground_check
from core.ground.shapes import (
    CleaningOrderInput,
    CleaningOrderOutput,
    GroundCheckInput,
    GroundCheckOutput,
)
from core.image.dust_coverage import dust_coverage
from core.image.shapes import DustCoverageInput, DustCoverageOutput
from core.line.plan_lines import plan_lines
from core.line.shapes import PlanLinesInput, PlanLinesOutput
from core.prepare.bevel import bevel
from core.prepare.cut_sheet import cut_sheet
from core.prepare.dilute import dilute
from core.prepare.shapes import (
    BevelInput,
    BevelOutput,
    CutSheetInput,
    CutSheetOutput,
    DiluteInput,
    DiluteOutput,
)
from core.repair.repair_routes import repair_routes
from core.repair.shapes import RepairRoutesInput, RepairRoutesOutput
from core.stages.advice import AdviseInput, AdviseOutput, advise
from core.stages.plan_bites import plan_bites, run_sheet
from core.stages.shapes import PlanBitesInput, PlanBitesOutput, RunSheet, RunSheetInput
from core.tone.fit_strip import fit_strip
from core.tone.read_curve import read_curve
from core.tone.shapes import FitStripInput, FitStripOutput, ReadCurveInput, ReadCurveOutput


@dataclass(frozen=True)
class Calculator:
    """A pure function of the core with its shapes and its one-line description."""

    name: str
    run: Callable[[Any], BaseModel]
    input: type[BaseModel]
    output: type[BaseModel]

    @property
    def summary(self) -> str:
        """Return the first sentence of what it does."""
        return (self.input.__doc__ or "").strip().splitlines()[0]

    def schema(self) -> dict[str, Any]:
        """Return the JSON Schemas of input and output."""
        return {
            "name": self.name,
            "input": self.input.model_json_schema(),
            "output": self.output.model_json_schema(mode="serialization"),
        }


REGISTRY: dict[str, Calculator] = {
    calculator.name: calculator
    for calculator in (
        Calculator("fit-strip", fit_strip, FitStripInput, FitStripOutput),
        Calculator("read-curve", read_curve, ReadCurveInput, ReadCurveOutput),
        Calculator("plan-bites", plan_bites, PlanBitesInput, PlanBitesOutput),
        Calculator("run-sheet", run_sheet, RunSheetInput, RunSheet),
        Calculator("plan-lines", plan_lines, PlanLinesInput, PlanLinesOutput),
        Calculator("advise-proof", advise, AdviseInput, AdviseOutput),
        Calculator("dust-coverage", dust_coverage, DustCoverageInput, DustCoverageOutput),
        Calculator("course", course, CourseInput, CourseOutput),
        Calculator("bevel", bevel, BevelInput, BevelOutput),
        Calculator("dilute", dilute, DiluteInput, DiluteOutput),
        Calculator("cut-sheet", cut_sheet, CutSheetInput, CutSheetOutput),
        Calculator("ground-check", ground_check, GroundCheckInput, GroundCheckOutput),
        Calculator("cleaning-order", cleaning_order, CleaningOrderInput, CleaningOrderOutput),
        Calculator("repair-routes", repair_routes, RepairRoutesInput, RepairRoutesOutput),
    )
}


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


def compute(name: str, data: object) -> BaseModel:
    """Return the typed output for plain data.

    Parameters
    ----------
    name : str
    data : mapping
        Plain JSON data, in the shape of the calculator's input.

    Returns
    -------
    BaseModel
        The calculator's output.

    Raises
    ------
    CoreError
        Unknown name, or input out of its limits; carries field, value, what is allowed and unit.
    """
    chosen = calculator(name)
    try:
        given = chosen.input.model_validate(data)
    except ValidationError as error:
        raise bad_input(error, chosen.input) from None
    return chosen.run(given)


def compute_text(name: str, text: str) -> BaseModel:
    """Return the typed output for JSON text.

    Parameters
    ----------
    name : str
    text : str
        One JSON object.

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
            value=text[:LONGEST_SHOWN_VALUE],
            allowed="one JSON object",
        ) from None
    return compute(name, data)
