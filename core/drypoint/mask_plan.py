"""Shapes with their tones → which masks are cut, in which order, and what is rubbed when."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise

from core.data.mordants import TABLES_VERSION
from core.data.scratches import TEXTURES, TextureKey
from core.drypoint.coverage import band_of, printed_lstar, share_for
from core.drypoint.mark_shapes import (
    MaskArea,
    MaskPlanInput,
    MaskPlanOutput,
    MaskTone,
    MaskWarning,
    Rubbing,
)
from core.drypoint.texture_tone import once_of

_CLOSE_LSTAR = 3.0
_OFF_LSTAR = 4.0
_A_TIME = 0.15
"""L* that one rubbing less is worth: the fewer, the surer the hand."""


@dataclass(frozen=True)
class _Way:
    """A texture so many times: the share of bare plate it leaves, and the doubt of that."""

    texture: TextureKey
    times: int
    leaves: float
    spread: float


def mask_plan(given: MaskPlanInput) -> MaskPlanOutput:
    """Return the order in which shapes are masked and rubbed.

    Parameters
    ----------
    given : MaskPlanInput
        Areas with their tones [L*], abrasives at hand.

    Returns
    -------
    MaskPlanOutput
        Every shape is exposed from the start; the lightest is masked first, as in stopping out.

    Notes
    -----
    What is bare is left by each rubbing in its share: 1 − a = Π(1 − aᵢ)^timesᵢ. Each stage takes
    the texture and times that bring the tone nearest, few times before many. Source:
    ``murray-davies``, ``room-practice``.
    """
    wanted = _in_order(given)
    bare = [each.name for each in given.areas if each.lstar is None]
    rubbings: list[Rubbing] = []
    finished: list[tuple[MaskArea, float]] = []
    left, doubt, hide = 1.0, 0.0, bare
    for place, area in enumerate(wanted):
        way = _best(given, area, left)
        left *= way.leaves
        doubt = math.hypot(doubt, way.spread)
        rubbings.append(_rubbing(given, way, wanted[place:], hide, left, doubt))
        finished.append((area, rubbings[-1].areas[0].lstar))
        hide = [area.name]
    rubbings = [each.model_copy(update={"number": n}) for n, each in enumerate(rubbings, 1)]
    off = [got - _of(area) for area, got in finished]
    return MaskPlanOutput(
        rubbings=rubbings, stays_masked=bare,
        rms_lstar=round(math.sqrt(sum(each**2 for each in off) / max(1, len(off))), 2),
        warnings=_warnings(given, wanted, finished), tables=TABLES_VERSION,
    )  # fmt: skip


def _of(area: MaskArea) -> float:
    return area.lstar if area.lstar is not None else 100.0


def _in_order(given: MaskPlanInput) -> list[MaskArea]:
    """Return the areas to be rubbed, the lightest first."""
    return sorted((each for each in given.areas if each.lstar is not None), key=_of, reverse=True)


def _best(given: MaskPlanInput, area: MaskArea, left: float) -> _Way:
    """Return the texture and times that bring what is left nearest to a tone."""
    reach = (given.lightest_lstar, given.solid_lstar)

    def cost(way: _Way) -> float:
        tone = printed_lstar(1 - left * way.leaves, *reach)
        return abs(tone - _of(area)) + _A_TIME * way.times

    return min(_ways(given), key=cost)


def _ways(given: MaskPlanInput) -> list[_Way]:
    own = {each.texture: (each.lstar, each.times) for each in given.read}
    found = []
    for key in given.textures:
        row = TEXTURES[key]
        once, spread = once_of(row, own.get(key), given)
        found += [
            _Way(key, times, (1 - once) ** times, times * spread / max(1 - once, 0.05))
            for times in range(1, row.most_passes + 1)
        ]
    return found


def _rubbing(
    given: MaskPlanInput, way: _Way, open_: list[MaskArea], hide: list[str], left: float,
    doubt: float,
) -> Rubbing:  # fmt: skip
    row = TEXTURES[way.texture]
    reach = (given.lightest_lstar, given.solid_lstar)
    low, high = band_of(1 - left, left * doubt, *reach)
    tone = printed_lstar(1 - left, *reach)
    return Rubbing(
        number=0, mask_before=hide, texture=way.texture, label=row.label, times=way.times,
        pass_word=row.pass_word,
        areas=[
            MaskTone(name=each.name, lstar=round(tone, 2), low=round(low, 1), high=round(high, 1),
                     finished=place == 0)
            for place, each in enumerate(open_)
        ],
    )  # fmt: skip


def _warnings(
    given: MaskPlanInput, wanted: list[MaskArea], finished: list[tuple[MaskArea, float]]
) -> list[MaskWarning]:
    found = []
    for area, got in finished:
        if share_for(_of(area), given.lightest_lstar, given.solid_lstar) > 1:
            text = f"L* {_of(area):g} is darker than solid ink (L* {given.solid_lstar:g})."
            found.append(_said("tone-out-of-reach", area, f"{area.name}: {text}"))
        elif abs(got - _of(area)) > _OFF_LSTAR:
            text = f"comes out at L* {got:.0f}, {abs(got - _of(area)):.0f} off"
            found.append(_said("off", area, f"{area.name} {text}: another grit, or hatch over it."))
    for one, two in pairwise(wanted):
        if _of(one) - _of(two) < _CLOSE_LSTAR:
            text = f"lie {_of(one) - _of(two):.1f} L* apart: one mask for both."
            found.append(_said("too-close", two, f"{one.name} and {two.name} {text}"))
    return found


def _said(code: str, area: MaskArea, text: str) -> MaskWarning:
    return MaskWarning.model_validate({"code": code, "area": area.name, "text": text})
