"""Read a picture that is to fill a plate: how fine it is, and whether it fits."""

from __future__ import annotations

from core.data.study import COARSEST_PX_PER_MM
from core.errors import CoreError
from core.study.brush import grid_px_per_mm, shrink, smooth
from core.study.levels import Levels, read_levels
from core.study.shapes import OnPlate, StudyWarning

_COARSEST_AT_ALL = 0.8
"""A pixel wider than a millimetre and a quarter has no edge that could be painted."""
_PROPORTION_SAID, _PROPORTION_REFUSED = 1.02, 1.5


def read_on_plate(given: OnPlate) -> tuple[Levels, float, list[StudyWarning]]:
    """Return a picture as it is cut, its pixels per mm as it came, and what to know of it.

    Parameters
    ----------
    given : OnPlate

    Returns
    -------
    (array, float, list of StudyWarning)

    Raises
    ------
    CoreError
        No picture, far too coarse, of quite other proportions than the plate, or one flat grey.
    """
    levels = read_levels(given.image)
    fine = px_per_mm(levels, given.width_mm, given.height_mm)
    warnings = fits(levels, given.width_mm, given.height_mm)
    if given.smooth_mm:
        levels = brushed(levels, given.width_mm, given.height_mm, given.smooth_mm)
    check_greys(levels)
    return levels, fine, warnings


def brushed(levels: Levels, width_mm: float, height_mm: float, smooth_mm: float) -> Levels:
    """Return a picture of a whole plate, no finer than a brush.

    Parameters
    ----------
    levels : array
    width_mm, height_mm, smooth_mm : float [mm]

    Returns
    -------
    array
    """
    grid = grid_px_per_mm(width_mm, height_mm)
    small = shrink(levels, round(width_mm * grid), round(height_mm * grid))
    return smooth(small, smooth_mm * px_per_mm(small, width_mm, height_mm))


def px_per_mm(levels: Levels, width_mm: float, height_mm: float) -> float:
    """Return how many pixels a mm of the plate has, along its coarser side.

    Parameters
    ----------
    levels : array
    width_mm, height_mm : float [mm]

    Returns
    -------
    float [px/mm]
    """
    return float(min(levels.shape[1] / width_mm, levels.shape[0] / height_mm))


def fits(levels: Levels, width_mm: float, height_mm: float) -> list[StudyWarning]:
    """Return what to know of a picture that is to fill a plate.

    Parameters
    ----------
    levels : array
    width_mm, height_mm : float [mm]

    Returns
    -------
    list of StudyWarning

    Raises
    ------
    CoreError
        Far too coarse, or of quite other proportions.
    """
    fine = px_per_mm(levels, width_mm, height_mm)
    across = (levels.shape[1] / levels.shape[0]) / (width_mm / height_mm)
    off = max(across, 1 / across)
    size = f"{width_mm:g} × {height_mm:g} mm"
    if off > _PROPORTION_REFUSED:
        raise CoreError(
            "other-proportions", f"{levels.shape[1]} × {levels.shape[0]} px has other proportions "
            f"than {size}: crop it, or change the plate.", field="image",
            value=round(levels.shape[1] / levels.shape[0], 3),
            allowed=f"{width_mm / height_mm:.3f} wide to high",
        )  # fmt: skip
    if fine < _COARSEST_AT_ALL:
        raise too_coarse(fine, size)
    warnings = []
    if off > _PROPORTION_SAID:
        text = f"The picture has other proportions than {size}: it is stretched to fit."
        warnings.append(StudyWarning(code="other-proportions", text=text))
    if fine < COARSEST_PX_PER_MM:
        warnings.append(StudyWarning(code="too-coarse", text=_coarse_text(fine, size)))
    return warnings


def too_coarse(fine: float, size: str) -> CoreError:
    """Return the error of a picture too coarse for its plate.

    Parameters
    ----------
    fine : float [px/mm]
    size : str
        The plate's, in words.

    Returns
    -------
    CoreError
    """
    return CoreError(
        "too-coarse", _coarse_text(fine, size), field="image", value=round(fine, 2),
        allowed=f"at least {COARSEST_PX_PER_MM:g}", unit="px per mm",
    )  # fmt: skip


def _coarse_text(fine: float, size: str) -> str:
    return (
        f"Too coarse for {size}: {fine:.1f} px per mm, where {COARSEST_PX_PER_MM:g} are needed. "
        "Scan it at 100 dpi of the plate's size or more."
    )


def check_greys(levels: Levels) -> None:
    """Refuse one flat grey: there is nothing to cut.

    Parameters
    ----------
    levels : array

    Raises
    ------
    CoreError
    """
    low, high = int(levels.min()), int(levels.max())
    if high - low < 2:
        raise CoreError(
            "one-grey", f"The picture is one flat grey, L* {low / 10.23:.0f}: there are no tones "
            "to tell apart in it.", field="image", value=round(low / 10.23, 1),
            allowed="greys that differ", unit="L*",
        )  # fmt: skip
