"""One bath's page: strength, temperature, load and speed over time, and what bit in it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from core.bath.life import BathLifeInput, BathLifeOutput, bath_life
from core.bath.line import SpeedAt, each_alone, speed_line
from core.bath.moments import Moment
from core.data.mordants import METALS as METAL_ROWS
from core.data.mordants import MORDANTS
from core.kinetics.standing import Reading, stand
from core.limits import within
from core.safety.cautions import cautions_for
from core.safety.heat import heat_cautions
from core.safety.pairs import pair_row
from core.units import UM_PER_CM
from server.baths.actions.settle import bath_readings, read_by_probe
from server.baths.models import Bath, BathReading
from server.baths.reads import caution_out
from server.baths.speed import DAY_SECONDS, for_own, own_of
from server.baths.words import check_words
from server.overview.bath_schemas import (
    BathPage,
    CheckMark,
    Given,
    LoadMoment,
    Replaced,
    Source,
    Speed,
    SpeedMoment,
    WarmMoment,
)
from server.overview.bath_shelf import METALS, plates_of, shelf_bath
from server.overview.bath_speeds import Known

DRAWN_KINDS = ("coupon", "check-patch", "lines")
"""Those that tell a speed of their own day."""
LINE_POINTS, FORECAST_POINTS, FORECAST_DAYS = 60, 12, 30
MOST_WARM = 200
PROBED_DAYS = 14
PACE_DAYS = 56
LEAST_CM2 = 0.1
"""The room's pace is that of its last eight weeks."""
USUAL_CM2, USUAL_UM = 75.0, 15.0
"""Bare metal and depth of a plate where none was bitten yet: half of 15 × 10 cm."""
THERMOMETER = "Thermometer, and what is dissolved"
MORE_CAUTIONS = ("bath", "waste")


@dataclass(frozen=True)
class _Past:
    """What was read of a bath, oldest first, and since when."""

    bath: Bath
    now: datetime
    readings: list[Reading]

    @property
    def began(self) -> datetime:
        """Return the moment of the first thing known."""
        first = min((r.at_seconds for r in self.readings), default=self.now.timestamp())
        return min(datetime.fromtimestamp(first, tz=UTC), self.now)

    def moment(self, at: datetime) -> Moment:
        """Return the bath as it stood, or will stand at the room's pace."""
        days = (self.now - at).total_seconds() / DAY_SECONDS
        stood = stand(self.readings, min(at, self.now).timestamp())
        load = stood.load_g_per_l or 0.0
        if days < 0:
            load += -days * self.grams_a_day / self.bath.volume_l
        return Moment(
            stood.temperature_c if stood.temperature_c is not None else self.bath.temperature_c,
            min(load, 150.0), days_ago=days, replaced=self._replaced_since(at),
        )  # fmt: skip

    def _replaced_since(self, at: datetime) -> float:
        kept = 1.0
        for each in self.readings:
            if each.at_seconds > at.timestamp():
                kept *= 1.0 - each.replaced_share
        return 1.0 - kept

    @property
    def grams_a_day(self) -> float:
        """Return the room's pace: grams dissolved a day in the last weeks."""
        since = max(self.began, self.now - timedelta(days=PACE_DAYS))
        days = max((self.now - since).total_seconds() / DAY_SECONDS, 7.0)
        gained = sum(r.gained_g_per_l for r in self.readings if r.at_seconds >= since.timestamp())
        return gained * self.bath.volume_l / days


def bath_page(bath: Bath, now_seconds: float) -> BathPage:
    """Return a bath's page as of ``now_seconds`` [s since the epoch]."""
    now = datetime.fromtimestamp(now_seconds, tz=UTC)
    past = _Past(bath, now, [*bath_readings(bath), *_probed(bath, now)])
    known = Known(bath, now)
    stands = plates_of(bath.room, now_seconds)
    beside = shelf_bath(known, stands)
    life, like = _life(known, past)
    rows = cautions_for({bath.mordant}, set(), (*_hot(bath), *_zinc(bath), *MORE_CAUTIONS))
    return BathPage(
        **dict(beside),
        now_seconds=now_seconds,
        sources=_sources(known),
        line=_line(known, past, _moments(past)),
        forecast=_line(known, past, _ahead(now)),
        checks=_checks(known),
        loads=_loads(past),
        warmth=_warmth(past),
        given=_given(bath),
        replaced=[
            Replaced(at=r.at, share=r.replaced_share, reading=r.id)
            for r in BathReading.objects.filter(bath=bath, replaced_share__gt=0, taken_back=False)
        ],
        life=life,
        grams_a_week=round(past.grams_a_day * 7, 2),
        like=like,
        own=known.told.own,
        own_from=for_own(known.pieces),
        cautions=[caution_out(row.key) for row in rows],
        refuses=_refuses(bath),
    )


def _hot(bath: Bath) -> tuple[str, ...]:
    return heat_cautions([(bath.mordant, bath.temperature_c)])


def _zinc(bath: Bath) -> tuple[str, ...]:
    """Return the caution of zinc in this bath, where there is one of its own."""
    row = pair_row("zinc", bath.mordant, held_copper=bath.held_copper)
    return (row.caution,) if row.caution else ()


def _refuses(bath: Bath) -> list[str]:
    rows = [pair_row(metal, bath.mordant, held_copper=bath.held_copper) for metal in METALS]
    return [f"{r.metal.capitalize()}: {r.reason}" for r in rows if r.verdict == "refused"]


def _moments(past: _Past) -> list[datetime]:
    span = (past.now - past.began) / (LINE_POINTS - 1)
    return [past.began + step * span for step in range(LINE_POINTS)]


def _ahead(now: datetime) -> list[datetime]:
    days = FORECAST_DAYS / (FORECAST_POINTS - 1)
    return [now + timedelta(days=days * step) for step in range(FORECAST_POINTS)]


def _line(known: Known, past: _Past, times: list[datetime]) -> list[SpeedMoment]:
    told = speed_line(known.asked, [past.moment(at) for at in times])
    return [SpeedMoment(at=at, **_speed(each, known)) for at, each in zip(times, told, strict=True)]


def _speed(at: SpeedAt, known: Known) -> dict[str, float]:
    by = known.over
    return {"value": at.value / by, "low": at.low / by, "high": at.high / by}


def _sources(known: Known) -> list[Source]:
    found = []
    for each in known.told.shares:
        piece = None if each.evidence is None else known.pieces[each.evidence]
        check = piece.check if piece else None
        speed = None
        if each.value is not None and each.low is not None and each.high is not None:
            told = SpeedAt(each.value, each.low, each.high)
            speed = Speed(**_speed(told, known))
        text = THERMOMETER if piece is None else check_words(piece.said["kind"], piece.said)
        found.append(
            Source(
                kind=each.kind,
                check=check.id if check else None,
                at=check.at if check else known.bath.temperature_at,
                text=text,
                share=each.share,
                speed=speed,
            )
        )
    return sorted(found, key=lambda source: -source.share)


def _checks(known: Known) -> list[CheckMark]:
    alone = each_alone(known.asked)
    return [
        CheckMark(
            id=piece.check.id, kind=piece.check.kind, at=piece.check.at,
            text=check_words(piece.check.kind, piece.said), **_speed(told, known),
        )
        for piece, told in zip(known.pieces, alone, strict=True)
        if piece.check is not None and piece.check.kind in DRAWN_KINDS
    ]  # fmt: skip


def _loads(past: _Past) -> list[LoadMoment]:
    known = sorted(past.readings, key=lambda r: r.at_seconds)
    steps = [r.at_seconds for r in known if _moves_load(r)]
    found = [
        LoadMoment(
            at=datetime.fromtimestamp(at, tz=UTC),
            g_per_l=round(stand(known, at).load_g_per_l or 0.0, 2),
        )
        for at in dict.fromkeys(steps)
    ]
    return [*found, LoadMoment(at=past.now, g_per_l=round(past.bath.load_g_per_l, 2))]


def _moves_load(reading: Reading) -> bool:
    return bool(
        reading.load_g_per_l is not None or reading.gained_g_per_l or reading.replaced_share
    )


def _probed(bath: Bath, now: datetime) -> list[Reading]:
    """Return a probe's words of the last weeks, evenly thinned where there are very many."""
    rows = read_by_probe(bath).filter(at__gte=now - timedelta(days=PROBED_DAYS)).order_by("at")
    told = list(rows.exclude(temperature_c=None).values_list("at", "temperature_c"))
    every = len(told) // MOST_WARM + 1
    return [Reading(at.timestamp(), celsius) for at, celsius in told[::every]]


def _warmth(past: _Past) -> list[WarmMoment]:
    """Return temperatures as they were read."""
    read = {(r.at_seconds, r.temperature_c) for r in past.readings if r.temperature_c is not None}
    return [
        WarmMoment(at=datetime.fromtimestamp(at, tz=UTC), celsius=celsius)
        for at, celsius in sorted(read)
    ]


def _given(bath: Bath) -> list[Given]:
    rows = BathReading.objects.filter(bath=bath, gained_g_per_l__gt=0, taken_back=False)
    return [
        Given(at=r.at, grams=round(r.gained_g_per_l * bath.volume_l, 2), text=r.note)
        for r in rows.order_by("at")
    ]


def _life(known: Known, past: _Past) -> tuple[BathLifeOutput, str]:
    bath, row = known.bath, MORDANTS[known.bath.mordant]
    since = known.now - timedelta(days=PACE_DAYS)
    grams = [
        r.gained_g_per_l * bath.volume_l
        for r in BathReading.objects.filter(
            bath=bath, at__gte=since, taken_back=False, gained_g_per_l__gt=0,
            note__startswith="Reckoned from",
        )
    ]  # fmt: skip
    cm2, like = USUAL_CM2, ""
    if grams:
        a_micron = METAL_ROWS[row.metal].density_g_per_cm3 / UM_PER_CM
        cm2 = sum(grams) / len(grams) / (a_micron * USUAL_UM)
        like = f"the last {len(grams)}" if len(grams) > 1 else "the last"
    facts = {
        "mordant": bath.mordant,
        "volume_l": bath.volume_l,
        "load_g_per_l": bath.load_g_per_l,
        "g_per_day": past.grams_a_day,
        "plate_cm2": max(cm2, LEAST_CM2),
        "plate_um": USUAL_UM,
        "numbers": own_of(bath, known.pieces, known.told),
    }
    return bath_life(BathLifeInput(**within(BathLifeInput, facts))), like
