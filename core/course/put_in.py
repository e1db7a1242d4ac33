"""A plate that is put in: what it can take, whether it wants a bevel, what it goes through."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.course.course import course
from core.course.shapes import CourseInput, CourseStepOut
from core.data.routes import ROUTES, Route
from core.data.step_row import Group
from core.errors import CoreError
from core.prepare.bevel import bevel
from core.prepare.shapes import BevelInput, BevelOutput, Material, Millimetre, Thickness
from core.schema import Shape


class PutInInput(Shape):
    """What a plate is of, how large, and how its image shall get into it."""

    material: Material
    thickness_mm: Thickness
    width_mm: Millimetre | None = None
    height_mm: Millimetre | None = None
    routes: Annotated[list[Route], Field(max_length=4)] = []
    """In any order; none: not chosen yet."""
    history_unknown: bool = False


class RouteFit(Shape):
    """Whether a plate of this material takes a route."""

    route: Route
    does: str
    needs: str
    fits: bool
    why: str
    """Where it does not, why not."""


class Leg(Shape):
    """Steps of one kind in one part of the plate."""

    title: str
    part: int
    hands_minutes: int
    wait_minutes: int


class PutInOutput(Shape):
    """What the plate takes, its bevel, and its way to the first proof."""

    routes: list[RouteFit]
    worked: list[Route]
    """Those chosen that fit, in the order they are worked."""
    bevel: BevelOutput | None
    """None: no size is known, or none can be."""
    bevel_fault: str
    legs: list[Leg]
    hands_minutes: int
    """To the first proof, a guess of the tables."""
    wait_minutes: int


def put_in(given: PutInInput) -> PutInOutput:
    """Return what a plate can take and goes through to its first proof.

    Parameters
    ----------
    given : PutInInput
        Sizes [mm].

    Returns
    -------
    PutInOutput
        Times [min].

    Notes
    -----
    Steps of one kind in one part are one leg; what is optional is not counted. A route the
    material cannot take is told with its reason, and left out of the way.
    Source: ``room-practice``.
    """
    fits = [_fit(route, given.material) for route in ROUTES]
    chosen = {each.route for each in fits if each.fits} & set(given.routes)
    worked = [route for route in ROUTES if route in chosen]
    legs = _legs(_way(worked, given)) if worked else []
    bevelled, fault = _bevel(given)
    return PutInOutput(
        routes=fits, worked=worked, bevel=bevelled, bevel_fault=fault, legs=legs,
        hands_minutes=sum(each.hands_minutes for each in legs),
        wait_minutes=sum(each.wait_minutes for each in legs),
    )  # fmt: skip


def _fit(route: Route, material: Material) -> RouteFit:
    row = ROUTES[route]
    fits = material in row.materials
    why = "" if fits else row.otherwise
    return RouteFit(route=route, does=row.does, needs=row.needs, fits=fits, why=why)


def _way(worked: list[Route], given: PutInInput) -> list[CourseStepOut]:
    """Return the steps to the first proof of the whole plate."""
    steps = course(CourseInput(
        routes=worked, material=given.material, thickness_mm=given.thickness_mm,
        history_unknown=given.history_unknown,
    )).steps  # fmt: skip
    return [each for each in steps if each.group != "edition" and not each.optional]


_INTO: dict[Group, Group] = {"prepare": "ground", "plan": "bite"}
"""Once the drawing is fitted: degreasing belongs to the ground that follows."""
_TITLES: dict[Group, str] = {
    "prepare": "Prepare", "image": "Image", "ground": "Ground", "plan": "Plan", "bite": "Bite",
    "proof": "Proof",
}  # fmt: skip
_BY_ROUTE: dict[tuple[Group, Route], str] = {
    ("ground", "aquatint"): "Dust, fuse", ("ground", "spit bite"): "Dust, fuse",
    ("ground", "drypoint"): "Transfer", ("ground", "engraving"): "Transfer",
    ("ground", "soft ground"): "Soft ground", ("ground", "photopolymer"): "Expose",
    ("bite", "etched line"): "Bite lines", ("bite", "soft ground"): "Bite textures",
    ("bite", "aquatint"): "Bite tones", ("bite", "spit bite"): "Brush",
    ("bite", "drypoint"): "Scratch", ("bite", "engraving"): "Engrave",
    ("bite", "photopolymer"): "Wash out", ("bite", "kitchen table"): "Cut, peel",
}  # fmt: skip


_BY_STEP = {"proof-lines": "Proof lines"}


def _legs(steps: list[CourseStepOut]) -> list[Leg]:
    """Return the legs of a way: what comes before a ground is of it, a plan of its bite."""
    legs: dict[tuple[str, int], list[CourseStepOut]] = {}
    drawn = False
    for step in steps:
        drawn = drawn or step.group == "image"
        group = _INTO.get(step.group, step.group) if drawn else step.group
        title = _BY_STEP.get(step.key) or _BY_ROUTE.get((group, step.route), _TITLES[group])
        legs.setdefault((title, step.part), []).append(step)
    return [
        Leg(title=title, part=part,
            hands_minutes=sum(step.hands_minutes for step in each),
            wait_minutes=sum(step.wait_minutes for step in each))
        for (title, part), each in legs.items()
    ]  # fmt: skip


def _bevel(given: PutInInput) -> tuple[BevelOutput | None, str]:
    if given.width_mm is None or given.height_mm is None:
        return None, ""
    try:
        return bevel(BevelInput(
            material=given.material, thickness_mm=given.thickness_mm, width_mm=given.width_mm,
            height_mm=given.height_mm,
        )), ""  # fmt: skip
    except CoreError as error:
        return None, error.text
