"""What is known of lines in one bath: rate, undercut, wetting, as equally likely draws."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from core.data.lines import (
    DEPTH_READING_SPREAD_UM,
    NEEDLE_UM,
    UNDERCUT_SPREAD,
    WIDTH_READING_SPREAD_UM,
)
from core.kinetics.bath import BathSpeed, bath_speed
from core.kinetics.row import mordant_row
from core.kinetics.shapes import CurveBath
from core.line.shapes import MeasuredLine
from core.line.width import top_width_um
from core.points import normal_points
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]

_DRAWS, _TRIALS = 256, 6000
_RATE, _WETTING, _UNDERCUT, _NEEDLE = range(4)
_KINDS = 9
"""Apart from the five doubts of a bath, whose points they must not repeat."""


@dataclass(frozen=True)
class LineModel:
    """Depth over reference seconds (20 °C, fresh) as draws; arrays (draws,).

    ``rate_um_per_s`` at 20 °C fresh; the bath's ``speed`` is over that.
    """

    rate_um_per_s: Array
    undercut: Array
    needle_share: Array
    """What a needle opens over its nominal width."""
    wetting: Array
    speed: BathSpeed

    lightest: float = 0.0

    def at(self, reference_seconds: Array) -> Array:
        """Return minus the depth [µm]: a scale that falls with time, as tones do.

        Parameters
        ----------
        reference_seconds : array [reference s]

        Returns
        -------
        array [−µm]
        """
        return -self.depth_um(reference_seconds)

    def depth_um(self, reference_seconds: Array) -> Array:
        """Return depth [µm] per draw.

        Parameters
        ----------
        reference_seconds : array (draws,) [reference s]

        Returns
        -------
        array (draws,) [µm]
        """
        return np.asarray(self.rate_um_per_s * np.maximum(0.0, reference_seconds))

    def needle_um(self, nominal: float | None) -> Array:
        """Return the line's width before it bites [µm] per draw; surer where it was measured.

        Parameters
        ----------
        nominal : float [µm] or None
            As it was measured.

        Returns
        -------
        array (draws,) [µm]
        """
        if nominal is not None:
            return np.full(len(self.undercut), nominal)
        return np.asarray(NEEDLE_UM.value * self.needle_share)


def line_model(bath: CurveBath, measured: list[MeasuredLine]) -> LineModel:
    """Return the model of lines in a bath, after the lines that were measured.

    Parameters
    ----------
    bath : CurveBath
    measured : list of MeasuredLine

    Returns
    -------
    LineModel

    Notes
    -----
    A bath's ``rate_factor`` is over the table's rate at 20 °C, fresh, and carries its own doubt;
    without one the table's rate is uncertain by 30 %. Its expected value is the table's.
    """
    model = _guess(bath, _TRIALS if measured else _DRAWS)
    return _weighed(model, bath, measured) if measured else model


def _guess(bath: CurveBath, draws: int) -> LineModel:
    row = mordant_row(bath)
    points = normal_points(draws, _KINDS)[:, -4:]
    spread = 0.0 if bath.rate_factor is not None else row.rate_log_spread
    return LineModel(
        rate_um_per_s=row.rate_um_per_min / SECONDS_PER_MINUTE * _about(spread, points[:, _RATE]),
        undercut=row.undercut * _about(UNDERCUT_SPREAD, points[:, _UNDERCUT]),
        needle_share=_about(NEEDLE_UM.spread / NEEDLE_UM.value, points[:, _NEEDLE]),
        wetting=row.wetting_seconds * _about(row.wetting_log_spread, points[:, _WETTING]),
        speed=bath_speed(bath, None, draws),
    )


def _about(log_spread: float, points: Array) -> Array:
    """Return factors spread evenly about an expected value of 1."""
    return np.asarray(np.exp(log_spread * points - 0.5 * log_spread**2))


def _weighed(model: LineModel, bath: CurveBath, measured: list[MeasuredLine]) -> LineModel:
    """Return the draws that agree with what was measured."""
    off = np.zeros(len(model.undercut))
    for line in measured:
        off += _squared_distance(model, line)
    weights = np.exp(-0.5 * (off - off.min()))
    steps = (np.arange(_DRAWS) + 0.5) / _DRAWS
    places = np.minimum(np.searchsorted(np.cumsum(weights / weights.sum()), steps), len(off) - 1)
    speed = replace(
        model.speed,
        scale=model.speed.scale[places],
        energy_kj_per_mol=model.speed.energy_kj_per_mol[places],
        end_g_per_l=model.speed.end_g_per_l[places],
    )
    return LineModel(
        model.rate_um_per_s[places], model.undercut[places], model.needle_share[places],
        model.wetting[places], speed,
    )  # fmt: skip


def _squared_distance(model: LineModel, line: MeasuredLine) -> Array:
    pace = model.speed.at(line.temperature_c, line.load_g_per_l)
    biting = np.maximum(0.0, line.seconds - line.dips * model.wetting)
    depth = model.depth_um(pace * biting)
    off = np.zeros(len(depth))
    if line.depth_um is not None:
        off += ((depth - line.depth_um) / (line.depth_spread_um or DEPTH_READING_SPREAD_UM)) ** 2
    if line.width_um is not None:
        width = top_width_um(model.needle_um(line.needle_um), depth, model.undercut)
        off += ((width - line.width_um) / (line.width_spread_um or WIDTH_READING_SPREAD_UM)) ** 2
    return off
