"""The map a run begins with: a later change of the study cannot change what was painted."""

from __future__ import annotations

from typing import Any

from core.data.study import EASY_TO_MISS_MM2, RESISTS
from server.studies.actions.maps import pens_of
from server.studies.cut import current, divided
from server.studies.models import Study


def map_for(plate_id: Any, names: list[str]) -> dict[str, Any] | None:
    """Return the map of a plate for areas of these names; None where its study has others."""
    study = Study.objects.filter(plate=plate_id).select_related("plate", "strip", "bath").first()
    now = current(study) if study else None
    if study is None or now is None:
        return None
    made = divided(study, *now)
    own = {area.name: study.names.get(area.name, area.name) for area in made.areas}
    areas = [
        {
            "name": own[area.name], "labels": list(area.labels),
            "graded_from": own.get(area.graded_from or "", area.graded_from),
            "resist_label": RESISTS[area.resist].label if area.resist else "",
        }
        for area in made.areas
    ]  # fmt: skip
    white = {own[area.name] for area in made.areas if area.lstar is None}
    if {area["name"] for area in areas} - white != set(names) - white:
        return None  # what is planned has other areas: a map would say covered what is not
    called = {label: area["name"] for area in areas for label in area["labels"]}
    return {
        "study": str(study.id),
        "path": str(made.labels_path.relative_to(made.labels_path.parents[4])),
        "width_mm": study.plate.width_mm,
        "height_mm": study.plate.height_mm,
        "areas": areas,
        "islands": [
            {"area": called[p.label], "x_mm": p.x_mm, "y_mm": p.y_mm, "mm2": p.mm2}
            for p in made.pieces
            if p.mm2 < EASY_TO_MISS_MM2 and p.label in called
        ],
        "pens": pens_of(study),
    }
