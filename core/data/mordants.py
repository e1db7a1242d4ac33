"""Mordants: how fast each bites its metal, and how sure that is before anything was measured.

``*_spread`` columns are one standard deviation: of the logarithm for rates and wetting times,
in the column's own unit otherwise. ``source`` is a key of ``docs/sources.bib``.
"""

from __future__ import annotations

from dataclasses import dataclass

TABLES_VERSION = "2026-11"


@dataclass(frozen=True)
class Mordant:
    """One pair of metal and mordant, with units in the names."""

    key: str
    label: str
    metal: str
    rate_um_per_min: float
    rate_log_spread: float
    energy_kj_per_mol: float
    energy_spread_kj_per_mol: float
    end_g_per_l: float
    end_spread_g_per_l: float
    wetting_seconds: float
    wetting_log_spread: float
    undercut: float
    strength_kind: str
    """"baume" (ferric), "dilution" (nitric) or "none"."""
    care_every_seconds: int | None
    care: str
    """What the hands do during a bite: a key of ``CARE``."""
    caution: str
    """A key of ``CAUTIONS``."""
    source: str
    warned_c: float | None = None
    hottest_c: float | None = None
    """From the one it is warned of, above the other it is refused; None where heat is no danger."""
    sediment: bool = False
    """What it bites settles in the lines of a plate that lies face up."""


@dataclass(frozen=True)
class Metal:
    """A plate material."""

    key: str
    label: str
    density_g_per_cm3: float
    source: str
    by_light: bool = False
    """It is hardened by light, not bitten."""


RATE_LOG_SPREAD = 0.30
"""Of the logarithm, before anything was measured. ``room-practice``"""
NITRIC_WARNED_C, NITRIC_HOTTEST_C = 27.0, 30.0
"""It heats itself; from the first on it is watched, above the second it is not used.
``room-practice``"""
WETTING_LOG_SPREAD = 0.42
"""Hands, agitation and grease move it by a factor of about 1.5: 3 to 17 s about 7.5 s.
``room-practice``"""


def _row(
    key: str,
    label: str,
    metal: str,
    rate: float,
    energy: tuple[float, float],
    end: tuple[float, float],
    wetting: float,
    undercut: float,
    strength: str,
    care: tuple[str, int | None],
    caution: str,
) -> Mordant:
    return Mordant(
        key=key,
        label=label,
        metal=metal,
        rate_um_per_min=rate,
        rate_log_spread=RATE_LOG_SPREAD,
        energy_kj_per_mol=energy[0],
        energy_spread_kj_per_mol=energy[1],
        end_g_per_l=end[0],
        end_spread_g_per_l=end[1],
        wetting_seconds=wetting,
        wetting_log_spread=WETTING_LOG_SPREAD,
        undercut=undercut,
        strength_kind=strength,
        care_every_seconds=care[1],
        care=care[0],
        caution=caution,
        source="room-practice",
        warned_c=NITRIC_WARNED_C if caution == "nitric" else None,
        hottest_c=NITRIC_HOTTEST_C if caution == "nitric" else None,
        sediment=caution == "ferric",
    )


MORDANTS: dict[str, Mordant] = {
    row.key: row
    for row in (
        _row("copper-ferric", "Ferric chloride", "copper", 1.5, (33, 7), (60, 9), 7.5, 0.7,
             "baume", ("rock", 120), "ferric"),
        _row("copper-ferric-citric", "Ferric chloride with citric acid", "copper", 2.0, (33, 7),
             (60, 10), 7.5, 0.7, "baume", ("rock", 120), "ferric"),
        _row("copper-nitric", "Nitric acid 1 + 2 to 1 + 4", "copper", 8.0, (45, 9), (30, 6), 2.0,
             1.0, "dilution", ("feather", 20), "nitric"),
        _row("zinc-nitric-10", "Nitric acid 1 + 10", "zinc", 5.0, (45, 9), (18, 3.6), 2.0, 1.0,
             "dilution", ("feather", 30), "nitric"),
        _row("zinc-nitric-16", "Nitric acid 1 + 16", "zinc", 3.0, (45, 9), (12, 2.4), 2.0, 1.0,
             "dilution", ("feather", 30), "nitric"),
        _row("zinc-copper-sulphate", "Copper sulphate with salt", "zinc", 3.0, (35, 7), (14, 2.8),
             5.0, 0.7, "none", ("brush", 180), "sulphate"),
    )
}  # fmt: skip

METALS: dict[str, Metal] = {
    row.key: row
    for row in (
        Metal("copper", "Copper", 8.96, "metal-densities"),
        Metal("zinc", "Zinc", 7.14, "metal-densities"),
        Metal("plastic", "Plastic", 1.19, "metal-densities"),
        Metal("polymer", "Photopolymer on steel", 7.0, "metal-densities", by_light=True),
    )
}

FERRIC_STRENGTH_BAUME = (28.0, 32.0, 35.0, 38.0, 42.0, 45.0)
"""Hydrometer readings [°Bé] of the factors below. ``room-practice``"""
FERRIC_STRENGTH_FACTOR = (1.15, 1.30, 1.30, 1.20, 1.00, 0.85)
"""Speed over that at 42 °Bé: a weak prior. ``room-practice``"""
FERRIC_STRENGTH_LOG_SPREAD = 0.5
"""Share of the logarithm of the factor that is doubt: the table is a weak prior.
``room-practice``"""
FERRIC_REFERENCE_BAUME = 42.0
"""Of the starting rates of ferric, and of most labels [°Bé]. ``room-practice``"""
BAUME_PER_G_PER_L_COPPER = 0.07
"""Dissolved copper makes the hydrometer read high by this much. ``room-practice``"""

BARE_SHARE_OF_AQUATINT = 0.5
"""Half of an aquatinted area is metal between the grains. ``room-practice``"""
