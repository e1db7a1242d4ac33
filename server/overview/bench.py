"""The bench: what is in which bath, what falls due, what to beware of, what is next."""

from __future__ import annotations

from datetime import UTC, datetime

from core.data.mordants import MORDANTS
from core.safety.cautions import cautions_for
from core.safety.heat import heat_cautions
from server.baths.models import Bath, ask_checks_of
from server.baths.reads import caution_out
from server.baths.schemas import Caution
from server.editions.shelf import at_the_press
from server.exposures.actions.state import follow
from server.exposures.models import Exposure
from server.exposures.reads import name_of
from server.overview.bath_shelf import known_from
from server.overview.bath_speeds import Known
from server.overview.plate_page import next_cautions, next_step, run_card
from server.overview.schemas import Bench, BenchBath, Due, FirstThing, NextStep, What
from server.overview.standing import Standing, needing_hands_first, standings
from server.plates.models import Plate
from server.rooms.models import Room
from server.runs.actions.state import Followed
from server.runs.strip_run import strips_under_way
from server.strips.models import Strip
from server.timers.models import Timer
from server.works.shelf import open_inkings

_SOON_SECONDS = 7200.0
"""What the bench looks ahead."""
MOST_NEXT = 7
"""Plates whose next step is shown: what fits under the ruler. The rack pages through the others."""


def bench(room: Room, now_seconds: float) -> Bench:
    """Return the bench of a room at ``now_seconds`` [s since the epoch]."""
    plates = Plate.objects.filter(room=room, put_away=False)
    stands = standings(needing_hands_first(plates), now_seconds)
    strips = list(strips_under_way(room))
    baths = list(Bath.objects.filter(room=room, retired=False).order_by("name"))
    ask_checks_of(baths)
    return Bench(
        now_seconds=now_seconds,
        baths=[_bath(bath, stands, strips, now_seconds) for bath in baths],
        due=sorted(
            [
                *(d for at in stands for d in _due(at)),
                *_in_light(room),
                *(d for each in strips for d in _strip_due(*each)),
                *_waits(room),
                *_at_the_press(stands),
                *_open_inks(room, now_seconds),
            ],
            key=lambda d: d.at_seconds,
        ),
        cautions=_cautions(baths, stands),
        next=[
            NextStep(plate=at.plate.id, plate_name=at.plate.name, text=next_step(at))
            for at in stands[:MOST_NEXT]
        ],
        plates=len(stands),
        first=_first(room, baths, strips, stands),
    )


def _first(
    room: Room,
    baths: list[Bath],
    strips: list[tuple[Strip, Followed]],
    stands: list[Standing],
) -> list[FirstThing]:
    """Return what the room needs first; what was put away or retired was there."""
    bitten = bool(strips) or any(at.run is not None and at.run.strip_id for at in stands)
    there: dict[What, bool] = {
        "bath": bool(baths) or Bath.objects.filter(room=room).exists(),
        "strip": bitten or Strip.objects.filter(room=room).exists(),
        "plate": bool(stands) or Plate.objects.filter(room=room).exists(),
    }
    if all(there.values()):
        return []
    return [FirstThing(what=what, done=done) for what, done in there.items()]


def _cautions(baths: list[Bath], stands: list[Standing]) -> list[Caution]:
    """Return what to beware of: every bath, how warm it is, and the next step of each plate."""
    warm = heat_cautions((bath.mordant, bath.temperature_c) for bath in baths)
    steps = [key for at in stands for key in next_cautions(at)]
    rows = cautions_for(
        {bath.mordant for bath in baths}, {at.plate.metal for at in stands}, (*warm, *steps)
    )
    return [caution_out(row.key) for row in rows]


def _strip_due(strip: Strip, seen: Followed) -> list[Due]:
    if seen.lift_seconds is None or seen.stale:
        return []
    return [
        Due(
            plate=None,
            strip=strip.id,
            plate_name=strip.name,
            kind="lift",
            at_seconds=seen.lift_seconds,
            text=f"lift strip {strip.name}, bite {len(seen.state.done) + 1}",
        )
    ]


def _bath(
    bath: Bath,
    stands: list[Standing],
    strips: list[tuple[Strip, Followed]],
    now_seconds: float,
) -> BenchBath:
    row = MORDANTS[bath.mordant]
    held = [
        at.plate
        for at in stands
        if at.run is not None
        and at.run.bath_id == bath.id
        and at.seen is not None
        and at.seen.state.in_bath
    ]
    scraps = [
        strip.name for strip, seen in strips if strip.bath_id == bath.id and seen.state.in_bath
    ]
    holder = held[0] if held else None
    known = Known(bath, datetime.fromtimestamp(now_seconds, tz=UTC))
    return BenchBath(
        id=bath.id,
        name=bath.name,
        mordant=bath.mordant,
        mordant_label=row.label,
        metal=row.metal,
        vessel=bath.vessel,
        temperature_c=bath.temperature_c,
        temperature_age_seconds=max(0.0, now_seconds - bath.temperature_at.timestamp()),
        load_g_per_l=bath.load_g_per_l,
        plate=holder.id if holder else None,
        plate_name=holder.name if holder else None,
        check_due=known.due_days == 0,
        known_from=known_from(known),
        also=[*(plate.name for plate in held[1:]), *(f"strip {name}" for name in scraps)],
    )


def _in_light(room: Room) -> list[Due]:
    """Return when the stages under way are over, of plates and of tests."""
    rows = Exposure.objects.filter(room=room, ended_at=None).select_related("plate", "test")
    return [
        Due(
            plate=row.plate_id,
            exposure=row.id,
            plate_name=name_of(row),
            kind="light",
            at_seconds=lit.stands.due_seconds,
            text=f"{lit.sheet.stages[lit.stands.next].title.lower()}, {name_of(row)}",
        )
        for row in rows
        for lit in [follow(row)]
        if lit.stands.due_seconds is not None and lit.stands.next is not None
    ]


def _at_the_press(stands: list[Standing]) -> list[Due]:
    """Return until when paper may stay in the damp, and by when a plate must be clean."""
    plates = [at.course.plate for at in stands]
    stood = at_the_press([plate.pulls for plate in plates if hasattr(plate, "pulls")])
    paper = [
        Due(plate=each.plate, plate_name=each.plate_name, kind="paper",
            at_seconds=each.latest_seconds,
            text=f"{each.name or 'paper'} out, {each.left} left for {each.plate_name}")
        for at in stood for each in at.labels
    ]  # fmt: skip
    inked = [
        Due(plate=at.plate.id, plate_name=at.plate.name, kind="clean",
            at_seconds=at.clean_by_seconds, text=f"clean {at.plate.name}: ink sets in its lines")
        for at in stood if at.clean_by_seconds is not None
    ]  # fmt: skip
    return [*paper, *inked]


def _open_inks(room: Room, now_seconds: float) -> list[Due]:
    """Return which layers made by hand must be printed soon, before their ink closes."""
    return [
        Due(plate=None, work=each.work, plate_name=each.work_name, kind="ink",
            at_seconds=each.closes_seconds,
            text=f"last print of {each.layer}, {each.work_name}: its ink closes, a guess")
        for each in open_inkings(room)
        if now_seconds < each.closes_seconds < now_seconds + _SOON_SECONDS
    ]  # fmt: skip


def _waits(room: Room) -> list[Due]:
    timers = Timer.objects.filter(room=room, ended_at=None).select_related("plate")
    return [
        Due(
            plate=timer.plate_id,
            plate_name=timer.plate.name if timer.plate else "",
            kind="wait",
            at_seconds=timer.started_at.timestamp() + timer.seconds,
            text=f"{timer.what}{f', {timer.plate.name}' if timer.plate else ''}",
        )
        for timer in timers
    ]


def _due(at: Standing) -> list[Due]:
    card = run_card(at)
    if card is None or card.lift_seconds is None or card.stale:
        return []
    name = at.plate.name
    return [
        Due(
            plate=at.plate.id,
            plate_name=name,
            kind="lift",
            at_seconds=card.lift_seconds,
            text=f"lift {name}, bite {card.bite}",
        )
    ]
