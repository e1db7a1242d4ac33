"""Exposures as they happen at the lamp, for the golden cases and the tests of the fold."""

import random
import uuid
from functools import cache

from core.polymer.exposure_shapes import ExposureRunInput
from core.polymer.exposure_sheet import exposure_run
from core.polymer.pair_shapes import PairPatch
from core.polymer.pair_test import PairTestInput, pair_test
from tests.core.events.test_fold import event, name
from tests.simulator.polymer import Plate

STAGES = ("chalk", "screen", "image", "wash", "blot", "dry", "harden")

OWN = Plate(
    screen=85, image=170, paper=94, solid=22, grey=(9, 1.6), lights=(5.0, 1.7, 1.0),
    wiped=(13, 2.0), closed=(6, 1.2), leak=2, darks=(5, 1.2, 0.4),
)  # fmt: skip
"""A made-up plate whose both ends hold about 80 s and 160 s."""


def patches_of(own=OWN):
    """Return the patches of a five by five test of a plate, read without stray."""
    plan = pair_test(PairTestInput(screen_seconds=80, image_seconds=160))
    return [
        PairPatch(screen_seconds=s, image_seconds=i,
                  **{key: round(float(tone), 2) for key, tone in zip(
                      ("paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar"),
                      own.tones(s, i), strict=True)})
        for s in plan.screen_seconds for i in plan.image_seconds
    ]  # fmt: skip


@cache
def sheet_of(key):
    """Return the sheet of a pair with its test, or of a test of two by three strips."""
    if key == "test":
        test = PairTestInput(screen_steps=2, image_steps=3)
        return exposure_run(ExposureRunInput(test=test))
    return exposure_run(
        ExposureRunInput(screen_seconds=80, image_seconds=160, times=1.05, patches=patches_of())
    )


def lasted(number, stage, start, seconds, step=1, device="a"):
    """Return the beginning and the end of a stage."""
    return [
        event(number, "began", start, device, stage=stage, step=step),
        event(number + 1, "ended", start + seconds, device, began=name(f"{device}{number}")),
    ]


def up_to_the_image(image=168.0):
    """Return chalk, screen and image, one after another."""
    return [
        *lasted(1, "chalk", 100, 62),
        *lasted(3, "screen", 300, 84),
        *lasted(5, "image", 500, image),
    ]


def exposures():
    """Yield (name, key of a sheet, events)."""
    yield "nothing", "pair", []
    yield "chalk-under-way", "pair", [event(1, "began", 100, stage="chalk")]
    yield "no-chalk-in-a-dry-room", "pair", [event(1, "passed", 90, stage="chalk")]
    yield "screen-as-planned", "pair", lasted(3, "screen", 300, 84)
    yield "screen-long-moves-the-image", "pair", lasted(3, "screen", 300, 110)
    yield "screen-short-asks-for-the-rest", "pair", lasted(3, "screen", 300, 60)
    short = [*lasted(3, "screen", 300, 60), *lasted(5, "screen", 400, 24)]
    yield "the-rest-given", "pair", short
    left = [*lasted(3, "screen", 300, 60), event(9, "passed", 370, stage="screen")]
    yield "short-and-left-so", "pair", left
    yield "image-far-too-long", "pair", up_to_the_image(420)
    warm = [*up_to_the_image(), event(20, "water", 690, celsius=26.0)]
    yield "warm-water", "pair", [*warm, event(21, "began", 700, stage="wash")]
    washed = [*up_to_the_image(), *lasted(20, "wash", 700, 305)]
    yield "washed", "pair", washed
    slimy = [*washed, event(30, "checked", 1010, check="clear-touch", fine=False)]
    yield "slimy-still", "pair", slimy
    yield "brushed-on", "pair", [*slimy, event(31, "began", 1015, stage="wash")]
    clear = [
        *slimy, *lasted(31, "wash", 1015, 60),
        event(33, "checked", 1080, check="clear-look"),
        event(34, "checked", 1082, check="clear-touch"),
    ]  # fmt: skip
    yield "clear", "pair", clear
    done = [
        *clear, *lasted(40, "blot", 1100, 55), event(42, "checked", 1160, check="no-water"),
        *lasted(43, "dry", 1200, 900), event(45, "checked", 2110, check="not-tacky"),
        *lasted(46, "harden", 2200, 480),
    ]  # fmt: skip
    yield "done", "pair", done
    yield "lamp-off-taken-back", "pair", [*done, event(60, "undo", 2700, event=name("a47"))]
    yield "pressed-twice", "pair", lasted(1, "chalk", 100, 0.2)
    yield (
        "two-devices-begin-one-stage", "pair",
        [*lasted(1, "screen", 300, 90), *lasted(1, "screen", 301, 84, device="b")],
    )  # fmt: skip
    yield "an-end-without-beginning", "pair", [event(2, "ended", 160, began=name("x"))]
    yield "forgotten", "pair", lasted(1, "dry", 100, 30_000)
    strips = [
        *lasted(1, "screen", 100, 30, 1), *lasted(3, "screen", 200, 40, 2),
        *lasted(5, "image", 300, 60, 1), *lasted(7, "image", 400, 200, 2),
    ]  # fmt: skip
    yield "strips-of-a-test", "test", strips
    yield "a-step-the-sheet-has-not", "pair", lasted(1, "image", 100, 30, 4)
    for seed in (2, 9):
        yield f"random-{seed}", "pair", at_random(random.Random(seed))


def at_random(rng, count=90):
    """Return events of two devices in no sensible order."""
    events, clock, began = [], 1000.0, None
    for number in range(count):
        clock += rng.choice([0.0, 0.4, 20.0, 90.0])
        device = rng.choice("ab")
        kind = rng.choice(["began", "ended", "ended", "passed", "checked", "water", "undo", "note"])
        data = {
            "began": {"stage": rng.choice(STAGES)},
            "ended": {"began": began} if began and rng.random() < 0.6 else {},
            "passed": {"stage": rng.choice(STAGES)},
            "checked": {"check": "clear-look", "fine": rng.random() < 0.5},
            "water": {"celsius": round(rng.uniform(8, 40), 1)},
            "undo": {"event": rng.choice(events).id if events else uuid.UUID(int=0)},
            "note": {"text": "words"},
        }[kind]
        made = event(number, kind, clock, device, **data)
        began = made.id if kind == "began" else began
        events.append(made)
    rng.shuffle(events)
    return events
