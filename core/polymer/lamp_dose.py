"""Dose at the plate: irradiance × time, at the distance it lies."""

from __future__ import annotations

import math
from typing import Literal

import numpy as np

from core.data.polymer import LAMPS
from core.errors import CoreError
from core.polymer.lamp_shapes import LampDoseInput, LampDoseOutput, LightPoint

Source = Literal["measured", "between", "inverse-square"]


def lamp_dose(given: LampDoseInput) -> LampDoseOutput:
    """Return irradiance, time and dose at a distance.

    Parameters
    ----------
    given : LampDoseInput
        Points [cm, mW/cm²], distance [cm], time [s] or dose [mJ/cm²].

    Returns
    -------
    LampDoseOutput

    Raises
    ------
    CoreError
        ``not-measured``: tubes or a panel beyond the distances measured.

    Notes
    -----
    Dose = irradiance · time. One small lamp falls with the distance squared; near tubes and panels
    do not: between measured distances their logarithms are joined straight, beyond them nothing is
    told. Source: ``inverse-square``.
    """
    light, source = _light(given)
    seconds = given.seconds or (given.mj_per_cm2 or 0.0) / light
    return LampDoseOutput(
        mw_per_cm2=round(light, 4), seconds=round(seconds, 2),
        mj_per_cm2=round(light * seconds, 2), source=source,
    )  # fmt: skip


def _light(given: LampDoseInput) -> tuple[float, Source]:
    points = sorted(given.points, key=lambda point: point.distance_cm)
    at = given.distance_cm
    exact = next((point for point in points if point.distance_cm == at), None)
    if exact:
        return exact.mw_per_cm2, "measured"
    if LAMPS[given.lamp].inverse_square:
        return _squared(points, at), "inverse-square"
    if not points[0].distance_cm < at < points[-1].distance_cm:
        raise CoreError(
            "not-measured", f"{LAMPS[given.lamp].label} near a plate do not fall with the distance "
            "squared: measure at this distance.", field="distance_cm", value=at,
            allowed=f"{points[0].distance_cm:g} to {points[-1].distance_cm:g}", unit="cm",
        )  # fmt: skip
    far = np.log([point.distance_cm for point in points])
    light = np.log([point.mw_per_cm2 for point in points])
    return float(np.exp(np.interp(math.log(at), far, light))), "between"


def _squared(points: list[LightPoint], at: float) -> float:
    """Return the light of a small lamp from all points: the mean of what each says."""
    logs = [math.log(p.mw_per_cm2 * (p.distance_cm / at) ** 2) for p in points]
    return math.exp(sum(logs) / len(logs))
