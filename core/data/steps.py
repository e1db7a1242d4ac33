"""The steps of the work by key, and the working order of each route."""

from __future__ import annotations

from core.data.step_row import StepRow
from core.data.steps_after import STEPS_AFTER
from core.data.steps_before import STEPS_BEFORE

STEPS: dict[str, StepRow] = {row.key: row for row in (*STEPS_BEFORE, *STEPS_AFTER)}

PREPARE_METAL = ("cut", "bevel", "polish", "degrease", "back")
PROOF = ("proof", "edition")
HARD_GROUND = ("ball-ground", "transfer", "draw", "touch-up")

COURSES: dict[str, tuple[str, ...]] = {
    "etched line": (*PREPARE_METAL, "drawing", *HARD_GROUND, "plan-lines", "bite-lines",
                    "strip-ground", *PROOF),
    "soft ground": (*PREPARE_METAL, "drawing", "soft-ground", "press-textures", "plan-lines",
                    "bite-lines", "strip-ground", *PROOF),
    "aquatint": (*PREPARE_METAL, "drawing", "transfer", "dust", "fuse", "whites", "plan-tones",
                 "bite-tones", "strip-ground", *PROOF),
    "spit bite": (*PREPARE_METAL, "drawing", "dust", "fuse", "whites", "plan-spit-bite",
                  "spit-bite", "strip-ground", *PROOF),
    "drypoint": ("cut", "bevel", "drawing", "under-drawing", "plan-marks", "scratch", *PROOF),
    "engraving": ("cut", "bevel", "polish", "drawing", "transfer", "plan-marks", "engrave",
                  *PROOF),
    "photopolymer": ("cut", "dust-chalk", "drawing", "expose-screen", "expose-image", "wash-out",
                     "harden", "trim", *PROOF),
}  # fmt: skip
"""Working order of each route. ``room-practice``"""

INSTEAD: dict[str, tuple[str, ...]] = {
    "ball-ground": ("liquid-ground",),
    "liquid-ground": ("ball-ground",),
    "dust": ("spray",),
    "spray": ("dust",),
}
"""Steps that may stand for each other."""
