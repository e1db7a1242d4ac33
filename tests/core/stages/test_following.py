"""Hands that do just what the screen says, bite by bite, also late: the plate comes out as planned.

The hands know nothing but the first bite of the sheet: what to cover, what to open, how long. What
is open is kept here, by what they did, and is what the mordant reaches.
"""

import numpy as np
import pytest
from hypothesis import Phase, given, settings
from hypothesis import strategies as st

from core.process.rows import PROCESSES
from core.stages.shapes import DoneBite
from tests.core.process.test_rows import decided

SLACK = {"tone": 2.6, "depth": 3.0}
"""Rounding to 5 s and bites of a few seconds that are not worth a dip [L* or µm]."""
MOST_BITES_MORE = 1
"""A late or early lift costs at most one bite on top."""


class Hands:
    """A plate in hands that follow a sheet."""

    def __init__(self, key, method):
        self.key, self.method = key, method
        self.done, self.late = [], 0.0
        plan = self.sheet().plan
        names = {area.name for area in plan.areas}
        nothing_drawn = method == "open-up" and not PROCESSES[key].planner.covers_unopened
        self.open = set() if nothing_drawn else names
        self.planned = plan

    def sheet(self):
        what = decided(self.key, done=self.done if hasattr(self, "done") else [])
        return PROCESSES[self.key].sheet(what.model_copy(update={"method": self.method}))

    def follow(self, late_at=None, late=0.0):
        """Bite as told until nothing is told; lift bite number ``late_at`` so many seconds late."""
        for _ in range(len(self.planned.bites) + MOST_BITES_MORE + 1):
            plan = self.sheet().plan
            if not plan.bites:
                return plan
            bite = plan.bites[0]
            self.open -= {*bite.stop_out_before, *bite.cover_before}
            self.open |= set(bite.open_before)
            assert self.open == {area.name for area in bite.areas}, bite.number
            seconds = bite.seconds + (late if bite.number == late_at else 0.0)
            in_order = [area.name for area in bite.areas]
            made = DoneBite(seconds=max(1.0, seconds), temperatures=[(0, 18.5)], open=in_order)
            self.done.append(made)
        raise AssertionError("it never ends")


KEYS = ("tones", "lines", "spit-bite")


@pytest.mark.parametrize("method", ["stop-out", "open-up"])
@pytest.mark.parametrize("key", KEYS)
def test_followed_to_the_letter_every_area_comes_out_as_wanted(key, method):
    hands = Hands(key, method)
    sheet, end = hands.sheet(), hands.follow()
    assert len(hands.done) == len(hands.planned.bites)
    for area, wanted in zip(end.areas, (each.wanted for each in sheet.areas), strict=True):
        if wanted is None:
            assert area.reference_seconds == 0
        else:
            assert area.goal.value == pytest.approx(wanted, abs=SLACK[sheet.goal.kind]), area.name


@settings(max_examples=15, deadline=None, phases=[Phase.explicit, Phase.reuse, Phase.generate])
@given(
    st.sampled_from(KEYS),
    st.sampled_from(["stop-out", "open-up"]),
    st.integers(1, 4),
    st.floats(-20, 90),
)
def test_late_or_early_it_ends_and_only_what_was_open_bears_it(key, method, late_at, late):
    """What the late bite did not darken past its goal comes out as wanted."""
    hands = Hands(key, method)
    sheet = hands.sheet()
    end = hands.follow(late_at, late)
    assert len(end.done) <= len(hands.planned.bites) + MOST_BITES_MORE
    way = 1 if sheet.goal.kind == "depth" else -1
    late_bite = next((bite for bite in end.done if bite.number == late_at), None)
    then = {area.name: area.goal.value for area in late_bite.areas} if late_bite else {}
    for area, each in zip(end.areas, sheet.areas, strict=True):
        if each.wanted is None:
            continue
        past = way * (area.goal.value - each.wanted)
        slack = SLACK[sheet.goal.kind]
        assert past >= -slack, f"{area.name} too little"
        if past > slack:
            assert area.name in then, f"{area.name} was not open in the late bite"


def test_every_bite_opens_and_closes_what_the_one_before_left():
    for key in KEYS:
        for method in ("stop-out", "open-up"):
            plan = Hands(key, method).planned
            closed = {name for bite in plan.bites for name in bite.stop_out_before}
            opened = {name for bite in plan.bites for name in bite.open_before}
            assert not closed & opened, (key, method)
            if method == "open-up":
                assert opened == {area.name for area in plan.bites[-1].areas}
                later = {name for bite in plan.bites[1:] for name in bite.open_before}
                covers = PROCESSES[key].planner.covers_unopened
                assert set(plan.bites[0].cover_before) == (later if covers else set())


def test_it_ends_where_the_last_bite_was_lifted_right():
    """The same bite was offered again and again, one more each time."""
    for key in ("tones", "lines"):
        hands = Hands(key, "open-up")
        hands.follow()
        made = [bite.seconds for bite in hands.done]
        assert np.all(np.array(made) >= 5) and hands.sheet().plan.bites == []
