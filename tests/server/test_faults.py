"""Every fault of what was sent is told at once; the forms' limits are those of the schema."""

import json
import uuid

from server.replies.inputs import inputs_json


def bath(**part):
    good = {
        "id": str(uuid.uuid4()), "name": "Amber", "mordant": "copper-ferric",
        "volume_l": 4, "temperature_c": 18,
    }  # fmt: skip
    return {**good, **part}


def test_a_refused_body_answers_with_every_fault_the_first_as_before(keeper):
    status, reply = keeper.ask("POST", "/baths", bath(volume_l=0, temperature_c=180, name=""))
    assert status == 422
    assert {fault["field"] for fault in reply["faults"]} == {"name", "volume_l", "temperature_c"}
    assert reply["error"] == reply["faults"][0]
    hot = next(fault for fault in reply["faults"] if fault["field"] == "temperature_c")
    assert (hot["value"], hot["allowed"], hot["unit"]) == (180, "at most 60.0", "°C")


def test_an_error_with_one_thing_to_say_has_no_list(keeper):
    status, reply = keeper.ask("GET", f"/baths/{uuid.uuid4()}")
    assert (status, reply["faults"]) == (404, [])


SCHEMA = {
    "paths": {
        "/baths": {
            "get": {},
            "post": {
                "requestBody": {
                    "content": {"application/json": {"schema": {"$ref": "#/components/schemas/In"}}}
                }
            },
        }
    },
    "components": {
        "schemas": {
            "In": {
                "type": "object",
                "required": ["rows"],
                "properties": {
                    "rows": {"type": "array", "items": {"$ref": "#/components/schemas/Row"}},
                    "note": {"anyOf": [{"type": "string", "maxLength": 9}, {"type": "null"}]},
                    "flag": {"type": "boolean"},
                },
            },
            "Row": {"properties": {"x_mm": {"type": "number", "minimum": 1, "unit": "mm"}}},
            "Answer": {"properties": {"y": {"maximum": 2}}},
        }
    },
}


def test_the_forms_limits_are_what_may_be_sent_references_put_in():
    assert json.loads(inputs_json(SCHEMA)) == {
        "In": {
            "required": ["rows"],
            "properties": {
                "rows": {"items": {"properties": {"x_mm": {"minimum": 1, "unit": "mm"}}}},
                "note": {"maxLength": 9},
            },
        }
    }
