"""Hydrometer, density and strength of ferric chloride both ways, and the metal it can take."""

from __future__ import annotations

import numpy as np

from core.data.preparation import (
    COPPER_G_PER_MOL,
    FERRIC_DENSITY_G_PER_ML,
    FERRIC_G_PER_MOL,
    FERRIC_PER_COPPER,
    FERRIC_PERCENT,
)
from core.units import baume_from_specific_gravity, specific_gravity_from_baume

MOST_BAUME = baume_from_specific_gravity(FERRIC_DENSITY_G_PER_ML[-1])
"""Where the table of densities ends [°Bé]."""


def ferric_mass_percent(baume: float) -> float:
    """Return the share of ferric chloride by mass at a hydrometer reading, at 20 °C.

    Parameters
    ----------
    baume : float [°Bé]
        0 to ``MOST_BAUME``.

    Returns
    -------
    float [%]

    Notes
    -----
    Linear between the handbook's densities. Source: ``hydrometer-scale``, ``ferric-densities``.
    """
    gravity = specific_gravity_from_baume(baume)
    return float(np.interp(gravity, FERRIC_DENSITY_G_PER_ML, FERRIC_PERCENT))


def ferric_baume(mass_percent: float) -> float:
    """Return the hydrometer reading of a share of ferric chloride by mass; the way back.

    Parameters
    ----------
    mass_percent : float [%]
        0 to 50.

    Returns
    -------
    float [°Bé]
    """
    gravity = float(np.interp(mass_percent, FERRIC_PERCENT, FERRIC_DENSITY_G_PER_ML))
    return max(0.0, baume_from_specific_gravity(gravity))


def ferric_mol_per_l(baume: float) -> float:
    """Return how much ferric chloride a litre holds.

    Parameters
    ----------
    baume : float [°Bé]

    Returns
    -------
    float [mol/L]
    """
    grams = specific_gravity_from_baume(baume) * 10.0 * ferric_mass_percent(baume)
    return grams / FERRIC_G_PER_MOL


def most_copper_g_per_l(baume: float) -> float:
    """Return the copper a litre of ferric can dissolve at the very most.

    Parameters
    ----------
    baume : float [°Bé]

    Returns
    -------
    float [g/L]

    Notes
    -----
    Cu + 2 FeCl₃ → CuCl₂ + 2 FeCl₂: 63.55 g for 2 mol. Source: ``stoichiometry``.
    """
    return ferric_mol_per_l(baume) / FERRIC_PER_COPPER * COPPER_G_PER_MOL
