"""Write the golden cases anew: ``python -m tests.core.make_golden``; look at the difference first.

Each case under ``fold`` holds events and the state that follows, each under ``lift`` a sheet's
tables, temperatures and the lift. The core's tests and the browser's replay the same files.
"""

import json
import random
from pathlib import Path

from core.events.event import Event
from core.events.exposure_fold import fold_exposure
from core.events.fold import fold
from core.events.marks_fold import fold_marks
from core.events.pull_fold import fold_pulls
from core.events.sheet_fold import fold_work
from core.polymer.exposure_follow import follow_exposure
from core.stages.lift import seconds_to_lift
from core.stages.plan_bites import run_sheet
from core.stages.shapes import RunSheetInput
from tests.core.events.exposures import exposures, sheet_of
from tests.core.events.marks import plates
from tests.core.events.pulls import presses
from tests.core.events.test_fold import event, name, random_run
from tests.core.events.works import works
from tests.core.strips import plan_input

HERE = Path(__file__).parents[1] / "golden"
OPEN = ["sky", "quay"]
BATH = [[40.0, 18.5], [900.0, 19.0]]


def bite(start=100.0, length=60.0, first=1, device="a"):
    """A dip and its lift."""
    return [
        event(first, "dip", start, device, open=OPEN),
        event(first + 1, "lift", start + length, device, dip=name(f"{device}{first}")),
    ]


def cases():
    """Yield (name, events, bath line), and for some the areas the plate has."""
    yield "nothing", [], BATH
    yield "one-bite", bite(), BATH
    yield (
        "two-bites-with-all-that-is-done",
        [
            event(9, "covered", 50, areas=["paper"]),
            event(10, "temperature", 90, celsius=18.2),
            *bite(),
            event(11, "rocked", 120),
            event(12, "temperature", 140, celsius=18.9),
            event(13, "rinsed", 170),
            event(14, "neutralised", 175),
            event(15, "covered", 300, areas=["sky"]),
            *bite(400, 100, 20),
            event(23, "feathered", 430),
            event(24, "refreshed", 440),
            event(25, "note", 600, text="looks even"),
            event(26, "observation", 601, about="shine", text="dull"),
        ],
        BATH,
    )
    yield (
        "a-probe-beside-a-typed-reading",
        [
            event(9, "temperature", 90, celsius=18.2),
            *bite(100, 120),
            event(12, "temperature", 150, celsius=18.0),
            event(13, "undo", 160, event=name("a12")),
        ],
        [[40.0, 18.5], [90.0, 18.2], [130.0, 17.9], [150.0, 18.0], [190.0, 17.6], [260.0, 17.0]],
    )
    yield (
        "goggles-on-and-companion-scraps",
        [
            event(8, "protected", 50),
            *bite(),
            *bite(400, 100, 20),
            event(30, "scrap", 700, after=2, lstar=61.5),
            event(31, "scrap", 710, after=1, lstar=78.0, spread=0.8),
            event(32, "scrap", 720, after=2, lstar=62.5),
        ],
        BATH,
    )
    at_once = [event(n, "temperature", 130, celsius=10.0 + n) for n in (8, 7, 6, 5)]
    yield "one-moment-in-the-devices-own-order", [*bite(), *at_once], BATH
    yield "undo", [*bite(), event(3, "undo", 170, event=name("a2"))], BATH
    yield (
        "undone-undo",
        [*bite(), event(3, "undo", 170, event=name("a2")), event(4, "undo", 171, event=name("a3"))],
        BATH,
    )
    yield (
        "thrice-undone",
        [
            *bite(),
            event(3, "undo", 170, event=name("a2")),
            event(4, "undo", 171, event=name("a3")),
            event(5, "undo", 172, event=name("a4")),
        ],
        BATH,
    )
    yield (
        "lift-names-another-dip",
        [event(1, "dip", 100, open=OPEN), event(2, "lift", 160, dip=name("elsewhere"))],
        BATH,
    )
    yield "nameless-lift", [event(1, "dip", 100, open=OPEN), event(2, "lift", 160)], BATH
    yield (
        "two-dips-at-once-from-two-devices",
        [
            event(1, "dip", 100, "a", open=OPEN),
            event(1, "dip", 100, "b", open=["quay"]),
            event(2, "lift", 150, "b", dip=name("b1")),
            event(2, "lift", 152, "a", dip=name("a1")),
        ],
        BATH,
    )
    yield (
        "undo-with-no-line-of-an-event-already-sent",
        [
            *bite(),
            event(7, "covered", 200, areas=["sky"]),
            event(1, "undo", 210, "tablet", event=name("a7")),
        ],
        BATH,
    )
    yield (
        "second-press-150-ms-later",
        [event(1, "dip", 100, open=OPEN), event(2, "lift", 100.15, dip=name("a1"))],
        BATH,
    )
    yield (
        "second-press-then-the-real-lift",
        [
            event(1, "dip", 100, open=OPEN),
            event(2, "lift", 100.15, dip=name("a1")),
            event(3, "lift", 190, dip=name("a1")),
        ],
        BATH,
    )
    yield (
        "opened-and-covered-in-turn",
        [
            event(9, "covered", 50, areas=["paper", "sky"]),
            event(10, "opened", 60, areas=["quay"]),
            *bite(),
            event(15, "opened", 300, areas=["sky"]),
            event(16, "covered", 310, areas=["quay"]),
            event(17, "opened", 320, areas=["paper"]),
            event(18, "undo", 330, event=name("a17")),
        ],
        BATH,
    )
    yield (
        "seen-and-felt-since-the-last-turn",
        [
            event(3, "observation", 50, text="before the first dip"),
            *bite(),
            event(20, "observation", 260, text="the lines shine"),
            event(21, "observation", 262, about="felt depth", text="firm"),
            event(22, "observation", 264, about="felt depth", text="firm"),
            event(23, "undo", 270, event=name("a20")),
            event(24, "brushed", 280),
        ],
        BATH,
    )
    yield (
        "mistyped-temperature-taken-back",
        [
            event(1, "temperature", 90, celsius=39.5),
            event(2, "dip", 100, open=OPEN, celsius=39.5),
            event(3, "undo", 105, event=name("a1")),
        ],
        BATH,
    )
    yield "second-lift", [*bite(), event(3, "lift", 180, dip=name("a1"))], BATH
    yield (
        "undo-before-its-target-by-a-clock-that-was-off",
        [*bite(), event(1, "undo", 20, "off", event=name("a2"))],
        BATH,
    )
    yield (
        "ring-of-undos",
        [*bite(), event(5, "undo", 300, event=name("a6")), event(6, "undo", 301, event=name("a5"))],
        BATH,
    )
    yield "older-device-that-copied-the-bath", [event(1, "dip", 100, open=OPEN, celsius=17.5)], BATH
    yield "bath-read-only-later", [event(1, "dip", 10, open=OPEN)], BATH
    yield "bath-never-read", [event(1, "dip", 10, open=OPEN)], []
    late = [event(1, "dip", 100, open=OPEN), event(2, "lift", 100 + 22_000, dip=name("a1"))]
    yield "lift-later-than-a-bite-can-be", late, BATH
    yield (
        "late-lift-then-the-real-one-remembered",
        [
            *late,
            event(3, "dip", 23_000, open=OPEN),
            event(4, "lift", 23_060),
            event(5, "lift", 400, dip=name("a1"), remembered=True),
        ],
        BATH,
    )
    yield (
        "covered-with-nothing-to-cover",
        [*bite(), event(3, "covered", 170, areas=[])],
        BATH,
        OPEN,
    )
    yield (
        "second-dip-makes-no-bite-longer",
        [
            event(1, "dip", 100, open=OPEN),
            event(2, "dip", 20_000, open=OPEN),
            event(3, "lift", 23_000, dip=name("a2")),
        ],
        BATH,
    )
    yield (
        "nameless-lift-too-late",
        [event(1, "dip", 100, open=OPEN), event(2, "lift", 30_000)],
        BATH,
    )
    yield (
        "areas-the-plate-does-not-have",
        [
            event(1, "dip", 100, open=["sky", "moon"]),
            event(2, "lift", 160, dip=name("a1")),
            event(3, "covered", 170, areas=["moon"]),
            event(4, "covered", 171, areas=["sky"]),
        ],
        BATH,
        OPEN,
    )
    for seed in (3, 11):
        events = random_run(random.Random(seed), 120)
        random.Random(seed).shuffle(events)
        yield f"random-{seed}", events, BATH


def told(events):
    """Return events as JSON holds them."""
    return [each.model_dump(mode="json") for each in events]


def write(path, body):
    """Write one case."""
    path.parent.mkdir(exist_ok=True)
    path.write_text(json.dumps(body, indent=1, ensure_ascii=False) + "\n")


def lifts():
    """Yield (name, sheet, target, temperatures)."""
    sheet = run_sheet(RunSheetInput.model_validate(plan_input().model_dump()))
    bite = sheet.plan.bites[0]
    yield "as-planned", sheet, bite.reference_seconds, [[0, 17.0]]
    yield "warmed-in-the-bite", sheet, bite.reference_seconds, [[0, 17.0], [20, 19.5]]
    yield "cooled-twice", sheet, 120.0, [[0, 22.0], [30, 20.0], [61, 16.5]]
    yield "read-out-of-order", sheet, 90.0, [[40, 21.0], [0, 18.0]]
    yield "before-it-wets", sheet, 60.0, [[0, 18.0], [1, 25.0]]
    yield "colder-than-the-table", sheet, 45.0, [[0, 1.0]]
    yield "warmer-than-the-table", sheet, 45.0, [[0, 55.0]]
    yield "nothing-to-gain", sheet, 0.0, [[0, 18.0]]


def main():
    """Write all cases."""
    for key, events, bath, *more in cases():
        areas = more[0] if more else None
        line = [(a, b) for a, b in bath]
        state = fold([Event.model_validate(e) for e in told(events)], line, areas)
        body = {"events": told(events), "bath": bath, "state": state.model_dump(mode="json")}
        body |= {"areas": areas} if areas else {}
        write(HERE / "fold" / f"{key}.json", body)
    for key, sheet, target, warm in lifts():
        tables = sheet.model_dump(
            mode="json", include={"temperatures_c", "speeds", "wetting_seconds"}
        )
        seconds = seconds_to_lift(sheet, target, [(s, c) for s, c in warm])
        body = {"sheet": tables, "target": target, "temperatures": warm, "seconds": seconds}
        write(HERE / "lift" / f"{key}.json", body)
    for key, sheet_key, events in exposures():
        body = exposed(sheet_of(sheet_key), told(events))
        write(HERE / "exposure" / f"{key}.json", {"sheet": sheet_key} | body)
    for key, events in plates():
        state = fold_marks([Event.model_validate(each) for each in told(events)])
        body = {"events": told(events), "state": state.model_dump(mode="json")}
        write(HERE / "marks" / f"{key}.json", body)
    for key, events in presses():
        pressed = fold_pulls([Event.model_validate(each) for each in told(events)])
        body = {"events": told(events), "state": pressed.model_dump(mode="json")}
        write(HERE / "pulls" / f"{key}.json", body)
    for key, events in works():
        stands = fold_work([Event.model_validate(each) for each in told(events)])
        body = {"events": told(events), "state": stands.model_dump(mode="json")}
        write(HERE / "works" / f"{key}.json", body)
    for key in ("pair", "test"):
        write(HERE / "sheets" / f"{key}.json", sheet_of(key).model_dump(mode="json"))


def exposed(sheet, events):
    """Return a case of an exposure: events, the state and how it stands."""
    state = fold_exposure([Event.model_validate(each) for each in events])
    stands = follow_exposure(sheet, state)
    return {
        "events": events,
        "state": state.model_dump(mode="json"),
        "stands": stands.model_dump(mode="json"),
    }


if __name__ == "__main__":
    main()
