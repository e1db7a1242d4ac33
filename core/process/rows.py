"""Every process, one row each, in the order in which the parts of a plate are bitten."""

from __future__ import annotations

from core.process.lines import LINES
from core.process.row import Process
from core.process.spit_bite import SPIT_BITE
from core.process.tones import TONES

PROCESSES: dict[str, Process] = {
    row.key: row for row in sorted((LINES, TONES, SPIT_BITE), key=lambda row: row.order)
}
