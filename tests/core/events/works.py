"""A work's sheets, for the golden cases and the fold's tests."""

import random
import uuid

from tests.core.events.test_fold import event, name

X = "00000000-0000-4000-8000-00000000000a"
LEAST_WORK = {
    "layer-inked": {"layer": X}, "layer-printed": {"sheet": X, "layer": X},
    "sheet-measured": {"sheet": X, "sheet_mm": [280, 380]},
    "crosses-read": {"sheet": X, "key": X, "layers": []}, "template-moved": {"layer": X},
    "plate-changed": {"layer": X}, "sheets-joined": {"sheets": [X]},
    "sheet-approved": {"sheet": X}, "pieces-followed": {"layer": X, "pieces": [1]},
}  # fmt: skip
"""What a kind cannot be said without, where it needs anything."""
KEY, OCHRE, BLUE, SKY = (str(name(each)) for each in ("key", "ochre", "blue", "sky"))
CROSS = {"x_mm": 15.0, "y_mm": 5.0, "right_mm": 0.6, "down_mm": 0.3, "spread_mm": 0.05}


def printed(number, at, sheet, layer, device="a", **said):
    return event(number, "layer-printed", at, device, sheet=str(name(sheet)), layer=layer, **said)


def ghosts(first=10, at=1000.0, device="a", count=3):
    """Return a monotype's inking and its pulls, each on its own sheet."""
    out = [event(first, "layer-inked", at, device, layer=SKY, name="Sky")]
    for n in range(count):
        begun = first + 1 + 2 * n
        out.append(event(begun, "sheet-begun", at + 60 + 120 * n, device))
        out.append(printed(begun + 1, at + 120 + 120 * n, f"{device}{begun}", SKY, device,
                           inking=str(name(f"{device}{first}"))))  # fmt: skip
    return out


def works():
    """Yield the golden cases: (key, events)."""
    yield "nothing", []
    sheet = event(1, "sheet-begun", 100, name="first", sheet_mm=[280, 380])
    yield "a-sheet", [sheet]
    four = [
        sheet, printed(2, 200, "a1", OCHRE, name="Ochre", state="State II", plate=X),
        printed(3, 900, "a1", BLUE, damp="redamped", sheet_mm=[282.5, 381.0]),
        printed(4, 1800, "a1", KEY),
    ]  # fmt: skip
    yield "three-colours", four
    yield "one-print-logged-by-two-devices", [*four, printed(1, 215, "a1", OCHRE, "b")]
    yield "a-layer-printed-over-itself", [*four, printed(5, 3000, "a1", OCHRE)]
    yield "printed-by-a-clock-behind", [printed(1, 50, "a1", OCHRE, "b"), sheet]
    yield "on-no-sheet", [printed(2, 200, "x", OCHRE)]
    yield "ghosts", ghosts()
    yield "ghosts-by-two-devices", [
        *ghosts(), event(1, "sheet-begun", 1390, "b"),
        printed(2, 1400, "b1", SKY, "b", inking=str(name("a10"))),
    ]  # fmt: skip
    yield "a-nameless-ghost", [
        *ghosts(count=1), event(30, "sheet-begun", 1300), printed(31, 1350, "a30", SKY),
    ]  # fmt: skip
    again = event(40, "layer-inked", 1500, layer=SKY, name="Sky")
    yield "a-ghost-after-re-inking", [
        *ghosts(), again, event(41, "sheet-begun", 1550),
        printed(42, 1600, "a41", SKY, inking=str(name("a10"))),
    ]  # fmt: skip
    yield "inking-of-another-layer", [*ghosts(count=1), event(30, "sheet-begun", 1300), printed(
        31, 1350, "a30", BLUE, inking=str(name("a10")))]  # fmt: skip
    yield "inking-nobody-made", [sheet, printed(2, 200, "a1", SKY, inking=X)]
    two = [*ghosts(10, 1000.0), *ghosts(30, 5000.0)]
    yield "two-series", two
    yield "joined-into-one", [
        *two, event(60, "sheets-joined", 9000, name="Last Tram",
                    sheets=[str(name("a11")), str(name("a31"))]),
    ]  # fmt: skip
    yield "joined-and-parted", [
        *two, event(60, "sheets-joined", 9000, sheets=[str(name("a11")), str(name("a31"))]),
        event(61, "undo", 9001, event=name("a60")),
    ]  # fmt: skip
    yield "joined-with-none", [sheet, event(2, "sheets-joined", 200, sheets=[str(name("a1")), X])]
    read = event(5, "crosses-read", 2000, sheet=str(name("a1")), key=KEY, layers=[
        {"layer": BLUE, "name": "Blue", "crosses": [CROSS]}])  # fmt: skip
    yield "crosses", [*four, read, event(6, "crosses-read", 2100, sheet=str(name("a1")), key=KEY,
                                         layers=[], by="scan")]  # fmt: skip
    yield "crosses-read-again-taken-back", [
        *four, read, event(6, "crosses-read", 2100, sheet=str(name("a1")), key=KEY, layers=[]),
        event(7, "undo", 2110, event=name("a6")),
    ]  # fmt: skip
    yield "templates-moved", [
        event(1, "template-moved", 50, layer=BLUE, right_mm=-0.6, down_mm=-0.3),
        event(2, "template-moved", 60, layer=BLUE, right_mm=0.1, clockwise_deg=0.2),
    ]  # fmt: skip
    yield "plate-changed", [*four, event(5, "plate-changed", 2500, layer=BLUE, plate=X,
                                         plate_name="Blue again", reason="scratched")]  # fmt: skip
    yield "approved", [
        *four, event(5, "sheet-approved", 2000, sheet=str(name("a1")), condition="sky darker"),
        event(6, "condition-met", 2500, approval=name("a5")),
    ]  # fmt: skip
    signed = event(8, "signed", 2200, pull=name("a1"))
    yield "signed", [*four, signed]
    yield "signed-twice", [*four, signed, event(3, "signed", 2300, "b", pull=name("a1"))]
    yield "signed-stays", [
        *four, signed, event(13, "undo", 2300, event=signed.id),
        event(14, "undo", 2301, event=name("a1")), event(15, "undo", 2302, event=name("a3")),
    ]  # fmt: skip
    yield "measured-read-spoiled-hung", [
        *four, event(5, "sheet-measured", 1900, sheet=str(name("a1")), sheet_mm=[283.0, 381.0]),
        event(6, "pull-read", 2000, pull=name("a1"), areas=[{"name": "whole", "lstar": 61.0}]),
        event(7, "hung", 2050, pulls=[name("a1"), name("x")], how="board", days=1),
        event(8, "spoiled", 2100, pull=name("a1"), reason="torn"),
        event(9, "pull-noted", 2200, pull=name("a1"), text="blue dry"),
        event(10, "pull-noted", 2210, text="the room is cold"),
    ]  # fmt: skip
    yield "tracing", [
        event(1, "pieces-followed", 10, layer=SKY, pieces=[3, 1, 2]),
        event(2, "pieces-followed", 20, layer=SKY, pieces=[2], followed=False),
    ]  # fmt: skip
    for seed in (4, 9):
        yield f"random-{seed}", random_work(random.Random(seed), 140)


def random_work(rng, count=300):
    """Events of two devices, well ordered in time, with undos among them."""
    events, clock = [], 1_000_000.0
    known = {"sheet-begun": [], "layer-inked": []}
    for number in range(count):
        clock += rng.choice([0.0, 10.0, 40.0, 200.0, 900.0])
        device = rng.choice("ab")
        kind = rng.choice([
            "sheet-begun", "sheet-begun", "layer-inked", "layer-printed", "layer-printed",
            "layer-printed", "sheet-measured", "crosses-read", "template-moved", "plate-changed",
            "sheets-joined", "sheet-approved", "pieces-followed", "pull-read", "spoiled", "signed",
            "hung", "pull-noted", "undo",
        ])  # fmt: skip
        made = event(number, kind, clock, device, **_said(rng, kind, events, known))
        events.append(made)
        if kind in known:
            known[kind].append(made.id)
    return events


def _said(rng, kind, events, known):
    nobody = uuid.UUID(int=0)
    some = str(rng.choice(known["sheet-begun"])) if known["sheet-begun"] else str(nobody)
    inking = str(rng.choice(known["layer-inked"])) if known["layer-inked"] else None
    layer = rng.choice([KEY, OCHRE, SKY])
    return {
        "layer-inked": {"layer": layer}, "sheet-measured": {"sheet": some, "sheet_mm": [281, 380]},
        "layer-printed": {"sheet": some, "layer": layer, "inking": rng.choice([None, inking])},
        "crosses-read": {"sheet": some, "key": KEY, "layers": []},
        "template-moved": {"layer": layer, "right_mm": 0.1, "down_mm": -0.2},
        "plate-changed": {"layer": layer, "plate_name": "other"},
        "sheets-joined": {"sheets": [some], "name": rng.choice(["", "Trams"])},
        "sheet-approved": {"sheet": some}, "pieces-followed": {
            "layer": layer, "pieces": [rng.randrange(1, 9)], "followed": rng.random() < 0.7},
        "pull-read": {"pull": some, "areas": [{"name": "whole", "lstar": 55.0}]},
        "spoiled": {"pull": some, "reason": "creased"}, "signed": {"pull": some},
        "hung": {"pulls": [some]}, "pull-noted": {"pull": rng.choice([None, some]), "text": "w"},
        "undo": {"event": rng.choice(events).id if events else nobody},
    }.get(kind, {})  # fmt: skip
