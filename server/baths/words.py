"""A check of a bath in words."""

from __future__ import annotations

from typing import Any

from core.units import clock_text

ALIKE = " · "
"""Between a ground and what its strip was printed with."""


def check_words(kind: str, said: dict[str, Any]) -> str:
    """Return what a check says, for the record and its list."""
    if kind == "coupon":
        lost = said["mass_before_g"] - said["mass_after_g"]
        return (
            f"{said['area_cm2']:g} cm² lost {lost:.3g} g in {clock_text(said['seconds'])} "
            f"({said['mass_before_g']:g} g before, {said['mass_after_g']:g} g after)"
        )
    if kind == "check-patch":
        dips = said.get("dips", 1)
        often = f" in {dips} dips" if dips > 1 else ""
        return f"L* {said['lstar']:g} after {clock_text(said['seconds'])}{often}"
    if kind == "strip":
        return f"tones, beside the other strips on {said['ground'].split(ALIKE)[0]}"
    if kind == "lines":
        deepest = max(said["measured"], key=lambda line: line["depth_um"])
        often = f"{len(said['measured'])} lines" if len(said["measured"]) > 1 else "a line"
        many = "the deepest " if len(said["measured"]) > 1 else ""
        return (
            f"{often} measured, {many}{deepest['depth_um']:g} µm after "
            f"{clock_text(deepest['seconds'])}"
        )
    return f"{said['baume']:g} °Bé read, with {said.get('load_g_per_l', 0):.1f} g/L in it"
