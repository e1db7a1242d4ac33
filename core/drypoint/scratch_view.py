"""Photographs lit from different sides → how a scratched plate will print."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray

from core.drypoint.laid_on import Lie, laid, lay_on
from core.drypoint.lit import STEP, Grey, Lit, Mask, Signal, light_up, read_grey
from core.drypoint.scratches import Scratches, find_scratches
from core.drypoint.view_shapes import (
    MOST_PHOTOGRAPHS,
    ScratchViewInput,
    ScratchViewOutput,
    SeenPhotograph,
    ViewWarning,
)
from core.errors import CoreError
from core.progress import Tell, part_of, untold

_AT_ONCE = 2
_STRONG = 8.0
_TOO_FEW_STRONG = 2e-4
"""Share of a photograph: with fewer strong marks it says nothing of which plate it shows."""
_SHARED = 0.2
"""A photograph whose marks lie on the others' hardly more than by chance is of another plate."""
_MUCH_GLARE, _LITTLE = 0.002, 0.001
_DARKEST, _LIGHTEST_SCRATCH, _DARKEST_PAPER = 10.0, 118.0, 150.0


def scratch_view(given: ScratchViewInput, tell: Tell = untold) -> ScratchViewOutput:
    """Return the view of a scratched plate as it prints, written as an 8-bit grey PNG.

    Parameters
    ----------
    given : ScratchViewInput
        Photographs from one place, lit from different sides.
    tell : callable
        Is told the share done.

    Returns
    -------
    ScratchViewOutput
        ``scratched_share`` is that of the pixels under 128 in the file.

    Raises
    ------
    CoreError
        ``too-few-photographs``, ``sizes-differ``, ``another-plate``, ``cannot-write``; no picture.

    Notes
    -----
    Each photograph is told over its own ground and noise, laid on the first, and the strongest of
    all is kept: a scratch shines where the light crosses it. Mirrored once, at the end.
    """
    if len(given.images) < 2 and not given.inked:
        raise CoreError(
            "too-few-photographs",
            "One photograph of clear plastic shows only the scratches that its light crosses. Take "
            "two to six from one place, the light each time from another side.",
            field="images", value=len(given.images), allowed=f"2 to {MOST_PHOTOGRAPHS}",
        )  # fmt: skip
    lit = _all_lit(given, part_of(tell, 0.0, 0.5))
    lies = _all_laid(lit, part_of(tell, 0.5, 0.75))
    signals = [lit[0].signal, *(laid(e.signal, lie) for e, lie in zip(lit[1:], lies, strict=True))]
    _check_same_plate(signals)
    merged = signals[0].copy()
    for each in signals[1:]:
        np.maximum(merged, each, out=merged)
    found = find_scratches(merged)
    tell(0.9)
    view = _as_printed(found)
    _write(view, given.write)
    return _told(given, lit, lies, signals, found, view)


def _all_lit(given: ScratchViewInput, tell: Tell) -> list[Lit]:
    """Return all photographs over their grounds, two at a time."""
    first = read_grey(given.images[0], 0)
    done = 0

    def one(place: int) -> Lit:
        nonlocal done
        grey = first if place == 0 else read_grey(given.images[place], place)
        _check_size(first, grey, place)
        found = light_up(grey, inked=given.inked)
        done += 1
        tell(done / len(given.images))
        return found

    with ThreadPoolExecutor(_AT_ONCE) as hands:
        return list(hands.map(one, range(len(given.images))))


def _check_size(first: Grey, grey: Grey, place: int) -> None:
    if grey.shape != first.shape:
        raise CoreError(
            "sizes-differ",
            f"Photograph {place + 1} has another size than the first: take all with one camera "
            "from one place, and send them uncut.",
            field=f"images.{place}", value=f"{grey.shape[1]} × {grey.shape[0]}",
            allowed=f"{first.shape[1]} × {first.shape[0]}", unit="px",
        )  # fmt: skip


def _all_laid(lit: list[Lit], tell: Tell) -> list[Lie]:
    """Return how each but the first lies on it."""
    done = 0

    def one(other: Lit) -> Lie:
        nonlocal done
        lie = lay_on(lit[0].signal, other.signal)
        done += 1
        tell(done / max(1, len(lit) - 1))
        return lie

    with ThreadPoolExecutor(_AT_ONCE) as hands:
        return list(hands.map(one, lit[1:]))


def _check_same_plate(signals: list[Signal]) -> None:
    """Refuse a photograph whose strong marks lie on no other's more than by chance."""
    strong = [_strong(each) for each in signals]
    telling = [place for place, mask in enumerate(strong) if mask.mean() > _TOO_FEW_STRONG]
    for place in telling:
        others = [strong[each] for each in telling if each != place]
        if others and _shared(strong[place], others) < _SHARED:
            _refuse(place, telling)


def _strong(signal: Signal) -> Mask:
    soft = cv2.GaussianBlur(signal, (0, 0), 1.0)
    small = soft[: soft.shape[0] // 2 * 2 : 2, : soft.shape[1] // 2 * 2 : 2]
    return np.asarray(small > _STRONG)


def _shared(own: Mask, others: list[Mask]) -> float:
    """Return how far beyond chance a photograph's marks lie on another's: 0 chance, 1 all."""
    near = np.ones((3, 3), np.uint8)
    best = 0.0
    for other in others:
        less, more = sorted((own, other), key=lambda mask: int(mask.sum()))
        wide = cv2.dilate(more.astype(np.uint8), near) > 0
        chance = float(wide.mean())
        best = max(best, (float(wide[less].mean()) - chance) / max(1 - chance, 1e-6))
    return best


def _refuse(place: int, telling: list[int]) -> None:
    if place == 0 and len(telling) == 2:
        place = telling[1]
    raise CoreError(
        "another-plate",
        f"The scratches of photograph {place + 1} lie nowhere on those of the others: it shows "
        "another plate, or the plate was moved far or turned over. Leave it out, or take it again.",
        field=f"images.{place}", value=place + 1, allowed="the same plate from the same place",
    )  # fmt: skip


def _as_printed(found: Scratches) -> NDArray[np.uint8]:
    """Return dark scratches on white, mirrored; what is no scratch stays above the middle."""
    near = np.clip(found.nearness, 0.0, 1.0 / 0.45)
    dark = _LIGHTEST_SCRATCH - (_LIGHTEST_SCRATCH - _DARKEST) * np.clip((near - 1) / 1.2, 0, 1)
    pale = 255.0 - (255.0 - _DARKEST_PAPER) * np.clip(near - 0.35, 0.0, 1.0) ** 2
    view = np.where(found.mask, dark, pale).astype(np.uint8)
    return np.asarray(view[:, ::-1])


def _write(view: NDArray[np.uint8], path: str) -> None:
    """Write a view, quickly rather than small."""
    try:
        Path(path).parent.mkdir(parents=True, exist_ok=True)
        good, coded = cv2.imencode(".png", view, [cv2.IMWRITE_PNG_COMPRESSION, 1])
        if not good:
            raise OSError("not encoded")
        Path(path).write_bytes(coded.tobytes())
    except (OSError, ValueError):
        raise CoreError(
            "cannot-write", "The view cannot be written there.", field="write", value=path,
            allowed="a file that can be written",
        ) from None  # fmt: skip


def _told(
    given: ScratchViewInput,
    lit: list[Lit],
    lies: list[Lie],
    signals: list[Signal],
    found: Scratches,
    view: NDArray[np.uint8],
) -> ScratchViewOutput:
    share = float((view < 128).mean())
    seen = _seen(lit, lies, signals, found.mask)
    warnings = _warnings(lit, seen, share)
    return ScratchViewOutput(
        path=given.write,
        scratched_share=round(share, 5),
        width_px=view.shape[1],
        height_px=view.shape[0],
        photographs=seen,
        warnings=warnings,
        text=_text(share, seen),
    )


def _seen(
    lit: list[Lit], lies: list[Lie], signals: list[Signal], mask: Mask
) -> list[SeenPhotograph]:
    """Return what each photograph brought; told on every fourth pixel."""
    some = mask[::STEP, ::STEP]
    stands = np.stack([each[::STEP, ::STEP][some] > _STRONG / 2 for each in signals])
    alone = stands & (stands.sum(axis=0) == 1)
    total = max(1, stands.shape[1])
    return [
        SeenPhotograph(
            moved_px=round(float(np.hypot(*lie.shift)), 2),
            turned_deg=round(float(lie.turn_deg), 3),
            own_share=round(float(alone[place].sum() / total), 3),
            seen_share=round(float(stands[place].sum() / total), 3),
            glare_share=round(lit[place].glare_share, 4),
        )
        for place, lie in enumerate([Lie(0.0, (0.0, 0.0)), *lies])
    ]


def _warnings(lit: list[Lit], seen: list[SeenPhotograph], share: float) -> list[ViewWarning]:
    found = []
    for place, each in enumerate(seen, 1):
        if each.glare_share > _MUCH_GLARE:
            found.append(_said("glare", place, f"Light {place} has a reflection of the lamp over "
                               f"{each.glare_share:.0%} of it: tilt and take it again."))  # fmt: skip
        if each.seen_share < 0.02 and share > _LITTLE:
            found.append(_said("nothing-in-it", place, f"Light {place} shows none of the scratches: "
                               "was the lamp on, and from the side?"))  # fmt: skip
    if _hidden_everywhere(lit) > _MUCH_GLARE:
        found.append(_said("glare-everywhere", None, "A reflection lies on the same place in every "
                           "photograph: nothing can be seen there."))  # fmt: skip
    if share < _LITTLE:
        found.append(_said("few-scratches", None, "Hardly a scratch is seen: a dark room, black "
                           "under the plate, the lamp low from the side."))  # fmt: skip
    return found


def _hidden_everywhere(lit: list[Lit]) -> float:
    hidden = lit[0].glare.copy()
    for each in lit[1:]:
        hidden &= each.glare
    return float(hidden.mean())


def _said(code: str, image: int | None, text: str) -> ViewWarning:
    return ViewWarning.model_validate({"code": code, "image": image, "text": text})


def _text(share: float, seen: list[SeenPhotograph]) -> str:
    best = max(each.seen_share for each in seen)
    if len(seen) == 1 or best > 0.97:
        return f"{share:.1%} of the surface is marked."
    return f"{share:.1%} of the surface is marked; no light alone showed more than {best:.0%} of it."
