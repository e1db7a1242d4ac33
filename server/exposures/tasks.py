"""Tasks of exposures: films that are made, prints that are read."""

from __future__ import annotations

from server.exposures.actions.films import (
    CHART_FILM,
    POSITIVE,
    SCREEN,
    name_files,
    prepare_chart_film,
    prepare_positive,
    prepare_screen,
)
from server.exposures.actions.scans import READ_STEPS, READ_TEST, keep_nothing, scan_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(SCREEN, "expose", prepare_screen, name_files))
add_kind(Kind(CHART_FILM, "expose", prepare_chart_film, name_files))
add_kind(Kind(POSITIVE, "expose", prepare_positive, name_files))
add_kind(Kind(READ_TEST, "expose", scan_of, keep_nothing))
add_kind(Kind(READ_STEPS, "expose", scan_of, keep_nothing))
