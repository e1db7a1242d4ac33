"""Two proofs of a plate side by side: what changed, and what all areas share."""

from __future__ import annotations

from core.reading.compare_proofs import (
    ComparedArea,
    CompareProofsInput,
    CompareProofsOutput,
    compare_proofs,
)
from server.proofs.actions.reading import straight_of
from server.proofs.models import Proof
from server.replies.errors import NotFound


def compare(left: Proof, right: Proof) -> CompareProofsOutput:
    """Return what changed from one proof to another.

    Raises
    ------
    NotFound
        They are not of one plate.
    """
    if left.plate_id != right.plate_id:
        raise NotFound("That proof of this plate")
    then = {tone["area"]: tone for tone in left.tones}
    areas = [
        ComparedArea(
            name=tone["area"],
            left_lstar=then[tone["area"]]["read_lstar"],
            right_lstar=tone["read_lstar"],
            left_spread=then[tone["area"]].get("spread") or 1.0,
            right_spread=tone.get("spread") or 1.0,
        )
        for tone in right.tones
        if tone["area"] in then
    ]
    pictures = _pictures(left, right)
    return compare_proofs(
        CompareProofsInput(
            left=pictures[0], right=pictures[1], width_mm=right.plate.width_mm, areas=areas
        )
    )


def _pictures(left: Proof, right: Proof) -> tuple[str | None, str | None]:
    try:
        return str(straight_of(left)), str(straight_of(right))
    except NotFound:
        return None, None
