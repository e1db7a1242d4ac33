"""How fast a bath bites: temperature, dissolved metal and strength."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import (
    BAUME_PER_G_PER_L_COPPER,
    FERRIC_REFERENCE_BAUME,
    FERRIC_STRENGTH_BAUME,
    FERRIC_STRENGTH_FACTOR,
    Mordant,
)
from core.units import GAS_CONSTANT_J_PER_MOL_K, KELVIN_AT_0_C

Array = NDArray[np.float64]

REFERENCE_C = 20.0
LOAD_SLOPE = 0.75
SLOWEST_LOAD_FACTOR = 0.15


def temperature_factor(
    temperature_c: Array | float, energy_kj_per_mol: Array | float, reference_c: float = REFERENCE_C
) -> Array:
    """Return speed at ``temperature_c`` over speed at ``reference_c``.

    Parameters
    ----------
    temperature_c : array or float [°C]
    energy_kj_per_mol : array or float [kJ/mol], broadcast against the temperature
    reference_c : float [°C]

    Returns
    -------
    array

    Notes
    -----
    exp(−Ea/R · (1/T − 1/T_ref)), T in kelvin; meant for 5 to 45 °C. Source: ``arrhenius``.
    """
    inverse = 1.0 / (np.asarray(temperature_c) + KELVIN_AT_0_C) - 1.0 / (
        reference_c + KELVIN_AT_0_C
    )
    return np.exp(-np.asarray(energy_kj_per_mol) * 1000.0 / GAS_CONSTANT_J_PER_MOL_K * inverse)


def load_factor(load_g_per_l: Array | float, end_g_per_l: Array | float) -> Array:
    """Return the slowing by dissolved metal, 1 when fresh.

    Parameters
    ----------
    load_g_per_l, end_g_per_l : array or float [g/L], broadcast

    Returns
    -------
    array
        0.15 to 1.

    Notes
    -----
    max(0.15, 1 − 0.75 · m / m_end). Source: ``room-practice``.
    """
    share = np.asarray(load_g_per_l) / np.asarray(end_g_per_l)
    return np.maximum(SLOWEST_LOAD_FACTOR, 1.0 - LOAD_SLOPE * share)


def ferric_strength_factor(baume: float, load_g_per_l: float) -> float:
    """Return speed at a hydrometer reading over speed at 42 °Bé.

    Parameters
    ----------
    baume : float [°Bé]
    load_g_per_l : float [g/L]

    Returns
    -------
    float

    Notes
    -----
    The reading is first freed of the metal in the bath, which makes it heavier. A weak prior:
    linear between tabulated points, held flat outside 28 to 45 °Bé. Source: ``room-practice``.
    """
    clean = baume - BAUME_PER_G_PER_L_COPPER * load_g_per_l
    return float(np.interp(clean, FERRIC_STRENGTH_BAUME, FERRIC_STRENGTH_FACTOR))


def strength_factor(mordant: Mordant, baume: float | None, load_g_per_l: float) -> float:
    """Return the strength factor of a bath; 1 where nothing was measured or the rule is unknown.

    Parameters
    ----------
    mordant : Mordant
    baume : float [°Bé] or None
    load_g_per_l : float [g/L]

    Returns
    -------
    float

    Notes
    -----
    ``baume`` is the reading of *this* bath. A maker's 42 °Bé stays 42 on the label while metal
    gathers, so a reading of exactly the reference is taken as the label, not as a reading.
    """
    if baume is None or mordant.strength_kind != "baume" or baume == FERRIC_REFERENCE_BAUME:
        return 1.0
    return ferric_strength_factor(baume, load_g_per_l)
