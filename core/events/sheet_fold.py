"""Fold the events of a work's sheets: layers printed, ghosts of an inking, series, what is signed.

The browser folds the same events by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any
from uuid import UUID

from core.data.wear import MOST_IMPRESSIONS
from core.events.event import Event
from core.events.kinds import Undo
from core.events.pull_fold import SAME_PULL_SECONDS
from core.events.pull_kinds import ConditionMet, Hung, PullNoted, PullRead, SignedOff, Spoiled
from core.events.pull_state import SaidAtThePress
from core.events.sheet_kinds import (
    CrossesRead,
    LayerInked,
    LayerPrinted,
    PiecesFollowed,
    PlateChanged,
    SheetApproved,
    SheetBegun,
    SheetMeasured,
    SheetsJoined,
    TemplateMoved,
)
from core.events.sheet_state import (
    Family,
    Followed,
    Inking,
    LayerMove,
    LayerPlate,
    PrintedLayer,
    SheetCrosses,
    WorkSheet,
    WorkState,
)
from core.events.spans import Notice, NoticeCode
from core.events.undo import in_order, taken_back

_DAY = 86_400.0
WORK_NOTICES: dict[NoticeCode, str] = {
    "undone": "Taken back.",
    "no-such-sheet": "This names a sheet that has not come in, or was taken back.",
    "no-such-inking": "This names an inking that has not come in, or was taken back.",
    "inked-since": "It was inked anew in between: this is a pull of that inking, no ghost of the "
    "one before.",
    "printed-twice": "Another device logged this print as well. It counts once; both are kept.",
    "layer-twice": "This sheet had that layer already: it is printed over it. Both are kept.",
    "done-before": "That was done before. The first press counts; this one is kept.",
    "signed-stays": "A signed sheet stays: say that it is spoiled, and why.",
    "too-many": "More sheets than can be reckoned in one work. This one is kept and does not "
    "count.",
}


def fold_work(events: Iterable[Event]) -> WorkState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    WorkState

    Notes
    -----
    Sheets and inkings are laid out first, since the clock of the device that printed may run
    behind the one that inked; then all else in the order that counts.
    """
    ordered = in_order(events)
    stays = _signed_stay(ordered)
    asked = taken_back(ordered)
    work = _Work()
    for event in ordered:
        if event.id in asked:
            work.note(event, "signed-stays" if event.id in stays else "undone")
    gone = asked - stays
    live = [e for e in ordered if e.id not in gone and not isinstance(e.data, Undo)]
    for event in live:
        work.lay_out(event)
    for event in live:
        work.take(event)
    return work.state()


def _signed_stay(ordered: list[Event]) -> set[UUID]:
    """Return signatures, the sheets they name and what is printed on these: no undo takes them."""
    signed = {e.id: e.data.pull for e in ordered if isinstance(e.data, SignedOff)}
    sheets = set(signed.values())
    made = {e.id for e in ordered if isinstance(e.data, LayerPrinted) and e.data.sheet in sheets}
    return set(signed) | sheets | made


@dataclass
class _Work:
    """A work while its events are gone through."""

    sheets: dict[UUID, dict[str, Any]] = field(default_factory=dict)
    inkings: dict[UUID, dict[str, Any]] = field(default_factory=dict)
    joined: list[tuple[list[UUID], str]] = field(default_factory=list)
    moves: dict[UUID, dict[str, Any]] = field(default_factory=dict)
    plates: dict[UUID, LayerPlate] = field(default_factory=dict)
    followed: dict[UUID, set[int]] = field(default_factory=dict)
    approved: SheetApproved | None = None
    met: list[UUID] = field(default_factory=list)
    notes: list[SaidAtThePress] = field(default_factory=list)
    notices: list[Notice] = field(default_factory=list)

    def note(self, event: Event, code: NoticeCode) -> None:
        """Say why an event has no effect, or another than it says."""
        self.notices.append(Notice(event=event.id, code=code, text=WORK_NOTICES[code]))

    def lay_out(self, event: Event) -> None:
        """Take what others name: sheets and inkings."""
        said = event.data
        if isinstance(said, SheetBegun):
            self._begin(event, said)
        elif isinstance(said, LayerInked):
            for each in self.inkings.values():
                each["over"] = each["over"] or each["layer"] == said.layer
            self.inkings[event.id] = {
                "event": event.id, "layer": said.layer, "name": said.name, "plate": said.plate,
                "ink_name": said.ink_name, "at_seconds": event.at_seconds, "sheets": [],
                "over": False,
            }  # fmt: skip

    def take(self, event: Event) -> None:
        """Take what happened to sheets and layers."""
        said = event.data
        if isinstance(said, LayerPrinted):
            self._print(event, said)
        elif isinstance(said, (SheetMeasured, CrossesRead, SheetApproved)):
            self._of_a_sheet(event, said, said.sheet)
        elif isinstance(said, (PullRead, Spoiled, SignedOff)):
            self._of_a_sheet(event, said, said.pull)
        elif isinstance(said, Hung):
            self._hang(event, said)
        elif isinstance(said, SheetsJoined):
            self._join(event, said)
        elif isinstance(said, PullNoted):
            self._noted(event, said)
        elif isinstance(said, ConditionMet) and said.approval not in self.met:
            self.met.append(said.approval)
        else:
            self._of_a_layer(event, said)

    def _begin(self, event: Event, said: SheetBegun) -> None:
        if len(self.sheets) >= MOST_IMPRESSIONS:
            self.note(event, "too-many")
            return
        self.sheets[event.id] = {
            "event": event.id, "place": len(self.sheets) + 1, "name": said.name,
            "began_seconds": event.at_seconds, "paper": said.paper, "sheet_mm": said.sheet_mm,
            "prints": [], "printed_seconds": None, "crosses": None, "areas": [], "seen": [],
            "family": None, "spoiled": None, "series": None, "signed": None,
            "signed_seconds": None, "before_ok": "", "dries": None, "dry_seconds": None,
            "notes": [],
        }  # fmt: skip

    def _print(self, event: Event, said: LayerPrinted) -> None:
        sheet = self.sheets.get(said.sheet)
        if sheet is None:
            self.note(event, "no-such-sheet")
            return
        before = [each for each in sheet["prints"] if each["layer"] == said.layer]
        if any(event.at_seconds - each["at_seconds"] < SAME_PULL_SECONDS for each in before):
            self.note(event, "printed-twice")
            return
        if before:
            self.note(event, "layer-twice")
        inking = self._inking(event, said)
        if inking is not None:
            inking["sheets"].append(said.sheet)
        sheet["prints"].append({
            "event": event.id, "layer": said.layer, "name": said.name,
            "at_seconds": event.at_seconds, "inking": inking["event"] if inking else None,
            "pull": len(inking["sheets"]) if inking else 0, "plate": said.plate,
            "state": said.state, "damp": said.damp, "sheet_mm": said.sheet_mm,
        })  # fmt: skip
        sheet["printed_seconds"] = event.at_seconds
        sheet["sheet_mm"] = said.sheet_mm or sheet["sheet_mm"]

    def _inking(self, event: Event, said: LayerPrinted) -> dict[str, Any] | None:
        """Return the inking a print comes from: the one it names, unless it was inked anew."""
        named = self.inkings.get(said.inking) if said.inking else None
        if said.inking and (named is None or named["layer"] != said.layer):
            self.note(event, "no-such-inking")
        since = named["at_seconds"] if named else None
        latest = None
        for each in self.inkings.values():
            if each["layer"] == said.layer and each["at_seconds"] <= event.at_seconds:
                latest = each
        if named is None or named["layer"] != said.layer:
            return latest
        if latest is not None and latest is not named and latest["at_seconds"] > since:
            self.note(event, "inked-since")
            return latest
        return named

    def _of_a_sheet(self, event: Event, said: Any, named: UUID) -> None:
        sheet = self.sheets.get(named)
        if sheet is None:
            self.note(event, "no-such-sheet")
        elif isinstance(said, SheetMeasured):
            sheet["sheet_mm"] = said.sheet_mm
        elif isinstance(said, CrossesRead):
            sheet["crosses"] = SheetCrosses(
                event=event.id, at_seconds=event.at_seconds, key=said.key,
                layers=list(said.layers), by=said.by, task=said.task,
            )  # fmt: skip
        elif isinstance(said, SheetApproved):
            self.approved = said
        elif isinstance(said, PullRead):
            sheet.update(areas=list(said.areas), seen=list(said.seen))
        elif isinstance(said, Spoiled):
            sheet["spoiled"] = said.reason
        elif sheet["signed"] is None:
            sheet.update(series=said.series, signed=event.id, signed_seconds=event.at_seconds,
                         before_ok=said.reason)  # fmt: skip
        else:
            self.note(event, "done-before")

    def _of_a_layer(self, event: Event, said: Any) -> None:
        if isinstance(said, TemplateMoved):
            move = self.moves.setdefault(said.layer, {
                "layer": said.layer, "right_mm": 0.0, "down_mm": 0.0, "clockwise_deg": 0.0,
            })  # fmt: skip
            for key in ("right_mm", "down_mm", "clockwise_deg"):
                move[key] = round(move[key] + getattr(said, key), 3)
            move["at_seconds"] = event.at_seconds
        elif isinstance(said, PlateChanged):
            self.plates[said.layer] = LayerPlate(
                layer=said.layer, plate=said.plate, plate_name=said.plate_name,
                reason=said.reason, at_seconds=event.at_seconds,
            )  # fmt: skip
        elif isinstance(said, PiecesFollowed):
            done = self.followed.setdefault(said.layer, set())
            (done.update if said.followed else done.difference_update)(said.pieces)

    def _hang(self, event: Event, said: Hung) -> None:
        for each in said.pulls:
            sheet = self.sheets.get(each)
            if sheet is None:
                self.note(event, "no-such-sheet")
            else:
                sheet.update(dries=said.how, dry_seconds=event.at_seconds + said.days * _DAY)

    def _join(self, event: Event, said: SheetsJoined) -> None:
        known = [each for each in said.sheets if each in self.sheets]
        if len(known) < len(said.sheets):
            self.note(event, "no-such-sheet")
        if known:
            self.joined.append((known, said.name))

    def _noted(self, event: Event, said: PullNoted) -> None:
        note = SaidAtThePress(event=event.id, at_seconds=event.at_seconds, text=said.text,
                              sound=said.sound, sound_seconds=said.seconds)  # fmt: skip
        sheet = self.sheets.get(said.pull) if said.pull else None
        (sheet["notes"] if sheet else self.notes).append(note)

    def state(self) -> WorkState:
        """Return what stands after all events."""
        families = self._families()
        for each in families:
            for sheet in each.sheets:
                self.sheets[sheet]["family"] = each.event
        said = self.approved
        return WorkState(
            sheets=[
                WorkSheet(**{**each, "prints": [PrintedLayer(**one) for one in each["prints"]]})
                for each in self.sheets.values()
            ],
            inkings=[Inking(**each) for each in self.inkings.values()],
            families=families, approved=said.sheet if said else None,
            approved_by=said.by if said else None, condition=said.condition if said else "",
            conditions_met=self.met, moves=[LayerMove(**each) for each in self.moves.values()],
            plates=list(self.plates.values()),
            followed=[
                Followed(layer=layer, pieces=sorted(done)) for layer, done in self.followed.items()
            ],
            notes=self.notes, notices=self.notices,
        )  # fmt: skip

    def _families(self) -> list[Family]:
        """Return sheets that hang together by an inking or by word, the first begun first."""
        groups = [(each["sheets"], "") for each in self.inkings.values()] + self.joined
        head = {sheet: sheet for sheet in self.sheets}

        def top(sheet: UUID) -> UUID:
            while head[sheet] != sheet:
                sheet = head[sheet]
            return sheet

        place = {sheet: row["place"] for sheet, row in self.sheets.items()}
        for members, _ in groups:
            tops = sorted({top(each) for each in members}, key=place.__getitem__)
            for each in tops[1:]:
                head[each] = tops[0]
        names: dict[UUID, str] = {}
        for members, name in self.joined:
            if name:
                names[top(members[0])] = name
        found: dict[UUID, list[UUID]] = {}
        for sheet in self.sheets:
            found.setdefault(top(sheet), []).append(sheet)
        named = {top(members[0]) for members, _ in self.joined}
        return [
            Family(event=first, name=names.get(first, ""), sheets=members)
            for first, members in found.items()
            if len(members) > 1 or first in named
        ]
