"""What the core makes of a test and of a chart; what it cannot use is kept with the reason."""

from __future__ import annotations

from typing import Any

from core.calculators import compute
from core.errors import CoreError
from server.exposures.models import Chart, Test


def fit_test(test: Test) -> None:
    """Set the pair of a test from its patches, or why they give none; nothing without patches."""
    test.pair, test.fault = _fitted("exposure-pair", "patches", test.patches)


def fit_chart(chart: Chart) -> None:
    """Set the curve of a chart from its steps, or why they give none; nothing without steps."""
    chart.curve, chart.fault = _fitted("correction-curve", "chart", chart.steps)


def _fitted(
    name: str, field: str, rows: list[dict[str, Any]]
) -> tuple[dict[str, Any] | None, dict[str, Any] | None]:
    if not rows:
        return None, None
    try:
        return compute(name, {field: rows}).model_dump(mode="json"), None
    except CoreError as error:
        return None, error.as_dict()
