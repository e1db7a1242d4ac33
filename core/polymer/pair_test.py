"""A two-way test on one small plate: which strips to cover when, under which film."""

from __future__ import annotations

from itertools import pairwise
from typing import Annotated, Literal

from pydantic import Field

from core.data.polymer import (
    COVER_SECONDS,
    FIRST_IMAGE_SECONDS,
    FIRST_SCREEN_SECONDS,
    LEAST_PATCH_MM,
    TEST_STEP,
)
from core.errors import CoreError
from core.polymer.shapes import ExposureSeconds
from core.schema import Shape
from core.units import clock_text

Layer = Literal["screen", "image"]
Steps = Annotated[int, Field(ge=2, le=7)]
Side = Annotated[float, Field(ge=10, le=1000, json_schema_extra={"unit": "mm"})]


class PairTestInput(Shape):
    """Where the times of a test are centred, how many each way, and the plate it is laid on."""

    screen_seconds: ExposureSeconds = FIRST_SCREEN_SECONDS
    image_seconds: ExposureSeconds = FIRST_IMAGE_SECONDS
    screen_steps: Steps = 5
    image_steps: Steps = 5
    step: Annotated[float, Field(ge=1.1, le=4)] = TEST_STEP
    """From one time to the next, a factor."""
    width_mm: Side = 100.0
    height_mm: Side = 75.0


class CardStep(Shape):
    """One exposure of a test: what lies under the card, and for how long."""

    number: int
    layer: Layer
    covered: int
    """Strips under the card, counted from the first."""
    seconds: float
    in_all: float
    """What the next strip to be covered has had."""
    text: str


class PairTestOutput(Shape):
    """A test, strip by strip."""

    screen_seconds: list[float]
    """Of the strips across the plate, the first at the top."""
    image_seconds: list[float]
    """Of the strips down the plate, the first at the left."""
    patch_width_mm: float
    patch_height_mm: float
    steps: list[CardStep]
    lamp_seconds: float
    minutes: float
    """With the card moved between, before washing out."""


def pair_test(given: PairTestInput) -> PairTestOutput:
    """Return the strips of a two-way test and the order in which they are covered.

    Parameters
    ----------
    given : PairTestInput
        Middle times [s], steps, plate [mm].

    Returns
    -------
    PairTestOutput
        Every strip has its own time when its layer is done: the shortest is covered first.

    Raises
    ------
    CoreError
        ``too-small``: patches of under 8 mm; ``too-long``: a time of over two hours.

    Notes
    -----
    Times are the middle one × step^k, rounded to a second. Source: ``step-wedge``.
    """
    wide, high = given.width_mm / given.image_steps, given.height_mm / given.screen_steps
    _check(given, wide, high)
    screen = _times(given.screen_seconds, given.screen_steps, given.step)
    image = _times(given.image_seconds, given.image_steps, given.step)
    steps = [*_steps("screen", screen, 1), *_steps("image", image, 1 + len(screen))]
    lamp = screen[-1] + image[-1]
    return PairTestOutput(
        screen_seconds=screen, image_seconds=image,
        patch_width_mm=round(wide, 2), patch_height_mm=round(high, 2),
        steps=steps, lamp_seconds=lamp,
        minutes=round((lamp + COVER_SECONDS * len(steps)) / 60, 1),
    )  # fmt: skip


def _check(given: PairTestInput, wide: float, high: float) -> None:
    for name, side, steps in (("width_mm", wide, given.image_steps),
                              ("height_mm", high, given.screen_steps)):  # fmt: skip
        if side < LEAST_PATCH_MM:
            raise CoreError(
                "too-small", f"{steps} strips on that side are {side:.1f} mm each: too small to "
                "read. Take a larger piece, or fewer strips.", field=name,
                value=getattr(given, name), allowed=f"at least {LEAST_PATCH_MM * steps:g}",
                unit="mm",
            )  # fmt: skip
    for name in ("screen", "image"):
        middle, steps = getattr(given, f"{name}_seconds"), getattr(given, f"{name}_steps")
        longest = middle * given.step ** ((steps - 1) / 2)
        if longest > 7200:
            raise CoreError(
                "too-long", f"The longest {name} time would be {clock_text(longest)}.",
                field=f"{name}_seconds", value=middle,
                allowed=f"at most {7200 * middle / longest:.0f}", unit="s",
            )  # fmt: skip


def _times(middle: float, count: int, step: float) -> list[float]:
    times = [max(1.0, round(middle * step ** (k - (count - 1) / 2))) for k in range(count)]
    for place in range(1, count):  # short times that round to the same are told apart
        times[place] = float(max(times[place], times[place - 1] + 1))
    return [float(each) for each in times]


def _steps(layer: Layer, times: list[float], first: int) -> list[CardStep]:
    return [
        CardStep(
            number=first + covered,
            layer=layer,
            covered=covered,
            seconds=after - before,
            in_all=after,
            text=_text(layer, covered, len(times), after - before),
        )
        for covered, (before, after) in enumerate(pairwise([0.0, *times]))
    ]


def _text(layer: Layer, covered: int, count: int, seconds: float) -> str:
    film = "dot screen" if layer == "screen" else "test film"
    side = "top" if layer == "screen" else "left"
    time = f"{int(seconds) // 60}:{int(seconds) % 60:02d}"
    if covered == 0:
        return f"Lay the {film} on, nothing covered: {time}."
    strips = "strip" if covered == 1 else f"{covered} strips"
    rest = "one is" if count - covered == 1 else f"{count - covered} are"
    return f"Card over the first {strips} from the {side}, {rest} open: {time}."
