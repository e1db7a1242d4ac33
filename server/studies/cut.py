"""A study cut into areas: by the best tones, or those moved by hand."""

from __future__ import annotations

import itertools
import json
from dataclasses import asdict, dataclass
from functools import lru_cache
from pathlib import Path
from typing import Any

import cv2
import numpy as np

from core.data.study import EASY_TO_MISS_MM2, WORTH_LSTAR
from core.study.divide import FIRST_TONE, divide
from core.study.field import read_field
from core.study.islands import islands
from core.study.scale import Scale
from core.study.shapes import MOST_TONES, StudyCut, ToneChoice
from core.study.stages import StudyArea, areas_of
from core.study.stop_out_maps import Labels
from core.study.tone_areas import choose
from core.tone.no_strip import guess_curve
from core.tone.read_curve import read_curve
from core.tone.shapes import ReadCurveInput
from server.studies.field import digest_of, field_of, folder_of
from server.studies.models import Study

MOST_ISLANDS = 200
_GUESS_SECONDS = [30.0 * 1.5**i for i in range(10)]
COUNTS = list(range(2, MOST_TONES + 1))


@dataclass(frozen=True)
class Reached:
    """The tones that can be had, and whether a strip says so."""

    lightest: float
    darkest: float
    measured: bool


def reach_of(study: Study) -> Reached:
    """Return the tones within reach: of the strip chosen, else a guess for the bath's mordant."""
    fit = study.strip.fit if study.strip else None
    if fit and fit.get("lightest_lstar") is not None:
        return Reached(fit["lightest_lstar"], fit["darkest_lstar"], True)
    return _guessed(study.bath.mordant if study.bath else "copper-ferric")


@lru_cache(maxsize=8)
def _guessed(mordant: str) -> Reached:
    curve = guess_curve(mordant)
    points = read_curve(ReadCurveInput(curve=curve, seconds=[1.0, *_GUESS_SECONDS])).points
    return Reached(round(points[0].lstar, 1), round(min(point.lstar for point in points), 1), False)


def scale_of(study: Study) -> Scale:
    """Return how the study's greys map to what can be printed."""
    reach = reach_of(study)
    return Scale(reach.lightest, reach.darkest, study.map)  # type: ignore[arg-type]


def choices_of(study: Study, field: dict[str, Any]) -> list[ToneChoice]:
    """Return the best cuts of a study, for each number of tones there are greys for."""
    plate = study.plate
    reach = reach_of(study)
    return _chosen(
        tuple(field["counts"]), (reach.lightest, reach.darkest, study.map),
        plate.width_mm * plate.height_mm / 100,
    )  # fmt: skip


@lru_cache(maxsize=64)
def _chosen(
    counts: tuple[int, ...], scale: tuple[float, float, str], surface_cm2: float
) -> list[ToneChoice]:
    mapped = Scale(*scale)  # type: ignore[arg-type]
    made, _ = choose(np.array(counts), mapped, COUNTS, surface_cm2)
    return made


def best_count(choices: list[ToneChoice]) -> int | None:
    """Return as many tones as pay: the last that brings the print half an L* nearer."""
    if not choices:
        return None
    best = choices[0].count
    for before, after in itertools.pairwise(choices):
        if before.rms_lstar - after.rms_lstar < WORTH_LSTAR:
            break
        best = after.count
    return best


def cut_of(study: Study, field: dict[str, Any], count: int | None = None) -> StudyCut | None:
    """Return how the study is cut, or how it would be into ``count`` tones.

    What was moved by hand holds only for the number of tones it was moved in; what was drawn
    holds for all.
    """
    choices = choices_of(study, field)
    wanted = count or study.count or best_count(choices)
    choice = next((each for each in choices if each.count == wanted), None)
    if choice is None:
        return None
    own = count is None or count == study.count
    moved_bounds = own and study.bounds is not None and len(study.bounds) == choice.count - 1
    moved_tones = own and study.tones is not None and len(study.tones) == choice.count
    bounds: list[float] = study.bounds if moved_bounds else choice.bounds_lstar  # type: ignore[assignment]
    reach = reach_of(study)
    return StudyCut(
        lightest_lstar=reach.lightest,
        darkest_lstar=reach.darkest,
        map=study.map,
        tones_lstar=study.tones if moved_tones else _means(study, field, bounds, choice),
        bounds_lstar=bounds,
        join_mm2=study.join_mm2,
        edits=study.edits,
    )


def _means(
    study: Study, field: dict[str, Any], bounds: list[float], choice: ToneChoice
) -> list[float]:
    """Return the tone closest to the greys between each two borders."""
    if bounds is choice.bounds_lstar:
        return choice.tones_lstar
    scale = scale_of(study)
    places = scale.table(bounds)[: len(scale.lstars)]
    counts = np.array(field["counts"], dtype=float)
    tones = []
    for place in range(len(bounds) + 1):
        weights = counts * (places == place)
        mean = (weights * scale.lstars).sum() / weights.sum() if weights.any() else None
        tones.append(choice.tones_lstar[place] if mean is None else float(mean))
    clipped = [round(float(np.clip(tone, *scale.reach)), 3) for tone in tones]
    falls = all(a > b for a, b in itertools.pairwise(clipped))
    return clipped if falls else choice.tones_lstar


@dataclass(frozen=True)
class Piece:
    """A small piece of an area."""

    label: int
    x_mm: float
    y_mm: float
    mm2: float


@dataclass(frozen=True)
class Divided:
    """A study divided into its areas; kept beside its greys, made again where it is lost."""

    areas: list[StudyArea]
    pieces: list[Piece]
    labels_path: Path


def divided(study: Study, field: dict[str, Any], cut: StudyCut) -> Divided:
    """Return the areas of a study, from disk where they were divided before."""
    folder = folder_of(study, field["digest"])
    named = digest_of(cut.model_dump(mode="json"))
    told, labels_path = folder / f"{named}.json", folder / f"{named}.png"
    if told.exists() and labels_path.exists():
        kept = json.loads(told.read_text("utf-8"))
        areas = [StudyArea(**area | {"labels": tuple(area["labels"])}) for area in kept["areas"]]
        return Divided(areas, [Piece(**each) for each in kept["pieces"]], labels_path)
    made = _divide(study, read_field(str(folder / "field.png")), cut, labels_path)
    kept = {"areas": [asdict(a) for a in made.areas], "pieces": [asdict(p) for p in made.pieces]}
    part = told.with_suffix(".part")
    part.write_text(json.dumps(kept), "utf-8")
    part.replace(told)
    return made


def _divide(study: Study, field: np.ndarray, cut: StudyCut, path: Path) -> Divided:
    width_mm = study.plate.width_mm
    labels = divide(field, cut, width_mm)
    part = path.with_suffix(".part.png")
    cv2.imwrite(str(part), labels, [cv2.IMWRITE_PNG_COMPRESSION, 3])
    part.replace(path)
    fine = labels.shape[1] / width_mm
    found = islands(labels, EASY_TO_MISS_MM2 * fine**2)[:MOST_ISLANDS]
    pieces = [
        Piece(each.label, round(each.x_px / fine, 2), round(each.y_px / fine, 2),
              round(each.px / fine**2, 2))
        for each in found
    ]  # fmt: skip
    return Divided(areas_of(labels, cut, width_mm), pieces, path)


def small_labels(study: Study, field: dict[str, Any], cut: StudyCut, most_px: int) -> Labels:
    """Return the areas of a study for a screen: no wider than ``most_px`` [px]."""
    small = read_field(str(folder_of(study, field["digest"]) / "small.png"))
    step = min(1.0, most_px / max(small.shape))
    if step < 1:
        size = (max(1, round(small.shape[1] * step)), max(1, round(small.shape[0] * step)))
        small = np.asarray(cv2.resize(small, size, interpolation=cv2.INTER_AREA))
    return divide(small, cut, study.plate.width_mm)


def kinds_of(cut: StudyCut) -> int:
    """Return how many labels a cut has."""
    graded = sum(edit.kind == "grade" for edit in cut.edits)
    return FIRST_TONE + len(cut.tones_lstar) + graded


def current(study: Study) -> tuple[dict[str, Any], StudyCut] | None:
    """Return a study's greys and how it is cut; None where there are none yet."""
    field = field_of(study)
    cut = cut_of(study, field) if field else None
    return (field, cut) if field and cut else None
