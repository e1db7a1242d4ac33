"""Every kind of event: what it says, its words for the record, whether it can be taken back.

A kind is one class here. The server's input and output, the record, the browser's types and its
table of kinds all follow from ``KINDS``; only the fold knows what a kind does to a subject.
"""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from core.events.exposure_kinds import Began, Checked, Ended, PassedOver, WaterRead
from core.events.marks_kinds import MARKS_KINDS
from core.events.payload import BathReading, Payload, Told
from core.events.pull_kinds import PULL_KINDS
from core.events.sheet_kinds import SHEET_KINDS
from core.kinetics.shapes import BathCelsius
from core.stages.shapes import MOST_AREAS, MOST_DONE, AreaName
from core.tone.shapes import Lightness

Names = Annotated[list[AreaName], Field(max_length=MOST_AREAS)]


class Dip(Payload):
    """The plate goes into the bath; ``open`` is what the mordant can reach.

    ``celsius`` was sent by older devices, which copied it from the bath as they knew it.
    """

    kind = "dip"
    short = "dip"
    open: Names
    celsius: BathCelsius | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Dipped in {told.bath}. Open: {', '.join(self.open)}."


class Lift(Payload):
    """The plate comes out; ``dip`` null ends the dip under way."""

    kind = "lift"
    short = "lift"
    dip: UUID | None = None
    remembered: bool = False
    """Typed in afterwards, not pressed at the tray."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Lifted." + (" Typed in afterwards." if self.remembered else "")


class Temperature(Payload):
    """The bath's temperature, read off a thermometer or a probe."""

    kind = "temperature"
    short = "temperature"
    in_record = False
    celsius: BathCelsius

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"{told.bath} at {self.celsius:.1f} °C."

    def reading(self) -> BathReading | None:
        """Return what it says of the bath."""
        return BathReading(temperature_c=self.celsius)


class Rocked(Payload):
    """The tray was rocked, or the plate turned."""

    kind = "rocked"
    short = "rocked"
    cares = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Rocked the tray."


class Feathered(Payload):
    """Bubbles were brushed off the lines."""

    kind = "feathered"
    short = "feathered"
    cares = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Feathered the bubbles off."


class Brushed(Payload):
    """Sludge was brushed off the plate."""

    kind = "brushed"
    short = "brushed"
    cares = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Brushed the sludge off."


class Refreshed(Payload):
    """A pool of mordant was brushed anew: its thin film is used up within a minute."""

    kind = "refreshed"
    short = "refreshed"
    cares = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Brushed fresh mordant onto the pools."


class Covered(Payload):
    """Areas were stopped out."""

    kind = "covered"
    short = "covered"
    areas: Names

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Stopped out {', '.join(self.areas)}."


class Opened(Payload):
    """Areas were opened to the mordant: lines drawn through the ground, a cover taken off."""

    kind = "opened"
    short = "opened"
    areas: Names

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Opened {', '.join(self.areas)}."


class Rinsed(Payload):
    """The plate was rinsed."""

    kind = "rinsed"
    short = "rinsed"

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Rinsed."


LastRinse = Literal["bicarbonate", "vinegar and salt", "water"]
"""Schools of the last rinse."""
_RINSED_WITH: dict[LastRinse, str] = {
    "bicarbonate": "Wiped with bicarbonate.",
    "vinegar and salt": "Last rinse with vinegar and salt.",
    "water": "Last rinse with water alone.",
}


class Neutralised(Payload):
    """The last rinse, by the room's school."""

    kind = "neutralised"
    short = "last rinse"
    how: LastRinse = "bicarbonate"

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return _RINSED_WITH[self.how]


class Protected(Payload):
    """Goggles and gloves are on, the extraction runs: said once a run."""

    kind = "protected"
    short = "goggles, gloves, extraction"

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Goggles and gloves on, extraction on."


class Scrap(Payload):
    """A companion scrap, bitten beside the plate, lifted after a bite, printed and read."""

    kind = "scrap"
    short = "companion scrap"
    after: Annotated[int, Field(ge=1, le=MOST_DONE)]
    """In the bath for so many bites, from the first on."""
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20)] | None = None
    """Standard deviation of the reading [L*]."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Companion scrap, lifted after bite {self.after}, reads L* {self.lstar:g}."


class Observation(Payload):
    """Something seen or felt: bubbles, shine, how deep a line feels."""

    kind = "observation"
    short = "observation"
    about: Annotated[str, Field(max_length=40)] = ""
    text: Annotated[str, Field(max_length=1000)]

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Saw: {self.about} {self.text}".strip()


class Note(Payload):
    """Words that are not an observation."""

    kind = "note"
    short = "note"
    undoable = False
    about: Annotated[str, Field(max_length=40)] = ""
    text: Annotated[str, Field(max_length=1000)]

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return self.text


class Undo(Payload):
    """An event is taken back; where it is an undo itself, what that took back holds again."""

    kind = "undo"
    short = "undo"
    undoable = False
    event: UUID

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        if told.target is None:
            return "Took back an entry."
        if isinstance(told.target, Undo):
            return "Put back what was taken back."
        return f"Took back: {told.target.words(told)}"


_ALL: tuple[type[Payload], ...] = (
    Dip, Lift, Temperature, Rocked, Feathered, Brushed, Refreshed, Covered, Opened, Rinsed,
    Neutralised, Protected, Scrap, Observation, Note, Undo, Began, Ended, PassedOver, Checked,
    WaterRead, *MARKS_KINDS, *PULL_KINDS, *SHEET_KINDS,
)  # fmt: skip
KINDS: dict[str, type[Payload]] = {kind.kind: kind for kind in _ALL}
