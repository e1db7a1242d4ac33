"""Inputs and outputs of value studies and stop-out maps, the same at every door."""

from __future__ import annotations

import itertools
from typing import Annotated, Literal

from pydantic import Field, field_validator, model_validator

from core.data.study import BRUSH_MM, ResistKey
from core.image.shapes import ImagePath
from core.schema import Shape
from core.tone.shapes import Lightness

MOST_TONES = 8
MOST_EDITS, MOST_POINTS, MOST_SKETCHES, MOST_GRADED = 200, 2000, 12, 6

Mm = Annotated[float, Field(ge=10, le=2500, json_schema_extra={"unit": "mm"})]
Place = Annotated[float, Field(ge=-2500, le=5000, json_schema_extra={"unit": "mm"})]
Brush = Annotated[float, Field(ge=0.2, le=100, json_schema_extra={"unit": "mm"})]
Smooth = Annotated[float, Field(ge=0, le=20, json_schema_extra={"unit": "mm"})]
Dpi = Annotated[float, Field(ge=25, le=1200, json_schema_extra={"unit": "dpi"})]
Folder = Annotated[str, Field(min_length=1, max_length=4000)]
Mapped = Literal["linear", "as-is"]
Method = Literal["stop-out", "open-up"]
Count = Annotated[int, Field(ge=2, le=MOST_TONES)]


class Reach(Shape):
    """The lightest and the darkest tone that can be had."""

    lightest_lstar: Lightness
    """The plate that was never bitten, wiped."""
    darkest_lstar: Lightness

    @model_validator(mode="after")
    def _in_order(self) -> Reach:
        if self.lightest_lstar - self.darkest_lstar < 1:
            raise ValueError("lightest_lstar must be at least 1 L* above darkest_lstar")
        return self


class OnPlate(Reach):
    """A picture on a plate, and what the plate can reach."""

    image: ImagePath
    width_mm: Mm
    height_mm: Mm
    smooth_mm: Smooth = BRUSH_MM
    """What is finer than this is not painted; 0: nothing is smoothed."""
    map: Mapped = "linear"
    """``linear``: black and white of the picture become darkest and lightest; ``as-is``: its tones
    stay, and what is out of reach prints as the darkest."""


class ToneAreasInput(OnPlate):
    """A picture as it shall print, and into how many tones it may be cut."""

    counts: Annotated[list[Count], Field(min_length=1, max_length=MOST_TONES - 1)] = [
        2, 3, 4, 5, 6, 7, 8,
    ]  # fmt: skip

    @field_validator("counts")
    @classmethod
    def _once(cls, counts: list[int]) -> list[int]:
        if len(set(counts)) < len(counts):
            raise ValueError("counts names a number of tones twice")
        return counts


class StudyWarning(Shape):
    """Something to know of a picture before it is cut."""

    code: Literal["too-coarse", "other-proportions", "fewer-greys", "out-of-reach"]
    text: str


class ToneChoice(Shape):
    """One way to cut a picture: its tones, the lightest first."""

    count: int
    tones_lstar: list[float]
    shares: list[float]
    areas_cm2: list[float]
    bounds_lstar: list[float]
    """Between two neighbours; one fewer than there are tones."""
    rms_lstar: float
    """Typical distance of the print from the picture."""


class ToneAreasOutput(Shape):
    """A picture cut into tones, for each number asked for that it has greys enough for."""

    choices: list[ToneChoice]
    floor_lstar: float
    """What no number of tones gets below: greys beyond the strip's reach."""
    px_per_mm: float
    warnings: list[StudyWarning]
    tables: str


class StopOutMapsInput(OnPlate):
    """A picture, the tones it is cut into, and where its maps shall be written."""

    tones_lstar: Annotated[list[Lightness], Field(min_length=2, max_length=MOST_TONES + 1)]
    """The lightest first; a pixel belongs to the nearest."""
    smooth_mm: Smooth = 0
    dpi: Dpi = 300
    mirrored: bool = True
    """As it lies on the plate."""
    method: Method = "stop-out"
    write: Folder

    @field_validator("tones_lstar")
    @classmethod
    def _falling(cls, tones: list[float]) -> list[float]:
        if any(later >= earlier for earlier, later in itertools.pairwise(tones)):
            raise ValueError("tones_lstar must fall, the lightest first")
        return tones


class StageMap(Shape):
    """One map: 0 covered before, 128 to work on now, 255 open."""

    number: int
    path: str
    cover_cm2: float
    """What is worked on now: covered, or opened where the method opens up."""
    covered_cm2: float
    """Covered when that is done."""
    open_cm2: float


class StopOutMapsOutput(Shape):
    """The maps of a plate, one a stage."""

    stages: list[StageMap]
    width_px: int
    height_px: int
    warnings: list[StudyWarning]
    tables: str


Point = tuple[Place, Place]


class Edit(Shape):
    """A drawn correction, in mm from the top left of the picture as it prints.

    It names the tone it makes by its L*, so that it holds when the picture is cut anew.
    """

    kind: Literal["brush", "lasso", "grade"]
    points: Annotated[list[Point], Field(min_length=1, max_length=MOST_POINTS)]
    """Along a stroke, or round a shape."""
    width_mm: Brush = BRUSH_MM
    to_lstar: Lightness | None = None
    """The tone it becomes; null: kept white. Of a graded shape: the tone at its dark end."""
    from_lstar: Lightness | None = None
    """Of a graded shape: the tone it is crayoned over at, its light end."""
    resist: ResistKey | None = None
    toward: tuple[Point, Point] | None = None
    """Of a graded shape: from where the resist is thickest to where it thins out."""

    @model_validator(mode="after")
    def _whole(self) -> Edit:
        if self.kind != "brush" and len(self.points) < 3:
            raise ValueError("a shape has three points at least: it closes on nothing")
        if self.kind == "grade":
            if None in (self.to_lstar, self.from_lstar, self.resist, self.toward):
                raise ValueError("a graded shape needs to_lstar, from_lstar, resist and toward")
            if (self.from_lstar or 0) <= (self.to_lstar or 0):
                raise ValueError("a graded shape goes from a lighter to a darker tone")
        return self


class Placed(Shape):
    """How a picture lies on the plate as it prints: cropped, turned, then laid down."""

    crop: tuple[float, float, float, float] = (0.0, 0.0, 1.0, 1.0)
    """Left, top, right and bottom, as shares of the picture."""
    turned: Literal[0, 90, 180, 270] = 0
    """Clockwise."""
    left_mm: Place = 0.0
    top_mm: Place = 0.0
    width_mm: Annotated[float, Field(ge=1, le=5000, json_schema_extra={"unit": "mm"})]
    height_mm: Annotated[float, Field(ge=1, le=5000, json_schema_extra={"unit": "mm"})]
    lies: Literal["over", "darkens"] = "over"
    """Over what lies below, or only where it is darker, as a drawing on clear film."""

    @field_validator("crop")
    @classmethod
    def _inside(cls, crop: tuple[float, float, float, float]) -> tuple[float, float, float, float]:
        left, top, right, bottom = crop
        if not (0 <= left < right <= 1 and 0 <= top < bottom <= 1):
            raise ValueError("crop must lie within 0 and 1, left before right, top before bottom")
        return crop


class Sketch(Placed):
    """A picture placed on the plate."""

    image: ImagePath


class Tuning(Shape):
    """Black, white and middle of a picture's greys."""

    black: Annotated[float, Field(ge=0, le=95, json_schema_extra={"unit": "L*"})] = 0.0
    """What is darker becomes black."""
    white: Annotated[float, Field(ge=5, le=100, json_schema_extra={"unit": "L*"})] = 100.0
    gamma: Annotated[float, Field(ge=0.3, le=3)] = 1.0
    """Above 1 the middle greys become darker."""

    @model_validator(mode="after")
    def _apart(self) -> Tuning:
        if self.white - self.black < 5:
            raise ValueError("white must be at least 5 L* above black")
        return self


class StudyCut(Reach):
    """How a study is cut: its tones, the borders between them, and what was drawn over them."""

    map: Mapped = "linear"
    tones_lstar: Annotated[list[Lightness], Field(min_length=2, max_length=MOST_TONES)]
    """The lightest first."""
    bounds_lstar: Annotated[list[Lightness], Field(min_length=1, max_length=MOST_TONES - 1)]
    """Between two neighbours, in the greys asked for."""
    join_mm2: Annotated[float, Field(ge=0, le=500, json_schema_extra={"unit": "mm²"})] = 0
    """Smaller pieces join what lies round them; 0: none does."""
    edits: Annotated[list[Edit], Field(max_length=MOST_EDITS)] = []

    @model_validator(mode="after")
    def _in_places(self) -> StudyCut:
        if len(self.bounds_lstar) != len(self.tones_lstar) - 1:
            raise ValueError("bounds_lstar has one fewer than tones_lstar")
        for name in ("tones_lstar", "bounds_lstar"):
            row = getattr(self, name)
            if any(later >= earlier for earlier, later in itertools.pairwise(row)):
                raise ValueError(f"{name} must fall, the lightest first")
        if sum(edit.kind == "grade" for edit in self.edits) > MOST_GRADED:
            raise ValueError(f"at most {MOST_GRADED} graded shapes")
        return self


class StudyFieldInput(Shape):
    """Sketches laid together on a plate, their greys tuned, smoothed to what a brush can paint."""

    sketches: Annotated[list[Sketch], Field(min_length=1, max_length=MOST_SKETCHES)]
    width_mm: Mm
    height_mm: Mm
    smooth_mm: Smooth = BRUSH_MM
    tuning: Tuning = Tuning()
    write: Folder


class StudyFieldOutput(Shape):
    """The study as it is cut: its picture on 1024 levels of L*, and how many pixels have each."""

    path: str
    small_path: str
    """No longer than 1200 px, for what is looked at."""
    width_px: int
    height_px: int
    px_per_mm: float
    finest_px_per_mm: float
    """Of the coarsest sketch."""
    counts: list[int]
    warnings: list[StudyWarning]
    tables: str


Paper = Literal["A4", "A3", "A2", "letter", "tabloid"]
PenName = Annotated[str, Field(min_length=1, max_length=30)]


class StudyMapsInput(Shape):
    """A study as it was cut, and in which form its maps are wanted."""

    field: ImagePath
    """As ``study-field`` wrote it."""
    cut: StudyCut
    title: Annotated[str, Field(max_length=120)] = ""
    names: dict[str, Annotated[str, Field(max_length=80)]] = {}
    """What areas are called beside their own name."""
    width_mm: Mm
    height_mm: Mm
    form: Literal["png", "pdf", "svg"] = "pdf"
    dpi: Dpi = 300
    paper: Paper = "A4"
    mirrored: bool = True
    method: Method = "stop-out"
    pens: Annotated[list[PenName], Field(max_length=8)] = []
    """One a bite, in order."""
    write: Folder


class StudyMapFile(Shape):
    """One file of maps."""

    path: str
    title: str
    pages: int = 1


class StudyMapsOutput(Shape):
    """The files that were written, in the order of the bites."""

    files: list[StudyMapFile]
    tables: str


class LookOverInput(Shape):
    """A photograph of a plate before a dip, and the map it should be painted by."""

    image: ImagePath
    corners_px: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)] | None = (
        None
    )
    """Of the plate: top left, top right, bottom right, bottom left; null: they are looked for."""
    field: ImagePath
    cut: StudyCut
    width_mm: Mm
    height_mm: Mm
    bite: Annotated[int, Field(ge=1, le=40)]
    """The bite it is painted for."""
    method: Method = "stop-out"


class BareMark(Shape):
    """A place that should be covered and looks bare; in mm as it lies on the plate."""

    kind: Literal["not painted", "edge", "scratch"]
    area: str
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    mm2: float


class LookOverOutput(Shape):
    """What a photograph shows beside the map."""

    marks: list[BareMark]
    corners_px: list[tuple[float, float]]
    sure: bool
    """Whether metal and what covers it can be told apart well."""
    text: str
    tables: str
