"""Each sheet of a work as a row: what it is called, what is still to be printed on it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any
from uuid import UUID

from core.calculators import compute
from core.data.layers import KINDS_OF_LAYER
from core.errors import CoreError
from core.events.sheet_state import PrintedLayer, WorkSheet, WorkState
from core.printing.numbering import NUMBERED, Number, Series, free_numbers, label_of
from server.works.models import Layering, SignedSheet
from server.works.schemas import LayerOut, SheetState, WorkDecided, WorkSheetRow


@dataclass(frozen=True)
class SheetRows:
    """A work's sheets with their numbers."""

    decided: WorkDecided
    layers: list[LayerOut]
    state: WorkState
    numbers: dict[UUID, SignedSheet]
    """By sheet."""
    unique: bool
    """Each is one of a kind."""

    def rows(self) -> list[WorkSheetRow]:
        """Return a row for each sheet."""
        return [self._row(each) for each in self.state.sheets]

    def next_number(self) -> int | None:
        """Return the number the next sheet gets; None where the edition is full, or has none."""
        if self.unique:
            return None
        given = [Number(row.sheet, "edition", row.number) for row in self.numbers.values()
                 if row.series == "edition"]  # fmt: skip
        return next(iter(free_numbers(given, "edition", self.decided.size)), None)

    def _row(self, sheet: WorkSheet) -> WorkSheetRow:
        state, label = self._called(sheet)
        signed = self.numbers.get(sheet.event)
        return WorkSheetRow(
            sheet=sheet.event, place=sheet.place, label=label, state=state, series=sheet.series,
            number=signed.number if signed else None, by=signed.by.name if signed else "",
            reason=sheet.spoiled or (signed.before_ok if signed else sheet.before_ok),
            left=self.left(sheet), differs=self.differs(sheet), growth=self._growth(sheet),
            ghost=max((each.pull - 1 for each in sheet.prints), default=0),
        )  # fmt: skip

    def left(self, sheet: WorkSheet) -> list[UUID]:
        """Return the layers that are not on a sheet yet, in order."""
        there = {each.layer for each in sheet.prints}
        return [each.id for each in self.decided.layers if each.id not in there]

    def differs(self, sheet: WorkSheet) -> list[str]:
        """Return in what a sheet was printed otherwise than the one that is OK."""
        ok = next((each for each in self.state.sheets if each.event == self.state.approved), None)
        if ok is None or ok.event == sheet.event:
            return []
        standard = {each.layer: each for each in ok.prints}
        return [
            said
            for each in sheet.prints
            if (said := _otherwise(each, standard.get(each.layer))) is not None
        ]

    def _called(self, sheet: WorkSheet) -> tuple[SheetState, str]:
        signed = self.numbers.get(sheet.event)
        if signed is not None:
            label = self._unique_label(sheet) if self.unique else ""
            return ("void" if sheet.spoiled is not None else "signed"), (
                label or label_of(signed.series, signed.number)  # type: ignore[arg-type]
            )
        if sheet.spoiled is not None:
            return "spoiled", "spoiled"
        if sheet.series is None:
            if self.left(sheet):
                return "unfinished", "in work"
            return ("variant", "differs") if self.differs(sheet) else ("unsigned", "not signed")
        if not may_be_numbered(self, sheet):
            return "before-ok", "waits for the OK"
        if not self.unique and sheet.series in NUMBERED:
            given = sum(row.series == sheet.series for row in self.numbers.values())
            if given >= most_of(self.decided)[sheet.series]:
                return "over", "beyond the edition"
        return "to-come", "number to come"

    def _unique_label(self, sheet: WorkSheet) -> str:
        ghost = max((each.pull - 1 for each in sheet.prints), default=0)
        return f"1/1, ghost {ghost}" if ghost else "1/1"

    def _growth(self, sheet: WorkSheet) -> Any:
        """Return how the paper takes a sheet's colours apart; None with one colour."""
        names = {each.id: each.name for each in self.decided.layers}
        last: dict[UUID, PrintedLayer] = {each.layer: each for each in sheet.prints}
        prints = [each for each in last.values() if each.layer in names][:6]
        colours: list[dict[str, Any]] = [
            {"name": names[each.layer], "damp": each.damp, "sheet_mm": each.sheet_mm}
            for each in prints
        ]
        colours += self._before_next(sheet, prints)
        if len(colours) < 2:
            return None
        try:
            return compute("paper-growth", {
                "sheet_mm": [self.decided.sheet_width_mm, self.decided.sheet_height_mm],
                "print_mm": [self.decided.width_mm, self.decided.height_mm],
                "grain": self.decided.grain,
                "colours": colours[:6],
            })  # fmt: skip
        except CoreError:
            return None

    def _before_next(self, sheet: WorkSheet, prints: list[PrintedLayer]) -> list[dict[str, Any]]:
        """Return the colour that comes next, where the sheet was measured since the last one."""
        left = self.left(sheet)
        if not left or not prints or sheet.sheet_mm in (None, prints[-1].sheet_mm):
            return []
        name = next(each.name for each in self.decided.layers if each.id == left[0])
        return [{"name": name, "damp": "same", "sheet_mm": sheet.sheet_mm}]


def most_of(decided: WorkDecided) -> dict[Series, int]:
    """Return how many there are of each series."""
    return {
        "edition": decided.size, "artist": decided.artist_proofs,
        "printer": decided.printer_proofs,
    }  # fmt: skip


def may_be_numbered(rows: SheetRows, sheet: WorkSheet) -> bool:
    """Tell whether a signed sheet may have a number.

    Whole, with every layer on it and as the one that is OK; what is otherwise needs a reason. One
    of a kind needs no OK: there is nothing it must be like.
    """
    if sheet.spoiled is not None or not sheet.prints:
        return False
    if sheet.before_ok.strip() or rows.unique:
        return True
    standard = rows.state.approved is not None
    return standard and not rows.left(sheet) and not rows.differs(sheet)


def _otherwise(print_: PrintedLayer, ok: PrintedLayer | None) -> str | None:
    """Return in what a print differs from the standard's; a hand-made layer always does."""
    if ok is None:
        return f"{print_.name} is not on the sheet that is OK"
    if print_.plate != ok.plate:
        return f"{print_.name} from another plate"
    if print_.state and ok.state and print_.state != ok.state:
        return f"{print_.name} in {print_.state}, not {ok.state}"
    return None


def is_unique(layers: list[LayerOut]) -> bool:
    """Tell whether each sheet of a work is one of a kind."""
    return any(KINDS_OF_LAYER[each.kind].by_hand for each in layers)


def rows_of(
    row: Layering, decided: WorkDecided, layers: list[LayerOut], state: WorkState
) -> SheetRows:
    """Return a work's sheets with their numbers, in one query."""
    found = SignedSheet.objects.filter(layering=row).select_related("by")
    return SheetRows(decided, layers, state, {each.sheet: each for each in found},
                     is_unique(layers))  # fmt: skip
