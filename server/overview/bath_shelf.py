"""All baths beside each other: which can be used now."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import UTC, datetime, timedelta

from core.bath.fit import vessel_fit
from core.bath.make_up_shapes import PlateSize, VesselSize
from core.data.make_up import OVER_PLATE_MM
from core.data.mordants import MORDANTS
from core.safety.pairs import pair_row
from server.baths.models import Bath, ask_checks_of
from server.baths.reads import bath_out
from server.baths.speed import tells_speed
from server.instruments.reads import probe_of
from server.overview.bath_schemas import MayGoIn, Shelf, ShelfBath, Sign
from server.overview.bath_speeds import Known
from server.overview.standing import Standing, needing_hands_first, standings
from server.plates.models import Plate
from server.rooms.models import Room

MOST_PLATES = 40
METALS = ("copper", "zinc")
KIND_WORDS = {
    "coupon": "coupon", "check-patch": "check patch", "hydrometer": "hydrometer",
    "lines": "measured lines",
}  # fmt: skip
LEAST_SIDE_MM = 10.0


def shelf(room: Room, now_seconds: float) -> Shelf:
    """Return all baths of a room as they stand now."""
    now = datetime.fromtimestamp(now_seconds, tz=UTC)
    rows = list(Bath.objects.filter(room=room).order_by("created_at", "name"))
    ask_checks_of(rows)
    stands = plates_of(room, now_seconds)
    in_use = [shelf_bath(Known(b, now), stands) for b in rows if not b.retired]
    return Shelf(
        now_seconds=now_seconds,
        answer=_answer(in_use),
        baths=in_use,
        retired=[bath_out(bath) for bath in rows if bath.retired],
    )


def plates_of(room: Room, now_seconds: float) -> list[Standing]:
    """Return the plates that may stand beside a bath."""
    plates = needing_hands_first(Plate.objects.filter(room=room, put_away=False))
    return standings(plates[:MOST_PLATES], now_seconds)


def shelf_bath(known: Known, stands: list[Standing]) -> ShelfBath:
    """Return a bath with its speed, its plates and its signs."""
    bath = known.bath
    held = [at for at in stands if _is_in(at, bath)]
    lifts = [at.seen.lift_seconds for at in held if at.seen and at.seen.lift_seconds]
    days = known.due_days
    return ShelfBath(
        bath=bath_out(bath),
        speed=known.speed,
        strip=known.strip.id if known.strip else None,
        strip_name=known.strip.name if known.strip else "",
        guess=not any(piece.check and tells_speed(piece) for piece in known.pieces),
        known_from=known_from(known),
        due=known.now + timedelta(days=days) if days > 0 else None,
        probe=probe_of(bath, known.now),
        signs=_signs(bath),
        plates=[_beside(at, bath) for at in stands if at.plate.metal in METALS],
        busy=", ".join(at.plate.name for at in held),
        lift_seconds=min(lifts, default=None),
    )


def _is_in(at: Standing, bath: Bath) -> bool:
    return (
        at.run is not None
        and at.run.bath_id == bath.id
        and at.seen is not None
        and at.seen.state.in_bath is not None
    )


def known_from(known: Known) -> str:
    """Return the newest check of each kind, in words; else what is left."""
    newest = {p.check.kind: p.check for p in known.pieces if p.check and tells_speed(p)}
    told = [f"{KIND_WORDS[kind]} {check.at:%-d %b}" for kind, check in newest.items()]
    return ", ".join(told) or "thermometer only"


def _signs(bath: Bath) -> list[Sign]:
    family = MORDANTS[bath.mordant].caution
    signs = []
    zinc = pair_row("zinc", bath.mordant, held_copper=bath.held_copper)
    if zinc.verdict == "refused" and family == "ferric":
        signs.append(Sign(word="no zinc", caution=zinc.caution))
    if family == "nitric":
        signs.append(Sign(word="fumes", caution="nitric"))
    return signs


def _beside(at: Standing, bath: Bath) -> MayGoIn:
    plate = at.plate
    row = pair_row(plate.metal, bath.mordant, held_copper=bath.held_copper)
    return MayGoIn(
        plate=plate.id,
        name=plate.name,
        metal=plate.metal,
        width_mm=max(plate.width_mm, plate.height_mm),
        verdict=row.verdict,
        reason=row.reason,
        fits=_fits(plate, bath),
        in_it=_is_in(at, bath),
    )


def _fits(plate: Plate, bath: Bath) -> bool:
    """Tell whether a plate goes into a bath's vessel; what was not measured is not refused."""
    sides = (bath.width_mm, bath.length_mm, bath.height_mm)
    if any(side is None for side in sides) or bath.vessel == "bottle":
        return True
    width, length, height = (max(side or 0.0, LEAST_SIDE_MM) for side in sides)
    vessel = VesselSize(
        width_mm=width, length_mm=length, height_mm=height, upright=bath.vessel == "tank"
    )
    size = PlateSize(
        width_mm=max(plate.width_mm, LEAST_SIDE_MM), height_mm=max(plate.height_mm, LEAST_SIDE_MM),
        thickness_mm=plate.thickness_mm,
    )  # fmt: skip
    return vessel_fit(vessel, size, OVER_PLATE_MM, None).fits


def _answer(baths: Iterable[ShelfBath]) -> str:
    """Return in one sentence which baths can be used now."""
    baths = list(baths)
    sure = [b.bath.name for b in baths if b.due is not None]
    check = [b.bath.name for b in baths if b.due is None]
    parts = []
    if sure:
        parts.append(f"{_and(sure)} {'are' if len(sure) > 1 else 'is'} sure.")
    if check:
        parts.append(f"Check {_and(check)}.")
    return " ".join(parts) or "No bath yet."


def _and(names: list[str]) -> str:
    if len(names) < 2:
        return "".join(names)
    return f"{', '.join(names[:-1])} and {names[-1]}"
