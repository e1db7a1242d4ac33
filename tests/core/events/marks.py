"""Scratched plates as they are worked on and printed, for the golden cases and the fold's tests."""

import random
import uuid

from tests.core.events.test_fold import event, name

HOUR = 3600


def sat(number, at, minutes, device="a", work="hatching"):
    """Return sitting down and the rest."""
    return [
        event(number, "sat-down", at, device, work=work),
        event(number + 1, "got-up", at + 60 * minutes, device, sat=name(f"{device}{number}")),
    ]


def pulled(number, at, **said):
    return event(number, "pulled", at, **said)


def plates():
    """Yield the golden cases: (key, events)."""
    yield "nothing", []
    yield "a-sitting", sat(1, 100, 25)
    yield "sitting-now", [*sat(1, 100, 25), event(3, "sat-down", 2000)]
    yield "over-weeks", [*sat(1, 100, 25), *sat(3, 7 * 24 * HOUR, 40, work="engraving")]
    yield "two-devices-sit", [*sat(1, 100, 25), event(9, "sat-down", 110, "b")]
    yield "nameless-rest", [event(1, "sat-down", 100), event(2, "got-up", 900)]
    yield "rest-without-sitting", [event(1, "got-up", 100)]
    yield "pressed-twice", [event(1, "sat-down", 100), event(2, "got-up", 100.4)]
    yield "forgotten-for-a-day", [event(1, "sat-down", 100), event(2, "got-up", 100 + 24 * HOUR)]
    yield "sharpened", [
        *sat(1, 0, 12, work="engraving"), event(3, "sharpened", 730),
        *sat(4, 800, 10, work="engraving"), event(6, "sharpened", 1100),
        event(7, "sharpened", 1500, bites=False),
    ]  # fmt: skip
    slip = event(1, "slipped", 100, where="left of the lamp")
    yield "a-slip", [slip]
    yield "a-slip-mended", [slip, event(2, "mended", 200, slip=slip.id, minutes=12)]
    yield "mend-of-nothing", [event(2, "mended", 200, slip=uuid.UUID(int=5))]
    yield "mend-taken-back", [
        slip, event(2, "mended", 200, slip=slip.id), event(3, "undo", 210, event=name("a2")),
    ]  # fmt: skip
    yield "groups", [
        event(1, "marked", 10, group="Sky", share=0.4), event(2, "marked", 20, group="Shutter"),
        event(3, "marked", 30, group="Sky", share=1.0),
    ]  # fmt: skip
    first = pulled(1, 100, lstar=31.0, spread=0.7)
    yield "one-impression", [first]
    yield "two-passes-and-one-spoiled", [
        first, pulled(2, 200, passes=2), pulled(3, 300, spoiled=True, note="creased"),
        pulled(4, 400, lstar=34.5),
    ]  # fmt: skip
    yield "read-later-and-again", [
        first, event(2, "impression-read", 500, pull=first.id, lstar=31.6),
        event(3, "impression-read", 600, pull=first.id, lstar=30.9, spread=0.5),
    ]  # fmt: skip
    yield "read-before-it-came", [event(2, "impression-read", 500, pull=name("a1"), lstar=30)]
    yield "pull-taken-back", [
        first, pulled(2, 200), event(3, "undo", 210, event=first.id),
        event(4, "impression-read", 220, pull=first.id, lstar=30),
    ]  # fmt: skip
    yield "scratched-again", [
        event(1, "scratched-again", 50), pulled(2, 100), pulled(3, 200),
        event(4, "scratched-again", 250), event(5, "scratched-again", 260), pulled(6, 300),
    ]  # fmt: skip
    yield "steel-on-and-off", [
        event(1, "steel-faced", 10), event(2, "steel-faced", 20, faced=False),
        event(3, "undo", 30, event=name("a2")),
    ]  # fmt: skip
    for seed in (3, 8):
        yield f"random-{seed}", random_plate(random.Random(seed), 120)


def random_plate(rng, count=400):
    """Events of two devices, well ordered in time, with undos among them."""
    events, clock, pulls, slips = [], 1_000_000.0, [], []
    for number in range(count):
        clock += rng.choice([0.0, 0.5, 30.0, 400.0])
        device = rng.choice("ab")
        kind = rng.choice([
            "sat-down", "got-up", "sharpened", "slipped", "mended", "marked", "pulled",
            "impression-read", "scratched-again", "steel-faced", "undo",
        ])  # fmt: skip
        made = event(number, kind, clock, device, **_said(rng, kind, events, pulls, slips))
        events.append(made)
        pulls += [made.id] if kind == "pulled" else []
        slips += [made.id] if kind == "slipped" else []
    return events


def _said(rng, kind, events, pulls, slips):
    nobody = uuid.UUID(int=0)
    return {
        "marked": {"group": rng.choice(["Sky", "Shutter"]), "share": rng.choice([0.25, 0.5, 1.0])},
        "mended": {"slip": rng.choice(slips) if slips else nobody},
        "pulled": {"passes": rng.choice([1, 2]), "spoiled": rng.random() < 0.2,
                   "lstar": rng.choice([None, 30.5])},
        "impression-read": {"pull": rng.choice(pulls) if pulls else nobody, "lstar": 32.0},
        "undo": {"event": rng.choice(events).id if events else nobody},
    }.get(kind, {})  # fmt: skip
