"""Readings of impressions → the last that still matches the OK to print."""

from __future__ import annotations

from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import TABLES_VERSION
from core.data.wear import MOST_IMPRESSIONS, WEAR
from core.drypoint.wear_model import Wear, burr_of, draw_wear, worn_by
from core.drypoint.wear_shapes import (
    ScratchAgain,
    WearForecastInput,
    WearForecastOutput,
    WearPoint,
    WearReading,
    WearWarning,
)

Array = NDArray[np.float64]

_ALL = np.arange(1, MOST_IMPRESSIONS + 1)
_BAND = (2.5, 50.0, 97.5)
_SHARE = 0.95
_SURE_OF_FALL = 2.0
_STRAYS = 3.0
_ENOUGH = 4


def wear_forecast(given: WearForecastInput) -> WearForecastOutput:
    """Return how long a scratched plate prints as it was signed OK.

    Parameters
    ----------
    given : WearForecastInput
        Material, passes, tones read by impression [L*], tolerance [L*].

    Returns
    -------
    WearForecastOutput
        ``last_good`` the middle of what is likely, ``low`` to ``high`` 95 %, at most 400.

    Notes
    -----
    D(p) = D_line + D_burr · exp(−p / N), p passes. The tolerance counts from the true tone of the
    OK impression. Source: ``room-practice``, ``bayes``.
    """
    since = [float(after * given.passes) for after in sorted(set(given.scratched_again))]
    wear = draw_wear(given, burr_of(given, given.history), since)
    worn = _passes_at(given)
    tones = wear.lstar(worn, since)
    last = _last_good(tones, given)
    low, middle, high = _likely(last)
    again = _again(given, wear, worn, since, given.ask_again_after or middle)
    life = np.percentile(wear.life, _BAND) / given.passes
    return WearForecastOutput(
        last_good=middle, low=low, high=high,
        chance_of_wanted=round(float(np.mean(last >= given.wanted)), 3),
        forecast=_points(tones, max(given.wanted, *_read(given))),
        burr_impressions=round(float(life[1]), 1),
        burr_low=round(float(life[0]), 1),
        burr_high=round(float(life[2]), 1),
        burr_share=round(float(np.median(wear.burr / (wear.burr + wear.line))), 3),
        again=again,
        from_history=bool(given.history),
        text=_text(given, middle),
        warnings=_warnings(given, tones, middle),
        tables=TABLES_VERSION,
    )  # fmt: skip


def _read(given: WearForecastInput) -> list[int]:
    return [given.ok_impression, *(each.impression for each in given.readings)]


def _passes_at(given: WearForecastInput) -> Array:
    """Return the passes each impression's marks have had, by what was counted where it was."""
    known = {0: 0.0} | {
        each.impression: worn_by(given, each.impression, each.worn) for each in given.readings
    }
    places = np.array(sorted(known))
    counted = np.maximum.accumulate([known[place] for place in places])
    beyond = counted[-1] + (_ALL - places[-1]) * given.passes
    return np.where(places[-1] < _ALL, beyond, np.interp(_ALL, places, counted))


def _last_good(tones: Array, given: WearForecastInput) -> Array:
    """Return for each wear the last impression before the first that is too light.

    Since the marks were last scratched again: what was too light before that is past.
    """
    ok = tones[:, given.ok_impression - 1]
    since = max([given.ok_impression, *given.scratched_again])
    after = since < _ALL
    too_light = (tones - ok[:, None] > given.tolerance_lstar) & after
    first = np.where(too_light.any(axis=1), too_light.argmax(axis=1), MOST_IMPRESSIONS)
    return np.maximum(first, given.ok_impression)


def _likely(last: Array) -> tuple[int, int, int]:
    """Return low, middle and high: the shortest run of impressions that holds 95 %."""
    rows = np.sort(last)
    inside = int(np.ceil(_SHARE * len(rows)))
    spans = rows[inside - 1 :] - rows[: len(rows) - inside + 1]
    start = int(spans.argmin())
    middle = int(np.median(rows))
    return min(int(rows[start]), middle), middle, max(int(rows[start + inside - 1]), middle)


def _points(tones: Array, until: int, start: int = 1) -> list[WearPoint]:
    part = tones[:, start - 1 : until]
    low, middle, high = np.percentile(part, _BAND, axis=0)
    return [
        WearPoint(impression=start + place, lstar=round(float(m), 2), low=round(float(lo), 2),
                  high=round(float(hi), 2))
        for place, (lo, m, hi) in enumerate(zip(low, middle, high, strict=True))
    ]  # fmt: skip


def _again(
    given: WearForecastInput, wear: Wear, worn: Array, since: list[float], after: int
) -> ScratchAgain | None:
    """Return what scratching again after an impression would do."""
    if after >= MOST_IMPRESSIONS:
        return None
    tones = wear.lstar(worn, [*since, float(worn[after - 1])])
    ok = tones[:, given.ok_impression - 1]
    too_light = (tones - ok[:, None] > given.tolerance_lstar) & (after < _ALL)
    last = np.where(too_light.any(axis=1), too_light.argmax(axis=1), MOST_IMPRESSIONS)
    low, middle, high = _likely(last)
    until = min(MOST_IMPRESSIONS, max(given.wanted, middle, after + 1))
    return ScratchAgain(
        after=after, last_good=middle, low=low, high=high,
        forecast=_points(tones, until, start=after + 1),
    )  # fmt: skip


def _text(given: WearForecastInput, last: int) -> str:
    if last >= given.wanted:
        return f"All {given.wanted} match the OK, as far as can be told."
    return f"From no. {last + 1} it is too pale."


def _warnings(given: WearForecastInput, tones: Array, last: int) -> list[WearWarning]:
    return [
        *_by_readings(given, tones),
        *_by_material(given, last),
    ]


def _by_readings(given: WearForecastInput, tones: Array) -> list[WearWarning]:
    count = len({each.impression for each in given.readings})
    if count == 0:
        return [_said("no-readings", "Nothing was read yet: this is the material's usual wear, a "
                "guess. Read the OK and every third impression.")]  # fmt: skip
    said = []
    if count < _ENOUGH:
        what = "one reading" if count == 1 else f"{count} readings"
        said.append(_said("few-readings", f"From {what} and the material's usual wear, half a "
                          "guess."))  # fmt: skip
    return [*said, *_darker(given), *_strays(given, tones)]


def _darker(given: WearForecastInput) -> list[WearWarning]:
    """Wear never makes a print darker: readings that do were printed otherwise, or mixed up."""
    rows = sorted(given.readings, key=lambda each: each.impression)
    if len(rows) < 2:
        return []
    worst = max(pairwise(rows), key=lambda pair: _fall(*pair))
    if _fall(*worst) < _SURE_OF_FALL or _since_last(given, *worst):
        return []
    before, after = worst
    text = (
        f"No. {after.impression} was read darker (L* {after.lstar:g}) than no. "
        f"{before.impression} (L* {before.lstar:g}): wear never does that. More ink was left, or "
        "two were mixed up. It is kept, and counts little."
    )
    return [_said("darker-with-wear", text)]


def _fall(before: WearReading, after: WearReading) -> float:
    """Return by how many times their doubt the later one is darker."""
    doubt = float(np.hypot(np.hypot(before.spread, after.spread), 1.0))
    return (before.lstar - after.lstar) / doubt


def _since_last(given: WearForecastInput, before: WearReading, after: WearReading) -> bool:
    """Return whether the marks were scratched again between two readings."""
    return any(before.impression <= at < after.impression for at in given.scratched_again)


def _strays(given: WearForecastInput, tones: Array) -> list[WearWarning]:
    middle = np.median(tones, axis=0)
    for each in given.readings:
        off = each.lstar - float(middle[each.impression - 1])
        if off > _STRAYS * np.hypot(each.spread, 1.0):
            return [_said("strays", f"No. {each.impression} is {off:.0f} L* lighter than its "
                    "fellows: under-inked, or over-wiped. It counts little.")]  # fmt: skip
    return []


def _by_material(given: WearForecastInput, last: int) -> list[WearWarning]:
    row = WEAR[given.material]
    said = []
    serves = row.serves * (8 if given.steel_faced else 1)
    if max(last, given.wanted) > serves:
        said.append(_said("beyond-life", f"A plate of {row.label} serves about {serves} "
                          "impressions: beyond that its lines close up and its edges crack, "
                          "which no reading foretells."))  # fmt: skip
    if given.steel_faced and given.material == "zinc":
        said.append(_said("zinc-under-steel", "Zinc takes steel only over a flash of copper: ask "
                          "whoever faces it."))  # fmt: skip
    return said


def _said(code: str, text: str) -> WearWarning:
    return WearWarning.model_validate({"code": code, "text": text})
