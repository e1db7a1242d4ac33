"""The stages of an exposure, from the chalk to the hardened plate."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

from core.data.lines import Number

StageKey = Literal["chalk", "screen", "image", "wash", "blot", "dry", "harden"]
STAGE_KEYS: tuple[StageKey, ...] = get_args(StageKey)
Pace = Literal["hands", "rays", "waits"]
"""What a stage needs: hands all the time, the lamp, or nobody."""
CheckKey = Literal["clear-look", "clear-touch", "no-water", "not-tacky"]


@dataclass(frozen=True)
class CheckRow:
    """What is looked at or felt at the end of a stage, before the next begins."""

    key: CheckKey
    label: str
    fine: str
    """What the record says where it is so."""
    not_yet: str
    """What to do where it is not."""


CHECKS: dict[CheckKey, CheckRow] = {
    row.key: row
    for row in (
        CheckRow("clear-look", "darks look dull, no shine", "By look: washed clear.",
                 "By look: not clear yet. Brush on where it shines."),
        CheckRow("clear-touch", "feels rough, no slime", "By touch: washed clear.",
                 "By touch: slimy still. Brush on before it dries."),
        CheckRow("no-water", "no drop stands on it", "Blotted: no water stands on it.",
                 "Water stands on it still. Blot again: a drop that dries leaves a mark."),
        CheckRow("not-tacky", "dry, not tacky", "Dry, not tacky.",
                 "Tacky still. Longer in warm air, then the lamp."),
    )
}  # fmt: skip


@dataclass(frozen=True)
class StageRow:
    """One stage of an exposure. ``again_seconds`` is what one goes on for once its time is up."""

    key: StageKey
    title: str
    pace: Pace
    usual: Number
    """[min], where nothing else says how long."""
    verb: str
    """On the control that begins it."""
    end_verb: str
    todo: str
    at_zero: str
    began: str
    """What the record says."""
    again_seconds: float = 0.0
    checks: tuple[CheckKey, ...] = ()
    may_pass: bool = False
    cautions: tuple[str, ...] = ()
    course_step: str = ""
    """The step of a plate's course that it is; empty where it has none of its own."""


def _minutes(value: float, spread: float) -> Number:
    return Number(value, spread, "min", "room-practice")


STAGES: dict[StageKey, StageRow] = {
    row.key: row
    for row in (
        StageRow("chalk", "Chalk", "hands", _minutes(1, 0.3), "Chalk", "Chalked",
                 "A thin even bloom, blown clean: in a damp room film sticks without it.",
                 "blow it clean.", "Chalking.", again_seconds=30, may_pass=True,
                 cautions=("uncured-polymer",), course_step="dust-chalk"),
        StageRow("screen", "Dot screen", "rays", _minutes(1.5, 0.5), "Lamp on", "Lamp off",
                 "Dot screen on the plate, film side to plate, pressed flat.",
                 "lamp off, take the screen off.", "Lamp on, under the dot screen.",
                 cautions=("uv",), course_step="expose-screen"),
        StageRow("image", "Image", "rays", _minutes(2.5, 0.8), "Lamp on", "Lamp off",
                 "Positive on the plate, film side to plate, lettering reversed.",
                 "lamp off, take the positive off.", "Lamp on, under the positive.",
                 cautions=("uv",), course_step="expose-image"),
        StageRow("wash", "Wash out", "hands", _minutes(5, 1), "Wash out", "Out of the water",
                 "Soft brush, in circles, in clean water.",
                 "look into the darks, feel them.", "Into the water.", again_seconds=60,
                 checks=("clear-look", "clear-touch"), cautions=("uncured-polymer",),
                 course_step="wash-out"),
        StageRow("blot", "Blot", "hands", _minutes(1, 0.3), "Blot", "Blotted",
                 "Lift the water off with blotters, no rubbing.",
                 "hold it to the light: no drop.", "Blotting.", again_seconds=30,
                 checks=("no-water",), cautions=("uncured-polymer",)),
        StageRow("dry", "Dry", "waits", _minutes(15, 5), "Dry", "It is dry",
                 "Warm moving air, not hot.", "feel a corner: not tacky.",
                 "Drying.", again_seconds=300, checks=("not-tacky",)),
        StageRow("harden", "Harden", "rays", _minutes(8, 2), "Lamp on", "Lamp off",
                 "Under the same lamp, no film.", "lamp off: the plate is hard.",
                 "Lamp on, to harden.", again_seconds=120, cautions=("uv",),
                 course_step="harden"),
    )
}  # fmt: skip
"""In working order. ``room-practice``"""

CHECKED_AFTER: dict[CheckKey, StageKey] = {
    check: row.key for row in STAGES.values() for check in row.checks
}
"""The stage that each check belongs to."""

EXPOSED_STEPS = frozenset(row.course_step for row in STAGES.values() if row.course_step)
"""Steps of a course that a finished exposure settles."""

SHORT_SHARE = 0.97
"""Of its time, from which on a stage under the lamp is no longer called short. ``room-practice``"""
LONG_SHARE = 1.03
"""And beyond which it is called long. ``room-practice``"""
STALE_SECONDS = 3600.0
"""So long past its end, and a stage was surely forgotten, not late. ``room-practice``"""
