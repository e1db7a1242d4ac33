"""The bench of a plan for tones: the strip's curve in today's bath."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Protocol

from core.data.mordants import BARE_SHARE_OF_AQUATINT
from core.kinetics.bath import bath_speed
from core.stages.bench import Bench, Wanted, tray_of
from core.stages.shapes import Area
from core.tone.no_strip import guess_curve
from core.tone.shapes import Curve
from core.tone.table import ToneTable, table_of


class WantedTones(Wanted, Protocol):
    """Areas with the tone each shall have, and the strip's curve where there is one."""

    @property
    def areas(self) -> Sequence[Area]: ...
    @property
    def curve(self) -> Curve | None: ...


@dataclass(frozen=True)
class ToneBench(Bench):
    """The bench of a plan for tones: the table is of L*."""

    given: WantedTones
    table: ToneTable
    curve: Curve
    told: dict[bytes, tuple[float, float, float]] = field(default_factory=dict)
    """Tones said already, by the exposure: areas open together stand alike."""


def lay_out(given: WantedTones) -> ToneBench:
    """Return the bench of a plan for tones.

    Parameters
    ----------
    given : WantedTones

    Returns
    -------
    ToneBench

    Raises
    ------
    CoreError
        The strip is of another metal than the bath's.
    """
    curve = given.curve or guess_curve(given.bath.mordant, given.bath.numbers)
    table = table_of(curve)
    return ToneBench(
        given=given,
        goals=[area.lstar for area in given.areas],
        table=table,
        speed=bath_speed(given.bath, curve.conditions, len(table.lstar)),
        tray=tray_of(given.bath),
        valid_to_reference_seconds=curve.valid_to_reference_seconds,
        bare_share=BARE_SHARE_OF_AQUATINT,
        curve=curve,
    )
