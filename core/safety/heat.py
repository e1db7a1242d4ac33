"""Is a bath too warm: nitric heats itself, and from some heat on it runs away."""

from __future__ import annotations

from collections.abc import Iterable

from core.data.cautions import CAUTIONS
from core.data.mordants import MORDANTS
from core.errors import CoreError


def too_hot(mordant: str, temperature_c: float) -> bool:
    """Tell whether a bath is above what is allowed.

    Parameters
    ----------
    mordant : str
        A key of ``MORDANTS``.
    temperature_c : float [°C]

    Returns
    -------
    bool
    """
    hottest = MORDANTS[mordant].hottest_c
    return hottest is not None and temperature_c > hottest


def heat_cautions(baths: Iterable[tuple[str, float]]) -> tuple[str, ...]:
    """Return the cautions that the heat of baths asks for.

    Parameters
    ----------
    baths : iterable of (str, float [°C])
        Keys of ``MORDANTS``, and how warm each bath is.

    Returns
    -------
    tuple of str
        Keys of ``CAUTIONS``, each once.
    """
    found = []
    for mordant, temperature_c in baths:
        warned = MORDANTS[mordant].warned_c
        if too_hot(mordant, temperature_c):
            found.append("nitric-hot")
        elif warned is not None and temperature_c >= warned:
            found.append("nitric-warm")
    return tuple(dict.fromkeys(found))


def check_heat(mordant: str, temperature_c: float) -> None:
    """Refuse to plan or to begin in a bath that is too warm.

    Parameters
    ----------
    mordant : str
        A key of ``MORDANTS``.
    temperature_c : float [°C]

    Raises
    ------
    CoreError
        It is above the hottest allowed.

    Notes
    -----
    Nitric above 30 °C heats itself faster than a tray cools. Source: ``room-practice``.
    """
    if too_hot(mordant, temperature_c):
        row, caution = MORDANTS[mordant], CAUTIONS["nitric-hot"]
        raise CoreError(
            "too-hot",
            f"{row.label} at {temperature_c:g} °C: {caution.text} {caution.now}",
            field="bath",
            value=temperature_c,
            allowed=f"at most {row.hottest_c:g}",
            unit="°C",
        )
