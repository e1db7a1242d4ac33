"""Heat of biting, and how trays cool."""

from __future__ import annotations

from core.data.lines import Number

REACTION_KJ_PER_MOL: dict[str, Number] = {
    "ferric": Number(16.0, 3.0, "kJ/mol Cu", "reaction-enthalpies"),
    "sulphate": Number(219.0, 5.0, "kJ/mol Zn", "reaction-enthalpies"),
    "nitric": Number(350.0, 80.0, "kJ/mol metal", "reaction-enthalpies"),
}
"""By the caution of the mordant, which names its family."""
WATER_KJ_PER_L_K = Number(4.18, 0.2, "kJ/(L·K)", "reaction-enthalpies")
FUMES_G_PER_H = 5.0
"""Zinc or copper dissolved in nitric faster than this gives more brown gas than a room's own air
takes away. ``room-practice``"""
COOLING_MINUTES: dict[str, Number] = {
    "tray": Number(90.0, 30.0, "min", "room-practice"),
    "jacket": Number(25.0, 8.0, "min", "room-practice"),
    "tank": Number(240.0, 80.0, "min", "room-practice"),
    "bottle": Number(120.0, 40.0, "min", "room-practice"),
}
"""After so long the bath has come two thirds of the way to what is round it (4 L)."""
USUAL_LITRES = 4.0
"""Of the times above: they grow with the side of the tray, as the third root of the volume.
``room-practice``"""
