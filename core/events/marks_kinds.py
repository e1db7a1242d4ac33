"""The kinds of events of a scratched plate: sittings, sharpening, slips, impressions and wear."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from core.data.scratches import WorkKind
from core.events.payload import Payload, Told
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness

Share = Annotated[float, Field(ge=0, le=1)]
Where = Annotated[str, Field(max_length=120)]
PassCount = Annotated[int, Field(ge=1, le=6)]
ReadSpread = Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})]
MendMinutes = Annotated[float, Field(ge=0, le=1440, json_schema_extra={"unit": "min"})]


class SatDown(Payload):
    """Somebody sits down to the plate."""

    kind = "sat-down"
    short = "sit down"
    work: WorkKind = "hatching"

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Sat down: {self.work}."


class GotUp(Payload):
    """The hand rests, or it is enough; ``sat`` null ends the sitting under way."""

    kind = "got-up"
    short = "rest"
    sat: UUID | None = None
    remembered: bool = False
    """Typed in afterwards."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Rested." + (" Typed in afterwards." if self.remembered else "")


class Sharpened(Payload):
    """The burin was sharpened; it bites on a thumbnail."""

    kind = "sharpened"
    short = "sharpen"
    bites: bool = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Sharpened: it bites on the thumbnail." if self.bites else "Sharpened, still dull."


class Slipped(Payload):
    """The tool slipped: a line nobody drew."""

    kind = "slipped"
    short = "slip"
    where: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Slipped: {self.where}." if self.where else "Slipped."


class Mended(Payload):
    """A slip was scraped and burnished away."""

    kind = "mended"
    short = "mend"
    slip: UUID
    minutes: MendMinutes | None = None

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Mended a slip." if self.minutes is None else f"Mended a slip, {self.minutes:g} min."


class Marked(Payload):
    """A group of marks is drawn to a share; the last word counts."""

    kind = "marked"
    short = "marks drawn"
    group: AreaName
    share: Share = 1.0

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        if self.share >= 1:
            return f"{self.group}: all drawn."
        return f"{self.group}: {self.share:.0%} drawn."


class Pulled(Payload):
    """An impression; a spoiled one has no number of an edition, and wears the plate as well."""

    kind = "pulled"
    short = "impression"
    passes: PassCount = 1
    """Through the press."""
    spoiled: bool = False
    lstar: Lightness | None = None
    """Of the darkest marked area, where it was read at once."""
    spread: ReadSpread = 0.8
    note: Where = ""
    pull: UUID | None = None
    """At the press: its inking; null for the one under way."""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        said = "Pulled an impression" + (", spoiled" if self.spoiled else "")
        said += f", {self.passes} passes" if self.passes > 1 else ""
        said += f", reads L* {self.lstar:g}" if self.lstar is not None else ""
        return f"{said}. {self.note}".strip() if self.note else f"{said}."


class ImpressionRead(Payload):
    """An impression's darkest marked area was read; the last reading counts."""

    kind = "impression-read"
    short = "reading"
    pull: UUID
    lstar: Lightness
    spread: ReadSpread = 0.8

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Read an impression: L* {self.lstar:g}."


class ScratchedAgain(Payload):
    """The marks were scratched again: their burr is new."""

    kind = "scratched-again"
    short = "scratch again"
    note: Where = ""

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return f"Scratched again. {self.note}".strip()


class SteelFaced(Payload):
    """The plate was faced with steel, or the steel was taken off."""

    kind = "steel-faced"
    short = "steel"
    faced: bool = True

    def words(self, told: Told) -> str:
        """Return what the record says of it."""
        return "Faced with steel." if self.faced else "Steel taken off."


MARKS_KINDS: tuple[type[Payload], ...] = (
    SatDown, GotUp, Sharpened, Slipped, Mended, Marked, Pulled, ImpressionRead, ScratchedAgain,
    SteelFaced,
)  # fmt: skip
