"""Spit bite: mordant brushed straight onto the grain, pool by pool, for tone."""

from __future__ import annotations

from dataclasses import replace

from core.data.pools import REFRESH_SECONDS
from core.process.shapes import Columns, Hands, Opening, ProcessWords
from core.process.tones import TONES, count_bitten
from core.stages.plan_bites import TONE_PLANNER
from core.stages.pool_bench import lay_out_pools, pool_warnings

BY_BRUSH = Hands(
    dip="Brush",
    lift="Rinse off",
    wet="Pools are biting",
    dry="Rinsed off",
    at_zero="rinse off, blot dry.",
    closing="leave",
    opening=Opening(verb="Brush", done="Brushed", how="", closed="not yet", covers=False),
    follow="Then leave alone",
    ready="Fresh mordant on each of these. Leave the others alone.",
    finish="Then rinse long, and strip the ground.",
)
POOL_PLANNER = replace(
    TONE_PLANNER, lay_out=lay_out_pools, warn=pool_warnings, covers_unopened=False
)


def _count(areas: list[Columns]) -> str:
    return f"{count_bitten(areas)} pools"


SPIT_BITE = replace(
    TONES,
    words=ProcessWords(
        key="spit-bite", title="Pools", many="the pools", area="pool", against="the strip",
        goal=POOL_PLANNER.goal, hands=BY_BRUSH,
    ),
    order=3,
    plan_step="plan-spit-bite",
    bite_step="spit-bite",
    planner=POOL_PLANNER,
    count=_count,
    care="refresh",
    care_every_seconds=REFRESH_SECONDS,
    cautions=("spit-bite",),
    vessels=("bottle", "tray", "tank"),
    loads_bath=False,
    lies_in_bath=False,
)  # fmt: skip
"""Tones, in all that is not said here."""
