"""What works say of one plate: which it is part of, how often they printed it."""

from __future__ import annotations

from uuid import UUID

from ninja import Schema

from core.events.marks_fold import ImpressionPulled
from core.events.sheet_state import WorkState
from server.events.models import Event
from server.plates.models import Plate
from server.works.layers import decided_of
from server.works.models import Layering
from server.works.state import work_states


class PlateInWork(Schema):
    """A work that a plate prints a layer of."""

    id: UUID
    name: str
    place: int
    """In the order of printing, from 1."""
    of: int
    """Layers in all."""


def _works_of(plate: Plate) -> list[Layering]:
    rows = Layering.objects.filter(
        room=plate.room_id, put_away=False, decided__layers__contains=[{"plate": str(plate.id)}]
    )
    return list(rows.select_related("work").order_by("created_at"))


def works_of(plate: Plate) -> list[PlateInWork]:
    """Return the works a plate is part of."""
    found = []
    for row in _works_of(plate):
        layers = decided_of(row).layers
        place = next((at for at, each in enumerate(layers, 1) if each.plate == plate.id), 1)
        found.append(PlateInWork(id=row.id, name=row.work.name, place=place, of=len(layers)))
    return found


def printed_in_works(plate: Plate) -> list[ImpressionPulled]:
    """Return the impressions that works took of a plate: they wear it like any other."""
    states = work_states(Layering.objects.filter(room=plate.room_id)) if _ever(plate) else {}
    return [each for state in states.values() for each in _printed(plate, state)]


def _ever(plate: Plate) -> bool:
    """Tell whether any work names the plate, now or by a change logged on the way."""
    named = Event.objects.filter(
        room=plate.room_id, subject_kind="work", data__plate=str(plate.id)
    )  # fmt: skip
    return named.exists()


def _printed(plate: Plate, state: WorkState) -> list[ImpressionPulled]:
    return [
        ImpressionPulled(
            event=each.event, number=0, at_seconds=each.at_seconds, passes=1, worn=0,
            spoiled=sheet.spoiled is not None, lstar=None, spread=0.8, note="",
        )
        for sheet in state.sheets
        for each in sheet.prints
        if each.plate == plate.id
    ]  # fmt: skip
