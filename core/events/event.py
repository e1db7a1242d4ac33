"""One event, and the union of all kinds around any envelope."""

from __future__ import annotations

from typing import Annotated, Any, Literal, TypeVar, Union
from uuid import UUID

from pydantic import BaseModel, Field, SerializeAsAny, create_model, model_validator

from core.events.kinds import KINDS
from core.events.payload import Payload
from core.schema import Shape


class Event(Shape):
    """One thing that happened to a subject, at corrected time."""

    id: UUID
    kind: str
    at_seconds: float
    """[s since the epoch], by the server's clock."""
    device: str
    sequence: int
    """The device's own count; tells apart what it logged in one instant."""
    data: SerializeAsAny[Payload]

    @model_validator(mode="before")
    @classmethod
    def _typed(cls, raw: Any) -> Any:
        if isinstance(raw, dict) and not isinstance(raw.get("data"), Payload):
            return raw | {"data": payload_of(raw["kind"], raw.get("data") or {})}
        return raw


def payload_of(kind: str, data: object) -> Payload:
    """Return what an event says, checked by its kind.

    Parameters
    ----------
    kind : str
        A key of ``KINDS``.
    data : mapping
        As it was sent or stored.

    Returns
    -------
    Payload

    Raises
    ------
    pydantic.ValidationError
        Data that are not of the kind.
    """
    return KINDS[kind].model_validate(data)


Envelope = TypeVar("Envelope", bound=BaseModel)


def one_of_each_kind(envelope: type[Envelope], ending: str) -> Any:
    """Return the discriminated union of all kinds, each in one envelope.

    Parameters
    ----------
    envelope : type
        What goes with every kind; has ``kind`` and ``data``, which are narrowed here.
    ending : str
        Of the names in the schema: ``"EventIn"`` gives ``DipEventIn`` …

    Returns
    -------
    Annotated union, for a field's type
    """
    shapes = tuple(
        create_model(
            f"{payload.__name__}{ending}",
            __base__=envelope,
            __doc__=payload.__doc__,
            kind=(Literal[kind], ...),  # type: ignore[arg-type]
            data=(payload, _said_nothing(payload)),
        )
        for kind, payload in KINDS.items()
    )
    return Annotated[Union[shapes], Field(discriminator="kind")]  # noqa: UP007 (made at run time)


def _said_nothing(payload: type[Payload]) -> Any:
    """Return the data of an event sent without any, where its kind needs none."""
    needs = any(field.is_required() for field in payload.model_fields.values())
    return ... if needs else payload.model_construct()
