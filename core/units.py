"""Conversions between the units people type and the SI-near units the core computes in."""

from __future__ import annotations

KELVIN_AT_0_C = 273.15
GAS_CONSTANT_J_PER_MOL_K = 8.314462618
MM_PER_INCH = 25.4
SECONDS_PER_MINUTE = 60.0
UM_PER_CM = 1e4
CM3_PER_L = 1000.0


def kelvin(temperature_c: float) -> float:
    """Return the absolute temperature [K] of ``temperature_c`` [°C].

    Parameters
    ----------
    temperature_c : float [°C]

    Returns
    -------
    float [K]
    """
    return temperature_c + KELVIN_AT_0_C


def celsius_from_fahrenheit(temperature_f: float) -> float:
    """Return [°C] for ``temperature_f`` [°F].

    Parameters
    ----------
    temperature_f : float [°F]

    Returns
    -------
    float [°C]
    """
    return (temperature_f - 32.0) / 1.8


def fahrenheit_from_celsius(temperature_c: float) -> float:
    """Return [°F] for ``temperature_c`` [°C].

    Parameters
    ----------
    temperature_c : float [°C]

    Returns
    -------
    float [°F]
    """
    return temperature_c * 1.8 + 32.0


def specific_gravity_from_baume(baume: float) -> float:
    """Return the specific gravity at 15.6 °C of a liquid heavier than water.

    Parameters
    ----------
    baume : float [°Bé]

    Returns
    -------
    float

    Notes
    -----
    Equation: SG = 145 / (145 − °Bé), valid below 145 °Bé. Source: ``hydrometer-scale``.
    """
    return 145.0 / (145.0 - baume)


def baume_from_specific_gravity(specific_gravity: float) -> float:
    """Return [°Bé] of a liquid heavier than water; the inverse of the hydrometer scale.

    Parameters
    ----------
    specific_gravity : float

    Returns
    -------
    float [°Bé]
    """
    return 145.0 - 145.0 / specific_gravity


def to_five(seconds: float) -> float:
    """Return a time to the nearest five seconds, five at least.

    Parameters
    ----------
    seconds : float [s]

    Returns
    -------
    float [s]
    """
    return max(5.0, 5.0 * round(seconds / 5.0))


def clock_text(seconds: float) -> str:
    """Return a time as it is read, m:ss, to the nearest five seconds.

    Parameters
    ----------
    seconds : float [s]

    Returns
    -------
    str
    """
    whole = int(to_five(seconds))
    return f"{whole // 60}:{whole % 60:02d}"
