"""How the steps of a course stand: what follows by itself, what waits for what."""

from __future__ import annotations

from dataclasses import dataclass

from core.course.shapes import Status, Step
from core.data.exposure_stages import EXPOSED_STEPS
from core.data.steps import STEPS
from core.process.rows import PROCESSES

SETTLED: tuple[Status, ...] = ("done", "skipped")
_PLANS = {row.plan_step: row.key for row in PROCESSES.values()}
_BITES = {row.bite_step: row.key for row in PROCESSES.values()}


@dataclass(frozen=True)
class Known:
    """Which parts of a plate are planned and bitten, and whether a proof is OK to print."""

    planned: frozenset[str]
    bitten: frozenset[str]
    approved: bool
    exposed: bool = False
    """It was exposed, washed out and hardened by the clock."""
    by_hand: frozenset[str] = frozenset()
    """Steps that what was logged of its marks settles."""

    def settles(self, key: str) -> bool:
        """Tell whether a step that follows by itself is done.

        Parameters
        ----------
        key : str

        Returns
        -------
        bool
            False too for a step that is marked by hand.
        """
        if STEPS[key].by_approval:
            return self.approved
        if key in self.by_hand:
            return True
        by_run = _PLANS.get(key) in self.planned or _BITES.get(key) in self.bitten
        return by_run or (self.exposed and key in EXPOSED_STEPS)


def plans(key: str) -> str | None:
    """Return the process whose plan settles a step.

    Parameters
    ----------
    key : str
        Of the step.

    Returns
    -------
    str or None
        A key of ``PROCESSES``.
    """
    return _PLANS.get(key)


def bites(key: str) -> str | None:
    """Return the process whose run settles a step.

    Parameters
    ----------
    key : str
        Of the step.

    Returns
    -------
    str or None
        A key of ``PROCESSES``.
    """
    return _BITES.get(key)


def parts_of(steps: list[Step], planned: frozenset[str]) -> list[str]:
    """Return the processes that a plate goes through, in working order.

    Parameters
    ----------
    steps : list of Step
    planned : frozenset of str
        Processes it has a plan for, whether its course names them or not.

    Returns
    -------
    list of str
    """
    keys = {step.key for step in steps}
    asked = {row.key for row in PROCESSES.values() if {row.plan_step, row.bite_step} & keys}
    return [key for key in PROCESSES if key in asked | planned]


def status_of(step: Step, known: Known) -> Status:
    """Return how a step stands.

    Parameters
    ----------
    step : Step
    known : Known

    Returns
    -------
    Status
        Done where it follows by itself, else as it was marked.
    """
    return "done" if known.settles(step.key) else step.status


def needs_of(step: Step, steps: list[Step]) -> list[str]:
    """Return ids of the steps before this one that it needs, by the table.

    Parameters
    ----------
    step : Step
    steps : list of Step
        The whole course.

    Returns
    -------
    list of str
    """
    needed = STEPS[step.key].needs
    return [each.id for each in _before(step, steps) if each.key in needed]


def waits_for(step: Step, needs: list[str], steps: list[Step], known: Known) -> list[str]:
    """Return titles of needed steps that are not settled.

    Parameters
    ----------
    step : Step
    needs : list of str
        Ids of the steps it needs.
    steps : list of Step
        The whole course.
    known : Known

    Returns
    -------
    list of str
        Repeats asked for since are among them.
    """
    by_id = {each.id: each for each in _before(step, steps)}
    wanting = [n for n in needs if n in by_id and status_of(by_id[n], known) not in SETTLED]
    ids = dict.fromkeys([*wanting, *_asked_again(step, steps, known)])
    return [STEPS[by_id[need].key].title for need in ids]


def _asked_again(step: Step, steps: list[Step], known: Known) -> list[str]:
    """Return repeats, before this step, of steps it needs that are still to do."""
    needed = STEPS[step.key].needs
    found = [
        each.id
        for each in _before(step, steps)
        if each.key in needed and status_of(each, known) == "todo"
    ]
    return found if found and "~" in found[-1] else []


def _before(step: Step, steps: list[Step]) -> list[Step]:
    place = next(i for i, each in enumerate(steps) if each.id == step.id)
    return steps[:place]
