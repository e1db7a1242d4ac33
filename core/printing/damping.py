"""How paper is damped → when it is ready, when it must be out."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.data.paper import DAMPING, School
from core.errors import CoreError
from core.schema import Shape

DampMinutes = Annotated[float, Field(ge=0.5, le=6000, json_schema_extra={"unit": "min"})]
Waited = Annotated[float, Field(ge=0, le=1e7, json_schema_extra={"unit": "s"})]
Stage = Literal["must-wait", "ready", "too-long"]


class DampingInput(Shape):
    """A way of damping, and how long paper has had it."""

    school: School
    ready_minutes: DampMinutes | None = None
    """The paper's own; None: the table's."""
    latest_minutes: DampMinutes | None = None
    seconds: Waited = 0.0


class DampingOutput(Shape):
    """When paper is ready and when it must be out, from when it went in [s]."""

    label: str
    place: str
    ready_seconds: float
    latest_seconds: float
    stage: Stage
    left_seconds: float
    """Until the next of the two; negative once it is too long."""
    measured: bool
    """By the paper's own times, not the table's."""
    text: str
    redamp: str


def damping(given: DampingInput) -> DampingOutput:
    """Return when damp paper is ready and when it must be out.

    Parameters
    ----------
    given : DampingInput

    Returns
    -------
    DampingOutput

    Raises
    ------
    CoreError
        It would have to be out before it is ready.

    Notes
    -----
    Source: ``room-practice``.
    """
    row = DAMPING[given.school]
    ready = _seconds(given.ready_minutes, row.ready_seconds)
    latest = _seconds(given.latest_minutes, row.latest_seconds)
    if latest <= ready:
        raise CoreError(
            "out-before-ready", "It would have to be out before it is ready.",
            field="latest_minutes", value=latest / 60, allowed=f"more than {ready / 60:g}",
            unit="min",
        )  # fmt: skip
    stage, left = _stage(given.seconds, ready, latest)
    text = {"must-wait": row.why_ready, "ready": "It may come out: limp, no shine.",
            "too-long": row.why_latest}[stage]  # fmt: skip
    return DampingOutput(
        label=row.label, place=row.place, ready_seconds=ready, latest_seconds=latest, stage=stage,
        left_seconds=left, measured=given.ready_minutes is not None, text=text, redamp=row.redamp,
    )  # fmt: skip


def _seconds(minutes: float | None, usual: float) -> float:
    return usual if minutes is None else minutes * 60


def _stage(seconds: float, ready: float, latest: float) -> tuple[Stage, float]:
    if seconds < ready:
        return "must-wait", ready - seconds
    return ("ready" if seconds <= latest else "too-long"), latest - seconds
