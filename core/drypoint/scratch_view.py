"""Photographs lit from different sides → how a scratched plate will print."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray

from core.drypoint.laid_on import STAYS, Lie, laid, lay_on
from core.drypoint.lit import STEP, Grey, Lit, Mask, light_up, read_grey
from core.drypoint.missed_lines import count_fields, missed_lines
from core.drypoint.missed_shapes import MissedLinesInput
from core.drypoint.scratches import AT_LIMIT, Scratches, find_scratches
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
_QUICK = [
    cv2.IMWRITE_PNG_COMPRESSION, 1, cv2.IMWRITE_PNG_STRATEGY, cv2.IMWRITE_PNG_STRATEGY_RLE,
    cv2.IMWRITE_PNG_FILTER, cv2.IMWRITE_PNG_FILTER_NONE,
]  # fmt: skip
_STEP = 15
"""Between the greys of a view: a print has no finer ones, and the file stays small."""
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
    onto = _reference(lit)
    noise = lit[onto].noise
    lies = _all_laid(lit, onto, part_of(tell, 0.5, 0.75))
    rows = [_moved(each, lie, noise) for each, lie in zip(lit, lies, strict=True)]
    _check_same_plate(rows, noise)
    merged = rows[0]
    for each in rows[1:]:
        merged = cv2.max(merged, each)
    found = find_scratches(merged, noise)
    tell(0.85)
    view = _as_printed(found)
    _write(view, given.write)
    told = _told(given, lit, _seen(lit, lies, rows, found.mask, noise), view)
    return told.model_copy(update=_missed(given, part_of(tell, 0.85, 1.0)))


def _missed(given: ScratchViewInput, tell: Tell) -> dict[str, object]:
    """Return fields counted and lines missed; a drawing that cannot be laid costs no view."""
    if given.under is None:
        return {}
    counted: dict[str, object] = {"fields": count_fields(given.under, given.write)}
    if given.under.drawing is None:
        return counted
    asked = MissedLinesInput(view=given.write, **given.under.model_dump())
    try:
        return {**counted, "missed": missed_lines(asked, tell)}
    except CoreError as error:
        return {**counted, "missed_fault": error.text}


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


def _reference(lit: list[Lit]) -> int:
    """Return which photograph the others are laid on: the first, where it shows anything."""
    marks = [float(_strong(each.above, each.noise).mean()) for each in lit]
    return 0 if marks[0] > max(_TOO_FEW_STRONG, 0.1 * max(marks)) else int(np.argmax(marks))


def _all_laid(lit: list[Lit], onto: int, tell: Tell) -> list[Lie]:
    """Return how each lies on the reference; one without a mark in common as if it stood still."""
    done = 0

    def one(other: Lit) -> Lie | None:
        nonlocal done
        lie = STAYS if other is lit[onto] else lay_on(lit[onto], other)
        done += 1
        tell(done / len(lit))
        return lie

    with ThreadPoolExecutor(_AT_ONCE) as hands:
        lies = list(hands.map(one, lit))
    return [lie or _by_the_others(lit, lies, onto, place) for place, lie in enumerate(lies)]


def _by_the_others(lit: list[Lit], lies: list[Lie | None], onto: int, place: int) -> Lie:
    """Return how a photograph lies on all that were laid: what it shows, a third may show, too."""
    noise = lit[onto].noise
    merged = lit[onto].above
    for other, lie in zip(lit, lies, strict=True):
        if lie:
            merged = cv2.max(merged, _moved(other, lie, noise))
    return lay_on(Lit(merged, noise, lit[onto].glare), lit[place]) or STAYS


def _moved(each: Lit, lie: Lie, noise: float) -> Grey:
    return each.above if lie is STAYS and each.noise == noise else laid(each, lie, noise)


def _check_same_plate(rows: list[Grey], noise: float) -> None:
    """Refuse a photograph whose strong marks lie on no other's more than by chance."""
    strong = [_strong(each, noise) for each in rows]
    telling = [place for place, mask in enumerate(strong) if mask.mean() > _TOO_FEW_STRONG]
    for place in telling:
        others = [strong[each] for each in telling if each != place]
        if others and _shared(strong[place], others) < _SHARED:
            _refuse(place, telling)


def _strong(above: Grey, noise: float) -> Mask:
    soft = cv2.dilate(cv2.blur(above, (3, 3)), np.ones((3, 3), np.uint8))
    return np.asarray(soft[::STEP, ::STEP] > _STRONG * noise)


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
    near = np.arange(256) / AT_LIMIT
    dark = _LIGHTEST_SCRATCH - (_LIGHTEST_SCRATCH - _DARKEST) * np.clip((near - 1) / 1.2, 0, 1)
    pale = 255.0 - (255.0 - _DARKEST_PAPER) * np.clip((near - 0.75) / 0.25, 0.0, 1.0)
    tables = [(_STEP * (each // _STEP)).astype(np.uint8) for each in (pale, dark)]
    view = cv2.LUT(found.nearness, tables[0])
    cv2.copyTo(cv2.LUT(found.nearness, tables[1]), found.mask.astype(np.uint8), view)
    return np.asarray(cv2.flip(view, 1))


def _write(view: NDArray[np.uint8], path: str) -> None:
    """Write a view, quickly rather than small."""
    try:
        Path(path).parent.mkdir(parents=True, exist_ok=True)
        good, coded = cv2.imencode(".png", view, _QUICK)
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
    seen: list[SeenPhotograph],
    view: NDArray[np.uint8],
) -> ScratchViewOutput:
    share = float(cv2.countNonZero(cv2.compare(view, 128, cv2.CMP_LT))) / view.size
    return ScratchViewOutput(
        path=given.write,
        scratched_share=round(share, 5),
        width_px=view.shape[1],
        height_px=view.shape[0],
        photographs=seen,
        warnings=_warnings(lit, seen, share),
        text=_text(share, seen),
    )


def _seen(
    lit: list[Lit], lies: list[Lie], rows: list[Grey], mask: Mask, noise: float
) -> list[SeenPhotograph]:
    """Return what each photograph brought; told on every fourth pixel."""
    some = mask[::STEP, ::STEP]
    least = _STRONG / 2 * noise
    stands = np.stack([each[::STEP, ::STEP][some] > least for each in rows])
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
        for place, lie in enumerate(lies)
    ]


def _warnings(lit: list[Lit], seen: list[SeenPhotograph], share: float) -> list[ViewWarning]:
    found = []
    for place, each in enumerate(seen, 1):
        if each.glare_share > _MUCH_GLARE:
            text = f"has a reflection of the lamp over {each.glare_share:.0%} of it"
            found.append(_said("glare", place, f"Light {place} {text}: tilt and take it again."))
        if each.seen_share < 0.02 and share > _LITTLE:
            text = "shows none of the scratches: was the lamp on, and from the side?"
            found.append(_said("nothing-in-it", place, f"Light {place} {text}"))
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
    return (
        f"{share:.1%} of the surface is marked; no light alone showed more than {best:.0%} of it."
    )
