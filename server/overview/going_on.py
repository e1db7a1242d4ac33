"""What a plan that follows earlier bites stands on, and what it does to them."""

from __future__ import annotations

from core.process.rows import PROCESSES
from core.process.shapes import Decided
from core.stages.second_grain import sum_of_screens
from core.stages.shapes import BittenArea, DoneBite, PlanBitesOutput, Reached
from server.baths.actions.facts import bath_facts
from server.plans.actions.decide import sheet_of
from server.plans.models import Plan
from server.plans.schemas import Meanwhile, OverFirst
from server.proofs.actions.first_tones import first_tones
from server.runs.actions.go_on import carries_on
from server.runs.actions.state import decided_for, run_state
from server.runs.models import Run

NEW_GRAIN = (
    "Its grain was stripped. A new grain is another screen: its islands fall elsewhere, so the old "
    "curve does not go on. Plan it on its own strip; what both print together is a range."
)
STANDS = "Its bites are in the metal. What is opened again goes on from where it stands."


def why_on(run: Run | None, over: list[OverFirst]) -> str:
    """Return what biting on means after a finished run, or over a grain that was stripped."""
    if run is not None and run.outcome == Run.FINISHED and carries_on(run):
        return STANDS
    return NEW_GRAIN if over else ""


def over_first(plan: Plan, told: PlanBitesOutput, counted: Run | None) -> list[OverFirst]:
    """Return what areas print by both screens, where an earlier grain was stripped.

    ``counted`` is the run whose bites are told already.
    """
    first = first_tones(plan.plate, plan.part, before=counted)
    return [_over(area, first, told) for area in told.areas if area.name in first]


def _over(area: BittenArea, first: dict[str, Reached], told: PlanBitesOutput) -> OverFirst:
    stood = first[area.name]
    bitten = area.reference_seconds > 0
    both = sum_of_screens(stood, area.goal, told.lightest_lstar) if bitten else stood
    return OverFirst(name=area.name, first=stood, both=both, bitten=bitten)


def meanwhile(plan: Plan, told: PlanBitesOutput) -> list[Meanwhile]:
    """Return how deep earlier lines come while this part bites, were they left open."""
    run = Run.objects.filter(plate=plan.plate, part="lines", outcome=Run.FINISHED).last()
    bites = [*told.done, *told.bites]
    if run is None or plan.part == "lines" or not bites or not PROCESSES[plan.part].lies_in_bath:
        return []
    stood = sheet_of("lines", decided_for(run, run_state(run).done)).plan.areas
    names = [area["name"] for area in run.areas]
    made = [DoneBite(seconds=bite.seconds, open=names) for bite in bites]
    alone = Decided(
        areas=run.areas, bath=bath_facts(plan.bath), method="stop-out",
        round_to_seconds=run.round_to_seconds, done=made,
    )  # fmt: skip
    gained = sheet_of("lines", alone).plan.areas
    return [
        Meanwhile(
            name=before.name,
            depth_um=before.goal.value,
            depth_left_open_um=round(before.goal.value + more.goal.value, 1),
        )
        for before, more in zip(stood, gained, strict=True)
    ]
