"""Tone → how far apart to hatch, how many lines, how long that takes."""

from __future__ import annotations

import math
from dataclasses import dataclass

from core.bath.posterior import BAND_SDS
from core.data.mordants import TABLES_VERSION
from core.data.scratches import BURRS_TOUCH_UM, PACE_FACTOR, PACE_M_PER_MIN
from core.drypoint.coverage import (
    Lines,
    band_of,
    covered_share,
    doubt_of,
    printed_lstar,
    share_for,
)
from core.drypoint.shapes import HatchPlanInput, HatchPlanOutput, HatchWarning

_OWN_PACE_FACTOR = 1.15
"""A hand that was timed varies from day to day. ``room-practice``"""
_UM_PER_MM = 1000.0
_FEW = 3


@dataclass(frozen=True)
class Hatching:
    """A field as it is hatched: its lines and the share they cover."""

    spacing_um: float | None
    lines: list[Lines]

    @property
    def covered(self) -> float:
        """Return the share covered."""
        return covered_share(self.lines)


def hatch_plan(given: HatchPlanInput) -> HatchPlanOutput:
    """Return the spacing that prints a wanted tone with the line there is.

    Parameters
    ----------
    given : HatchPlanInput
        Tone [L*], printed width [µm], layers of one spacing, field [mm].

    Returns
    -------
    HatchPlanOutput
        A tone out of reach gets the nearest, ``reachable`` false and a warning.

    Notes
    -----
    s = w / (1 − (1 − a)^(1/layers)), a by ``coverage``. A layer's length is area / spacing; its
    lines stand across the field's width, its height, then at half angles. Source:
    ``murray-davies``, ``yule-nielsen``.
    """
    share = share_for(given.lstar, given.lightest_lstar, given.solid_lstar)
    hatching = _hatching(given, min(1.0, max(0.0, share)))
    length_m = sum(_length_m(given, spacing) for _, spacing in hatching.lines)
    minutes, factor = _minutes(given, length_m)
    reach = (given.lightest_lstar, given.solid_lstar)
    spread = doubt_of(hatching.lines, given.width_spread)
    low, high = band_of(hatching.covered, spread, *reach)
    near, far = _spacing_band(given, hatching, (low, high))
    return HatchPlanOutput(
        spacing_um=hatching.spacing_um,
        spacing_low_um=near,
        spacing_high_um=far,
        lines=_line_count(given, hatching),
        length_m=round(length_m, 2),
        minutes=round(minutes, 1),
        minutes_low=round(minutes / factor**BAND_SDS, 1),
        minutes_high=round(minutes * factor**BAND_SDS, 1),
        lstar=round(printed_lstar(hatching.covered, *reach), 2),
        low=round(low, 1),
        high=round(high, 1),
        covered=round(hatching.covered, 4),
        reachable=-1e-9 <= share <= 1 + 1e-9,
        warnings=_warnings(given, hatching, share),
        tables=TABLES_VERSION,
    )


def _hatching(given: HatchPlanInput, share: float) -> Hatching:
    spacing = _spacing(given, share)
    return Hatching(spacing, [(given.width_um, spacing)] * given.layers if spacing else [])


def _spacing(given: HatchPlanInput, share: float) -> float | None:
    """Return the distance of lines in every layer [µm]; None where none is needed."""
    a_layer = 1.0 - (1.0 - share) ** (1.0 / given.layers)
    widest = 1_000_000.0
    if a_layer * widest < given.width_um:
        return None
    return max(given.width_um, round(given.width_um / a_layer, 1))


def _spacing_band(
    given: HatchPlanInput, hatching: Hatching, band: tuple[float, float]
) -> tuple[float | None, float | None]:
    """Return the distances whose expected tones are the ends of the band."""
    if hatching.spacing_um is None:
        return None, None
    ends = [
        _spacing(given, min(1.0, max(0.0, share_for(e, given.lightest_lstar, given.solid_lstar))))
        for e in band
    ]
    return ends[0], ends[1]


def _length_m(given: HatchPlanInput, spacing_um: float) -> float:
    return given.width_mm * given.height_mm / (spacing_um / _UM_PER_MM) / 1000.0


def _line_count(given: HatchPlanInput, hatching: Hatching) -> int:
    """Return the lines of all layers: how many cross the field each way."""
    found = 0
    for place, (_, spacing) in enumerate(hatching.lines):
        angle = math.radians(_ANGLES[place])
        across = given.width_mm * abs(math.cos(angle)) + given.height_mm * abs(math.sin(angle))
        found += round(across / (spacing / _UM_PER_MM))
    return found


_ANGLES = (0.0, 90.0, 45.0, 135.0, 22.5, 112.5)
"""Of each layer, in degrees: upright lines, level ones, then between them."""


def _minutes(given: HatchPlanInput, length_m: float) -> tuple[float, float]:
    """Return how long a hand draws, and by which factor that may miss, 1 SD."""
    if given.pace_m_per_min is None:
        return length_m / PACE_M_PER_MIN.value, PACE_FACTOR
    return length_m / given.pace_m_per_min, _OWN_PACE_FACTOR


def _warnings(given: HatchPlanInput, hatching: Hatching, share: float) -> list[HatchWarning]:
    if share > 1 + 1e-9:
        return [_said("darker-than-solid", f"L* {given.lstar:g} is darker than solid ink prints "
                f"(L* {given.solid_lstar:g}). More ink left at the wiping, or another paper, "
                "reaches further; no hatching does.")]  # fmt: skip
    if hatching.spacing_um is None:
        if share >= -1e-9:
            return []
        text = (
            f"L* {given.lstar:g} is lighter than the bare plate wiped (L* "
            f"{given.lightest_lstar:g}). Leave it empty and wipe it bright."
        )
        return [_said("lighter-than-bare", text)]
    return [*_too_close(given, hatching.spacing_um), *_too_few(given, hatching.spacing_um)]


def _too_close(given: HatchPlanInput, spacing_um: float) -> list[HatchWarning]:
    left = spacing_um - given.width_um
    if left >= BURRS_TOUCH_UM:
        return []
    more = "" if given.layers >= 3 else " Cross it once more, wider apart."
    return [_said("burrs-touch", f"Only {left:.0f} µm stay between two lines: their burrs touch "
            f"and print as one grey, darker or paler by chance.{more}")]  # fmt: skip


def _too_few(given: HatchPlanInput, spacing_um: float) -> list[HatchWarning]:
    across = min(given.width_mm, given.height_mm) / (spacing_um / _UM_PER_MM)
    if across >= _FEW:
        return []
    text = "So far apart they read as lines, not as a tone: such a field is better left empty."
    return [_said("few-lines", text)]


def _said(code: str, text: str) -> HatchWarning:
    return HatchWarning.model_validate({"code": code, "text": text})
