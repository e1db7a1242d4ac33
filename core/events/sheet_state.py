"""What follows from the events of a work's sheets: what each bears, what belongs together."""

from __future__ import annotations

from uuid import UUID

from core.data.paper import DryWay
from core.events.pull_kinds import PulledTone
from core.events.pull_state import SaidAtThePress
from core.events.sheet_kinds import Approver, LayerCrosses, ReadBy
from core.events.spans import Notice
from core.layers.paper_growth import Damp
from core.printing.numbering import Series as SignedAs
from core.printing.pull_check import Seen
from core.schema import Shape


class PrintedLayer(Shape):
    """A layer as it was printed on a sheet."""

    event: UUID
    layer: UUID
    name: str
    at_seconds: float
    inking: UUID | None
    pull: int
    """Of its inking: 1 the first, 2 its first ghost; 0 where no inking is known."""
    plate: UUID | None
    state: str
    damp: Damp
    sheet_mm: tuple[float, float] | None


class SheetCrosses(Shape):
    """The crosses of a sheet as they were read last."""

    event: UUID
    at_seconds: float
    key: UUID
    layers: list[LayerCrosses]
    by: ReadBy
    task: UUID | None


class WorkSheet(Shape):
    """A sheet of a work; its id is the event that began it."""

    event: UUID
    place: int
    """In the order they were begun, from 1."""
    name: str
    began_seconds: float
    paper: UUID | None
    sheet_mm: tuple[float, float] | None
    """As it measured last."""
    prints: list[PrintedLayer]
    """In the order they were printed."""
    printed_seconds: float | None
    """The last of them."""
    crosses: SheetCrosses | None
    areas: list[PulledTone]
    seen: list[Seen]
    family: UUID | None
    """The series it belongs to; None: it stands alone."""
    spoiled: str | None
    series: SignedAs | None
    signed: UUID | None
    signed_seconds: float | None
    before_ok: str
    dries: DryWay | None
    dry_seconds: float | None
    notes: list[SaidAtThePress]


class Inking(Shape):
    """An inking of a layer and the sheets pulled from it."""

    event: UUID
    layer: UUID
    name: str
    plate: UUID | None
    ink_name: str
    at_seconds: float
    sheets: list[UUID]
    """In the order they were pulled."""
    over: bool
    """The layer was inked anew since."""


class Family(Shape):
    """Sheets that are kept together; its id is its first sheet's."""

    event: UUID
    name: str
    sheets: list[UUID]


class LayerMove(Shape):
    """By how much a layer's template was moved in all, and when last."""

    layer: UUID
    right_mm: float
    down_mm: float
    clockwise_deg: float
    at_seconds: float


class LayerPlate(Shape):
    """The plate that prints a layer since it was changed."""

    layer: UUID
    plate: UUID | None
    plate_name: str
    reason: str
    at_seconds: float


class Followed(Shape):
    """Parts of a layer's traced drawing that were followed."""

    layer: UUID
    pieces: list[int]


class WorkState(Shape):
    """Where a work stands."""

    sheets: list[WorkSheet]
    inkings: list[Inking]
    families: list[Family]
    approved: UUID | None
    """The sheet that is the standard."""
    approved_by: Approver | None
    condition: str
    conditions_met: list[UUID]
    moves: list[LayerMove]
    plates: list[LayerPlate]
    followed: list[Followed]
    notes: list[SaidAtThePress]
    notices: list[Notice]
