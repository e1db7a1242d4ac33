"""Tasks of a proof."""

from __future__ import annotations

from server.proofs.actions.reading import KIND
from server.proofs.actions.scan import keep_names, scan_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(KIND, "log proofs", scan_of, keep_names))
