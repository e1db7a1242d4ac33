"""Each pull as a row of its edition: what it is called, and why."""

from __future__ import annotations

from dataclasses import dataclass

from core.events.pull_state import PressPull, PullState
from core.printing.numbering import NUMBERED, Number, free_numbers, label_of
from server.editions.models import Edition, Impression
from server.editions.numbers import may_be_numbered, most_of
from server.editions.schemas import ImpressionRow, PullLabel, RowState
from server.plates.models import Plate


@dataclass(frozen=True)
class Rows:
    """An edition's pulls with their numbers."""

    plate: Plate
    edition: Edition | None
    state: PullState
    numbers: dict[object, Impression]
    """By pull."""

    def called(self, pull: PressPull) -> PullLabel:
        """Return what a pull is called."""
        row = self.numbers.get(pull.event)
        if row is not None:
            state: RowState = "void" if pull.spoiled is not None else "signed"
            label = label_of(row.series, row.number)  # type: ignore[arg-type]
            return PullLabel(pull=pull.event, label=label, state=state, number=row.number,
                             series=row.series)  # type: ignore[arg-type] # fmt: skip
        state, label = self._unnumbered(pull)
        return PullLabel(pull=pull.event, label=label, state=state, number=None,
                         series=pull.series)  # fmt: skip

    def next_number(self) -> int | None:
        """Return the number the next impression gets; None where the edition is full."""
        if self.edition is None:
            return None
        given = [Number(row.pull, "edition", row.number) for row in self.numbers.values()
                 if row.series == "edition"]  # fmt: skip
        return next(iter(free_numbers(given, "edition", self.edition.size)), None)

    def _unnumbered(self, pull: PressPull) -> tuple[RowState, str]:
        if pull.spoiled is not None:
            return "spoiled", "spoiled"
        if pull.series is None:
            return "unsigned", "not signed"
        if not may_be_numbered(self.plate, pull):
            return "before-ok", "waits for the OK"
        if self.edition is not None and pull.series in NUMBERED and self._full(pull):
            return "over", "beyond the edition"
        return "to-come", "number to come"

    def _full(self, pull: PressPull) -> bool:
        most = most_of(self.edition)[pull.series] if self.edition and pull.series else 0
        given = sum(row.series == pull.series for row in self.numbers.values())
        return given >= most


def rows_of(plate: Plate, edition: Edition | None, state: PullState) -> Rows:
    """Return an edition's pulls with their numbers, in one query."""
    found = Impression.objects.filter(edition=edition).select_related("by") if edition else []
    return Rows(plate, edition, state, {row.pull: row for row in found})


def impression_row(rows: Rows, pull: PressPull, area: str, ok_lstar: float | None) -> ImpressionRow:
    """Return a pull as a row of its edition."""
    called, number = rows.called(pull), rows.numbers.get(pull.event)
    read = next((each for each in pull.areas if each.name == area), None)
    off = read.lstar - ok_lstar if read is not None and ok_lstar is not None else None
    return ImpressionRow(
        pull=pull.event, place=pull.place, label=called.label, state=called.state,
        series=called.series, number=called.number, at_seconds=pull.pulled_seconds or 0.0,
        signed_seconds=pull.signed_seconds, by=number.by.name if number else "",
        reason=pull.spoiled or (number.before_ok if number else pull.before_ok),
        passes=pull.passes, quarters=pull.quarters, damp_seconds=pull.damp_seconds,
        lstar=read.lstar if read else None, spread=read.spread if read else None,
        off_lstar=round(off, 2) if off is not None else None, dry_seconds=pull.dry_seconds,
        note=" ".join(each.text for each in pull.notes if each.text),
    )  # fmt: skip
