"""The base of every kind of event, and what its words may name."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from pydantic import BaseModel, ConfigDict


@dataclass(frozen=True)
class Told:
    """What an event's words may name: the bath it happened at, and the event it takes back."""

    bath: str = ""
    target: Payload | None = None


@dataclass(frozen=True)
class BathReading:
    """What an event says of the bath its subject is in, for as long as the event holds."""

    temperature_c: float


class Payload(BaseModel):
    """What one kind of event says beside when, where and by whom.

    Keys of older or newer devices that are not known here are passed over: what happened at the
    tray is always taken.
    """

    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)

    kind: ClassVar[str]
    short: ClassVar[str]
    """What a toast calls it: "Took back: lift."."""
    undoable: ClassVar[bool] = True
    in_record: ClassVar[bool] = True
    """False where it would only crowd the record; the event itself stays."""
    cares: ClassVar[bool] = False
    """Hands were at the plate in the bath: the next reminder counts from here."""

    def words(self, told: Told) -> str:
        """Return what the record says of it.

        Parameters
        ----------
        told : Told

        Returns
        -------
        str
            One sentence.

        Raises
        ------
        NotImplementedError
            A kind without words of its own.
        """
        raise NotImplementedError

    def reading(self) -> BathReading | None:
        """Return what it says of the bath; None where it says nothing."""
        return None
