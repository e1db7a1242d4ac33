"""The state of an exposure, derived from its events."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from core.events.exposure_fold import ExposureState, fold_exposure
from core.limits import within
from core.polymer.exposure_follow import follow_exposure
from core.polymer.exposure_shapes import ExposureRunInput, ExposureSheet, ExposureStands
from server.events.models import Event
from server.events.reads import core_event, events_of
from server.exposures.models import Exposure


@dataclass(frozen=True)
class Lit:
    """An exposure with its sheet, followed through its events."""

    sheet: ExposureSheet
    state: ExposureState
    stands: ExposureStands


def decided_of(exposure: Exposure) -> ExposureRunInput:
    """Return what an exposure was begun with; limits that changed since stop nothing."""
    return ExposureRunInput.model_validate(within(ExposureRunInput, exposure.decided))


def follow(exposure: Exposure, events: Iterable[Event] | None = None) -> Lit:
    """Return where an exposure stands."""
    told = events_of(exposure.id) if events is None else events
    sheet = ExposureSheet.model_validate(exposure.sheet)
    state = fold_exposure(core_event(each) for each in told)
    return Lit(sheet, state, follow_exposure(sheet, state))
