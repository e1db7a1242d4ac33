"""May this ground foul-bite? Causes from what was logged, with evidence and mend."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from core.data.dust import FULLEST, THINNEST
from core.data.grounds import (
    GROUNDS,
    LEAST_COUNTED_PLATES,
    NEEDLE_CATCHES_UM,
    ON_GRAIN,
    GroundRow,
)
from core.ground.shapes import GroundCause, GroundCheckInput, GroundCheckOutput, Risk

GROUND_WITHIN_HOURS = 1.0
"""A degreased plate is grounded within the hour. ``room-practice``"""
FLASH_MINUTES = 20.0
_NO_FILM = (*ON_GRAIN, "toner")


@dataclass(frozen=True)
class _Found:
    key: str
    title: str
    evidence: str
    mend: str
    grave: bool


def ground_check(given: GroundCheckInput) -> GroundCheckOutput:
    """Return the causes of a foul bite that the log shows, and what else the ground asks for.

    Parameters
    ----------
    given : GroundCheckInput
        Temperatures [°C], times [min], [h], [d], shares 0 to 1.

    Returns
    -------
    GroundCheckOutput

    Notes
    -----
    A share is told only from the room's own counts of plates with a cause.
    """
    found = [*_grease(given), *_film(given), *_heat(given), *_closing(given)]
    missing = _missing(given)
    return GroundCheckOutput(
        risk=_risk(found, missing),
        causes=[_with_share(cause, given) for cause in found],
        warnings=_warnings(given),
        missing=missing,
    )


def _risk(found: list[_Found], missing: list[str]) -> Risk:
    if any(cause.grave for cause in found):
        return "high"
    if found:
        return "some"
    return "not known" if missing else "none seen"


def _with_share(cause: _Found, given: GroundCheckInput) -> GroundCause:
    count = given.counts.get(cause.key)
    enough = count is not None and count.plates >= LEAST_COUNTED_PLATES
    return GroundCause(
        **vars(cause),
        share=round(count.fouled / count.plates, 3) if count and enough else None,
        share_of=count.plates if count else 0,
    )


def _grease(given: GroundCheckInput) -> Iterator[_Found]:
    if given.water_break == "failed":
        yield _Found(
            "water-break-failed", "Grease under the ground",
            "The sheet of water parted in the last water-break test.",
            "Take the ground off, degrease, test until the water holds.", True,
        )  # fmt: skip
    elif given.water_break in (None, "not done"):
        yield _Found(
            "water-break-missing", "No water-break test",
            "No test is logged for this plate.",
            "Before you ground: rinse hard and see the sheet of water whole.", False,
        )  # fmt: skip
    if given.polished_after_degrease:
        yield _Found(
            "polished-after", "Greased after degreasing",
            "Polish, oil, wax or ink came onto the plate after the last degreasing.",
            "Degrease once more and repeat the test.", True,
        )  # fmt: skip
    waited = given.hours_degreased_to_ground
    if waited is not None and waited > GROUND_WITHIN_HOURS:
        yield _Found(
            "waited", "Waited between degreasing and ground",
            f"{waited:.1f} h lay between; breath and hands make it greasy again within the hour.",
            "Degrease again just before the ground.", False,
        )  # fmt: skip


def _film(given: GroundCheckInput) -> Iterator[_Found]:
    row = GROUNDS[given.ground]
    if given.ground == "soft" and given.film == "thin":
        yield _Found(
            "soft-thin", "Soft ground too thin",
            "The film is logged as thin; a thin soft ground foul-bites over the whole plate.",
            "Lay it again, a little thicker.", True,
        )  # fmt: skip
    elif given.film == "thin" and given.ground == "liquid":
        yield _Found(
            "film-thin", "Film thin", "The film is logged as thin.",
            "Look for pinholes against the light; stop them out.", False,
        )  # fmt: skip
    if given.age_days is not None and given.age_days > row.keeps_days:
        yield _Found(
            "old", "Old ground",
            f"Laid {given.age_days:.0f} days ago; {row.label.lower()} keeps about "
            f"{row.keeps_days} days before it turns brittle.",
            _mend_of_old(given), False,
        )  # fmt: skip
    if given.fused_clear is False:
        yield _Found(
            "not-fused", "Dust not fused all over",
            "Not all of the dust turned clear; loose grains wash off in the bath.",
            "Heat the white places from below until they clear.", True,
        )  # fmt: skip


def _mend_of_old(given: GroundCheckInput) -> str:
    if given.ground in ON_GRAIN:
        return "Do not warm it: the grains would run together. Take it off and lay a new grain."
    if given.over_grain:
        return (
            "Do not warm it: the dust under it would run. Stop out what cracked, or take both off "
            "and begin again."
        )
    return "Warm the plate gently to close it, or ground it again."


def _heat(given: GroundCheckInput) -> Iterator[_Found]:
    row = GROUNDS[given.ground]
    if given.heat_c is not None and row.hottest_c is not None and given.heat_c > row.hottest_c:
        yield _Found(
            "too-hot", "Too hot",
            f"The plate was at {given.heat_c:g} °C; over {row.hottest_c:g} °C this ground burns "
            "or runs.",
            "Look for bubbles and bare spots; if there are any, lay it again cooler.", True,
        )  # fmt: skip
    if given.ground == "liquid" and (given.flash_minutes or FLASH_MINUTES) < FLASH_MINUTES:
        yield _Found(
            "solvent-in", "Baked with solvent in it",
            f"Left {given.flash_minutes:g} min before the heat; the solvent needs about "
            f"{FLASH_MINUTES:g}.",
            "Look for wrinkles and pinholes; stop them out or lay it again.", False,
        )  # fmt: skip


def _closing(given: GroundCheckInput) -> Iterator[_Found]:
    if given.edges_covered is False:
        yield _Found(
            "edges-bare", "Edges not covered", "The edges are logged as not covered.",
            "Varnish them before the first dip.", True,
        )  # fmt: skip
    if given.back == "bare":
        yield _Found(
            "back-bare", "Back bare", "The back is logged as bare.",
            "Film or varnish it: it bites as fast as the face and loads the bath.", True,
        )  # fmt: skip


def _missing(given: GroundCheckInput) -> list[str]:
    asked = {
        "edges": given.edges_covered,
        "back": given.back,
        "heat": given.heat_c if GROUNDS[given.ground].heat_c else 0,
        "film": given.film if given.ground not in _NO_FILM else "even",
    }
    return [name for name, value in asked.items() if value is None]


def _warnings(given: GroundCheckInput) -> list[str]:
    row = GROUNDS[given.ground]
    return [*_needle_warnings(given), *_cover_warnings(given), *_cold_warnings(given, row)]


def _needle_warnings(given: GroundCheckInput) -> Iterator[str]:
    if given.film == "thick":
        yield (
            "Thick ground flakes at the edges of lines, and they bite ragged. Warm the plate and "
            "roll it out thinner."
        )
    least = NEEDLE_CATCHES_UM[given.metal]
    if given.needle_um is not None and given.needle_um < least:
        yield (
            f"A point of {given.needle_um:g} µm is too sharp for {given.metal}: it digs in and "
            f"catches. Round it on fine paper to {least:g} µm or more."
        )


def _cover_warnings(given: GroundCheckInput) -> Iterator[str]:
    if given.ground not in ON_GRAIN or given.covered_share is None:
        return
    percent = f"{100 * given.covered_share:.0f} %"
    if given.covered_share < THINNEST:
        yield f"{percent} covered: under 40 % it bites open. Dust again."
    elif given.covered_share > FULLEST:
        yield (
            f"{percent} covered: above 60 % the mordant finds no way in. Brush it off; then less "
            "time in the box, or wait longer before the plate goes in."
        )


def _cold_warnings(given: GroundCheckInput, row: GroundRow) -> Iterator[str]:
    if given.heat_c is None or row.heat_c is None or given.heat_c >= row.heat_c[0]:
        return
    yield (
        f"{given.heat_c:g} °C is cool for {row.label.lower()}: it may not hold to the plate. "
        f"Usual: {row.heat_c[0]:g} to {row.heat_c[1]:g} °C."
    )
