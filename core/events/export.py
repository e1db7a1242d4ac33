"""The table of kinds as the browser needs it, written by ``./keen api``."""

from __future__ import annotations

import json

from core.data.exposure_stages import CHECKED_AFTER, LONG_SHARE, SHORT_SHARE, STALE_SECONDS
from core.data.wear import MOST_IMPRESSIONS
from core.events.exposure_fold import MOST_STAGES
from core.events.exposure_fold import NOTICES as EXPOSURE_NOTICES
from core.events.fold import NOTICE_TEXTS
from core.events.kinds import KINDS
from core.events.marks_fold import MARKS_NOTICES, MOST_SITTINGS
from core.events.pull_fold import (
    GIVEN_UP_SECONDS,
    PULL_NOTICES,
    REDAMPED_SHARE,
    SAME_PULL_SECONDS,
)
from core.events.sheet_fold import WORK_NOTICES
from core.events.spans import SAME_PRESS_SECONDS
from core.kinetics.shapes import LONGEST_SECONDS
from core.stages.shapes import MOST_DONE


def kinds_json() -> str:
    """Return the kinds of events, the notices and the constants of the folds, as JSON.

    Returns
    -------
    str
        Keys in a fixed order, so that a drift shows as a difference of the file.
    """
    told = {
        "kinds": {
            key: {"short": kind.short, "undoable": kind.undoable, "cares": kind.cares}
            for key, kind in KINDS.items()
        },
        "notices": NOTICE_TEXTS,
        "exposure_notices": EXPOSURE_NOTICES,
        "marks_notices": MARKS_NOTICES,
        "pull_notices": PULL_NOTICES,
        "work_notices": WORK_NOTICES,
        "given_up_seconds": GIVEN_UP_SECONDS,
        "same_pull_seconds": SAME_PULL_SECONDS,
        "redamped_share": REDAMPED_SHARE,
        "most_sittings": MOST_SITTINGS,
        "most_impressions": MOST_IMPRESSIONS,
        "same_press_seconds": SAME_PRESS_SECONDS,
        "longest_seconds": LONGEST_SECONDS,
        "most_dips": MOST_DONE,
        "most_stages": MOST_STAGES,
        "checked_after": CHECKED_AFTER,
        "short_share": SHORT_SHARE,
        "long_share": LONG_SHARE,
        "stage_stale_seconds": STALE_SECONDS,
    }
    return json.dumps(told, indent=2, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    print(kinds_json(), end="")
