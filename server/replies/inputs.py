"""The shapes of what may be sent, with their limits: the browser's forms read them."""

from __future__ import annotations

import json
import sys
from typing import Any

#: What a form asks of a field: its limits, its unit, and whether it must be there.
KEPT = (
    "minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum", "maxLength", "unit", "required",
)  # fmt: skip


def inputs_json(schema: dict[str, Any]) -> str:
    """Return every request body and kind of event of an OpenAPI schema, without references.

    Parameters
    ----------
    schema
        The OpenAPI document.

    Returns
    -------
    str
        JSON, keys sorted, so that a drift shows as a difference of the file.
    """
    shapes = schema["components"]["schemas"]
    bodies = {name for name in map(_body_of, _calls(schema)) if name}
    names = sorted(bodies | {name for name in shapes if name.endswith("EventIn")})
    found = {name: _plain(shapes[name], shapes) for name in names}
    return json.dumps(found, indent=1, ensure_ascii=False, sort_keys=True) + "\n"


def _calls(schema: dict[str, Any]) -> list[dict[str, Any]]:
    return [call for path in schema["paths"].values() for call in path.values()]


def _body_of(call: dict[str, Any]) -> str | None:
    content = call.get("requestBody", {}).get("content", {}).get("application/json", {})
    shape = content.get("schema", {})
    choices = [shape, *shape.get("anyOf", [])]  # a body that may be left out may be null
    reference = next((each["$ref"] for each in choices if "$ref" in each), "")
    return reference.rsplit("/", 1)[-1] or None


def _plain(node: dict[str, Any], shapes: dict[str, Any]) -> dict[str, Any]:
    """Return a node with its references put in, and what may be null as what it else is."""
    if "$ref" in node:
        return _plain(shapes[node["$ref"].rsplit("/", 1)[-1]], shapes)
    if "allOf" in node:
        return _plain(node["allOf"][0], shapes)
    choices = [each for each in node.get("anyOf", []) if each.get("type") != "null"]
    if len(choices) == 1:
        return _plain(choices[0], shapes)
    told = {key: node[key] for key in KEPT if key in node}
    if "properties" in node:
        inner = {k: _plain(v, shapes) for k, v in node["properties"].items()}
        told["properties"] = {key: each for key, each in inner.items() if each}
    if "items" in node:
        told["items"] = _plain(node["items"], shapes)
    return told


if __name__ == "__main__":
    print(inputs_json(json.load(sys.stdin)), end="")
