"""Keep the room's papers, inks and ways of wiping."""

from __future__ import annotations

import uuid

from django.db import IntegrityError, transaction

from server.accounts.models import User
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter
from server.shopbook.actions.keep import same
from server.shopbook.models import Supply
from server.shopbook.schemas import SupplyIn

_A = {"paper": "a paper", "ink": "an ink", "wipe": "a wipe"}


@transaction.atomic
def keep_supply(user: User, room_id: uuid.UUID, given: SupplyIn) -> Supply:
    """Return the stored paper, ink or wipe; under a new name all that name it follow.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        The room has another of that name, it has none, or it would become another kind of thing.
    """
    room = enter(user, room_id, "keep recipes")
    facts = given.model_dump(exclude={"id", "version"}) | {"name": " ".join(given.name.split())}
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
