"""What a plate has from an earlier run, and whether a new one goes on from it."""

from __future__ import annotations

from typing import Any

from core.process.rows import PROCESSES
from core.stages.shapes import MOST_DONE
from server.events.done import done_bite
from server.plans.models import Plan
from server.replies.errors import BadValue
from server.runs.actions.state import last_of, run_state
from server.runs.models import Run

MOST_BEFORE = MOST_DONE // 2
"""Bites that a run may go on from: it needs room for its own."""


def carries_on(run: Run) -> bool:
    """Tell whether what a finished run bit goes on from where it stands.

    Lines are in the metal; a tone is only as long as its grain was not stripped.
    """
    stays = PROCESSES[run.part].stays_when_stripped
    return run.outcome == Run.FINISHED and (stays or run.stripped_at is None)


def pending_again(plan: Plan) -> Run | None:
    """Return the finished run that a plan goes on from; None where it begins anew."""
    run = last_of(plan) if plan.open_again else None
    return run if run is not None and carries_on(run) else None


def bites_of(run: Run) -> list[dict[str, Any]]:
    """Return the bites of a run, and of those it went on from."""
    made = [done_bite(dip).model_dump(mode="json") for dip in run_state(run).done]
    return [*run.before, *made]


def gone_on_from(plan: Plan, *, goes_on: bool) -> dict[str, Any]:
    """Return the columns of a new run that say what it goes on from; none where it begins anew.

    Raises
    ------
    BadValue
        Nothing was set aside, there are too many bites, or the plan names other areas by now.
    """
    finished = pending_again(plan)
    if finished is not None:
        bites = _checked(plan, bites_of(finished), "plate")
        return {"before": bites, "open_again": plan.open_again, "opened_after": len(bites)}
    if not goes_on:
        return {}
    earlier = last_of(plan)
    if earlier is None or earlier.outcome != Run.SET_ASIDE:
        raise BadValue("nothing-set-aside", "Nothing was set aside here. Begin anew.",
                       field="goes_on", value="true")  # fmt: skip
    return {
        "before": _checked(plan, bites_of(earlier), "goes_on"),
        "open_again": earlier.open_again,
        "opened_after": earlier.opened_after,
    }


def _checked(plan: Plan, bites: list[dict[str, Any]], field: str) -> list[dict[str, Any]]:
    if len(bites) > MOST_BEFORE:
        raise BadValue(
            "too-many", "More bites were made than can be reckoned on from. Begin anew.",
            field=field, value=len(bites), allowed=f"at most {MOST_BEFORE}",
        )  # fmt: skip
    gone = {name for bite in bites for name in bite["open"]} - {a["name"] for a in plan.areas}
    if gone:
        raise BadValue(
            "other-areas",
            f"The plan no longer has {', '.join(sorted(gone))}, which was bitten. Name it again, "
            "or begin anew.",
            field=field, value="true",
        )  # fmt: skip
    return bites
