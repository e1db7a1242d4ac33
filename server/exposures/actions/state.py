"""The state of an exposure, derived from its events."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

from core.events.exposure_fold import ExposureState, fold_exposure
from core.limits import within
from core.polymer.exposure_follow import follow_exposure
from core.polymer.exposure_shapes import ExposureRunInput, ExposureSheet, ExposureStands
from core.polymer.exposure_sheet import exposure_run
from server.events.models import Event
from server.events.reads import core_event, events_of
from server.exposures.models import Exposure


@dataclass(frozen=True)
class Lit:
    """An exposure with its sheet, followed through its events."""

    sheet: ExposureSheet
    state: ExposureState
    stands: ExposureStands


@lru_cache(maxsize=64)
def _sheet(given: str) -> ExposureSheet:
    return exposure_run(ExposureRunInput.model_validate_json(given))


def decided_of(exposure: Exposure) -> ExposureRunInput:
    """Return what an exposure was begun with; limits that changed since stop nothing."""
    return ExposureRunInput.model_validate(within(ExposureRunInput, exposure.decided))


def follow(exposure: Exposure, events: Iterable[Event] | None = None) -> Lit:
    """Return where an exposure stands."""
    told = events_of(exposure.id) if events is None else events
    sheet = _sheet(decided_of(exposure).model_dump_json())
    state = fold_exposure(core_event(each) for each in told)
    return Lit(sheet, state, follow_exposure(sheet, state))
