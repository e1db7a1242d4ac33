"""The course of a plate: which steps, in which order, by its routes, material and past."""

from __future__ import annotations

from core.course.shapes import (
    CourseInput,
    CourseOutput,
    CourseStepOut,
    Mend,
    StepCaution,
    StepMeasure,
)
from core.data.cautions import CAUTIONS
from core.data.mordants import TABLES_VERSION
from core.data.routes import ROUTES, Route
from core.data.step_row import StepRow
from core.data.steps import COURSES, INSTEAD, LEFT_OUT, PROOF, STEPS
from core.errors import CoreError
from core.prepare.bevel import is_optional

_ORDER = list(ROUTES)


def course(given: CourseInput) -> CourseOutput:
    """Return the steps of a plate in working order.

    Parameters
    ----------
    given : CourseInput

    Returns
    -------
    CourseOutput

    Raises
    ------
    CoreError
        A route that this material cannot take.
    """
    routes = sorted(set(given.routes), key=_ORDER.index)
    _check_material(routes, given.material)
    chosen = _joined(routes, given)
    steps = [_step(key, part, route, given, chosen) for key, part, route in chosen]
    return CourseOutput(
        steps=steps,
        hands_minutes=sum(step.hands_minutes for step in steps if not step.optional),
        wait_minutes=sum(step.wait_minutes for step in steps if not step.optional),
        tables=TABLES_VERSION,
    )


def _check_material(routes: list[Route], material: str) -> None:
    for route in routes:
        if material not in ROUTES[route].materials:
            raise CoreError(
                "route-not-for-material",
                f"{route.capitalize()} cannot be done on {material}.",
                field="routes",
                value=route,
                allowed=f"{route} on {' or '.join(ROUTES[route].materials)}",
            )


Chosen = list[tuple[str, int, Route]]


def _joined(routes: list[Route], given: CourseInput) -> Chosen:
    """Return the steps of all routes: prepared once, grounded and bitten part by part."""
    found: Chosen = []
    for part, route in enumerate(routes, 1):
        found += [(key, part - 1, routes[part - 2]) for key in _between(routes, part)]
        for key in COURSES[route]:
            row = STEPS[key]
            if key in PROOF or not _is_for(row, route, given.material):
                continue
            known = any(key == each for each, _, _ in found)
            prepared = row.group == "prepare" or row.once
            if prepared and known and not (row.each_ground and _grounds(route)):
                continue
            found.append((key, part, route))
    if given.history_unknown:
        first = [key for key, row in STEPS.items() if row.when_unknown]
        found = [(key, 1, routes[0]) for key in first] + found
    return found + [(key, 1, routes[0]) for key in PROOF]


def _is_for(row: StepRow, route: Route, material: str) -> bool:
    left_out = LEFT_OUT.get((route, material), ())
    return row.key not in left_out and (not row.only_on or material in row.only_on)


def _between(routes: list[Route], part: int) -> list[str]:
    """Return steps that stand between a part and the one before it."""
    if part == 1:
        return []
    pair = (routes[part - 2], routes[part - 1])
    return [
        key
        for key, row in STEPS.items()
        if row.between and all(route in of for route, of in zip(pair, row.between, strict=True))
    ]


def _grounds(route: Route) -> bool:
    return any(STEPS[key].new_ground for key in COURSES[route])


def step_row(key: str) -> StepRow:
    """Return a step of the table.

    Parameters
    ----------
    key : str

    Returns
    -------
    StepRow

    Raises
    ------
    CoreError
        There is none of that key.
    """
    if key not in STEPS:
        raise CoreError(
            "unknown-step", f"There is no step {key!r}.", field="key", value=key,
            allowed=", ".join(STEPS),
        )  # fmt: skip
    return STEPS[key]


def step_id(key: str, part: int) -> str:
    """Return a step's id within its course.

    Parameters
    ----------
    key : str
    part : int
        1 for the first pass.

    Returns
    -------
    str
        Such as ``"degrease.2"``.
    """
    return key if part == 1 else f"{key}.{part}"


def _step(key: str, part: int, route: Route, given: CourseInput, chosen: Chosen) -> CourseStepOut:
    optional = "bevel" in STEPS[key].beside and is_optional(given.material, given.thickness_mm)
    return told_step(
        key,
        part,
        route,
        needs=_needs(key, part, chosen),
        optional_why=(f"Plastic of {given.thickness_mm:g} mm may go without." if optional else ""),
    )


def _needs(key: str, part: int, chosen: Chosen) -> list[str]:
    """Return ids of the needed steps in this part, else in the nearest part before it."""
    found = []
    for need in STEPS[key].needs:
        parts = [p for k, p, _ in chosen if k == need and (p <= part or key in PROOF)]
        if parts:
            found.append(step_id(need, max(parts)))
    return found


def told_step(
    key: str, part: int, route: Route, *, needs: list[str], optional_why: str = ""
) -> CourseStepOut:
    """Return a step of the table with its texts.

    Parameters
    ----------
    key : str
    part : int
    route : Route
    needs : list of str
        Ids of the steps before it that it needs.
    optional_why : str
        Why it may be left out; empty where it may not.

    Returns
    -------
    CourseStepOut

    Raises
    ------
    CoreError
        There is no step of that key.
    """
    row = step_row(key)
    longer = row.longer_on[1:] if row.longer_on and row.longer_on[0] == route else None
    return CourseStepOut(
        id=step_id(key, part),
        key=key,
        part=part,
        route=route,
        group=row.group,
        title=row.title,
        why=longer[1] if longer else row.why,
        good=row.good,
        fails=[Mend(sign=sign, mend=mend) for sign, mend in row.fails],
        hands_minutes=row.hands,
        wait_minutes=longer[0] if longer else row.wait,
        timer=row.timer,
        at_hand=list(row.at_hand),
        cautions=[_caution(key) for key in row.cautions],
        needs=needs,
        measures=[
            StepMeasure(
                key=m.key, label=m.label, kind=m.kind, unit=m.unit, options=list(m.options),
                low=m.low, high=m.high,
            )
            for m in row.measures
        ],
        optional=bool(optional_why),
        optional_why=optional_why,
        instead=list(INSTEAD.get(key, ())),
        beside=list(row.beside),
    )  # fmt: skip


def _caution(key: str) -> StepCaution:
    row = CAUTIONS[key]
    return StepCaution(level=row.level, title=row.title, text=row.text, now=row.now)
