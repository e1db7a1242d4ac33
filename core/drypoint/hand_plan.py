"""So much to do by hand → when to work and when to rest."""

from __future__ import annotations

from dataclasses import dataclass, field

from core.data.scratches import HANDS, HandRow
from core.drypoint.mark_shapes import HandBlock, HandPlanInput, HandPlanOutput

_MOST_BLOCKS = 400


@dataclass
class _Day:
    """A day as it fills."""

    number: int
    at: float
    worked: float
    since_rest: float
    blocks: list[HandBlock] = field(default_factory=list)

    def go_on(self, minutes: float, *, rests: bool) -> None:
        """Add a stretch."""
        self.blocks.append(
            HandBlock(
                day=self.number, start_minute=round(self.at, 1),
                end_minute=round(self.at + minutes, 1), rests=rests,
            )
        )  # fmt: skip
        self.at += minutes
        self.since_rest = 0.0 if rests else self.since_rest + minutes
        self.worked += 0.0 if rests else minutes


def hand_plan(given: HandPlanInput) -> HandPlanOutput:
    """Return stretches of work with their rests, over as many days as a hand needs.

    Parameters
    ----------
    given : HandPlanInput
        Work left [min], when one sits down, what was worked today.

    Returns
    -------
    HandPlanOutput

    Notes
    -----
    So long on, so long off, so much a day: ``HANDS``. Source: ``room-practice``.
    """
    row = HANDS[given.kind]
    day = _Day(0, given.start_minute, given.worked_minutes, given.since_rest_minutes)
    left, blocks = given.minutes, list[HandBlock]()
    while left > 1e-6 and len(blocks) + len(day.blocks) < _MOST_BLOCKS:
        free = row.day_minutes - day.worked
        if free <= 1e-6:
            blocks += day.blocks
            day = _Day(day.number + 1, given.start_minute, 0.0, 0.0)
            continue
        stretch = row.on_minutes - day.since_rest
        if stretch <= 1e-6:
            day.go_on(row.off_minutes, rests=True)
            continue
        work = min(left, stretch, free)
        day.go_on(work, rests=False)
        left -= work
    blocks += day.blocks
    return _told(given, row, blocks, day.number + 1)


def _told(given: HandPlanInput, row: HandRow, blocks: list[HandBlock], days: int) -> HandPlanOutput:
    rests = [each for each in blocks if each.rests]
    rest = sum(each.end_minute - each.start_minute for each in rests)
    strained = given.worked_minutes > row.day_minutes or given.since_rest_minutes > row.on_minutes
    return HandPlanOutput(
        blocks=blocks,
        work_minutes=round(given.minutes, 1),
        rest_minutes=round(rest, 1),
        days=days,
        next_rest_minute=rests[0].start_minute if rests and rests[0].day == 0 else None,
        text=_text(given, row, days, strained),
        strained=strained,
    )


def _text(given: HandPlanInput, row: HandRow, days: int, strained: bool) -> str:
    if given.worked_minutes > row.day_minutes:
        return (
            f"Enough for today: past {row.day_minutes / 60:g} h a hand slips, and what it strains "
            "takes weeks. Numb or aching: stop, and let it rest."
        )
    if strained:
        return f"Rest now: {row.on_minutes:.0f} min on, {row.off_minutes:.0f} off."
    if given.minutes <= 0:
        return "Nothing left to do by hand."
    over = f", over {days} days" if days > 1 else ""
    return f"{row.on_minutes:.0f} min on, {row.off_minutes:.0f} off{over}."
