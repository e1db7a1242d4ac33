"""JSON in and out: finite numbers, and text that can be stored."""

from __future__ import annotations

import json
import math
from typing import Any

from django.http import HttpRequest
from ninja.parser import Parser
from ninja.renderers import JSONRenderer


class HouseParser(Parser):
    """Read JSON; whatever cannot be stored is no JSON here."""

    def parse_body(self, request: HttpRequest) -> Any:
        """Return the body's data.

        Raises
        ------
        ValueError
            Not JSON, a number that is not finite, a sign that no text has, or nested too deep.
        """
        try:
            given = json.loads(request.body)
            json.dumps(given, ensure_ascii=False, allow_nan=False).encode()
        except RecursionError:
            raise ValueError("nested too deep") from None
        if b"\\u0000" in request.body and _has_nul(given):
            raise ValueError("a sign that no text has")
        return given


def _has_nul(given: Any) -> bool:
    """Tell whether a text in what was given holds the sign that no database keeps."""
    if isinstance(given, str):
        return "\0" in given
    if isinstance(given, dict):
        return any(_has_nul(each) for pair in given.items() for each in pair)
    return isinstance(given, list) and any(map(_has_nul, given))


class HouseRenderer(JSONRenderer):
    """Write JSON: a number that is not finite is null."""

    def render(self, request: HttpRequest, data: Any, *, response_status: int) -> Any:
        """Return the text of an answer."""
        try:
            return json.dumps(data, cls=self.encoder_class, allow_nan=False)
        except ValueError:
            plain = json.loads(json.dumps(data, cls=self.encoder_class))
            return json.dumps(_finite(plain), allow_nan=False)


def _finite(data: Any) -> Any:
    if isinstance(data, float) and not math.isfinite(data):
        return None
    if isinstance(data, dict):
        return {key: _finite(each) for key, each in data.items()}
    return [_finite(each) for each in data] if isinstance(data, list) else data
