"""Ways to make a place lighter: how long, how often, what tone remains, or a new plate."""

from __future__ import annotations

import math

from core.data.mordants import TABLES_VERSION
from core.data.repair import (
    BURNISH_LSTAR_A_PASS,
    BURNISH_ON_PLASTIC_LSTAR,
    MASK_MINUTES_AN_INKING,
    MASK_MOST_CM2,
    MOST_BURNISH_PASSES,
    NEW_PLATE_MINUTES,
    REPAIRS,
    SCRAPED_LSTAR_BELOW_PAPER,
    RepairRow,
)
from core.repair.shapes import RepairRoute, RepairRoutesInput, RepairRoutesOutput

_TEN_UM = 10.0
_PAPER = 100.0
_BAND = 1.96
_WHITE_ENOUGH = 88.0


def repair_routes(given: RepairRoutesInput) -> RepairRoutesOutput:
    """Return the routes, those that reach first and the shortest of them leading.

    Parameters
    ----------
    given : RepairRoutesInput
        Area [cm²], depth [µm], tones [L*].

    Returns
    -------
    RepairRoutesOutput
        Times [min].
    """
    routes = [_route(row, given) for row in REPAIRS.values()]
    routes.sort(key=lambda route: (not route.possible, route.minutes))
    best = next((route for route in routes if route.possible), None)
    new = given.new_plate_minutes or NEW_PLATE_MINUTES[given.material]
    shorter = best is None or best.minutes > new
    return RepairRoutesOutput(
        routes=routes,
        best=best.key if best else None,
        new_plate_minutes=new,
        new_plate_is_shorter=shorter,
        text=_text(best, new, shorter),
        tables=TABLES_VERSION,
    )


def _route(row: RepairRow, given: RepairRoutesInput) -> RepairRoute:
    repeats = _repeats(row, given)
    minutes = _minutes(row, given, repeats)
    possible, why = _possible(row, given, repeats)
    spread = math.exp(_BAND * row.log_spread)
    return RepairRoute(
        key=row.key,
        title=row.title,
        possible=possible,
        why=why,
        minutes=round(minutes, 0),
        minutes_low=round(minutes / spread, 0),
        minutes_high=round(minutes * spread, 0),
        repeats=repeats,
        remaining_lstar=_remaining(row, given, repeats),
        steps=list(row.steps),
    )


def _minutes(row: RepairRow, given: RepairRoutesInput, repeats: int) -> float:
    if row.key == "mask":
        return MASK_MINUTES_AN_INKING * given.impressions
    per_cm2 = row.flat_minutes_per_cm2 + row.deep_minutes_per_cm2_10um * given.depth_um / _TEN_UM
    passes = repeats if row.key == "burnish" else 1
    return row.fixed_minutes + given.area_cm2 * per_cm2 * passes


def _gain_a_pass(given: RepairRoutesInput) -> float:
    return BURNISH_ON_PLASTIC_LSTAR if given.material == "plastic" else BURNISH_LSTAR_A_PASS


def _lighter_by(given: RepairRoutesInput) -> float:
    """Return how much lighter it must print [L*]; a foul bite must go whole."""
    now = 60.0 if given.lstar is None else given.lstar
    wanted = given.wanted_lstar
    if wanted is None:
        wanted = _PAPER - SCRAPED_LSTAR_BELOW_PAPER
    return max(0.0, wanted - now)


def _repeats(row: RepairRow, given: RepairRoutesInput) -> int:
    if row.key == "burnish":
        return max(1, math.ceil(_lighter_by(given) / _gain_a_pass(given)))
    if row.key == "mask":
        return given.impressions
    return max(1, math.ceil(given.depth_um / 30.0))


def _possible(row: RepairRow, given: RepairRoutesInput, repeats: int) -> tuple[bool, str]:
    if row.key == "mask":
        if given.fault == "too dark" and (given.wanted_lstar or _PAPER) < _WHITE_ENOUGH:
            return False, "Whiting takes all the ink out: only for a spot that shall print white."
        if given.area_cm2 > MASK_MOST_CM2:
            return False, f"Only a spot up to {MASK_MOST_CM2:g} cm² stays clean with whiting."
        return True, "The plate stays as it is; the work comes back at every impression."
    if given.material == "polymer":
        return False, "Photopolymer is only a skin of image: expose a new plate."
    if given.depth_um > row.reaches_um:
        return False, f"It is {given.depth_um:g} µm deep; this reaches about {row.reaches_um:g}."
    if row.key == "burnish" and repeats > MOST_BURNISH_PASSES:
        return False, (
            f"It would take {repeats} passes; after {MOST_BURNISH_PASSES} the grain is gone and "
            "the place turns to a smear."
        )
    if given.material == "plastic" and row.key == "power":
        return False, "Heat from the tool melts plastic."
    return True, _said(row, repeats)


def _said(row: RepairRow, repeats: int) -> str:
    if row.key == "burnish":
        return f"{repeats} pass{'es' if repeats > 1 else ''}, each about a step lighter; proof it."
    rounds = f"{repeats} round{'s' if repeats > 1 else ''} below the marks, then polish"
    return f"{rounds}. It takes the tone away whole: grain or lines go on anew."


def _remaining(row: RepairRow, given: RepairRoutesInput, repeats: int) -> float | None:
    if row.key == "burnish":
        if given.lstar is None:
            return None
        passes = min(repeats, MOST_BURNISH_PASSES)
        return round(min(_PAPER, given.lstar + passes * _gain_a_pass(given)), 1)
    return _PAPER if row.key == "mask" else _PAPER - SCRAPED_LSTAR_BELOW_PAPER


def _text(best: RepairRoute | None, new: float, shorter: bool) -> str:
    if best is None:
        return f"Nothing here mends it. A new plate takes about {new / 60:.0f} h."
    if shorter:
        return (
            f"{best.title} takes about {best.minutes / 60:.0f} h "
            f"({best.minutes_low / 60:.0f} to {best.minutes_high / 60:.0f}); a new plate about "
            f"{new / 60:.0f} h. The new plate is the shorter way."
        )
    return (
        f"{best.title}: about {best.minutes:.0f} min "
        f"({best.minutes_low:.0f} to {best.minutes_high:.0f}), against about {new / 60:.0f} h for "
        "a new plate. Proof after each round."
    )
