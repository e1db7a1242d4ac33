"""The core's fold and lift on the golden cases, which the browser's tests replay too."""

import json
from pathlib import Path

import pytest

from core.events.event import Event
from core.events.exposure_fold import fold_exposure
from core.events.fold import fold
from core.events.marks_fold import fold_marks
from core.events.pull_fold import fold_pulls
from core.events.sheet_fold import fold_work
from core.polymer.exposure_follow import follow_exposure
from core.polymer.exposure_shapes import ExposureSheet
from core.stages.lift import seconds_to_lift

GOLDEN = Path(__file__).parents[2] / "golden"


class Tables:
    """The tables of a sheet that a lift is looked up in."""

    def __init__(self, told):
        self.__dict__ |= told


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("fold/*.json")), ids=lambda p: p.stem)
def test_events_fold_into_the_golden_state(path):
    case = json.loads(path.read_text())
    events = [Event.model_validate(event) for event in case["events"]]
    state = fold(events, [(at, celsius) for at, celsius in case["bath"]], case.get("areas"))
    assert state.model_dump(mode="json") == case["state"]


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("lift/*.json")), ids=lambda p: p.stem)
def test_a_sheet_and_temperatures_give_the_golden_lift(path):
    case = json.loads(path.read_text())
    warm = [(second, celsius) for second, celsius in case["temperatures"]]
    seconds = seconds_to_lift(Tables(case["sheet"]), case["target"], warm)
    assert seconds == pytest.approx(case["seconds"], abs=1e-9)


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("exposure/*.json")), ids=lambda p: p.stem)
def test_an_exposure_stands_as_in_the_golden_case(path):
    case = json.loads(path.read_text())
    sheet = json.loads((GOLDEN / "sheets" / f"{case['sheet']}.json").read_text())
    state = fold_exposure([Event.model_validate(event) for event in case["events"]])
    assert state.model_dump(mode="json") == case["state"]
    stands = follow_exposure(ExposureSheet.model_validate(sheet), state)
    assert stands.model_dump(mode="json") == case["stands"]


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("marks/*.json")), ids=lambda p: p.stem)
def test_a_scratched_plate_stands_as_in_the_golden_case(path):
    case = json.loads(path.read_text())
    state = fold_marks([Event.model_validate(event) for event in case["events"]])
    assert state.model_dump(mode="json") == case["state"]


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("pulls/*.json")), ids=lambda p: p.stem)
def test_a_press_folds_as_in_the_golden_case(path):
    case = json.loads(path.read_text())
    state = fold_pulls([Event.model_validate(event) for event in case["events"]])
    assert state.model_dump(mode="json") == case["state"]


@pytest.mark.parametrize("path", sorted(GOLDEN.glob("works/*.json")), ids=lambda p: p.stem)
def test_a_works_sheets_fold_as_in_the_golden_case(path):
    case = json.loads(path.read_text())
    state = fold_work([Event.model_validate(event) for event in case["events"]])
    assert state.model_dump(mode="json") == case["state"]


def test_there_are_golden_cases_of_each():
    assert len(list(GOLDEN.glob("works/*.json"))) >= 25
    assert len(list(GOLDEN.glob("pulls/*.json"))) >= 30
    assert len(list(GOLDEN.glob("marks/*.json"))) >= 20
    assert len(list(GOLDEN.glob("exposure/*.json"))) >= 15
    assert len(list(GOLDEN.glob("fold/*.json"))) >= 20
    assert len(list(GOLDEN.glob("lift/*.json"))) >= 8
