"""Paper in the damp anywhere in a room, and plates with ink on them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from core.data.paper import PLATE_DRIES_SECONDS
from core.events.pull_state import PullState
from server.editions.schemas import BatchLabel
from server.plates.models import Plate
from server.pulls.models import Pulls
from server.pulls.state import pull_states
from server.rooms.models import Room


@dataclass(frozen=True)
class AtThePress:
    """A plate with what lies in the damp for it, and what ink is on it."""

    plate: Plate
    state: PullState

    @property
    def clean_by_seconds(self) -> float | None:
        """Return when the ink on it begins to set [s since the epoch]; None where it is clean."""
        since = self.state.dirty_since_seconds
        return None if since is None else since + PLATE_DRIES_SECONDS

    @property
    def labels(self) -> list[BatchLabel]:
        """Return the paper that lies in the damp."""
        return [
            BatchLabel(
                plate=self.plate.id, plate_name=self.plate.name, batch=batch.event,
                name=batch.name, whose=batch.whose, left=batch.left, pieces=batch.pieces,
                school=batch.school, at_seconds=batch.at_seconds,
                ready_seconds=batch.ready_seconds, latest_seconds=batch.latest_seconds,
            )
            for batch in self.state.batches if batch.left
        ]  # fmt: skip


def at_the_press(rows: Sequence[Pulls]) -> list[AtThePress]:
    """Return plates at the press, in one query however many there are."""
    plates = {row.plate_id: row.plate for row in rows}
    return [AtThePress(plates[key], state) for key, state in pull_states(rows).items()]


def labels_of(room: Room) -> list[BatchLabel]:
    """Return the paper that lies in the damp, what must come out first at the head."""
    rows = Pulls.objects.filter(room=room, plate__put_away=False).select_related("plate")
    found = [label for each in at_the_press(list(rows)) for label in each.labels]
    return sorted(found, key=lambda each: each.latest_seconds)
