"""Change a course: a step done, skipped, repeated, reopened, swapped or added."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

from pydantic import AwareDatetime

from core.course.course import step_row
from core.course.measures import brings_grease, checked_measures, facts_of, told_measures
from core.course.shapes import Act, MeasureValue, Step
from core.course.standing import Known, needs_of, waits_for
from core.data.steps import INSTEAD, STEPS
from core.errors import CoreError

MOST_STEPS = 200
Steps = list[Step]


@dataclass(frozen=True)
class Hand:
    """Who changes the course and when."""

    by: str
    at: AwareDatetime


@dataclass(frozen=True)
class Changed:
    """The course after a change, and what the record says of it."""

    steps: Steps
    text: str
    step: str
    measures: dict[str, MeasureValue] = field(default_factory=dict)
    facts: dict[str, MeasureValue] = field(default_factory=dict)
    """Of the plate, true from now on."""


def change_steps(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    """Return a course after one change.

    Parameters
    ----------
    steps : list of Step
    act : Act
    hand : Hand
    known : Known
        What follows by itself.

    Returns
    -------
    Changed

    Raises
    ------
    CoreError
        A step that is not in the course or the table, a measure out of its limits, a step done
        before what it needs, or skipped, without a reason, or too many steps.
    """
    changed = _ACTS[act.act](steps, act, hand, known)
    if len(changed.steps) > MOST_STEPS:
        raise CoreError(
            "too-many-steps", "A course holds no more steps.", field="keys",
            value=len(changed.steps), allowed=f"at most {MOST_STEPS}",
        )  # fmt: skip
    return changed


def _place(steps: Steps, step_id: str | None) -> int:
    for place, step in enumerate(steps):
        if step.id == step_id:
            return place
    raise CoreError(
        "no-such-step", "That step is not in this course.", field="step", value=step_id,
        allowed=", ".join(step.id for step in steps),
    )  # fmt: skip


def _needs_reason(act: Act, text: str) -> None:
    if not act.reason.strip():
        raise CoreError(
            "reason-needed", text, field="reason", value=act.reason, allowed="a reason in words"
        )


def _put(steps: Steps, place: int, step: Step) -> Steps:
    return [*steps[:place], step, *steps[place + 1 :]]


def _insert(steps: Steps, place: int, *added: Step) -> Steps:
    return [*steps[:place], *added, *steps[place:]]


def _done(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    place = _place(steps, act.step)
    step, row = steps[place], STEPS[steps[place].key]
    waiting = waits_for(step, needs_of(step, steps), steps, known)
    if waiting:
        _needs_reason(
            act, f"{row.title} comes after: {'; '.join(waiting)}. Do that first, or say why not."
        )
    measures = checked_measures(step.key, act.measures)
    failed = row.fails_when is not None and measures.get(row.fails_when[0]) == row.fails_when[1]
    after = step.model_copy(
        update={
            "status": "todo" if failed else "done",
            "reason": act.reason.strip(),
            "measures": measures,
            "tries": step.tries + 1,
            "by": hand.by,
            "at": hand.at,
        }
    )
    put, said = _put(steps, place, after), told_measures(step.key, measures)
    if failed:
        text = f"{row.title}: the water parted (try {after.tries}). To do again{said}."
        return Changed(put, text, step.id, measures)
    text = f"{row.title}: done{said}." + (f" {after.reason}" if waiting else "")
    return Changed(_ask_again(put, place), text, step.id, measures, facts_of(step.key, measures))


def _ask_again(steps: Steps, place: int) -> Steps:
    """Return a course with a repeat behind a step that undoes an earlier one, where there is one.

    Such as polish after degreasing: polish itself is greasy. Behind several in a row it is asked
    for once; after a proof only where something to come needs it.
    """
    for step in steps:
        if step.status != "done" or not _undoes(steps[place], step):
            continue
        behind = place + 1
        while behind < len(steps) and _is_next_to_undo(steps[behind], step):
            behind += 1
        if _is_wanted_again(step, steps[place], steps[behind:]):
            return _insert(steps, behind, _repeat(steps, step))
    return steps


def _undoes(done: Step, step: Step) -> bool:
    return done.key in STEPS[step.key].again_after and brings_grease(done)


def _is_next_to_undo(following: Step, step: Step) -> bool:
    return following.status == "todo" and _undoes(following, step)


def _is_wanted_again(step: Step, done: Step, rest: Steps) -> bool:
    if any(each.key == step.key and each.status == "todo" for each in rest):
        return False
    needed = any(step.key in STEPS[each.key].needs for each in rest if each.status == "todo")
    return needed or STEPS[done.key].group != "proof"


def _repeat(steps: Steps, step: Step) -> Step:
    base = step.id.split("~")[0]
    number = 1 + sum(each.id.split("~")[0] == base for each in steps)
    return Step(id=f"{base}~{number}", key=step.key, part=step.part, route=step.route)


def _skip(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    place = _place(steps, act.step)
    _needs_reason(act, "Say why this step is skipped.")
    reason = act.reason.strip()
    marks = {"status": "skipped", "reason": reason, "by": hand.by, "at": hand.at}
    step = steps[place].model_copy(update=marks)
    return Changed(_put(steps, place, step), f"{STEPS[step.key].title}: skipped. {reason}", step.id)


def _again(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    place = _place(steps, act.step)
    repeat = _repeat(steps, steps[place])
    text = f"{STEPS[repeat.key].title}: to do again."
    return Changed(_insert(steps, place + 1, repeat), text, repeat.id)


def _reopen(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    place = _place(steps, act.step)
    marks = {"status": "todo", "reason": act.reason.strip(), "by": hand.by}
    step = steps[place].model_copy(update=marks)
    return Changed(
        _put(steps, place, step), f"{STEPS[step.key].title}: not done after all.", step.id
    )


def _swap(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    place = _place(steps, act.step)
    old = steps[place]
    key = act.keys[0] if act.keys else ""
    if key not in INSTEAD.get(old.key, ()):
        raise CoreError(
            "not-instead", "That step cannot stand in its place.", field="keys", value=key,
            allowed=", ".join(INSTEAD.get(old.key, ())) or "nothing",
        )  # fmt: skip
    new = Step(id=_free_id(steps, key), key=key, part=old.part, route=old.route)
    text = f"{STEPS[key].title}, instead of {STEPS[old.key].title.lower()}."
    return Changed(_put(steps, place, new), text, new.id)


def _add(steps: Steps, act: Act, hand: Hand, known: Known) -> Changed:
    if not act.keys:
        raise CoreError("no-steps", "Say which steps to add.", field="keys", allowed="at least 1")
    place = 0 if act.step is None else _place(steps, act.step) + 1
    route, reason, after = steps[0].route if steps else "etched line", act.reason.strip(), steps
    for offset, key in enumerate(act.keys):
        step_row(key)
        step = Step(
            id=_free_id(after, key), key=key, part=1, route=route, added=True, reason=reason
        )
        after = _insert(after, place + offset, step)
    titles = "; ".join(STEPS[key].title for key in act.keys)
    return Changed(after, f"Added: {titles}. {reason}".strip(), after[place].id)


def _free_id(steps: Steps, key: str) -> str:
    taken = {step.id for step in steps}
    ids = [key, *(f"{key}~{number}" for number in range(2, MOST_STEPS + 2))]
    return next(each for each in ids if each not in taken)


_ACTS: dict[str, Callable[[Steps, Act, Hand, Known], Changed]] = {
    "done": _done,
    "skip": _skip,
    "again": _again,
    "reopen": _reopen,
    "swap": _swap,
    "add": _add,
}
