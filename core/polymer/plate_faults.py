"""When an exposed plate went wrong: its likely causes, ranked, and the test that tells next."""

from __future__ import annotations

import math
from typing import Annotated

from pydantic import Field, model_validator

from core.data.polymer import READING_LSTAR
from core.data.polymer_faults import (
    CAUSES,
    FACT_SPREAD,
    FACTS,
    LEAST_CHANCE,
    SHIFT_SPREAD_LSTAR,
    SHIFT_SPREAD_SHARE,
    TONES,
    CauseKey,
    CauseRow,
    SignKey,
)
from core.errors import CoreError
from core.polymer.shapes import Spread
from core.schema import Shape
from core.tone.shapes import Lightness

_TOLD = 5
_BRINGS = 0.2
"""A sign at least so likely under a cause speaks for it."""
_DENSE_ENOUGH, _THIN_SPREAD = 2.3, 0.35
"""Density of a film's black that lets no light through that matters. ``room-practice``"""
_USUAL_BLACK = 2.8

Ratio = Annotated[float, Field(ge=0.05, le=20)]


class FourTones(Shape):
    """Clear film, 5 %, 95 % and solid film, as they print."""

    paper_lstar: Lightness
    highlight_lstar: Lightness
    shadow_lstar: Lightness
    solid_lstar: Lightness


class PlateFaultsInput(Shape):
    """What is seen on a plate or its proof, what was read of it, and how it was made."""

    seen: Annotated[list[SignKey], Field(max_length=20)] = []
    not_seen: Annotated[list[SignKey], Field(max_length=20)] = []
    """Looked for, and not there; what is in neither list was not looked at."""
    wanted: FourTones | None = None
    printed: FourTones | None = None
    spread: Spread = READING_LSTAR
    image_ratio: Ratio | None = None
    """Dose of the image over the one that was planned."""
    screen_ratio: Ratio | None = None
    wash_share: Ratio | None = None
    """Of the time its water needed."""
    lamp_factor: Ratio | None = None
    """The lamp's light over that at the test."""
    film_density: Annotated[float, Field(ge=0.1, le=6, json_schema_extra={"unit": "D"})] | None = (
        None
    )
    chalked: bool | None = None

    @model_validator(mode="after")
    def _consistent(self) -> PlateFaultsInput:
        if both := set(self.seen) & set(self.not_seen):
            raise ValueError(f"not_seen names {sorted(both)[0]}, which was seen")
        if (self.wanted is None) != (self.printed is None):
            raise ValueError("give both wanted and printed, or neither")
        return self


class Cause(Shape):
    """One likely cause."""

    key: CauseKey
    label: str
    chance: float
    why: str
    now: str
    test: str
    speaks_for: list[str]
    """What was seen or measured that this cause brings."""


class PlateFaultsOutput(Shape):
    """Causes, the likeliest first, and what to test next."""

    causes: list[Cause]
    next_test: str
    sure: bool
    """The first stands well before the second."""
    text: str


def plate_faults(given: PlateFaultsInput) -> PlateFaultsOutput:
    """Return the likely causes of a plate that went wrong, ranked.

    Parameters
    ----------
    given : PlateFaultsInput
        Signs seen and not seen, tones [L*], shares of times and light.

    Returns
    -------
    PlateFaultsOutput

    Raises
    ------
    CoreError
        ``nothing-told``: no sign, no reading, nothing of how it was made.

    Notes
    -----
    Bayes over a table of causes: chances of the signs, normal shifts of the four tones, log-normal
    shares of times and light. Source: ``bayes``, ``room-practice``.
    """
    told = given.seen or given.not_seen or given.printed or _facts(given) or given.film_density
    if not told and given.chalked is None:
        raise CoreError(
            "nothing-told", "Say what is seen on the plate or its proof, or what was read.",
            field="seen", allowed="at least one sign",
        )  # fmt: skip
    logs = {key: _log_chance(row, given) for key, row in CAUSES.items()}
    top = max(logs.values())
    whole = sum(math.exp(each - top) for each in logs.values())
    ranked = sorted(CAUSES.values(), key=lambda row: -logs[row.key])
    causes = [
        _told(row, math.exp(logs[row.key] - top) / whole, given) for row in ranked[:_TOLD]
    ]  # fmt: skip
    sure = causes[0].chance > 2 * causes[1].chance
    return PlateFaultsOutput(
        causes=causes, next_test=causes[0].test, sure=sure, text=_text(causes, sure)
    )  # fmt: skip


def _facts(given: PlateFaultsInput) -> dict[str, float]:
    return {name: value for name in FACTS if (value := getattr(given, name)) is not None}


def _log_chance(row: CauseRow, given: PlateFaultsInput) -> float:
    total = math.log(row.weight)
    for sign in given.seen:
        total += math.log(_seen(row, sign))
    for sign in given.not_seen:
        total += math.log(1 - _seen(row, sign))
    total += sum(_of_tones(row, given)) + sum(_of_facts(row, given))
    return total + _of_film(row, given) + _of_chalk(row, given)


def _seen(row: CauseRow, sign: SignKey) -> float:
    return min(max(row.signs.get(sign, 0.0), LEAST_CHANCE), 1 - LEAST_CHANCE)


def _of_tones(row: CauseRow, given: PlateFaultsInput) -> list[float]:
    if given.wanted is None or given.printed is None:
        return []
    found = []
    for tone in TONES:
        shift = row.shifts.get(tone, 0.0)
        own = math.hypot(SHIFT_SPREAD_SHARE * shift, SHIFT_SPREAD_LSTAR, given.spread)
        found.append(_log_normal(_moved(given, tone), shift, own))
    return found


def _of_facts(row: CauseRow, given: PlateFaultsInput) -> list[float]:
    found = []
    for name, share in _facts(given).items():
        usual, own = next(
            ((usual, own) for key, usual, own in FACTS[name] if key == row.key), (1.0, 0.0)
        )
        spread = math.hypot(own, FACT_SPREAD)
        found.append(_log_normal(math.log(share), math.log(usual), spread))
    return found


def _of_film(row: CauseRow, given: PlateFaultsInput) -> float:
    if given.film_density is None:
        return 0.0
    usual = _DENSE_ENOUGH - 2 * _THIN_SPREAD if row.key == "film-thin" else _USUAL_BLACK
    return _log_normal(min(given.film_density, _USUAL_BLACK), usual, _THIN_SPREAD)


def _of_chalk(row: CauseRow, given: PlateFaultsInput) -> float:
    if given.chalked is None:
        return 0.0
    bare = 0.85 if row.key == "damp" else 0.35
    return math.log(1 - bare if given.chalked else bare)


def _log_normal(value: float, mean: float, spread: float) -> float:
    return -0.5 * ((value - mean) / spread) ** 2 - math.log(spread)


def _told(row: CauseRow, chance: float, given: PlateFaultsInput) -> Cause:
    return Cause(
        key=row.key, label=row.label, chance=round(chance, 3), why=row.why, now=row.now,
        test=row.test, speaks_for=_speaks_for(row, given),
    )  # fmt: skip


def _speaks_for(row: CauseRow, given: PlateFaultsInput) -> list[str]:
    signs = [sign for sign in given.seen if row.signs.get(sign, 0.0) >= _BRINGS]
    tones = [
        f"{tone}_lstar"
        for tone, shift in row.shifts.items()
        if abs(shift) >= 1 and _moved(given, tone) / shift > 0.5
    ]
    facts = [
        name
        for name, share in _facts(given).items()
        for key, usual, _ in FACTS[name]
        if key == row.key and (share - 1) * (usual - 1) > 0 and abs(math.log(share)) > FACT_SPREAD
    ]
    return [*signs, *tones, *facts]


def _moved(given: PlateFaultsInput, tone: str) -> float:
    """Return by how much a tone prints lighter than it was wanted [L*]; 0 where it was not read."""
    if given.wanted is None or given.printed is None:
        return 0.0
    name = f"{tone}_lstar"
    return float(getattr(given.printed, name) - getattr(given.wanted, name))


def _text(causes: list[Cause], sure: bool) -> str:
    first = causes[0]
    percent = f"{100 * first.chance:.0f} %"
    if sure:
        return f"{first.label}, most likely ({percent})."
    second = causes[1].label[0].lower() + causes[1].label[1:]
    return f"{first.label} ({percent}), or {second} ({100 * causes[1].chance:.0f} %)."
