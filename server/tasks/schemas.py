"""Shapes of tasks."""

from __future__ import annotations

from datetime import datetime
from typing import Any, Literal
from uuid import UUID

from ninja import Schema

from core.drypoint.hatch_guide import HatchGuideOutput
from core.drypoint.view_shapes import ScratchViewOutput
from core.image.shapes import DustCoverageOutput
from core.layers.overprint import OverprintOutput
from core.layers.read_print import ReadPrintOutput
from core.layers.stencils import StencilsOutput
from core.layers.traced_drawing import TracedDrawingOutput
from core.polymer.dot_screen import DotScreenOutput
from core.polymer.positive_shapes import PositiveOutput
from core.polymer.read_prints import ReadStepsOutput, ReadTestOutput
from core.polymer.step_chart import StepChartOutput
from core.printing.press_template import PressTemplateOutput
from core.printing.read_swatch import ReadSwatchOutput
from core.reading.shapes import ReadPatchesOutput, ReadProofOutput
from core.study.shapes import LookOverOutput, StopOutMapsOutput, StudyFieldOutput, StudyMapsOutput
from server.replies.errors import ErrorBody

State = Literal["waiting", "doing", "done", "failed", "stopped"]
Result = (
    DustCoverageOutput
    | StudyFieldOutput
    | StudyMapsOutput
    | LookOverOutput
    | StopOutMapsOutput
    | ReadPatchesOutput
    | ReadProofOutput
    | StepChartOutput
    | PositiveOutput
    | DotScreenOutput
    | ReadTestOutput
    | ReadStepsOutput
    | ScratchViewOutput
    | HatchGuideOutput
    | PressTemplateOutput
    | ReadSwatchOutput
    | OverprintOutput
    | ReadPrintOutput
    | StencilsOutput
    | TracedDrawingOutput
)
"""What the kinds of tasks answer."""


class TaskOut(Schema):
    """A task: how far it is, and what came of it."""

    id: UUID
    kind: str
    about: UUID
    given: dict[str, Any]
    state: State
    progress: float
    """Share done, 0 to 1."""
    turn: int
    """How often it was begun; more than once where a worker was lost."""
    result: Result | None
    fault: ErrorBody | None
    created_at: datetime
    ended_at: datetime | None
