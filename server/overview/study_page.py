"""A plate's study as it stands: its choices, its areas, what is painted before each bite."""

from __future__ import annotations

import uuid
from typing import Any

import numpy as np

from core.data.mordants import MORDANTS
from core.data.study import EASY_TO_MISS_MM2, RESISTS, WORTH_LSTAR
from core.study.graded import graded_tone
from core.study.scale import Scale
from core.study.shapes import StudyCut, StudyWarning, ToneChoice
from core.study.stages import (
    StudyArea,
    areas_of,
    is_white,
    minutes_in_all,
    paint_range,
    stages_of,
    tone_names,
)
from core.study.tone_areas import floor_of, out_of_reach, share_out_of_reach
from core.tone.no_strip import guess_curve
from core.tone.read_curve import read_curve
from core.tone.shapes import Curve, ReadCurveInput
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.overview.plan_page import plan_out
from server.plans.actions.keep import current_plan
from server.plans.models import Plan
from server.plates.models import Plate
from server.strips.models import Strip
from server.studies.actions.maps import pens_of
from server.studies.cut import (
    COUNTS,
    best_count,
    choices_of,
    current,
    cut_of,
    divided,
    kinds_of,
    reach_of,
    scale_of,
    small_labels,
)
from server.studies.field import asked_of, digest_of, field_of
from server.studies.models import Study
from server.studies.schemas import (
    Cut,
    Graded,
    Reach,
    Small,
    StageOut,
    StudyAreaOut,
    StudyOut,
    Worth,
)

STEPS = 128
THUMB_PX = 300
"""Areas of what is not chosen are counted on so small a picture."""


def study_out(study: Study) -> StudyOut:
    """Return a study with all that follows from it."""
    field, scale, reach = field_of(study), scale_of(study), reach_of(study)
    choices = choices_of(study, field) if field else []
    plan = current_plan(study.plate, "tones")
    cut = _cut_out(study, field, choices) if field else None
    counts = np.array(field["counts"]) if field else None
    return StudyOut(
        **_said(study),
        plate=study.plate_id,
        width_mm=study.plate.width_mm,
        height_mm=study.plate.height_mm,
        reach=Reach(
            lightest_lstar=reach.lightest, darkest_lstar=reach.darkest,
            measured=reach.measured, told=_told(study, reach.measured),
        ),
        ready=field is not None,
        px_per_mm=field["px_per_mm"] if field else None,
        finest_px_per_mm=field["finest_px_per_mm"] if field else None,
        greys=_greys(counts) if counts is not None else [],
        greys_from_lstar=float(scale.lstars[0]),
        greys_to_lstar=float(scale.lstars[-1]),
        floor_lstar=round(floor_of(counts, scale), 2) if counts is not None else 0.0,
        out_of_reach=share_out_of_reach(counts, scale) if counts is not None else 0.0,
        choices=_worths(study, field, choices) if field else [],
        best=best_count(choices),
        cut=cut,
        warnings=_warnings(counts, scale, choices),
        plan_areas=_plan_areas(cut) if cut else [],
        plan_version=plan.version if plan else None,
        lettering_asks=study.lettering == "",
        strip_name=study.strip.name if study.strip else "",
        bath_name=study.bath.name if study.bath else "",
        resists={key: row.label for key, row in RESISTS.items()},
        drawn=digest_of([asked_of(study), study.version, reach.lightest, reach.darkest]),
    )  # fmt: skip


def tones_after(study: Study, bite: int) -> list[float | None] | None:
    """Return the L* of the study's areas after a bite of the plan; None where it has other areas.

    What was not bitten by then prints as the unbitten plate, told as null.
    """
    plan, now = current_plan(study.plate, "tones"), current(study)
    if plan is None or now is None:
        return None
    names = [study.names.get(area.name, area.name) for area in divided(study, *now).areas]
    if set(names) != {area["name"] for area in plan.areas}:
        return None
    sheet = plan_out(plan).sheet.plan
    reached = {
        area.name: area.lstar
        for made in [*sheet.done, *sheet.bites]
        if made.number <= bite
        for area in made.areas
    }
    return [reached.get(name) for name in names]


def usual_sources(plate: Plate) -> tuple[uuid.UUID | None, uuid.UUID | None]:
    """Return the strip and the bath a new study goes by: the plan's, else the newest that fit."""
    plan = Plan.objects.filter(plate=plate, part="tones", superseded=False).first()
    if plan is not None:
        return plan.strip_id, plan.bath_id
    strips = Strip.objects.filter(room=plate.room, metal=plate.metal).exclude(curve=None)
    strip = strips.order_by("-created_at").first()
    fitting = [key for key, row in MORDANTS.items() if row.metal == plate.metal]
    baths = Bath.objects.filter(room=plate.room, retired=False, mordant__in=fitting)
    bath = baths.exclude(vessel="bottle").order_by("created_at").first()
    return strip.id if strip else None, bath.id if bath else None


def _said(study: Study) -> dict[str, Any]:
    columns = (
        "version", "id", "sketches", "tuning", "smooth_mm", "map", "count", "tones", "bounds",
        "join_mm2", "edits", "names", "lettering",
    )  # fmt: skip
    own = {column: getattr(study, column) for column in columns}
    return own | {"strip": study.strip_id, "bath": study.bath_id, "pens": pens_of(study)}


def _told(study: Study, measured: bool) -> str:
    if measured and study.strip:
        return f"Strip: {study.strip.name}."
    return "A guess: no strip has been read for this ground."


def _greys(counts: np.ndarray) -> list[float]:
    steps = counts.reshape(STEPS, -1).sum(axis=1)
    return [round(float(share), 5) for share in steps / counts.sum()]


def _warnings(
    counts: np.ndarray | None, scale: Scale, choices: list[ToneChoice]
) -> list[StudyWarning]:
    if counts is None:
        return []
    few = []
    if len(choices) < len(COUNTS):
        most = choices[-1].count if choices else 1
        text = f"The picture has greys for {most} tones within reach, and no more."
        few = [StudyWarning(code="fewer-greys", text=text)]
    return [*few, *out_of_reach(counts, scale)]


def _worths(study: Study, field: dict[str, Any], choices: list[ToneChoice]) -> list[Worth]:
    """Return each number of tones with what it takes and brings."""
    seconds = _seconds_to(study, [choice.tones_lstar[-1] for choice in choices])
    worths = []
    for i, choice in enumerate(choices):
        cut = cut_of(study, field, choice.count)
        if cut is None:
            continue
        bites = choice.count - int(is_white(cut, 0))
        minutes = None
        if seconds is not None:
            labels = small_labels(study, field, cut, THUMB_PX)
            areas = areas_of(labels, cut, study.plate.width_mm)
            minutes = round(minutes_in_all(areas, [seconds[i] / bites] * bites), 1)
        brings = choices[i - 1].rms_lstar - choice.rms_lstar if i else None
        worths.append(
            Worth(
                **choice.model_dump(), bites=bites, minutes=minutes, brings_lstar=brings,
                pays=brings is None or brings >= WORTH_LSTAR,
            )
        )  # fmt: skip
    return worths


def _seconds_to(study: Study, tones: list[float]) -> list[float] | None:
    """Return how long the darkest of each lies in the bath in all [s]; None without a bath."""
    if study.bath is None:
        return None
    curve = _curve(study)
    points = read_curve(
        ReadCurveInput(curve=curve, bath=bath_facts(study.bath, against=curve), lstar=tones)
    )
    return [point.seconds for point in points.points]


def _curve(study: Study) -> Curve:
    if study.strip and study.strip.curve:
        return Curve.model_validate(study.strip.curve)
    return guess_curve(study.bath.mordant if study.bath else "copper-ferric")


def _cut_out(study: Study, field: dict[str, Any], choices: list[ToneChoice]) -> Cut | None:
    now = current(study)
    if now is None:
        return None
    cut = now[1]
    made = divided(study, field, cut)
    choice = next((each for each in choices if each.count == len(cut.tones_lstar)), None)
    by_hand = choice is None or cut.bounds_lstar != choice.bounds_lstar
    called = {area.name: study.names.get(area.name, area.name) for area in made.areas}
    owner = {label: called[area.name] for area in made.areas for label in area.labels}
    return Cut(
        count=len(cut.tones_lstar),
        by_hand=by_hand,
        tones_lstar=cut.tones_lstar,
        bounds_lstar=cut.bounds_lstar,
        rms_lstar=choice.rms_lstar if choice and not by_hand else _rms(study, field, cut),
        areas=[_area_out(area, called, cut) for area in made.areas],
        stages=_stages_out(study, cut, made.areas, called, made.pieces),
        islands=[
            Small(area=owner[p.label], x_mm=p.x_mm, y_mm=p.y_mm, mm2=p.mm2)
            for p in made.pieces if p.label in owner
        ],
        left_out=_left_out(cut, made.areas),
    )  # fmt: skip


def _rms(study: Study, field: dict[str, Any], cut: StudyCut) -> float:
    """Return the distance of the print from the picture with tones moved by hand."""
    scale = scale_of(study)
    counts = np.array(field["counts"], dtype=float)
    places = scale.table(cut.bounds_lstar)[: len(scale.lstars)]
    off = scale.lstars - np.array(cut.tones_lstar)[places]
    return round(float(np.sqrt((counts * off**2).sum() / counts.sum())), 4)


def _left_out(cut: StudyCut, areas: list[StudyArea]) -> list[str]:
    there = {label for area in areas if area.cm2 > 0 for label in area.labels}
    return [f"L* {tone:.0f}" for i, tone in enumerate(cut.tones_lstar) if i + 1 not in there]


def _area_out(area: StudyArea, called: dict[str, str], cut: StudyCut) -> StudyAreaOut:
    return StudyAreaOut(
        key=area.name, name=called[area.name], labels=list(area.labels), lstar=area.lstar,
        cm2=round(area.cm2, 2), share=round(area.share, 5),
        paint_minutes=round(area.paint_minutes, 1), graded=_graded(area, called, cut),
    )  # fmt: skip


def _graded(area: StudyArea, called: dict[str, str], cut: StudyCut) -> Graded | None:
    if area.resist is None or area.lstar is None or area.graded_from is None:
        return None
    light = _tone_named(area.graded_from, cut)
    tone = graded_tone(area.resist, light, area.lstar)
    return Graded(
        from_area=called.get(area.graded_from, area.graded_from), resist=area.resist,
        resist_label=RESISTS[area.resist].label, light_lstar=round(tone.light, 1),
        light_low=round(tone.light_low, 1), light_high=round(tone.light_high, 1),
        dark_lstar=round(tone.dark, 1),
    )  # fmt: skip


def _tone_named(name: str, cut: StudyCut) -> float:
    return cut.tones_lstar[tone_names(cut).index(name)]


def _stages_out(
    study: Study, cut: StudyCut, areas: list[StudyArea], called: dict[str, str], pieces: list[Any]
) -> list[StageOut]:
    method = "stop-out"
    plan = current_plan(study.plate, "tones")
    if plan is not None:
        method = plan.method
    by_name, pens = {area.name: area for area in areas}, pens_of(study)
    out = []
    for stage in stages_of(areas, method):  # type: ignore[arg-type]
        own = [by_name[name] for name in stage.now]
        labels = {label for area in own for label in area.labels}
        minutes = sum(area.paint_minutes for area in own)
        low, high = paint_range(minutes)
        out.append(
            StageOut(
                bite=stage.bite, now=[called[name] for name in stage.now],
                crayon=[called[name] for name in stage.crayon],
                pen=pens[min(stage.bite, len(pens)) - 1],
                cm2=round(sum(area.cm2 for area in own), 1), minutes=round(minutes, 1),
                minutes_low=round(low, 1), minutes_high=round(high, 1),
                edge_m=round(sum(area.edge_cm for area in own) / 100, 2),
                small=sum(p.label in labels and p.mm2 < EASY_TO_MISS_MM2 for p in pieces),
                states=[int(each) for each in stage.table[: kinds_of(cut)]],
            )
        )  # fmt: skip
    return out


def _plan_areas(cut: Cut) -> list[dict[str, Any]]:
    return [
        {
            "name": area.name, "lstar": None if area.lstar is None else round(area.lstar, 1),
            "open_cm2": round(area.cm2, 1),
            "parts": f"{area.graded.resist_label}, from {area.graded.from_area}"
            if area.graded else "",
        }
        for area in cut.areas
    ]  # fmt: skip
