"""Inputs and outputs of trials, textures, masks, hands and lettering."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.data.scratches import TextureKey, WorkKind
from core.drypoint.shapes import Apart, Printed, Um
from core.schema import Shape
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness

ReadSpread = Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})]
Times = Annotated[int, Field(ge=1, le=20)]
Minutes = Annotated[float, Field(ge=0, le=100_000, json_schema_extra={"unit": "min"})]
Pressure = Annotated[int, Field(ge=1, le=5)]


class PressureTrial(Shape):
    """One pressure of a trial scale: lines drawn so far apart, printed and read, or measured."""

    pressure: Pressure
    spacing_um: Apart
    lstar: Lightness | None = None
    spread: ReadSpread = 0.8
    width_um: Um | None = None
    """By a loupe with a scale; it goes before the tone."""

    @model_validator(mode="after")
    def _one_of_both(self) -> PressureTrial:
        if self.lstar is None and self.width_um is None:
            raise ValueError("a trial needs the tone it printed, or the width of its lines")
        return self


class PressureScaleInput(Printed):
    """A trial scale on an offcut: lines at five pressures, printed and read."""

    needle_um: Um | None = None
    trials: Annotated[list[PressureTrial], Field(max_length=5)] = []


class PressureRow(Shape):
    """What one pressure draws."""

    pressure: int
    width_um: float
    spread_um: float
    measured: bool


class PressureScaleOutput(Shape):
    """How wide a line each pressure prints."""

    rows: list[PressureRow]
    warnings: list[str]
    tables: str


class TextureToneInput(Printed):
    """A mark that is no line, how often it was made, and what the plate can reach."""

    texture: TextureKey
    times: Times = 1
    read_lstar: Lightness | None = None
    """What the room's own trial printed, made ``read_times`` times."""
    read_times: Times = 1
    read_spread: ReadSpread = 0.8
    wanted_lstar: Lightness | None = None
    """Also tell how often for this tone."""


class TextureToneOutput(Shape):
    """The tone a texture prints, 95 %, and how often it is made for a wanted one."""

    covered: float
    lstar: float
    low: float
    high: float
    measured: bool
    times: int | None
    """For the tone wanted; None where none was."""
    times_lstar: float | None
    reachable: bool | None
    text: str
    tables: str


class MaskArea(Shape):
    """A shape to be rubbed to a tone; null stays bare."""

    name: AreaName
    lstar: Lightness | None


class TextureRead(Shape):
    """What the room's own trial of a texture printed."""

    texture: TextureKey
    lstar: Lightness
    times: Times = 1


class MaskPlanInput(Printed):
    """Shapes with the tones they shall have, and the abrasives at hand."""

    areas: Annotated[list[MaskArea], Field(min_length=1, max_length=12)]
    textures: Annotated[list[TextureKey], Field(min_length=1, max_length=8)]
    read: Annotated[list[TextureRead], Field(max_length=20)] = []

    @model_validator(mode="after")
    def _own_names(self) -> MaskPlanInput:
        names = [each.name for each in self.areas]
        if len(set(names)) < len(names):
            raise ValueError("two areas have one name")
        return self


class MaskTone(Shape):
    """What an area prints after a rubbing."""

    name: str
    lstar: float
    low: float
    high: float
    finished: bool


class Rubbing(Shape):
    """One stage: what to mask, what to rub with, how often."""

    number: int
    mask_before: list[str]
    texture: TextureKey
    label: str
    times: int
    pass_word: str
    areas: list[MaskTone]
    """Those exposed to it."""


class MaskWarning(Shape):
    """Something to know before a mask is cut."""

    code: Literal["tone-out-of-reach", "too-close", "off"]
    text: str
    area: str


class MaskPlanOutput(Shape):
    """The order of masks and grits."""

    rubbings: list[Rubbing]
    stays_masked: list[str]
    """What is covered from beginning to end."""
    rms_lstar: float
    warnings: list[MaskWarning]
    tables: str


class HandPlanInput(Shape):
    """How much is to do by hand, and when one sits down."""

    kind: WorkKind = "hatching"
    minutes: Minutes
    start_minute: Annotated[int, Field(ge=0, le=1439, json_schema_extra={"unit": "min"})] = 540
    """Of the day."""
    worked_minutes: Minutes = 0
    """Today, before that."""
    since_rest_minutes: Minutes = 0
    """Worked without a rest until now."""


class HandBlock(Shape):
    """A stretch of work or rest; minutes of the day, which may run past midnight."""

    day: int
    """0 today."""
    start_minute: float
    end_minute: float
    rests: bool


class HandPlanOutput(Shape):
    """When to work and when to rest."""

    blocks: list[HandBlock]
    work_minutes: float
    rest_minutes: float
    days: int
    next_rest_minute: float | None
    text: str
    strained: bool
    """More than a hand does well in a day."""


class LetteringInput(Shape):
    """Words as they shall read in print."""

    words: Annotated[str, Field(min_length=1, max_length=200)]


class Letter(Shape):
    """One letter in the order it is cut on the plate, from left to right."""

    place: int
    """Within the words as they read, from 1."""
    letter: str
    turns: bool
    """It looks otherwise in the mirror: cut wrong, it prints wrong."""


class LetteringOutput(Shape):
    """Words as they stand on the plate."""

    plate: str
    letters: list[Letter]
    turning: int
    easily_missed: list[str]
    """Letters that mirror into another letter, or nearly."""
    text: str
