"""The kinds of events of a work's sheets: layers inked and printed, crosses read, series joined."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field

from core.events.marks_kinds import Where
from core.events.payload import Payload, Told
from core.layers.paper_growth import Damp, SheetSide
from core.layers.register_plates import MarkMm, OffMm
from core.layers.shapes import PlateName, Turn
from core.layers.traced_drawing import MOST_PIECES

DampSize = tuple[SheetSide, SheetSide]
ReadBy = Literal["loupe", "scan"]
Approver = Literal["artist", "printer"]
StateName = Annotated[str, Field(max_length=40)]
CrossDoubt = Annotated[float, Field(ge=0.005, le=5, json_schema_extra={"unit": "mm"})]
MOST_JOINED = 60


class ReadCross(BaseModel):
    """A cross as it was read off a sheet."""

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)

    x_mm: MarkMm
    y_mm: MarkMm
    right_mm: OffMm
    down_mm: OffMm
    spread_mm: CrossDoubt = 0.1


class LayerCrosses(BaseModel):
    """A layer's crosses against the key's."""

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)

    layer: UUID
    name: PlateName
    crosses: Annotated[list[ReadCross], Field(max_length=12)]


class SheetBegun(Payload):
    """A sheet was taken; the event is the sheet."""

    kind = "sheet-begun"
    short = "sheet"
    name: Where = ""
    paper: UUID | None = None
    sheet_mm: DampSize | None = None
    """Dry."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Took a sheet: {self.name}." if self.name else "Took a sheet."


class LayerInked(Payload):
    """A layer was inked, painted or rolled; the event is the inking its ghosts follow from."""

    kind = "layer-inked"
    short = "inking"
    layer: UUID
    name: Where = ""
    plate: UUID | None = None
    ink_name: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Inked {self.name or 'a layer'}{f' with {self.ink_name}' if self.ink_name else ''}."


class LayerPrinted(Payload):
    """A layer was printed on a sheet; ``inking`` null: the latest of that layer."""

    kind = "layer-printed"
    short = "print"
    sheet: UUID
    layer: UUID
    name: Where = ""
    inking: UUID | None = None
    plate: UUID | None = None
    state: StateName = ""
    """Of the plate: State II."""
    damp: Damp = "same"
    sheet_mm: DampSize | None = None
    """As it measured when it was laid."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        state = f", {self.state}" if self.state else ""
        damp = {"same": "", "redamped": ", damped again", "dry": ", dry"}[self.damp]
        return f"Printed {self.name or 'a layer'}{state}{damp}."


class SheetMeasured(Payload):
    """A sheet was measured between colours."""

    kind = "sheet-measured"
    short = "measure"
    sheet: UUID
    sheet_mm: DampSize

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"The sheet measures {self.sheet_mm[0]:g} × {self.sheet_mm[1]:g} mm."


class CrossesRead(Payload):
    """The crosses of a sheet were read, by loupe or off a scan; the last reading counts."""

    kind = "crosses-read"
    short = "crosses"
    sheet: UUID
    key: UUID
    layers: Annotated[list[LayerCrosses], Field(max_length=6)]
    by: ReadBy = "loupe"
    task: UUID | None = None
    """Whose answer tells more: colours, the plate to blame."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        names = ", ".join(each.name for each in self.layers)
        how = "by loupe" if self.by == "loupe" else "off a scan"
        return f"Read the crosses {how}: {names or 'none'}."


class TemplateMoved(Payload):
    """A layer's place on the template was moved."""

    kind = "template-moved"
    short = "template"
    layer: UUID
    name: Where = ""
    right_mm: OffMm = 0.0
    down_mm: OffMm = 0.0
    clockwise_deg: Turn = 0.0

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        said = [
            f"{abs(by):g} mm {more if by > 0 else less}"
            for by, more, less in (
                (self.right_mm, "right", "left"), (self.down_mm, "down", "up"),
            )
            if by
        ]  # fmt: skip
        if self.clockwise_deg:
            said.append(f"turned {self.clockwise_deg:g}°")
        return f"Moved the template of {self.name or 'a layer'}: {', '.join(said) or 'not at all'}."


class PlateChanged(Payload):
    """Another plate takes a layer's place, or the same one after work on it."""

    kind = "plate-changed"
    short = "plate"
    layer: UUID
    name: Where = ""
    plate: UUID | None = None
    plate_name: Where = ""
    reason: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        why = f": {self.reason}" if self.reason else ""
        return (
            f"{self.name or 'A layer'} is printed from {self.plate_name or 'another plate'}{why}."
        )


class SheetsJoined(Payload):
    """Sheets belong together; those printed from one inking do so by themselves."""

    kind = "sheets-joined"
    short = "series"
    sheets: Annotated[list[UUID], Field(min_length=1, max_length=MOST_JOINED)]
    name: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        count = "One sheet" if len(self.sheets) == 1 else f"{len(self.sheets)} sheets"
        return f"{count} kept together{f' as {self.name}' if self.name else ''}."


class SheetApproved(Payload):
    """A sheet is the standard: OK to print; the last one counts."""

    kind = "sheet-approved"
    short = "OK to print"
    sheet: UUID
    by: Approver = "printer"
    condition: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        condition = f", on condition: {self.condition}" if self.condition else ""
        return f"OK to print by the {self.by}{condition}."


class PiecesFollowed(Payload):
    """Parts of a traced drawing were followed, or are to be followed again."""

    kind = "pieces-followed"
    short = "tracing"
    in_record = False
    layer: UUID
    pieces: Annotated[
        list[Annotated[int, Field(ge=1, le=MOST_PIECES)]],
        Field(min_length=1, max_length=MOST_PIECES),
    ]
    followed: bool = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        count = "a part" if len(self.pieces) == 1 else f"{len(self.pieces)} parts"
        return f"Followed {count} of the drawing." if self.followed else f"{count} to follow again."


SHEET_KINDS: tuple[type[Payload], ...] = (
    SheetBegun, LayerInked, LayerPrinted, SheetMeasured, CrossesRead, TemplateMoved, PlateChanged,
    SheetsJoined, SheetApproved, PiecesFollowed,
)  # fmt: skip
