"""Papers, inks and presses as they are shown."""

from __future__ import annotations

from typing import Any

from core.calculators import compute
from core.errors import CoreError
from core.events.pull_kinds import turns_text
from core.limits import within
from core.tone.colour import lab_to_hex
from server.shopbook.models import Press, Supply
from server.shopbook.schemas import (
    InkFacts,
    InkOut,
    PaperFacts,
    PaperKindOut,
    PressIn,
    PressProfileOut,
)

_OWN = ("id", "version", "name", "note", "put_away")
_READ_BY = {"gauge": "gauge at", "gap": "gap"}


def paper_facts(supply: Supply) -> PaperFacts:
    """Return what a paper is; the usual where nobody said."""
    return PaperFacts(**within(PaperFacts, supply.facts))


def ink_facts(supply: Supply) -> InkFacts:
    """Return what an ink is; the usual where nobody said."""
    return InkFacts(**within(InkFacts, supply.facts))


def damping_of(facts: PaperFacts) -> Any:
    """Return a paper's windows in the damp; the table's where its own cannot be."""
    times = facts.model_dump(include={"school", "ready_minutes", "latest_minutes"})
    try:
        return compute("damping", times)
    except CoreError:
        return compute("damping", {"school": facts.school})


def paper_out(supply: Supply) -> PaperKindOut:
    """Return a paper with its windows in the damp."""
    facts = paper_facts(supply)
    own = {name: getattr(supply, name) for name in _OWN}
    return PaperKindOut(**own, **facts.model_dump(), damping=damping_of(facts))


def ink_out(supply: Supply) -> InkOut:
    """Return an ink with its recipe."""
    facts = ink_facts(supply)
    own = {name: getattr(supply, name) for name in _OWN}
    swatch = lab_to_hex(facts.swatch_lab) if facts.swatch_lab else ""
    return InkOut(**own, **facts.model_dump(), swatch_hex=swatch)


def press_out(press: Press) -> PressProfileOut:
    """Return a press with how it is set."""
    facts = {name: getattr(press, name) for name in PressIn.model_fields}
    return PressProfileOut(**facts, set_text=set_text(press))


def set_text(press: Press) -> str:
    """Return how a press is set, in words."""
    passes = "1 pass" if press.passes == 1 else f"{press.passes} passes"
    if press.read_by == "turns":
        return f"{turns_text(press.quarters)} from contact, {passes}"
    number = press.quarters / 4 if press.read_by == "gauge" else press.quarters
    return f"{_READ_BY[press.read_by]} {number:g}, {passes}"
