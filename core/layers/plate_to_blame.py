"""What a print's areas show against its preview → which plate is to blame, and for what."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from core.data.layers import REGISTER_MM
from core.layers.films import printed_over
from core.layers.register_plates import (
    PlateCrosses,
    RegisterPlatesInput,
    RegisterPlatesOutput,
    register_plates,
)
from core.layers.shapes import MOST_PLATES, Colour, Film, PlateName, SizeMm
from core.schema import Shape
from core.stages.shapes import AreaName
from core.tone.colour import lab_from_linear, linear_from_lab

Array = NDArray[np.float64]
MOST_PRINT_AREAS = 16
_FITS, _PRINTING, _PLATE = 0.3, 0.1, 0.6
"""Chances before anything was read: all fits, the pull as a whole strayed, a plate did.
``room-practice``"""
_STRAYS = 0.35
"""Spread of the logarithm of how much more or less a strayed plate prints. ``room-practice``"""
_SMALL = 0.2
"""A stray that is much smaller is no fault. ``room-practice``"""
_DRIFT = 0.06
"""The same of a pull that is as it should be. ``room-practice``"""
_MODEL_L, _MODEL_AB = 0.6, 1.0
"""What the preview itself is off [L*, a* and b*]. ``room-practice``"""
_SEEN_E = 2.0
"""A smaller miss is nobody's fault [ΔE]. ``room-practice``"""
_TOLERANCE_E = 3.0
"""Off by more is seen by whoever compares [ΔE]. ``room-practice``"""
_SURE, _THERE = 0.5, 0.02
"""From which chance nothing is blamed; from which share a plate prints in an area."""
_GRID = np.linspace(-1.4, 1.0, 49)
_DRIFTS = np.linspace(-0.12, 0.12, 5)
_FULL = 0.985


class BlamePlate(Film):
    """A plate, and what it covers of each area."""

    covers: Annotated[
        list[Annotated[float, Field(ge=0, le=1)]], Field(min_length=1, max_length=MOST_PRINT_AREAS)
    ]


class PrintArea(Shape):
    """An area of the print as it was read."""

    name: AreaName
    seen_lab: Colour
    meant_lab: Colour | None = None
    """Null: reckoned from the plates."""
    spread: Annotated[float, Field(ge=0.05, le=20, json_schema_extra={"unit": "L*"})] = 1.0


class PlateToBlameInput(Shape):
    """Plates in their order, areas as read, and crosses where they were read too."""

    plates: Annotated[list[BlamePlate], Field(min_length=1, max_length=MOST_PLATES)]
    areas: Annotated[list[PrintArea], Field(min_length=1, max_length=MOST_PRINT_AREAS)]
    key: PlateName | None = None
    size_mm: SizeMm = (200.0, 150.0)
    crosses: Annotated[list[PlateCrosses], Field(max_length=MOST_PLATES)] = []

    @model_validator(mode="after")
    def _one_each(self) -> PlateToBlameInput:
        if any(len(each.covers) != len(self.areas) for each in self.plates):
            raise ValueError("covers of each plate has one share an area")
        if self.crosses and self.key is None:
            raise ValueError("key is the plate the crosses were read against")
        return self


Cause = Literal["fits", "tone", "register", "paper", "printing"]


class AreaMissed(Shape):
    """An area beside its preview; L* above zero is too light."""

    name: str
    seen_lab: tuple[float, float, float]
    meant_lab: tuple[float, float, float]
    off_lstar: float
    off_e: float


class PlateBlamed(Shape):
    """How likely it is a plate, and what it does."""

    name: str
    chance: float
    prints: float
    """So many times what it should; below one too light."""
    where: str
    """The area, where it is one; empty: all over."""


class PlateToBlameOutput(Shape):
    """Which plate, what it does, and what to do."""

    blame: str
    """Empty: no plate."""
    cause: Cause
    title: str
    text: str
    chance: float
    plates: list[PlateBlamed]
    """The likeliest first."""
    areas: list[AreaMissed]
    crosses: RegisterPlatesOutput | None


@dataclass(frozen=True)
class _Account:
    """One account of what was read."""

    plate: int
    """-1: none."""
    area: int
    """-1: all over."""
    log: Array
    """By how much more it prints, log chance each."""


def plate_to_blame(given: PlateToBlameInput) -> PlateToBlameOutput:
    """Return which plate of a print is to blame for what it shows.

    Parameters
    ----------
    given : PlateToBlameInput

    Returns
    -------
    PlateToBlameOutput

    Notes
    -----
    Accounts: all fits; the pull strayed as a whole; one plate prints more or less, everywhere or
    in one area. Each predicts the colours of all areas through the films printed over it; Bayes'
    rule weighs them. Offsets of crosses are told apart (``register-plates``); what strays further
    beyond its tolerance is named. Source: ``bayes``, ``room-practice``.
    """
    seen = np.array([each.seen_lab for each in given.areas])
    base = _predicted(given, np.zeros((len(given.plates), len(given.areas))))
    meant = np.array([
        each.meant_lab if each.meant_lab is not None else own
        for each, own in zip(given.areas, base, strict=True)
    ])  # fmt: skip
    accounts = _accounts(given, seen - meant + base)
    total = np.logaddexp.reduce(np.concatenate([each.log for each in accounts]))
    blamed = _blamed(given, accounts, float(total))
    missed = _missed(given, seen, meant)
    register = _register(given)
    return _judged(given, blamed, _none(accounts, float(total)), missed, register)


def _predicted(given: PlateToBlameInput, more: Array) -> Array:
    """Return L*a*b* of each area where plates print exp(more) times what they should.

    ``more`` is (..., plates, areas).
    """
    light = np.ones((*more.shape[:-2], more.shape[-1], 3))
    for at, plate in enumerate(given.plates):
        share = np.minimum(np.array(plate.covers) * np.exp(more[..., at, :]), _FULL)
        share = np.maximum(share, np.minimum(plate.covers, _FULL) * (more[..., at, :] > 0))
        light = printed_over(light, share, linear_from_lab(plate.ink_lab), plate.lets_through)
    return lab_from_linear(light)


def _accounts(given: PlateToBlameInput, seen: Array) -> list[_Account]:
    plates, areas = len(given.plates), len(given.areas)
    whole = np.ones((plates, areas))
    found = [
        _Account(-1, -1, _weighed(given, seen, 0 * whole, _GRID[24:25], _FITS)),
        _Account(-2, -1, _weighed(given, seen, whole, _GRID, _PRINTING)),
    ]
    for plate in range(plates):
        mask = np.zeros((plates, areas))
        mask[plate] = 1
        found.append(_Account(plate, -1, _weighed(given, seen, mask, _GRID, _PLATE / plates / 2)))
        where = [at for at in range(areas) if given.plates[plate].covers[at] > _THERE]
        for at in where if len(where) > 1 else []:
            one = np.zeros((plates, areas))
            one[plate, at] = 1
            chance = _PLATE / plates / 2 / len(where)
            found.append(_Account(plate, at, _weighed(given, seen, one, _GRID, chance)))
    return found


def _weighed(
    given: PlateToBlameInput, seen: Array, mask: Array, strays: Array, chance: float
) -> Array:
    """Return the log chance of each stray of an account, the pull's own drift summed over."""
    before = -0.5 * (strays / _STRAYS) ** 2
    if len(strays) > 1:  # what is nearly nothing is no fault
        before = before + np.log1p(-np.exp(-((strays / _SMALL) ** 2)) * 0.999)
    before = before - np.logaddexp.reduce(before) + np.log(chance)
    drift = -0.5 * (_DRIFTS / _DRIFT) ** 2
    drift = drift - np.logaddexp.reduce(drift)
    more = strays[:, None, None, None] * mask + _DRIFTS[None, :, None, None]
    off = _predicted(given, more) - seen
    spread = np.array([each.spread for each in given.areas])[:, None]
    wide = np.hypot(spread, [_MODEL_L, _MODEL_AB, _MODEL_AB])
    likely = -0.5 * ((off / wide) ** 2).sum(axis=(-1, -2))
    return np.asarray(before + np.logaddexp.reduce(likely + drift, axis=1))


def _none(accounts: list[_Account], total: float) -> tuple[float, float, float]:
    """Return the chances of no fault and of the printing, and how much more the pull prints."""
    fits = float(np.exp(np.logaddexp.reduce(accounts[0].log) - total))
    printing = float(np.exp(np.logaddexp.reduce(accounts[1].log) - total))
    return fits, printing, float(np.exp(_GRID[int(np.argmax(accounts[1].log))]))


def _blamed(given: PlateToBlameInput, accounts: list[_Account], total: float) -> list[PlateBlamed]:
    found = []
    for at, plate in enumerate(given.plates):
        own = [each for each in accounts if each.plate == at]
        chances = np.array([np.exp(np.logaddexp.reduce(each.log) - total) for each in own])
        best = own[int(np.argmax(chances))]
        found.append(PlateBlamed(
            name=plate.name, chance=round(float(chances.sum()), 4),
            prints=round(float(np.exp(_GRID[int(np.argmax(best.log))])), 3),
            where="" if best.area < 0 else given.areas[best.area].name,
        ))  # fmt: skip
    return sorted(found, key=lambda each: -each.chance)


def _missed(given: PlateToBlameInput, seen: Array, meant: Array) -> list[AreaMissed]:
    return [
        AreaMissed(
            name=area.name, seen_lab=_told(s), meant_lab=_told(m),
            off_lstar=round(float(s[0] - m[0]), 2),
            off_e=round(float(np.linalg.norm(s - m)), 2),
        )
        for area, s, m in zip(given.areas, seen, meant, strict=True)
    ]  # fmt: skip


def _told(lab: Array) -> tuple[float, float, float]:
    return round(float(lab[0]), 1), round(float(lab[1]), 1), round(float(lab[2]), 1)


def _register(given: PlateToBlameInput) -> RegisterPlatesOutput | None:
    if not given.crosses or given.key is None:
        return None
    return register_plates(
        RegisterPlatesInput(size_mm=given.size_mm, key=given.key, plates=given.crosses)
    )


def _judged(
    given: PlateToBlameInput,
    blamed: list[PlateBlamed],
    none: tuple[float, float, float],
    missed: list[AreaMissed],
    register: RegisterPlatesOutput | None,
) -> PlateToBlameOutput:
    """Return what strays furthest beyond its tolerance: a place, or a tone."""
    worst = max(missed, key=lambda each: each.off_e)
    fits, printing, pull = none
    tone = 0.0 if fits > _SURE or worst.off_e < _SEEN_E else worst.off_e / _TOLERANCE_E
    if register is not None and _places_off(register) > tone:
        said = _of_place(register)
    elif not tone:
        text = f"{worst.name} is furthest off: ΔE {worst.off_e:.0f}."
        said = _Said("", "fits", "It prints as it was meant", text, fits)
    elif printing > blamed[0].chance:
        said = _Said("", "printing", "It is the printing", _way(pull), printing)
    else:
        title, text = _words(blamed[0], missed, given)
        said = _Said(blamed[0].name, "tone", title, text, blamed[0].chance)
    return PlateToBlameOutput(
        blame=said.blame, cause=said.cause, title=said.title, text=said.text,
        chance=round(said.chance, 4), plates=blamed, areas=missed, crosses=register,
    )  # fmt: skip


class _Said(NamedTuple):
    blame: str
    cause: Cause
    title: str
    text: str
    chance: float


def _places_off(register: RegisterPlatesOutput) -> float:
    """Return how many times beyond what is seen plates lie off; 0 where they fit."""
    if register.cause == "fits":
        return 0.0
    return max(each.worst_mm for each in register.plates) / REGISTER_MM


def _of_place(register: RegisterPlatesOutput) -> _Said:
    cause: Cause = "paper" if register.cause == "paper" else "register"
    return _Said(register.blame, cause, register.title, register.text, 1.0)


def _way(pull: float) -> str:
    if pull > 1:
        return "All plates alike print more than they should: wipe on, or stiffer ink."
    return "All plates alike print less than they should: wipe less, or a quarter turn more."


def _words(
    plate: PlateBlamed, missed: list[AreaMissed], given: PlateToBlameInput
) -> tuple[str, str]:
    covers = next(each.covers for each in given.plates if each.name == plate.name)
    its = [each for each, share in zip(missed, covers, strict=True) if share > _THERE]
    there = [each for each in its if each.name == plate.where] or its or missed
    worst = max(there, key=lambda each: each.off_e)
    light = plate.prints < 1
    way = "light" if light else "dark"
    by = f"{abs(worst.off_lstar):.0f} L* too {way}" if abs(worst.off_lstar) >= 1 else f"too {way}"
    sure = f"{plate.chance * 100:.0f} in 100"
    if plate.where:
        do = "bite it on" if light else "burnish it"
        return (f"It is {plate.name}: {worst.name} is {by}",
                f"Only there, so it is its plate: {do} there. {sure}.")  # fmt: skip
    do = "more ink, wipe less, or less extender" if light else "wipe on, or more extender"
    return (f"It is {plate.name}, {by}",
            f"Everywhere it prints, so first its ink: {do}. {sure}.")  # fmt: skip
