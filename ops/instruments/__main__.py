"""``./keen instrument KIND``: a simulated instrument that sends what it reads until Ctrl-C."""

from __future__ import annotations

import argparse
import random
import sys

from ops.instruments.simulated import INSTRUMENTS
from ops.instruments.speak import Refused, Speaker, every


def parser() -> argparse.ArgumentParser:
    """Return what the command takes."""
    found = argparse.ArgumentParser(prog="./keen instrument", description=__doc__)
    found.add_argument("kind", choices=list(INSTRUMENTS))
    found.add_argument("--bath", default="", help="the name of the bath it hangs in")
    found.add_argument("--token", default="", help="its token; none: one is made on this machine")
    found.add_argument("--url", default="http://127.0.0.1:8000")
    found.add_argument("--begin", type=float, default=None, help="what it reads at first")
    found.add_argument("--end", type=float, default=None, help="what it goes towards")
    found.add_argument("--minutes", type=float, default=20.0, help="how slowly")
    found.add_argument("--every", type=float, default=5.0, help="seconds between two readings")
    found.add_argument("--for", dest="lasting", type=float, default=None, help="seconds in all")
    found.add_argument("--seed", type=int, default=1)
    return found


def run(given: argparse.Namespace) -> int:
    """Send readings until it is over or refused; say each and what became of it."""
    make, begin, end = INSTRUMENTS[given.kind]
    read = make(
        begin if given.begin is None else given.begin, end if given.end is None else given.end,
        given.minutes,
    )  # fmt: skip
    speaker, rng = Speaker(given.url, given.token), random.Random(given.seed)  # noqa: S311
    for seconds in every(given.every, given.lasting):
        kind, value = read(seconds, rng)
        try:
            told = speaker.say(kind, value)
        except Refused as refused:
            print(f"refused: {refused}", file=sys.stderr, flush=True)
            return 1
        last = told[-1] if told else None
        word = "kept here, no line" if last is None else last["why"] or "taken"
        print(f"{kind} {value:g}: {word}", flush=True)
    return 0


if __name__ == "__main__":
    try:
        sys.exit(run(parser().parse_args()))
    except KeyboardInterrupt:
        sys.exit(130)
