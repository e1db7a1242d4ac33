"""How a plate's tonal plans stand: what each of its proofs is judged by, asked for once."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from core.kinetics.shapes import CurveBath
from core.process.rows import PROCESSES
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.plans.models import Plan
from server.plates.models import Plate
from server.proofs.actions.meant import TONAL, meant_tones
from server.proofs.models import Approval
from server.runs.actions.go_on import carries_on
from server.runs.actions.state import last_of


@dataclass(frozen=True)
class Planned:
    """One plan with its curve, today's bath, and whether its grain stands."""

    part: str
    areas: dict[str, dict[str, object]]
    """By name, as the plan has them."""
    curve: Curve | None
    bath: CurveBath
    grain_stands: bool


class Standing:
    """A plate's tonal plans as they stand now, the oldest first."""

    def __init__(self, plate: Plate) -> None:
        self.plate = plate

    @cached_property
    def plans(self) -> list[Planned]:
        """Return the plans, the oldest first."""
        found = Plan.objects.filter(plate=self.plate, part__in=TONAL, superseded=False)
        return [_planned(p) for p in found.select_related("bath", "strip").order_by("created_at")]

    @cached_property
    def approvals(self) -> list[Approval]:
        """Return what was said of its proofs, the last word first."""
        return list(Approval.objects.filter(plate=self.plate).select_related("by"))

    @cached_property
    def in_working_order(self) -> list[Planned]:
        """Return the plans as they are bitten one after another."""
        return sorted(self.plans, key=lambda plan: PROCESSES[plan.part].order)

    @cached_property
    def meant(self) -> set[str]:
        """Return every area that is meant to have a tone, planned or bitten."""
        return {name for part in TONAL for name in meant_tones(self.plate, part)}


def _planned(plan: Plan) -> Planned:
    run = last_of(plan)
    curve = Curve.model_validate(plan.curve) if plan.curve else None
    return Planned(
        part=plan.part,
        areas={area["name"]: area for area in plan.areas},
        curve=curve,
        bath=bath_facts(plan.bath, against=curve),
        grain_stands=run is not None and carries_on(run),
    )
