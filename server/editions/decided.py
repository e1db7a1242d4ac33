"""What an edition shall be; the usual where none was begun."""

from __future__ import annotations

from core.limits import within
from server.editions.models import Edition
from server.editions.schemas import EditionDecided
from server.plates.models import Plate


def edition_of(plate: Plate) -> Edition | None:
    """Return a plate's edition; None where none was begun."""
    return Edition.objects.filter(plate=plate).first()


def decided_of(plate: Plate, edition: Edition | None = None) -> EditionDecided:
    """Return what a plate's edition shall be."""
    row = edition or edition_of(plate)
    if row is None:
        return EditionDecided()
    facts = {name: getattr(row, name) for name in EditionDecided.model_fields}
    return EditionDecided(**within(EditionDecided, facts))
