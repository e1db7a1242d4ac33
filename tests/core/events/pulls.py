"""A plate at the press, for the golden cases and the fold's tests."""

import random
import uuid

from tests.core.events.test_fold import event, name

HOUR = 3600
X = "00000000-0000-4000-8000-00000000000a"
LEAST = {
    "paper-out": {"batch": X}, "paper-redamped": {"batch": X}, "press-set": {"quarters": 7},
    "wipe-mapped": {"patches": []}, "pull-read": {"pull": X}, "spoiled": {"pull": X},
    "signed": {"pull": X}, "hung": {"pulls": [X]}, "condition-met": {"approval": X},
}  # fmt: skip
"""What a kind cannot be said without, where it needs anything."""
SKY = {"kind": "leave", "name": "sky", "points": [[0, 0], [180, 0], [180, 30], [0, 30]]}
LAMP = {"kind": "bright", "name": "lamp", "points": [[130, 20], [150, 20], [140, 40]]}


def pull(number, at, device="a", **said):
    """Return the four presses of one pull, 5 min apart."""
    inked = event(number, "inked", at, device, name="black")
    named = {"pull": inked.id}
    return [
        inked,
        event(number + 1, "wiped", at + 300, device, passes=["gauze", "paper"], **named),
        event(number + 2, "laid", at + 600, device, **named),
        event(number + 3, "pulled", at + 700, device, **named, **said),
    ]


def presses():
    """Yield the golden cases: (key, events)."""
    yield "nothing", []
    yield "a-pull", pull(1, 1000)
    yield "wiping-now", pull(1, 1000)[:2]
    yield "inked-now", pull(1, 1000)[:1]
    yield "on-the-bed-and-back", [
        *pull(1, 1000)[:3], event(9, "wipe-again", 1650), event(10, "wiped", 1700, pull=name("a1")),
    ]  # fmt: skip
    one = pull(1, 1000)
    yield "each-pressed-twice", [*one, *[
        event(20 + n, e.kind, e.at_seconds + 3, pull=name("a1"))
        for n, e in enumerate(one[1:])
    ]]  # fmt: skip
    yield "two-devices-log-one-pull", [*one, *pull(1, 1012, "b")]
    yield "two-devices-begin-it-apart", [*one, event(1, "pulled", 1710, "b")]
    yield (
        "nameless-presses",
        [
            event(n, kind, 100.0 * n)
            for n, kind in enumerate(("inked", "wiped", "laid", "pulled"), start=1)
        ],
    )
    yield "pulled-without-a-word", [event(1, "pulled", 1000, passes=2)]
    yield "given-up", [event(1, "inked", 1000), *pull(5, 1000 + 7 * HOUR)]
    yield (
        "wiped-by-a-clock-behind",
        [
            event(1, "wiped", 900, "b", pull=name("a1")),
            *pull(1, 1000)[:1],
        ],
    )
    yield "of-no-pull", [event(1, "wiped", 900, pull=name("x")), event(2, "laid", 950)]
    paper = event(1, "paper-in", 100, name="soft cotton", pieces=4, whose="printer")
    out = event(2, "paper-out", 3000, batch=paper.id, pieces=1)
    yield "paper-in-the-tray", [paper]
    yield "paper-out-and-laid", [
        paper, out, *pull(5, 3000)[:2],
        event(9, "laid", 3700, pull=name("a5"), batch=paper.id, checked=["limp", "no shine"]),
    ]  # fmt: skip
    yield "all-the-paper-out", [paper, out, event(3, "paper-out", 4000, batch=paper.id)]
    yield "more-out-than-in", [paper, event(3, "paper-out", 4000, batch=paper.id, pieces=9)]
    yield "redamped", [paper, out, event(3, "paper-redamped", 9000, batch=paper.id)]
    yield "paper-nobody-put-in", [event(3, "paper-out", 4000, batch=name("x"))]
    yield "press-and-map", [
        event(1, "press-set", 10, quarters=7), event(2, "wipe-mapped", 20, patches=[SKY, LAMP]),
        *pull(5, 1000), event(20, "press-set", 2000, quarters=8, passes=2),
        event(21, "wipe-mapped", 2001, patches=[SKY]), *pull(30, 3000, passes=2),
    ]  # fmt: skip
    yield "map-taken-back", [
        event(2, "wipe-mapped", 20, patches=[SKY]), event(3, "wipe-mapped", 30, patches=[]),
        event(4, "undo", 40, event=name("a3")),
    ]  # fmt: skip
    read = event(
        10, "pull-read", 2000, pull=name("a1"), areas=[{"name": "Sky", "lstar": 31.0}],
        seen=["first-pull"],
    )  # fmt: skip
    yield "read-and-read-again", [
        *one, read, event(11, "pull-read", 2100, pull=name("a1"),
                          areas=[{"name": "Sky", "lstar": 30.0, "spread": 0.5}]),
    ]  # fmt: skip
    signed = event(12, "signed", 2200, pull=name("a1"))
    yield "signed", [*one, signed]
    yield "signed-twice", [*one, signed, event(3, "signed", 2300, "b", pull=name("a1"),
                                               series="artist")]  # fmt: skip
    yield "signed-stays", [
        *one, signed, event(13, "undo", 2300, event=signed.id),
        event(14, "undo", 2301, event=name("a4")), event(15, "undo", 2302, event=name("a1")),
    ]  # fmt: skip
    yield "signed-then-void", [*one, signed, event(13, "spoiled", 9000, pull=name("a1"),
                                                   reason="torn in drying")]  # fmt: skip
    yield (
        "spoiled-before-the-press",
        [
            *one[:2],
            event(9, "spoiled", 1500, pull=name("a1"), reason="paper torn"),
        ],
    )
    yield (
        "spoiled-and-not",
        [
            *one,
            event(9, "spoiled", 2000, pull=name("a1")),
            event(10, "undo", 2010, event=name("a9")),
        ],
    )
    yield "hung", [*one, event(9, "hung", 2000, pulls=[name("a1"), name("x")], how="board",
                               days=1)]  # fmt: skip
    yield "cleaned", [*one, event(9, "plate-cleaned", 2500)]
    yield "inked-after-cleaning", [*one, event(9, "plate-cleaned", 2500), *pull(20, 3000)[:1]]
    yield "notes", [
        event(1, "pull-noted", 50, text="the room is cold"), *pull(5, 1000),
        event(20, "pull-noted", 2000, sound=name("s"), seconds=4.5),
        event(21, "pull-noted", 2010, pull=name("a5"), text="sky darker"),
    ]  # fmt: skip
    yield "condition", [event(n, "condition-met", 50 + n, approval=name("ok")) for n in (1, 2)]
    yield "pull-taken-back", [*one, event(9, "undo", 1800, event=name("a4"))]
    for seed in (3, 8):
        yield f"random-{seed}", random_press(random.Random(seed), 150)


def random_press(rng, count=400):
    """Events of two devices, well ordered in time, with undos among them."""
    events, clock = [], 1_000_000.0
    known = {"inked": [], "paper-in": []}
    for number in range(count):
        clock += rng.choice([0.0, 10.0, 30.0, 200.0, 400.0, 9000.0])
        device = rng.choice("ab")
        kind = rng.choice([
            "inked", "inked", "wiped", "laid", "pulled", "pulled", "wipe-again", "paper-in",
            "paper-out", "paper-redamped", "press-set", "wipe-mapped", "pull-noted", "pull-read",
            "spoiled", "signed", "hung", "plate-cleaned", "condition-met", "undo",
        ])  # fmt: skip
        made = event(number, kind, clock, device, **_said(rng, kind, events, known))
        events.append(made)
        if kind in known:
            known[kind].append(made.id)
    return events


def _said(rng, kind, events, known):
    nobody = uuid.UUID(int=0)
    some = rng.choice(known["inked"]) if known["inked"] else nobody
    paper = rng.choice(known["paper-in"]) if known["paper-in"] else nobody
    maybe = rng.choice([None, some])
    return {
        "wiped": {"pull": maybe, "passes": ["gauze"]},
        "laid": {"pull": maybe, "batch": rng.choice([None, paper])},
        "wipe-again": {"pull": maybe},
        "pulled": {"pull": maybe, "passes": rng.choice([1, 2]), "spoiled": rng.random() < 0.1},
        "paper-in": {"pieces": 5, "school": "pack"},
        "paper-out": {"batch": paper, "pieces": rng.choice([None, 1])},
        "paper-redamped": {"batch": paper},
        "press-set": {"quarters": rng.randrange(4, 12)},
        "wipe-mapped": {"patches": rng.choice([[], [SKY]])},
        "pull-noted": {"pull": maybe, "text": "words"},
        "pull-read": {"pull": some, "areas": [{"name": "Sky", "lstar": 30.5}]},
        "spoiled": {"pull": some, "reason": "creased"},
        "signed": {"pull": some, "series": rng.choice(["edition", "artist", "trial"])},
        "hung": {"pulls": [some]},
        "condition-met": {"approval": nobody},
        "undo": {"event": rng.choice(events).id if events else nobody},
    }.get(kind, {})  # fmt: skip
