"""Keep the room's papers, inks and ways of wiping."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import IntegrityError, transaction
from ninja import Schema

from core.calculators import compute
from server.accounts.models import User
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter
from server.shopbook.actions.keep import same
from server.shopbook.models import Supply
from server.shopbook.schemas import (
    InkFacts,
    InkIn,
    Kept,
    PaperFacts,
    PaperKindIn,
    SupplyIn,
    SupplyKind,
)

_A = {"paper": "a paper", "ink": "an ink", "wipe": "a wipe"}


@transaction.atomic
def keep_supply(
    user: User, room_id: uuid.UUID, given: SupplyIn, more: dict[str, Any] | None = None
) -> Supply:
    """Return the stored paper, ink or wipe; under a new name all that name it follow.

    ``more`` are its facts; None leaves them as they are.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        The room has another of that name, it has none, or it would become another kind of thing.
    """
    room = enter(user, room_id, "keep recipes")
    facts: dict[str, Any] = given.model_dump(exclude={"id", "version"})
    facts["name"] = " ".join(given.name.split())
    if more is not None:
        facts["facts"] = more
    supply = Supply(id=given.id, room=room, **facts)
    _check_alone(room, supply)
    try:
        with transaction.atomic():
            if given.version == 0:
                supply, new = add(supply)
                if not new:
                    return same(supply, facts)
            else:
                supply = change(Supply, room, given.id, given.version)
                _check_kind(supply, given)
                for field, value in facts.items():
                    setattr(supply, field, value)
                supply.save()
    except IntegrityError:
        raise _taken(supply) from None
    away = ", put away" if supply.put_away else ""
    write(room, user, supply.kind, f"{supply.name} kept{away}.", data=facts)
    return supply


def keep_paper(user: User, room_id: uuid.UUID, given: PaperKindIn) -> Supply:
    """Return the stored paper with its sheet and its damping.

    Raises
    ------
    NotFound, NotAllowed, Stale, BadValue
    CoreError
        It would have to be out of the damp before it is ready.
    """
    times = given.model_dump(include={"school", "ready_minutes", "latest_minutes"})
    compute("damping", times)
    return _keep(user, room_id, "paper", given, PaperFacts)


def keep_ink(user: User, room_id: uuid.UUID, given: InkIn) -> Supply:
    """Return the stored ink with its recipe.

    Raises
    ------
    NotFound, NotAllowed, Stale, BadValue
    """
    return _keep(user, room_id, "ink", given, InkFacts)


def _keep(
    user: User, room_id: uuid.UUID, kind: SupplyKind, given: Kept, facts: type[Schema]
) -> Supply:
    supply = SupplyIn(kind=kind, **given.model_dump(include=set(Kept.model_fields)))
    more = given.model_dump(mode="json", include=set(facts.model_fields))
    return keep_supply(user, room_id, supply, more)


def _check_kind(supply: Supply, given: SupplyIn) -> None:
    """Refuse another kind: what was printed on it would be printed on an ink."""
    if supply.kind != given.kind:
        raise BadValue(
            "kind-stays", f"{supply.name} stays {_A[supply.kind]}. Put it away and keep a new one.",
            field="kind", value=given.kind, allowed=supply.kind,
        )  # fmt: skip


def _check_alone(room: Room, supply: Supply) -> None:
    if not supply.name:
        raise BadValue("no-name", "Nothing is written as its name.", field="name", value="",
                       allowed="1 to 120 letters")  # fmt: skip
    others = Supply.objects.filter(room=room, kind=supply.kind, name__iexact=supply.name)
    if others.exclude(id=supply.id).exists():
        raise _taken(supply)


def _taken(supply: Supply) -> BadValue:
    return BadValue(
        "name-taken", f"There is {_A[supply.kind]} of that name already.", field="name",
        value=supply.name, allowed="a name of its own",
    )  # fmt: skip
