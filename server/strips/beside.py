"""Two strips beside each other."""

from __future__ import annotations

from core.tone.compare_curves import compare_curves
from core.tone.compare_shapes import CompareCurvesInput, CompareCurvesOutput
from core.tone.shapes import Curve
from server.replies.errors import BadValue
from server.strips.models import Strip


def curve_of(strip: Strip) -> Curve:
    """Return the curve of a strip.

    Raises
    ------
    BadValue
        It gives none yet.
    """
    if strip.curve is None:
        raise BadValue("no-curve", f"{strip.name} gives no curve yet. See why on its page.")
    return Curve.model_validate(strip.curve)


def beside(strip: Strip, other: Strip) -> CompareCurvesOutput:
    """Return two strips of one mordant compared.

    Raises
    ------
    BadValue
        One gives no curve, or they were bitten in different mordants.
    """
    one, two = curve_of(strip), curve_of(other)
    if one.conditions.mordant != two.conditions.mordant:
        raise BadValue(
            "two-mordants", "They were bitten in two mordants: neither says anything of the other.",
            field="other", value=other.name, allowed="a strip bitten in the same mordant",
        )  # fmt: skip
    return compare_curves(CompareCurvesInput(curve=one, other=two))
