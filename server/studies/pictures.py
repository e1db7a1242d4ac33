"""Pictures of a study: as it was drawn, as it prints after each bite, and its areas."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import cv2
import numpy as np
from django.http import HttpResponse

from core.study.field import read_field
from core.study.printed import as_drawn, coded, show, table_of
from core.study.shapes import StudyCut
from core.study.stages import areas_of, prints_after
from server.replies.errors import NotFound
from server.studies.cut import current, cut_of, divided, kinds_of, small_labels
from server.studies.field import field_of, folder_of
from server.studies.models import Study

QUALITY = 86
RUN_MAP_PX = 1344


def drawing(study: Study, width: int) -> HttpResponse:
    """Return the study as it was drawn, in the lightness it asks for.

    Raises
    ------
    NotFound
    """
    field, cut = _needed(study)
    small = read_field(str(folder_of(study, field["digest"]) / "small.png"))
    return _jpeg(_no_wider(as_drawn(small, cut), width))


def printed(
    study: Study, width: int, count: int | None, bite: int | None, tones: list[float | None] | None
) -> HttpResponse:
    """Return the study as it prints: in so many tones, after a bite, or with other tones.

    ``tones`` are those of the study's areas in their order, null for white.

    Raises
    ------
    NotFound
    """
    field = field_of(study)
    cut = cut_of(study, field, count) if field else None
    if field is None or cut is None:
        raise NotFound("That print")
    labels = small_labels(study, field, cut, width)
    fine = labels.shape[1] / study.plate.width_mm
    table = table_of(_lstars(study, field, labels, cut, bite, tones), fine)
    return _jpeg(show(coded(labels, cut, fine), table))


def _lstars(
    study: Study, field: dict[str, Any], labels: np.ndarray, cut: StudyCut, bite: int | None,
    tones: list[float | None] | None,
) -> list[float]:  # fmt: skip
    """Return the L* of each label."""
    if bite is None and tones is None:
        return [cut.lightest_lstar, *cut.tones_lstar]
    if bite is not None:
        areas = areas_of(labels, cut, study.plate.width_mm)
        return prints_after(areas, bite, kinds_of(cut), cut.lightest_lstar)
    lstars = [cut.lightest_lstar, *cut.tones_lstar]
    for area, tone in zip(divided(study, field, cut).areas, tones or [], strict=False):
        for label in (label for label in area.labels if label < len(lstars)):
            lstars[label] = cut.lightest_lstar if tone is None else tone
    return lstars


def labels_file(study: Study) -> Path:
    """Return the file of a study's areas: the value of a pixel names its area.

    Raises
    ------
    NotFound
    """
    field, cut = _needed(study)
    return divided(study, field, cut).labels_path


def labels_png(path: Path, most_px: int) -> bytes:
    """Return areas for a screen, as a PNG in which the value of a pixel names its area."""
    labels = cv2.imread(str(path), cv2.IMREAD_UNCHANGED)
    if labels is None:
        raise NotFound("That map")
    step = max(1.0, max(labels.shape) / most_px)
    size = (round(labels.shape[1] / step), round(labels.shape[0] / step))
    small = cv2.resize(labels, size, interpolation=cv2.INTER_NEAREST)
    return bytes(cv2.imencode(".png", small, [cv2.IMWRITE_PNG_COMPRESSION, 6])[1])


def _needed(study: Study) -> tuple[dict[str, Any], StudyCut]:
    now = current(study)
    if now is None:
        raise NotFound("That picture")
    return now


def _no_wider(picture: np.ndarray, width: int) -> np.ndarray:
    if picture.shape[1] <= width:
        return picture
    size = (width, max(1, round(picture.shape[0] * width / picture.shape[1])))
    return np.asarray(cv2.resize(picture, size, interpolation=cv2.INTER_AREA))


def _jpeg(picture: np.ndarray) -> HttpResponse:
    data = cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])[1]
    reply = HttpResponse(bytes(data), content_type="image/jpeg")
    reply["Cache-Control"] = "private, max-age=3600"
    return reply
