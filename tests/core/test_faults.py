"""Faults in the form every door shows: path without a union's tags, unit from the metadata."""

from typing import Annotated, Literal

import pytest
from pydantic import BaseModel, Field, TypeAdapter, ValidationError

from core.errors import CoreError
from core.events.event import Event, one_of_each_kind
from core.events.kinds import KINDS
from core.faults import LONGEST_SHOWN_VALUE, bad_input, fault_of, place_of, shown
from core.kinetics.shapes import BathCelsius, Seconds
from core.stages.shapes import PlanBitesInput
from core.tone.shapes import FitStripInput
from tests.core.events.pulls import LEAST
from tests.core.events.works import LEAST_WORK
from tests.core.strips import plan_input

UUID = "5d0c2f0e-6f0a-4c0b-9c55-7a1f9b6a2e01"


class Cat(BaseModel):
    """One member of a union."""

    kind: Literal["cat"]
    warm: BathCelsius


class Dog(BaseModel):
    """The other."""

    kind: Literal["dog"]
    ran: list[Seconds]


class Yard(BaseModel):
    """Holds a union, deep."""

    pets: list[Annotated[Cat | Dog, Field(discriminator="kind")]]
    name: str = ""


def fault(shape, data):
    with pytest.raises(ValidationError) as caught:
        TypeAdapter(shape).validate_python(data)
    return bad_input(caught.value, shape)


@pytest.mark.parametrize(
    ("shape", "loc", "path", "unit"),
    [(FitStripInput, ("patches", 2, "seconds"), "patches.2.seconds", "s"),
     (FitStripInput, ("conditions", "load_g_per_l"), "conditions.load_g_per_l", "g/L"),
     (FitStripInput, ("patches",), "patches", ""),
     (PlanBitesInput, ("bath", "volume_l"), "bath.volume_l", "L"),
     (PlanBitesInput, ("areas", 0, "open_cm2"), "areas.0.open_cm2", "cm²"),
     (PlanBitesInput, ("ghost",), "ghost", ""), (PlanBitesInput, (), "", ""),
     (Yard, ("pets", 0, "cat", "warm"), "pets.0.warm", "°C"),
     (Yard, ("pets", 1, "dog", "ran", 3), "pets.1.ran.3", "s"), (Yard, ("name",), "name", "")],
)  # fmt: skip
def test_a_path_has_no_tags_and_its_unit_comes_from_the_field(shape, loc, path, unit):
    assert place_of(shape, loc) == (path, unit)


@pytest.mark.parametrize(
    ("data", "code", "field", "allowed", "unit"),
    [({"pets": [{"kind": "cat", "warm": 90}]}, "less-than-equal", "pets.0.warm", "at most 60.0",
      "°C"),
     ({"pets": [{"kind": "dog", "ran": [-1]}]}, "greater-than-equal", "pets.0.ran.0",
      "at least 0.0", "s"),
     ({"pets": [{"kind": "cow"}]}, "union-tag-invalid", "pets.0", None, ""),
     ({"pets": [{"kind": "cat"}]}, "missing", "pets.0.warm", "a value is needed", "°C"),
     ({}, "missing", "pets", "a value is needed", ""),
     ({"pets": 3}, "list-type", "pets", None, "")],
)  # fmt: skip
def test_a_fault_names_code_field_limit_and_unit(data, code, field, allowed, unit):
    error = fault(Yard, data)
    assert (error.code, error.field, error.unit) == (code, field, unit)
    assert error.allowed == allowed if allowed else error.allowed
    assert error.text.startswith(f"{field}: ") and error.text.endswith(".")


def test_a_validator_s_own_words_stand_as_they_are():
    given = plan_input().model_dump() | {"areas": [{"name": "a", "lstar": 50}] * 2}
    error = fault(PlanBitesInput, given)
    assert error.text == "input: each area needs its own name." and error.field == ""


@pytest.mark.parametrize(
    ("value", "said"),
    [(3, 3), (2.5, 2.5), ("x", "x"), (True, True), (None, None), (float("inf"), "inf"),
     (float("nan"), "nan"), ([1, 2], "[1, 2]"), ({"a": 1}, '{"a": 1}'), (1 + 2j, "(1+2j)")],
)  # fmt: skip
def test_any_value_can_be_shown(value, said):
    assert shown(value) == said


def test_a_long_value_is_cut():
    assert len(shown(list(range(1000)))) == LONGEST_SHOWN_VALUE


def test_an_error_is_the_same_dictionary_at_every_door():
    error = CoreError("code", "Words.", field="f", value=1, allowed="2", unit="s")
    assert error.as_dict() == {"code": "code", "field": "f", "value": 1, "allowed": "2",
                               "unit": "s", "text": "Words."}  # fmt: skip
    assert str(error) == "Words."
    told = fault_of({"loc": ("name",), "type": "string_type", "msg": "Bad", "input": 3}, Yard)
    assert (told["value"], told["text"]) == (3, "name: bad.")


ANY_EVENT = TypeAdapter(one_of_each_kind(Event, "Test"))
DATA = {"dip": {"open": ["sky"]}, "temperature": {"celsius": 18}, "covered": {"areas": ["sky"]},
        "opened": {"areas": ["sky"]},
        "scrap": {"after": 1, "lstar": 60}, "observation": {"text": "x"}, "note": {"text": "x"},
        "undo": {"event": UUID}, "began": {"stage": "wash"}, "passed": {"stage": "chalk"},
        "checked": {"check": "no-water"}, "water": {"celsius": 21},
        "mended": {"slip": UUID}, "marked": {"group": "sky"},
        "impression-read": {"pull": UUID, "lstar": 31}, **LEAST, **LEAST_WORK}  # fmt: skip


def stamped(kind, **more):
    return {"id": UUID, "kind": kind, "at_seconds": 1.5, "device": "d", "sequence": 3, **more}


@pytest.mark.parametrize("kind", KINDS)
def test_the_union_takes_every_kind_and_gives_it_back_as_it_was(kind):
    sent = stamped(kind, data=DATA.get(kind, {}))
    event = ANY_EVENT.validate_python(sent)
    assert event.kind == kind and type(event.data) is KINDS[kind]
    told = ANY_EVENT.dump_python(event, mode="json")
    assert told["data"].items() >= DATA.get(kind, {}).items() and told["id"] == UUID


@pytest.mark.parametrize("kind", [kind for kind in KINDS if kind not in DATA])
def test_a_kind_that_needs_nothing_may_be_sent_without_data(kind):
    assert ANY_EVENT.validate_python(stamped(kind)).data == KINDS[kind]()


@pytest.mark.parametrize("kind", DATA)
def test_a_kind_that_needs_data_is_refused_without(kind):
    with pytest.raises(ValidationError):
        ANY_EVENT.validate_python(stamped(kind))


def test_an_unknown_kind_is_refused():
    with pytest.raises(ValidationError, match="union_tag_invalid|Input tag"):
        ANY_EVENT.validate_python(stamped("sneezed", data={}))


def test_only_a_thermometer_tells_of_the_bath():
    telling = {key for key in KINDS
               if KINDS[key].model_validate(DATA.get(key, {})).reading() is not None}  # fmt: skip
    assert telling == {"temperature"}
    assert {key for key, kind in KINDS.items() if kind.cares} == {
        "rocked",
        "feathered",
        "brushed",
        "refreshed",
    }
    assert {key for key, kind in KINDS.items() if not kind.undoable} == {"note", "undo", "signed"}
