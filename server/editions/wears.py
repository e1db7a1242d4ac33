"""From which number an edition no longer matches its OK."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from core.errors import CoreError
from core.events.pull_state import PullState
from server.editions.ok import ok_place
from server.editions.schemas import EditionDecided, ImpressionRow, OkOut
from server.marks.wear import Held, wear_of
from server.plates.models import Plate
from server.pulls.state import wearing_area

MOST_WANTED = 400


@dataclass(frozen=True)
class Wears:
    """A plate's wear as its edition sees it: in numbers, not in pulls."""

    forecast: Any
    """As ``wear-forecast`` answers; None where it cannot be told."""
    area: str
    ok_place: int
    pale_from: int | None = None
    low: int | None = None
    high: int | None = None


def wears(
    plate: Plate, state: PullState, ok: OkOut | None, decided: EditionDecided,
    rows: list[ImpressionRow], left: int, after: int | None = None,
) -> Wears:  # fmt: skip
    """Return how a plate wears beside its OK; ``after``: what scratching again then would do."""
    area, place = wearing_area(state, decided.wear_area), ok_place(state, ok)
    wanted = min(MOST_WANTED, max(1, len(rows) + left))
    held = Held(decided.tolerance_lstar, wanted, place, area)
    try:
        forecast = wear_of(plate, after, held).forecast
    except CoreError:
        return Wears(None, area, place)
    most = max(decided.size, 1)
    numbers = _Numbers(rows, most)
    return Wears(
        forecast, area, place, numbers.pale_after(forecast.last_good),
        numbers.pale_after(forecast.low), numbers.pale_after(forecast.high),
    )  # fmt: skip


@dataclass(frozen=True)
class _Numbers:
    rows: list[ImpressionRow]
    most: int

    def pale_after(self, last_good: int) -> int | None:
        """Return the first number that comes after a pull; None where it is none of the edition."""
        made = [each for each in self.rows if each.number is not None and each.series == "edition"]
        later = [each.number for each in made if each.place > last_good and each.number is not None]
        done = max((each.number or 0 for each in made), default=0)
        number = min(later) if later else done + 1 + max(0, last_good - len(self.rows))
        return number if number <= self.most else None


def sentence(told: Wears, decided: EditionDecided, begun: bool, pulls: int) -> tuple[str, str]:
    """Return the answer in one sentence, and its range."""
    if not begun:
        return "No edition yet: say how many.", ""
    if told.forecast is None:
        return f"{decided.size} impressions.", ""
    area = f"the {told.area.lower()}" if told.area else "it"
    if told.pale_from is None:
        low = f"{told.low} to past {decided.size}" if told.low else ""
        return f"All {decided.size} match the OK, as far as can be told.", low
    high = f"{told.high}" if told.high is not None else f"past {decided.size}"
    first = "By now" if told.pale_from <= 1 and pulls else f"From no. {told.pale_from}"
    return f"{first} {area} is too pale.", f"{told.low or told.pale_from} to {high}"
