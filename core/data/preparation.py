"""Numbers of the preparation of plates: starting guesses, each with unit and source."""

from __future__ import annotations

from core.data.lines import Number

BEVEL_ANGLE = Number(45.0, 5.0, "°", "room-practice")
OPTIONAL_UNDER_MM = 1.5
"""Plastic thinner than this may go without a bevel. ``room-practice``"""
LEAST_FLAT_MM = 0.2
"""What a bevel must leave of the edge's height, so that it is not a knife.
``room-practice``"""
USUAL_RUN_SHARE = 0.75
"""Of the thickness: a bevel usually takes this much of the edge's height.
``room-practice``"""
FILE_MINUTES_PER_CM: dict[str, float] = {
    "copper": 0.22, "zinc": 0.18, "plastic": 0.10, "polymer": 0.14,
}  # fmt: skip
"""For 1 mm of thickness: coarse file, fine file, scraper, burnisher. ``room-practice``"""

FERRIC_PERCENT = (0.0, 10.0, 20.0, 30.0, 40.0, 50.0)
"""By mass, of the densities below. ``ferric-densities``"""
FERRIC_DENSITY_G_PER_ML = (0.998, 1.085, 1.182, 1.291, 1.418, 1.551)
"""Ferric chloride at 20 °C. ``ferric-densities``"""
FERRIC_G_PER_MOL, COPPER_G_PER_MOL, ZINC_G_PER_MOL = 162.2, 63.55, 65.38
"""Molar masses. ``molar-masses``"""
FERRIC_PER_COPPER = 2.0
"""Cu + 2 FeCl₃ → CuCl₂ + 2 FeCl₂. ``stoichiometry``"""
ACID_PER_ZINC = Number(2.6, 0.06, "mol/mol", "stoichiometry")
"""Zinc in dilute nitric: mixed products, 2.5 to 2.7."""
NITRIC_68_MOL_PER_L = 15.2
"""Nitric acid of 68 % by mass, 1.405 g/mL. ``molar-masses``"""
COPPER_SULPHATE_G_PER_MOL = 249.7
"""Pentahydrate. ``molar-masses``"""
WATER_G_PER_ML = 0.998
"""At 20 °C. ``ferric-densities``"""
