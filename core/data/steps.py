"""The steps of the work by key, and the working order of each route."""

from __future__ import annotations

from core.data.step_row import StepRow
from core.data.steps_after import STEPS_AFTER
from core.data.steps_before import STEPS_BEFORE
from core.data.steps_scratched import STEPS_SCRATCHED

STEPS: dict[str, StepRow] = {
    row.key: row for row in (*STEPS_BEFORE, *STEPS_AFTER, *STEPS_SCRATCHED)
}

PREPARE_METAL = ("cut", "bevel", "polish", "drawing", "degrease")
PROOF = ("proof", "edition")
HARD_GROUND = ("ball-ground", "transfer", "draw", "touch-up", "back")
GRAIN = ("dust", "fuse", "transfer")

COURSES: dict[str, tuple[str, ...]] = {
    "etched line": (*PREPARE_METAL, *HARD_GROUND, "plan-lines", "bite-lines", "strip-ground",
                    *PROOF),
    "soft ground": (*PREPARE_METAL, "soft-ground", "press-textures", "stop-out-textures", "back",
                    "plan-lines", "bite-lines", "strip-ground", *PROOF),
    "aquatint": (*PREPARE_METAL, *GRAIN, "plan-tones", "whites", "back", "bite-tones",
                 "strip-ground", *PROOF),
    "spit bite": (*PREPARE_METAL, *GRAIN, "plan-spit-bite", "whites", "back", "spit-bite",
                  "strip-ground", *PROOF),
    "drypoint": ("cut", "film-back", "bevel", "polish", "drawing", "mark-side", "under-drawing",
                 "transfer", "plan-marks", "scratch", "look-scratches", "trim-after", *PROOF),
    "engraving": ("cut", "film-back", "bevel", "polish", "drawing", "letter-check", "transfer",
                  "plan-marks", "engrave", "clean-burr", *PROOF),
    "kitchen table": ("cut", "film-back", "bevel", "drawing", "mark-side", "under-drawing",
                      "plan-marks", "scratch", "look-scratches", "kitchen-ink", "kitchen-damp",
                      "kitchen-gap", "trial-one", "trial-two", *PROOF),
    "photopolymer": ("drawing", "cut", "dust-chalk", "expose-screen", "expose-image", "wash-out",
                     "harden", "trim", *PROOF),
}  # fmt: skip
"""Working order of each route. ``room-practice``"""

SCRATCHED = ("drypoint", "engraving", "kitchen table")
"""Routes whose marks are cut by hand. ``room-practice``"""
MARKED_STEPS = ("scratch", "engrave")
"""Done once every group of marks is drawn. ``room-practice``"""

LEFT_OUT: dict[tuple[str, str], tuple[str, ...]] = {
    ("drypoint", "plastic"): ("polish", "transfer"),
}
"""Steps of a route that a material goes without. ``room-practice``"""

INSTEAD: dict[str, tuple[str, ...]] = {
    "ball-ground": ("liquid-ground",),
    "liquid-ground": ("ball-ground",),
    "dust": ("spray",),
    "spray": ("dust",),
}
"""Steps that may stand for each other."""
