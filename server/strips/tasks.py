"""Tasks of a strip."""

from __future__ import annotations

from server.strips.actions.scan import KIND, keep_nothing, scan_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(KIND, "change strips", scan_of, keep_nothing))
