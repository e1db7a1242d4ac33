"""Fold the events at the press: paper in the damp, the pull under way, what was pulled and signed.

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
from core.events.marks_kinds import Pulled
from core.events.pull_kinds import (
    Cleaned,
    ConditionMet,
    Hung,
    Inked,
    Laid,
    PaperIn,
    PaperOut,
    PaperRedamped,
    PressSet,
    PullNoted,
    PullRead,
    SignedOff,
    Spoiled,
    WipeAgain,
    Wiped,
    WipeMapped,
)
from core.events.pull_state import PaperBatch, PressPull, PressStage, PullState, SaidAtThePress
from core.events.spans import Notice, NoticeCode
from core.events.undo import in_order, taken_back

GIVEN_UP_SECONDS = 6 * 3600.0
"""An inking that was not pulled for so long was given up when the next comes. ``room-practice``"""
SAME_PULL_SECONDS = 45.0
"""Two pulls nearer than this are one that two devices logged: no hand inks, wipes and lays so
fast. ``room-practice``"""
REDAMPED_SHARE = 0.5
"""Of the first wait, until paper damped again is ready. ``room-practice``"""
_DAY = 86_400.0

PULL_NOTICES: dict[NoticeCode, str] = {
    "undone": "Taken back.",
    "inked-already": "This plate was inked already: both are one pull. This one is kept.",
    "done-before": "That was done before. The first press counts; this one is kept.",
    "pulled-twice": "Another device logged this pull as well. It counts once; both are kept.",
    "no-such-pull": "This names a pull that has not come in, or was taken back.",
    "no-such-paper": "This names paper that has not come in, or was taken back.",
    "signed-stays": "A signed impression stays: say that it is spoiled, and why.",
    "too-many": "More than can be reckoned on one plate. This one is kept and does not count.",
}

_OF_A_PULL = (Wiped, WipeAgain, Laid, Pulled, PullRead, Spoiled, SignedOff)


def fold_pulls(events: Iterable[Event]) -> PullState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    PullState
    """
    ordered = in_order(events)
    stays = _signed_stay(ordered)
    asked = taken_back(ordered)
    gone = asked - stays
    press = _Press()
    for event in ordered:
        if event.id in gone:
            press.note(event, "undone")
        elif event.id in asked:
            press.note(event, "signed-stays")
    live = [e for e in ordered if e.id not in gone and not isinstance(e.data, Undo)]
    inked = {e.id for e in live if isinstance(e.data, Inked)}
    late = [each for each in live if not press.take(each, inked)]
    for event in late:
        press.take(event, frozenset())
    return press.state()


def _signed_stay(ordered: list[Event]) -> set[UUID]:
    """Return signatures, the inkings they name and the pulls of these: no undo takes them back."""
    signed = {e.id: e.data.pull for e in ordered if isinstance(e.data, SignedOff)}
    pulls = set(signed.values())
    made = {e.id for e in ordered if isinstance(e.data, Pulled) and e.data.pull in pulls}
    return set(signed) | pulls | made


@dataclass
class _Press:
    """The press while its events are gone through."""

    batches: dict[UUID, dict[str, Any]] = field(default_factory=dict)
    pulls: dict[UUID, dict[str, Any]] = field(default_factory=dict)
    stands_for: dict[UUID, UUID] = field(default_factory=dict)
    """A second inking of one pull, by its id."""
    open: UUID | None = None
    last: UUID | None = None
    set: PressSet | None = None
    map: tuple[UUID | None, WipeMapped | None] = (None, None)
    inked_at: float | None = None
    cleaned_at: float | None = None
    met: list[UUID] = field(default_factory=list)
    notes: list[SaidAtThePress] = field(default_factory=list)
    notices: list[Notice] = field(default_factory=list)

    def note(self, event: Event, code: NoticeCode) -> None:
        """Say why an event has no effect."""
        self.notices.append(Notice(event=event.id, code=code, text=PULL_NOTICES[code]))

    def take(self, event: Event, inked: Iterable[UUID]) -> bool:
        """Take an event; False where what it names was inked by a clock that was ahead."""
        said = event.data
        if isinstance(said, _OF_A_PULL):
            return self._of_a_pull(event, said, inked)
        if isinstance(said, Inked):
            self._ink(event, said)
        elif isinstance(said, (PaperIn, PaperOut, PaperRedamped)):
            self._paper(event, said)
        elif isinstance(said, PressSet):
            self.set = said
        elif isinstance(said, WipeMapped):
            self.map = (event.id, said)
        elif isinstance(said, PullNoted):
            self._noted(event, said)
        elif isinstance(said, Hung):
            self._hang(event, said)
        elif isinstance(said, Cleaned):
            self.cleaned_at = event.at_seconds
        elif isinstance(said, ConditionMet) and said.approval not in self.met:
            self.met.append(said.approval)
        return True

    def _ink(self, event: Event, said: Inked) -> None:
        at = self.pulls.get(self.open) if self.open else None
        self.inked_at = event.at_seconds
        if at is not None and event.at_seconds - at["inked_seconds"] < GIVEN_UP_SECONDS:
            self.stands_for[event.id] = at["event"]
            self.note(event, "inked-already")
            return
        if at is not None:
            at["given_up"] = True
        self._begin(event, said.ink, said.name, said.celsius)

    def _begin(self, event: Event, ink: UUID | None, name: str, celsius: float | None) -> None:
        self.pulls[event.id] = {
            "event": event.id, "place": 0, "ink": ink, "ink_name": name, "celsius": celsius,
            "inked_seconds": event.at_seconds, "wiped_seconds": None, "wipes": [],
            "laid_seconds": None, "checked": [], "batch": None, "damp_seconds": None,
            "pulled_seconds": None, "passes": 1, "worn": 0, "quarters": None, "press": None,
            "wipe_map": None, "given_up": False, "spoiled": None, "series": None, "signed": None,
            "signed_seconds": None, "before_ok": "", "areas": [], "seen": [], "dries": None,
            "dry_seconds": None, "notes": [],
        }  # fmt: skip
        self.open = self.last = event.id

    def _of_a_pull(self, event: Event, said: Any, inked: Iterable[UUID]) -> bool:
        named = said.pull
        pull = self.pulls.get(self.stands_for.get(named, named)) if named else self._nameless(event)
        if pull is None:
            if named in inked:
                return False
            self.note(event, "no-such-pull")
            return True
        if isinstance(said, Pulled):
            self._pull(event, said, pull)
        elif isinstance(said, (Wiped, WipeAgain, Laid)):
            self._on_the_way(event, said, pull)
        else:
            self._judge(event, said, pull)
        return True

    def _nameless(self, event: Event) -> dict[str, Any] | None:
        """Return the pull under way; one pulled without a word of its inking begins with it."""
        if self.open is None and isinstance(event.data, Pulled):
            self._begin(event, None, "", None)
        return self.pulls.get(self.open) if self.open else None

    def _on_the_way(self, event: Event, said: Any, pull: dict[str, Any]) -> None:
        done = pull["pulled_seconds"] is not None
        if isinstance(said, WipeAgain) and not done:
            pull.update(wiped_seconds=None, laid_seconds=None)
        elif isinstance(said, Wiped) and not done and pull["wiped_seconds"] is None:
            pull.update(wiped_seconds=event.at_seconds, wipes=list(said.passes),
                        wipe_map=self.map[0])  # fmt: skip
        elif isinstance(said, Laid) and not done and pull["laid_seconds"] is None:
            batch = self.batches.get(said.batch) if said.batch else None
            damp = event.at_seconds - batch["at_seconds"] if batch else None
            pull.update(laid_seconds=event.at_seconds, checked=list(said.checked),
                        batch=said.batch, damp_seconds=damp)  # fmt: skip
        else:
            self.note(event, "done-before")

    def _pull(self, event: Event, said: Pulled, pull: dict[str, Any]) -> None:
        if pull["pulled_seconds"] is not None:
            self.note(event, "done-before")
            return
        made = [each for each in self.pulls.values() if each["pulled_seconds"] is not None]
        if self.open == pull["event"]:
            self.open = None
        if len(made) >= MOST_IMPRESSIONS:
            self.note(event, "too-many")
            return
        near = [
            each for each in made
            if abs(each["pulled_seconds"] - event.at_seconds) < SAME_PULL_SECONDS
        ]  # fmt: skip
        if near:
            self.stands_for[pull["event"]] = near[-1]["event"]
            del self.pulls[pull["event"]]
            self.last = near[-1]["event"]
            self.note(event, "pulled-twice")
            return
        pull.update(
            pulled_seconds=event.at_seconds, passes=said.passes, given_up=False,
            quarters=self.set.quarters if self.set else None,
            press=self.set.press if self.set else None,
            spoiled=said.note if said.spoiled else pull["spoiled"],
        )  # fmt: skip

    def _judge(self, event: Event, said: Any, pull: dict[str, Any]) -> None:
        if isinstance(said, PullRead):
            pull.update(areas=list(said.areas), seen=list(said.seen))
        elif isinstance(said, Spoiled):
            pull["spoiled"] = said.reason
            if self.open == pull["event"]:
                self.open = None
        elif pull["signed"] is None:
            pull.update(series=said.series, signed=event.id, signed_seconds=event.at_seconds,
                        before_ok=said.reason)  # fmt: skip
        else:
            self.note(event, "done-before")

    def _paper(self, event: Event, said: Any) -> None:
        if isinstance(said, PaperIn):
            self.batches[event.id] = {
                "event": event.id, "paper": said.paper, "name": said.name, "pieces": said.pieces,
                "left": said.pieces, "school": said.school, "whose": said.whose,
                "at_seconds": event.at_seconds,
                "ready_seconds": event.at_seconds + said.ready_seconds,
                "latest_seconds": event.at_seconds + said.latest_seconds,
                "redamped": 0, "out_seconds": None, "waits": (said.ready_seconds,
                                                               said.latest_seconds),
            }  # fmt: skip
            return
        batch = self.batches.get(said.batch)
        if batch is None:
            self.note(event, "no-such-paper")
        elif isinstance(said, PaperOut):
            taken = batch["left"] if said.pieces is None else said.pieces
            batch.update(left=max(0, batch["left"] - taken), out_seconds=event.at_seconds)
        else:
            ready, latest = batch["waits"]
            batch.update(
                at_seconds=event.at_seconds, redamped=batch["redamped"] + 1,
                ready_seconds=event.at_seconds + ready * REDAMPED_SHARE,
                latest_seconds=event.at_seconds + latest,
            )  # fmt: skip

    def _noted(self, event: Event, said: PullNoted) -> None:
        note = SaidAtThePress(event=event.id, at_seconds=event.at_seconds, text=said.text,
                              sound=said.sound, sound_seconds=said.seconds)  # fmt: skip
        named = said.pull or self.last
        pull = self.pulls.get(self.stands_for.get(named, named)) if named else None
        (pull["notes"] if pull else self.notes).append(note)

    def _hang(self, event: Event, said: Hung) -> None:
        for each in said.pulls:
            pull = self.pulls.get(self.stands_for.get(each, each))
            if pull is None:
                self.note(event, "no-such-pull")
            else:
                pull.update(dries=said.how, dry_seconds=event.at_seconds + said.days * _DAY)

    def state(self) -> PullState:
        """Return what stands after all events."""
        _count(self.pulls)
        open_pull = self.pulls.get(self.open) if self.open else None
        dirty = self.inked_at is not None and (self.cleaned_at or 0.0) < self.inked_at
        return PullState(
            batches=[PaperBatch(**_without(each)) for each in self.batches.values()],
            pulls=[PressPull(**each) for each in self.pulls.values()],
            under_way=self.open, stage=_stage(open_pull),
            quarters=self.set.quarters if self.set else None,
            passes=self.set.passes if self.set else 1,
            press=self.set.press if self.set else None,
            wipe_map=self.map[0], patches=list(self.map[1].patches) if self.map[1] else [],
            dirty_since_seconds=self.inked_at if dirty else None,
            cleaned_seconds=self.cleaned_at, conditions_met=self.met, notes=self.notes,
            notices=self.notices,
        )  # fmt: skip


def _without(batch: dict[str, Any]) -> dict[str, Any]:
    return {key: value for key, value in batch.items() if key != "waits"}


def _count(pulls: dict[UUID, dict[str, Any]]) -> None:
    """Number those pulled in the order they went through, and add up the passes."""
    made = [each for each in pulls.values() if each["pulled_seconds"] is not None]
    made.sort(key=lambda each: (each["pulled_seconds"], str(each["event"])))
    worn = 0
    for place, each in enumerate(made, start=1):
        worn += each["passes"]
        each.update(place=place, worn=worn)


def _stage(pull: dict[str, Any] | None) -> PressStage:
    if pull is None:
        return "ink"
    if pull["laid_seconds"] is not None:
        return "pull"
    return "lay" if pull["wiped_seconds"] is not None else "wipe"
