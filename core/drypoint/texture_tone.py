"""Abrasives, steel wool, roulette and their like → tone, and how often for a tone."""

from __future__ import annotations

from core.data.mordants import TABLES_VERSION
from core.data.scratches import TEXTURES, TextureRow
from core.drypoint.coverage import band_of, printed_lstar, share_for
from core.drypoint.mark_shapes import TextureToneInput, TextureToneOutput
from core.drypoint.shapes import Printed

_LEAST, _MOST = 0.005, 0.985


def texture_tone(given: TextureToneInput) -> TextureToneOutput:
    """Return what a texture prints, made so often, and how often for a wanted tone.

    Parameters
    ----------
    given : TextureToneInput

    Returns
    -------
    TextureToneOutput
        With its 95 % band; a tone out of reach gets the nearest and ``reachable`` false.

    Notes
    -----
    a = 1 − (1 − a₁)^times: each time falls by chance on what the last left. a₁ from the room's own
    trial, else the table. Source: ``murray-davies``, ``room-practice``.
    """
    row = TEXTURES[given.texture]
    own = None if given.read_lstar is None else (given.read_lstar, given.read_times)
    once, spread = once_of(row, own, given)
    covered = 1 - (1 - once) ** given.times
    off = given.times * (1 - once) ** (given.times - 1) * spread
    reach = (given.lightest_lstar, given.solid_lstar)
    low, high = band_of(covered, off, *reach)
    times, tone, reachable = _for_wanted(row, once, given)
    return TextureToneOutput(
        covered=round(covered, 4), lstar=round(printed_lstar(covered, *reach), 2),
        low=round(low, 1), high=round(high, 1), measured=own is not None,
        times=times, times_lstar=tone, reachable=reachable,
        text=_text(row, given, times, reachable), tables=TABLES_VERSION,
    )  # fmt: skip


def once_of(row: TextureRow, own: tuple[float, int] | None, reach: Printed) -> tuple[float, float]:
    """Return the share that one pass opens, and its spread.

    Parameters
    ----------
    row : TextureRow
    own : (float, int) or None
        The tone [L*] that the room's own trial printed, and how often it was made.
    reach : Printed

    Returns
    -------
    (float, float)
    """
    if own is None:
        return row.covered, row.spread
    share = share_for(own[0], reach.lightest_lstar, reach.solid_lstar)
    once = 1 - (1 - min(_MOST, max(_LEAST, share))) ** (1 / own[1])
    return once, max(0.02, row.spread / 3)


def _for_wanted(
    row: TextureRow, once: float, given: TextureToneInput
) -> tuple[int | None, float | None, bool | None]:
    if given.wanted_lstar is None:
        return None, None, None
    reach = (given.lightest_lstar, given.solid_lstar)
    tones = [printed_lstar(1 - (1 - once) ** times, *reach) for times in range(row.most_passes + 1)]
    wanted = given.wanted_lstar
    times = min(range(len(tones)), key=lambda place: abs(tones[place] - wanted))
    step = abs(tones[max(0, times - 1)] - tones[min(len(tones) - 1, times + 1)]) / 2
    return times, round(tones[times], 2), abs(tones[times] - wanted) <= max(3.0, step)


def _text(
    row: TextureRow, given: TextureToneInput, times: int | None, reachable: bool | None
) -> str:
    if times is None:
        return row.how
    if not reachable:
        return f"L* {given.wanted_lstar:g} is out of its reach: cross it with hatching."
    if times == 0:
        return "The bare plate is near enough: leave it."
    plural = "es" if row.pass_word == "pass" else "s"  # noqa: S105 (a pass through the press)
    word = row.pass_word if times == 1 else f"{row.pass_word}{plural}"
    return f"{times} {word} with {row.label}."
