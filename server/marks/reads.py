"""Shape answers about scratched plates."""

from __future__ import annotations

import time
from datetime import datetime
from typing import Any, Literal
from zoneinfo import ZoneInfo

from core.calculators import compute
from core.data.scratches import BURRS_TOUCH_UM, PACE_M_PER_MIN, SHARPEN_MINUTES, TEXTURES
from core.drypoint.coverage import printed_lstar
from core.drypoint.mark_shapes import PressureScaleOutput
from core.errors import CoreError
from core.events.marks_fold import MarksState
from server.baths.reads import caution_out
from server.events.reads import event_out, events_of
from server.marks.models import Look, Marks, Trial, marks_id
from server.marks.schemas import (
    USUAL_LIGHTEST,
    USUAL_SOLID,
    GroupOut,
    HatchOut,
    HatchRow,
    MarkGroup,
    MarksDecided,
    MarksOut,
    PlateLookOut,
    TextureOut,
    Tick,
    TrialOut,
)
from server.marks.state import (
    decided_of,
    material_of,
    material_out,
    row_of,
    scale_for,
    state_of,
)
from server.plates.models import Plate

MOST_LOOKS = 20
_NEAR_LSTAR = 5.0
_SECONDS = 60.0
_TICKS = (90, 85, 80, 75, 70, 65, 60, 55, 50, 45, 40, 35, 30, 25, 20, 15)
"""L* that stand under the strips of the figure."""
_ENOUGH_M, _ENOUGH_MINUTES = 2.0, 20.0
"""Drawn, and worked, from which a hand's own pace is told. ``room-practice``"""


def trial_out(trial: Trial) -> TrialOut:
    """Return a trial with its scale."""
    names = set(TrialOut.model_fields) - {"scale"}
    facts = {name: getattr(trial, name) for name in names}
    return TrialOut(**facts, scale=scale_for(trial, None))


def look_out(look: Look) -> PlateLookOut:
    """Return a look at a plate."""
    return PlateLookOut(
        id=look.id, task=look.task, pictures=look.pictures, drawing=look.drawing_id,
        inked=look.inked, seen=look.seen, at=look.created_at, by=look.by.name,
    )  # fmt: skip


class _Table:
    """What a plate's marks are reckoned with."""

    def __init__(self, row: Marks | None, decided: MarksDecided) -> None:
        trial = row.trial if row else None
        self.trial = trial
        self.scale: PressureScaleOutput = scale_for(trial, decided.needle_um)
        self.lightest = trial.lightest_lstar if trial else USUAL_LIGHTEST
        self.solid = trial.solid_lstar if trial else USUAL_SOLID
        if self.lightest - self.solid < 1:
            self.lightest, self.solid = USUAL_LIGHTEST, USUAL_SOLID
        self.read = {each["texture"]: each for each in (trial.textures if trial else [])}

    @property
    def reach(self) -> dict[str, float]:
        """Return what bare plate and solid ink print."""
        return {"lightest_lstar": self.lightest, "solid_lstar": self.solid}

    def hatch(
        self,
        lstar: float,
        pressure: int,
        layers: int,
        field: tuple[float, float],
        pace: float | None,
    ) -> Any:
        """Return how a tone is hatched on a field [mm]."""
        row = self.scale.rows[pressure - 1]
        return compute("hatch-plan", {
            **self.reach, "lstar": lstar, "width_um": max(5.0, row.width_um), "layers": layers,
            "width_mm": field[0], "height_mm": field[1], "pace_m_per_min": pace,
            "width_spread": min(1.0, max(0.01, row.spread_um / max(row.width_um, 1.0))),
        })  # fmt: skip

    def texture(self, key: str, times: int = 1, wanted: float | None = None) -> Any:
        """Return what a texture prints."""
        own = self.read.get(key)
        read = {"read_lstar": own["lstar"], "read_times": own["times"]} if own else {}
        return compute("texture-tone", {
            **self.reach, "texture": key, "times": times, "wanted_lstar": wanted, **read,
        })  # fmt: skip


def groups_of(plate: Plate) -> list[GroupOut]:
    """Return a plate's groups with how each is drawn and how far it is."""
    row = row_of(plate)
    decided, state = decided_of(plate), state_of(plate)
    return _groups(plate, decided, _Table(row, decided), state)


def marks_out(plate: Plate) -> MarksOut:
    """Return a plate's marks."""
    row, decided, state = row_of(plate), decided_of(plate), state_of(plate)
    table = _Table(row, decided)
    groups = _groups(plate, decided, table, state)
    pace, counted_pace = _pace(groups, state)
    left = _minutes_left(groups, pace)
    sharpen, counted = _sharpen(state)
    return MarksOut(
        **decided.model_dump(),
        id=plate.id, version=row.version if row else 0,
        trial=trial_out(table.trial) if table.trial else None,
        trials=[trial_out(each) for each in _trials(plate)],
        material=material_out(plate),
        scale=table.scale,
        lightest_lstar=table.lightest,
        solid_lstar=table.solid,
        textures=_textures(table, material_of(plate)),
        groups_out=groups, masks=_masks(decided, table),
        lettering=_lettering(decided), hand=_hand(plate, decided, state, left),
        minutes_left=round(left, 1), pace_m_per_min=round(pace, 3), pace_counted=counted_pace,
        sharpen_minutes=sharpen, sharpen_counted=counted,
        sharpen_due=state.since_sharpened_seconds / _SECONDS >= sharpen,
        looks=[look_out(each) for each in _looks(plate)], state=state,
        now_seconds=time.time(), events=[event_out(each) for each in events_of(marks_id(plate))],
        cautions=[caution_out(each) for each in ("knives", "cut-edges")],
    )  # fmt: skip


def hatch_out(plate: Plate, asked_lstar: float | None, asked_pressure: int | None) -> HatchOut:
    """Return how close to hatch for a tone, in one to three layers; None: as was decided."""
    row, decided = row_of(plate), decided_of(plate)
    lstar = decided.lstar if asked_lstar is None else asked_lstar
    pressure = asked_pressure or decided.pressure
    table = _Table(row, decided)
    chosen = table.scale.rows[pressure - 1]
    field = (plate.width_mm, plate.height_mm)

    def strip(layers: int) -> HatchRow:
        tones = [tone for tone in _TICKS if table.solid < tone < table.lightest]
        plans = [(tone, table.hatch(tone, pressure, layers, field, None)) for tone in tones]
        return HatchRow(
            layers=layers, plan=table.hatch(lstar, pressure, layers, field, None),
            ticks=[Tick(lstar=tone, spacing_um=p.spacing_um) for tone, p in plans if p.spacing_um],
            touch_um=round(chosen.width_um + BURRS_TOUCH_UM, 1),
        )  # fmt: skip

    return HatchOut(
        lstar=lstar, pressure=pressure, width_um=chosen.width_um, width_measured=chosen.measured,
        source=_source(table, decided, measured=chosen.measured),
        lightest_lstar=table.lightest, solid_lstar=table.solid,
        rows=[strip(layers) for layers in (1, 2, 3)],
    )  # fmt: skip


def _source(table: _Table, decided: MarksDecided, *, measured: bool) -> str:
    """Return where a line's width is from."""
    if table.trial is not None:
        return f"from {table.trial.name}" if measured else f"a guess beside {table.trial.name}"
    return "a guess from the needle" if decided.needle_um else "a guess: no trial, no needle"


def _lettering(decided: MarksDecided) -> Any:
    """Return the words as they stand on the plate; None where there are none."""
    return compute("lettering", {"words": decided.words}) if decided.words.strip() else None


def _looks(plate: Plate) -> list[Look]:
    return list(Look.objects.filter(plate=plate).select_related("by")[:MOST_LOOKS])


def _trials(plate: Plate) -> list[Trial]:
    """Return the trials that may be taken: those of the plate's material first."""
    rows = list(Trial.objects.filter(room=plate.room, out_reason="").order_by("-created_at")[:40])
    return sorted(rows, key=lambda each: each.material != material_of(plate))


def _textures(table: _Table, material: str) -> list[TextureOut]:
    found = []
    for row in TEXTURES.values():
        if row.only_on and material not in row.only_on:
            continue
        told = table.texture(row.key)
        found.append(
            TextureOut(key=row.key, label=row.label, pass_word=row.pass_word, lstar=told.lstar,
                       low=told.low, high=told.high, measured=told.measured, how=row.how)
        )  # fmt: skip
    return found


def _groups(
    plate: Plate, decided: MarksDecided, table: _Table, state: MarksState
) -> list[GroupOut]:
    drawn = {each.group: each.share for each in state.groups}
    covered = _covered(plate)
    return [
        _group(each, table, drawn.get(each.name, 0.0), covered.get(each.name))
        for each in decided.groups
    ]


def _covered(plate: Plate) -> dict[str, float]:
    """Return the scratched share of each field, by the latest look that counted it."""
    for look in _looks(plate):
        if look.seen.get("fields"):
            return {each["name"]: each["covered"] for each in look.seen["fields"]}
    return {}


def _group(group: MarkGroup, table: _Table, drawn: float, covered: float | None) -> GroupOut:
    hatch = None
    if group.way == "hatching" and group.lstar is not None:
        field = (group.width_mm, group.height_mm)
        hatch = table.hatch(group.lstar, group.pressure, group.layers, field, None)
    text = ""
    if group.way == "texture" and group.texture:
        text = table.texture(group.texture, group.times, group.lstar).text
    now = group.now_lstar
    whence: Literal["proof", "scratches", ""] = "" if now is None else "proof"
    if now is None and covered is not None:
        now, whence = round(printed_lstar(covered, table.lightest, table.solid), 1), "scratches"
    return GroupOut(
        **group.model_dump(), hatch=hatch, texture_text=text, now=now, now_from=whence,
        drawn=drawn, advice=_advice(group, now, hatch),
    )  # fmt: skip


def _advice(group: MarkGroup, now: float | None, hatch: Any) -> str:
    """Return what to do next to a group, how far apart stands in its plan: only darker."""
    if group.lstar is None:
        return "leave it bare"
    if now is None:
        return ""
    off = now - group.lstar
    if off < -_NEAR_LSTAR:
        return "too dark: burnish a little, or leave"
    if off <= _NEAR_LSTAR:
        return "leave"
    if hatch is not None and hatch.spacing_um:
        return "cross it" if group.layers > 1 else "hatch it"
    return "once more"


def _masks(decided: MarksDecided, table: _Table) -> Any:
    """Return the order of masks of the groups by texture; None where there are none."""
    rows = [each for each in decided.groups if each.way == "texture" and each.texture]
    if not rows:
        return None
    try:
        plan: Any = compute("mask-plan", {
            **table.reach,
            "areas": [{"name": each.name, "lstar": each.lstar} for each in rows[:12]],
            "textures": list(dict.fromkeys(each.texture for each in rows))[:8],
            "read": list(table.read.values()),
        })  # fmt: skip
    except CoreError:
        return None
    return plan


def _pace(groups: list[GroupOut], state: MarksState) -> tuple[float, bool]:
    """Return how much line the hand draws in a minute [m/min]: as it did, else the usual."""
    drawn = sum(each.hatch.length_m * each.drawn for each in groups if each.hatch is not None)
    minutes = state.worked_seconds / _SECONDS
    if drawn < _ENOUGH_M or minutes < _ENOUGH_MINUTES:
        return PACE_M_PER_MIN.value, False
    return drawn / minutes, True


def _minutes_left(groups: list[GroupOut], pace: float) -> float:
    """Return how long the hand still has to draw [min]."""
    hatched = (
        each.hatch.length_m / pace * (1 - each.drawn) for each in groups if each.hatch is not None
    )
    rubbed = (
        TEXTURES[each.texture].minutes_a_cm2 * each.times * each.width_mm * each.height_mm / 100
        * (1 - each.drawn)
        for each in groups
        if each.way == "texture" and each.texture
    )  # fmt: skip
    return sum(hatched) + sum(rubbed)


def _hand(plate: Plate, decided: MarksDecided, state: MarksState, minutes: float) -> Any:
    today = time.time()
    worked = sum(
        ((each.ended_seconds or today) - each.at_seconds) / _SECONDS
        for each in state.sittings
        if today - each.at_seconds < 16 * 3600
    )
    at = datetime.fromtimestamp(today, tz=ZoneInfo(plate.room.time_zone))
    return compute("hand-plan", {
        "kind": decided.kind, "minutes": min(100_000.0, max(0.0, minutes)),
        "start_minute": at.hour * 60 + at.minute, "worked_minutes": max(0.0, worked),
        "since_rest_minutes": max(
            0.0, (today - state.under_way.at_seconds) / _SECONDS if state.under_way else 0.0
        ),
    })  # fmt: skip


def _sharpen(state: MarksState) -> tuple[float, bool]:
    """Return minutes from one sharpening to the next: the room's own, else the usual."""
    own = sorted(each / _SECONDS for each in state.sharpened_after if each > _SECONDS)
    if len(own) < 3:
        return SHARPEN_MINUTES.value, False
    return round(own[len(own) // 2], 1), True
