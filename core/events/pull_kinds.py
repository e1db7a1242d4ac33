"""The kinds of events at the press: damp paper, ink, wipe, lay, pull, and what is signed."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field

from core.data.paper import DAMPING, DRYING, DryWay, School
from core.events.marks_kinds import PassCount, ReadSpread, Where
from core.events.payload import Payload, Told
from core.printing.numbering import Series
from core.printing.pull_check import Seen
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness

Pieces = Annotated[int, Field(ge=1, le=1000)]
DampSeconds = Annotated[float, Field(ge=1, le=1e6, json_schema_extra={"unit": "s"})]
Quarters = Annotated[int, Field(ge=-40, le=120)]
InkCelsius = Annotated[float, Field(ge=0, le=90, json_schema_extra={"unit": "°C"})]
PrintMm = Annotated[float, Field(ge=-5, le=2505, json_schema_extra={"unit": "mm"})]
PatchKind = Literal["leave", "bright", "whiting"]
SoundSeconds = Annotated[float, Field(ge=0, le=600, json_schema_extra={"unit": "s"})]
DryDays = Annotated[float, Field(ge=0, le=60, json_schema_extra={"unit": "d"})]
_PATCH_WORDS: dict[PatchKind, str] = {
    "leave": "leave a film", "bright": "wipe bright", "whiting": "whiting",
}  # fmt: skip


class WipePatch(BaseModel):
    """A patch of a wipe map, in mm on the print from its top left."""

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)

    kind: PatchKind
    name: Where = ""
    points: Annotated[list[tuple[PrintMm, PrintMm]], Field(min_length=3, max_length=200)]


class PulledTone(BaseModel):
    """An area as it was read off an impression."""

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)

    name: AreaName
    lstar: Lightness
    spread: ReadSpread = 0.8


class PaperIn(Payload):
    """Pieces of paper went into the damp; the event is the batch."""

    kind = "paper-in"
    short = "paper in"
    paper: UUID | None = None
    name: Where = ""
    pieces: Pieces = 1
    school: School = "soft-soak"
    ready_seconds: DampSeconds = 1200.0
    latest_seconds: DampSeconds = 7200.0
    whose: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        what = f"{self.pieces} of {self.name}" if self.name else f"{self.pieces} pieces of paper"
        whose = f" for {self.whose}" if self.whose else ""
        return f"Put {what} into the {DAMPING[self.school].place}{whose}."


class PaperOut(Payload):
    """Pieces came out to be blotted; ``pieces`` null: all that are left."""

    kind = "paper-out"
    short = "paper out"
    batch: UUID
    pieces: Pieces | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Took all the paper out." if self.pieces is None else f"Paper out: {self.pieces}."


class PaperRedamped(Payload):
    """A batch was damped again, for another colour or because it dried."""

    kind = "paper-redamped"
    short = "redamping"
    batch: UUID

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Damped the paper again."


class Inked(Payload):
    """The plate was inked; the event is the pull that begins."""

    kind = "inked"
    short = "ink"
    ink: UUID | None = None
    name: Where = ""
    celsius: InkCelsius | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        warm = f", {self.celsius:g} °C" if self.celsius is not None else ""
        return f"Inked{f' with {self.name}' if self.name else ''}{warm}."


class Wiped(Payload):
    """The plate was wiped; ``pull`` null for the one under way."""

    kind = "wiped"
    short = "wipe"
    pull: UUID | None = None
    passes: Annotated[list[Where], Field(max_length=8)] = []
    """In order: gauze, paper, hand with chalk …"""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Wiped: {', '.join(self.passes)}." if self.passes else "Wiped."


class WipeAgain(Payload):
    """It went back from the bed to be wiped again."""

    kind = "wipe-again"
    short = "wipe again"
    pull: UUID | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Back to be wiped again."


class Laid(Payload):
    """Plate and paper lie on the bed."""

    kind = "laid"
    short = "lay"
    pull: UUID | None = None
    batch: UUID | None = None
    checked: Annotated[list[Where], Field(max_length=8)] = []
    """Looked at: limp, no shine, edges wiped."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Laid plate and paper" + (f": {', '.join(self.checked)}." if self.checked else ".")


class PressSet(Payload):
    """The press was set: quarter turns from contact, passes, whose blankets."""

    kind = "press-set"
    short = "press"
    quarters: Quarters
    passes: PassCount = 1
    press: UUID | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        turns = f"Press at {turns_text(self.quarters)}"
        return f"{turns}, {self.passes} passes." if self.passes > 1 else f"{turns}."


class WipeMapped(Payload):
    """Where to leave ink and where to wipe bright, painted on the picture; the last one counts."""

    kind = "wipe-mapped"
    short = "wipe map"
    patches: Annotated[list[WipePatch], Field(max_length=40)]

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        if not self.patches:
            return "Wipe map emptied: wipe evenly."
        said = [f"{each.name or 'a patch'}: {_PATCH_WORDS[each.kind]}" for each in self.patches]
        return f"Wipe map: {'; '.join(said)}."


class PullNoted(Payload):
    """Words typed or spoken at the press."""

    kind = "pull-noted"
    short = "note"
    pull: UUID | None = None
    text: Annotated[str, Field(max_length=1000)] = ""
    sound: UUID | None = None
    seconds: SoundSeconds = 0.0
    """Of the sound."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        spoken = f"Spoken note, {self.seconds:.0f} s." if self.sound else ""
        return " ".join(each for each in (self.text, spoken) if each) or "An empty note."


class PullRead(Payload):
    """An impression was read, or looked at; the last reading counts."""

    kind = "pull-read"
    short = "reading"
    pull: UUID
    areas: Annotated[list[PulledTone], Field(max_length=40)] = []
    seen: Annotated[list[Seen], Field(max_length=10)] = []

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        tones = ", ".join(f"{each.name} L* {each.lstar:g}" for each in self.areas)
        seen = ", ".join(each.replace("-", " ") for each in self.seen)
        return f"Read: {'; '.join(each for each in (tones, seen) if each) or 'nothing amiss'}."


class Spoiled(Payload):
    """An impression is spoiled: it wore the plate, and stands for none of the edition."""

    kind = "spoiled"
    short = "spoiled"
    pull: UUID
    reason: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Spoiled: {self.reason}." if self.reason else "Spoiled."


class SignedOff(Payload):
    """An impression was signed; its number comes from the print room, and stays."""

    kind = "signed"
    short = "signature"
    undoable: ClassVar[bool] = False
    pull: UUID
    series: Series = "edition"
    reason: Where = ""
    """Why it is signed although nothing is OK to print yet."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        what = {"edition": "for the edition", "artist": "as an artist's proof",
                "printer": "as a printer's proof", "trial": "as a trial proof"}  # fmt: skip
        why = f", before the OK: {self.reason}" if self.reason else ""
        return f"Signed {what[self.series]}{why}."


class Hung(Payload):
    """Impressions were put to dry."""

    kind = "hung"
    short = "drying"
    pulls: Annotated[list[UUID], Field(min_length=1, max_length=200)]
    how: DryWay = "blotters"
    days: DryDays = 2.0

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        count = "One impression" if len(self.pulls) == 1 else f"{len(self.pulls)} impressions"
        return f"{count} to dry: {DRYING[self.how].label}, {self.days:g} days."


class Cleaned(Payload):
    """The plate was cleaned of its ink."""

    kind = "plate-cleaned"
    short = "plate cleaned"

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Plate cleaned."


class ConditionMet(Payload):
    """The condition of an OK to print was met."""

    kind = "condition-met"
    short = "condition"
    approval: UUID
    note: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"The OK's condition is met. {self.note}".strip()


def turns_text(quarters: int) -> str:
    """Return quarter turns as they are said at the press: "1¾ turns".

    Parameters
    ----------
    quarters : int

    Returns
    -------
    str
    """
    whole, part = divmod(abs(quarters), 4)
    sign = "−" if quarters < 0 else ""
    fraction = ("", "¼", "½", "¾")[part]
    said = f"{whole or ''}{fraction}" or "0"
    return f"{sign}{said} turn" + ("" if said in ("1", "¼", "½", "¾") else "s")


PULL_KINDS: tuple[type[Payload], ...] = (
    PaperIn, PaperOut, PaperRedamped, Inked, Wiped, WipeAgain, Laid, PressSet, WipeMapped,
    PullNoted, PullRead, Spoiled, SignedOff, Hung, Cleaned, ConditionMet,
)  # fmt: skip
