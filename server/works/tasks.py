"""Tasks of works: previews, scans read, stencils cut, drawings laid out."""

from __future__ import annotations

from server.tasks.kinds import Kind, add_kind
from server.works.asked import (
    PREVIEW,
    READ,
    STENCILS,
    TRACING,
    drawing_given,
    keep_names,
    preview_given,
    read_given,
)

add_kind(Kind(PREVIEW, "print", preview_given, keep_names))
add_kind(Kind(READ, "print", read_given, keep_names))
add_kind(Kind(STENCILS, "print", drawing_given, keep_names))
add_kind(Kind(TRACING, "print", drawing_given, keep_names))
