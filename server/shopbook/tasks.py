"""Tasks of the shop book: colours of inks read off scans."""

from __future__ import annotations

from server.shopbook.actions.swatch import SWATCH, keep_swatch, scan_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(SWATCH, "keep recipes", scan_of, keep_swatch))
